import { describe, expect, it } from "vitest";
import type { SingersKeyView } from "../../api/client";
import { fitOf } from "./SingersKey";

const KEY: SingersKeyView = {
  key: "E♭",
  semitones: 3,
  part: "E♭",
  octaves: 0,
  inside: 1,
  beyond: 0,
  onTurn: 0,
  lowest: "B♭3",
  highest: "E♭5",
  reached: true,
  difficulty: 12.4,
};

describe("a singer's key in words", () => {
  it("says how much sits well, where, and how it plays", () => {
    expect(fitOf(KEY)).toBe("all of it sits well, B♭3 to E♭5; 3 up; difficulty 12");
  });
  it("names the octave, what is beyond reach and the part", () => {
    expect(fitOf({ ...KEY, semitones: 0, octaves: -1, inside: 0.874, reached: false, part: "F" })).toBe(
      "87 % sits well, B♭3 to E♭5, an octave lower, beyond reach; where it is; difficulty 12; the part is in F",
    );
    expect(fitOf({ ...KEY, semitones: -2, octaves: -2 })).toContain("two octaves lower; 2 down");
  });
});
