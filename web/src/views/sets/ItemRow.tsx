import { useSortable } from "@dnd-kit/sortable";
import { Link } from "react-router";
import type { SetItem, SetItemOf } from "../../api/client";
import { minutes } from "../../sheet/drawn";
import { Choice } from "../../ui/Choice";
import { Field } from "../../ui/Field";
import { plain } from "../../ui/words";

/** A song of the evening, or a break; taken by its handle, or moved by Alt and the arrow keys. */
export function ItemRow({
  name,
  at,
  last,
  number,
  of,
  onChange,
  onMove,
  onRemove,
}: {
  name: string;
  at: number;
  last: boolean;
  /** Which song it is. */
  number: number;
  of: SetItemOf;
  onChange: (item: SetItem) => void;
  onMove: (to: number) => void;
  onRemove: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: name });
  const { item } = of;
  const called = item.song ? (of.missing ? "a song that was removed" : of.title) : "the break";
  const put = (change: Partial<SetItem>) => onChange({ ...item, ...change });
  const without = (field: keyof SetItem) => {
    const { [field]: _gone, ...rest } = item;
    onChange(rest);
  };
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${Math.round(transform.y)}px)` : undefined, transition }}
      className={`border-line border-b py-2 ${isDragging ? "relative z-10 bg-wash" : ""} ${item.song ? "" : "bg-plank/30"}`}
      onKeyDown={(event) => {
        if (!event.altKey || (event.key !== "ArrowUp" && event.key !== "ArrowDown")) return;
        event.preventDefault();
        const to = at + (event.key === "ArrowUp" ? -1 : 1);
        if (to >= 0 && !(last && to > at)) onMove(to);
      }}
    >
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${called}, place ${at + 1}`}
          title="Drag, or Alt with the arrow keys"
          className="min-h-11 w-8 cursor-grab touch-none text-center text-quiet text-xl print:hidden"
        >
          ≡
        </button>
        {item.song ? (
          <>
            <span className="w-7 text-end font-serif text-lg text-quiet">{number}</span>
            <Link
              to={`/songs/${item.song}/sheet`}
              className="min-w-44 flex-1 font-semibold font-serif text-[1.35rem] leading-tight hover:text-accent"
            >
              {of.missing ? <span className="text-accent">a song that was removed</span> : of.title}
            </Link>
            <span className="flex items-center">
              <button
                type="button"
                aria-label={`${called}: a semitone lower`}
                onClick={() =>
                  (item.semitones ?? 0) === 1
                    ? without("semitones")
                    : put({ semitones: Math.max(-11, (item.semitones ?? 0) - 1) })
                }
                className="min-h-11 min-w-9 text-xl print:hidden"
              >
                −
              </button>
              <span
                className="min-w-10 text-center font-serif text-lg"
                title={item.semitones ? `moved by ${item.semitones}` : "as it is kept"}
              >
                {of.key || "–"}
              </span>
              <button
                type="button"
                aria-label={`${called}: a semitone higher`}
                onClick={() =>
                  (item.semitones ?? 0) === -1
                    ? without("semitones")
                    : put({ semitones: Math.min(11, (item.semitones ?? 0) + 1) })
                }
                className="min-h-11 min-w-9 text-xl print:hidden"
              >
                +
              </button>
            </span>
            <Field
              label={`Tempo of ${called}`}
              value={of.bpm ? plain(of.bpm) : ""}
              numeric
              className="w-16 text-center"
              onTake={(text) =>
                Number(text) >= 20 && Number(text) <= 400 ? put({ tempo: Number(text) }) : without("tempo")
              }
            />
            {of.arrangements.length > 1 && (
              <div className="w-40 print:hidden">
                <Choice
                  label={`Arrangement of ${called}`}
                  slim
                  value={
                    of.arrangements.find((each) => each.id === item.arrangement)?.id ?? of.arrangements[0]?.id ?? ""
                  }
                  options={of.arrangements.map((each) => ({ value: each.id, label: each.name }))}
                  onChange={(arrangement) =>
                    arrangement === of.arrangements[0]?.id ? without("arrangement") : put({ arrangement })
                  }
                />
              </div>
            )}
          </>
        ) : (
          <>
            <span className="w-7" />
            <span className="flex-1 text-lg">A break</span>
            <Field
              label="Minutes of the break"
              value={plain(item.minutes ?? 0)}
              numeric
              className="w-16 text-center"
              onTake={(text) =>
                Number.isFinite(Number(text)) && put({ minutes: Math.min(600, Math.max(0, Number(text))) })
              }
            />
            <span className="text-quiet">minutes</span>
          </>
        )}
        <span className="w-14 text-end">{minutes(of.ms)}</span>
        <button
          type="button"
          onClick={onRemove}
          aria-label={`Take out ${called}, place ${at + 1}`}
          className="min-h-11 px-1 text-quiet underline decoration-dotted underline-offset-4 print:hidden"
        >
          take out
        </button>
      </div>
      <div className={`ml-[4.75rem] grid gap-x-3 gap-y-1 sm:grid-cols-3 ${item.song ? "" : "hidden"}`}>
        <Field
          label={`What is said before ${called}`}
          placeholder="what is said before it"
          value={item.remark ?? ""}
          onTake={(remark) => (remark ? put({ remark }) : without("remark"))}
          bare
        />
        <Field
          label={`Who plays ${called}`}
          placeholder="who plays"
          value={item.who ?? ""}
          onTake={(who) => (who ? put({ who }) : without("who"))}
          bare
        />
        <Field
          label={`A note for ${called}`}
          placeholder="a note"
          value={item.note ?? ""}
          onTake={(note) => (note ? put({ note }) : without("note"))}
          bare
        />
      </div>
    </li>
  );
}
