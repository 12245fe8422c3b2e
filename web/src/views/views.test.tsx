import { render, screen } from "@testing-library/react";
import type { SongLine } from "../api/client";
import { Chord } from "../ui/Chord";
import { beatSign, keyName, plain } from "../ui/words";
import { pageOf } from "./lefthand/page";
import { byColumn, matches } from "./repertoire/sorting";

const song = (title: string, bpm: number, key = "B♭"): SongLine => ({
  id: title,
  title,
  key,
  meter: "4/4",
  bpm,
  beatTicks: 960,
  feel: "straight",
  bars: 8,
  sections: ["Verse"],
  figureId: "held",
  figure: "Held voicing",
  level: 1,
  version: 1,
  updatedAt: "2026-01-01T00:00:00Z",
});

describe("the repertoire", () => {
  const songs = [song("Pier", 120), song("Quay", 66), song("Anchor", 120)];
  it("sorts numbers by size, then by title", () => {
    expect([...songs].sort(byColumn("bpm", false)).map((each) => each.title)).toEqual(["Quay", "Anchor", "Pier"]);
    expect([...songs].sort(byColumn("bpm", true)).map((each) => each.title)).toEqual(["Anchor", "Pier", "Quay"]);
  });
  it.each([
    ["pier", true],
    ["bb held", true],
    ["VERSE 4/4", true],
    ["pier waltz", false],
    ["", true],
  ])("finds %s: %s", (search, found) => expect(matches(song("Pier", 120), search)).toBe(found));
});

describe("the page of bars that is engraved", () => {
  it("is the selection up to eight bars", () => expect(pageOf([2, 5], 2, 8)).toEqual([2, 5]));
  it("turns with the bar that sounds", () => {
    expect(pageOf([0, 31], 7, 8)).toEqual([0, 7]);
    expect(pageOf([0, 31], 8, 8)).toEqual([8, 15]);
    expect(pageOf([4, 13], 12, 8)).toEqual([12, 13]);
  });
  it("is two bars on a narrow screen", () => expect(pageOf([0, 31], 7, 2)).toEqual([6, 7]));
  it("stays at the start while nothing sounds inside", () => expect(pageOf([4, 20], 0, 8)).toEqual([4, 11]));
});

describe("words", () => {
  it("say keys, beats and numbers as players do", () => {
    expect(keyName("Dm", "minor")).toBe("D minor");
    expect(keyName("E mixolydian", "mixolydian")).toBe("E Mixolydian");
    expect(beatSign(1440)).toBe("dotted quarter");
    expect(plain(92)).toBe("92");
    expect(plain(92.5)).toBe("92.5");
  });
});

describe("a chord symbol", () => {
  it.each(["B♭", "Gm7/B♭", "F♯ø", "A♭maj7", "C°7", "E𝄫", "N.C.", "H??"])("shows every sign of %s", (symbol) => {
    const { container } = render(<Chord symbol={symbol} />);
    expect(container.textContent).toBe(symbol);
  });
  it("raises the quality behind the root", () => {
    render(<Chord symbol="Gm7" />);
    expect(screen.getByText("7")).toHaveClass("text-[0.72em]");
  });
});
