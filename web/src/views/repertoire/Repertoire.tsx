import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { fetchAhead, openAhead } from "../../ahead";
import { api, type Figure, type Goal, Refused, type SongLine, take } from "../../api/client";
import { useGoals } from "../../api/practice";
import { useFigures, useRepertoire } from "../../api/queries";
import { nameFor } from "../../song/title";
import { type Step, StepLine } from "../../steps/StepLine";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { Mark } from "../../ui/Mark";
import { Notice } from "../../ui/Notice";
import { Scheme } from "../../ui/Scheme";
import { beatSign, plain } from "../../ui/words";
import { today } from "../practise/practise";
import { FirstSteps } from "./FirstSteps";
import { Import } from "./Import";
import { Keeping } from "./Keeping";
import { Removed, useRemoved } from "./Removed";
import { byColumn, type Column, matches } from "./sorting";

const COLUMNS: { column: Column; label: string; className?: string }[] = [
  { column: "title", label: "Song" },
  { column: "key", label: "Key", className: "max-md:hidden" },
  { column: "meter", label: "Metre", className: "max-md:hidden" },
  { column: "bpm", label: "Tempo", className: "max-md:hidden" },
  { column: "feel", label: "Feel", className: "max-md:hidden" },
  { column: "bars", label: "Bars", className: "max-md:hidden" },
  { column: "figure", label: "Left hand", className: "max-md:hidden" },
];

/** The songs one plays, and the quickest way to a new one. */
export function Repertoire() {
  const songs = useRepertoire();
  const figures = useFigures();
  const goals = useGoals(today());
  const [search, setSearch] = useState("");
  const [sort, setSort] = useState<{ column: Column; down: boolean }>({ column: "title", down: false });
  const { removed, add, drop } = useRemoved();
  const [trouble, setTrouble] = useState<string | null>(null);
  const queries = useQueryClient();
  const shown = useMemo(
    () => (songs.data ?? []).filter((song) => matches(song, search)).sort(byColumn(sort.column, sort.down)),
    [songs.data, search, sort],
  );
  const remove = async (song: SongLine) => {
    try {
      await take(api.DELETE("/api/songs/{id}", { params: { path: { id: song.id } } }));
      add(song);
    } catch (error) {
      setTrouble(error instanceof Refused ? error.message : String(error));
    }
    queries.invalidateQueries({ queryKey: ["songs"] });
  };

  return (
    <div className="mx-auto min-h-full max-w-[80rem]">
      <header className="flex min-h-[3.75rem] flex-wrap items-center gap-x-4 border-line border-b px-5 max-md:px-3">
        <Mark />
        <h1 className="text-2xl">Repertoire</h1>
        {songs.data && songs.data.length > 0 && (
          <p className="text-quiet">{songs.data.length === 1 ? "1 song" : `${songs.data.length} songs`}</p>
        )}
        <label className="ml-auto flex items-center gap-2 text-quiet">
          Search
          <input
            type="search"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            className="h-10 w-52 rounded-plank border border-line bg-sheet px-2.5 text-ink"
          />
        </label>
        <Link to="/sets" className="flex h-11 items-center px-2">
          Evenings
        </Link>
        <Link to="/hands" className="flex h-11 items-center px-2">
          My hands
        </Link>
        <Scheme />
      </header>
      <Removed removed={removed} drop={drop} onTrouble={setTrouble} />
      {trouble && (
        <Notice alert>
          <span>{trouble}</span>
          <LinkButton strong onClick={() => setTrouble(null)}>
            Close
          </LinkButton>
        </Notice>
      )}
      <main>
        <NewSong empty={songs.data?.length === 0} figures={figures.data ?? []} onTrouble={setTrouble} />
        {songs.data && <FirstSteps songs={songs.data} />}
        {songs.isPending && <p className="px-5 py-8 text-quiet">Fetching the songs …</p>}
        {songs.isError && (
          <div className="px-5 py-8">
            <p className="text-lg">The songs cannot be shown. {songs.error.message}</p>
            <LinkButton strong onClick={() => songs.refetch()}>
              Try again
            </LinkButton>
          </div>
        )}
        {songs.data && songs.data.length > 0 && (
          <div className="overflow-x-auto px-5 pb-10">
            <div className="flex items-center gap-3 md:hidden">
              <span className="text-quiet">sorted by</span>
              <div className="w-40">
                <Choice
                  slim
                  label="Sorted by"
                  value={sort.column}
                  options={COLUMNS.map(({ column, label }) => ({ value: column, label }))}
                  onChange={(column) => setSort({ column: column as Column, down: false })}
                />
              </div>
            </div>
            <table className="w-full border-collapse text-left">
              <thead>
                <tr className="border-ink border-b-2 max-md:sr-only">
                  {COLUMNS.map(({ column, label, className = "" }) => (
                    <th
                      key={column}
                      scope="col"
                      aria-sort={sort.column === column ? (sort.down ? "descending" : "ascending") : "none"}
                      className={`pr-4 font-semibold ${className}`}
                    >
                      <button
                        type="button"
                        className="min-h-10 whitespace-nowrap"
                        onClick={() => setSort({ column, down: sort.column === column && !sort.down })}
                      >
                        {label}
                        <span aria-hidden="true" className="ml-1 text-accent">
                          {sort.column === column ? (sort.down ? "↓" : "↑") : ""}
                        </span>
                      </button>
                    </th>
                  ))}
                  <th scope="col" className="w-24">
                    <span className="sr-only">Remove</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {shown.map((song) => (
                  <Row
                    key={song.id}
                    song={song}
                    figure={figures.data?.find((each) => each.id === song.figureId)}
                    goal={goals.data?.find((each) => each.song === song.id)}
                    onRemove={() => remove(song)}
                  />
                ))}
              </tbody>
            </table>
            {shown.length === 0 && (
              <p className="py-6 text-lg">No song has “{search}” in its title, key, metre, feel or figure.</p>
            )}
          </div>
        )}
        <Keeping />
      </main>
    </div>
  );
}

function Row({
  song,
  figure,
  goal,
  onRemove,
}: {
  song: SongLine;
  figure: Figure | undefined;
  goal: Goal | undefined;
  onRemove: () => void;
}) {
  const floor = figure?.strokes.find((bar) => bar.meter === song.meter) ?? figure?.strokes[0];
  return (
    <tr className="border-line border-b">
      <th scope="row" className="py-2 pr-4 font-normal">
        <Link
          to={`/songs/${song.id}/left-hand`}
          onPointerDown={() => {
            fetchViews();
            openAhead(song.id, "left-hand");
          }}
          className="flex min-h-11 flex-col justify-center"
        >
          <span className="font-semibold font-serif text-[1.35rem] leading-tight hover:text-accent">{song.title}</span>
          <span className="md:hidden">
            {[song.key, song.meter, song.bpm ? `${plain(song.bpm)} ${beatSign(song.beatTicks)}s` : "", song.figure]
              .filter((each) => each !== "")
              .join(" · ")}
          </span>
          <span className="text-[0.92rem] text-quiet">
            {song.sections.filter((name, at) => song.sections.indexOf(name) === at).join(" · ")}
          </span>
        </Link>
        {goal && (
          <Link
            to={`/songs/${song.id}/practise`}
            className="text-[0.92rem] text-accent underline decoration-dotted underline-offset-4"
          >
            practised: {Math.round(goal.known * goal.pieces)} of {goal.pieces} places known
            {goal.due > 0 ? `, ${goal.due} due` : ""}
          </Link>
        )}
      </th>
      <td className="pr-4 font-serif text-lg max-md:hidden">{song.key || "–"}</td>
      <td className="pr-4 max-md:hidden">{song.meter || "–"}</td>
      <td className="pr-4 whitespace-nowrap max-md:hidden">
        {song.bpm ? plain(song.bpm) : "–"}
        {song.beatTicks !== 960 && song.bpm > 0 && (
          <span className="block text-[0.86rem] text-quiet">{beatSign(song.beatTicks)}s</span>
        )}
      </td>
      <td className="pr-4 max-md:hidden">{song.feel || "–"}</td>
      <td className="pr-4 max-md:hidden">{song.bars || "–"}</td>
      <td className="w-64 py-1 pr-4 max-md:hidden">
        <span className="block truncate text-[0.92rem] leading-tight">
          {song.figure}
          <span className="text-quiet"> · level {song.level}</span>
        </span>
        {floor && (
          <div className="max-w-44">
            <StepLine
              barTicks={floor.barTicks}
              beatTicks={floor.beatTicks}
              steps={floor.strokes as Step[]}
              label={`Step line of ${song.figure}`}
            />
          </div>
        )}
      </td>
      <td className="text-end">
        <button
          type="button"
          onClick={onRemove}
          aria-label={`Remove ${song.title}`}
          className="min-h-11 text-quiet underline decoration-dotted underline-offset-4"
        >
          remove
        </button>
      </td>
    </tr>
  );
}

/** No harder than this is what a new song begins with. */
const FIRST_LEVEL = 3;

/** What suits a new song best by its metre, tempo, feel and chords, and is no harder than need be. */
async function firstFigure(chart: string, figures: Figure[]): Promise<string> {
  const levels = new Map(figures.map((figure) => [figure.id, figure.level]));
  const suggested = await take(api.POST("/api/arrangements/suggest", { body: { chart } })).catch(() => null);
  return (
    suggested?.figures.find((each) => (levels.get(each.figure) ?? FIRST_LEVEL) <= FIRST_LEVEL)?.figure ??
    "pulse-quarters"
  );
}

/** Whether anything in it can be played. */
async function hasChords(text: string): Promise<boolean> {
  const read = await take(api.POST("/api/charts/parse", { body: { text } }));
  return (read.sections ?? []).some((section) =>
    section.bars.some((bar) => bar.chords.some((chord) => chord.tones.length > 0)),
  );
}

/** The song's own pages, before it is there. */
function fetchViews(): void {
  Promise.all([import("../../song/SongLayout"), import("../lefthand/LeftHand")]).catch(() => undefined);
}

/** Four chords and Enter: the shortest way to a sounding left hand. */
function NewSong({
  empty,
  figures,
  onTrouble,
}: {
  empty: boolean;
  figures: Figure[];
  onTrouble: (trouble: string) => void;
}) {
  const [chords, setChords] = useState("");
  const [pasted, setPasted] = useState<{ text: string } | null>(null);
  const navigate = useNavigate();
  const create = async () => {
    const written = chords.trim() || "| C | Am | F | G |";
    const chart = `Title: ${nameFor(chords, new Date())}\n\n${written}\n`;
    try {
      if (chords.trim() !== "" && !(await hasChords(written))) {
        onTrouble(
          `No chord could be read in “${chords.trim()}”, so no song was made. Chords look like this: C Am7 F G7, or | B♭ | Gm7 C7 | F |`,
        );
        return;
      }
      const song = await take(
        api.POST("/api/songs", { body: { chart, choices: { figure: await firstFigure(chart, figures) } } }),
      );
      navigate(`/songs/${song.id}/${chords.trim() ? "left-hand" : "chart"}`);
    } catch (error) {
      onTrouble(error instanceof Refused ? error.message : String(error));
    }
  };
  return (
    <form
      className={`px-5 ${empty ? "py-16" : "py-5"}`}
      onSubmit={(event) => {
        event.preventDefault();
        create();
      }}
    >
      {empty && (
        <>
          <h2 className="text-3xl">No songs yet</h2>
          <p className="mt-2 mb-6 max-w-xl text-lg">
            Type the chords of one, one chord a bar, and press Enter. You will hear a left hand for them at once.
          </p>
        </>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <label className="min-w-72 flex-1">
          <span className="text-quiet">A new song: its chords</span>
          <input
            value={chords}
            onChange={(event) => {
              fetchAhead();
              fetchViews();
              setChords(event.target.value);
            }}
            onPaste={(event) => {
              // More than one line is a chart, a song's words or a file's text: it is read as what it is.
              const text = event.clipboardData.getData("text/plain");
              if (!text.trim().includes("\n")) return;
              event.preventDefault();
              setPasted({ text });
            }}
            placeholder="C Am7 F G7   or   | B♭ | Gm7 C7 | F |"
            className="mt-0.5 block h-12 w-full rounded-plank border border-grain bg-sheet px-3 font-serif text-xl"
          />
        </label>
        <button type="submit" className="h-12 rounded-plank bg-ink px-5 font-semibold text-ground">
          {chords.trim() ? "Play it" : "New song"}
        </button>
        <Import pasted={pasted} />
      </div>
    </form>
  );
}
