import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Bar, Figure } from "../../api/client";
import { Choices } from "./Choices";
import { Figures } from "./Figures";
import { Ribbon } from "./Ribbon";

function bars(...sections: string[]): Bar[] {
  return sections.map((section, index) => ({
    index,
    number: index + 1,
    section,
    pass: 1,
    meter: "4/4",
    beatTicks: 960,
    tick: index * 3840,
    ticks: 3840,
    chords: [{ symbol: "C", tick: index * 3840, ticks: 3840, degree: "I" }],
    bpm: 100,
    holds: [],
    vamp: null,
    pins: [],
    difficulty: null,
    maxTempo: null,
  }));
}

const figure = (id: string, meters: string[], voicings: { id: string; name: string }[] = []): Figure => ({
  id,
  name: id,
  family: "hold",
  use: `Use ${id}.`,
  meters,
  feel: ["straight"],
  level: 1,
  minTempo: 40,
  maxTempo: 200,
  accepts: voicings.map((voicing) => voicing.id),
  voicings,
  registers: ["deep", "middle"],
  hands: ["L"],
  strokes: meters.map((meter) => ({
    meter,
    barTicks: 3840,
    beatTicks: 960,
    strokes: [{ roles: "1", tick: 0, ticks: 3840, mark: "heel" }],
  })),
});

describe("the ribbon", () => {
  const show = (selection: [number, number] = [0, 4]) => {
    const onSelect = vi.fn();
    render(<Ribbon bars={bars("A", "A", "B", "B", "B")} selection={selection} onSelect={onSelect} playing={-1} />);
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
  it("says which bars are taken", () => {
    show([1, 2]);
    expect(screen.getByRole("button", { name: "Bar 2: C" })).toHaveAttribute("aria-pressed", "true");
    expect(screen.getByRole("button", { name: "Bar 4: C" })).toHaveAttribute("aria-pressed", "false");
  });
});

describe("the figures", () => {
  it("are chosen at one press and can be narrowed to the metre", async () => {
    const onChoose = vi.fn();
    render(
      <Figures figures={[figure("held", ["4/4", "3/4"]), figure("waltz", ["3/4", "4/4"])]} chosen="held" meter="4/4" onChoose={onChoose} />,
    );
    await userEvent.click(screen.getByRole("button", { name: /waltz/ }));
    expect(onChoose).toHaveBeenCalledWith("waltz");
    await userEvent.click(screen.getByRole("checkbox", { name: "made for 4/4" }));
    expect(screen.queryByRole("button", { name: /waltz/ })).not.toBeInTheDocument();
  });
});

describe("the choices", () => {
  const open = { id: "open-fifth", name: "Open fifth" };
  it("name the usual voicing and let another be taken", async () => {
    const onChoose = vi.fn();
    render(<Choices figure={figure("held", ["4/4"], [open])} choices={{}} feel="straight" swingRatio={1} onChoose={onChoose} />);
    await userEvent.click(screen.getByRole("button", { name: "Voicing: Usual: Open fifth" }));
    await userEvent.click(screen.getByRole("option", { name: "Open fifth" }));
    expect(onChoose).toHaveBeenCalledWith({ voicing: "open-fifth" });
  });
  it("are closed where the figure has its own notes", () => {
    render(<Choices figure={figure("alberti", ["4/4"])} choices={{}} feel="swing" swingRatio={2.5} onChoose={vi.fn()} />);
    expect(screen.getByRole("button", { name: /Voicing/ })).toBeDisabled();
    expect(screen.getByRole("button", { name: "Swing, long to short: As the feel: 2.5 to 1" })).toBeEnabled();
  });
});
