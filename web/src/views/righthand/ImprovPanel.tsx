import type { Bar, ImprovNotes } from "../../api/client";
import { type Aim, AimShape } from "../../keyboard/AimKey";
import { Chord } from "../../ui/Chord";
import type { Over } from "./aims";

const KINDS: { kind: Aim["kind"]; says: string }[] = [
  { kind: "guide", says: "aim here when the chord changes" },
  { kind: "chord", says: "always safe" },
  { kind: "scale", says: "between them" },
  { kind: "avoid", says: "pass through, do not hold" },
];

/** Notes to improvise on over the chord of the moment; they are lit on the keyboard, also while it plays. */
export function ImprovPanel({
  notes,
  over,
  bar,
}: {
  notes: ImprovNotes | undefined;
  over: Over | undefined;
  bar: Bar;
}) {
  if (!notes) return <p className="text-quiet">Listening …</p>;
  return (
    <div className="grid gap-2">
      {over ? (
        <>
          <p className="flex items-baseline gap-2">
            <span className="text-quiet">bar {bar.number}</span>
            <span className="text-2xl">
              <Chord symbol={over.chord} />
            </span>
          </p>
          <p className="leading-snug">
            {over.scale ? `Scale: ${over.scale}` : "No scale holds all of this chord; its own tones do."}
          </p>
          <ul aria-label="Notes" className="grid gap-1">
            {KINDS.map(({ kind, says }) => {
              const own = over.notes.filter((note) => note.kind === kind);
              return own.length === 0 ? null : (
                <li key={kind} className="grid grid-cols-[1.6rem_1fr] items-center gap-2">
                  <svg viewBox="-10 -12 20 24" className="size-6" aria-hidden="true">
                    <AimShape kind={kind} x={0} y={0} ink="var(--right)" ground="var(--sheet)" />
                  </svg>
                  <span className="leading-snug">
                    <span className="font-semibold font-serif text-lg">{own.map((note) => note.name).join(" ")}</span>
                    <span className="text-[0.9rem] text-quiet"> – {says}</span>
                  </span>
                </li>
              );
            })}
          </ul>
        </>
      ) : (
        <p>No chord sounds here.</p>
      )}
      <div className="mt-1 border-line border-t pt-2">
        <p className="leading-snug">
          <span className="text-quiet">Safe over the whole song: </span>
          <span className="font-serif">{notes.pentatonic.join(" ")}</span>
        </p>
        <p className="leading-snug">
          <span className="text-quiet">Blues scale: </span>
          <span className="font-serif">{notes.blues.join(" ")}</span>
        </p>
        <p className="mt-1 text-[0.9rem] text-quiet leading-snug">
          Loop a few bars, hear the left hand alone, and land on a house when the chord changes. Rest after 20 minutes.
        </p>
      </div>
    </div>
  );
}
