import { render, screen } from "@testing-library/react";
import type { Colour, Offer } from "../../api/client";
import { choose, isSame, samePlace, withColour, withoutColour } from "./colours";
import { Threads } from "./Threads";

const colour = (bar: number, rule: string, pass?: number): Colour => ({
  bar,
  tick: 0,
  over: ["C"],
  rule,
  variant: "half",
  ...(pass ? { pass } : {}),
});

describe("kept colours", () => {
  it("give way to another on their place", () => {
    const kept = withColour([colour(1, "added-sixth"), colour(3, "two-five")], colour(1, "added-ninth"));
    expect(kept.map((each) => `${each.bar} ${each.rule}`)).toEqual(["1 added-ninth", "3 two-five"]);
  });
  it("stay in the order of the song", () =>
    expect(withColour([colour(3, "two-five")], colour(2, "added-sixth")).map((each) => each.bar)).toEqual([2, 3]));
  it("of different times may lie on one place", () => {
    expect(samePlace(colour(1, "a", 1), colour(1, "b", 2))).toBe(false);
    expect(samePlace(colour(1, "a"), colour(1, "b", 2))).toBe(true);
    expect(withColour([colour(1, "a", 1)], colour(1, "b", 2))).toHaveLength(2);
  });
  it("are dropped one by one", () => {
    const kept = [colour(1, "a"), colour(1, "a", 2)];
    expect(withoutColour(kept, colour(1, "a", 2))).toEqual([colour(1, "a")]);
    expect(isSame(colour(1, "a"), colour(1, "a", 2))).toBe(false);
  });
  it("leave nothing behind when there are none", () => {
    expect(choose({ figure: "held", colours: [colour(1, "a")] }, [])).toEqual({ figure: "held" });
    expect(choose({ figure: "held" }, [colour(1, "a")]).colours).toHaveLength(1);
  });
});

describe("the threads", () => {
  const offer = {
    without: [
      { symbol: "C", keys: [60, 64, 67, 72] },
      { symbol: "Dm", keys: [62, 65, 69, 74] },
    ],
    with: [
      { symbol: "C", keys: [60, 64, 67, 72] },
      { symbol: "C♯°7", keys: [61, 64, 67, 70] },
      { symbol: "Dm", keys: [62, 65, 69, 69] },
    ],
  } as unknown as Offer;
  it("say which voices stay level", () => {
    const { container } = render(<Threads offer={offer} />);
    expect(screen.getByText(/of 8 steps of four voices 2 stay/)).toBeTruthy();
    expect(container.querySelectorAll("path[stroke-dasharray]")).toHaveLength(2);
    expect(container.querySelectorAll("circle")).toHaveLength(12);
  });
});
