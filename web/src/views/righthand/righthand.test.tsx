import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Bar, Figure, Fit, ImprovNotes, RightHand } from "../../api/client";
import { Keyboard } from "../../keyboard/Keyboard";
import { row } from "../../song/rows.fixture";
import type { Sound } from "../../sound/usePlayer";
import { aimsOf, overAt } from "./aims";
import { FitPanel } from "./FitPanel";
import { Hear } from "./Hear";
import { WhatItPlays } from "./WhatItPlays";

const figure = (id: string, name: string, meter: string) =>
  ({
    id,
    name,
    family: "pulse",
    use: `${name}.`,
    meters: [meter],
    hands: ["R"],
    strokes: [
      {
        meter,
        barTicks: 3840,
        beatTicks: 960,
        count: "1",
        strokes: [
          { hand: "R", roles: "c", tick: 0, ticks: 960, mark: "toe", rolled: false, accent: false, length: 960 },
        ],
      },
    ],
  }) as unknown as Figure;

const bars = [{ number: 1 }, { number: 2 }] as Bar[];
const note = (bar: number, tick: number, name: string, kind: Fit["notes"][number]["kind"], avoid = false) => ({
  bar,
  tick,
  ticks: 960,
  midi: 60,
  name,
  kind,
  avoid,
  why: `${name} is so.`,
});
const notes: ImprovNotes = {
  pentatonic: ["C"],
  blues: ["C"],
  chords: [
    {
      bar: 0,
      tick: 0,
      ticks: 1920,
      chord: "C",
      scale: "Ionian",
      notes: [
        { name: "C", chroma: 0, kind: "chord" },
        { name: "E", chroma: 4, kind: "guide" },
        { name: "F", chroma: 5, kind: "avoid" },
      ],
    },
    {
      bar: 0,
      tick: 1920,
      ticks: 1920,
      chord: "G7",
      scale: "Mixolydian",
      notes: [{ name: "B", chroma: 11, kind: "guide" }],
    },
  ],
};

const RIGHT = ["right", "right-section"];
const values = (...all: [id: string, name: string][]) => all.map(([id, name]) => ({ id, name, use: `${name}.` }));
const TABLE = [
  row("style", {
    places: RIGHT,
    usual: "none",
    values: values(["none", "Rests"], ["comping", "Chords"], ["melody", "Melody"], ["improvise", "Chorus"]),
  }),
  row("figure", { places: RIGHT }),
  row("top", {
    name: "top notes",
    places: RIGHT,
    usual: "nearest",
    values: values(["nearest", "nearest"], ["third", "third on top"]),
  }),
  row("under", { places: RIGHT, usual: "alone", values: values(["alone", "Alone"], ["sixths", "Sixths"]) }),
  row("shapes", { places: RIGHT, usual: "each", values: values(["each", "each"], ["held", "one held"]) }),
  row("manner", {
    places: RIGHT,
    usual: "mixed",
    values: values(["mixed", "chord and scale"], ["pentatonic", "five notes"], ["blues", "blues"]),
  }),
  row("unison", { places: ["right"], kind: "yes-no", usual: "false", on: "unison up the chord before a section" }),
];

describe("what the right hand plays", () => {
  const show = (right: RightHand, hasTune = true, section = "", own = false) => {
    const onChange = vi.fn();
    render(
      <WhatItPlays
        table={TABLE}
        right={right}
        figures={[figure("waltz", "On two and three", "3/4"), figure("beats", "Chords on the beats", "4/4")]}
        meter="4/4"
        hasTune={hasTune}
        filled={[2, 4]}
        section={section}
        own={own}
        onOwn={() => undefined}
        onEdit={vi.fn()}
        onBrought={vi.fn()}
        onChange={onChange}
      />,
    );
    return onChange;
  };
  it("offers rhythms, those of the metre first, and keeps what else was chosen", async () => {
    const onChange = show({ style: "comping", top: "third" });
    const cards = screen.getAllByRole("listitem");
    expect(cards[0]?.textContent).toContain("Chords on the beats");
    await userEvent.click(screen.getByRole("button", { name: /^On two and three/ }));
    expect(onChange).toHaveBeenCalledWith({ style: "comping", top: "third", figure: "waltz" });
  });
  it("offers what lies under a melody", async () => {
    const onChange = show({ style: "melody" });
    expect(screen.getByRole("button", { name: /^Alone/ }).getAttribute("aria-pressed")).toBe("true");
    await userEvent.click(screen.getByRole("button", { name: /^Sixths/ }));
    expect(onChange).toHaveBeenCalledWith({ style: "melody", under: "sixths" });
  });
  it("fills rests, others when asked, and lets a bar rest", async () => {
    const onChange = show({ style: "melody", fills: 3, plain: [7] });
    await userEvent.click(screen.getByRole("button", { name: "others" }));
    expect(onChange).toHaveBeenCalledWith({ style: "melody", fills: 4, plain: [7] });
    await userEvent.click(screen.getByRole("button", { name: "4" }));
    expect(onChange).toHaveBeenCalledWith({ style: "melody", fills: 3, plain: [7, 4] });
    await userEvent.click(screen.getByRole("button", { name: "7" }));
    expect(onChange).toHaveBeenCalledWith({ style: "melody", fills: 3, plain: [] });
    await userEvent.click(screen.getByRole("checkbox", { name: /fills/ }));
    expect(onChange).toHaveBeenLastCalledWith({ style: "melody", fills: undefined, plain: [7] });
  });
  it("makes a chorus of five notes", async () => {
    const onChange = show({ style: "improvise" });
    await userEvent.click(screen.getByRole("button", { name: "five notes" }));
    expect(onChange).toHaveBeenCalledWith({ style: "improvise", manner: "pentatonic" });
  });

  it("shows what a chorus is made of", () => {
    show({ style: "improvise", manner: "blues" });
    expect(screen.getByRole("button", { name: "blues" }).getAttribute("aria-pressed")).toBe("true");
  });

  it("improvises another chorus, and the one before again", async () => {
    const onChange = show({ style: "improvise", chorus: 4 });
    await userEvent.click(screen.getByRole("button", { name: "another one" }));
    expect(onChange).toHaveBeenCalledWith({ style: "improvise", chorus: 5 });
    await userEvent.click(screen.getByRole("button", { name: "the one before" }));
    expect(onChange).toHaveBeenCalledWith({ style: "improvise", chorus: 3 });
  });
  it("says how a song without a tune gets one", () => {
    show({ style: "melody" }, false);
    expect(screen.getByText(/Type one under a row of bars/)).toBeTruthy();
  });
});

describe("the fit of the melody", () => {
  it("puts clashes and held fourths first, with their reasons", async () => {
    const onBar = vi.fn();
    const fit: Fit = {
      notes: [
        note(0, 0, "E4", "chord-tone"),
        note(0, 960, "F4", "passing"),
        note(1, 3840, "B♭4", "clash"),
        note(1, 4800, "F4", "added", true),
      ],
      better: [{ bar: 1, tick: 3840, now: "F7", better: "B♭", hits: 3, notes: 4 }],
      same: [{ bar: 0, name: "G4", times: 7 }],
    };
    const onHarmonise = vi.fn();
    const onHymn = vi.fn();
    render(
      <FitPanel fit={fit} bars={bars} selection={[0, 1]} onBar={onBar} onHarmonise={onHarmonise} onHymn={onHymn} />,
    );
    await userEvent.click(screen.getByRole("button", { name: /hymn, in four parts/ }));
    expect(onHymn).toHaveBeenCalledOnce();
    await userEvent.click(screen.getByRole("button", { name: "half a bar" }));
    expect(onHarmonise).toHaveBeenCalledWith("half", "usual");
    expect(screen.getByLabelText("Notes to look at").children).toHaveLength(2);
    expect(screen.getByLabelText("Chords that fit better").textContent).toContain(
      "fits B♭ better than F7: 3 of 4 notes",
    );
    expect(screen.getByText("fourth, held")).toBeTruthy();
    expect(screen.getByText(/stays on G4, 7 times in a row/)).toBeTruthy();
    await userEvent.click(screen.getAllByRole("button", { name: "Bar 2" })[0] as HTMLElement);
    expect(onBar).toHaveBeenCalledWith(1);
  });
  it("has nothing to say about a song without a tune", () => {
    render(
      <FitPanel
        fit={{ notes: [], better: [], same: [] }}
        bars={bars}
        selection={[0, 1]}
        onBar={() => undefined}
        onHarmonise={() => undefined}
        onHymn={() => undefined}
      />,
    );
    expect(screen.getByText(/no tune yet/)).toBeTruthy();
  });
});

describe("notes to improvise on", () => {
  it("are those of the chord that sounds", () => {
    expect(overAt(notes, 0, 0)?.chord).toBe("C");
    expect(overAt(notes, 0, 1920)?.chord).toBe("G7");
    expect(overAt(notes, 3, 99_000)).toBeUndefined();
  });
  it("lie in every octave from C4 to C6 and are told apart by their shapes", () => {
    const over = notes.chords[0];
    if (!over) throw new Error("no chord");
    const aims = aimsOf(over);
    expect(aims.map((aim) => aim.midi)).toEqual([60, 64, 65, 72, 76, 77, 84]);
    const { container } = render(<Keyboard strokes={[]} spanMm={201} aims={aims} />);
    const drawn = ["guide", "chord", "avoid"].map((kind) =>
      container.querySelector(`[data-aim=${kind}]`)?.firstElementChild?.outerHTML.replace(/[\d.]+/g, "#"),
    );
    expect(new Set(drawn).size).toBe(3);
  });
});

it("a hand is muted for the player to take, and comes back as loud as it was", async () => {
  const setVolumes = vi.fn();
  const sound = { volumes: { left: 0.5, right: 0.6, click: 0.2 }, setVolumes } as unknown as Sound;
  const { rerender } = render(<Hear sound={sound} />);
  await userEvent.click(screen.getByRole("button", { name: "right alone" }));
  expect(setVolumes).toHaveBeenCalledWith({ left: 0, right: 0.6, click: 0.2 });
  rerender(<Hear sound={{ ...sound, volumes: { left: 0, right: 0.6, click: 0.2 } }} />);
  expect(screen.getByRole("button", { name: "right alone" }).getAttribute("aria-pressed")).toBe("true");
  await userEvent.click(screen.getByRole("button", { name: "both hands" }));
  expect(setVolumes).toHaveBeenLastCalledWith({ left: 0.8, right: 0.6, click: 0.2 });
});
