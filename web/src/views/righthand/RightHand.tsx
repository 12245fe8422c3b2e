import { useEffect, useState } from "react";
import { api, type RightHand as Right, take } from "../../api/client";
import { useFit, useImprovNotes, useRightFigures, useScore } from "../../api/queries";
import { Score } from "../../score/Score";
import { useDesk } from "../../song/desk";
import { NoBars } from "../../song/NoBars";
import { BarSteps } from "../lefthand/BarSteps";
import { pageOf } from "../lefthand/page";
import { Ribbon } from "../lefthand/Ribbon";
import { barsOf } from "../lefthand/scope";
import { aimsOf, overAt } from "./aims";
import { FitPanel, type Taste } from "./FitPanel";
import { HandsPanel } from "./HandsPanel";
import { Hear } from "./Hear";
import { ImprovPanel } from "./ImprovPanel";
import { LicksPanel } from "./LicksPanel";
import { chooseManner, mannerIn } from "./manner";
import { PlayIn } from "./PlayIn";
import { ShapePanel } from "./ShapePanel";
import { TunePanel, TuneTools } from "./TunePanel";
import { barPlace, placeOf } from "./tune";
import { useTuneEdit } from "./useTuneEdit";
import { WhatItPlays } from "./WhatItPlays";

const PANELS = [
  ["fit", "Fit"],
  ["tune", "Tune"],
  ["hands", "Together"],
  ["licks", "Licks"],
  ["improvise", "Improvise"],
  ["shape", "Shape"],
  ["play", "Play in"],
] as const;

/** The right hand over that left hand: chords in a rhythm of their own, or the melody with what lies under it; what fits and what does not. */
export function RightHand() {
  const desk = useDesk();
  const { arrangement, arrangementError, settledChart, asked, selection, select, sound, struck, setStruck, setAims, bpm } = desk;
  const figures = useRightFigures();
  const fit = useFit(settledChart);
  const notes = useImprovNotes(settledChart);
  const [panel, setPanel] = useState<(typeof PANELS)[number][0]>("fit");
  const [own, setOwn] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const tune = useTuneEdit();
  const playing = sound.head.playing && sound.head.bar >= 0;
  const bar = playing ? sound.head.bar : selection[0];
  const [from, to] = pageOf(selection, bar);
  const score = useScore(asked, from, to, Boolean(arrangement) && !arrangementError);
  const here = arrangement?.bars[bar];
  const tick = playing ? Math.max(sound.head.tick, here?.tick ?? 0) : (here?.tick ?? 0);
  const over = notes.data ? overAt(notes.data, bar, tick) : undefined;

  useEffect(() => {
    setAims(panel === "improvise" && over ? aimsOf(over) : []);
    return () => setAims([]);
  }, [panel, over, setAims]);

  if (!arrangement || !here) return <NoBars error={arrangementError} waiting="Laying both hands …" />;
  const harmonise = async (pace: "bar" | "half" | "beat", style: Taste) => {
    await desk.desk
      .edit(({ chart }) => take(api.POST("/api/right-hand/harmonise", { body: { chart, pace, style } })))
      .catch((error) => setTrouble(error instanceof Error ? error.message : String(error)));
  };
  const right: Right = desk.desk.draft.choices.right ?? { style: "none" };
  const change = (next: Right) => desk.desk.change({ choices: { ...desk.desk.draft.choices, right: next } });
  const section = own && here.section ? here.section : null;
  const notices = arrangement.problems.filter((problem) => problem.line === null);
  return (
    <div className="grid h-full grid-cols-[16.5rem_minmax(0,1fr)_17rem] grid-rows-[auto_minmax(0,1fr)] max-lg:grid-cols-[14rem_minmax(0,1fr)_14rem] max-md:flex max-md:flex-col max-md:overflow-auto">
      <div className="col-span-3 max-md:w-full">
        <Ribbon
          bpm={bpm}
          bars={arrangement.bars}
          selection={selection}
          onSelect={select}
          playing={sound.head.playing ? sound.head.bar : -1}
        />
      </div>
      <WhatItPlays
        right={right}
        figures={figures.data ?? []}
        meter={here.meter}
        hasTune={(fit.data?.notes.length ?? 0) > 0}
        filled={[
          ...new Set(
            arrangement.strokes
              .filter((stroke) => stroke.origin === "fill")
              .flatMap((stroke) => arrangement.bars[stroke.bar]?.number ?? []),
          ),
        ]}
        section={here.section}
        own={own}
        onOwn={setOwn}
        onChange={change}
      />
      <section
        aria-label="Staff and step line"
        className="min-h-0 min-w-0 overflow-auto px-4 pt-1 pb-2 max-md:shrink-0 max-md:overflow-visible"
      >
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="whitespace-nowrap text-lg">
            {here.section ? `${here.section}, ` : ""}
            {from === to ? `bar ${here.number}` : `bars ${arrangement.bars[from]?.number}–${arrangement.bars[to]?.number}`}
          </h2>
          <Hear sound={sound} />
        </div>
        {trouble && (
          <p role="alert" className="mb-1 border-accent border-l-4 bg-wash px-3 py-1.5">
            {trouble}
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
          onLift={
            panel === "tune"
              ? (stroke, steps) => {
                  const place = desk.chart && placeOf(arrangement, desk.chart, arrangement.strokes[stroke]);
                  for (let i = 0; place && i < Math.abs(steps); i++)
                    tune.change(steps > 0 ? "up" : "down", { place: i === 0 ? place : undefined });
                }
              : undefined
          }
        />
        {panel === "tune" && <TuneTools edit={tune} />}
        <BarSteps bar={bar} struck={struck} setStruck={setStruck} />
        {notices.map((notice) => (
          <p key={notice.code} className="mt-1 text-quiet">
            {notice.message}
          </p>
        ))}
      </section>
      <section
        aria-label="Fit and notes"
        className="min-h-0 overflow-auto border-line border-l px-4 py-2 max-md:shrink-0 max-md:border-l-0"
      >
        <div className="mb-1 flex flex-wrap items-baseline gap-x-3 border-line border-b pb-1">
          {PANELS.map(([name, label]) => (
            <button
              key={name}
              type="button"
              aria-pressed={panel === name}
              onClick={() => setPanel(name)}
              className={`min-h-8 whitespace-nowrap font-semibold font-serif text-[1.06rem] ${panel === name ? "" : "text-quiet underline decoration-dotted underline-offset-4"}`}
            >
              {label}
            </button>
          ))}
        </div>
        {panel === "fit" && (
          <FitPanel
            fit={fit.data}
            bars={arrangement.bars}
            selection={selection}
            onBar={(index) => select(index, index)}
            onHarmonise={harmonise}
          />
        )}
        {panel === "tune" && (
          <TunePanel
            edit={tune}
            shown={mannerIn(right, here.section).style === "melody"}
            onFirst={() => {
              const place = desk.chart && barPlace(desk.chart, arrangement.bars[selection[0]]);
              if (place) tune.change("add", { place });
            }}
            onMelody={() => change(chooseManner(right, right.sections?.[here.section] ? here.section : null, { style: "melody" }))}
          />
        )}
        {panel === "hands" && <HandsPanel bars={arrangement.bars} selection={selection} right={right} onChange={change} />}
        {panel === "licks" && <LicksPanel bar={here} right={right} onChange={change} />}
        {panel === "improvise" && <ImprovPanel notes={notes.data} over={over} bar={here} />}
        {panel === "play" && <PlayIn />}
        {panel === "shape" && (
          <ShapePanel
            chart={settledChart}
            bars={barsOf(arrangement.bars, selection)}
            onHold={() => change(chooseManner(right, section, { style: "comping", shapes: "held" }))}
          />
        )}
      </section>
    </div>
  );
}
