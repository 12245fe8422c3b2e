import type { Rung } from "./practise";

/** The tempos to climb, as steps of the floor; the one that is stood on has the foot on it. */
export function Stairs({ rungs, rung, goal }: { rungs: number[]; rung: Rung; goal: number }) {
  const at = Math.max(
    0,
    rungs.findIndex((tempo) => tempo >= rung.tempo - 0.5),
  );
  const width = 300;
  const height = 54;
  const step = width / Math.max(1, rungs.length);
  const rise = (height - 20) / Math.max(1, rungs.length);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block h-10 w-[210px] max-w-full"
      role="img"
      aria-label={`Tempo ${Math.round(rung.tempo)} of ${Math.round(goal)}: step ${at + 1} of ${rungs.length}`}
    >
      {rungs.map((tempo, place) => (
        <g key={tempo}>
          <rect
            x={place * step}
            y={height - 8 - (place + 1) * rise}
            width={step - 1.5}
            height={(place + 1) * rise + 8}
            className={place <= at ? "fill-grain" : "fill-plank"}
          />
          {place === at && (
            <path
              d={`M${place * step + step / 2 - 5} ${height - 11 - (place + 1) * rise}h10l-2 -7h-8z`}
              className="fill-accent"
            />
          )}
        </g>
      ))}
    </svg>
  );
}
