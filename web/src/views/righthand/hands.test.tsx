import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Arrangement, Bar, ChartView, RightHand, Stroke } from "../../api/client";
import { row } from "../../song/rows.fixture";
import { hush, type NoteSink, sendNote } from "../../sound/midiOut";
import { StandInPiano } from "../../sound/standInPiano";
import { HandsPanel } from "./HandsPanel";
import { chooseManner, forgetManner, mannerIn } from "./manner";
import { isTune, lengthName, placeOf, strokeAt } from "./tune";

const bar = (index: number, number: number, meeting: Bar["meeting"] = null) =>
  ({ index, number, round: 1, tick: index * 3840, ticks: 3840, meeting }) as Bar;
const sung = (inBar: number, tick: number, more: Partial<Stroke> = {}) =>
  ({ hand: "R", bar: inBar, written: { tick, ticks: 960 }, origin: "tune", notes: [], ...more }) as unknown as Stroke;

describe("how the hands meet", () => {
  const bars = [
    bar(0, 1, { order: "1 LR, 1& L, 2 R", mended: ["left-thinned"], kept: [] }),
    bar(1, 2, { order: "1 LR", mended: [], kept: ["crossed"] }),
    bar(2, 3),
    bar(3, 4, { order: "1 LR", mended: ["right-raised"], kept: [] }),
  ];
  const show = (right: RightHand, selection: [number, number] = [0, 2]) => {
    const onChange = vi.fn();
    render(<HandsPanel bars={bars} selection={selection} right={right} onChange={onChange} />);
    return onChange;
  };
  it("is a count with who strikes on it, and what was done to keep apart", () => {
    show({ style: "melody" });
    const [first, second] = screen.getAllByRole("listitem");
    expect(first?.textContent).toContain("1LR1&L2R");
    expect(first?.textContent).toContain("the left hand leaves out what would run into the right");
    expect(second?.textContent).toContain("They run together: the right hand lies below the left");
    expect(screen.getByText(/Room was made in 4 too/)).toBeTruthy();
  });
  it("lets a bar be as it was, and mends it again", async () => {
    const onChange = show({ style: "melody", asTheyAre: [9] });
    await userEvent.click(screen.getByRole("button", { name: "leave it as it was" }));
    expect(onChange).toHaveBeenCalledWith({ style: "melody", asTheyAre: [1, 9] });
  });
  it("mends a bar again that was left", async () => {
    const onChange = show({ style: "melody", asTheyAre: [1, 2] }, [1, 1]);
    await userEvent.click(screen.getByRole("button", { name: "keep them apart again" }));
    expect(onChange).toHaveBeenCalledWith({ style: "melody", asTheyAre: [1] });
  });
  it("says so where only one hand plays", () => {
    show({ style: "none" }, [2, 2]);
    expect(screen.getByText(/Only one hand plays here/)).toBeTruthy();
  });
});

describe("a right hand for a section", () => {
  const MANNERS = ["style", "figure", "top", "under", "shapes", "manner"].map((id) =>
    row(id, { places: ["right", "right-section"] }),
  );
  const whole: RightHand = { style: "melody", under: "close", fills: 4 };
  it("begins as the song has it and changes alone", () => {
    const chords = chooseManner(MANNERS, whole, "Chorus", { style: "comping" });
    expect(chords).toEqual({ ...whole, sections: { Chorus: { style: "comping", under: "close" } } });
    expect(mannerIn(MANNERS, chords, "Chorus").style).toBe("comping");
    expect(mannerIn(MANNERS, chords, "Verse")).toEqual({ style: "melody", under: "close" });
    expect(mannerIn(MANNERS, chords, null).style).toBe("melody");
  });
  it("leaves the others when it is forgotten", () => {
    const two = chooseManner(MANNERS, chooseManner(MANNERS, whole, "A", { style: "none" }), "B", { shapes: "turn" });
    expect(forgetManner(two, "A").sections).toEqual({ B: { style: "melody", under: "close", shapes: "turn" } });
    expect(chooseManner(MANNERS, two, null, { style: "improvise" }).sections).toEqual(two.sections);
  });
});

describe("a note of the melody", () => {
  const arrangement = {
    bars: [bar(0, 1), bar(1, 2), { ...bar(2, 1), round: 2 }, { ...bar(3, 2), round: 2 }],
    strokes: [
      sung(0, 0),
      sung(2, 7680, { origin: "comping" }),
      sung(2, 8640, { origin: "under-tune" }),
      sung(3, 11520, { hand: "L", origin: "figure" }),
    ],
  } as unknown as Arrangement;
  const chart = { written: [{ bars: [{ number: 1 }] }, { bars: [{ number: 2 }] }] } as unknown as ChartView;
  it("is found where it is written, with the time it is played", () => {
    expect(arrangement.strokes.map(isTune)).toEqual([true, false, true, false]);
    expect(placeOf(arrangement, chart, arrangement.strokes[2])).toEqual({ bar: 0, pass: 2, tick: 960 });
    expect(placeOf(arrangement, chart, arrangement.strokes[1])).toBeNull();
  });
  it("is found again in what was laid anew", () => {
    expect(strokeAt(arrangement, chart, { bar: 0, pass: 2, tick: 960 })).toBe(2);
    expect(strokeAt(arrangement, chart, { bar: 0, pass: 1, tick: 0 })).toBe(0);
    expect(strokeAt(arrangement, chart, { bar: 1, pass: 1, tick: 480 })).toBe(-1);
  });
  it("is as long as a player says", () => {
    expect([960, 720, 320, 2000].map(lengthName)).toEqual([
      "quarter",
      "dotted eighth",
      "eighth triplet",
      "2.08 quarters",
    ]);
  });
});

describe("an instrument outside", () => {
  it("is told to strike and to let go, by MIDI 1.0", () => {
    const sent: [number[], number][] = [];
    const sink: NoteSink = { id: "x", name: "x", send: (message, at) => sent.push([message, at]) };
    sendNote(sink, 60, 0.5, 1000, 400);
    sendNote(sink, 61, 2, 1000, 1);
    hush(sink, 1500);
    expect(sent).toEqual([
      [[0x90, 60, 64], 1000],
      [[0x80, 60, 0], 1395],
      [[0x90, 61, 127], 1000],
      [[0x80, 61, 0], 1010],
      [[0xb0, 123, 0], 1500],
    ]);
  });
  it("has a stand-in that counts the keys it is told to strike and tells who listens", () => {
    const piano = new StandInPiano();
    const heard = vi.fn();
    const stop = piano.subscribe(heard);
    sendNote(piano, 60, 1, 0, 100);
    expect(piano.count()).toBe(1);
    expect(heard).toHaveBeenCalledTimes(2);
    stop();
    sendNote(piano, 60, 1, 0, 100);
    expect(heard).toHaveBeenCalledTimes(2);
    for (let i = 0; i < 600; i++) sendNote(piano, 60, 1, i, 10);
    expect(piano.received).toHaveLength(1000);
  });
});
