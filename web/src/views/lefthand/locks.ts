import type { Arrangement, Choices, Lock } from "../../api/client";

type Place = { bar: number; beat: number };

/** The chord a stroke plays, as a lock names it: the bar's number and the beat the chord begins on. */
export function placeOf(arrangement: Arrangement, stroke: number): Place | null {
  const struck = arrangement.strokes[stroke];
  if (!struck) return null;
  const chords = arrangement.bars.flatMap((bar) => bar.chords.map((chord) => ({ bar, chord })));
  const found = chords.find(
    ({ chord }) => chord.tick <= struck.chordTick && struck.chordTick < chord.tick + chord.ticks,
  );
  return found ? { bar: found.bar.number, beat: (found.chord.tick - found.bar.tick) / found.bar.beatTicks + 1 } : null;
}

function isAt(lock: Lock, place: Place): boolean {
  return lock.bar === place.bar && (lock.beat ?? 1) === place.beat;
}

export function lockAt(choices: Choices, arrangement: Arrangement, stroke: number): Lock | undefined {
  const place = placeOf(arrangement, stroke);
  return place ? choices.locks?.find((lock) => isAt(lock, place)) : undefined;
}

/** The choices with something more locked on a chord; null lets it go. */
export function withLock(
  choices: Choices,
  arrangement: Arrangement,
  stroke: number,
  more: Partial<Lock> | null,
): Choices {
  const place = placeOf(arrangement, stroke);
  if (!place) return choices;
  const others = (choices.locks ?? []).filter((lock) => !isAt(lock, place));
  const before = choices.locks?.find((lock) => isAt(lock, place));
  const locks = more === null ? others : [...others, clean({ ...before, ...place, ...more })];
  const { locks: _before, ...rest } = choices;
  return locks.length > 0 ? { ...rest, locks } : rest;
}

/** The highest note of each chord of some bars, as it is now, locked. */
export function withTopLine(choices: Choices, arrangement: Arrangement, [from, to]: [number, number]): Choices {
  let locked = choices;
  for (const bar of arrangement.bars.slice(from, to + 1)) {
    for (const chord of bar.chords) {
      let top = -1;
      arrangement.strokes.forEach((stroke, index) => {
        const here =
          stroke.hand === "L" &&
          stroke.written.tick >= chord.tick &&
          stroke.written.tick < chord.tick + chord.ticks &&
          stroke.origin !== "lead-in";
        const highest = (at: number) => arrangement.strokes[at]?.notes.at(-1)?.midi ?? 0;
        if (here && (top < 0 || highest(index) > highest(top))) top = index;
      });
      const name = arrangement.strokes[top]?.notes.at(-1)?.name;
      if (name) locked = withLock(locked, arrangement, top, { top: name });
    }
  }
  return locked;
}

function clean(lock: Partial<Lock> & Place): Lock {
  return Object.fromEntries(Object.entries(lock).filter(([, value]) => value !== undefined && value !== null)) as Lock;
}
