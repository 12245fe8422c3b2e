import type { ImprovNotes } from "../../api/client";
import type { Aim } from "../../keyboard/AimKey";

export type Over = ImprovNotes["chords"][number];

/** Where the right hand improvises: C4 to C6. */
const LOWEST = 60;
const HIGHEST = 84;

/** The chord that sounds at a tick, else the first of the bar. */
export function overAt(notes: ImprovNotes, bar: number, tick: number): Over | undefined {
  return (
    notes.chords.find((each) => each.tick <= tick && tick < each.tick + each.ticks) ??
    notes.chords.find((each) => each.bar === bar)
  );
}

/** The keys of its notes, in every octave of the right hand. */
export function aimsOf(over: Over): Aim[] {
  return Array.from({ length: HIGHEST - LOWEST + 1 }, (_, index) => LOWEST + index).flatMap((midi) => {
    const note = over.notes.find((each) => each.chroma === midi % 12);
    return note ? [{ midi, name: note.name, kind: note.kind }] : [];
  });
}
