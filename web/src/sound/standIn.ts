import { type NoteSource, readMessage } from "./noteInput";

/** One key of a scripted take, in milliseconds from the first beat. */
export type Scripted = { ms: number; held: number; midi: number };

/** A repeatable number from 0 to 1 for each seed: the take is as uneven as a hand, and the same each time. */
export function unevenness(seed: number): number {
  let bits = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b);
  bits = Math.imul(bits ^ (bits >>> 13), 0xc2b2ae35);
  return ((bits ^ (bits >>> 16)) >>> 0) / 2 ** 32;
}

const UNEVEN_MS = 25;

/**
 * Stands in for a MIDI keyboard where there is none: sends the MIDI messages of a scripted take, a little unevenly,
 * from the moment the first beat sounds. It plays by the take's own clock, however late a busy page lets it.
 *
 * @param elapsed milliseconds since the first beat, below zero before it, null while nothing plays
 */
export function standIn(
  script: Scripted[],
  elapsed: () => number | null,
  name = "the stand-in (plays a scripted take)",
): NoteSource {
  return {
    id: "stand-in",
    name,
    open: (listener) => {
      const events = script
        .flatMap((note, index) => {
          const late = (unevenness(index + 1) * 2 - 1) * UNEVEN_MS;
          return [
            { at: note.ms + late, message: [0x90, note.midi, 80] },
            { at: note.ms + late + note.held, message: [0x80, note.midi, 0] },
          ];
        })
        .sort((one, other) => one.at - other.at);
      let next = 0;
      const play = (until: number) => {
        for (let event = events[next]; event && event.at <= until; event = events[next]) {
          next++;
          readMessage(event.message, { at: event.at }, listener);
        }
      };
      const timer = window.setInterval(() => play(elapsed() ?? Number.NEGATIVE_INFINITY), 4);
      return (whole = false) => {
        window.clearInterval(timer);
        if (whole) play(Number.POSITIVE_INFINITY);
      };
    },
  };
}
