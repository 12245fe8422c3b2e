import { describe, expect, it } from "vitest";
import type { Arrangement, FormSection } from "../../api/client";
import { type Block, heightOf, pageOfBar, paginate } from "../../sheet/blocks";
import { chartLine, formLine, minutes } from "../../sheet/drawn";
import { piecesOf } from "../../sheet/pdf";
import { beginsOf, msAt, positionOf } from "../../sheet/stand";
import { keyUpOf, open, timesOf, withBreak, withKeyUp, withTimes } from "../sheet/form";
import { turns } from "./pedal";
import { coverOf } from "./StagePages";

const line = (first: number, height = 200, more: Partial<Block> = {}): Block => ({
  svg: "<svg/>",
  height,
  first,
  last: first + 3,
  section: "A",
  opens: false,
  turn: 0,
  ...more,
});

const section = (name: string, first: number, bars: number, more: Partial<FormSection> = {}): FormSection =>
  ({
    part: "chart",
    name,
    pass: 1,
    place: 1,
    time: 1,
    times: 1,
    first,
    bars,
    number: first + 1,
    ms: 0,
    lasts: 0,
    key: "C",
    figures: ["Held"],
    changes: [],
    vamp: false,
    colours: 0,
    ...more,
  }) as FormSection;

describe("pages", () => {
  it("hold every line once, in order, and no more than fits", () => {
    const blocks = Array.from({ length: 23 }, (_, at) => line(at * 4, 150 + (at % 3) * 40));
    const pages = paginate(blocks, 700, 10);
    expect(pages.flatMap((page) => page.blocks.map((block) => block.first))).toEqual(
      blocks.map((block) => block.first),
    );
    for (const page of pages)
      expect((page.blocks.at(-1)?.top ?? 0) + (page.blocks.at(-1)?.height ?? 0)).toBeLessThanOrEqual(700);
  });
  it("turn where a hand is free rather than inside of what is held", () => {
    const blocks = [line(0), line(4, 200, { turn: 0 }), line(8, 200, { turn: 6 }), line(12), line(16)];
    expect(paginate(blocks, 620, 0).map((page) => page.blocks.length)).toEqual([2, 3]);
  });
  it("turn where a section begins rather than inside of one", () => {
    const blocks = [line(0), line(4), line(8, 200, { opens: true }), line(12), line(16)];
    expect(paginate(blocks, 620, 0).map((page) => page.blocks.length)).toEqual([2, 3]);
  });
  it("never leave a heading alone, and give a line that is too high a page of its own", () => {
    const head = line(-1, 100, { first: -1, last: -1, turn: 1000 });
    expect(paginate([head, line(0, 650)], 700, 0).map((page) => page.blocks.length)).toEqual([1, 1]);
    expect(paginate([head, line(0, 500), line(4, 500)], 700, 0).map((page) => page.blocks.length)).toEqual([2, 1]);
    expect(paginate([line(0, 2000), line(4)], 700, 0)).toHaveLength(2);
    expect(paginate([], 700, 0)).toEqual([]);
  });
  it("know the page of a bar", () => {
    const pages = paginate([line(0), line(4), line(8), line(12)], 400, 0);
    expect([0, 7, 8, 15, 99].map((bar) => pageOfBar(pages, bar))).toEqual([0, 0, 1, 1, 0]);
  });
  it("show the top of the next over whole lines of this one and leave its last to be played", () => {
    const page = [0, 200, 400].map((top) => ({ top, height: 190 }));
    expect(coverOf(page, page, 600)).toEqual({ lines: 1, to: 200 });
    expect(
      coverOf(
        [
          { top: 0, height: 300 },
          { top: 310, height: 280 },
        ],
        [
          { top: 0, height: 150 },
          { top: 160, height: 140 },
        ],
        600,
      ),
    ).toEqual({ lines: 2, to: 310 });
    expect(coverOf([{ top: 0, height: 590 }], page, 600)).toBeNull();
  });
  it("are as high as their picture", () => {
    expect(heightOf('<svg viewBox="0 0 2000 500">', 1000)).toBe(250);
  });
});

describe("the stand", () => {
  it("turns by a soft or sostenuto pedal, by the sustaining one only where that is wanted", () => {
    expect([
      turns([0xb0, 67, 127], false),
      turns([0xb3, 66, 64], false),
      turns([0xb0, 64, 127], false),
      turns([0xb0, 64, 127], true),
    ]).toEqual([true, true, false, true]);
    expect([turns([0xb0, 67, 10], false), turns([0x90, 67, 127], false)]).toEqual([false, false]);
  });
  it("tells where in the song it is", () => {
    const sections = [section("Verse", 0, 8), section("Bridge", 8, 4), section("Verse", 12, 8), section("", 20, 2)];
    expect([0, 9, 12, 21, 40].map((bar) => positionOf(sections, bar))).toEqual([
      "Verse, 1 of 2",
      "Bridge",
      "Verse, 2 of 2",
      "The song",
      "",
    ]);
  });
  it("counts by the song's own time, a fermata held", () => {
    const timeline = [
      { tick: 0, ms: 0, pace: 0.5 },
      { tick: 3840, ms: 1920, pace: 1 },
    ];
    expect([0, 1920, 3840, 4840].map((tick) => msAt(timeline, tick))).toEqual([0, 960, 1920, 2920]);
    const bars = [0, 3840].map((tick) => ({ tick, ticks: 3840 }));
    expect(beginsOf({ bars, timeline } as unknown as Arrangement)).toEqual([0, 1920, 5760]);
  });
});

describe("pages that are written", () => {
  const bar = (index: number, chords: [string, number, number][], more = {}) => ({
    index,
    number: index + 1,
    tick: index * 3840,
    ticks: 3840,
    beatTicks: 960,
    round: 1,
    pins: [],
    chords: chords.map(([symbol, tick, ticks]) => ({ symbol, tick: index * 3840 + tick, ticks, degree: "I" })),
    ...more,
  });
  const arrangement = {
    bars: [
      bar(0, [
        ["B♭maj7♯11", 0, 2880],
        ["E♭m7♭5/D♭", 2880, 960],
      ]),
      bar(1, [["C", 0, 3840]], { pins: [{ text: "softly <so>", warning: true }] }),
    ],
  } as unknown as Arrangement;
  const drawn = (degrees: boolean) =>
    chartLine(
      arrangement,
      { first: 0, last: 1, section: "Verse", part: "chart", pass: 2, opens: true, closes: true, turn: 0 },
      4,
      800,
      10,
      (each) => (each.number === 2 ? "harbour lights" : ""),
      degrees,
    ).svg;
  const placesOf = (svg: string) =>
    [...svg.matchAll(/<text x="([\d.]+)" y="[\d.]+" font-size="([\d.]+)" font-weight="600">([^<]*)</g)].map(
      ([, x, size, words]) => ({
        x: Number(x),
        size: Number(size),
        words: words ?? "",
      }),
    );

  it("say the chords, the section with its time, words, degrees and pins, and nothing of them is markup", () => {
    const svg = drawn(true);
    for (const words of ["B♭maj7♯11", "E♭m7♭5/D♭", "Verse, time 2", "harbour lights", ">I<", "! softly &lt;so&gt;"])
      expect(svg).toContain(words);
    expect(drawn(false)).not.toContain(">I<");
  });
  it("keep chords of a bar beside each other and inside of it", () => {
    const [, first, second] = placesOf(drawn(false));
    expect((first?.x ?? 0) + (first?.words.length ?? 0) * 0.56 * (first?.size ?? 0)).toBeLessThanOrEqual(
      second?.x ?? 0,
    );
    expect((second?.x ?? 0) + (second?.words.length ?? 0) * 0.56 * (second?.size ?? 0)).toBeLessThanOrEqual(812 / 4);
  });
  it("draw a section as long as its bars", () => {
    const svg = formLine(section("Bridge", 0, 8, { ms: 65_000, changes: ["3/4"], vamp: true }), 16, 800, 10).svg;
    expect(svg).toContain('width="400"');
    for (const words of ["Bridge", "8 bars", "3/4", "goes round until told", "1:05"]) expect(svg).toContain(words);
    expect([0, 59_600, 61_000, 3_600_000].map(minutes)).toEqual(["0:00", "1:00", "1:01", "60:00"]);
  });
});

describe("choices of the form", () => {
  it("change one thing at a press and are gone where it is as usual", () => {
    const bridge = section("Bridge", 8, 8, { place: 2 });
    const twice = withTimes({ figure: "held", times: ["1@3"] }, bridge, 2);
    expect(twice).toEqual({ figure: "held", times: ["1@3", "2@2"] });
    expect([timesOf(twice, bridge), timesOf(twice, section("A", 0, 8))]).toEqual([2, 3]);
    expect(withTimes(withTimes({}, bridge, 2), bridge, 1)).toEqual({});
    expect(keyUpOf(withKeyUp({}, bridge, 2), bridge)).toBe(2);
    expect(withKeyUp({ keyUp: "2@2" }, bridge, 0)).toEqual({});
    expect(withBreak(withBreak({}, "8@2", true), "8@2", false)).toEqual({});
    expect(open({ tags: 1, intro: "pedal" }, "tags", undefined)).toEqual({ intro: "pedal" });
  });
});

describe("a line on its way into a file", () => {
  const engraved = `<svg viewBox="0 0 2000 500" xmlns="http://www.w3.org/2000/svg"><defs><g id="a"/><g id="b"/></defs><svg class="definition-scale"><g class="system"><g class="measure"><use href="#a"/><text font-family="Times"><tspan font-family="Leipzig" font-size="720px">\uea64</tspan></text></g><g class="measure"><use href="#b"/></g></g></svg></svg>`;
  it("goes in pieces, each with its own signs, accidentals as letters that can be found", () => {
    const pieces = piecesOf(engraved, 800, 200);
    expect(pieces).toHaveLength(2);
    expect(pieces.map((piece) => [...piece.querySelectorAll("use")].map((use) => use.getAttribute("href")))).toEqual([
      ["#a"],
      ["#b"],
    ]);
    expect(pieces[0]?.textContent).toContain("♭");
    expect(pieces[0]?.querySelector("text")?.getAttribute("font-family")).toBe("Zapateo Page");
    expect(pieces[0]?.getAttribute("viewBox")).toBe("0 0 800 200");
  });
});
