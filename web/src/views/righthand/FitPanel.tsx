import { useState } from "react";
import type { Bar, Fit, FitNote } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";

const KINDS: Record<FitNote["kind"], string> = {
  "chord-tone": "chord tone",
  passing: "passing",
  neighbour: "neighbour",
  suspension: "suspension",
  anticipation: "anticipation",
  appoggiatura: "appoggiatura",
  escape: "escape",
  pedal: "pedal",
  added: "added tone",
  clash: "clash",
};

/** How the melody fits its chords: what each note of the chosen bars is, and chords that would fit it better. */
export function FitPanel({
  fit,
  bars,
  selection,
  onBar,
  onHarmonise,
  onHymn,
}: {
  fit: Fit | undefined;
  bars: Bar[];
  selection: [number, number];
  onBar: (index: number) => void;
  /** Puts first chords under the melody in place of those there are. */
  onHarmonise: (pace: "bar" | "half" | "beat", taste: Taste) => void;
  /** The same with basses, and four voices to play it. */
  onHymn: () => void;
}) {
  const [taste, setTaste] = useState<Taste>("usual");
  if (!fit) return <p className="text-quiet">Listening …</p>;
  if (fit.notes.length === 0)
    return (
      <p className="leading-snug">
        The chart has no tune yet, so there is nothing to fit. Type one under a row of bars, as{" "}
        <code>Melody: | E2 F G B4 |</code>, or import a file that has one.
      </p>
    );
  const doubtful = fit.notes.filter((note) => note.kind === "clash" || note.avoid);
  const here = fit.notes.filter((note) => note.bar >= selection[0] && note.bar <= selection[1]);
  return (
    <div className="grid gap-2">
      <p className="leading-snug">
        {fit.notes.length} notes; {fit.notes.filter((note) => note.kind === "chord-tone").length} are tones of their
        chord
        {doubtful.length > 0 ? `, ${doubtful.length} to look at.` : ", none clashes."}
      </p>
      {doubtful.length > 0 && (
        <ul aria-label="Notes to look at" className="grid gap-1">
          {doubtful.map((note) => (
            <li key={note.tick} className="border-accent border-l-4 bg-wash px-2 py-1 leading-snug">
              <LinkButton onClick={() => onBar(note.bar)} high={8} strong>
                Bar {bars[note.bar]?.number}
              </LinkButton>{" "}
              {note.why}
            </li>
          ))}
        </ul>
      )}
      {fit.same.map((each) => (
        <p key={each.bar} className="border-grain border-l-4 px-2 py-1 leading-snug">
          <LinkButton onClick={() => onBar(each.bar)} high={8} strong plain>
            Bar {bars[each.bar]?.number}
          </LinkButton>{" "}
          stays on {each.name}, {each.times} times in a row: a voice makes that live, a piano sounds dull. Change the
          harmony under it, or fill round it.
        </p>
      ))}
      {fit.better.length > 0 && (
        <ul aria-label="Chords that fit better" className="grid gap-1">
          {fit.better.map((each) => (
            <li key={each.tick} className="border-grain border-l-4 px-2 py-1 leading-snug">
              <LinkButton onClick={() => onBar(each.bar)} high={8} strong plain>
                Bar {bars[each.bar]?.number}
              </LinkButton>{" "}
              fits {each.better} better than {each.now}: {each.hits} of {each.notes} notes.
            </li>
          ))}
        </ul>
      )}
      <p className="leading-snug">
        <span className="text-quiet">Find chords for this tune, by </span>
        {PACES.map((pace) => (
          <LinkButton
            key={pace.id}
            onClick={() => onHarmonise(pace.id, taste)}
            title="In place of those there are; undo brings them back"
            high={8}
            className="mr-2"
          >
            {pace.name}
          </LinkButton>
        ))}
      </p>
      <p className="leading-snug">
        <LinkButton
          onClick={onHymn}
          title="Chords by the beat with their basses, and three voices under the tune; undo brings back what was there"
          high={8}
        >
          Write it as a hymn, in four parts
        </LinkButton>
      </p>
      <Choice slim label="Taste of the chords that are found" value={taste} options={TASTES} onChange={setTaste} />
      <h3 className="mt-1 font-semibold">The chosen bars, note by note</h3>
      <table className="w-full text-left">
        <thead className="sr-only">
          <tr>
            <th>Bar</th>
            <th>Note</th>
            <th>What it is</th>
          </tr>
        </thead>
        <tbody>
          {here.slice(0, MOST_SHOWN).map((note, index) => (
            <tr
              key={note.tick}
              title={note.why}
              className={note.kind === "clash" || note.avoid ? "font-semibold text-accent" : ""}
            >
              <td className="w-8 text-quiet">{here[index - 1]?.bar === note.bar ? "" : bars[note.bar]?.number}</td>
              <td className="w-12 font-serif">{note.name}</td>
              <td>{note.avoid ? "fourth, held" : KINDS[note.kind]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {here.length > MOST_SHOWN && (
        <p className="text-quiet">and {here.length - MOST_SHOWN} more; take fewer bars to see them.</p>
      )}
    </div>
  );
}

export type Taste = "usual" | "plain" | "colourful" | "sevenths" | "hymn";
const TASTES: { value: Taste; label: string }[] = [
  { value: "usual", label: "chords as usual" },
  { value: "plain", label: "of the key only" },
  { value: "colourful", label: "with borrowed chords" },
  { value: "sevenths", label: "with sevenths" },
  { value: "hymn", label: "as in a hymn book" },
];
const MOST_SHOWN = 48;
const PACES = [
  { id: "bar", name: "the bar" },
  { id: "half", name: "half a bar" },
  { id: "beat", name: "the beat" },
] as const;
