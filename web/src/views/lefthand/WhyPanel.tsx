import type { Arrangement, Lock, Why } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";
import { plain } from "../../ui/words";

/** Why a note is what it is, what the best other ways would cost, and locks that keep it. */
export function WhyPanel({
  arrangement,
  stroke,
  note,
  why,
  lock,
  spanMm,
  ownFinger,
  onFinger,
  onNote,
  onLock,
  onTopLine,
}: {
  arrangement: Arrangement;
  stroke: number;
  note: number;
  why: Why | undefined;
  /** What is locked on this chord already. */
  lock: Lock | undefined;
  spanMm: number;
  /** The player's own finger on the note, null where the search chose it. */
  ownFinger: number | null;
  onFinger: (finger: number | null) => void;
  onNote: (note: number) => void;
  onLock: (lock: Partial<Lock> | null) => void;
  onTopLine: () => void;
}) {
  const asked = arrangement.strokes[stroke];
  if (!asked) return null;
  const bass = why?.ways[0]?.notes[0];
  const closeRole =
    asked.notes.length > 1 && /^[1-7]$/.test(asked.notes[0]?.role ?? "") ? Number(asked.notes[0]?.role) : null;
  const top = asked.notes.at(-1)?.name;
  return (
    <div className="grid gap-2">
      <p className="flex flex-wrap gap-1">
        {asked.notes.map((each, index) => (
          <button
            key={each.midi}
            type="button"
            aria-pressed={index === note}
            onClick={() => onNote(index)}
            className={`min-h-9 rounded-plank border px-2.5 font-serif text-xl ${index === note ? "border-accent bg-wash text-accent" : "border-line"}`}
          >
            {each.name}
          </button>
        ))}
      </p>
      {why && (
        <>
          <p className="leading-snug">{why.rule}</p>
          <p className="text-quiet leading-snug">{why.stroke}</p>
          {asked.rolled && asked.stretchMm > 0 && (
            <p className="text-quiet leading-snug">
              {asked.rolled.leadTicks > 0
                ? "The bass comes before the beat, the top on it"
                : "Opened upward from the beat"}
              : {asked.stretchMm.toFixed(1)} mm from key to key, for a hand of {spanMm} mm.
            </p>
          )}
          <fieldset>
            <legend className="font-semibold">
              Finger on {why.name}
              {ownFinger !== null && <span className="font-normal text-quiet"> – your own</span>}
            </legend>
            <div className="mt-1 flex gap-1">
              {[1, 2, 3, 4, 5].map((finger) => (
                <button
                  key={finger}
                  type="button"
                  aria-label={`Finger ${finger}${finger === 1 ? ", the thumb" : ""}`}
                  aria-pressed={asked.notes[note]?.finger === finger}
                  onClick={() => onFinger(finger)}
                  className={`h-9 min-w-9 rounded-plank border font-semibold ${asked.notes[note]?.finger === finger ? "border-accent bg-wash text-accent" : "border-line"}`}
                >
                  {finger}
                </button>
              ))}
              {ownFinger !== null && (
                <LinkButton onClick={() => onFinger(null)} high={8} className="ml-1">
                  let go
                </LinkButton>
              )}
            </div>
          </fieldset>
          {/* Chords are laid, and kept where they lie, in the left hand. */}
          {why.ways.length > 0 && (
            <>
              <h3 className="mt-1 font-semibold">Other ways to lay {why.chord}</h3>
              <ul className="grid gap-1.5">
                {why.ways.map((way, index) => (
                  <li key={way.notes.join()} className="border-line border-l-4 pl-2">
                    <span className="block font-serif text-[1.05rem]">{way.notes.join(" ")}</span>
                    {index === 0 ? (
                      <span className="text-[0.92rem] text-quiet">chosen: the cheapest for the whole song</span>
                    ) : (
                      <>
                        <span className="block text-[0.92rem] text-quiet leading-snug">
                          {way.more > 0 ? `costs ${plain(way.more)} more: ` : "costs the same: "}
                          {way.costs
                            .map(
                              (cost) =>
                                `${cost.name.toLowerCase()} ${cost.value > 0 ? "+" : "−"}${plain(Math.abs(cost.value))}`,
                            )
                            .join(", ")}
                        </span>
                        <LinkButton
                          onClick={() =>
                            onLock({
                              bass: way.notes[0],
                              bottom: undefined,
                              top: way.notes.length > 1 ? way.notes.at(-1) : undefined,
                            })
                          }
                          high={8}
                        >
                          take it
                        </LinkButton>
                      </>
                    )}
                  </li>
                ))}
              </ul>
              <h3 className="mt-1 font-semibold">Keep</h3>
              <div className="flex flex-wrap gap-x-4">
                {asked.mark === "heel" && bass && (
                  <LinkButton onClick={() => onLock({ bass: asked.notes[0]?.name })} high={8}>
                    this octave here
                  </LinkButton>
                )}
                {closeRole !== null && asked.mark === "toe" && (
                  <LinkButton onClick={() => onLock({ bottom: closeRole })} high={8}>
                    this inversion here
                  </LinkButton>
                )}
                {top && asked.notes.length > 1 && (
                  <LinkButton onClick={() => onLock({ top })} high={8}>
                    {top} on top here
                  </LinkButton>
                )}
                <LinkButton onClick={onTopLine} high={8}>
                  the top line of the chosen bars
                </LinkButton>
              </div>
            </>
          )}
          {lock && (
            <p className="border-accent border-l-4 bg-wash px-2 py-1">
              Locked:{" "}
              {[
                lock.bass && `bass ${lock.bass}`,
                lock.bottom && `${lock.bottom} at the bottom`,
                lock.top && `${lock.top} on top`,
              ]
                .filter(Boolean)
                .join(", ")}
              .
              <LinkButton onClick={() => onLock(null)} high={8} className="ml-2">
                let go
              </LinkButton>
            </p>
          )}
        </>
      )}
    </div>
  );
}
