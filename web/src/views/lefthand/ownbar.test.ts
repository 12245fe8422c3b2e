import type { Arrangement, Figure } from "../../api/client";
import { ROWS } from "../../song/rows.fixture";
import { choose } from "../../song/scope";
import { barDraft, strokesOf } from "./ownBar";

const bars = [{ tick: 0 }, { tick: 3840 }];
const reasons = [{ args: { stroke: "1" } }, { args: { stroke: "3+5" } }, { args: {} }];
const plain = { hand: "L", rolled: null, accent: false };
const strokes = [
  { ...plain, bar: 0, origin: "figure", reason: 0, written: { tick: 0, ticks: 960 } },
  { ...plain, bar: 1, origin: "figure", reason: 0, written: { tick: 3840, ticks: 960 } },
  {
    ...plain,
    bar: 1,
    origin: "line",
    reason: 1,
    written: { tick: 4800, ticks: 480 },
    rolled: { how: "up" },
    altered: "rolled",
  },
  { ...plain, bar: 1, origin: "comping", reason: 1, hand: "R", written: { tick: 4800, ticks: 480 } },
  { ...plain, bar: 1, origin: "anticipation", reason: 1, written: { tick: 7200, ticks: 960 }, rolled: { how: "up" } },
  { ...plain, bar: 1, origin: "lead-in", reason: 2, written: { tick: 7200, ticks: 480 } },
];
const arrangement = { bars, reasons, strokes } as unknown as Arrangement;

describe("a bar broken out by hand", () => {
  it("begins as it sounds, without the right hand's chords and what was done for the hand", () => {
    expect(strokesOf(arrangement, 1)).toEqual([
      { hand: "L", roles: "1", tick: 0, length: 960, rolled: false, accent: false },
      { hand: "L", roles: "3+5", tick: 960, length: 480, rolled: false, accent: false },
      { hand: "L", roles: ">3+>5", tick: 3360, length: 960, rolled: true, accent: false },
    ]);
  });
  it("is asked about as its figure with that bar alone, in the order of time", () => {
    const figure = {
      id: "two-feel",
      name: "Two",
      strokes: [],
      variations: [{ when: "last", bar: { meter: "4/4", strokes: [] } }],
      manner: {},
    };
    const draft = barDraft(figure as unknown as Figure, "4/4", strokesOf(arrangement, 1).reverse());
    expect(draft.id).toBe("two-feel");
    expect(draft.variations).toEqual([]);
    expect(draft.bars.map((bar) => [bar.meter, bar.strokes.map((stroke) => stroke.tick)])).toEqual([
      ["4/4", [0, 960, 3360]],
    ]);
  });
  it("is left behind by another figure for those bars, not by one for the song", () => {
    const bar = { kind: "bars", bars: "2" } as const;
    const own = choose(ROWS, { figure: "held" }, bar, { strokes: "1@0:960" });
    expect(choose(ROWS, own, { kind: "song" }, { figure: "stacked" }).overrides).toEqual([
      { bars: "2", strokes: "1@0:960" },
    ]);
    expect(choose(ROWS, own, bar, { figure: "stacked" }).overrides).toEqual([{ bars: "2", figure: "stacked" }]);
    expect(choose(ROWS, own, bar, { strokes: undefined }).overrides).toEqual([{ bars: "2" }]);
  });
});
