import { useMemo } from "react";
import { Link } from "react-router";
import type { Figure } from "../../api/client";
import { useFigures, useScore } from "../../api/queries";
import { Score } from "../../score/Score";
import { USUAL_SPAN, useDesk } from "../../song/desk";
import { StepLine } from "../../steps/StepLine";
import { reasonOf } from "../../ui/words";
import { Choices } from "./Choices";
import { Figures } from "./Figures";
import { pageOf } from "./page";
import { Ribbon } from "./Ribbon";

/** So many names fit under their own steps; more of them run on in lines. */
const MOST_ALIGNED = 8;

/** The workbench: the song as a row of planks, figures to try, the engraved staff, the step line, the choices. */
export function LeftHand() {
  const { desk, arrangement, arrangementError, settledChart, selection, select, sound, struck, setStruck } = useDesk();
  const figures = useFigures();
  const figure = figures.data?.find((each) => each.id === (desk.draft.choices.figure ?? "held"));
  const bar = sound.head.playing && sound.head.bar >= 0 ? sound.head.bar : selection[0];
  const [from, to] = pageOf(selection, bar);
  const score = useScore(settledChart, desk.draft.choices, USUAL_SPAN, from, to, Boolean(arrangement) && !arrangementError);
  const choose = (choices: typeof desk.draft.choices) => desk.change({ choices: { ...desk.draft.choices, ...choices } });

  if (!arrangement) {
    return (
      <div className="px-6 py-10">
        <p className="max-w-xl text-lg">
          {arrangementError
            ? "There is no bar to play yet. Write one in the chart: a row such as C Am F G is enough."
            : "Laying the left hand …"}
        </p>
        {arrangementError && (
          <Link to="../chart" relative="path" className="mt-3 inline-block min-h-10 font-semibold text-accent underline underline-offset-4">
            To the chart
          </Link>
        )}
        {arrangementError?.problems.map((problem) => (
          <p key={`${problem.line}.${problem.column}.${problem.code}`} className="mt-2 text-quiet">
            Line {problem.line}: {problem.message}
          </p>
        ))}
      </div>
    );
  }
  const notices = arrangement.problems.filter((problem) => problem.line === null);
  const faults = arrangement.problems.filter((problem) => problem.severity === "error").length;
  return (
    <div className="grid h-full grid-cols-[16.5rem_minmax(0,1fr)_15.5rem] grid-rows-[auto_minmax(0,1fr)] max-lg:grid-cols-[14rem_minmax(0,1fr)_13rem] max-md:flex max-md:flex-col max-md:overflow-auto">
      <div className="col-span-3 max-md:w-full">
        <Ribbon bars={arrangement.bars} selection={selection} onSelect={select} playing={sound.head.playing ? sound.head.bar : -1} />
      </div>
      <Figures
        figures={figures.data ?? []}
        chosen={figure?.id}
        meter={arrangement.bars[selection[0]]?.meter ?? "4/4"}
        onChoose={(id) => choose({ figure: id })}
      />
      <section
        aria-label="Staff and step line"
        className="min-h-0 min-w-0 overflow-auto px-4 pt-1 pb-2 max-md:shrink-0 max-md:overflow-visible"
      >
        <div className="flex items-baseline justify-between gap-4">
          <h2 className="text-lg">{heading(arrangement.bars, from, to)}</h2>
          {figure && (
            <p className="truncate text-quiet">
              {figure.name} · level {figure.level}
            </p>
          )}
        </div>
        {arrangementError && (
          <p className="mb-1 border-accent border-l-4 bg-wash px-3 py-1.5">
            {arrangementError.message} The last left hand that could be played stays here.
          </p>
        )}
        {faults > 0 && (
          <p className="mb-1 border-accent border-l-4 bg-wash px-3 py-1.5">
            The chart has {faults === 1 ? "a mistake" : `${faults} mistakes`}; the rest is played.
          </p>
        )}
        <Score
          xml={score.data}
          label={`Grand staff, bars ${from + 1} to ${to + 1}`}
          lit={sound.head.playing ? sound.head.strokes : struck !== null ? [struck] : []}
          onStroke={(stroke) => {
            setStruck(stroke);
            sound.strike(stroke);
          }}
        />
        <BarSteps bar={bar} figure={figure} struck={struck} setStruck={setStruck} />
        {notices.map((notice) => (
          <p key={notice.code} className="mt-1 text-quiet">
            {notice.message}
          </p>
        ))}
      </section>
      <Choices figure={figure} choices={desk.draft.choices} feel={arrangement.feel} swingRatio={arrangement.swingRatio} onChoose={choose} />
    </div>
  );
}

function heading(bars: { number: number; section: string }[], from: number, to: number): string {
  const section = bars[from]?.section;
  const run = from === to ? `bar ${bars[from]?.number}` : `bars ${bars[from]?.number}–${bars[to]?.number}`;
  return section ? `${section}, ${run}` : run.charAt(0).toUpperCase() + run.slice(1);
}

/** The bar of the moment as footwork, large, with its count; a step can be struck and asked. */
function BarSteps({
  bar,
  figure,
  struck,
  setStruck,
}: {
  bar: number;
  figure: Figure | undefined;
  struck: number | null;
  setStruck: (stroke: number | null) => void;
}) {
  const { arrangement, sound } = useDesk();
  const here = arrangement?.bars[bar];
  const strokes = useMemo(
    () => (arrangement?.strokes ?? []).map((stroke, index) => ({ stroke, index })).filter(({ stroke }) => stroke.bar === bar),
    [arrangement, bar],
  );
  if (!arrangement || !here) return null;
  const lit = sound.head.playing
    ? arrangement.strokes[sound.head.strokes[0] ?? -1]
    : struck !== null
      ? arrangement.strokes[struck]
      : undefined;
  const asked = struck !== null && !sound.head.playing ? arrangement.strokes[struck] : undefined;
  const roomy = strokes.length <= MOST_ALIGNED;
  const names = strokes.map(({ stroke }) => stroke.notes.map((note) => note.name).join("+")).join(" ");
  return (
    <div className="mt-2">
      <StepLine
        large
        barTicks={here.ticks}
        beatTicks={here.beatTicks}
        steps={strokes.map(({ stroke }) => ({
          tick: stroke.written.tick - here.tick,
          ticks: stroke.written.ticks,
          mark: stroke.mark,
          rolled: stroke.rolled !== null,
          hand: stroke.hand,
        }))}
        litTick={lit ? lit.written.tick - here.tick : null}
        label={`Step line of bar ${here.number}: ${names}`}
      />
      <fieldset className={roomy ? "relative h-9" : "flex flex-wrap gap-x-1"}>
        <legend className="sr-only">Strokes of bar {here.number}</legend>
        {strokes.map(({ stroke, index }) => (
          <button
            key={index}
            type="button"
            aria-pressed={struck === index}
            style={roomy ? { left: `${((stroke.written.tick - here.tick) / here.ticks) * 100}%` } : undefined}
            onClick={() => {
              setStruck(index);
              sound.strike(index);
            }}
            className={`min-h-9 rounded-plank px-1 font-serif ${roomy ? "absolute -ml-1 whitespace-nowrap" : ""} ${struck === index ? "bg-wash text-accent" : ""}`}
          >
            {stroke.notes.map((note) => note.name).join(" ")}
          </button>
        ))}
      </fieldset>
      {asked && figure && (
        <p className="mt-1 text-quiet">
          {reasonOf(asked, figure.name)}
          {asked.rolled &&
            ` ${asked.stretchMm.toFixed(1)} mm are out of a ${USUAL_SPAN} mm hand's reach, so it is rolled upward from the beat.`}
        </p>
      )}
    </div>
  );
}
