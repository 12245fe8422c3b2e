import { memo } from "react";
import { planks } from "./count";

export type Step = {
  tick: number;
  ticks: number;
  mark: "heel" | "toe" | "lead";
  rolled?: boolean;
  accent?: boolean;
  hand?: "L" | "R";
};

const HEIGHT = 40;
const FLOOR = 30;

/**
 * One bar of footwork: heels for basses, toes for what lies above, a brushed mark for a roll, claps for the right hand.
 */
export function StepLine({
  barTicks,
  beatTicks,
  steps,
  label,
  large = false,
  width = large ? 680 : 240,
  litTick = null,
}: {
  barTicks: number;
  beatTicks: number;
  steps: Step[];
  label: string;
  large?: boolean;
  /** In the drawing's own units; the feet stay as they are. */
  width?: number;
  litTick?: number | null;
}) {
  const floor = planks(
    barTicks,
    beatTicks,
    steps.map((step) => step.tick),
  );
  const x = (tick: number) => 2 + (tick / barTicks) * (width - 4);
  const scale = large ? 1.3 : 1;
  return (
    <figure>
      <svg viewBox={`0 0 ${width} ${(HEIGHT + 4) * scale}`} className="block w-full" role="img" aria-label={label}>
        {floor.map((plank) => (
          <rect
            key={plank.tick}
            x={x(plank.tick) + 0.75}
            y={(FLOOR + 2) * scale}
            width={Math.max(1, x(plank.tick + plank.ticks) - x(plank.tick) - 1.5)}
            height={5 * scale}
            rx={1}
            fill={plank.strong ? "var(--grain)" : "var(--plank)"}
          />
        ))}
        {steps.map((step) => (
          <g
            key={`${step.hand ?? "L"}${step.tick}.${step.mark}.${step.ticks}`}
            fill={litTick === step.tick ? "var(--accent)" : "var(--ink)"}
          >
            {step.mark === "heel" && step.hand !== "R" && (
              <rect
                x={x(step.tick)}
                y={FLOOR * scale - 1}
                width={Math.max(0, x(step.tick + step.ticks) - x(step.tick) - 2)}
                height={1.5}
              />
            )}
            {step.accent && (
              <path
                d={`M${x(step.tick)} ${(FLOOR + 9) * scale}l${5 * scale} ${2 * scale}l${-5 * scale} ${2 * scale}`}
                fill="none"
                stroke="var(--quiet)"
                strokeWidth={1.2}
              />
            )}
            <Foot step={step} x={x(step.tick)} scale={scale} lit={litTick === step.tick} />
          </g>
        ))}
      </svg>
      {large && (
        <div className="relative h-6 text-quiet" aria-hidden="true">
          {floor.map((plank) => (
            <span
              key={plank.tick}
              className={plank.strong ? "absolute font-semibold text-ink" : "absolute"}
              style={{ left: `${(x(plank.tick) / width) * 100}%` }}
            >
              {plank.count}
            </span>
          ))}
        </div>
      )}
    </figure>
  );
}

export const Foot = memo(function Foot({
  step,
  x,
  scale,
  lit,
}: {
  step: Step;
  x: number;
  scale: number;
  lit: boolean;
}) {
  const stroke = lit ? "var(--accent)" : "var(--ink)";
  if (step.hand === "R") {
    return (
      <path
        d={`M${x} ${8 * scale}l${4 * scale} ${-5 * scale}l${4 * scale} ${5 * scale}`}
        fill="none"
        stroke="var(--right)"
        strokeWidth={1.6}
      />
    );
  }
  const base = FLOOR * scale;
  const wide = 9 * scale;
  if (step.mark === "lead") return <path d={`M${x} ${base}V${base - 9 * scale}l${wide} ${4 * scale}V${base}z`} />;
  if (step.mark === "heel") {
    const top = base - 15 * scale;
    return (
      <>
        <path d={`M${x} ${base}V${top + 4}q0 -4 4 -4h${wide - 4}V${base}z`} />
        {step.rolled && (
          <path d={`M${x + wide + 3} ${base - 2}q3 -4 0 -7t0 -7`} fill="none" stroke={stroke} strokeWidth={1.6} />
        )}
      </>
    );
  }
  const toe = 6.5 * scale;
  return (
    <path
      d={`M${x + 1} ${base - 1}V${base - 13 * scale}L${x + 1 + toe / 2} ${base - 19 * scale}L${x + 1 + toe} ${base - 13 * scale}V${base - 1}z`}
      fill={lit ? "var(--accent)" : "var(--ground)"}
      stroke={stroke}
      strokeWidth={1.5}
    />
  );
});
