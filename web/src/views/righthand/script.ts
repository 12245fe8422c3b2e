import type { Arrangement } from "../../api/client";
import type { Scripted } from "../../sound/standIn";

const TICKS = 960;

/**
 * What the stand-in plays over some bars: the tones of each chord upward from the octave above middle C, in quarters
 * and eighths by turns.
 */
export function scriptOf(arrangement: Arrangement, selection: [number, number], bpm: number): Scripted[] {
  const first = arrangement.bars[selection[0]];
  if (!first) return [];
  const msPerTick = 60_000 / (bpm * arrangement.tempo.beatTicks);
  const script: Scripted[] = [];
  for (const bar of arrangement.bars.slice(selection[0], selection[1] + 1)) {
    const keys = arrangement.strokes
      .filter((stroke) => stroke.bar === bar.index && stroke.hand === "L")
      .flatMap((stroke) => stroke.notes.map((note) => 72 + (note.midi % 12)));
    const tones = [...new Set(keys)].sort((one, other) => one - other);
    for (let tick = 0, at = 0; tick < bar.ticks && tones.length > 0; at++) {
      const ticks = Math.min(bar.ticks - tick, at % 3 === 0 ? TICKS : TICKS / 2);
      const midi = tones[at % tones.length];
      if (midi !== undefined)
        script.push({ ms: (bar.tick - first.tick + tick) * msPerTick, held: ticks * msPerTick * 0.85, midi });
      tick += ticks;
    }
  }
  return script;
}
