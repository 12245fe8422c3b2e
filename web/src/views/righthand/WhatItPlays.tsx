import type { Figure, RightHand } from "../../api/client";
import { FigureSteps } from "../../steps/FigureSteps";
import { isMadeFor } from "../lefthand/Figures";

const STYLES: { id: RightHand["style"]; name: string; says: string }[] = [
  { id: "none", name: "Rests", says: "The left hand plays alone." },
  { id: "comping", name: "Chords", says: "Nearest inversions, a third at least above the left hand." },
  { id: "melody", name: "Melody", says: "The tune of the chart, on top." },
  {
    id: "improvise",
    name: "Chorus",
    says: "Improvised by rule, to learn from: thirds and sevenths on the changes, steps between, room to breathe.",
  },
];

const UNDER: { id: NonNullable<RightHand["under"]>; name: string; says: string }[] = [
  { id: "alone", name: "Alone", says: "Nothing under it." },
  { id: "close", name: "Close", says: "The two chord tones next below, where a beat begins or a note is long." },
  { id: "open", name: "Open", says: "Every other tone of the chord below: wider, lighter." },
  { id: "thirds", name: "Thirds", says: "A third below every note; a fourth where only that is of the chord." },
  { id: "sixths", name: "Sixths", says: "A sixth below every note." },
  { id: "octaves", name: "Octaves", says: "The octave below, with a chord tone inside." },
  { id: "block", name: "Block", says: "Three chord tones under every note of the tune." },
];

const TOPS: { id: NonNullable<RightHand["top"]>; name: string }[] = [
  { id: "nearest", name: "as the nearest has it" },
  { id: "smooth", name: "as still as can be" },
  { id: "third", name: "third on top" },
];

/** What the right hand does: rests, chords in a rhythm of their own, the melody with what lies under it. */
export function WhatItPlays({
  right,
  figures,
  meter,
  hasTune,
  filled,
  onChange,
}: {
  right: RightHand;
  figures: Figure[];
  meter: string;
  hasTune: boolean;
  /** Numbers of the bars that have a fill. */
  filled: number[];
  onChange: (right: RightHand) => void;
}) {
  const style = STYLES.find((each) => each.id === right.style) ?? STYLES[0];
  const fills = right.fills ?? null;
  const plain = right.plain ?? [];
  const fitting = [...figures].sort((one, other) => Number(isMadeFor(other, meter)) - Number(isMadeFor(one, meter)));
  return (
    <section
      aria-label="What the right hand plays"
      className="flex min-h-0 flex-col border-line border-r max-md:order-last max-md:shrink-0 max-md:border-t max-md:border-r-0"
    >
      <div className="px-4 pt-2 pb-1">
        <h2 className="text-lg">The right hand</h2>
        <fieldset className="flex gap-3">
          <legend className="sr-only">What it plays</legend>
          {STYLES.map((each) => (
            <button
              key={each.id}
              type="button"
              aria-pressed={right.style === each.id}
              onClick={() => onChange({ ...right, style: each.id })}
              className={`min-h-9 border-b-2 ${right.style === each.id ? "border-accent font-semibold text-accent" : "border-transparent"}`}
            >
              {each.name}
            </button>
          ))}
        </fieldset>
        <p className="text-[0.9rem] text-quiet leading-snug">
          {right.style === "melody" && !hasTune
            ? "The chart has no tune yet. Type one under a row of bars in the chart, as Tune: | E♭4/4 F4/8 G4 B♭4/2 |, or import it."
            : style?.says}
        </p>
        {right.style === "improvise" && (
          <p className="flex items-baseline gap-3">
            <span className="text-quiet">chorus {right.chorus ?? 1}</span>
            <button
              type="button"
              onClick={() => onChange({ ...right, chorus: (right.chorus ?? 1) + 1 })}
              className="min-h-9 text-accent underline underline-offset-4"
            >
              another one
            </button>
            {(right.chorus ?? 1) > 1 && (
              <button
                type="button"
                onClick={() => onChange({ ...right, chorus: (right.chorus ?? 1) - 1 })}
                className="min-h-9 text-accent underline underline-offset-4"
              >
                the one before
              </button>
            )}
          </p>
        )}
        {right.style === "melody" && hasTune && (
          <div className="flex flex-wrap items-baseline gap-x-3">
            <label className="flex min-h-9 items-center gap-1.5">
              <input
                type="checkbox"
                checked={fills !== null}
                onChange={(event) => onChange({ ...right, fills: event.target.checked ? 1 : undefined })}
                className="size-4 accent-(--accent)"
              />
              fills where it rests
            </label>
            {fills !== null && (
              <button
                type="button"
                onClick={() => onChange({ ...right, fills: fills + 1 })}
                className="min-h-9 text-accent underline underline-offset-4"
              >
                others
              </button>
            )}
            {fills !== null && filled.length > 0 && (
              <fieldset className="flex w-full flex-wrap gap-x-2">
                <legend className="text-[0.9rem] text-quiet">in bars; press one to let it rest</legend>
                {[...new Set([...filled, ...plain])]
                  .sort((one, other) => one - other)
                  .map((bar) => (
                    <button
                      key={bar}
                      type="button"
                      aria-pressed={!plain.includes(bar)}
                      onClick={() =>
                        onChange({ ...right, plain: plain.includes(bar) ? plain.filter((each) => each !== bar) : [...plain, bar] })
                      }
                      className={`min-h-8 min-w-7 ${plain.includes(bar) ? "text-quiet line-through" : "font-semibold"}`}
                    >
                      {bar}
                    </button>
                  ))}
              </fieldset>
            )}
          </div>
        )}
        {right.style === "comping" && (
          <fieldset className="flex flex-wrap gap-x-3">
            <legend className="sr-only">The top notes</legend>
            <span aria-hidden="true" className="w-full pt-1 text-quiet">
              Top notes
            </span>
            {TOPS.map((each) => (
              <button
                key={each.id}
                type="button"
                aria-pressed={(right.top ?? "nearest") === each.id}
                onClick={() => onChange({ ...right, top: each.id })}
                className={`min-h-8 border-b-2 text-[0.93rem] ${(right.top ?? "nearest") === each.id ? "border-accent font-semibold text-accent" : "border-transparent"}`}
              >
                {each.name}
              </button>
            ))}
          </fieldset>
        )}
      </div>
      <ul className="min-h-0 flex-1 overflow-auto border-line border-t max-md:flex">
        {right.style === "comping" &&
          fitting.map((figure) => (
            <RhythmCard
              key={figure.id}
              figure={figure}
              meter={meter}
              active={right.figure === figure.id}
              onChoose={() => onChange({ ...right, figure: figure.id })}
            />
          ))}
        {right.style === "melody" &&
          UNDER.map((each) => (
            <li key={each.id} className="border-line border-b max-md:w-60 max-md:shrink-0">
              <button
                type="button"
                aria-pressed={(right.under ?? "alone") === each.id}
                onClick={() => onChange({ ...right, under: each.id })}
                className={`block min-h-11 w-full border-l-4 px-4 py-1 text-left ${(right.under ?? "alone") === each.id ? "border-accent bg-wash" : "border-transparent"}`}
              >
                <span className="block font-semibold leading-tight">{each.name}</span>
                <span className="block text-[0.88rem] text-quiet leading-snug">{each.says}</span>
              </button>
            </li>
          ))}
      </ul>
    </section>
  );
}

function RhythmCard({ figure, meter, active, onChoose }: { figure: Figure; meter: string; active: boolean; onChoose: () => void }) {
  return (
    <li className="border-line border-b [content-visibility:auto] [contain-intrinsic-size:auto_5.6rem] max-md:w-60 max-md:shrink-0">
      <button
        type="button"
        aria-pressed={active}
        title={figure.use}
        onClick={onChoose}
        className={`block w-full border-l-4 px-4 pt-1 pb-0.5 text-left ${active ? "border-accent bg-wash" : "border-transparent"}`}
      >
        <span className="block font-semibold leading-tight">{figure.name}</span>
        <FigureSteps figure={figure} meter={meter} />
      </button>
    </li>
  );
}
