/** Something that is on or off. */
export function Tick({ label, on, onTurn }: { label: string; on: boolean; onTurn: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        checked={on}
        onChange={(event) => onTurn(event.target.checked)}
        className="h-5 w-5 accent-accent"
      />
      {label}
    </label>
  );
}
