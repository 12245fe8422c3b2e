import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import type { Choices as Chosen, Figure, Options } from "../../api/client";
import { useFigures, useReadOver, useSuggestions, useThereIs } from "../../api/queries";
import { wakeEngraver } from "../../score/engraver";
import { useArranged, useMarked, useOpenSong, useWork } from "../../song/desk";
import { NoBars } from "../../song/NoBars";
import { barsOf, barsOfTheirOwn, choose, follow, ownOptions, playedAt, type Scope, scopeName } from "../../song/scope";
import { rowOf, useTable } from "../../song/table";
import { MistakeLink } from "../../ui/MistakeLink";
import { Workbench } from "../../ui/Workbench";
import { Arrangements } from "./Arrangements";
import { type Edited, EditedFigure } from "./EditedFigure";
import { Figures } from "./Figures";
import { Fitting } from "./Fitting";
import { OwnBar } from "./OwnBar";
import { Ribbon } from "./Ribbon";
import { Side } from "./Side";
import { Staff } from "./Staff";
import { nameOf } from "./shelves";
import { type Panel, WholeSongChanged } from "./Told";

const SONG: Scope = { kind: "song" };

/** The workbench: the song as a row of planks, figures to try, the engraved staff, the step line, the choices. */
export function LeftHand() {
  const { desk, asked, compared, setCompared, compare } = useWork();
  const { arrangement, arrangementError, bpm } = useArranged();
  const { selection, select, struck, setStruck, pointed, setPointed } = useMarked();
  const open = useOpenSong();
  useEffect(() => void wakeEngraver(), []);
  const queries = useQueryClient();
  const figures = useFigures();
  const thereIs = useThereIs();
  const table = useTable();
  const [held, setScope] = useState<Scope>(SONG);
  const [told, setTold] = useState<{ before: Chosen; more: Options; bars: string } | null>(null);
  const [editing, setEditing] = useState<Edited | null>(null);
  const [fitting, setFitting] = useState<Figure | null>(null);
  const [broken, setBroken] = useState<number | null>(null);
  const [panel, setPanel] = useState<Panel>("choices");
  const read = useReadOver(asked, panel === "read");
  const choices = desk.draft.choices;
  // What is chosen for bars follows the bars that are taken; a section stays the one it was.
  const scope: Scope = held.kind === "bars" && arrangement ? follow(held, barsOf(arrangement.bars, selection)) : held;
  const holding = arrangement?.bars[selection[0]]?.choices;
  // What was chosen just now for the place itself is known before the answer comes.
  const options: Options = scope.kind === "song" ? choices : { ...holding?.chosen, ...ownOptions(choices, scope) };
  const suggested = useSuggestions(asked, options.level ?? null);
  const figureId = options.figure ?? rowOf(table, "song", "figure")?.usual;
  const figure = figures.data?.find((each) => each.id === figureId);
  // What sounds is known of a choice once its answer is there.
  const heard =
    holding && holding.chosen.figure === figureId && (holding.chosen.level ?? null) === (options.level ?? null)
      ? holding.figure
      : undefined;
  const byHand = figures.data?.find((each) => broken !== null && each.id === arrangement?.bars[broken]?.choices.figure);
  const barScope = (bar: number): Scope => ({ kind: "bars", bars: barsOf(arrangement?.bars ?? [], [bar, bar]) });
  const change = (next: Chosen) => {
    setTold(null);
    desk.change({ choices: next });
  };
  const all = !arrangement || (selection[0] === 0 && selection[1] === arrangement.bars.length - 1);
  // Bars that are let go of are nothing to choose for any more.
  const wasAll = useRef(all);
  useEffect(() => {
    if (all && !wasAll.current) setScope((now) => (now.kind === "bars" ? SONG : now));
    wasAll.current = all;
  }, [all]);
  // Bars that choices go to are the ones that are taken.
  const takeScope = (next: Scope) => {
    const place = playedAt(arrangement?.bars ?? [], next);
    if (place) select(...place);
    setScope(next);
  };
  const chooseHere = (more: Options) => {
    change(choose(table, choices, scope, more));
    // Who has taken bars may have meant them.
    if (arrangement && scope.kind === "song" && !all)
      setTold({ before: choices, more, bars: barsOf(arrangement.bars, selection) });
  };
  const takeLevel = (level: number | null) => chooseHere({ level: level ?? undefined });
  // Keys reach the level wherever choices go to at the moment.
  useEffect(() => {
    open.onLevel = takeLevel;
    return () => {
      open.onLevel = null;
    };
  });
  const ask = (stroke: number | null) => {
    setPointed([]);
    setStruck(stroke);
  };

  if (!arrangement) return <NoBars error={arrangementError} waiting="Laying the left hand …" />;
  const faults = arrangement.problems.filter((problem) => problem.severity === "error").length;
  return (
    <Workbench
      top={
        <Ribbon
          bpm={bpm}
          bars={arrangement.bars}
          selection={selection}
          onSelect={select}
          own={barsOfTheirOwn(choices)}
          doubtful={
            panel === "read" ? read.data?.faults.filter((fault) => !fault.waved).map((fault) => fault.bar) : undefined
          }
        />
      }
      left={{
        name: "Figures",
        wide: 16.5,
        narrow: 14,
        panel: (
          <Figures
            figures={figures.data ?? []}
            chosen={figure?.id}
            meter={arrangement.bars[selection[0]]?.meter ?? "4/4"}
            suggested={suggested.data}
            where={scopeName(scope)}
            level={options.level ?? null}
            heard={heard}
            onLevel={takeLevel}
            onChoose={(id) => {
              if (id !== figure?.id)
                setCompared({ name: desk.draft.arrangement, choices, figure: holding?.figure ?? "" });
              chooseHere({ figure: id });
            }}
            onEdit={(each, copy) => setEditing({ figure: each, copy })}
            onFits={setFitting}
            onKept={() => queries.invalidateQueries({ queryKey: ["figures"] })}
          />
        ),
      }}
      right={{
        name: "Choices",
        wide: 15.5,
        narrow: 13,
        panel: (
          <Side
            panel={panel}
            onPanel={(next) => {
              setPointed([]);
              setPanel(next);
            }}
            scope={scope}
            onScope={takeScope}
            options={options}
            figure={figure}
            thereIs={thereIs.data}
            suggested={suggested.data}
            read={read}
            onAsk={ask}
            onChange={change}
            onChoose={chooseHere}
            onLevel={takeLevel}
          />
        ),
      }}
    >
      {fitting && <Fitting figure={fitting} onClose={() => setFitting(null)} />}
      {editing ? (
        <EditedFigure
          edited={editing}
          setEdited={setEditing}
          onKept={(id) => change(choose(table, choices, scope, { figure: id }))}
        />
      ) : (
        <section
          aria-label="Staff and step line"
          className="min-h-0 min-w-0 overflow-auto px-4 pt-0.5 pb-1 max-md:shrink-0 max-md:overflow-visible"
        >
          <Staff
            onBreak={figure && (holding?.figure ?? "") === figureId ? setBroken : undefined}
            steps={
              broken !== null && arrangement.bars[broken] && byHand
                ? {
                    bar: broken,
                    editor: (
                      <OwnBar
                        key={broken}
                        arrangement={arrangement}
                        bar={broken}
                        figure={byHand}
                        kept={ownOptions(choices, barScope(broken)).strokes}
                        onStrokes={(strokes) => change(choose(table, choices, barScope(broken), { strokes }))}
                        onClose={() => setBroken(null)}
                      />
                    ),
                  }
                : undefined
            }
            lit={pointed.length > 0 ? pointed : struck !== null ? [struck] : []}
            onStroke={ask}
            beside={
              <p className="flex min-w-0 items-baseline gap-3 text-quiet">
                <Arrangements />
                <button
                  type="button"
                  disabled={!compared}
                  onClick={compare}
                  title="The other of two sets of choices (A)"
                  className="min-h-8 truncate disabled:opacity-50"
                >
                  A: <span className="font-semibold text-ink">{nameOf(figures.data, holding?.figure)}</span>
                  {compared && (
                    <>
                      {" "}
                      · B: {compared.name === desk.draft.arrangement ? "" : `${compared.name}, `}
                      {nameOf(figures.data, compared.figure)}
                    </>
                  )}
                </button>
              </p>
            }
            notices={
              <>
                {told && choices !== told.before && (
                  <WholeSongChanged
                    bars={scopeName({ kind: "bars", bars: told.bars })}
                    onUndo={() => {
                      setTold(null);
                      desk.undo();
                    }}
                    onOnly={() => {
                      change(choose(table, told.before, { kind: "bars", bars: told.bars }, told.more));
                      setScope({ kind: "bars", bars: told.bars });
                    }}
                    onClose={() => setTold(null)}
                  />
                )}
                {faults > 0 && (
                  <p className="mb-1 border-accent border-l-4 bg-wash px-3 py-1.5">
                    The chart has {faults === 1 ? "a mistake" : `${faults} mistakes`}; the rest is played.{" "}
                    <MistakeLink>{faults === 1 ? "To the mistake" : "To the first"}</MistakeLink>
                  </p>
                )}
              </>
            }
          />
        </section>
      )}
    </Workbench>
  );
}
