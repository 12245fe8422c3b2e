import type { Arrangement } from "../api/client";

/** One tone to be sounded; ticks from the start of the song. */
export type Tone = {
  stroke: number;
  bar: number;
  tick: number;
  ticks: number;
  midi: number;
  hand: "L" | "R";
  velocity: number;
};
export type Click = { tick: number; strong: boolean };
/** Every beat; 2 and 4; the first of each bar; every beat, but each second bar is silent, to test oneself. */
export type Metronome = "off" | "beats" | "two-and-four" | "bars" | "every-other";

/** A velocity of MIDI at which the recordings are played as loud as they are. */
const FULL = 112;

/** Every tone of an arrangement in the order of time: rolled notes opened, each until it is heard no more. */
export function tones(arrangement: Arrangement): Tone[] {
  return arrangement.strokes
    .flatMap((stroke, index) =>
      stroke.notes.map((note) => {
        const tick = stroke.tick + note.delayTicks;
        return {
          stroke: index,
          bar: stroke.bar,
          tick,
          ticks: Math.max(1, stroke.until - tick),
          midi: note.midi,
          hand: stroke.hand,
          velocity: note.velocity / FULL,
        };
      }),
    )
    .sort((a, b) => a.tick - b.tick);
}

/** What a note of an arrangement is known by. */
export function toneKey(stroke: number, midi: number): string {
  return `${stroke}.${midi}`;
}

/** The clicks of one bar: every beat, or 2 and 4 alone (in a bar of two or three, all but the first). */
export function clicks(
  bar: { index?: number; tick: number; ticks: number; beatTicks: number },
  metronome: Metronome,
): Click[] {
  if (metronome === "off" || (metronome === "every-other" && (bar.index ?? 0) % 2 === 1)) return [];
  const beats = Math.round(bar.ticks / bar.beatTicks);
  const wanted = (beat: number) => (metronome === "bars" ? beat === 0 : beats < 4 ? beat > 0 : beat % 2 === 1);
  return Array.from({ length: beats }, (_, beat) => ({ tick: bar.tick + beat * bar.beatTicks, beat }))
    .filter(({ beat }) => metronome === "beats" || metronome === "every-other" || wanted(beat))
    .map(({ tick, beat }) => ({ tick, strong: metronome !== "two-and-four" && beat === 0 }));
}
