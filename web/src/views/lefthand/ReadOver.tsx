import type { Choices, Fault, ReadOver as Read } from "../../api/client";
import { choose } from "../../song/scope";
import type { Row } from "../../song/table";
import { LinkButton } from "../../ui/LinkButton";

/**
 * What a strict reader would mark, bar by bar: pressed, its notes are lit; what is meant so is waved off and stays so.
 */
export function ReadOver({
  read,
  error,
  table,
  choices,
  onBar,
  onPoint,
  onChange,
}: {
  read: Read | undefined;
  error: string | null;
  table: Row[];
  choices: Choices;
  onBar: (bar: number) => void;
  onPoint: (strokes: number[]) => void;
  onChange: (choices: Choices) => void;
}) {
  if (error) return <p className="mt-2">{error}</p>;
  if (!read) return <p className="mt-2 text-quiet">Reading …</p>;
  const doubtful = read.faults.filter((fault) => !fault.waved);
  const waved = read.faults.filter((fault) => fault.waved);
  const wave = (fault: Fault, off: boolean) => {
    const name = `${fault.id}@${fault.number}`;
    const others = (choices.wavedOff ?? []).filter((each) => each !== name);
    const { wavedOff: _before, ...rest } = choices;
    const next = off ? [...others, name] : others;
    onChange(next.length > 0 ? { ...rest, wavedOff: next } : rest);
  };
  const mend = (fault: Fault) => {
    if (!fault.repair) return;
    const { choice, value } = fault.repair;
    if (choice === "locks")
      onChange({ ...choices, locks: (choices.locks ?? []).filter((lock) => lock.bar !== fault.number) });
    else
      onChange(
        choose(
          table,
          choices,
          { kind: "bars", bars: String(fault.number) },
          { [choice]: value === "false" ? false : value },
        ),
      );
  };
  return (
    <div className="grid gap-2">
      <p className="leading-snug">
        {doubtful.length === 0
          ? `A strict reader marks nothing in these ${read.bars} bars.`
          : `A strict reader would mark ${doubtful.length === 1 ? "one place" : `${doubtful.length} places`} in ${read.bars} bars.`}
      </p>
      <ol aria-label="Doubtful bars" className="grid">
        {[...doubtful]
          .sort((one, other) => one.bar - other.bar)
          .map((fault) => (
            <li key={`${fault.id}${fault.bar}`} className="border-line border-t py-1.5">
              <button
                type="button"
                onClick={() => {
                  onBar(fault.bar);
                  onPoint(fault.strokes);
                }}
                className="block min-h-8 w-full text-left leading-snug"
              >
                <span className="font-semibold">Bar {fault.number}. </span>
                {fault.found}
              </button>
              <p className="text-[0.92rem] text-quiet leading-snug">{fault.better}</p>
              {fault.repair && (
                <LinkButton
                  onClick={() => mend(fault)}
                  high={8}
                  strong
                  className="mr-4 text-[0.92rem]"
                  aria-label={`Mend bar ${fault.number}: ${fault.repair.text}`}
                >
                  {fault.repair.text}
                </LinkButton>
              )}
              <LinkButton
                onClick={() => wave(fault, true)}
                high={8}
                className="text-[0.92rem]"
                aria-label={`Bar ${fault.number} is meant so`}
              >
                it is meant so
              </LinkButton>
            </li>
          ))}
      </ol>
      {waved.length > 0 && (
        <p className="border-line border-t pt-1.5 text-[0.92rem] text-quiet leading-snug">
          Meant so:{" "}
          {waved.map((fault, index) => (
            <span key={`${fault.id}${fault.bar}`}>
              {index > 0 && ", "}
              <button
                type="button"
                title={fault.found}
                onClick={() => wave(fault, false)}
                className="min-h-8 underline decoration-dotted underline-offset-4"
              >
                bar {fault.number}
              </button>
            </span>
          ))}
          . Press one to have it marked again.
        </p>
      )}
    </div>
  );
}
