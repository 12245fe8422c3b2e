import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { Link, NavLink, useLocation } from "react-router";
import { type ChartView, editChart } from "../api/client";
import { useFingersShown } from "../score/fingers";
import { Mark, PathMark } from "../ui/Mark";
import { Scheme } from "../ui/Scheme";
import { keyName } from "../ui/words";
import { spanOf, useHeading } from "./desk";
import { draftOf } from "./draft";
import type { DraftDesk, Keeping } from "./openDraft";
import { TitleField } from "./TitleField";
import { Versions } from "./Versions";

const PATH = [
  { view: "chart", name: "Chart" },
  { view: "left-hand", name: "Left hand" },
  { view: "right-hand", name: "Right hand" },
  { view: "colour", name: "Colour" },
  { view: "practise", name: "Practise" },
  { view: "sheet", name: "Sheet" },
];

const FILES = [
  { path: "export/mid?parts=both", name: "MIDI file, both hands" },
  { path: "export/mid?parts=left", name: "MIDI file, left hand alone" },
  { path: "export/musicxml?parts=both", name: "MusicXML, both hands" },
  { path: "export/musicxml?parts=left", name: "MusicXML, left hand alone" },
  { path: "export/musicxml?parts=lead", name: "Lead sheet as MusicXML" },
  { path: "export/musicxml?parts=lead-left", name: "Tune and left hand as MusicXML" },
  { path: "export/mid?parts=lead-left", name: "Tune and left hand as MIDI" },
  { path: "export/musicxml?parts=bass", name: "Bass player's part as MusicXML" },
  { path: "export/abc?parts=lead", name: "Lead sheet as ABC" },
  { path: "export/mid?parts=lead", name: "Lead sheet as MIDI: tune and chords" },
  { path: "export/txt", name: "Chart as text, as typed" },
  { path: "package", name: "All of it in one file, to bring in again" },
];

/** The song's heading and the path of the work. */
export function Masthead() {
  const { song, desk, chart, hand, setHelp } = useHeading();
  const { search, pathname } = useLocation();
  const here = `${pathname}${search}`;
  const fingers = useFingersShown();
  const at = Math.max(
    PATH.findIndex((step) => pathname.endsWith(`/${step.view}`)),
    0,
  );
  return (
    <header className="flex min-h-14 items-center gap-x-4 whitespace-nowrap border-line border-b px-5 max-xl:flex-wrap max-md:px-3">
      <Link to="/" aria-label="Repertoire" title="Repertoire" className="flex h-11 items-center">
        <Mark />
      </Link>
      <TitleField title={chart?.title ?? song.title} desk={desk} />
      <div className="flex shrink-0 items-baseline gap-x-3 text-quiet max-md:shrink">
        {chart && (
          <>
            <KeyMenu chart={chart} desk={desk} />
            <span className="max-2xl:hidden">{chart.meter}</span>
            <span className="max-2xl:hidden">{chart.feel}</span>
          </>
        )}
        <Kept keeping={desk.keeping} />
      </div>
      <nav
        aria-label="The path of the work"
        className="ml-auto flex items-stretch self-stretch max-xl:order-last max-xl:-ml-3 max-xl:h-11 max-xl:w-full max-md:overflow-x-auto"
      >
        {PATH.map((step, index) => (
          <NavLink
            key={step.view}
            to={{ pathname: `/songs/${song.id}/${step.view}`, search }}
            aria-current={index === at ? "page" : undefined}
            className={`flex items-center gap-2 whitespace-nowrap border-b-4 px-3 pt-1 max-2xl:px-1.5 max-xl:px-3 ${index === at ? "border-accent font-semibold text-accent" : "border-transparent"}`}
          >
            <span className={index === at ? "max-xl:hidden" : "max-2xl:hidden"}>
              <PathMark filled={index <= at} />
            </span>
            {step.name}
          </NavLink>
        ))}
      </nav>
      <div className="flex items-center gap-1 max-xl:ml-auto max-md:ml-0 max-md:w-full max-md:flex-wrap *:shrink-0">
        <button
          type="button"
          onClick={desk.undo}
          disabled={!desk.canUndo}
          className="h-10 w-9 text-xl disabled:opacity-40"
          aria-label="Undo"
          title="Undo (Ctrl+Z)"
        >
          ↶
        </button>
        <button
          type="button"
          onClick={desk.redo}
          disabled={!desk.canRedo}
          className="h-10 w-9 text-xl disabled:opacity-40"
          aria-label="Redo"
          title="Redo (Ctrl+Shift+Z)"
        >
          ↷
        </button>
        <Versions songId={song.id} onTake={(state) => desk.change(draftOf(state))} />
        <Menu>
          <MenuButton className="h-10 whitespace-nowrap px-2">Take away ▾</MenuButton>
          <MenuItems
            modal={false}
            anchor="bottom end"
            className="z-30 rounded-plank border border-grain bg-sheet py-1 outline-none [--anchor-gap:2px]"
          >
            {FILES.map((file) => (
              <MenuItem key={file.path}>
                <a
                  href={`/api/songs/${song.id}/${file.path}${file.path.startsWith("export/musicxml") ? `&fingers=${fingers}` : ""}`}
                  download
                  className="flex min-h-10 items-center px-4 data-focus:bg-wash"
                >
                  {file.name}
                </a>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
        <Link
          to={`/hands?back=${encodeURIComponent(here)}`}
          className="flex h-10 items-center px-2 max-sm:hidden!"
          title="Measure your hands; say what you play on"
        >
          My hands{hand ? `, ${Math.round(spanOf(hand))}` : ""}
        </Link>
        <Scheme />
        <button
          type="button"
          onClick={() => setHelp(true)}
          aria-label="Help"
          title="Help (?)"
          className="h-10 w-8 font-semibold text-quiet"
        >
          ?
        </button>
      </div>
    </header>
  );
}

/** The key everything here goes by; another one is named in the chart at a press. */
function KeyMenu({ chart, desk }: { chart: ChartView; desk: DraftDesk }) {
  const name = (key: string) =>
    desk
      .edit(async (draft) => ({ chart: (await editChart(draft.chart, { kind: "key", content: key })).text }))
      .catch(() => undefined);
  return (
    <Menu>
      <MenuButton
        className="min-h-8 underline decoration-dotted underline-offset-4 max-md:hidden"
        title="The key of the song"
      >
        {keyName(chart.key, chart.mode)}
        {chart.keyGiven ? "" : " (found)"} ▾
      </MenuButton>
      <MenuItems
        modal={false}
        anchor="bottom start"
        className="z-30 w-72 rounded-plank border border-grain bg-sheet py-1 outline-none [--anchor-gap:2px]"
      >
        <p className="px-4 py-1 text-[0.9rem] text-quiet">By the chords:</p>
        {chart.keys.map((each) => (
          <MenuItem key={each.key}>
            <button
              type="button"
              onClick={() => name(each.key)}
              className="flex min-h-10 w-full items-center justify-between px-4 text-left data-focus:bg-wash"
            >
              <span className={chart.keyGiven && each.key === chart.key ? "font-semibold" : ""}>
                {keyName(each.key, each.mode)}
              </span>
              <span className="text-quiet">{Math.round(each.confidence * 100)} %</span>
            </button>
          </MenuItem>
        ))}
        {chart.keyGiven && (
          <MenuItem>
            <button
              type="button"
              onClick={() => name("")}
              className="block min-h-10 w-full border-line border-t px-4 text-left data-focus:bg-wash"
            >
              Find it from the chords
            </button>
          </MenuItem>
        )}
      </MenuItems>
    </Menu>
  );
}

const clock = (at: Date) => [at.getHours(), at.getMinutes()].map((each) => String(each).padStart(2, "0")).join(":");

function Kept({ keeping }: { keeping: Keeping }) {
  const words = {
    kept: () => (keeping.state === "kept" ? `kept ${clock(keeping.at)}` : ""),
    keeping: () => "keeping …",
    waiting: () => "not kept yet",
    stale: () => "changed elsewhere",
    gone: () => "removed elsewhere",
    refused: () => "not kept",
  }[keeping.state]();
  return (
    <span
      role="status"
      data-keeping={keeping.state}
      className={
        keeping.state === "kept" || keeping.state === "keeping" ? "max-md:hidden" : "font-semibold text-accent"
      }
    >
      {keeping.state === "kept" ? (
        <>
          kept<span className="max-2xl:sr-only"> {words.replace("kept ", "")}</span>
        </>
      ) : (
        words
      )}
    </span>
  );
}
