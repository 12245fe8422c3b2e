import { useEffect, useMemo, useRef, useState } from "react";
import type { ChartView } from "../../api/client";

const STEPS = ["I", "", "II", "", "III", "IV", "", "V", "", "VI", "", "VII"];
const HEIGHT = 84;
const LEFT = 26;

/**
 * The walk of the song: every chord a plank as long as it lasts, as high as its degree stands over the tonic of the
 * key that rules. What is not the key's own stands out, so that the turns of a song are seen at a glance and two
 * verses can be told apart.
 */
export function DegreeWalk({
  chart,
  chosen,
  playing,
  onBar,
}: {
  chart: ChartView;
  chosen: [number, number] | null;
  playing: number;
  onBar: (bar: number) => void;
}) {
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(700);
  useEffect(() => {
    if (!holder.current) return;
    const observer = new ResizeObserver(([entry]) =>
      setWidth(Math.max(200, Math.round(entry?.contentRect.width ?? 700))),
    );
    observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);
  const { planks, total, marks, shade } = useMemo(() => {
    let at = 0;
    const planks: {
      x: number;
      width: number;
      above: number;
      own: boolean;
      label: string;
      bar: number;
      playing: number[];
    }[] = [];
    const marks: { x: number; name: string }[] = [];
    const shade = new Map<number, [number, number]>();
    for (const section of chart.written) {
      marks.push({ x: at, name: section.name });
      for (const bar of section.bars) {
        shade.set(bar.bar, [at, at + bar.ticks]);
        for (const chord of bar.chords) {
          if (chord.above !== null)
            planks.push({
              x: at + chord.tick,
              width: chord.ticks,
              above: chord.above,
              own: chord.role === "own",
              label: `${chord.symbol}, ${chord.degree}`,
              bar: bar.bar,
              playing: bar.played,
            });
        }
        at += bar.ticks;
      }
    }
    return { planks, total: Math.max(1, at), marks, shade };
  }, [chart]);
  const scale = (width - LEFT) / total;
  const y = (above: number) => HEIGHT - 8 - (above * (HEIGHT - 22)) / 11;
  const bars = [...shade.values()];
  const from = chosen ? shade.get(chosen[0])?.[0] : undefined;
  const to = chosen ? shade.get(chosen[1])?.[1] : undefined;
  const strange = planks.filter((plank) => !plank.own).length;
  return (
    <div ref={holder}>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={`The walk of the degrees through ${bars.length} bars; ${strange} of ${planks.length} chords are not the key's own`}
        className="block h-[5.25rem] w-full"
      >
        {from !== undefined && to !== undefined && (
          <rect x={LEFT + from * scale} width={(to - from) * scale} y={0} height={HEIGHT} fill="var(--plank)" />
        )}
        {STEPS.map((name, above) =>
          name ? (
            <line
              key={name}
              x1={LEFT}
              x2={width}
              y1={y(above)}
              y2={y(above)}
              stroke="var(--line)"
              strokeWidth={name === "I" || name === "V" ? 1.4 : 0.7}
              vectorEffect="non-scaling-stroke"
            />
          ) : null,
        )}
        {["I", "IV", "V", "VII"].map((name) => (
          <text key={name} x={0} y={y(STEPS.indexOf(name)) + 4} fontSize={11} fill="var(--quiet)">
            {name}
          </text>
        ))}
        {marks.map((mark) => (
          <g key={mark.x}>
            {mark.x > 0 && (
              <line
                x1={LEFT + mark.x * scale}
                x2={LEFT + mark.x * scale}
                y1={0}
                y2={HEIGHT}
                stroke="var(--grain)"
                strokeWidth={1.2}
                vectorEffect="non-scaling-stroke"
              />
            )}
            <text x={LEFT + mark.x * scale + 3} y={9} fontSize={10.5} fill="var(--quiet)">
              {mark.name}
            </text>
          </g>
        ))}
        {planks.slice(1).map((plank, index) => {
          const before = planks[index];
          return before && before.above !== plank.above ? (
            <line
              key={`${plank.x}`}
              x1={LEFT + plank.x * scale}
              x2={LEFT + plank.x * scale}
              y1={y(before.above)}
              y2={y(plank.above)}
              stroke="var(--grain)"
              strokeWidth={1}
              vectorEffect="non-scaling-stroke"
            />
          ) : null;
        })}
        {planks.map((plank) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: a shortcut for the mouse; every bar can be chosen with the keys
          <rect
            key={plank.x}
            x={LEFT + plank.x * scale + 0.8}
            width={Math.max(1.5, plank.width * scale - 1.6)}
            y={y(plank.above) - 3.5}
            height={7}
            fill={plank.playing.includes(playing) ? "var(--accent)" : plank.own ? "var(--ink)" : "var(--sheet)"}
            stroke={plank.own ? "none" : "var(--accent)"}
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
            className="cursor-pointer"
            onClick={() => onBar(plank.bar)}
          >
            <title>{plank.label}</title>
          </rect>
        ))}
      </svg>
    </div>
  );
}
