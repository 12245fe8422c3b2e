import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link, Outlet, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { fetchAhead } from "../ahead";
import { type Asked, type Doubles, keepDoubles, keptDoubles, songAsked } from "../api/asking";
import type { Choices, Colour, Refused, Song, Tone } from "../api/client";
import { useArrangement, useChart, useHands, useWays } from "../api/queries";
import type { Aim } from "../keyboard/AimKey";
import { usePlayer } from "../sound/usePlayer";
import { LinkButton } from "../ui/LinkButton";
import { LeftOut, Notice } from "../ui/Notice";
import { useLatest } from "../ui/useLatest";
import { barsWithin, namedBars } from "./address";
import { ChangedFigures } from "./ChangedFigures";
import { Dock } from "./Dock";
import { type Compared, type Desk, DeskOf, spanOf, type TriedFigure } from "./desk";
import { settledDraft } from "./draft";
import { Help } from "./Help";
import { Masthead } from "./Masthead";
import { playable, tapping } from "./tempo";
import { withTried } from "./tried";
import { type DraftDesk, useDraft } from "./useDraft";
import { useKeys } from "./useKeys";
import { useSettled } from "./useSettled";

/**
 * One song on the desk: its heading, the view of the moment, the transport and the keyboard.
 *
 * @param away what the stage shows where no server answers
 */
export function SongLayout({ away }: { away?: ReactNode }) {
  const { id = "" } = useParams();
  const onStage = useLocation().pathname.endsWith("/stage");
  const song = useQuery<Song, Refused>({
    queryKey: ["song", id],
    queryFn: async () => {
      // What was changed in the last moment here is on its way: it is waited for, so that it is what is seen.
      await settledDraft(id);
      return songAsked(id);
    },
    staleTime: 0,
    gcTime: 0,
  });
  if (song.isPending) return <p className="p-8 text-quiet">Opening the song …</p>;
  // With the server away the stand has what this browser kept.
  if (song.isError) return song.error.status === 0 && onStage && away ? away : <NoSong error={song.error} />;
  return <OpenSong key={song.data.id} song={song.data} />;
}

function NoSong({ error }: { error: Refused }) {
  const gone = error.status === 404 || error.status === 400;
  return (
    <main className="mx-auto max-w-2xl px-6 py-20">
      <h1 className="text-3xl">{gone ? "This song is not here" : "The song cannot be opened"}</h1>
      <p className="mt-4 text-lg">
        {gone ? "It was deleted, or the address is wrong. The other songs are safe." : error.message}
      </p>
      <Link to="/" className="mt-6 inline-block font-semibold text-accent underline underline-offset-4">
        To the repertoire
      </Link>
    </main>
  );
}

function OpenSong({ song }: { song: Song }) {
  const desk = useDraft(song);
  const { pathname } = useLocation();
  const [trial, setTrial] = useState<string | null>(null);
  const [shown, setShown] = useState<Tone[] | null>(null);
  const [aims, setAims] = useState<Aim[]>([]);
  const [onKey, setOnKey] = useState<{ heard: (midi: number, down: boolean) => void } | null>(null);
  const hearKeys = useCallback(
    (heard: ((midi: number, down: boolean) => void) | null) => setOnKey(heard ? { heard } : null),
    [],
  );
  const [doubles, setDoubles] = useState<Doubles>(keptDoubles);
  // The sheet follows each letter; the left hand, which takes longer to lay, a pause.
  const readDraft = useSettled(desk.draft.chart, 15);
  const settledDraft = useSettled(desk.draft.chart, 120);
  const settledChart = trial ?? settledDraft;
  const chart = useChart(trial ?? readDraft, doubles);
  const [tried, setTried] = useState<TriedFigure | null>(null);
  const [triedColours, setTriedColours] = useState<Colour[] | null>(null);
  const [triedChoices, setTriedChoices] = useState<Choices | null>(null);
  const hands = useHands();
  const hand = hands.data?.find((each) => each.inUse)?.measures;
  const asked = useMemo<Asked>(
    () => ({
      chart: settledChart,
      choices: tried
        ? withTried(desk.draft.choices, tried)
        : triedColours
          ? { ...desk.draft.choices, colours: triedColours }
          : (triedChoices ?? desk.draft.choices),
      hand,
      figures: tried ? [tried.file] : [],
    }),
    [settledChart, desk.draft.choices, tried, triedColours, triedChoices, hand],
  );
  const arranged = useArrangement(asked);
  useEffect(() => {
    const events = ["pointerdown", "keydown"] as const;
    for (const each of events) window.addEventListener(each, fetchAhead, { once: true });
    return () => {
      for (const each of events) window.removeEventListener(each, fetchAhead);
    };
  }, []);
  const [compared, setCompared] = useState<Compared | null>(null);
  const arrangement = arranged.data;
  useHeldWays(
    asked,
    desk,
    arranged.isPlaceholderData ? undefined : arrangement,
    tried !== null || trial !== null || triedColours !== null || triedChoices !== null,
  );
  const bars = arrangement?.bars.length ?? 0;
  const [selection, select] = useSelection(bars);
  const [looping, setLooping] = useState(true);
  const [tempo, setTempo] = useState<number | null>(null);
  const [struck, setStruck] = useState<number | null>(null);
  const [pointed, setPointed] = useState<number[]>([]);
  const onLevel = useRef<((level: number | null) => void) | null>(null);
  const [help, setHelp] = useState(false);
  const bpm = tempo ?? arrangement?.tempo.bpm ?? 100;
  const beatTicks = arrangement?.tempo.beatTicks ?? 960;
  const sound = usePlayer(arrangement, selection, looping, (bpm * beatTicks) / 960);
  // What was asked for is shown until the answer that tells what holds is there.
  const [wanted, setWanted] = useState<{ level: number | null; over: typeof arrangement } | null>(null);
  const level =
    wanted && wanted.over === arrangement
      ? wanted.level
      : (arrangement?.bars[selection[0]]?.choices.chosen.level ?? null);
  const takeLevel = (next: number | null) => {
    setWanted({ level: next, over: arrangement });
    if (onLevel.current) onLevel.current(next);
    else {
      const { level: _before, ...choices } = desk.draft.choices;
      desk.change({ choices: next === null ? choices : { ...choices, level: next } });
    }
  };
  const setBpm = useCallback((next: number) => setTempo(playable(next)), []);
  const [tap] = useState(tapping);
  const half = playable((arrangement?.tempo.bpm ?? 100) / 2);

  const compare = useLatest(() => {
    if (!compared) return;
    const { arrangementId, arrangement: name, choices, others } = desk.draft;
    const other = others.find((each) => each.name === compared.name);
    setCompared({ name, choices, figure: arrangement?.bars[selection[0]]?.choices.figure ?? "" });
    // Another arrangement is opened; other choices of this one take their place.
    if (other)
      desk.change({
        arrangementId: other.id,
        arrangement: other.name,
        choices: other.choices,
        others: [{ id: arrangementId, name, choices }, ...others.filter((each) => each !== other)],
      });
    else desk.change({ choices: compared.choices });
  });

  useKeys({
    selection,
    bars,
    select,
    sound,
    toggleLoop: () => setLooping(!looping),
    tempo: (by) => setBpm(bpm + by),
    tap: () => {
      const tapped = tap(performance.now());
      if (tapped !== null) setBpm(tapped);
    },
    half: () => setTempo(bpm === half ? null : half),
    undo: desk.undo,
    redo: desk.redo,
    help: () => setHelp(!help),
    compare: () => /\/(left|right)-hand$/.test(pathname) && compare(),
    level: takeLevel,
  });

  const takeDoubles = useCallback((way: Doubles) => {
    keepDoubles(way);
    setDoubles(way);
  }, []);

  const context: Desk = {
    song,
    desk,
    chart: chart.data,
    chartError: chart.error,
    arrangement,
    arrangementError: arranged.error,
    settledChart,
    asked,
    tried,
    setTried,
    triedColours,
    setTriedColours,
    compared,
    setCompared,
    compare,
    selection,
    select,
    sound,
    struck,
    setStruck,
    pointed,
    setPointed,
    onLevel,
    bpm,
    trial,
    setTrial,
    setShown,
    setAims,
    setOnKey: hearKeys,
    doubles,
    setDoubles: takeDoubles,
    setTriedChoices,
    setTempo,
  };

  return (
    <div className="grid h-full min-h-[640px] grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)_auto]">
      <a
        href="#work"
        className="sr-only focus:not-sr-only focus:absolute focus:top-1 focus:left-1 focus:z-50 focus:rounded-plank focus:bg-ink focus:px-4 focus:py-2 focus:text-ground"
      >
        To the work
      </a>
      <Masthead
        songId={song.id}
        title={chart.data?.title ?? song.title}
        chart={chart.data}
        desk={desk}
        spanMm={hand ? spanOf(hand) : null}
        onHelp={() => setHelp(true)}
      />
      <Trouble
        desk={desk}
        failed={sound.state === "failed"}
        changedFigures={song.changedFigures}
        leftOut={song.leftOut}
        unheard={arranged}
      />
      <main id="work" tabIndex={-1} className="min-h-0 overflow-hidden outline-none">
        <DeskOf desk={context}>
          <Outlet />
        </DeskOf>
      </main>
      <Dock
        arrangement={arrangement}
        selection={selection}
        sound={sound}
        struck={struck}
        spanMm={spanOf(hand)}
        shown={shown}
        aims={aims}
        onKey={onKey?.heard ?? null}
        looping={looping}
        setLooping={setLooping}
        bpm={bpm}
        setBpm={setBpm}
        level={level}
        setLevel={takeLevel}
        resetTempo={tempo !== null && tempo !== arrangement?.tempo.bpm ? () => setTempo(null) : null}
      />
      <Help open={help} onClose={() => setHelp(false)} />
    </div>
  );
}

/**
 * With a level on, the ways its levels took are kept with the choices: they change when the levels no longer rise with
 * them, not with every chord.
 */
function useHeldWays(asked: Asked, desk: DraftDesk, arrangement: Desk["arrangement"], trying: boolean) {
  const leveled = arrangement?.bars.some((bar) => bar.choices.chosen.level) ?? false;
  const found = useWays(asked, leveled && !trying).data;
  const { draft, note } = desk;
  useEffect(() => {
    const held = draft.choices.ways;
    if (trying || asked.choices !== draft.choices || !arrangement) return;
    if (!leveled && held) {
      const { ways: _gone, ...choices } = draft.choices;
      note(choices);
    } else if (leveled && found && JSON.stringify(found) !== JSON.stringify(held))
      note({ ...draft.choices, ways: found });
  }, [asked, arrangement, leveled, found, draft, note, trying]);
}

function Trouble({
  desk,
  failed,
  changedFigures,
  leftOut,
  unheard,
}: {
  desk: DraftDesk;
  failed: boolean;
  changedFigures: Record<string, string>;
  /** What is kept and cannot be used. */
  leftOut: string[];
  /** What is played, and why it could not be had if that is so. */
  unheard: Pick<ReturnType<typeof useArrangement>, "data" | "error" | "refetch">;
}) {
  const navigate = useNavigate();
  const keeping = desk.keeping;
  // As it was opened: once it is kept anew it is known no more.
  const [unknown, setUnknown] = useState(leftOut);
  return (
    <div>
      <ChangedFigures desk={desk} changed={changedFigures} />
      {unknown.length > 0 && (
        <Notice>
          <LeftOut what={unknown} folded>
            Some of what was chosen for this song is not known here; the usual is played in its place
          </LeftOut>
          <LinkButton strong onClick={() => setUnknown([])}>
            Go on with it
          </LinkButton>
        </Notice>
      )}
      {keeping.state === "stale" && (
        <Notice alert>
          <span>
            This song was changed elsewhere, in another tab perhaps. Yours is still on this screen; nothing was
            overwritten.
          </span>
          <LinkButton strong onClick={() => desk.keepCopy().then((id) => navigate(`/songs/${id}/chart`))}>
            Keep mine as a copy
          </LinkButton>
          <LinkButton strong onClick={() => desk.takeTheirs()}>
            Take the other one
          </LinkButton>
        </Notice>
      )}
      {keeping.state === "gone" && (
        <Notice alert>
          <span>This song was removed, in another tab perhaps. Yours is still on this screen.</span>
          <LinkButton strong onClick={() => desk.keepCopy().then((id) => navigate(`/songs/${id}/chart`))}>
            Keep mine as a copy
          </LinkButton>
        </Notice>
      )}
      {keeping.state === "waiting" && (
        <Notice alert>
          <span>
            Not kept yet: {keeping.why} Your work stays on this screen and in this browser; it is tried again by itself.
          </span>
        </Notice>
      )}
      {keeping.state === "refused" && (
        <Notice alert>
          <span>Not kept: {keeping.why} What was kept before is safe.</span>
        </Notice>
      )}
      {unheard.error && unheard.data && (
        <Notice alert>
          <span>{unheard.error.message} What could be played last stays here.</span>
          <LinkButton strong onClick={() => unheard.refetch()}>
            Try again
          </LinkButton>
        </Notice>
      )}
      {failed && (
        <Notice alert>
          <span>
            The piano recordings could not be loaded, so nothing sounds. Everything else works; press play to try again.
          </span>
        </Notice>
      )}
    </div>
  );
}

/** The selected bars, none meaning all; they stand in the address too: ?bars=1-4, counted as written from 1. */
function useSelection(bars: number): [[number, number], (from: number, to: number) => void] {
  const [search, setSearch] = useSearchParams();
  const address = search.get("bars") ?? "";
  const [wanted, want] = useState(() => namedBars(address));
  const [from, to] = barsWithin(wanted, bars);
  const selection = useMemo<[number, number]>(() => [from, to], [from, to]);
  const select = useCallback((first: number, end: number) => want([Math.min(first, end), Math.max(first, end)]), []);
  useEffect(() => {
    const written = wanted ? `${wanted[0] + 1}-${wanted[1] + 1}` : "";
    if (written === address) return;
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        next.set("bars", written);
        return next;
      },
      { replace: true },
    );
  }, [wanted, address, setSearch]);
  return [selection, select];
}
