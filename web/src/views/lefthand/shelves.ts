import type { Figure, Suggested } from "../../api/client";

/** Figures under one heading. */
export type Group = { name: string; figures: Figure[] };

/** What a left hand begins with, in that order (common practice: hold, pulse, break, bass and chord). */
const FIRST = [
  "held",
  "strong-beats",
  "pulse-quarters",
  "stacked",
  "three-four-quarters",
  "low-high-middle-high",
  "bass-and-two",
  "two-feel",
];
/** So many are offered for the song at hand; more are among those worth trying. */
export const MOST = 4;
export const FOR_THIS_SONG = "For this song";

/**
 * The whole book in an order that helps: what suits this song, what one begins with, then the families. Each figure
 * stands once.
 */
export function shelved(figures: Figure[], suggested: Suggested | undefined, level: number | null): Group[] {
  const left = new Map(figures.map((figure) => [figure.id, figure]));
  const taken = (ids: string[], most: number): Figure[] => {
    const found = ids.flatMap((id) => left.get(id) ?? []).slice(0, most);
    for (const figure of found) left.delete(figure.id);
    return found;
  };
  const suits = (suggested?.figures ?? [])
    .map((each) => each.figure)
    .filter((id) => level === null || (left.get(id)?.level ?? 0) <= level);
  const groups: Group[] = [
    { name: FOR_THIS_SONG, figures: taken(suits, MOST) },
    { name: "To begin with", figures: taken(FIRST, FIRST.length) },
  ];
  for (const figure of left.values()) {
    const name = figure.version === null ? figure.family : "My own";
    const group = groups.find((each) => each.name === name);
    if (group) group.figures.push(figure);
    else groups.push({ name, figures: [figure] });
  }
  return groups.filter((group) => group.figures.length > 0);
}

/** What a figure is called. */
export function nameOf(figures: Figure[] | undefined, id: string | undefined): string {
  return figures?.find((each) => each.id === id)?.name ?? id ?? "";
}
