import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import type { Imported } from "../../api/client";
import { Import } from "./Import";

const answer = (more: Partial<Imported> = {}): Imported => ({
  format: "abc",
  title: "Deck Reel",
  chart: "Title: Deck Reel\n| D | A7 |",
  bars: 2,
  guesses: 0,
  hasTune: true,
  problems: [],
  tracks: [],
  leftOut: [],
  song: null,
  ...more,
});

function open(answers: (Imported | { status: number; detail: string; problems?: unknown[] })[]) {
  const urls: string[] = [];
  vi.stubGlobal(
    "fetch",
    vi.fn(async (url: string) => {
      urls.push(url);
      const next = answers[Math.min(urls.length, answers.length) - 1] as { status?: number };
      return new Response(JSON.stringify(next), { status: next.status ?? 200 });
    }),
  );
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Import pasted={null} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return urls;
}

const file = (name = "reel.abc") => new File(["X:1"], name);
const bringIn = (...files: File[]) =>
  userEvent.upload(screen.getByLabelText("A file to bring in"), files, { applyAccept: false });

afterEach(() => vi.unstubAllGlobals());

describe("a file that is brought in", () => {
  it("is shown as it was understood before anything is kept", async () => {
    const urls = open([answer()]);
    await bringIn(file());
    const dialog = await screen.findByRole("dialog");
    expect(await within(dialog).findByText(/reel.abc was read as ABC: 2 bars, with a melody/)).toBeVisible();
    expect(within(dialog).getByText(/\| D \| A7 \|/)).toBeVisible();
    expect(urls).toEqual(["/api/songs/import?preview=true"]);
  });

  it("is brought in as often as one likes", async () => {
    open([answer()]);
    for (let time = 0; time < 3; time++) {
      await bringIn(file(`reel ${time}.abc`));
      expect(await screen.findByText(new RegExp(`reel ${time}.abc was read`))).toBeVisible();
      await userEvent.click(screen.getByRole("button", { name: "Cancel" }));
      await vi.waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    }
  });

  it("is kept when wanted", async () => {
    const urls = open([answer(), answer({ song: { id: "1" } as Imported["song"] })]);
    await bringIn(file());
    await userEvent.click(await screen.findByRole("button", { name: "Keep it" }));
    await vi.waitFor(() => expect(urls).toEqual(["/api/songs/import?preview=true", "/api/songs/import?preview=false"]));
    await vi.waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("tells what was left out or guessed, with its line", async () => {
    open([
      answer({
        guesses: 2,
        problems: [
          {
            severity: "warning",
            code: "words-alone",
            line: 3,
            column: 1,
            length: 0,
            found: "",
            expected: "",
            message: "Words are left out.",
          },
        ],
      }),
    ]);
    await bringIn(file());
    const list = await screen.findByRole("region", { name: "What was not understood" });
    expect(list).toHaveTextContent("What was left out or guessed");
    expect(list).toHaveTextContent("Line 3: Words are left out.");
    expect(screen.getByText(/2 of them with a guessed length/)).toBeVisible();
  });

  it("that is a MIDI file asks which track holds what", async () => {
    const tracks = [
      { number: 2, name: "Voice", notes: 40, chordal: false },
      { number: 3, name: "Piano", notes: 90, chordal: true },
    ];
    const urls = open([answer({ format: "midi", tracks })]);
    await bringIn(file("song.mid"));
    await userEvent.selectOptions(await screen.findByLabelText("Chords from"), "3");
    await vi.waitFor(() => expect(urls.at(-1)).toBe("/api/songs/import?preview=true&chords=3"));
    expect(within(screen.getByLabelText("Melody from")).getByText("2 Voice (40 notes)")).toBeInTheDocument();
  });

  it("that cannot be read says why and offers nothing to keep", async () => {
    open([
      {
        status: 422,
        detail: "No song can be read from this file. Nothing was changed.",
        problems: [{ severity: "error", code: "xml-broken", line: 9, column: 2, message: "The XML breaks off." }],
      },
    ]);
    await bringIn(file("broken.xml"));
    expect(await screen.findByText("No song can be read from this file. Nothing was changed.")).toBeVisible();
    expect(screen.getByText(/The XML breaks off/)).toHaveTextContent("Line 9");
    expect(screen.queryByRole("button", { name: "Keep it" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Close" }));
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("comes with others, is read with them, kept with them and summed up", async () => {
    const kept = (id: string) => answer({ song: { id } as Imported["song"] });
    const urls = open([
      answer(),
      { status: 422, detail: "This is no song." },
      answer({ title: "Third", bars: 1 }),
      kept("1"),
      kept("3"),
    ]);
    await bringIn(file(), file("two.bin"), file("three.abc"));
    const dialog = await screen.findByRole("dialog");
    expect(await within(dialog).findByText("2 files can be kept, 1 cannot be read.")).toBeVisible();
    expect(within(dialog).getByText("This is no song.")).toBeVisible();
    expect(within(dialog).getByText(/three.abc, 1 bar/)).toBeVisible();
    expect(urls).toHaveLength(3);
    await userEvent.click(within(dialog).getByRole("button", { name: "Keep all 2" }));
    expect(await within(dialog).findByText("2 songs are kept, 1 file could not be read.")).toBeVisible();
    expect(
      within(dialog)
        .getAllByRole("link", { name: "open" })
        .map((each) => each.getAttribute("href")),
    ).toEqual(["/songs/1/chart", "/songs/3/chart"]);
    await userEvent.click(within(dialog).getByRole("button", { name: "Close" }));
    await vi.waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("can be dropped anywhere", async () => {
    open([answer()]);
    fireEvent.drop(window, { dataTransfer: { types: ["Files"], files: [file()] } });
    expect(await screen.findByRole("heading", { name: "Deck Reel" })).toBeVisible();
  });
});
