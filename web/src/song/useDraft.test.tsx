import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { api, type Song } from "../api/client";
import { useDraft } from "./useDraft";

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
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
  );
  return { sent, ...renderHook(() => useDraft(SONG), { wrapper }) };
}

const kept = (body: Sent) => answer(200, { ...SONG, chart: body.chart, version: body.version + 1 });

beforeEach(() => localStorage.clear());
afterEach(() => vi.restoreAllMocks());

describe("a draft", () => {
  it("is kept by itself a moment after a change, with the version it was loaded at", async () => {
    const { sent, result } = open(kept);
    act(() => result.current.change({ chart: "| F |" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ chart: "| F |", version: 1 });
    await waitFor(() => expect(result.current.keeping.state).toBe("kept"));
    act(() => result.current.change({ chart: "| G |" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toMatchObject({ chart: "| G |", version: 2 });
  });

  it("has edits wait for those before them, each made on what they left; one that fails changes nothing", async () => {
    const { result } = open(kept);
    const slowly = (more: string, ms: number) =>
      result.current.edit(async (draft) => {
        await new Promise((done) => setTimeout(done, ms));
        if (more === "?") throw new Error("cannot be read");
        return { chart: `${draft.chart} ${more} |` };
      });
    await act(async () => {
      const first = slowly("F", 60);
      const wrong = slowly("?", 30);
      const last = slowly("G", 0);
      result.current.change({ choices: { figure: "held" } });
      await expect(wrong).rejects.toThrow("cannot be read");
      await Promise.all([first, last]);
    });
    expect(result.current.draft).toMatchObject({ chart: "| C | F | G |", choices: { figure: "held" } });
  });

  it("takes changes back and brings them again; typing in one run is one step", () => {
    const { result } = open(kept);
    act(() => result.current.change({ chart: "| F" }, "typing"));
    act(() => result.current.change({ chart: "| F |" }, "typing"));
    act(() => result.current.change({ choices: { figure: "held" } }));
    expect(result.current.canUndo).toBe(true);
    act(() => result.current.undo());
    expect(result.current.draft).toMatchObject({ chart: "| F |", choices: {}, arrangement: "alone", others: [] });
    act(() => result.current.undo());
    expect(result.current.draft.chart).toBe("| C |");
    expect(result.current.canUndo).toBe(false);
    act(() => result.current.redo());
    act(() => result.current.redo());
    expect(result.current.draft.choices.figure).toBe("held");
  });

  it("that someone overtook is not sent again and not merged", async () => {
    const { sent, result } = open(() => answer(409, { detail: "This was changed elsewhere" }));
    act(() => result.current.change({ chart: "| F |" }));
    await waitFor(() => expect(result.current.keeping.state).toBe("stale"));
    act(() => result.current.change({ chart: "| G |" }));
    await new Promise((done) => setTimeout(done, 800));
    expect(sent).toHaveLength(1);
    expect(result.current.draft.chart).toBe("| G |");
  });

  it("of a song that was removed is not sent again", async () => {
    const { sent, result } = open(() => answer(404, { detail: "The song is not here, or no longer." }));
    act(() => result.current.change({ chart: "| F |" }));
    await waitFor(() => expect(result.current.keeping.state).toBe("gone"));
    act(() => result.current.change({ chart: "| G |" }));
    await new Promise((done) => setTimeout(done, 800));
    expect(sent).toHaveLength(1);
  });

  it("that the server cannot take now stays, in this browser too, and is tried again", async () => {
    let down = true;
    const { sent, result } = open((body) =>
      down ? answer(503, { detail: "The database does not answer." }) : kept(body),
    );
    act(() => result.current.change({ chart: "| F |" }));
    await waitFor(() => expect(result.current.keeping.state).toBe("waiting"));
    expect(localStorage.getItem(`zapateo.unkept.${SONG.id}`)).toContain("| F |");
    down = false;
    await waitFor(() => expect(result.current.keeping.state).toBe("kept"));
    expect(sent.length).toBeGreaterThan(1);
    expect(localStorage.getItem(`zapateo.unkept.${SONG.id}`)).toBeNull();
  }, 10_000);

  it("that an earlier page left is read, and one that a later page wrote is left alone", () => {
    const left = { version: 1, draft: { chart: "| F |", choices: { figure: "held" } } };
    localStorage.setItem(`zapateo.unkept.${SONG.id}`, JSON.stringify(left));
    const read = open(kept).result.current.draft;
    expect(read).toMatchObject({ chart: "| F |", arrangementId: SONG.arrangementId, choices: { figure: "held" } });
    localStorage.setItem(`zapateo.unkept.${SONG.id}`, JSON.stringify({ ...left, format: 99 }));
    expect(open(kept).result.current.draft.chart).toBe("| C |");
    expect(localStorage.getItem(`zapateo.unkept.${SONG.id}`)).toContain("99");
  });
});
