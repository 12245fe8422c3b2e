import type { Arrangement, Pedal } from "../api/client";

/** One tone to be sounded; ticks from the start of the song. */
export type Tone = { stroke: number; bar: number; tick: number; ticks: number; midi: number; hand: "L" | "R"; velocity: number };
export type Click = { tick: number; strong: boolean };
export type Metronome = "off" | "beats" | "two-and-four";

/** A velocity of MIDI at which the recordings are played as loud as they are. */
const FULL = 112;

/** Every tone of an arrangement in the order of time: rolled notes opened, what the pedal holds lasting until it is lifted. */
export function tones(arrangement: Arrangement): Tone[] {
  return arrangement.strokes
    .flatMap((stroke, index) =>
      stroke.notes.map((note) => {
        const tick = stroke.tick + note.delayTicks;
        const end = Math.max(stroke.tick + stroke.ticks, tick + 1);
        return {
          stroke: index,
          bar: stroke.bar,
          tick,
          ticks: heldUntil(end, arrangement.pedal) - tick,
          midi: note.midi,
          hand: stroke.hand,
          velocity: note.velocity / FULL,
        };
      }),
    )
    .sort((a, b) => a.tick - b.tick);
}

/** A key let go at {@code end} sounds on while the pedal is down. */
function heldUntil(end: number, pedal: Pedal[]): number {
  let low = 0;
  let high = pedal.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((pedal[middle] as Pedal).up <= end) low = middle + 1;
    else high = middle;
  }
  const next = pedal[low];
  return next && next.down <= end ? next.up : end;
}

/** The clicks of one bar: every beat, or 2 and 4 alone (in a bar of two or three, all but the first). */
export function clicks(bar: { tick: number; ticks: number; beatTicks: number }, metronome: Metronome): Click[] {
  if (metronome === "off") return [];
  const beats = Math.round(bar.ticks / bar.beatTicks);
  return Array.from({ length: beats }, (_, beat) => ({ tick: bar.tick + beat * bar.beatTicks, beat }))
    .filter(({ beat }) => metronome === "beats" || (beats < 4 ? beat > 0 : beat % 2 === 1))
    .map(({ tick, beat }) => ({ tick, strong: metronome === "beats" && beat === 0 }));
}
