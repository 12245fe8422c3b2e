/**
 * Where the keys are drawn, in millimetres from the left edge of C: a white key is 23.5 mm wide, black tails as the
 * server measures them.
 */
const WHITE = 23.5;
const WHITE_STEPS = [0, -1, 1, -1, 2, 3, -1, 4, -1, 5, -1, 6];

export type Key = { midi: number; black: boolean; x: number; width: number };

export function keyAt(midi: number, lowest: number): Key {
  const chroma = midi % 12;
  const octave = (Math.floor(midi / 12) - Math.floor(lowest / 12)) * 7 * WHITE;
  const white = WHITE_STEPS[chroma] ?? -1;
  if (white >= 0) return { midi, black: false, x: octave + white * WHITE, width: WHITE };
  const tail = chroma < 5 ? (3 * WHITE) / 5 : (4 * WHITE) / 7;
  const x = chroma < 5 ? chroma * tail : 3 * WHITE + (chroma - 5) * tail;
  return { midi, black: true, x: octave + x, width: tail };
}

/** All keys from {@code lowest} (a C) to {@code highest}, white ones first so that black ones lie over them. */
export function keys(lowest: number, highest: number): Key[] {
  const all = Array.from({ length: highest - lowest + 1 }, (_, index) => keyAt(lowest + index, lowest));
  return [...all.filter((key) => !key.black), ...all.filter((key) => key.black)];
}

export function centre(midi: number, lowest: number): number {
  const key = keyAt(midi, lowest);
  return key.x + key.width / 2;
}
