const PAGE = 8;

/** The bars that are engraved: the selection, or of a long one the eight bars that {@code bar} lies in. */
export function pageOf(selection: [number, number], bar: number): [number, number] {
  const [first, last] = selection;
  const inside = bar >= first && bar <= last ? bar : first;
  const from = first + Math.floor((inside - first) / PAGE) * PAGE;
  return [from, Math.min(last, from + PAGE - 1)];
}
