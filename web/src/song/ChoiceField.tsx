import type { Figure } from "../api/client";
import { CheckField } from "../ui/CheckField";
import { Choice } from "../ui/Choice";
import type { Row } from "./table";

const OPEN = "";

type Named = { name: string; use: string };

/** A field for a row of the table of choices, whatever its kind. */
export function ChoiceField({
  row,
  value,
  figure,
  open,
  onChoose,
}: {
  row: Row;
  /** What is chosen; nothing where it is left open. */
  value: unknown;
  /** What it is for, where figures differ in what they have of it. */
  figure?: Figure;
  /** What it is where it is left open, where more is known of that than the table says. */
  open?: Named;
  onChoose: (more: Record<string, unknown>) => void;
}) {
  const offer = figure?.choices[row.id];
  const usual = offer?.usual ?? row.usual;
  const take = (next: unknown) => onChoose({ [row.id]: next, ...(row.along ? { [row.along]: next } : {}) });
  if (row.on)
    return row.kind === "seed" ? (
      <CheckField on={typeof value === "number"} onTurn={(on) => take(on ? 1 : undefined)}>
        {row.on}
      </CheckField>
    ) : (
      <CheckField on={(value ?? usual === "true") === true} onTurn={take}>
        {row.on}
      </CheckField>
    );
  const named = (id: string | null) => row.values.find((each) => each.id === id);
  const values = offer?.values ? offer.values.flatMap((id) => named(id) ?? []) : row.values;
  const left = open ?? openOf(row.open, offer ? named(offer.usual) : undefined);
  const chosen = value === undefined || value === null ? undefined : values.find((each) => each.id === String(value));
  const shown = chosen ?? (left ? undefined : (named(usual) ?? values[0]));
  const none = values.length < (row.open ? 1 : 2);
  return (
    <Choice
      label={`${row.name.charAt(0).toUpperCase()}${row.name.slice(1)}`}
      value={shown?.id ?? OPEN}
      disabled={none}
      options={[
        ...(left ? [{ value: OPEN, label: left.name }] : []),
        ...values.map((each) => ({ value: each.id, label: each.name })),
      ]}
      reason={none ? (row.nothing ?? "") : shown ? shown.use || row.use : left?.use}
      onChange={(id) => take(id === OPEN ? undefined : row.kind === "text" ? id : Number(id))}
    />
  );
}

/** Left open it may be known what a figure has. */
function openOf(open: Named | null, usual: Named | undefined): Named | undefined {
  return open && usual ? { name: `${open.name}: ${usual.name}`, use: usual.use } : (open ?? undefined);
}
