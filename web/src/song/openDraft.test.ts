import { QueryClient } from "@tanstack/react-query";
import { api, type Song } from "../api/client";
import { settledDraft } from "./draft";
import { OpenDraft } from "./openDraft";

const SONG: Song = {
  id: "00000000-0000-4000-8000-00000000000a",
  title: "Pier",
  chart: "| C |",
  choices: {},
  arrangementId: "5c9c0a58-6f5d-4b7c-9d52-000000000001",
  arrangement: "alone",
  changedFigures: {},
  leftOut: [],
  others: [],
  version: 1,
  createdAt: "2026-01-01T00:00:00Z",
  updatedAt: "2026-01-01T00:00:00Z",
};

type Sent = { chart: string; version: number };
type Answer = { data?: unknown; error?: unknown; response: Response };

function answer(status: number, body: unknown): Answer {
  const response = new Response(null, { status });
  return status < 400 ? { data: body, response } : { error: body, response };
}

function open(answers: (sent: Sent) => Answer) {
  const sent: Sent[] = [];
  vi.spyOn(api, "PUT").mockImplementation((async (_path: string, init: { body: Sent }) => {
    sent.push(init.body);
    return answers(init.body);
  }) as never);
  const desk = new OpenDraft(SONG, new QueryClient());
  leave();
  leave = desk.open();
  return { sent, desk };
}

let leave: () => void = () => undefined;
/** Within a time that a busy machine keeps too. */
const soon = (holds: () => void) => vi.waitFor(holds, { timeout: 60_000 });

const kept = (body: Sent) => answer(200, { ...SONG, chart: body.chart, version: body.version + 1 });

beforeEach(() => localStorage.clear());
afterEach(async () => {
  leave();
  await settledDraft(SONG.id);
  vi.restoreAllMocks();
});

describe("a draft", () => {
  it("is kept by itself a moment after a change, with the version it was loaded at", async () => {
    const { sent, desk } = open(kept);
    desk.change({ chart: "| F |" });
    await soon(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ chart: "| F |", version: 1 });
    await soon(() => expect(desk.state.keeping.state).toBe("kept"));
    desk.change({ chart: "| G |" });
    await soon(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toMatchObject({ chart: "| G |", version: 2 });
  });

  it("has edits wait for those before them, each made on what they left; one that fails changes nothing", async () => {
    const { desk } = open(kept);
    const slowly = (more: string, ms: number) =>
      desk.edit(async (draft) => {
        await new Promise((done) => setTimeout(done, ms));
        if (more === "?") throw new Error("cannot be read");
        return { chart: `${draft.chart} ${more} |` };
      });
    const first = slowly("F", 60);
    const wrong = slowly("?", 30);
    const last = slowly("G", 0);
    desk.change({ choices: { figure: "held" } });
    await expect(wrong).rejects.toThrow("cannot be read");
    await Promise.all([first, last]);
    expect(desk.state.draft).toMatchObject({ chart: "| C | F | G |", choices: { figure: "held" } });
  });

  it("takes changes back and brings them again; typing in one run is one step", () => {
    const { desk } = open(kept);
    desk.change({ chart: "| F" }, "typing");
    desk.change({ chart: "| F |" }, "typing");
    desk.change({ choices: { figure: "held" } });
    expect(desk.state.past).toHaveLength(2);
    desk.undo();
    expect(desk.state.draft).toMatchObject({ chart: "| F |", choices: {}, arrangement: "alone", others: [] });
    desk.undo();
    expect(desk.state.draft.chart).toBe("| C |");
    expect(desk.state.past).toHaveLength(0);
    desk.redo();
    desk.redo();
    expect(desk.state.draft.choices.figure).toBe("held");
  });

  it("that someone overtook is not sent again and not merged", async () => {
    const { sent, desk } = open(() => answer(409, { detail: "This was changed elsewhere" }));
    desk.change({ chart: "| F |" });
    await soon(() => expect(desk.state.keeping.state).toBe("stale"));
    desk.change({ chart: "| G |" });
    await new Promise((done) => setTimeout(done, 800));
    expect(sent).toHaveLength(1);
    expect(desk.state.draft.chart).toBe("| G |");
  });

  it("of a song that was removed is not sent again", async () => {
    const { sent, desk } = open(() => answer(404, { detail: "The song is not here, or no longer." }));
    desk.change({ chart: "| F |" });
    await soon(() => expect(desk.state.keeping.state).toBe("gone"));
    desk.change({ chart: "| G |" });
    await new Promise((done) => setTimeout(done, 800));
    expect(sent).toHaveLength(1);
  });

  it("that the server cannot take now stays, in this browser too, and is tried again", async () => {
    let down = true;
    const { sent, desk } = open((body) =>
      down ? answer(503, { detail: "The database does not answer." }) : kept(body),
    );
    desk.change({ chart: "| F |" });
    await soon(() => expect(desk.state.keeping.state).toBe("waiting"));
    expect(localStorage.getItem(`zapateo.unkept.${SONG.id}`)).toContain("| F |");
    down = false;
    await soon(() => expect(desk.state.keeping.state).toBe("kept"));
    expect(sent.length).toBeGreaterThan(1);
    expect(localStorage.getItem(`zapateo.unkept.${SONG.id}`)).toBeNull();
  }, 90_000);

  it("that an earlier page left is read, and one that a later page wrote is left alone", () => {
    const left = { version: 1, draft: { chart: "| F |", choices: { figure: "held" } } };
    localStorage.setItem(`zapateo.unkept.${SONG.id}`, JSON.stringify(left));
    const read = open(kept).desk.state.draft;
    expect(read).toMatchObject({ chart: "| F |", arrangementId: SONG.arrangementId, choices: { figure: "held" } });
    localStorage.setItem(`zapateo.unkept.${SONG.id}`, JSON.stringify({ ...left, format: 99 }));
    expect(open(kept).desk.state.draft.chart).toBe("| C |");
    expect(localStorage.getItem(`zapateo.unkept.${SONG.id}`)).toContain("99");
  });

  it("has what can be taken back where it was left and come back to", async () => {
    const { desk } = open(kept);
    desk.change({ chart: "| F |" });
    desk.change({ chart: "| G |" });
    desk.undo();
    leave();
    await settledDraft(SONG.id);
    localStorage.setItem(`zapateo.unkept.${SONG.id}`, JSON.stringify({ version: 1, draft: desk.state.draft }));
    const again = open(kept).desk;
    expect(again.state).toMatchObject({ past: [{ chart: "| C |" }], future: [{ chart: "| G |" }] });
    again.redo();
    expect(again.state.draft.chart).toBe("| G |");
  });

  it("that was left goes out at once, and is not tried again by itself", async () => {
    const { sent, desk } = open(() => answer(503, { detail: "The database does not answer." }));
    desk.change({ chart: "| F |" });
    leave();
    await settledDraft(SONG.id);
    expect(sent).toHaveLength(1);
    await new Promise((done) => setTimeout(done, 3500));
    expect(sent).toHaveLength(1);
    expect(localStorage.getItem(`zapateo.unkept.${SONG.id}`)).toContain("| F |");
  }, 90_000);

  it("that another tab kept just so is kept", async () => {
    const { desk } = open(() => answer(409, { detail: "This was changed elsewhere" }));
    const get = vi
      .spyOn(api, "GET")
      .mockImplementation((async () => answer(200, { ...SONG, chart: "| F |", version: 7 })) as never);
    desk.change({ chart: "| F |" });
    await soon(() => expect(get).toHaveBeenCalled());
    await soon(() => expect(desk.state.keeping.state).toBe("kept"));
  });
});

describe("a store", () => {
  it("tells who looks, when something becomes another", () => {
    const { desk } = open(kept);
    const told = vi.fn();
    const stop = desk.subscribe(told);
    desk.note(desk.state.draft.choices);
    const before = told.mock.calls.length;
    desk.change({ chart: "| F |" });
    expect(told.mock.calls.length).toBe(before + 1);
    stop();
    desk.change({ chart: "| G |" });
    expect(told.mock.calls.length).toBe(before + 1);
  });
});
