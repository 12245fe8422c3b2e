import { useMemo } from "react";
import type { Bar, Stroke } from "../../api/client";
import { useArranged, useSound } from "../../song/desk";
import { usePlaying } from "../../sound/playing";
import { type Step, StepLine } from "../../steps/StepLine";

/** So many names fit under their own steps; more of them run on in lines. */
const MOST_ALIGNED = 8;

/** The bar of the moment as footwork, large, with its count; a step can be struck and asked. */
export function BarSteps({
  bar,
  struck,
  setStruck,
}: {
  bar: number;
  struck: number | null;
  setStruck: (stroke: number | null) => void;
}) {
  const { arrangement } = useArranged();
  const sound = useSound();
  const here = arrangement?.bars[bar];
  const strokes = useMemo(
    () =>
      (arrangement?.strokes ?? [])
        .map((stroke, index) => ({ stroke, index }))
        .filter(({ stroke }) => stroke.bar === bar),
    [arrangement, bar],
  );
  const steps = useMemo(
    () =>
      strokes.map(({ stroke }) => ({
        tick: stroke.written.tick - (here?.tick ?? 0),
        ticks: stroke.written.ticks,
        mark: stroke.mark,
        rolled: stroke.rolled !== null,
        accent: stroke.accent,
        hand: stroke.hand,
      })),
    [strokes, here],
  );
  if (!arrangement || !here) return null;
  const roomy =
    strokes.length <= MOST_ALIGNED && new Set(strokes.map(({ stroke }) => stroke.written.tick)).size === strokes.length;
  const names = strokes.map(({ stroke }) => stroke.notes.map((note) => note.name).join("+")).join(" ");
  return (
    <div>
      <LitSteps
        bar={here}
        all={arrangement.strokes}
        steps={steps}
        struck={struck}
        label={`Step line of bar ${here.number}: ${names}`}
      />
      {here.meeting && <Order bar={here} strokes={strokes.map(({ stroke }) => stroke)} />}
      <fieldset className={roomy ? "relative h-9" : "flex flex-wrap gap-x-1"}>
        <legend className="sr-only">Strokes of bar {here.number}</legend>
        {strokes.map(({ stroke, index }) => (
          <button
            key={index}
            type="button"
            aria-pressed={struck === index}
            style={roomy ? { left: `${((stroke.written.tick - here.tick) / here.ticks) * 100}%` } : undefined}
            onClick={() => {
              setStruck(index);
              sound.strike(index);
            }}
            className={`min-h-9 rounded-plank px-1 font-serif ${roomy ? "absolute -ml-1 whitespace-nowrap" : ""} ${struck === index ? "bg-wash text-accent" : ""}`}
          >
            {stroke.notes.map((note) => note.name).join(" ")}
          </button>
        ))}
      </fieldset>
    </div>
  );
}

/** The step line with the step that sounds, or the one that is asked about. */
function LitSteps({
  bar,
  all,
  steps,
  struck,
  label,
}: {
  bar: Bar;
  all: Stroke[];
  steps: Step[];
  struck: number | null;
  label: string;
}) {
  const lit = usePlaying((head) => (head.playing ? (head.strokes[0] ?? -1) : (struck ?? -1)));
  const tick = all[lit]?.written.tick;
  return (
    <StepLine
      large
      barTicks={bar.ticks}
      beatTicks={bar.beatTicks}
      steps={steps}
      litTick={tick === undefined ? null : tick - bar.tick}
      label={label}
    />
  );
}

/** Who strikes on which count, in words of a letter under the steps: L left, R right, LR together. */
function Order({ bar, strokes }: { bar: Bar; strokes: Stroke[] }) {
  const strikes = bar.meeting?.order.split(", ") ?? [];
  const ticks = [...new Set(strokes.map((stroke) => Math.max(0, stroke.written.tick - bar.tick)))].sort(
    (one, other) => one - other,
  );
  return (
    <p className="relative h-6 md:-mt-6" data-order={bar.meeting?.order}>
      <span className="sr-only">The hands in turn: {bar.meeting?.order}</span>
      {strikes.map((strike, at) => {
        const hands = strike.split(" ")[1] ?? "";
        return (
          <span
            key={strike}
            aria-hidden="true"
            style={{ left: `${((ticks[at] ?? 0) / bar.ticks) * 100}%` }}
            className={`absolute font-semibold text-[0.9rem] md:ml-5 ${hands === "R" ? "text-(--right)" : hands === "L" ? "text-quiet" : ""}`}
          >
            {hands}
          </span>
        );
      })}
    </p>
  );
}
