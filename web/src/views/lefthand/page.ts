const PAGE = 8;

/** The bars that are engraved: the selection, or of a long one the eight bars that {@code bar} lies in. */
export function pageOf(selection: [number, number], bar: number): [number, number] {
  const [first, last] = selection;
  const inside = bar >= first && bar <= last ? bar : first;
  const from = first + Math.floor((inside - first) / PAGE) * PAGE;
  return [from, Math.min(last, from + PAGE - 1)];
}

const A_LINE = 4;

/** The four bars of a page around one of them: one system, which leaves room below. */
export function lineOf([from, to]: [number, number], bar: number): [number, number] {
  const first = from + Math.floor(Math.min(Math.max(bar - from, 0), to - from) / A_LINE) * A_LINE;
  return [first, Math.min(to, first + A_LINE - 1)];
}
