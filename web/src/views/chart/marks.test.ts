import type { Problem } from "../../api/client";
import { offsetOf, pieces } from "./marks";

function problem(line: number | null, column: number | null, length: number, code = "x"): Problem {
  return { severity: "error", code, line, column, length, found: "", expected: "", message: "" };
}

describe("places in a chart", () => {
  it("count lines of every ending", () => {
    const text = "Title: A\r\n| C |\r| H |\n| x |";
    expect(text.slice(offsetOf(text, 3, 3), offsetOf(text, 3, 3) + 1)).toBe("H");
    expect(text.slice(offsetOf(text, 4, 3), offsetOf(text, 4, 3) + 1)).toBe("x");
  });
  it("never leave the text", () => expect(offsetOf("C", 9, 9)).toBe(1));
  it("count an emoji as editors do", () => {
    const text = "🎹 H";
    expect(text.slice(offsetOf(text, 1, 4))).toBe("H");
  });
});

describe("pieces", () => {
  it("cut the text at its problems and lose nothing", () => {
    const text = "| C | H | C13 |";
    const cut = pieces(text, [problem(1, 11, 3), problem(1, 7, 1)]);
    expect(cut.map((piece) => piece.text).join("")).toBe(text);
    expect(cut.filter((piece) => piece.problem).map((piece) => piece.text)).toEqual(["H", "C13"]);
  });
  it("show the first of two that overlap and pass over those without a place", () => {
    const cut = pieces("| C F G |", [problem(1, 3, 5, "outer"), problem(1, 5, 1, "inner"), problem(null, null, 0)]);
    expect(cut.filter((piece) => piece.problem).map((piece) => piece.problem?.code)).toEqual(["outer"]);
  });
});
