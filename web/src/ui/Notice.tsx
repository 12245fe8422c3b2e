import type { ReactNode } from "react";

/** Something that needs an answer: what happened, what is safe, what to do. */
export function Notice({ children, alert = false }: { children: ReactNode; alert?: boolean }) {
  return (
    <div
      role={alert ? "alert" : "status"}
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-accent border-l-4 bg-wash px-4 py-2"
    >
      {children}
    </div>
  );
}

/** As many as are read at a glance. */
const AT_ONCE = 4;

/**
 * What of a file, or of a song that was kept, cannot be used; a few are shown at once, where they do not stand over
 * other work.
 */
export function LeftOut({ what, folded = false, children }: { what: string[]; folded?: boolean; children: ReactNode }) {
  return (
    <details className="max-w-3xl" open={!folded && what.length <= AT_ONCE}>
      <summary className="cursor-pointer py-1.5 font-semibold">{children}</summary>
      <ul className="list-disc pl-6">
        {what.map((each) => (
          <li key={each} className="break-words">
            {each}
          </li>
        ))}
      </ul>
    </details>
  );
}
