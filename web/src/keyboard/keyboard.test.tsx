import { render, screen } from "@testing-library/react";
import { centre, keyAt, keys } from "./geometry";
import { Keyboard } from "./Keyboard";

describe("the keyboard's measures", () => {
  /** HANDBOOK §8: an octave is 164.5 mm, D♭–F a tenth up 225.6, C–E 211.5. */
  it.each([
    [48, 60, 164.5],
    [36, 52, 211.5],
    [37, 53, 225.6],
    [44, 60, 223.2],
  ])("from %i to %i are %f mm", (low, high, mm) => {
    expect(Math.abs(centre(high, 24) - centre(low, 24) - mm)).toBeLessThan(0.06);
  });
  it("puts black keys last so that they lie over the white ones", () => {
    const all = keys(24, 84);
    expect(all).toHaveLength(61);
    expect(all.findIndex((key) => key.black)).toBe(36);
  });
  it("makes white keys 23.5 mm wide", () => expect(keyAt(60, 24).width).toBe(23.5));
});

describe("the keyboard", () => {
  it("names what sounds, by hand", () => {
    const note = (midi: number, name: string) => ({ midi, name, role: "1", delayTicks: 0, velocity: 66, finger: null });
    render(
      <Keyboard
        spanMm={201}
        strokes={[
          {
            hand: "L",
            bar: 0,
            tick: 0,
            ticks: 960,
            written: { tick: 0, ticks: 960 },
            mark: "heel",
            accent: false,
            stretchMm: 164.5,
            ease: "stretch",
            altered: null,
            rolled: null,
            id: "",
            origin: "figure",
            chordTick: 0,
            until: 960,
            reason: 0,
            notes: [note(36, "C2"), note(48, "C3")],
          },
        ]}
      />,
    );
    expect(screen.getByRole("img", { name: "Keyboard: C2, left hand; C3, left hand" })).toBeInTheDocument();
    expect(screen.getByText("164.5 mm of 201 – a stretch")).toBeInTheDocument();
  });
});
