import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import type { SongLine } from "../../api/client";
import { GLOSSARY, meaningOf, wordIn } from "../../ui/glossary";
import { Term } from "../../ui/Term";
import { FirstSteps } from "./FirstSteps";

const song = (id: string, updatedAt: string) => ({ id, title: `Song ${id}`, updatedAt }) as SongLine;
const open = (songs: SongLine[]) =>
  render(
    <MemoryRouter>
      <FirstSteps songs={songs} />
    </MemoryRouter>,
  );

beforeEach(() => localStorage.clear());

test("the first steps go with the song that was worked on last, and are closed for good", async () => {
  const page = open([song("1", "2027-01-01T00:00:00Z"), song("2", "2027-01-09T00:00:00Z")]);
  expect(screen.getByRole("heading", { name: "First steps, with “Song 2”" })).toBeVisible();
  expect(screen.getAllByRole("listitem")).toHaveLength(6);
  expect(screen.getByRole("link", { name: "Hear it" })).toHaveAttribute("href", "/songs/2/left-hand");
  await userEvent.click(screen.getByRole("button", { name: "Close for good" }));
  expect(screen.queryByRole("heading")).toBeNull();
  page.unmount();
  open([]);
  expect(screen.queryByRole("heading")).toBeNull();
});

test("without a song they begin on this page", () => {
  open([]);
  expect(screen.getByRole("heading", { name: "First steps" })).toBeVisible();
  expect(screen.getByRole("link", { name: "Put it on the stand" })).toHaveAttribute("href", "/");
});

test("a word of the trade says what it means; another one is only a word", async () => {
  render(
    <p>
      <Term word="tenth">Tenths</Term> and <Term word="biscuit" />
    </p>,
  );
  await userEvent.click(screen.getByRole("button", { name: "What “tenth” means" }));
  expect(await screen.findByText(/an octave and a third in one hand/)).toBeVisible();
  expect(screen.getAllByRole("button")).toHaveLength(1);
});

test("the glossary is in order, each word once", () => {
  const words = GLOSSARY.map(([word]) => word);
  expect(words).toEqual([...new Set(words)].sort());
  expect(["Lead-in to a change", "Voicing", "Last bar", "Shells only"].map(wordIn)).toEqual([
    "lead-in",
    "voicing",
    undefined,
    "shell",
  ]);
  expect(meaningOf("Lead-in")).toContain("next chord's bass");
});
