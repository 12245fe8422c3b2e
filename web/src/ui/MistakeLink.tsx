import { Link, useLocation } from "react-router";

/** What a link to the chart's first mistake says in its state. */
export type AtMistake = { mistake?: boolean };

/** To the chart, with the first mistake in it taken. */
export function MistakeLink({ children }: { children: string }) {
  const { search } = useLocation();
  return (
    <Link
      to={{ pathname: "../chart", search }}
      relative="path"
      state={{ mistake: true } satisfies AtMistake}
      className="inline-flex min-h-10 items-center font-semibold text-accent underline underline-offset-4"
    >
      {children}
    </Link>
  );
}
