import type { Bar, Choices } from "../api/client";
import { ROWS } from "./rows.fixture";
import { barsOf, barsOfTheirOwn, choose, forget, ownOptions, playedAt, type Scope, scopeName } from "./scope";

const bar = (index: number, number: number, section = "Verse", pass = 1): Bar => ({
  index,
  number,
  section,
  part: "chart",
  pass,
  round: pass,
  meter: "4/4",
  beatTicks: 960,
  tick: index * 3840,
  ticks: 3840,
  chords: [
    { symbol: "C", tick: index * 3840, ticks: 1920, change: 0, degree: "I" },
    { symbol: "F", tick: index * 3840 + 1920, ticks: 1920, change: 0, degree: "IV" },
  ],
  bpm: 100,
  holds: [],
  vamp: null,
  pins: [],
  borrowed: [],
  difficulty: 0,
  parts: [],
  maxTempo: 400,
  meeting: null,
  choices: {
    chosen: {},
    figure: "held",
    voicing: "spread",
    register: "deep",
    feel: "straight",
    bassLine: null,
    leadIn: null,
    spice: null,
  },
});

describe("where choices go", () => {
  const chorus: Scope = { kind: "section", name: "Chorus" };
  const bars: Scope = { kind: "bars", bars: "3-4" };

  it("each place keeps its own", () => {
    let choices: Choices = { figure: "held" };
    choices = choose(ROWS, choices, chorus, { figure: "two-feel" });
    choices = choose(ROWS, choices, bars, { figure: "stacked" });
    expect(ownOptions(choices, { kind: "song" })).toBe(choices);
    expect(ownOptions(choices, chorus)).toEqual({ figure: "two-feel" });
    expect(ownOptions(choices, bars)).toEqual({ figure: "stacked" });
  });

  it("a new figure leaves the voicing of the old one behind", () => {
    const choices = choose(ROWS, { figure: "held", voicing: "octave" }, { kind: "song" }, { figure: "two-feel" });
    expect(choices).toEqual({ figure: "two-feel" });
  });

  it("beats and times round are places of their own", () => {
    const once: Scope = { kind: "bars", bars: "2", pass: 2, beats: "3-4" };
    const choices = choose(ROWS, { figure: "held" }, once, { figure: "walking" });
    expect(ownOptions(choices, once)).toEqual({ figure: "walking" });
    expect(ownOptions(choices, { kind: "bars", bars: "2" })).toEqual({});
    expect(scopeName(once)).toBe("bar 2, beats 3–4, time 2");
  });

  it("what was chosen for a place can be forgotten", () => {
    const choices = choose(ROWS, choose(ROWS, { figure: "held" }, chorus, { leadIn: "scale" }), bars, { pedal: false });
    expect(forget(choices, chorus).sections).toEqual({});
    expect(forget(choices, bars).overrides).toEqual([]);
    expect(ownOptions(forget(choices, bars), bars)).toEqual({});
  });

  it("bars are called by their numbers in the chart", () => {
    expect(barsOf([bar(0, 1), bar(1, 2), bar(2, 3)], [1, 2])).toBe("2-3");
    expect(barsOf([bar(0, 7)], [0, 0])).toBe("7");
  });
});

test("bars of a scope are found where they are played", () => {
  const bars = [1, 2, 3, 1, 2, 3].map((number, index) => ({ number, index, pass: index < 3 ? 1 : 2 })) as Bar[];
  expect(playedAt(bars, { kind: "bars", bars: "2-3" })).toEqual([1, 2]);
  expect(playedAt(bars, { kind: "bars", bars: "2", pass: 2 })).toEqual([4, 4]);
  expect(playedAt(bars, { kind: "bars", bars: "9" })).toBeNull();
  expect(playedAt(bars, { kind: "song" })).toBeNull();
});

test("bars of their own are counted out", () => {
  expect([...barsOfTheirOwn({ overrides: [{ bars: "2-4" }, { bars: "7" }] } as Choices)]).toEqual([2, 3, 4, 7]);
  expect(barsOfTheirOwn({} as Choices).size).toBe(0);
});
