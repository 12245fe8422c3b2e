import type { Arrangement, Stroke } from "../api/client";
import { clicks, tones } from "./schedule";

function stroke(tick: number, ticks: number, midis: number[], more: Partial<Stroke> = {}): Stroke {
  return {
    hand: "L",
    bar: 0,
    tick,
    ticks,
    written: { tick, ticks },
    mark: "heel",
    accent: false,
    stretchMm: 0,
    ease: "comfortable",
    altered: null,
    rolled: null,
    id: "",
    origin: "figure",
    chordTick: 0,
    until: tick + ticks,
    reason: 0,
    notes: midis.map((midi) => ({
      midi,
      name: "C2",
      role: "1",
      delayTicks: 0,
      velocity: midi < 40 ? 84 : 66,
      finger: null,
    })),
    ...more,
  };
}

function arrangement(strokes: Stroke[], pedal: Arrangement["pedal"] = []): Arrangement {
  return {
    ticksPerQuarter: 960,
    leadInTicks: 0,
    timeline: [],
    title: "",
    key: "C",
    feel: "straight",
    swingRatio: 1,
    tempo: { bpm: 100, beatTicks: 960 },
    bars: [],
    firstStroke: 0,
    strokes,
    pedal,
    difficulty: 0,
    parts: [],
    maxTempo: 400,
    limits: [],
    reasons: [],
    problems: [],
  };
}

describe("tones", () => {
  it("keeps the order of time and names the stroke each tone belongs to", () => {
    const found = tones(arrangement([stroke(960, 480, [48]), stroke(0, 960, [36])]));
    expect(found.map((tone) => [tone.tick, tone.midi, tone.stroke])).toEqual([
      [0, 36, 1],
      [960, 48, 0],
    ]);
  });

  it("opens a rolled chord upward and lets all of it end together", () => {
    const rolled = stroke(0, 960, [36, 43, 52]);
    rolled.notes.forEach((note, index) => {
      note.delayTicks = index * 80;
    });
    const found = tones(arrangement([rolled]));
    expect(found.map((tone) => tone.tick)).toEqual([0, 80, 160]);
    expect(found.map((tone) => tone.tick + tone.ticks)).toEqual([960, 960, 960]);
  });

  it("lets a key sound for as long as it is heard", () => {
    const found = tones(arrangement([stroke(0, 480, [36], { until: 3840 }), stroke(3840, 480, [41])]));
    expect(found.map((tone) => tone.tick + tone.ticks)).toEqual([3840, 4320]);
  });

  it("plays each note as strongly as the arrangement has it", () => {
    const [bass, above] = tones(arrangement([stroke(0, 960, [36, 43])]));
    expect(bass?.velocity).toBeGreaterThan(above?.velocity ?? 1);
  });
});

describe("clicks", () => {
  const common = { tick: 3840, ticks: 3840, beatTicks: 960 };
  it("marks every beat, the first one strongly", () => {
    expect(clicks(common, "beats")).toEqual([
      { tick: 3840, strong: true },
      { tick: 4800, strong: false },
      { tick: 5760, strong: false },
      { tick: 6720, strong: false },
    ]);
  });
  it("or only 2 and 4", () => {
    expect(clicks(common, "two-and-four").map((click) => click.tick)).toEqual([4800, 6720]);
    expect(clicks({ tick: 0, ticks: 2880, beatTicks: 960 }, "two-and-four").map((click) => click.tick)).toEqual([
      960, 1920,
    ]);
  });
  it("counts dotted quarters in six-eight", () => {
    expect(clicks({ tick: 0, ticks: 2880, beatTicks: 1440 }, "beats").map((click) => click.tick)).toEqual([0, 1440]);
  });
  it("or is silent", () => {
    expect(clicks(common, "off")).toEqual([]);
  });
});
