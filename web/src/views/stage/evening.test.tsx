import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter, useLocation } from "react-router";
import { api } from "../../api/client";
import { useEvening } from "./useEvening";

const item = (song: string | null, minutes?: number) => ({
  item: { song, minutes },
  title: song ?? "A break",
  missing: false,
});
const SET = { id: "e", items: [item("one"), item(null, 20), item("two"), item("three")] };

afterEach(() => vi.restoreAllMocks());

/** Where an evening stands whose order comes when it is told to. */
function evening(at: number) {
  let tell: () => void = () => undefined;
  const order = new Promise<void>((told) => {
    tell = told;
  });
  vi.spyOn(api, "GET").mockImplementation((async () => {
    await order;
    return { data: SET, response: new Response() };
  }) as never);
  const queries = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <MemoryRouter initialEntries={[`/songs/x/stage?set=e&n=${at}`]}>
      <QueryClientProvider client={queries}>{children}</QueryClientProvider>
    </MemoryRouter>
  );
  const { result } = renderHook(() => ({ evening: useEvening(), place: useLocation() }), { wrapper });
  return { result, tell };
}

it("a turn past the last page waits until the order is known", async () => {
  const { result, tell } = evening(0);
  act(() => result.current.evening.next?.());
  expect(result.current.place.search).toBe("?set=e&n=0");
  tell();
  await waitFor(() =>
    expect(`${result.current.place.pathname}${result.current.place.search}`).toBe("/songs/two/stage?set=e&n=2"),
  );
});

it("goes over breaks, and says what comes", async () => {
  const { result, tell } = evening(0);
  tell();
  await waitFor(() => expect(result.current.evening.said).toBe("then a break of 20 minutes"));
  expect(result.current.evening.before).toBeUndefined();
  act(() => result.current.evening.next?.());
  await waitFor(() => expect(result.current.evening.said).toBe("then three"));
  act(() => result.current.evening.before?.());
  await waitFor(() => expect(result.current.place.search).toBe("?set=e&n=0"));
});

it("stays at the last song where a turn was asked for too early", async () => {
  const { result, tell } = evening(3);
  act(() => result.current.evening.next?.());
  tell();
  await waitFor(() => expect(result.current.evening.said).toBe("the last one"));
  expect(result.current.place.search).toBe("?set=e&n=3");
  expect(result.current.evening.next).toBeUndefined();
});
