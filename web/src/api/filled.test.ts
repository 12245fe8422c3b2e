import type { Arranged } from "./client";
import { filled } from "./filled";

const bar = (index: number, chords: [number, number][]) => ({
  index,
  choices: { figure: "held" },
  chords: chords.map(([tick, ticks]) => ({ symbol: "C", tick, ticks, degree: "I" })),
});
const rest = { pedal: [{ down: 240, up: 3840 }], tempo: { bpm: 92 }, marks: "tttttt", velocities: [66, 66, 66] };
const note = { midi: 36, name: "C2", role: "1", finger: 5 };
const stroke = {
  id: "L1.1.0",
  hand: "L",
  origin: "figure",
  bar: 0,
  tick: 0,
  ticks: 480,
  rolled: null,
  reason: 0,
  notes: [note],
};

describe("an answer", () => {
  it("has what is left out of it where it is as usual", () => {
    const { bars, parts, strokes } = filled({
      bars: [bar(0, [[0, 3840]])],
      strokes: [{ ...stroke, tick: 960 }],
      ...rest,
    } as unknown as Arranged);
    expect(bars[0]).toMatchObject({
      meter: "4/4",
      beatTicks: 960,
      bpm: 92,
      choices: { figure: "held", chosen: {} },
      chords: [{ change: 0 }],
    });
    expect(bars[0]).toMatchObject({ round: 1, holds: [], pins: [], vamp: null, parts: [], meeting: null });
    expect(parts).toEqual([]);
    expect(strokes[0]).toMatchObject({
      chordTick: 0,
      until: 3840,
      written: { tick: 960, ticks: 480 },
      mark: "toe",
      accent: false,
      stretchMm: 0,
      ease: "comfortable",
      altered: null,
      rolled: null,
      notes: [{ ...note, delayTicks: 0, velocity: 66 }],
    });
  });

  it("has its strokes' notes where they are told once", () => {
    const other = { ...note, midi: 40, delayTicks: 60 };
    const { strokes, ...rests } = filled({
      bars: [bar(0, [[0, 3840]])],
      strokes: [
        { ...stroke, notes: undefined, noted: [1, 0] },
        { ...stroke, notes: undefined, noted: [0] },
      ],
      ...rest,
      velocities: [70, 80, 90],
      notes: [note, other],
    } as unknown as Arranged);
    expect(strokes.map((each) => each.notes)).toEqual([
      [
        { ...other, velocity: 70 },
        { ...note, delayTicks: 0, velocity: 80 },
      ],
      [{ ...note, delayTicks: 0, velocity: 90 }],
    ]);
    expect(strokes[0]).not.toHaveProperty("noted");
    expect(rests).not.toHaveProperty("notes");
  });

  it("keeps what it says", () => {
    const said = { chordTick: 3840, written: { tick: 3360, ticks: 960 }, accent: true, altered: "roll" };
    const { strokes } = filled({
      bars: [bar(0, [[0, 3840]]), bar(1, [[3840, 3840]])],
      strokes: [
        { ...stroke, ...said, notes: [note, { ...note, delayTicks: -120 }] },
        { ...stroke, tick: 3400, written: { tick: 3840, ticks: 480 } },
      ],
      ...rest,
      marks: "hl",
      velocities: [70, 80, 90],
    } as unknown as Arranged);
    expect(strokes[0]).toMatchObject({
      ...said,
      mark: "heel",
      notes: [{ velocity: 70 }, { delayTicks: -120, velocity: 80 }],
    });
    expect(strokes[1]).toMatchObject({ mark: "lead", notes: [{ velocity: 90 }] });
    // Written under another chord than it sounds in: the one it is written under counts.
    expect(strokes[1]?.chordTick).toBe(3840);
  });

  it("lets what is struck sound until it is let go and the pedal is up", () => {
    const at = (tick: number, ticks: number) => ({ ...stroke, tick, ticks });
    const { strokes } = filled({
      bars: [bar(0, [[0, 3840]]), bar(1, [[3840, 3840]])],
      strokes: [at(0, 200), at(0, 240), at(3600, 239), at(3600, 240), at(4000, 1000), at(7000, 900)],
      ...rest,
      pedal: [
        { down: 240, up: 3840 },
        { down: 4080, up: 7680 },
      ],
    } as unknown as Arranged);
    expect(strokes.map((each) => each.until)).toEqual([200, 3840, 3840, 3840, 7680, 7900]);
  });

  it("names strokes by where they are written", () => {
    const { id: _, origin: __, ...bare } = stroke;
    const numbered = (index: number, number: number, round?: number) => ({
      ...bar(index, [[3840 * index, 3840]]),
      number,
      round,
      tick: 3840 * index,
    });
    const { bars, strokes } = filled({
      bars: [numbered(0, 7), numbered(1, 7, 2)],
      strokes: [
        { ...bare, tick: 480 },
        { ...bare, hand: "R", bar: 1, tick: 3360, written: { tick: 3840, ticks: 480 }, origin: "tune" },
        { ...bare, id: "L7.2.480.1", bar: 1, tick: 4320 },
      ],
      ...rest,
    } as unknown as Arranged);
    expect(strokes.map((each) => `${each.id} ${each.origin}`)).toEqual([
      "L7.1.480 figure",
      "R7.2.0 tune",
      "L7.2.480.1 figure",
    ]);
    expect(bars[1]?.part).toBe("chart");
  });

  it("has in each bar what holds on from the one before", () => {
    const first = {
      ...bar(0, [[0, 2880]]),
      meter: "3/4",
      beatTicks: 960,
      bpm: 60,
      choices: { figure: "held", chosen: { level: 2 } },
    };
    const { bars } = filled({ bars: [first, bar(1, [[2880, 2880]])], strokes: [], ...rest } as unknown as Arranged);
    expect(bars[1]).toMatchObject({ meter: "3/4", bpm: 60, choices: { figure: "held", chosen: { level: 2 } } });
    const same = { ...bar(1, [[2880, 2880]]), choices: undefined };
    expect(filled({ bars: [first, same], strokes: [], ...rest } as unknown as Arranged).bars[1]?.choices).toEqual({
      figure: "held",
      chosen: { level: 2 },
    });
  });
});
