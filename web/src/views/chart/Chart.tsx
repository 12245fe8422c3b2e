import { useEffect, useMemo, useRef, useState } from "react";
import { useLocation } from "react-router";
import type { Problem } from "../../api/client";
import { useFit } from "../../api/queries";
import { useArranged, useShown, useWork } from "../../song/desk";
import { playedBar, usePlaying } from "../../sound/playing";
import { isTaken } from "../../ui/keys";
import type { AtMistake } from "../../ui/MistakeLink";
import { DegreeWalk } from "./DegreeWalk";
import { Editor } from "./Editor";
import { Inspector, moveBars } from "./Inspector";
import { offsetOf } from "./marks";
import { SheetView } from "./SheetView";
import { Tools } from "./Tools";
import { byBar } from "./TuneStrip";
import { type Degrees, type Sheet, useSheet } from "./useSheet";
import { useTranspose } from "./useTranspose";
import { useTyped } from "./useTyped";

/** Whether the tune is shown on the sheet, kept in this browser. */
const TUNED = "zapateo.tune";

/** The chart's text on one side, the sheet it makes on the other, in step: either can be written in. */
export function Chart() {
  const { desk, chart, chartError, settledChart } = useWork();
  const { arrangement } = useArranged();
  const coloured = useMemo(
    () =>
      new Map(
        (arrangement?.bars ?? [])
          .filter((bar) => bar.borrowed.length > 0)
          .map((bar) => [bar.index, bar.chords.map((chord) => chord.symbol).join(" ")]),
      ),
    [arrangement],
  );
  const { trial } = useShown();
  const sheet = useSheet(chart);
  const typed = useTyped(desk);
  const problems = chartError ? chartError.problems : (chart?.problems ?? []);
  const field = useRef<HTMLTextAreaElement>(null);
  const [degrees, setDegrees] = useState<Degrees>("roman");
  const [words, setWords] = useState(true);
  const [tuned, setTuned] = useState(() => localStorage.getItem(TUNED) !== "no");
  const hasTune = sheet.bars.some((bar) => bar.tune);
  const fit = useFit(settledChart, undefined, tuned && hasTune);
  const tune = useMemo(
    () => byBar(tuned && hasTune ? (fit.data?.notes ?? []) : [], arrangement?.bars ?? []),
    [tuned, hasTune, fit.data, arrangement],
  );
  const [typing, setTyping] = useState<{ bar: number; text: string } | null>(null);
  const playing = usePlaying(playedBar);
  useSheetKeys(sheet, typing !== null, setTyping);
  const show = (problem: Problem) => {
    if (!field.current || problem.line === null || problem.column === null) return;
    const from = offsetOf(desk.draft.chart, problem.line, problem.column);
    field.current.focus();
    field.current.setSelectionRange(from, from + Math.max(1, problem.length ?? 1));
  };
  // Whoever comes from a note of mistakes is led to the first of them.
  const { state } = useLocation();
  const led = useRef(false);
  const first = problems.find((problem) => problem.severity === "error");
  useEffect(() => {
    if (!first || led.current || !(state as AtMistake | null)?.mistake) return;
    led.current = true;
    show(first);
  });
  return (
    <div className="grid h-full grid-cols-[minmax(21rem,2fr)_minmax(0,3.4fr)] max-md:block max-md:overflow-auto">
      <section
        aria-label="Chart text"
        className="flex min-h-0 flex-col border-line border-r px-5 pt-1 pb-2 max-md:border-r-0 max-md:px-3"
      >
        <h2 className="sr-only">Text</h2>
        <Editor
          text={desk.draft.chart}
          problems={problems}
          bars={sheet.bars}
          chosen={trial === null ? sheet.chosen : null}
          field={field}
          onChange={typed.type}
          onLeave={typed.leave}
          onBar={(bar) => sheet.choose(bar, bar)}
        />
        <Problems
          problems={problems}
          error={chartError && chartError.problems.length === 0 ? chartError.message : sheet.trouble}
          onShow={show}
        />
        <section
          aria-label="The chosen bar"
          className="mt-1 max-h-[19rem] min-h-24 shrink-0 overflow-auto border-line border-t pt-1"
        >
          <Inspector sheet={sheet} />
        </section>
      </section>
      <section aria-label="Sheet" className="flex min-h-0 min-w-0 flex-col">
        {chart && (
          <Tools
            chart={chart}
            sheet={sheet}
            degrees={degrees}
            setDegrees={setDegrees}
            words={words}
            setWords={setWords}
            tune={hasTune ? tuned : null}
            setTune={(on) => {
              localStorage.setItem(TUNED, on ? "yes" : "no");
              setTuned(on);
            }}
          />
        )}
        <div className="min-h-0 flex-1 overflow-auto px-6 py-1.5 max-md:px-3">
          {chart ? (
            <SheetView
              chart={chart}
              sheet={sheet}
              stale={Boolean(chartError)}
              playing={playing}
              degrees={degrees}
              words={words}
              tune={tune}
              coloured={coloured}
              typing={typing}
              onType={setTyping}
            />
          ) : chartError ? (
            <p className="mt-10 max-w-md text-lg">
              The sheet appears here as soon as one bar can be read, such as | C | on a line of its own.
            </p>
          ) : (
            <p className="text-quiet">Reading …</p>
          )}
        </div>
        {chart && (
          <div className="shrink-0 border-line border-t px-6 pt-1 max-md:px-3">
            <DegreeWalk chart={chart} chosen={sheet.chosen} playing={playing} onBar={(bar) => sheet.choose(bar, bar)} />
          </div>
        )}
      </section>
    </div>
  );
}

/** The keys of the sheet; they rest while someone types or has a list or a dialog open. */
function useSheetKeys(
  sheet: Sheet,
  typing: boolean,
  onType: (typing: { bar: number; text: string } | null) => void,
): void {
  const transpose = useTranspose(sheet);
  const latest = useRef({ sheet, typing, onType, transpose });
  latest.current = { sheet, typing, onType, transpose };
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const now = latest.current;
      if (event.defaultPrevented || now.typing || isTaken(event)) return;
      if (act(event, now.sheet, now.onType, now.transpose)) {
        event.preventDefault();
        event.stopImmediatePropagation();
      }
    };
    window.addEventListener("keydown", press, true);
    return () => window.removeEventListener("keydown", press, true);
  }, []);
}

function act(
  event: KeyboardEvent,
  sheet: Sheet,
  onType: (typing: { bar: number; text: string } | null) => void,
  transpose: (to: { semitones: number }) => Promise<boolean>,
): boolean {
  if (!event.ctrlKey && !event.metaKey && !event.altKey && (event.key === "[" || event.key === "]")) {
    transpose({ semitones: event.key === "[" ? -1 : 1 });
    return true;
  }
  if (!sheet.chosen || (sheet.listening && /^(Enter|Escape|[0-9])$/.test(event.key))) return false;
  const [from, to] = sheet.chosen;
  const bar = sheet.bars[from];
  if (!bar) return false;
  if (event.altKey && (event.key === "ArrowLeft" || event.key === "ArrowRight")) {
    moveBars(sheet, event.key === "ArrowLeft" ? -1 : 1);
    return true;
  }
  if (event.ctrlKey || event.metaKey) return withControl(event.key.toLowerCase(), sheet, from, to);
  if (event.altKey) return false;
  switch (event.key) {
    case "Enter":
      if ((event.target as HTMLElement).closest("button:not([data-bar]), a")) return false;
      onType({ bar: bar.bar, text: bar.text });
      return true;
    case "Delete":
    case "Backspace":
      sheet.edit({ kind: "delete", bar: from, to });
      return true;
    case "Insert":
      sheet.edit({ kind: "insert", bar: from, content: "" });
      return true;
    case "ArrowUp":
    case "ArrowDown":
      sheet.setChord(Math.max(0, Math.min(bar.chords.length - 1, sheet.chord + (event.key === "ArrowUp" ? -1 : 1))));
      return true;
    case ",":
    case ".": {
      const beat = Math.round((bar.chords[sheet.chord]?.tick ?? 0) / bar.beatTicks) + (event.key === "," ? -1 : 1);
      if (beat >= 0 && beat * bar.beatTicks < bar.ticks)
        sheet.edit({ kind: "moveChord", bar: bar.bar, chord: sheet.chord, beat });
      return true;
    }
    case "j":
    case "J":
      if (from + 1 < sheet.bars.length) sheet.edit({ kind: "join", bar: from });
      return true;
    default:
      if (/^[A-DF-GN%>("]$/.test(event.key) || (event.key === "E" && event.shiftKey)) {
        onType({ bar: bar.bar, text: event.key });
        return true;
      }
      return false;
  }
}

function withControl(key: string, sheet: Sheet, from: number, to: number): boolean {
  switch (key) {
    case "c":
    case "x":
      sheet.setClip(sheet.bars.slice(from, to + 1).map((bar) => bar.text));
      if (key === "x") sheet.edit({ kind: "delete", bar: from, to });
      return true;
    case "v":
      if (sheet.clip.length > 0) sheet.edit({ kind: "insert", bar: to + 1, content: sheet.clip.join(" | ") });
      return true;
    case "d":
      sheet.edit({ kind: "copy", bar: from, to, before: to + 1 });
      return true;
    default:
      return false;
  }
}

function Problems({
  problems,
  error,
  onShow,
}: {
  problems: Problem[];
  error: string | null;
  onShow: (problem: Problem) => void;
}) {
  return (
    <div id="chart-problems" role="status" className="mt-1 max-h-36 shrink-0 overflow-auto">
      {error && <p className="border-accent border-l-4 bg-wash px-3 py-2">{error}</p>}
      {problems.length === 0 && !error && (
        <p className="text-quiet">Every sign could be read. The question mark above lists them.</p>
      )}
      <ul>
        {problems.map((problem) => (
          <li key={`${problem.line}.${problem.column}.${problem.code}`}>
            <button
              type="button"
              onClick={() => onShow(problem)}
              className={`my-0.5 block min-h-10 w-full border-l-4 px-3 py-1.5 text-left ${problem.severity === "error" ? "border-accent bg-wash" : "border-grain"}`}
            >
              <span className="font-semibold">
                Line {problem.line}, column {problem.column}:
              </span>{" "}
              {problem.message}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
