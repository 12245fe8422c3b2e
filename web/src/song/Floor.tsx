import type { Bar } from "../api/client";
import { playedBar, usePlaying } from "../sound/playing";

const WIDTH = 88;
const GROUND = 50;

/**
 * The floor that is danced on: the planks of the bar's beats, a step that is ready or taken, the plank that sounds lit.
 */
export function Floor({ bars, first, sounds }: { bars: Bar[]; first: number; sounds: boolean }) {
  const played = usePlaying(playedBar);
  const bar = bars[played >= 0 ? played : first];
  const beats = bar ? Math.max(1, Math.round(bar.ticks / bar.beatTicks)) : 4;
  const beat = usePlaying((head) =>
    head.playing && bar ? Math.floor(Math.max(0, head.tick - bar.tick) / bar.beatTicks) : -1,
  );
  const plank = (WIDTH - 12) / beats;
  const foot = 6 + plank * (beat >= 0 ? Math.min(beat, beats - 1) : 0) + plank / 2;
  return (
    <svg viewBox={`0 0 ${WIDTH} 64`} className="block size-full" aria-hidden="true">
      {Array.from({ length: beats }, (_, at) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: beats have no name but their place
          key={at}
          x={6 + at * plank + 1}
          y={GROUND}
          width={plank - 2}
          height={7}
          rx={1}
          fill={at === beat ? "var(--accent)" : "var(--grain)"}
        />
      ))}
      {sounds ? (
        // Heel and toe together on the plank that sounds: a press lifts them.
        <g fill="var(--accent)">
          <path d={arch(Math.min(WIDTH - 20, Math.max(20, foot)) - 8, 13, 26)} />
          <path d={arch(Math.min(WIDTH - 20, Math.max(20, foot)) + 8, 13, 26)} />
        </g>
      ) : (
        // One foot on the floor, the other in the air, on its way.
        <g fill="var(--ink)">
          <path d={arch(26, 16, 32)} />
          <path d={arch(0, 14, 26)} transform="translate(54 42) rotate(38)" />
          <path d="M64 44q9 -2 14 -10" fill="none" stroke="var(--ink)" strokeWidth={2} strokeLinecap="round" />
        </g>
      )}
    </svg>
  );
}

/** A foot as the house draws it: an arch on the floor. */
function arch(x: number, width: number, height: number): string {
  const r = width / 2;
  const base = x === 0 ? 0 : GROUND - 2;
  return `M${x - r} ${base}V${base - height + r}a${r} ${r} 0 0 1 ${width} 0V${base}z`;
}
