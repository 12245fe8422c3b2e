import { render, screen } from "@testing-library/react";
import { byBar, named, TuneStrip } from "./TuneStrip";

const note = (tick: number, name: string, midi: number, bar = 0) => ({
  bar,
  tick,
  ticks: 480,
  name,
  midi,
  kind: "chord-tone" as const,
  avoid: false,
  why: "",
});

describe("the tune of a bar on the sheet", () => {
  it("is its names in time, higher notes higher, said in one line", () => {
    render(<TuneStrip notes={[note(0, "C5", 72), note(960, "B♭4", 70), note(1920, "G5", 79)]} ticks={3840} />);
    expect(screen.getByText("Tune: C5 B♭4 G5")).toBeTruthy();
    const [c, b, g] = ["C", "B♭", "G"].map((name) => screen.getByText(name, { exact: true }).style);
    expect([c?.left, b?.left, g?.left]).toEqual(["0%", "25%", "50%"]);
    expect(Number.parseFloat(g?.bottom ?? "")).toBeGreaterThan(Number.parseFloat(c?.bottom ?? ""));
    expect(b?.bottom).toBe("4px");
  });
  it("has dots where names would run into each other", () => {
    const run = [0, 240, 480, 720].map((tick) => note(tick, "C5", 72));
    expect(named(run, 3840).map((each) => each.name)).toEqual(["C", "·", "C", "·"]);
  });
  it("is parted by bars as they are played", () => {
    const bars = byBar(
      [note(0, "C5", 72, 0), note(7680, "D5", 74, 2), note(8160, "E5", 76, 2)],
      [{ tick: 0 }, { tick: 3840 }, { tick: 7680 }],
    );
    expect([...bars.keys()]).toEqual([0, 2]);
    expect(bars.get(2)?.map((each) => [each.name, each.tick])).toEqual([
      ["D5", 0],
      ["E5", 480],
    ]);
  });
});
