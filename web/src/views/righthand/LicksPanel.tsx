import type { Bar, Lick, RightHand } from "../../api/client";
import { useLicks } from "../../api/queries";
import { useArranged, useSound, useWork } from "../../song/desk";
import { LinkButton } from "../../ui/LinkButton";
import { useHearing } from "./useHearing";

/** Small devices made for the chord of a bar: heard, put in its place on the staff, and how to practise them. */
export function LicksPanel({
  bar,
  right,
  onChange,
}: {
  bar: Bar;
  right: RightHand;
  onChange: (right: RightHand) => void;
}) {
  const { asked } = useWork();
  const { bpm, arrangement } = useArranged();
  const sound = useSound();
  const licks = useLicks(asked, bar.index);
  const hear = useHearing(sound, bpm * (arrangement?.tempo.beatTicks ?? 960));
  const placed = right.licks ?? [];
  const here = placed.filter((each) => each.bar === bar.number).at(-1)?.lick;
  const put = (lick: string | null) =>
    onChange({
      ...right,
      licks: [...placed.filter((each) => each.bar !== bar.number), ...(lick ? [{ bar: bar.number, lick }] : [])],
    });
  if (licks.isError) return <p className="leading-snug">{licks.error.message}</p>;
  if (!licks.data) return <p className="text-quiet">Making them for this chord …</p>;
  return (
    <div className="grid gap-2">
      <p className="leading-snug">
        <span className="text-quiet">Made for bar {bar.number}, </span>
        {bar.chords.map((chord) => chord.symbol).join(" ")}.
        {placed.length > 1 && (
          <LinkButton onClick={() => onChange({ ...right, licks: [] })} high={8} className="ml-2">
            take all {placed.length} out
          </LinkButton>
        )}
      </p>
      {licks.data.length === 0 && (
        <p className="leading-snug">None suits this chord, tempo and hand; a slower tempo brings more.</p>
      )}
      <ul aria-label="Licks" className="grid gap-1.5">
        {licks.data.map((lick) => (
          <li
            key={lick.id}
            className={`border-l-4 px-2 py-0.5 leading-snug ${here === lick.id ? "border-accent bg-wash" : "border-grain"}`}
          >
            <span className="block font-semibold">{lick.name}</span>
            <span className="block font-serif">{lick.notes.map((note) => note.names.join("+")).join(" ")}</span>
            <span className="block text-[0.9rem] text-quiet">{lick.count}</span>
            <span className="block text-[0.9rem]">{lick.practise}</span>
            <LinkButton onClick={() => hear(lick)} high={8} className="mr-3">
              hear it
            </LinkButton>
            <LinkButton aria-pressed={here === lick.id} onClick={() => put(here === lick.id ? null : lick.id)} high={8}>
              {here === lick.id ? "take it out" : `put it in bar ${bar.number}`}
            </LinkButton>
          </li>
        ))}
      </ul>
    </div>
  );
}

export type { Lick };
