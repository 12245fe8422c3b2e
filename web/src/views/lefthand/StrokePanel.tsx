import type { EditedStroke } from "../../steps/edited";
import { isAlone, isEarly, type Role, rolesOf, single, together } from "../../steps/roles";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";

/** One stroke of a figure that is being written: what it plays, how long, how. */
export function StrokePanel({
  roles: all,
  stroke,
  both,
  unit,
  barTicks,
  onChange,
  onLift,
}: {
  roles: Role[];
  stroke: EditedStroke;
  /** Whether it belongs to what both hands play. */
  both: boolean;
  unit: number;
  barTicks: number;
  onChange: (stroke: Partial<EditedStroke>) => void;
  onLift: () => void;
}) {
  const early = isEarly(stroke.roles);
  const roles = single(stroke.roles);
  const write = (next: string[], ofNext: boolean) => onChange({ roles: together(next, ofNext) });
  const toggle = (role: string) => {
    if (isAlone(all, role) || roles.some((each) => isAlone(all, each))) write([role], early);
    else {
      const next = roles.includes(role) ? roles.filter((each) => each !== role) : [...roles, role];
      if (next.length > 0)
        write(
          next.sort((a, b) => Number.parseInt(a, 10) - Number.parseInt(b, 10)),
          early,
        );
    }
  };
  const longest = Math.max(1, Math.floor((barTicks - stroke.tick) / unit));
  const lengths = Array.from({ length: longest }, (_, index) => String((index + 1) * unit));
  const length = stroke.length === null ? "*" : String(stroke.length);
  return (
    <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-1">
      <fieldset className="flex flex-wrap gap-1">
        <legend className="text-quiet">What it plays</legend>
        {rolesOf(all, stroke.hand, both).map(({ id: role, name }) => (
          <button
            key={role}
            type="button"
            aria-label={name}
            aria-pressed={roles.includes(role)}
            onClick={() => toggle(role)}
            className={`min-w-11 rounded-plank border px-1.5 leading-tight ${roles.includes(role) ? "border-accent bg-wash font-semibold text-accent" : "border-line bg-sheet"}`}
          >
            {role}
            <span className="block text-[0.82rem] text-quiet">{name}</span>
          </button>
        ))}
      </fieldset>
      <div className="w-40">
        <Choice
          label="How long"
          value={length}
          options={[
            ...(lengths.includes(length) || length === "*" ? [] : [{ value: length, label: `${length} ticks` }]),
            ...lengths.map((each, index) => ({ value: each, label: index === 0 ? "1 plank" : `${index + 1} planks` })),
            { value: "*", label: "as the chord" },
          ]}
          onChange={(value) => onChange({ length: value === "*" ? null : Number(value) })}
        />
      </div>
      {(
        [
          ["accent", stroke.accent, (on: boolean) => onChange({ accent: on })],
          ["rolled", stroke.rolled, (on: boolean) => onChange({ rolled: on })],
          ["early, for the next chord", early, (on: boolean) => write(roles, on)],
        ] as const
      ).map(([name, on, set]) => (
        <CheckField on={on} onTurn={set} key={name}>
          {name}
        </CheckField>
      ))}
      <button type="button" onClick={onLift} className="h-10 text-accent underline underline-offset-4">
        lift it
      </button>
    </div>
  );
}
