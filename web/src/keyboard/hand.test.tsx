import type { Stroke } from "../api/client";
import { centre } from "./geometry";
import { tipsOf } from "./HandShape";

const stroke = (hand: "L" | "R", notes: [number, number | null][]): Stroke => ({
  hand,
  bar: 0,
  tick: 0,
  ticks: 960,
  written: { tick: 0, ticks: 960 },
  mark: "heel",
  accent: false,
  stretchMm: 0,
  ease: "comfortable",
  altered: null,
  rolled: null,
  id: "",
  origin: "figure",
  chordTick: 0,
  until: 960,
  reason: 0,
  notes: notes.map(([midi, finger]) => ({ midi, name: "C2", role: "1", delayTicks: 0, velocity: 66, finger })),
});

describe("where the tips of a hand lie", () => {
  it("on their keys where they play", () => {
    const tips = tipsOf(
      stroke("L", [
        [36, 5],
        [43, 2],
        [52, 1],
      ]),
      24,
    );
    expect(tips.find((tip) => tip.finger === 5)).toEqual({ finger: 5, x: centre(36, 24), key: 36 });
    expect(tips.find((tip) => tip.finger === 1)?.key).toBe(52);
  });
  it("between them where they rest, in the order of the hand", () => {
    const xs = tipsOf(
      stroke("L", [
        [36, 5],
        [52, 1],
      ]),
      24,
    ).map((tip) => tip.x);
    expect([...xs].sort((a, b) => b - a)).toEqual(xs);
    const right = tipsOf(
      stroke("R", [
        [60, 1],
        [67, 5],
      ]),
      24,
    ).map((tip) => tip.x);
    expect([...right].sort((a, b) => a - b)).toEqual(right);
  });
  it("beside a finger that plays alone", () => {
    const tips = tipsOf(stroke("L", [[36, 5]]), 24);
    expect(tips).toHaveLength(5);
    expect(tips.find((tip) => tip.finger === 1)?.x).toBeGreaterThan(centre(36, 24) + 60);
  });
  it("nowhere without fingers", () => expect(tipsOf(stroke("L", [[36, null]]), 24)).toEqual([]));
});
