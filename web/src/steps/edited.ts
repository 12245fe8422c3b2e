import type { FigureStroke } from "../api/client";

/** A stroke while it is being written; a length of null lasts as long as the chord. */
export type EditedStroke = Pick<FigureStroke, "hand" | "roles" | "tick" | "length" | "rolled" | "accent">;

/** The planks strokes need: eighths, triplets or sixteenths. */
export function usualUnit(strokes: { tick: number }[]): number {
  if (strokes.some((stroke) => stroke.tick % 240 !== 0)) return 320;
  return strokes.some((stroke) => stroke.tick % 480 !== 0) ? 240 : 480;
}

/** In the order they are struck. */
export function inOrder<T extends { tick: number; hand: string }>(strokes: T[]): T[] {
  return [...strokes].sort((one, other) => one.tick - other.tick || one.hand.localeCompare(other.hand));
}
