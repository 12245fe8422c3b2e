import type { Arrangement, Bar, Figure } from "../../api/client";
import { draftOf, edited, inMeter, markOf } from "./figureDraft";
import { lockAt, placeOf, withLock, withTopLine } from "./locks";

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

describe("locks", () => {
  const stroke = (tick: number, origin: string, chordTick: number, names: string[]) => ({
    hand: "L" as const,
    bar: Math.floor(tick / 3840),
    tick,
    ticks: 480,
    written: { tick, ticks: 480 },
    mark: "heel" as const,
    accent: false,
    stretchMm: 0,
    rolled: null,
    origin,
    chordTick,
    reason: 0,
    notes: names.map((name, index) => ({
      midi: 40 + index,
      name,
      role: "1",
      delayTicks: 0,
      velocity: 66,
      finger: null,
    })),
  });
  const arrangement = {
    bars: [bar(0, 1), bar(1, 2)],
    strokes: [
      stroke(0, "figure", 0, ["C2"]),
      stroke(960, "figure", 0, ["E3", "G3"]),
      stroke(1920, "figure", 1920, ["F2"]),
      stroke(3360, "anticipation", 3840, ["C2"]),
    ],
  } as unknown as Arrangement;

  it("name the chord a stroke plays, an early one the chord that arrives", () => {
    expect(placeOf(arrangement, 1)).toEqual({ bar: 1, beat: 1 });
    expect(placeOf(arrangement, 2)).toEqual({ bar: 1, beat: 3 });
    expect(placeOf(arrangement, 3)).toEqual({ bar: 2, beat: 1 });
  });
  it("are joined on one chord and let go", () => {
    const once = withLock({}, arrangement, 0, { bass: "C2" });
    const twice = withLock(once, arrangement, 1, { top: "G3" });
    expect(twice.locks).toEqual([{ bar: 1, beat: 1, bass: "C2", top: "G3" }]);
    expect(lockAt(twice, arrangement, 0)?.top).toBe("G3");
    expect(withLock(twice, arrangement, 0, null).locks).toBeUndefined();
  });
  it("keep the top line of some bars", () => {
    expect(withTopLine({}, arrangement, [0, 0]).locks).toEqual([
      { bar: 1, beat: 1, top: "G3" },
      { bar: 1, beat: 3, top: "F2" },
    ]);
  });
});

describe("a figure's file", () => {
  const figure = {
    id: "two-feel",
    name: "Two-feel",
    family: "swing",
    use: "Two long basses.",
    meters: ["4/4", "3/4"],
    feel: ["swing"],
    level: 2,
    minTempo: 80,
    maxTempo: 240,
    chords: 2,
    suits: ["jazz"],
    accepts: [],
    voicings: [],
    registers: ["deep"],
    hands: ["L"],
    strokes: [
      {
        meter: "4/4",
        barTicks: 3840,
        beatTicks: 960,
        count: "1 3",
        strokes: [
          { hand: "L", roles: "1", tick: 0, ticks: 1920, mark: "heel", rolled: false, accent: true, length: 1920 },
          { hand: "R", roles: "c", tick: 1920, ticks: 1920, mark: "toe", rolled: true, accent: false, length: null },
        ],
      },
      {
        meter: "3/4",
        barTicks: 2880,
        beatTicks: 960,
        count: "1",
        strokes: [
          { hand: "L", roles: "1", tick: 0, ticks: 2880, mark: "heel", rolled: false, accent: false, length: 2880 },
        ],
      },
    ],
    manner: {
      spacing: "bass",
      pedal: false,
      line: ["1", "5"],
      cut: "keep",
      roll: "beat",
      bass: true,
      leadIn: "below",
      times: "own",
      turns: "chord",
      hasLine: true,
    },
    variations: [],
    version: null,
  } as unknown as Figure;

  it("is sent with its strokes in order and its other metres as they are", () => {
    const draft = draftOf(edited(figure, "4/4"), "my-two");
    expect(draft.id).toBe("my-two");
    expect(draft.bars.map((bar) => [bar.meter, bar.strokes.map((stroke) => stroke.roles).join(" ")])).toEqual([
      ["4/4", "1 c"],
      ["3/4", "1"],
    ]);
    expect(draft.bars[0]?.strokes[1]).toEqual({ hand: "R", roles: "c", tick: 1920, rolled: true, accent: false });
    expect(draft).toMatchObject({ minTempo: 80, manner: { cut: "keep", leadIn: "below" }, level: 2 });
    expect(draftOf(edited(figure, "4/4"), undefined).id).toBeUndefined();
  });
  it("opens the song's metre with what fits, by the song's own beats", () => {
    const six = inMeter(edited(figure, "4/4"), figure, "6/8", { meter: "6/8", barTicks: 2880, beatTicks: 1440 });
    expect(six).toMatchObject({ barTicks: 2880, beatTicks: 1440 });
    expect(draftOf(six, undefined).bars.map((bar) => bar.meter)).toEqual(["4/4", "3/4", "6/8"]);
    expect(inMeter(six, figure, "3/4", { meter: "6/8", barTicks: 2880, beatTicks: 1440 })).toMatchObject({
      barTicks: 2880,
      beatTicks: 960,
    });
  });
  it("is drawn as the server marks it", () => {
    const [bass, chord] = edited(figure, "4/4").strokes;
    if (!bass || !chord) throw new Error("two strokes");
    expect([markOf(bass, figure), markOf(chord, figure), markOf({ ...chord, roles: "new" }, null)]).toEqual([
      "heel",
      "toe",
      "toe",
    ]);
  });
});
