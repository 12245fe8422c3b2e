import type { Arrangement, Figure, FigureDraft } from "../../api/client";
import type { EditedStroke } from "../../steps/edited";
import { draftOf, edited } from "./figureDraft";

/** What a figure, its line and its lead-ins lay; not what the right hand has over them. */
const LAID = [
  "figure",
  "variation",
  "anticipation",
  "line",
  "lead-in",
  "walk",
  "fuller",
  "with-bass",
  "ending",
  "by-hand",
];

/** The strokes of a bar as it sounds, to be changed by hand; what a hand could not span is as it was asked for. */
export function strokesOf(arrangement: Arrangement, bar: number): EditedStroke[] {
  const from = arrangement.bars[bar]?.tick ?? 0;
  return arrangement.strokes
    .filter((stroke) => stroke.bar === bar && LAID.includes(stroke.origin))
    .flatMap((stroke) => {
      const roles = arrangement.reasons[stroke.reason]?.args.stroke;
      if (!roles) return [];
      const early = stroke.origin === "anticipation";
      return {
        hand: stroke.hand,
        roles: early
          ? roles
              .split("+")
              .map((role) => `>${role}`)
              .join("+")
          : roles,
        tick: Math.max(0, stroke.written.tick - from),
        length: stroke.written.ticks,
        rolled: stroke.rolled !== null && !stroke.altered,
        accent: stroke.accent,
      };
    });
}

/** The figure with that bar alone, as the server is asked about it. */
export function barDraft(figure: Figure, meter: string, strokes: EditedStroke[]): FigureDraft {
  const whole = edited(figure, meter);
  return draftOf({ ...whole, meter, strokes, bars: [{ meter, strokes: null }], variations: [] }, figure.id);
}
