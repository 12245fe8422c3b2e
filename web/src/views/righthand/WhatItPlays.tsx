import type { Figure, RightHand } from "../../api/client";
import { FigureSteps } from "../../steps/FigureSteps";
import { isMadeFor } from "../lefthand/Figures";
import { FigureActions, OwnTools } from "../lefthand/OwnTools";
import { chooseManner, forgetManner, type Manner, mannerIn } from "./manner";

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
  {
    id: "parts",
    name: "Four parts",
    says: "Three voices under the tune as in a hymn book; the left hand has tenor and bass.",
  },
  { id: "third", name: "Third on top", says: "The whole chord under a note that is its third; the others alone." },
];

const SHAPES: { id: NonNullable<RightHand["shapes"]>; name: string; says: string }[] = [
  { id: "each", name: "each", says: "Each chord in its nearest inversion." },
  { id: "held", name: "one held", says: "One shape for up to four bars while the bass moves." },
  { id: "turn", name: "two in turn", says: "The chord and the one on its fourth in turn while the bass stays." },
];

const TOPS: { id: NonNullable<RightHand["top"]>; name: string }[] = [
  { id: "nearest", name: "nearest" },
  { id: "smooth", name: "still" },
  { id: "third", name: "third on top" },
];

const MANNERS: { id: NonNullable<RightHand["manner"]>; name: string; says: string }[] = [
  { id: "mixed", name: "chord and scale", says: "The chord's tones and its scale." },
  { id: "pentatonic", name: "five notes", says: "The five notes of the key that are safe over all of it." },
  { id: "blues", name: "blues", says: "The key's blues scale." },
  { id: "chordal", name: "chord tones", says: "The tones of each chord alone." },
];

/** What a rhythm of one's own begins as. */
const OWN = { name: "Rhythm", family: "own", use: "A rhythm of my own.", minTempo: 40, maxTempo: 240, strokes: [] };

/** What the right hand does: rests, chords in a rhythm of their own, the melody with what lies under it. */
export function WhatItPlays({
  right,
  figures,
  meter,
  hasTune,
  filled,
  section,
  own,
  onOwn,
  onChange,
  onEdit,
  onBrought,
}: {
  right: RightHand;
  figures: Figure[];
  meter: string;
  hasTune: boolean;
  /** Numbers of the bars that have a fill. */
  filled: number[];
  /** The section at hand; empty where the song has none. */
  section: string;
  /** Whether choices go to that section alone. */
  own: boolean;
  onOwn: (own: boolean) => void;
  onChange: (right: RightHand) => void;
  /** A rhythm of one's own is written, or changed. */
  onEdit: (figure: Figure, copy: boolean) => void;
  onBrought: () => void;
}) {
  const place = own && section ? section : null;
  const manner = mannerIn(right, place);
  const choose = (more: Partial<Manner>) => onChange(chooseManner(right, place, more));
  const others = Object.keys(right.sections ?? {});
  const style = STYLES.find((each) => each.id === manner.style) ?? STYLES[0];
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
        {section && (
          <fieldset className="flex flex-wrap gap-x-3">
            <legend className="sr-only">Choices for</legend>
            {[false, true].map((each) => (
              <button
                key={String(each)}
                type="button"
                aria-pressed={own === each}
                onClick={() => onOwn(each)}
                className={`min-h-8 max-w-36 truncate border-b-2 text-[0.93rem] ${own === each ? "border-accent font-semibold text-accent" : "border-transparent text-quiet"}`}
              >
                {each ? section : "whole song"}
              </button>
            ))}
            {place && right.sections?.[place] && (
              <button
                type="button"
                onClick={() => onChange(forgetManner(right, place))}
                className="min-h-8 text-[0.93rem] text-accent underline underline-offset-4"
              >
                as the song
              </button>
            )}
          </fieldset>
        )}
        {!own && others.length > 0 && <p className="text-[0.88rem] text-quiet">Of their own: {others.join(", ")}.</p>}
        <fieldset className="flex gap-3">
          <legend className="sr-only">What it plays</legend>
          {STYLES.map((each) => (
            <button
              key={each.id}
              type="button"
              aria-pressed={manner.style === each.id}
              onClick={() => choose({ style: each.id })}
              className={`min-h-9 border-b-2 ${manner.style === each.id ? "border-accent font-semibold text-accent" : "border-transparent"}`}
            >
              {each.name}
            </button>
          ))}
        </fieldset>
        <p className="text-[0.9rem] text-quiet leading-snug">
          {manner.style === "melody" && !hasTune
            ? "The chart has no tune yet. Type one under a row of bars in the chart, as Melody: | E2 F G B4 |, play it in, or import it."
            : style?.says}
        </p>
        {manner.style === "improvise" && (
          <fieldset className="flex flex-wrap gap-x-4">
            <legend className="text-quiet">made of</legend>
            {MANNERS.map((each) => (
              <button
                key={each.id}
                type="button"
                title={each.says}
                aria-pressed={(manner.manner ?? "mixed") === each.id}
                onClick={() => choose({ manner: each.id })}
                className={`min-h-9 border-b-2 ${(manner.manner ?? "mixed") === each.id ? "border-accent font-semibold text-accent" : "border-transparent"}`}
              >
                {each.name}
              </button>
            ))}
          </fieldset>
        )}
        {manner.style === "improvise" && (
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
        {manner.style === "melody" && hasTune && (
          <div className="flex flex-wrap items-center gap-x-3">
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
              <fieldset className="flex max-h-20 w-full flex-wrap gap-x-2 overflow-auto">
                <legend className="text-[0.9rem] text-quiet">in bars; press one to let it rest</legend>
                {[...new Set([...filled, ...plain])]
                  .sort((one, other) => one - other)
                  .map((bar) => (
                    <button
                      key={bar}
                      type="button"
                      aria-pressed={!plain.includes(bar)}
                      onClick={() =>
                        onChange({
                          ...right,
                          plain: plain.includes(bar) ? plain.filter((each) => each !== bar) : [...plain, bar],
                        })
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
        {section && manner.style !== "none" && (
          <label
            className="flex min-h-8 items-center gap-1.5"
            title="Over the last two beats before a section, where the melody rests"
          >
            <input
              type="checkbox"
              checked={right.unison === true}
              onChange={(event) => onChange({ ...right, unison: event.target.checked || undefined })}
              className="size-4 accent-(--accent)"
            />
            unison up the chord before a section
          </label>
        )}
        {manner.style === "comping" && (
          <>
            <OneOf
              label="Shapes"
              options={SHAPES}
              chosen={manner.shapes ?? "each"}
              onChoose={(shapes) => choose({ shapes })}
            />
            <OneOf
              label="Top notes"
              options={TOPS}
              chosen={manner.top ?? "nearest"}
              onChoose={(top) => choose({ top })}
            />
            <div className="flex items-baseline gap-4">
              <span className="text-quiet">A rhythm of your own:</span>
              <OwnTools
                model={fitting[0]}
                onWrite={(model) => onEdit({ ...model, ...OWN, meters: [meter] }, true)}
                onKept={onBrought}
              />
            </div>
          </>
        )}
      </div>
      <ul className="min-h-0 flex-1 overflow-auto border-line border-t max-md:flex">
        {manner.style === "comping" &&
          fitting.map((figure) => (
            <RhythmCard
              key={figure.id}
              figure={figure}
              meter={meter}
              active={manner.figure === figure.id}
              onChoose={() => choose({ figure: figure.id })}
              onEdit={onEdit}
            />
          ))}
        {manner.style === "melody" &&
          UNDER.map((each) => (
            <li key={each.id} className="border-line border-b max-md:w-60 max-md:shrink-0">
              <button
                type="button"
                aria-pressed={(manner.under ?? "alone") === each.id}
                onClick={() => choose({ under: each.id })}
                className={`block min-h-11 w-full border-l-4 px-4 py-1 text-left ${(manner.under ?? "alone") === each.id ? "border-accent bg-wash" : "border-transparent"}`}
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

/** A row of words of which one is chosen. */
function OneOf<T extends string>({
  label,
  options,
  chosen,
  onChoose,
}: {
  label: string;
  options: { id: T; name: string; says?: string }[];
  chosen: T;
  onChoose: (id: T) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-x-3">
      <legend className="sr-only">{label}</legend>
      <span aria-hidden="true" className="w-full pt-1 text-quiet">
        {label}
      </span>
      {options.map((each) => (
        <button
          key={each.id}
          type="button"
          title={each.says}
          aria-pressed={chosen === each.id}
          onClick={() => onChoose(each.id)}
          className={`min-h-8 border-b-2 text-[0.93rem] ${chosen === each.id ? "border-accent font-semibold text-accent" : "border-transparent"}`}
        >
          {each.name}
        </button>
      ))}
    </fieldset>
  );
}

function RhythmCard({
  figure,
  meter,
  active,
  onChoose,
  onEdit,
}: {
  figure: Figure;
  meter: string;
  active: boolean;
  onChoose: () => void;
  onEdit: (figure: Figure, copy: boolean) => void;
}) {
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
      {active && <FigureActions figure={figure} onEdit={onEdit} />}
    </li>
  );
}
