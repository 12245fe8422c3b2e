import type { Arranged, Arrangement, Bar, Stroke } from "./client";

const PLAIN_VELOCITY = 66;

/** An arrangement with all that its answer leaves out where it is as usual; the descriptions of the fields say what that is. */
export function filled(answer: Arranged): Arrangement {
  const bars: Bar[] = answer.bars.map((bar) => ({
    ...bar,
    round: bar.round ?? 1,
    holds: bar.holds ?? [],
    pins: bar.pins ?? [],
    vamp: bar.vamp ?? null,
    parts: bar.parts ?? [],
    meeting: bar.meeting ?? null,
  }));
  return { ...answer, bars, parts: answer.parts ?? [], strokes: answer.strokes.map((stroke) => filledStroke(stroke, bars)) };
}

function filledStroke(stroke: Arranged["strokes"][number], bars: Bar[]): Stroke {
  const written = stroke.written ?? { tick: stroke.tick, ticks: stroke.ticks };
  return {
    ...stroke,
    written,
    chordTick: stroke.chordTick ?? chordUnder(bars, stroke.bar, written.tick),
    until: stroke.until ?? stroke.tick + stroke.ticks,
    mark: stroke.mark ?? "toe",
    accent: stroke.accent ?? false,
    stretchMm: stroke.stretchMm ?? 0,
    ease: stroke.ease ?? "comfortable",
    altered: stroke.altered ?? null,
    rolled: (stroke.rolled ?? null) as Stroke["rolled"],
    notes: stroke.notes.map((note) => ({ ...note, delayTicks: note.delayTicks ?? 0, velocity: note.velocity ?? PLAIN_VELOCITY })),
  };
}

/** Where the chord begins that a tick lies under; the tick itself where there is none. */
function chordUnder(bars: Bar[], near: number, tick: number): number {
  for (const bar of [bars[near], bars[near - 1], bars[near + 1]])
    for (const chord of bar?.chords ?? []) if (chord.tick <= tick && tick < chord.tick + chord.ticks) return chord.tick;
  return tick;
}
