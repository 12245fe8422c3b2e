import type { Arranged } from "./client";
import { filled } from "./filled";

const bar = (index: number, chords: [number, number][]) => ({
  index,
  chords: chords.map(([tick, ticks]) => ({ symbol: "C", tick, ticks, change: 0, degree: "I" })),
});
const note = { midi: 36, name: "C2", role: "1", finger: 5 };
const stroke = { id: "L.chart.1.1.0.0", hand: "L", origin: "figure", bar: 0, tick: 0, ticks: 480, rolled: null, reason: 0, notes: [note] };

describe("an answer", () => {
  it("has what is left out of it where it is as usual", () => {
    const { bars, parts, strokes } = filled({ bars: [bar(0, [[0, 3840]])], strokes: [{ ...stroke, tick: 960 }] } as unknown as Arranged);
    expect(bars[0]).toMatchObject({ round: 1, holds: [], pins: [], vamp: null, parts: [], meeting: null });
    expect(parts).toEqual([]);
    expect(strokes[0]).toMatchObject({
      chordTick: 0,
      until: 1440,
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

  it("keeps what it says", () => {
    const said = { chordTick: 3840, until: 5000, written: { tick: 3360, ticks: 960 }, mark: "heel", accent: true, altered: "roll" };
    const { strokes } = filled({
      bars: [bar(0, [[0, 3840]]), bar(1, [[3840, 3840]])],
      strokes: [
        { ...stroke, ...said, notes: [{ ...note, delayTicks: -120, velocity: 80 }] },
        { ...stroke, tick: 3400, written: { tick: 3840, ticks: 480 } },
      ],
    } as unknown as Arranged);
    expect(strokes[0]).toMatchObject({ ...said, notes: [{ delayTicks: -120, velocity: 80 }] });
    // Written under another chord than it sounds in: the one it is written under counts.
    expect(strokes[1]?.chordTick).toBe(3840);
  });
});
