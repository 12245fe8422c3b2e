import { memo } from "react";
import type { Figure } from "../api/client";
import { type Step, StepLine } from "./StepLine";

/**
 * A figure's own picture: its step line in the metre at hand, else in its first. A book has many of them, and each
 * changes with its figure alone.
 */
export const FigureSteps = memo(function FigureSteps({ figure, meter }: { figure: Figure; meter: string }) {
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
});
