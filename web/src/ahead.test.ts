import { openAhead } from "./ahead";
import { songAsked } from "./api/asking";
import { queries } from "./api/cache";
import { api } from "./api/client";
import { wakeEngraver } from "./score/engraver";
import { leaving } from "./song/draft";

vi.mock("./score/engraver", () => ({ wakeEngraver: vi.fn(), firstDrawn: Promise.resolve() }));

const BAR = { tick: 0, ticks: 3840, chords: [], choices: { figure: "held" } };
const SONG = { id: "s", chart: "C F", choices: { figure: "held" }, arrangement: "Left hand", others: [], version: 1 };
const ANSWERS: Record<string, unknown> = {
  "/api/songs/{id}": SONG,
  "/api/hands": [{ inUse: true, measures: { left: { spanMm: 190 } } }],
  "/api/charts/parse": { written: [] },
  "/api/arrangements": {
    bars: [0, 1, 2, 3, 4, 5].map((index) => ({ ...BAR, index })),
    pedal: [],
    tempo: { bpm: 100 },
    strokes: [],
    marks: "",
    velocities: [],
  },
  "/api/arrangements/score": "<score-partwise/>",
};
let asked: string[] = [];
let bodies: { chart?: string; hand?: unknown }[] = [];

beforeEach(() => {
  asked = [];
  bodies = [];
  queries.clear();
  localStorage.clear();
  leaving.clear();
  vi.mocked(wakeEngraver).mockClear();
  const answer = async (
    path: string,
    options?: { params?: { query?: { bars?: string } }; body?: { chart?: string } },
  ) => {
    asked.push(`${path} ${options?.params?.query?.bars ?? ""}`.trim());
    if (options?.body) bodies.push(options.body);
    return { data: ANSWERS[path], response: new Response() };
  };
  vi.spyOn(api, "GET").mockImplementation(answer as never);
  vi.spyOn(api, "POST").mockImplementation(answer as never);
});

afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

it("sends for all that the left hand's page will ask for, and the page finds it", async () => {
  openAhead("s", "left-hand", "?bars=2-3");
  await vi.waitFor(() => expect(asked).toHaveLength(5));
  expect(asked).toEqual([
    "/api/songs/{id}",
    "/api/hands",
    "/api/charts/parse",
    "/api/arrangements 0-191",
    "/api/arrangements/score 1-2",
  ]);
  expect(bodies.at(-1)).toMatchObject({ chart: "C F", choices: { figure: "held" }, hand: { left: { spanMm: 190 } } });
  expect(wakeEngraver).toHaveBeenCalled();
  expect(await songAsked("s")).toEqual(SONG);
  expect(asked).toHaveLength(5);
  await songAsked("s");
  expect(asked, "given out once").toHaveLength(6);
});

it("sends for no staff and no engraver where there is none", async () => {
  openAhead("s", "chart");
  await vi.waitFor(() => expect(asked).toContain("/api/arrangements 0-191"));
  expect(asked).not.toContain("/api/arrangements/score 0-5");
  expect(wakeEngraver).not.toHaveBeenCalled();
});

it("asks for what was not kept here, not for what the server has", async () => {
  localStorage.setItem("zapateo.unkept.s", JSON.stringify({ format: 2, version: 1, draft: { chart: "G D" } }));
  openAhead("s", "right-hand");
  await vi.waitFor(() => expect(asked).toContain("/api/arrangements 0-191"));
  expect(bodies.map((body) => body.chart ?? "").at(-1)).toBe("G D");
});

it("waits for nothing that is still being kept: its page asks", async () => {
  leaving.set("s", new Promise(() => {}));
  openAhead("s", "left-hand");
  await Promise.resolve();
  expect(asked).toEqual([]);
});

it("has no old song for a page that did not come soon", async () => {
  openAhead("s", "chart");
  await vi.waitFor(() => expect(asked).toContain("/api/songs/{id}"));
  vi.spyOn(performance, "now").mockReturnValue(performance.now() + 11_000);
  const before = asked.filter((path) => path === "/api/songs/{id}").length;
  await songAsked("s");
  expect(asked.filter((path) => path === "/api/songs/{id}")).toHaveLength(before + 1);
});

it("leaves a song that cannot be had to its page", async () => {
  vi.mocked(api.GET).mockRejectedValue(new Error("away"));
  openAhead("s", "left-hand");
  await expect(songAsked("s")).rejects.toMatchObject({ status: 0 });
});
