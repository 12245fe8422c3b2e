/** The bars an address names, by index; null where it names none. */
export function namedBars(written: string | null): [number, number] | null {
  const found = /^(\d+)-(\d+)$/.exec(written ?? "");
  return found ? [Number(found[1]) - 1, Number(found[2]) - 1] : null;
}

/** Those of so many bars that are wanted: all of them where none are named. */
export function barsWithin(wanted: [number, number] | null, bars: number): [number, number] {
  const last = Math.max(0, bars - 1);
  const from = Math.min(last, Math.max(0, wanted?.[0] ?? 0));
  return [from, Math.min(last, Math.max(from, wanted?.[1] ?? last))];
}
