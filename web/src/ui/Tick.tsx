/** Something that is on or off. */
export function Tick({
  label,
  on,
  onTurn,
  slim = false,
}: {
  label: string;
  on: boolean;
  onTurn: (on: boolean) => void;
  /** For one of several in a panel. */
  slim?: boolean;
}) {
  return (
    <label className={`flex items-center gap-2 ${slim ? "min-h-7 leading-snug" : "min-h-11"}`}>
      <input
        type="checkbox"
        checked={on}
        onChange={(event) => onTurn(event.target.checked)}
        className={`shrink-0 accent-accent ${slim ? "size-4" : "size-5"}`}
      />
      {label}
    </label>
  );
}
