import type { Figure, Suggested } from "../../api/client";
import { shelved } from "./shelves";

const figure = (id: string, family: string, level = 2, version: number | null = null) =>
  ({ id, name: id, family, level, version }) as Figure;
const BOOK = [
  figure("held", "hold", 1),
  figure("pulse-quarters", "pulse"),
  figure("push", "pulse", 3),
  figure("walking", "swing", 5),
  figure("two-feel", "swing"),
  figure("habanera", "rumba", 3),
  figure("mine", "rumba", 3, 4),
];
const suggested = (...ids: string[]) => ({ figures: ids.map((id) => ({ figure: id })) }) as Suggested;
const names = (groups: ReturnType<typeof shelved>) =>
  groups.map((group) => `${group.name}: ${group.figures.map((each) => each.id).join(" ")}`);

test("what suits the song comes first, then what one begins with, then the families; each figure once", () => {
  expect(names(shelved(BOOK, suggested("habanera", "two-feel", "gone"), null))).toEqual([
    "For this song: habanera two-feel",
    "To begin with: held pulse-quarters",
    "pulse: push",
    "swing: walking",
    "My own: mine",
  ]);
});

test("four for the song at most, and none above the level that is set", () => {
  const groups = shelved(BOOK, suggested("walking", "push", "held", "habanera", "two-feel", "pulse-quarters"), 3);
  expect(groups[0]?.figures.map((each) => each.id)).toEqual(["push", "held", "habanera", "two-feel"]);
  expect(names(shelved(BOOK, undefined, null))[0]).toBe("To begin with: held pulse-quarters two-feel");
});
