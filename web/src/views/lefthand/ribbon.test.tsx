import { act, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Bar } from "../../api/client";
import { playing } from "../../sound/playing";
import { Ribbon } from "./Ribbon";

function bars(...sections: string[]): Bar[] {
  return sections.map((section, index) => ({
    index,
    number: index + 1,
    section,
    part: "chart",
    pass: 1,
    round: 1,
    meter: "4/4",
    beatTicks: 960,
    tick: index * 3840,
    ticks: 3840,
    chords: [{ symbol: "C", tick: index * 3840, ticks: 3840, change: 0, degree: "I" }],
    bpm: 100,
    holds: [],
    vamp: null,
    pins: [],
    borrowed: [],
    difficulty: 12,
    parts: [],
    maxTempo: index === 1 ? 90 : 400,
    meeting: null,
    choices: {
      chosen: {},
      figure: "held",
      voicing: "spread",
      register: "deep",
      feel: "straight",
      bassLine: null,
      leadIn: null,
      spice: null,
    },
  }));
}

describe("the ribbon", () => {
  const show = (selection: [number, number] = [0, 4]) => {
    const onSelect = vi.fn();
    render(<Ribbon bpm={100} bars={bars("A", "A", "B", "B", "B")} selection={selection} onSelect={onSelect} />);
    return onSelect;
  };
  it("takes one bar at a click", async () => {
    const onSelect = show();
    await userEvent.click(screen.getByRole("button", { name: "Bar 3: C" }));
    expect(onSelect).toHaveBeenCalledWith(2, 2);
  });
  it("takes a run with Shift", async () => {
    const onSelect = show([1, 1]);
    const user = userEvent.setup();
    await user.keyboard("{Shift>}");
    await user.click(screen.getByRole("button", { name: "Bar 4: C" }));
    expect(onSelect).toHaveBeenCalledWith(1, 3);
  });
  it("takes all of a section at its name, and the whole song again", async () => {
    const onSelect = show([1, 1]);
    await userEvent.click(screen.getByRole("button", { name: "B" }));
    expect(onSelect).toHaveBeenCalledWith(2, 4);
    await userEvent.click(screen.getByRole("button", { name: "all" }));
    expect(onSelect).toHaveBeenCalledWith(0, 4);
  });
  it("shows the bar that sounds, wherever the music is", () => {
    show();
    const third = () => screen.getByRole("button", { name: "Bar 3: C" }).className.includes("bg-wash!");
    expect(third()).toBe(false);
    act(() => playing.move({ playing: true, counting: false, bar: 2, tick: 7680, strokes: [4] }));
    expect(third()).toBe(true);
    act(() => playing.rest());
    expect(third()).toBe(false);
  });
  it("says which bars are taken", () => {
    show([1, 2]);
    expect(screen.getByRole("button", { name: "Bar 2: C" })).toHaveAttribute("aria-pressed", "true");
    expect(screen.getByRole("button", { name: "Bar 4: C" })).toHaveAttribute("aria-pressed", "false");
  });
});
