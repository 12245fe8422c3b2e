import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useEffect, useState } from "react";
import { Link, Outlet, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { fetchAhead } from "../ahead";
import { songAsked } from "../api/asking";
import type { Refused, Song } from "../api/client";
import { usePlayer } from "../sound/usePlayer";
import { LinkButton } from "../ui/LinkButton";
import { LeftOut, Notice } from "../ui/Notice";
import { namedBars } from "./address";
import { ChangedFigures } from "./ChangedFigures";
import { Dock } from "./Dock";
import { OpenSongContext, SoundContext, useOpenSong, useSound } from "./desk";
import { settledDraft } from "./draft";
import { Help } from "./Help";
import { Masthead } from "./Masthead";
import { OpenSong } from "./openSong";
import { useStored } from "./store";
import { tapping } from "./tempo";
import { useKeys } from "./useKeys";

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
  return <SongDesk key={song.data.id} song={song.data} />;
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

function SongDesk({ song }: { song: Song }) {
  const queries = useQueryClient();
  const [search] = useSearchParams();
  const [open] = useState(() => new OpenSong(song, queries, namedBars(search.get("bars"))));
  useEffect(() => open.open(), [open]);
  useEffect(() => {
    const events = ["pointerdown", "keydown"] as const;
    for (const each of events) window.addEventListener(each, fetchAhead, { once: true });
    return () => {
      for (const each of events) window.removeEventListener(each, fetchAhead);
    };
  }, []);
  return (
    <OpenSongContext value={open}>
      <Rooms />
    </OpenSongContext>
  );
}

/** What is round every view of a song: the heading above it, the transport and the keyboard below. */
function Rooms() {
  const open = useOpenSong();
  const { arrangement, selection, looping, bpm } = useStored(open, ({ arrangement, selection, looping, bpm }) => ({
    arrangement,
    selection,
    looping,
    bpm,
  }));
  const sound = usePlayer(arrangement, selection, looping, (bpm * (arrangement?.tempo.beatTicks ?? 960)) / 960);
  const help = useStored(open, (now) => now.help);
  const { pathname } = useLocation();
  const [tap] = useState(tapping);
  useBarsInAddress(open);
  const { desk } = open.state;
  useKeys({
    selection,
    bars: arrangement?.bars.length ?? 0,
    select: open.select,
    sound,
    toggleLoop: () => open.setLooping(!looping),
    tempo: (by) => open.setTempo(bpm + by),
    tap: () => {
      const tapped = tap(performance.now());
      if (tapped !== null) open.setTempo(tapped);
    },
    half: open.half,
    undo: desk.undo,
    redo: desk.redo,
    help: () => open.setHelp(!help),
    compare: () => /\/(left|right)-hand$/.test(pathname) && open.compare(),
    level: open.takeLevel,
  });
  return (
    <SoundContext value={sound}>
      <div className="grid h-full min-h-[640px] grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)_auto]">
        <a
          href="#work"
          className="sr-only focus:not-sr-only focus:absolute focus:top-1 focus:left-1 focus:z-50 focus:rounded-plank focus:bg-ink focus:px-4 focus:py-2 focus:text-ground"
        >
          To the work
        </a>
        <Masthead />
        <Trouble />
        <main id="work" tabIndex={-1} className="min-h-0 overflow-hidden outline-none">
          <Outlet />
        </main>
        <Dock />
        <Help open={help} onClose={() => open.setHelp(false)} />
      </div>
    </SoundContext>
  );
}

function Trouble() {
  const open = useOpenSong();
  const { song } = open;
  const { desk, arrangement, arrangementError } = useStored(open, ({ desk, arrangement, arrangementError }) => ({
    desk,
    arrangement,
    arrangementError,
  }));
  const failed = useSound().state === "failed";
  const navigate = useNavigate();
  const keeping = desk.keeping;
  // As it was opened: once it is kept anew it is known no more.
  const [unknown, setUnknown] = useState(song.leftOut);
  return (
    <div>
      <ChangedFigures desk={desk} changed={song.changedFigures} />
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
      {arrangementError && arrangement && (
        <Notice alert>
          <span>{arrangementError.message} What could be played last stays here.</span>
          <LinkButton strong onClick={open.askAgain}>
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

/** The bars that are taken stand in the address too: ?bars=1-4, counted as written from 1. */
function useBarsInAddress(open: OpenSong): void {
  const [search, setSearch] = useSearchParams();
  const address = search.get("bars") ?? "";
  const wanted = useStored(open, (now) => now.wanted);
  useEffect(() => {
    const written = wanted ? `${wanted[0] + 1}-${wanted[1] + 1}` : "";
    if (written === "" || written === address) return;
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        next.set("bars", written);
        return next;
      },
      { replace: true },
    );
  }, [wanted, address, setSearch]);
}
