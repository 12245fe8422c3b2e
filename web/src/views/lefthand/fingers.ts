import type { Arrangement, Choices, FingerLock } from "../../api/client";

/** A note as a finger's lock names it: hand, bar, ticks from the bar line, key. */
export function spotOf(arrangement: Arrangement, stroke: number, note: number): Omit<FingerLock, "finger"> | null {
  const struck = arrangement.strokes[stroke];
  const bar = struck ? arrangement.bars[struck.bar] : undefined;
  const key = struck?.notes[note];
  if (!struck || !bar || !key) return null;
  return { hand: struck.hand as "L" | "R", bar: bar.number, tick: struck.written.tick - bar.tick, note: key.name };
}

function isAt(lock: FingerLock, spot: Omit<FingerLock, "finger">): boolean {
  return lock.hand === spot.hand && lock.bar === spot.bar && lock.tick === spot.tick && lock.note === spot.note;
}

/** The player's own finger on a note, if there is one. */
export function fingerAt(choices: Choices, arrangement: Arrangement, stroke: number, note: number): number | null {
  const spot = spotOf(arrangement, stroke, note);
  return (spot && choices.fingers?.find((lock) => isAt(lock, spot))?.finger) || null;
}

/** The choices with a finger kept on a note; null leaves it to the search again. */
export function withFinger(
  choices: Choices,
  arrangement: Arrangement,
  stroke: number,
  note: number,
  finger: number | null,
): Choices {
  const spot = spotOf(arrangement, stroke, note);
  if (!spot) return choices;
  const others = (choices.fingers ?? []).filter((lock) => !isAt(lock, spot));
  const fingers = finger === null ? others : [...others, { ...spot, finger }];
  const { fingers: _before, ...rest } = choices;
  return fingers.length > 0 ? { ...rest, fingers } : rest;
}
