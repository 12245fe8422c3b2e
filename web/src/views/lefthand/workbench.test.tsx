import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Arrangement, Choices as Chosen, Figure, Suggested } from "../../api/client";
import { row } from "../../song/rows.fixture";
import type { Row } from "../../song/table";
import { Choices } from "./Choices";
import { Figures } from "./Figures";
import { Lively } from "./Lively";
import { ReadOver } from "./ReadOver";

const figure = (id: string, meters: string[], voicings: { id: string; name: string; use: string }[] = []): Figure => ({
  id,
  name: id,
  family: "hold",
  use: `Use ${id}.`,
  meters,
  feel: ["straight"],
  level: 1,
  minTempo: 40,
  maxTempo: 200,
  chords: 2,
  suits: [],
  accepts: voicings.map((voicing) => voicing.id),
  choices: {
    voicing: { values: voicings.map((voicing) => voicing.id), usual: voicings[0]?.id ?? null },
    register: { values: ["deep", "middle"], usual: "deep" },
    pedal: { values: null, usual: "true" },
  },
  registers: ["deep", "middle"],
  atLevels: ["held", "held", id, id, id],
  hands: ["L"],
  strokes: meters.map((meter) => ({
    meter,
    barTicks: 3840,
    beatTicks: 960,
    count: "1",
    strokes: [
      { hand: "L", roles: "1", tick: 0, ticks: 3840, mark: "heel", rolled: false, accent: false, length: null },
    ],
  })),
  manner: {
    spacing: "open",
    pedal: true,
    lifts: "change",
    line: ["1"],
    cut: "restart",
    roll: "beat",
    bass: true,
    leadIn: null,
    times: "own",
    turns: "chord",
    hasLine: true,
  },
  variations: [],
  version: null,
});

const SUGGESTED: Suggested = {
  figures: [
    {
      figure: "waltz",
      name: "waltz",
      score: 9,
      reasons: ["Written for 3/4.", "Made for straight time."],
      apart: ["The calmest of these here: a stroke every 0.9 s."],
    },
  ],
  common: ["Made for straight time."],
  presets: [
    {
      id: "hymn",
      name: "Hymn",
      use: "To sing to.",
      choices: { figure: "held", voicing: "spread", withBassPlayer: false },
    },
  ],
};

describe("the figures", () => {
  const show = (own: Partial<Figure> = {}, level: number | null = null, heard?: string, chosen = "held") => {
    const onChoose = vi.fn();
    const onEdit = vi.fn();
    const onLevel = vi.fn();
    render(
      <Figures
        figures={[
          figure("held", ["4/4", "3/4"]),
          { ...figure("waltz", ["3/4", "4/4"]), family: "waltz", level: 3 },
          { ...figure("mine", ["4/4"]), version: 1, ...own },
        ]}
        chosen={chosen}
        meter="4/4"
        suggested={SUGGESTED}
        where="bars 5–8"
        level={level}
        heard={heard}
        onChoose={onChoose}
        onLevel={onLevel}
        onEdit={onEdit}
        onFits={vi.fn()}
        onKept={vi.fn()}
      />,
    );
    return { onChoose, onEdit, onLevel };
  };
  it("say what sounds in their place at a level, and which level plays them", async () => {
    const { onLevel } = show({}, 2, "waltz", "mine");
    // What sounds is known of the chosen one; the others say what is usual.
    expect(screen.getByRole("button", { name: /^mine/ })).toHaveTextContent("At level 2 you hear waltz.");
    expect(screen.getByRole("button", { name: /^waltz/ })).toHaveTextContent("At level 2 you hear held.");
    expect(screen.getByRole("button", { name: /^held/ })).not.toHaveTextContent("you hear");
    await userEvent.click(screen.getByRole("button", { name: "level 3 plays it as it is" }));
    expect(onLevel).toHaveBeenCalledWith(3);
  });
  it("say so where no level plays them", async () => {
    const { onLevel } = show({ atLevels: ["held", "held", "held", "held", "held"] }, 4, undefined, "mine");
    await userEvent.click(screen.getByRole("button", { name: "switch the level off to hear it" }));
    expect(onLevel).toHaveBeenCalledWith(null);
  });
  it("are chosen at one press, where the choices go, and can be narrowed to the metre", async () => {
    const { onChoose } = show();
    expect(screen.getByText("for bars 5–8")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: /^waltz/ }));
    expect(onChoose).toHaveBeenCalledWith("waltz");
    await userEvent.click(screen.getByRole("checkbox", { name: "made for 4/4" }));
    expect(screen.queryByRole("button", { name: /^waltz/ })).not.toBeInTheDocument();
  });
  it("are found by name, by family and by level", async () => {
    show();
    await userEvent.type(screen.getByRole("searchbox"), "wal");
    expect(screen.queryByRole("button", { name: /^held/ })).not.toBeInTheDocument();
    await userEvent.clear(screen.getByRole("searchbox"));
    await userEvent.click(screen.getByRole("button", { name: /^Level at most/ }));
    await userEvent.click(screen.getByRole("option", { name: "≤ 2" }));
    expect(screen.queryByRole("button", { name: /^waltz/ })).not.toBeInTheDocument();
    expect(screen.getByRole("button", { name: /^held/ })).toBeInTheDocument();
  });
  it("say which are worth trying, and why", async () => {
    show();
    await userEvent.click(screen.getByRole("button", { name: "worth trying" }));
    expect(screen.getByText("Written for 3/4.")).toBeInTheDocument();
    expect(screen.getByText("All of these: Made for straight time.")).toBeInTheDocument();
    expect(screen.getByText("The calmest of these here: a stroke every 0.9 s.")).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /^held/ })).not.toBeInTheDocument();
  });
  it("are copied when they ship and changed when they are one's own", async () => {
    const { onEdit } = show();
    await userEvent.click(screen.getByRole("button", { name: "change a copy" }));
    expect(onEdit).toHaveBeenLastCalledWith(expect.objectContaining({ id: "held" }), true);
    await userEvent.click(screen.getByRole("button", { name: "my own" }));
    expect(screen.getByRole("button", { name: /^mine/ })).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /^held/ })).not.toBeInTheDocument();
  });
});

const TABLE: Row[] = [
  row("figure", { apart: true, usual: "held" }),
  row("bassLine", {
    name: "bass line",
    open: { id: "open", name: "The figure's own", use: "" },
    values: [{ id: "smooth", name: "Smooth", use: "By inversions." }],
  }),
  row("voicing", {
    values: [{ id: "open-fifth", name: "Open fifth", use: "Leaves the third to the right hand." }],
    open: { id: "open", name: "Usual", use: "" },
    nothing: "This figure spells its chords note by note.",
    falls: "figure",
  }),
  row("withBassPlayer", { name: "bass player", on: "with a bass player", kind: "yes-no", usual: "false" }),
  row("tenths", {
    along: "octaves",
    open: { id: "open", name: "As My hands say", use: "" },
    values: [{ id: "roll", name: "Roll them", use: "From below." }],
  }),
  row("octaves", { apart: true }),
  row("swingRatio", {
    name: "swing, long to short",
    places: ["song"],
    kind: "number",
    open: { id: "open", name: "As the feel", use: "" },
    values: ["1", "1.5"].map((id) => ({ id, name: `${id} to 1`, use: "" })),
  }),
  row("seed", { on: "a little uneven", places: ["song"], kind: "seed" }),
];

describe("the choices", () => {
  const open = { id: "open-fifth", name: "Open fifth", use: "Leaves the third to the right hand." };
  const show = (each: Figure, choices: Chosen = {}, wholeSong = true) => {
    const onChoose = vi.fn();
    const onSong = vi.fn();
    render(
      <Choices
        figure={each}
        choices={choices}
        options={choices}
        own={{}}
        wholeSong={wholeSong}
        feel="swing"
        swingRatio={2.5}
        thereIs={{
          choices: TABLE,
          costs: [{ id: "mud", name: "Mud low down", unit: "each", weight: 6 }],
          spacings: [],
          roles: [],
        }}
        suggested={SUGGESTED}
        onChoose={onChoose}
        onSong={onSong}
      />,
    );
    return { onChoose, onSong };
  };
  it("name the usual voicing and let another be taken", async () => {
    const { onChoose } = show(figure("held", ["4/4"], [open]));
    await userEvent.click(screen.getByRole("button", { name: "Voicing: Usual: Open fifth" }));
    await userEvent.click(screen.getByRole("option", { name: "Open fifth" }));
    expect(onChoose).toHaveBeenCalledWith({ voicing: "open-fifth" });
  });
  it("are closed where the figure has its own notes", () => {
    show(figure("alberti", ["4/4"]));
    expect(screen.getByRole("button", { name: /Voicing/ })).toBeDisabled();
    expect(screen.getByRole("button", { name: "Swing, long to short: As the feel: 2.5 to 1" })).toBeEnabled();
  });
  it("set several things for an occasion and say which", async () => {
    const { onChoose } = show(figure("held", ["4/4"], [open]));
    await userEvent.click(screen.getByRole("button", { name: /Set for an occasion/ }));
    expect(screen.getByText("sets figure held, voicing spread, bass player no")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("menuitem", { name: /Hymn/ }));
    expect(onChoose).toHaveBeenCalledWith(SUGGESTED.presets[0]?.choices);
  });
  it("take a bass line, and the bass player", async () => {
    const { onChoose } = show(figure("held", ["4/4"], [open]));
    await userEvent.click(screen.getByRole("button", { name: /^Bass line/ }));
    await userEvent.click(screen.getByRole("option", { name: "Smooth" }));
    expect(onChoose).toHaveBeenCalledWith({ bassLine: "smooth" });
    await userEvent.click(screen.getByRole("checkbox", { name: "with a bass player" }));
    expect(onChoose).toHaveBeenLastCalledWith({ withBassPlayer: true });
  });
  it("take a number, a seed, and what is chosen alike", async () => {
    const { onChoose, onSong } = show(figure("held", ["4/4"], [open]));
    await userEvent.click(screen.getByRole("button", { name: /^Swing/ }));
    await userEvent.click(screen.getByRole("option", { name: "1.5 to 1" }));
    expect(onSong).toHaveBeenLastCalledWith({ swingRatio: 1.5 });
    await userEvent.click(screen.getByRole("checkbox", { name: "a little uneven" }));
    expect(onSong).toHaveBeenLastCalledWith({ seed: 1 });
    await userEvent.click(screen.getByRole("button", { name: /^Tenths/ }));
    await userEvent.click(screen.getByRole("option", { name: "Roll them" }));
    expect(onChoose).toHaveBeenLastCalledWith({ tenths: "roll", octaves: "roll" });
  });
  it("weigh the costs, and keep what is for the whole song to the whole song", async () => {
    const { onSong } = show(figure("held", ["4/4"], [open]));
    await userEvent.click(screen.getByText("What counts"));
    fireEvent.change(screen.getByRole("slider", { name: /Mud low down/ }), { target: { value: "2" } });
    expect(onSong).toHaveBeenCalledWith({ costs: { mud: 2 } });
    cleanup();
    show(figure("held", ["4/4"], [open]), {}, false);
    expect(screen.queryByText("What counts")).not.toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /^Swing/ })).not.toBeInTheDocument();
  });
});

describe("read over", () => {
  const fault = (bar: number, waved = false) => ({
    id: "L2",
    bar,
    number: bar + 1,
    strokes: [bar],
    found: `C2 and E2 struck together are mud in bar ${bar + 1}.`,
    better: "Spread them.",
    waved,
    repair: undefined as { choice: string; value: string; text: string } | undefined,
  });
  const show = (faults: ReturnType<typeof fault>[], choices: Chosen = {}) => {
    const [onBar, onPoint, onChange] = [vi.fn(), vi.fn(), vi.fn()];
    render(
      <ReadOver
        table={TABLE}
        read={{ bars: 8, faults }}
        error={null}
        choices={choices}
        onBar={onBar}
        onPoint={onPoint}
        onChange={onChange}
      />,
    );
    return { onBar, onPoint, onChange };
  };
  it("shows a doubtful bar with its notes", async () => {
    const { onBar, onPoint } = show([fault(4), fault(1)]);
    expect(screen.getByText(/would mark 2 places in 8 bars/)).toBeVisible();
    expect(screen.getAllByRole("listitem").map((each) => each.textContent?.slice(0, 6))).toEqual(["Bar 2.", "Bar 5."]);
    await userEvent.click(screen.getByRole("button", { name: /mud in bar 5/ }));
    expect(onBar).toHaveBeenCalledWith(4);
    expect(onPoint).toHaveBeenCalledWith([4]);
  });
  it("waves off what is meant so, and takes it back", async () => {
    const { onChange } = show([fault(4)], { figure: "held" });
    await userEvent.click(screen.getByRole("button", { name: "Bar 5 is meant so" }));
    expect(onChange).toHaveBeenCalledWith({ figure: "held", wavedOff: ["L2@5"] });
    cleanup();
    const again = show([fault(4, true)], { figure: "held", wavedOff: ["L2@5"] });
    expect(screen.getByText(/marks nothing/)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "bar 5" }));
    expect(again.onChange).toHaveBeenCalledWith({ figure: "held" });
  });
  it("offers what mends a bar and puts it into that bar", async () => {
    const mended = {
      ...fault(4),
      repair: { choice: "voicing", value: "close", text: "In this bar voicing: Close triad" },
    };
    const { onChange } = show([mended], { figure: "held" });
    await userEvent.click(screen.getByRole("button", { name: "Mend bar 5: In this bar voicing: Close triad" }));
    expect(onChange).toHaveBeenCalledWith({ figure: "held", overrides: [{ bars: "5", voicing: "close" }] });
    cleanup();
    const locked = show([{ ...fault(4), repair: { choice: "locks", value: "", text: "Let go what is locked" } }], {
      locks: [
        { bar: 5, bass: "F1" },
        { bar: 6, bass: "G2" },
      ] as Chosen["locks"],
    });
    await userEvent.click(screen.getByRole("button", { name: /Mend bar 5/ }));
    expect(locked.onChange).toHaveBeenCalledWith({ locks: [{ bar: 6, bass: "G2" }] });
  });
});

describe("Lively", () => {
  const bars = [
    { number: 7, choices: {} },
    { number: 8, choices: { spice: { id: "walk-up", name: "walk-up", use: "steps into the next section" } } },
  ] as unknown as Arrangement["bars"];
  const show = (choices: Chosen) => {
    const onChange = vi.fn();
    render(<Lively bars={bars} selection={[0, 1]} choices={choices} onChange={onChange} />);
    return onChange;
  };

  it("says what is played otherwise, keeps it or leaves it plain at a press", async () => {
    const onChange = show({ liveliness: "some" });
    expect(screen.getByRole("listitem").textContent).toContain("Bar 8: walk-up – steps into the next section.");
    await userEvent.click(screen.getByRole("button", { name: "keep it" }));
    expect(onChange).toHaveBeenLastCalledWith({ liveliness: "some", spices: ["walk-up@8"] });
    await userEvent.click(screen.getByRole("button", { name: "leave it plain" }));
    expect(onChange).toHaveBeenLastCalledWith({ liveliness: "some", spices: ["plain@8"] });
  });

  it("lets go what was kept", async () => {
    const onChange = show({ spices: ["walk-up@8", "plain@3"] });
    await userEvent.click(screen.getByRole("button", { name: "let it go" }));
    expect(onChange).toHaveBeenLastCalledWith({ spices: ["plain@3"] });
  });

  it("gives a plain bar back", async () => {
    const onChange = show({ spices: ["plain@7"] });
    await userEvent.click(screen.getByRole("button", { name: "let it be lively" }));
    expect(onChange).toHaveBeenLastCalledWith({});
  });
});
