import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Keeping as Kept } from "../../api/client";
import { addedOf, Keeping } from "./Keeping";

function open(kept: Kept, answer: { status?: number; body: unknown } = { body: {} }) {
  vi.stubGlobal(
    "fetch",
    vi.fn(async () => new Response(JSON.stringify(answer.body), { status: answer.status ?? 200 })),
  );
  const queries = new QueryClient();
  queries.setQueryData(["keeping"], kept);
  render(
    <QueryClientProvider client={queries}>
      <Keeping />
    </QueryClientProvider>,
  );
}

const COPIES: Kept = {
  folder: "/home/ada/zapateo/copies",
  copies: [{ name: "daily.tar", bytes: 1, made: "2027-01-09T20:15:00Z" }],
};
const file = () => new File(["PK"], "zapateo.zip", { type: "application/zip" });

test("where copies lie is told, and the last one's day", async () => {
  open(COPIES);
  expect(screen.getByText("/home/ada/zapateo/copies")).toBeInTheDocument();
  expect(screen.getByText(/the last one on 9 January/)).toBeInTheDocument();
  expect(screen.getByRole("link", { name: "Take everything away" })).toHaveAttribute("href", "/api/keeping/everything");
});

test("what came back is counted", async () => {
  open({ folder: "", copies: [] }, { status: 201, body: { songs: 2, evenings: 1, figures: 0, hands: 1, leftOut: [] } });
  await userEvent.upload(screen.getByLabelText("A file of everything to bring back"), file());
  expect(await screen.findByText("Added: 2 songs, 1 evening, 1 pair of hands.")).toBeInTheDocument();
  expect(screen.queryByText(/once a day/)).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Close" }));
  expect(screen.queryByText(/Added/)).toBeNull();
});

test("a file that is none is told with its name", async () => {
  open(COPIES, { status: 422, body: { detail: "the file has no everything.json" } });
  await userEvent.upload(screen.getByLabelText("A file of everything to bring back"), file());
  expect(await screen.findByText("zapateo.zip: the file has no everything.json")).toBeInTheDocument();
});

test("what may not be kept of it is told", async () => {
  const leftOut = [
    "songs/1.zip: title: what comes after 200 of its 300 characters",
    "hands[0].measures: expected measures",
  ];
  open({ folder: "", copies: [] }, { status: 201, body: { songs: 1, evenings: 0, figures: 0, hands: 0, leftOut } });
  await userEvent.upload(screen.getByLabelText("A file of everything to bring back"), file());
  expect(await screen.findByText("Added: 1 song.")).toBeInTheDocument();
  for (const each of leftOut) expect(screen.getByText(each)).toBeInTheDocument();
});

test("nothing to add is said as that", () => {
  expect(addedOf({ songs: 0, evenings: 0, figures: 0, hands: 0 })).toBe("There was nothing in it to add.");
  expect(addedOf({ songs: 1, evenings: 0, figures: 3, hands: 0 })).toBe("Added: 1 song, 3 figures.");
});
