import type { Arrangement, AskedNote, Judgement } from "../../api/client";
import { shapeOf } from "../../score/verdicts";

const WIDTH = 360;
const HEIGHT = 112;

const WORDS: Record<string, string> = {
  right: "right",
  early: "early",
  late: "late",
  wrong: "another key",
  missed: "missing",
  octave: "another octave",
};

/** What was asked along the bars, each note by what became of it: told by shape, so that colour is not needed. */
export function Strip({
  arrangement,
  notes,
  judged,
}: {
  arrangement: Arrangement;
  notes: AskedNote[];
  judged: Judgement | null;
}) {
  if (notes.length === 0) return null;
  const end = Math.max(...notes.map((note) => note.ms + note.held));
  const keys = notes.map((note) => note.midi);
  const low = Math.min(...keys) - 2;
  const high = Math.max(...keys) + 2;
  const x = (ms: number) => 8 + (Math.max(0, ms) / Math.max(1, end)) * (WIDTH - 24);
  const y = (midi: number) => 16 + ((high - midi) / Math.max(1, high - low)) * (HEIGHT - 26);
  const bars = notes.filter((note, at) => at === 0 || note.bar !== notes[at - 1]?.bar);
  const counted = Object.entries(WORDS).map(([verdict, word]) => ({
    verdict,
    word,
    count: judged?.notes.filter((note) => note.verdict === verdict).length ?? 0,
  }));
  const said = judged
    ? counted.filter((each) => each.count > 0).map((each) => `${each.count} ${each.word}`)
    : [`${notes.length} notes asked`];
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`The take: ${said.join(", ")}`}
      >
        {bars.map((note) => (
          <g key={note.bar}>
            <line x1={x(note.ms) - 4} x2={x(note.ms) - 4} y1={12} y2={HEIGHT - 2} className="stroke-grain" />
            <text x={x(note.ms)} y={10} className="fill-quiet" fontSize={10}>
              {arrangement.bars[note.bar]?.number}
            </text>
          </g>
        ))}
        {notes.map((note, at) => (
          <Mark
            // biome-ignore lint/suspicious/noArrayIndexKey: a take's notes keep their places
            key={at}
            x={x(note.ms)}
            y={y(note.midi)}
            verdict={judged?.notes[at]?.verdict ?? "asked"}
          />
        ))}
        {judged?.added.map((each) => (
          <path
            key={`${each.ms}.${each.midi}`}
            d={`M${x(each.ms) - 4} ${y(Math.min(high, Math.max(low, each.midi)))}h8m-4 -4v8`}
            className="stroke-accent"
            strokeWidth={2}
          />
        ))}
      </svg>
      <figcaption className="text-quiet">{said.join(" · ")}</figcaption>
    </figure>
  );
}

/** A dot where it was right, a dash where it was only asked. */
function Mark({ x, y, verdict }: { x: number; y: number; verdict: string }) {
  const shape = shapeOf(verdict, x, y, 4);
  if (shape)
    return (
      <path
        d={shape.d}
        className={shape.filled ? "fill-accent" : "fill-none stroke-accent"}
        strokeWidth={shape.filled ? 0 : 2}
      />
    );
  return verdict === "right" ? (
    <circle cx={x} cy={y} r={3.6} className="fill-ink" />
  ) : (
    <rect x={x - 3} y={y - 1.5} width={6} height={3} className="fill-grain" />
  );
}
