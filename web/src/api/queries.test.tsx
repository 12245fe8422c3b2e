import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { api } from "./client";
import { useArrangement } from "./queries";

const BARS = 900;

/** Two strokes a bar in the order of time; each bar of a hundredth strikes its first early, inside the bar before. */
const STROKES = Array.from({ length: BARS }, (_, bar) => [
  { bar, tick: bar * 3840 + (bar % 96 === 0 && bar > 0 ? -2400 : 0), ticks: 480, notes: [] },
  { bar, tick: bar * 3840 + 1920, ticks: 480, notes: [] },
])
  .flat()
  .sort((one, other) => one.tick - other.tick);

/** As the server tells some bars' strokes. */
function answer(from: number, to: number) {
  const first = STROKES.findIndex((stroke) => stroke.bar >= from);
  const end = STROKES.findLastIndex((stroke) => stroke.bar <= to) + 1;
  const bars = Array.from({ length: BARS }, (_, index) => ({ index, tick: index * 3840, ticks: 3840, chords: [] }));
  return { bars, pedal: [], tempo: { bpm: 100 }, firstStroke: first, strokes: STROKES.slice(first, end) };
}

afterEach(() => vi.restoreAllMocks());

it("a long song's strokes follow, each once and in its place", async () => {
  const asked: string[] = [];
  vi.spyOn(api, "POST").mockImplementation((async (
    _path: string,
    { params }: { params: { query: { bars: string } } },
  ) => {
    asked.push(params.query.bars);
    const [from = 0, to = 0] = params.query.bars.split("-").map(Number);
    return { data: answer(from, to), response: new Response() };
  }) as never);
  const queries = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => useArrangement({ chart: "C", choices: {}, hand: undefined, figures: [] }), {
    wrapper,
  });
  // No staff is drawn here that they would wait for.
  await waitFor(() => expect(result.current.data?.strokes).toHaveLength(STROKES.length));
  expect(result.current.data?.strokes.map((stroke) => stroke.tick)).toEqual(STROKES.map((stroke) => stroke.tick));
  expect(result.current.data?.bars).toHaveLength(BARS);
  expect(asked).toEqual(["0-191", "192-899"]);
});
