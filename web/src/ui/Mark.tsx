/** The mark of the house: a heel and a toe. */
export function Mark() {
  return (
    <svg viewBox="0 0 34 28" className="h-7 w-8" role="img" aria-label="Zapateo">
      <path d="M2 27V11C2 5 5.500 1 8 1s6 4 6 10v16z" fill="var(--ink)" />
      <path
        d="M20 25.500V13c0-4 3-7 5.500-7s5.500 3 5.500 7v12.500z"
        fill="none"
        stroke="var(--accent)"
        strokeWidth="2.500"
      />
    </svg>
  );
}

/** A step of the path: filled where the work has come this far. */
export function PathMark({ filled }: { filled: boolean }) {
  return (
    <svg viewBox="0 0 14 18" className="h-[1.1rem] w-3" aria-hidden="true">
      <path
        d="M2 17V8.500C2 4.500 4.500 1.500 7 1.500s5 3 5 7V17z"
        fill={filled ? "currentColor" : "none"}
        stroke="currentColor"
        strokeWidth="1.500"
      />
    </svg>
  );
}
