import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, type RightHand as Right, take } from "../../api/client";
import { useFit, useImprovNotes, useRightFigures } from "../../api/queries";
import { wakeEngraver } from "../../score/engraver";
import { useArranged, useMarked, useShown, useSound, useWork } from "../../song/desk";
import { NoBars } from "../../song/NoBars";
import { barsOf } from "../../song/scope";
import { useTable } from "../../song/table";
import { playedBar, usePlaying } from "../../sound/playing";
import { Workbench } from "../../ui/Workbench";
import { type Edited, EditedFigure } from "../lefthand/EditedFigure";
import { Ribbon } from "../lefthand/Ribbon";
import { Staff } from "../lefthand/Staff";
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
  ["fit", "Tune and chords"],
  ["tune", "Tune"],
  ["hands", "Both hands"],
  ["licks", "Licks"],
  ["improvise", "Improvise"],
  ["shape", "One shape"],
  ["play", "Play in"],
] as const;

/**
 * The right hand over that left hand: chords in a rhythm of their own, or the melody with what lies under it; what fits
 * and what does not.
 */
export function RightHand() {
  const { desk, chart, settledChart } = useWork();
  const queries = useQueryClient();
  const { arrangement, arrangementError, bpm } = useArranged();
  const { selection, select, struck, setStruck } = useMarked();
  const { setAims } = useShown();
  const sound = useSound();
  const table = useTable();
  useEffect(() => void wakeEngraver(), []);
  const figures = useRightFigures();
  const fit = useFit(settledChart, desk.draft.choices.colours);
  const notes = useImprovNotes(settledChart, desk.draft.choices.colours);
  const [panel, setPanel] = useState<(typeof PANELS)[number][0]>("fit");
  const [own, setOwn] = useState(false);
  const [editing, setEditing] = useState<Edited | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const tune = useTuneEdit();
  const played = usePlaying(playedBar);
  const bar = played >= 0 ? played : selection[0];
  const here = arrangement?.bars[bar];
  const over = usePlaying((head) =>
    notes.data
      ? overAt(notes.data, bar, head.playing ? Math.max(head.tick, here?.tick ?? 0) : (here?.tick ?? 0))
      : undefined,
  );

  useEffect(() => {
    setAims(panel === "improvise" && over ? aimsOf(over) : []);
    return () => setAims([]);
  }, [panel, over, setAims]);

  if (!arrangement || !here) return <NoBars error={arrangementError} waiting="Laying both hands …" />;
  const harmonise = async (pace: "bar" | "half" | "beat", style: Taste) => {
    await desk
      .edit(({ chart }) => take(api.POST("/api/right-hand/harmonise", { body: { chart, pace, style } })))
      .catch((error) => setTrouble(error instanceof Error ? error.message : String(error)));
  };
  const hymn = () =>
    desk
      .edit(async ({ chart, choices }) => ({
        ...(await take(api.POST("/api/right-hand/harmonise", { body: { chart, pace: "beat", style: "hymn" } }))),
        choices: { ...choices, right: { ...choices.right, style: "melody", under: "parts" } },
      }))
      .catch((error) => setTrouble(error instanceof Error ? error.message : String(error)));
  const right: Right = desk.draft.choices.right ?? { style: "none" };
  const change = (next: Right) => desk.change({ choices: { ...desk.draft.choices, right: next } });
  const section = own && here.section ? here.section : null;
  return (
    <Workbench
      top={<Ribbon bpm={bpm} bars={arrangement.bars} selection={selection} onSelect={select} />}
      left={{
        name: "What it plays",
        wide: 16.5,
        narrow: 14,
        panel: (
          <WhatItPlays
            table={table}
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
            onEdit={(figure, copy) => setEditing({ figure, copy })}
            onBrought={() => queries.invalidateQueries({ queryKey: ["figures"] })}
          />
        ),
      }}
      right={{
        name: "Tune and chords",
        wide: 17,
        narrow: 14,
        panel: (
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
                onHymn={hymn}
              />
            )}
            {panel === "tune" && (
              <TunePanel
                edit={tune}
                shown={mannerIn(table, right, here.section).style === "melody"}
                onFirst={() => {
                  const place = chart && barPlace(chart, arrangement.bars[selection[0]]);
                  if (place) tune.change("add", { place });
                }}
                onMelody={() =>
                  change(
                    chooseManner(table, right, right.sections?.[here.section] ? here.section : null, {
                      style: "melody",
                    }),
                  )
                }
              />
            )}
            {panel === "hands" && (
              <HandsPanel bars={arrangement.bars} selection={selection} right={right} onChange={change} />
            )}
            {panel === "licks" && <LicksPanel bar={here} right={right} onChange={change} />}
            {panel === "improvise" && <ImprovPanel notes={notes.data} over={over} bar={here} />}
            {panel === "play" && <PlayIn />}
            {panel === "shape" && (
              <ShapePanel
                chart={settledChart}
                colours={desk.draft.choices.colours}
                bars={barsOf(arrangement.bars, selection)}
                onHold={() => change(chooseManner(table, right, section, { style: "comping", shapes: "held" }))}
              />
            )}
          </section>
        ),
      }}
    >
      {editing ? (
        <EditedFigure
          edited={editing}
          setEdited={setEditing}
          onKept={(id) => change(chooseManner(table, right, section, { style: "comping", figure: id }))}
        />
      ) : (
        <section
          aria-label="Staff and step line"
          className="min-h-0 min-w-0 overflow-auto px-4 pt-0.5 pb-1 max-md:shrink-0 max-md:overflow-visible"
        >
          <Staff
            lit={struck !== null ? [struck] : []}
            onStroke={setStruck}
            beside={<Hear sound={sound} />}
            notices={
              trouble && (
                <p role="alert" className="mb-1 border-accent border-l-4 bg-wash px-3 py-1.5">
                  {trouble}
                </p>
              )
            }
            between={panel === "tune" && <TuneTools edit={tune} />}
            onLift={
              panel === "tune"
                ? (stroke, steps) => {
                    const place = chart && placeOf(arrangement, chart, arrangement.strokes[stroke]);
                    for (let i = 0; place && i < Math.abs(steps); i++)
                      tune.change(steps > 0 ? "up" : "down", { place: i === 0 ? place : undefined });
                  }
                : undefined
            }
          />
        </section>
      )}
    </Workbench>
  );
}
