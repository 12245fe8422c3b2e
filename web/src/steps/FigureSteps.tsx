import type { Figure } from "../api/client";
import { type Step, StepLine } from "./StepLine";

/** A figure's own picture: its step line in the metre at hand, else in its first. */
export function FigureSteps({ figure, meter }: { figure: Figure; meter: string }) {
  const floor = figure.strokes.find((bar) => bar.meter === meter) ?? figure.strokes[0];
  if (!floor) return null;
  return (
    <StepLine
      barTicks={floor.barTicks}
      beatTicks={floor.beatTicks}
      steps={floor.strokes as Step[]}
      label={`${figure.use} Step line in ${floor.meter}, counted ${floor.count}.`}
    />
  );
}
