import { render, screen } from "@testing-library/react";
import type { Arrangement, AskedNote, Judgement } from "../../api/client";
import {
  barsNamed,
  faulty,
  keyName,
  layersOf,
  onsets,
  scripted,
  slowestOf,
  stopsOf,
  today,
  verdictsOf,
  volumesFor,
} from "./practise";
import { Result } from "./Result";
import { Stairs } from "./Stairs";
import { Strip } from "./Strip";

function note(at: number, midi: number, ms: number, bar = 0): AskedNote {
  return {
    id: `L${bar}.1.${at}`,
    stroke: at,
    note: 0,
    hand: "L",
    midi,
    name: "C2",
    finger: 1,
    bar,
    tick: 0,
    ms,
    held: 300,
  };
}

const NOTES = [note(0, 36, 0), note(1, 48, 500), note(1, 52, 503), note(2, 43, 1000), note(3, 55, 1500, 1)];
const ARRANGEMENT = {
  bars: [{ number: 1 }, { number: 2 }, { number: 3 }],
  strokes: [{ hand: "L" }],
} as unknown as Arrangement;

function judged(verdicts: Judgement["notes"][number]["verdict"][]): Judgement {
  return {
    notes: verdicts.map((verdict, at) => ({
      id: NOTES[at]?.id ?? "",
      stroke: NOTES[at]?.stroke ?? 0,
      note: 0,
      verdict,
      ms: 0,
      played: 36,
    })),
    added: [{ ms: 700, midi: 40, bar: 0 }],
    delayMs: 90,
    pace: 1,
    clean: false,
    right: 0.4,
    unevenMs: 12,
    stops: [],
    again: [],
    hands: [{ hand: "L", unevenMs: 11.6, swing: 1.8, askedSwing: 2 }],
    mend: [{ code: "wrong", bars: [1], text: "D2 instead of C2 in bar 2." }],
    good: [{ code: "good-steady", bars: [], text: "The tempo stayed." }],
  };
}

describe("practising", () => {
  it("puts together what is struck together", () => {
    expect(onsets(NOTES).map((group) => group.length)).toEqual([1, 2, 1, 1]);
  });

  it("hears what is not asked for as loud as is wanted", () => {
    expect(volumesFor("heard", 0.6)).toEqual({ left: 0.8, right: 0.8, click: 0.6 });
    expect(volumesFor("quiet", 0)).toEqual({ left: 0.3, right: 0.3, click: 0.5 });
    expect(volumesFor("silent", 0.6).right).toBe(0);
  });

  it("knows the step that takes longest", () => {
    const round = (...ms: number[]) => ({ id: "a", at: "2031-05-01T10:00:00Z", ms });
    expect(slowestOf([round(900, 1400, 700), round(2100, 800, 500)])).toEqual({ at: 0, ms: 1500 });
    expect(slowestOf([round(900, 1400, 700), round(9000)])?.at).toBe(1);
    expect(slowestOf([])).toBeUndefined();
  });

  it("asks for a right hand only where there is one", () => {
    expect(layersOf(ARRANGEMENT).map((layer) => layer.value)).toEqual(["basses", "chords", "left"]);
  });

  it("has a stand-in that makes one mistake of each of three kinds", () => {
    const long = Array.from({ length: 16 }, (_, at) => note(at, 40 + at, at * 500));
    const played = scripted(long, true);
    expect(played).toHaveLength(15);
    expect(
      played.filter((each) => !long.some((asked) => asked.midi === each.midi && asked.ms === each.ms)),
    ).toHaveLength(2);
    expect(scripted(long, false)).toHaveLength(16);
  });

  it("names its bars and its day", () => {
    expect(barsNamed(ARRANGEMENT, 1, 1)).toBe("bar 2");
    expect(barsNamed(ARRANGEMENT, 0, 2)).toBe("bars 1–3");
    expect(stopsOf("60, 100 and 140; 9000")).toEqual([60, 100, 140]);
    expect(keyName(61)).toBe("C♯4");
    expect(today(new Date("2031-05-01T12:00:00Z"))).toMatch(/^2031-05-0[12]$/);
  });

  it("draws a take by shape and says it in words", () => {
    const take = judged(["right", "wrong", "early", "missed", "octave"]);
    const { container } = render(<Strip arrangement={ARRANGEMENT} notes={NOTES} judged={take} />);
    expect(screen.getByRole("img").getAttribute("aria-label")).toBe(
      "The take: 1 right, 1 early, 1 another key, 1 missing, 1 another octave",
    );
    expect(container.querySelectorAll("circle")).toHaveLength(1);
    expect(container.querySelectorAll("path")).toHaveLength(5);
    // A stroke more at the front since it was judged, and the last one gone.
    const strokes = [{ id: "new" }, ...[0, 1, 2].map((at) => ({ id: `L0.1.${at}` }))] as Arrangement["strokes"];
    expect([...verdictsOf(take, strokes)]).toEqual([
      ["s2n0", "early"],
      ["s3n0", "missed"],
    ]);
    expect(faulty(take, strokes)).toEqual([2, 3]);
  });

  it("says what was good before what to mend", () => {
    let looped: number[] = [];
    render(
      <Result arrangement={ARRANGEMENT} judged={judged(["right"])} onBars={(from, to) => (looped = [from, to])} />,
    );
    const text = screen.getByRole("region", { name: "How it went" }).textContent ?? "";
    expect(text.indexOf("The tempo stayed")).toBeLessThan(text.indexOf("D2 instead of C2"));
    expect(text).toContain("90 ms are taken out");
    expect(text).toContain("Left hand within 12 ms, swings 1.8 to 1 of 2.");
    screen.getByRole("button", { name: "loop it" }).click();
    expect(looped).toEqual([0, 1]);
  });

  it("stands on its step of the ladder", () => {
    render(<Stairs rungs={[72, 76, 80, 120]} rung={{ tempo: 80, clean: 1, failed: 0 }} goal={120} />);
    expect(screen.getByRole("img").getAttribute("aria-label")).toBe("Tempo 80 of 120: step 3 of 4");
  });
});
