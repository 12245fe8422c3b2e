import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Outlet, Route, Routes } from "react-router";
import { type Arrangement, api, type ChartView, type WrittenBar, type WrittenChord } from "../../api/client";
import { OpenSongContext, SoundContext } from "../../song/desk";
import type { Draft } from "../../song/draft";
import type { Make } from "../../song/openDraft";
import type { OpenSong } from "../../song/openSong";
import type { Sound } from "../../sound/usePlayer";
import { Chart } from "./Chart";
import { DegreeWalk } from "./DegreeWalk";
import { rowsOf, writtenRun } from "./useSheet";

function chord(symbol: string, tick = 0, ticks = 3840, more: Partial<WrittenChord> = {}): WrittenChord {
  return {
    symbol,
    beat: 1 + tick / 960,
    beats: ticks / 960,
    tick,
    ticks,
    degree: "I",
    numbers: "1",
    role: "own",
    above: 0,
    tones: ["C", "E", "G"],
    bass: "C",
    early: false,
    held: false,
    common: [],
    movement: null,
    otherName: null,
    respelled: null,
    ...more,
  };
}

function bar(index: number, chords: WrittenChord[], more: Partial<WrittenBar> = {}): WrittenBar {
  return {
    bar: index,
    number: index + 1,
    meter: "4/4",
    ticks: 3840,
    cut: false,
    beatTicks: 960,
    played: [index],
    place: { line: 1 + Math.floor(index / 4), column: 3 + (index % 4) * 6, length: 1 },
    text: chords.map((each) => each.symbol).join(" "),
    key: null,
    bpm: null,
    opens: false,
    endings: [],
    closes: null,
    pins: [],
    words: [],
    tune: false,
    guessed: false,
    chords,
    ...more,
  };
}

function chartOf(...sections: { name: string; again?: number; bars: WrittenBar[] }[]): ChartView {
  let first = 0;
  return {
    title: "Test",
    key: "C",
    keyGiven: true,
    mode: "major",
    keys: [
      { key: "C", mode: "major", confidence: 0.8 },
      { key: "Am", mode: "minor", confidence: 0.1 },
    ],
    regions: [{ key: "C", mode: "major", bar: 0, number: 1 }],
    meter: "4/4",
    tempo: { bpm: 100, beatTicks: 960 },
    feel: "straight",
    form: [],
    hasTune: false,
    sections: [],
    written: sections.map((section) => {
      const at = first;
      first += section.bars.length;
      return {
        name: section.name,
        again: section.again ?? null,
        firstBar: at,
        bars: section.bars,
      } as ChartView["written"][number];
    }),
    problems: [],
  };
}

function arrangementOf(bars: number): Arrangement {
  return {
    bars: Array.from({ length: bars }, (_, index) => ({ index, chords: [], borrowed: [] })),
    strokes: [],
    pedal: [],
  } as unknown as Arrangement;
}

type Call = { url: string; body: { text: string; edit?: unknown } };

/** The chart view on a desk of its own; edits are answered with a text that names them. */
function open(chart: ChartView, text: string, selection: [number, number] = [0, 99]) {
  const calls: Call[] = [];
  const changes: string[] = [];
  const draft = { chart: text, choices: {}, others: [] };
  vi.spyOn(api, "POST").mockImplementation((async (
    url: string,
    { body }: { body: Call["body"] & { semitones?: number } },
  ) => {
    calls.push({ url, body });
    return {
      data: { text: `edited ${JSON.stringify(body.edit ?? body.semitones)}`, key: "D", semitones: 2 },
      response: new Response(),
    };
  }) as unknown as typeof api.POST);
  const bars = chart.written.flatMap((section) => section.bars).length;
  const desk = {
    draft,
    change: ({ chart: next }: { chart: string }) => changes.push(next),
    edit: async (make: Make) => {
      const next = await make(draft as unknown as Draft);
      if (next?.chart !== undefined) changes.push(next.chart);
    },
  };
  const taken = selection[1] === 99 ? [0, bars - 1] : selection;
  const song = {
    state: {
      desk,
      chart,
      chartError: null,
      arrangement: arrangementOf(bars),
      selection: taken,
      trial: null,
      doubles: "thirds",
    },
    subscribe: () => () => undefined,
    select: vi.fn(),
    setTrial: vi.fn(),
    setShown: vi.fn(),
    setDoubles: vi.fn(),
  } as unknown as OpenSong;
  const sound = { toggle: vi.fn() } as unknown as Sound;
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Routes>
          <Route
            element={
              <OpenSongContext value={song}>
                <SoundContext value={sound}>
                  <Outlet />
                </SoundContext>
              </OpenSongContext>
            }
          >
            <Route path="/" element={<Chart />} />
          </Route>
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return { calls, changes, song, sound };
}

const FOUR = () =>
  chartOf({
    name: "A",
    bars: [bar(0, [chord("C")]), bar(1, [chord("F")]), bar(2, [chord("G7")]), bar(3, [chord("C")])],
  });

afterEach(() => vi.restoreAllMocks());

describe("rows of the sheet", () => {
  const bars = (lines: number[]) =>
    lines.map((line, index) => bar(index, [chord("C")], { place: { line, column: 1, length: 1 } }));
  it("follow the lines of the text", () =>
    expect(rowsOf(bars([1, 1, 1, 2, 2, 2])).map((row) => row.length)).toEqual([3, 3]));
  it("break a long line in fours", () =>
    expect(rowsOf(bars(Array(10).fill(1))).map((row) => row.length)).toEqual([4, 4, 2]));
  it("put a column of single bars in fours", () =>
    expect(rowsOf(bars([1, 2, 3, 4, 5])).map((row) => row.length)).toEqual([4, 1]));
  it("are none for a section played again as it was", () => expect(rowsOf([])).toEqual([]));
});

describe("written bars of a played run", () => {
  const bars = [
    bar(0, [chord("C")], { played: [0, 2] }),
    bar(1, [chord("F")], { played: [1, 3] }),
    bar(2, [chord("G")], { played: [] }),
  ];
  it("are found in every round", () => {
    expect(writtenRun(bars, [2, 2])).toEqual([0, 0]);
    expect(writtenRun(bars, [1, 2])).toEqual([0, 1]);
  });
  it("are none for bars that are never played", () => expect(writtenRun(bars, [9, 9])).toBeNull());
});

describe("the sheet", () => {
  it("shows repeats, endings, signs, pins, words and what is guessed", () => {
    open(
      chartOf(
        {
          name: "A",
          bars: [
            bar(0, [chord("C")], { opens: true, words: ["night boat"], number: 0, cut: true }),
            bar(1, [chord("F7", 0, 3840, { early: true, held: true })], {
              endings: [1],
              closes: { times: 3, vamp: false },
              pins: [{ text: "mind", warning: true }],
            }),
            bar(2, [chord("G")], { endings: [2], key: "E♭", bpm: 120, guessed: true }),
          ],
        },
        { name: "A", again: 0, bars: [] },
      ),
      "text",
    );
    expect(screen.getByText("night boat")).toBeVisible();
    expect(screen.getByText("! mind")).toBeVisible();
    expect(screen.getByText(/×3/)).toBeVisible();
    expect(screen.getByText(/key E♭/)).toHaveTextContent("tempo 120");
    expect(screen.getByText("1.")).toBeVisible();
    expect(screen.getByText("2.")).toBeVisible();
    expect(screen.getByText("A once more")).toBeVisible();
    expect(screen.getByLabelText("fermata")).toBeVisible();
    expect(screen.getByText("1 guessed bar")).toBeVisible();
    expect(screen.getByText(/pick-up/)).toBeVisible();
  });

  it("tells a found key with its runner-up and how sure it is", () => {
    open({ ...FOUR(), keyGiven: false }, "text");
    expect(screen.getByText(/C major, found from the chords \(80 % sure; else A minor\)/)).toBeVisible();
  });

  it("hides the words and changes the degrees as wanted", async () => {
    const chart = chartOf({
      name: "A",
      bars: [bar(0, [chord("Dm", 0, 3840, { degree: "ii", numbers: "2m" })], { words: ["night"] })],
    });
    open(chart, "text");
    await userEvent.click(screen.getByLabelText("words"));
    expect(screen.queryByText("night")).toBeNull();
    await userEvent.selectOptions(screen.getByRole("combobox"), "numbers");
    expect(within(screen.getByRole("button", { name: "Bar 1: Dm" })).getByText("2m")).toBeVisible();
    await userEvent.selectOptions(screen.getByRole("combobox"), "none");
    expect(within(screen.getByRole("button", { name: "Bar 1: Dm" })).queryByText("2m")).toBeNull();
  });

  it("chooses a bar by a click and a run by a click with Shift, for playing too", async () => {
    const { song } = open(FOUR(), "text");
    const user = userEvent.setup();
    await user.click(screen.getByRole("button", { name: "Bar 2: F" }));
    expect(song.select).toHaveBeenLastCalledWith(1, 1);
    await user.keyboard("{Shift>}");
    await user.click(screen.getByRole("button", { name: "Bar 4: C" }));
    expect(song.select).toHaveBeenLastCalledWith(1, 3);
    expect(screen.getByRole("heading", { name: "Bars 2–4" })).toBeVisible();
  });
});

describe("keys on the sheet", () => {
  const press = async (keys: string, name = "Bar 2: F") => {
    const opened = open(FOUR(), "text");
    await userEvent.click(screen.getByRole("button", { name }));
    await userEvent.keyboard(keys);
    await vi.waitFor(() => expect(opened.calls.length).toBeGreaterThan(0));
    return opened.calls[0]?.body.edit;
  };
  it.each([
    ["{Delete}", { kind: "delete", bar: 1, to: 1 }],
    ["{Backspace}", { kind: "delete", bar: 1, to: 1 }],
    ["{Insert}", { kind: "insert", bar: 1, content: "" }],
    ["{Control>}d{/Control}", { kind: "copy", bar: 1, to: 1, before: 2 }],
    ["{Alt>}{ArrowLeft}{/Alt}", { kind: "move", bar: 1, to: 1, before: 0 }],
    ["{Alt>}{ArrowRight}{/Alt}", { kind: "move", bar: 1, to: 1, before: 3 }],
    ["j", { kind: "join", bar: 1 }],
    [".", { kind: "moveChord", bar: 1, chord: 0, beat: 1 }],
    ["Am7{Enter}", { kind: "set", bar: 1, content: "Am7" }],
    ["{Enter}{End} G{Tab}", { kind: "set", bar: 1, content: "F G" }],
    ["{Control>}x{/Control}", { kind: "delete", bar: 1, to: 1 }],
    ["{Control>}c{/Control}{Control>}v{/Control}", { kind: "insert", bar: 2, content: "F" }],
  ])("%s", async (keys, edit) => expect(await press(keys)).toEqual(edit));

  it("Escape leaves a bar as it was", async () => {
    const { calls } = open(FOUR(), "text");
    await userEvent.click(screen.getByRole("button", { name: "Bar 2: F" }));
    await userEvent.keyboard("Am7{Escape}");
    expect(screen.getByRole("button", { name: "Bar 2: F" })).toBeVisible();
    expect(calls).toHaveLength(0);
  });

  it("a bracket transposes without a chosen bar", async () => {
    const { calls, changes } = open(FOUR(), "text");
    fireEvent.keyDown(document.body, { key: "]" });
    await vi.waitFor(() => expect(changes).toEqual(["edited 1"]));
    expect(calls[0]?.url).toBe("/api/charts/transpose");
  });

  it("rest while the text is typed in", async () => {
    const { calls, changes } = open(FOUR(), "text");
    await userEvent.click(screen.getByRole("button", { name: "Bar 2: F" }));
    fireEvent.keyDown(screen.getByRole("textbox", { name: "Chart text" }), { key: "Delete" });
    expect(calls).toHaveLength(0);
    await userEvent.type(screen.getByRole("textbox", { name: "Chart text" }), "x");
    expect(changes).toEqual(["textx"]);
  });
});

describe("the chosen chord", () => {
  const one = (more: Partial<WrittenChord>) => chartOf({ name: "", bars: [bar(0, [chord("F/G", 0, 3840, more)])] });
  it("says what it is, what each hand has, its other name and what comes next", async () => {
    open(
      one({
        degree: "IV/2",
        numbers: "4/2",
        tones: ["F", "A", "C"],
        bass: "G",
        otherName: "G9sus4no5",
        common: ["C"],
        movement: 3,
      }),
      "F/G",
    );
    await userEvent.click(screen.getByRole("button", { name: "Bar 1: F/G" }));
    const facts = screen.getByLabelText("The chosen bar");
    expect(facts).toHaveTextContent("is IV/2 (4/2), of the key: F A C.");
    expect(facts).toHaveTextContent("Left hand G alone, right hand F A C.");
    expect(facts).toHaveTextContent("Also called G9sus4no5");
    expect(facts).toHaveTextContent("Shares C with the next chord; its voices move 3 semitones.");
  });

  it("offers the key's own spelling", async () => {
    const { calls } = open(one({ respelled: "E♭" }), "D♯");
    await userEvent.click(screen.getByRole("button", { name: "Bar 1: F/G" }));
    await userEvent.click(screen.getByRole("button", { name: "Write it so" }));
    await vi.waitFor(() =>
      expect(calls[0]?.body.edit).toEqual({ kind: "replaceChords", changes: [{ bar: 0, chord: 0, symbol: "E♭" }] }),
    );
  });

  it("can be spelled without double flats", async () => {
    const { song } = open(one({ tones: ["E♭", "G♭", "B𝄫", "D𝄫"] }), "E♭°7");
    await userEvent.click(screen.getByRole("button", { name: "Bar 1: F/G" }));
    await userEvent.click(screen.getByRole("button", { name: "Write double flats and sharps simply" }));
    expect(song.setDoubles).toHaveBeenCalledWith("simple");
  });

  it("is told to be chosen when none is", () => {
    open(FOUR(), "text");
    expect(screen.getByLabelText("The chosen bar")).toHaveTextContent("Choose a bar on the sheet");
  });
});

describe("the walk of the degrees", () => {
  it("has a plank for each chord, marks what is not the key's own, and chooses a bar", async () => {
    const choose = vi.fn();
    const chart = chartOf({
      name: "A",
      bars: [
        bar(0, [chord("C", 0, 1920), chord("D♭7", 1920, 1920, { above: 1, role: "flat-second" })]),
        bar(1, [chord("N.C.", 0, 3840, { above: null, role: "" })]),
      ],
    });
    render(<DegreeWalk chart={chart} chosen={[0, 0]} playing={-1} onBar={choose} />);
    const walk = screen.getByRole("img", { name: /through 2 bars; 1 of 2 chords are not the key's own/ });
    const plank = within(walk).getByText("D♭7, I").closest("rect") as Element;
    fireEvent.click(plank);
    expect(choose).toHaveBeenCalledWith(0);
  });
});
