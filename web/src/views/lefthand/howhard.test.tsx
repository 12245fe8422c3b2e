import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { type Arrangement, api, type Choices, type Part } from "../../api/client";
import { HowHard } from "./HowHard";

const parts = (reach: number, strokes: number[]): Part[] =>
  (["reach", "jumps", "fingers", "rhythm", "together", "reading"] as const).map((id) => ({
    id,
    value: id === "reach" ? reach : 5,
    strokes,
  }));

const arrangement = {
  tempo: { bpm: 120, beatTicks: 960 },
  difficulty: 41,
  parts: parts(30, []),
  maxTempo: 90,
  limits: [{ bar: 1, maxTempo: 90, stroke: 4, why: "The hand jumps 200 mm further than it reaches." }],
  bars: [
    {
      number: 1,
      chords: [{ symbol: "C", tick: 0, ticks: 3840, change: 5, degree: "I" }],
      difficulty: 20,
      maxTempo: 400,
      parts: parts(10, [0, 1]),
    },
    {
      number: 2,
      chords: [{ symbol: "F", tick: 3840, ticks: 3840, change: 55, degree: "IV" }],
      difficulty: 60,
      maxTempo: 90,
      parts: parts(50, [4]),
    },
  ],
} as unknown as Arrangement;

function show(selection: [number, number]) {
  const levels = [1, 2, 3, 4, 5].map((level) => ({
    level,
    name: `Name ${level}`,
    use: `Use ${level}.`,
    difficulty: level * 10,
    maxTempo: 400,
  }));
  const easier = {
    found: true,
    level: 2,
    name: "On the beats",
    before: 60,
    after: 20,
    lost: ["12 of 20 notes are left out."],
    won: ["Difficulty 20 instead of 60."],
  };
  vi.spyOn(api, "POST").mockImplementation((async (url: string) => ({
    data: url.endsWith("/levels") ? levels : url.endsWith("/arrangements") ? arrangement : easier,
    response: { ok: true },
  })) as unknown as typeof api.POST);
  const heard = { onPoint: vi.fn(), onLevel: vi.fn(), onChange: vi.fn() };
  const choices: Choices = { figure: "held" };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <HowHard
        arrangement={arrangement}
        asked={{ chart: "C F", choices, hand: undefined, figures: [] }}
        choices={choices}
        selection={selection}
        scope={{ kind: "song" }}
        level={null}
        bpm={120}
        {...heard}
      />
    </QueryClientProvider>,
  );
  return heard;
}

describe("how hard it is", () => {
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
  });

  it("says it of the whole song and names what is too fast", async () => {
    const heard = show([0, 1]);
    expect(screen.getByText("41")).toBeInTheDocument();
    expect(screen.getByText("Too fast at 120:")).toBeInTheDocument();
    expect(screen.getByText(/Hardest changes:/).parentElement).toHaveTextContent("to F in bar 2, 55.");
    await userEvent.click(screen.getByRole("button", { name: "bar 2, up to 90" }));
    expect(heard.onPoint).toHaveBeenCalledWith([4]);
  });

  it("says it of one bar and points at the notes of a part", async () => {
    const heard = show([0, 0]);
    expect(screen.getByText("20")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: /^Reach/ }));
    expect(heard.onPoint).toHaveBeenCalledWith([0, 1]);
    await userEvent.click(screen.getByRole("button", { name: /^Reach/ }));
    expect(heard.onPoint).toHaveBeenLastCalledWith([]);
  });

  it("offers five measured levels", async () => {
    const heard = show([0, 1]);
    await userEvent.click(await screen.findByRole("button", { name: "Level 3: Name 3, difficulty 30" }));
    expect(heard.onLevel).toHaveBeenCalledWith(3);
  });

  it("makes a bar easier when what is lost is accepted", async () => {
    const heard = show([1, 1]);
    await userEvent.click(screen.getByRole("button", { name: "Make bar 2 easier" }));
    expect(await screen.findByText(/12 of 20 notes/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "take it" }));
    expect(heard.onChange).toHaveBeenCalledWith({ figure: "held", overrides: [{ bars: "2", level: 2 }] });
  });
});
