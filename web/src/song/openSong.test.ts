import { QueryClient } from "@tanstack/react-query";
import { api, type Song } from "../api/client";
import { settledDraft } from "./draft";
import { OpenSong } from "./openSong";

const SONG: Song = {
  id: "00000000-0000-4000-8000-00000000000b",
  title: "Quay",
  chart: "| C | F |",
  choices: { figure: "held" },
  arrangementId: "5c9c0a58-6f5d-4b7c-9d52-000000000001",
  arrangement: "alone",
  changedFigures: {},
  leftOut: [],
  others: [{ id: "5c9c0a58-6f5d-4b7c-9d52-000000000002", name: "with the band", choices: { figure: "two-feel" } }],
  version: 1,
  createdAt: "2026-01-01T00:00:00Z",
  updatedAt: "2026-01-01T00:00:00Z",
};

type Body = {
  chart: string;
  text: string;
  choices: { figure?: string; level?: number; ways?: number[] };
  hand?: object;
};
type Call = { path: string; body: Body };

/** What the server would say: as many bars as there are in the chart, and the choices it was asked with. */
function answer({ path, body }: Call): unknown {
  const bars = ((body.chart ?? "").match(/[A-G]/g) ?? []).map((_, index) => ({
    index,
    choices: { chosen: body.choices, figure: body.choices.figure },
  }));
  if (path === "/api/charts/parse") return { title: "read", text: body.text };
  if (path === "/api/arrangements/ways") return { ways: [1, 2, 3, 4, 5] };
  return { bars, strokes: [], pedal: [], tempo: { bpm: 90, beatTicks: 960 }, firstStroke: 0 };
}

/** @param refuses whether a call is answered with a chart that has no bars */
function open(song: Song = SONG, refuses: (call: Call) => boolean = () => false) {
  const calls: Call[] = [];
  vi.spyOn(api, "POST").mockImplementation((async (path: string, { body }: { body: Body }) => {
    const call = { path, body };
    calls.push(call);
    return refuses(call)
      ? {
          error: { status: 422, detail: "no bars", problems: [{ code: "no-bars" }] },
          response: new Response(null, { status: 422 }),
        }
      : { data: answer(call), response: new Response() };
  }) as never);
  vi.spyOn(api, "GET").mockImplementation((async () => ({
    data: [
      { inUse: false, measures: { left: { spanMm: 170 } } },
      { inUse: true, measures: { left: { spanMm: 185 } } },
    ],
    response: new Response(),
  })) as never);
  vi.spyOn(api, "PUT").mockImplementation((async (_path: string, { body }: { body: Song }) => ({
    data: { ...song, ...body, version: body.version + 1 },
    response: new Response(),
  })) as never);
  const desk = new OpenSong(song, new QueryClient());
  leave();
  leave = desk.open();
  const arranged = () => calls.filter((call) => call.path === "/api/arrangements");
  return { desk, calls, arranged };
}

let leave: () => void = () => undefined;
/** Within a time that a busy machine keeps too. */
const soon = (holds: () => void) => vi.waitFor(holds, { timeout: 60_000 });

beforeEach(() => localStorage.clear());
afterEach(async () => {
  leave();
  await settledDraft(SONG.id);
  vi.restoreAllMocks();
});

describe("an open song", () => {
  it("has its chart read and its choices arranged for the hand in use, and all bars taken", async () => {
    const { desk, arranged } = open();
    await soon(() => expect(arranged().at(-1)?.body.hand).toEqual({ left: { spanMm: 185 } }));
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(2));
    await soon(() => expect(desk.state.chart?.title).toBe("read"));
    expect(desk.state.selection).toEqual([0, 1]);
    expect(desk.state.bpm).toBe(90);
  });

  it("follows what is typed: the bars that are taken stay within what is there", async () => {
    const { desk } = open();
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(2));
    desk.select(1, 1);
    desk.state.desk.change({ chart: "| C | F | G |" });
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(3));
    expect(desk.state.selection).toEqual([1, 1]);
    desk.state.desk.change({ chart: "| C |" });
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(1));
    expect(desk.state.selection).toEqual([0, 0]);
    // What was taken is not forgotten while a line is missing.
    desk.state.desk.undo();
    await soon(() => expect(desk.state.selection).toEqual([1, 1]));
  });

  it("shows what is tried in place of the draft and changes nothing of it", async () => {
    const { desk, arranged } = open();
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(2));
    desk.setTriedChoices({ figure: "waltz" });
    await soon(() => expect(arranged().at(-1)?.body.choices).toEqual({ figure: "waltz" }));
    desk.setTrial("| Am | Dm | E |");
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(3));
    expect(desk.state.desk.draft).toMatchObject({ chart: SONG.chart, choices: SONG.choices });
    desk.setTrial(null);
    desk.setTriedChoices(null);
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(2));
    expect(desk.state.asked.choices).toBe(desk.state.desk.draft.choices);
  });

  it("keeps the last arrangement while the next is on its way, and has none where the chart has no bars", async () => {
    const { desk } = open(SONG, ({ body }) => body.chart === "nothing");
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(2));
    const seen: (number | undefined)[] = [];
    desk.subscribe(() => seen.push(desk.state.arrangement?.bars.length));
    desk.state.desk.change({ choices: { figure: "waltz" } });
    await soon(() => expect(desk.state.arrangement?.bars[0]?.choices.figure).toBe("waltz"));
    expect(new Set(seen)).toEqual(new Set([2]));
    desk.state.desk.change({ chart: "nothing" });
    await soon(() => expect(desk.state.arrangementError?.status).toBe(422));
    expect(desk.state.arrangement).toBeUndefined();
  });

  it("shows a level that was asked for at once, and keeps the ways its levels take", async () => {
    const { desk } = open();
    await soon(() => expect(desk.state.arrangement?.bars).toHaveLength(2));
    desk.takeLevel(3);
    expect(desk.state.levelShown).toBe(3);
    await soon(() => expect(desk.state.desk.draft.choices.ways).toEqual([1, 2, 3, 4, 5]));
    desk.takeLevel(null);
    await soon(() => expect(desk.state.desk.draft.choices).toEqual({ figure: "held" }));
    await soon(() => expect(desk.state.levelShown).toBeNull());
  });

  it("leaves a level to the view that has a way of its own", async () => {
    const { desk } = open();
    const taken: (number | null)[] = [];
    desk.onLevel = (level) => taken.push(level);
    desk.takeLevel(2);
    expect(taken).toEqual([2]);
    expect(desk.state.desk.draft.choices).toEqual({ figure: "held" });
  });

  it("goes back and forth between two arrangements", async () => {
    const { desk } = open();
    desk.setCompared({ name: "with the band", choices: { figure: "two-feel" }, figure: "two-feel" });
    desk.compare();
    expect(desk.state.desk.draft).toMatchObject({ arrangement: "with the band", choices: { figure: "two-feel" } });
    expect(desk.state.compared).toMatchObject({ name: "alone", choices: { figure: "held" } });
    desk.compare();
    expect(desk.state.desk.draft).toMatchObject({ arrangement: "alone", choices: { figure: "held" } });
  });

  it("plays at half the tempo, at its own again, and never outside of what can be played", async () => {
    const { desk } = open();
    await soon(() => expect(desk.state.bpm).toBe(90));
    desk.half();
    expect(desk.state.bpm).toBe(45);
    desk.half();
    expect(desk.state.bpm).toBe(90);
    desk.setTempo(3000);
    expect(desk.state.bpm).toBe(400);
  });

  it("tells nobody where nothing is another than before", () => {
    const { desk } = open();
    let told = 0;
    desk.subscribe(() => told++);
    desk.setStruck(null);
    desk.setLooping(true);
    expect(told).toBe(0);
  });
});
