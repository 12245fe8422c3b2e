import type { Choices } from "../api/client";
import { movedChoices } from "./moved";

const choices: Choices = {
  figure: "held",
  overrides: [
    { bars: "2-4", level: 2 },
    { bars: "6", figure: "two-feel" },
  ],
  locks: [{ bar: 3, bass: "C2" }],
  fingers: [{ hand: "L", bar: 5, tick: 0, note: "C2", finger: 5 }],
  right: { style: "melody", plain: [1, 5], licks: [{ bar: 6, lick: "fall" }], asTheyAre: [3] },
};

describe("what hangs on bars", () => {
  it("goes with them where bars are put in before", () => {
    const moved = movedChoices(
      choices,
      [3, 4, 5, 6].map((from) => ({ from, to: from + 1 })),
    );
    expect(moved.overrides?.map(({ bars }) => bars)).toEqual(["2", "4-5", "7"]);
    expect(moved.locks).toEqual([{ bar: 4, bass: "C2" }]);
    expect(moved.fingers?.[0]?.bar).toBe(6);
    expect(moved.right).toEqual({ style: "melody", plain: [1, 6], licks: [{ bar: 7, lick: "fall" }], asTheyAre: [4] });
    expect(moved.parked).toBeUndefined();
  });

  it("is parked under its old number where its bar is gone", () => {
    const moved = movedChoices(choices, [
      { from: 3, to: null },
      { from: 4, to: 3 },
      { from: 5, to: 4 },
      { from: 6, to: null },
    ]);
    expect(moved.overrides).toEqual([{ bars: "2-3", level: 2 }]);
    expect(moved.locks).toEqual([]);
    expect(moved.parked).toEqual({
      overrides: [{ bars: "6", figure: "two-feel" }],
      locks: [{ bar: 3, bass: "C2" }],
      licks: [{ bar: 6, lick: "fall" }],
      asTheyAre: [3],
    });
    expect(movedChoices(moved, [{ from: 4, to: null }]).parked?.fingers).toHaveLength(1);
    expect(movedChoices(moved, [{ from: 4, to: null }]).parked?.locks).toHaveLength(1);
  });

  it("colours go with their bar and are parked with it", () => {
    const colour = { bar: 3, tick: 0, over: ["C"], rule: "added-sixth", variant: "sixth" };
    expect(movedChoices({ colours: [colour] }, [{ from: 3, to: 5 }]).colours).toEqual([{ ...colour, bar: 5 }]);
    const gone = movedChoices({ colours: [colour] }, [{ from: 3, to: null }]);
    expect(gone.colours).toEqual([]);
    expect(gone.parked?.colours).toEqual([colour]);
  });

  it("stays as it is where no bar has moved", () => {
    expect(movedChoices(choices, [])).toBe(choices);
    expect(movedChoices({ figure: "held" }, [{ from: 1, to: 2 }])).toEqual({ figure: "held" });
  });

  it("what was waved off goes with its bar, and with it when that is gone", () => {
    const moves = [
      { from: 2, to: 4 },
      { from: 3, to: null },
    ];
    expect(movedChoices({ wavedOff: ["L2@1", "L5@2", "B1@3"] }, moves).wavedOff).toEqual(["L2@1", "L5@4"]);
    expect(movedChoices({ spices: ["walk-up@1", "plain@2", "octave@3"] }, moves).spices).toEqual([
      "walk-up@1",
      "plain@4",
    ]);
  });

  it("goes to every time its bar was played where repeats are written out, and to one where it held for one", () => {
    const moved = movedChoices(
      {
        overrides: [
          { bars: "1-2", level: 2 },
          { bars: "2", pass: 2, level: 3 },
        ],
        locks: [
          { bar: 2, bass: "C2" },
          { bar: 1, pass: 2, bass: "G1" },
        ],
        right: { style: "melody", plain: [2] },
        wavedOff: ["L4@2"],
      },
      [
        { from: 1, to: 1, pass: 1 },
        { from: 2, to: 2, pass: 1 },
        { from: 1, to: 3, pass: 2 },
        { from: 2, to: 4, pass: 2 },
      ],
    );
    expect(moved.overrides).toEqual([
      { bars: "1-4", level: 2 },
      { bars: "4", level: 3 },
    ]);
    expect(moved.locks).toEqual([
      { bar: 2, bass: "C2" },
      { bar: 4, bass: "C2" },
      { bar: 3, bass: "G1" },
    ]);
    expect(moved.right?.plain).toEqual([2, 4]);
    expect(moved.wavedOff).toEqual(["L4@2", "L4@4"]);
    expect(moved.parked).toBeUndefined();
  });

  it("takes breaks and bars that go round along, and lets go of those that are gone", () => {
    const moves = [
      { from: 5, to: 6 },
      { from: 8, to: 9 },
      { from: 9, to: null },
    ];
    expect(movedChoices({ breaks: ["5", "8@2", "9"], vamp: "5-8" }, moves)).toEqual({
      breaks: ["6", "9@2"],
      vamp: "6-9",
    });
    expect(movedChoices({ vamp: "8-9" }, moves)).toEqual({});
  });
});
