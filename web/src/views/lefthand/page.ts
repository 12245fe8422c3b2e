/** The bars that are engraved, at most so many: the selection, or of a long one those that {@code bar} lies among. */
export function pageOf(selection: [number, number], bar: number, most: number): [number, number] {
  const [first, last] = selection;
  const inside = bar >= first && bar <= last ? bar : first;
  const from = first + Math.floor((inside - first) / most) * most;
  return [from, Math.min(last, from + most - 1)];
}
