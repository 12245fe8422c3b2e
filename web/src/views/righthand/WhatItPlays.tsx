import type { Figure, RightHand } from "../../api/client";
import { ChoiceField } from "../../song/ChoiceField";
import { type Row, rowOf } from "../../song/table";
import { FigureSteps } from "../../steps/FigureSteps";
import { CheckField } from "../../ui/CheckField";
import { LinkButton } from "../../ui/LinkButton";
import { Toggle } from "../../ui/Toggle";
import { isMadeFor } from "../lefthand/Figures";
import { FigureActions, OwnTools } from "../lefthand/OwnTools";
import { chooseManner, forgetManner, type Manner, mannerIn } from "./manner";

/** What a rhythm of one's own begins as. */
const OWN = { name: "Rhythm", family: "own", use: "A rhythm of my own.", minTempo: 40, maxTempo: 240, strokes: [] };

/** What the right hand does: rests, chords in a rhythm of their own, the melody with what lies under it. */
export function WhatItPlays({
  table,
  right,
  figures,
  meter,
  hasTune,
  filled,
  section,
  own,
  onOwn,
  onChange,
  onEdit,
  onBrought,
}: {
  table: Row[];
  right: RightHand;
  figures: Figure[];
  meter: string;
  hasTune: boolean;
  /** Numbers of the bars that have a fill. */
  filled: number[];
  /** The section at hand; empty where the song has none. */
  section: string;
  /** Whether choices go to that section alone. */
  own: boolean;
  onOwn: (own: boolean) => void;
  onChange: (right: RightHand) => void;
  /** A rhythm of one's own is written, or changed. */
  onEdit: (figure: Figure, copy: boolean) => void;
  onBrought: () => void;
}) {
  const row = (id: string) => rowOf(table, "right", id);
  const place = own && section ? section : null;
  const manner = mannerIn(table, right, place);
  const choose = (more: Partial<Manner>) => onChange(chooseManner(table, right, place, more));
  const others = Object.keys(right.sections ?? {});
  const styles = row("style")?.values ?? [];
  const unison = row("unison");
  const fills = right.fills ?? null;
  const plain = right.plain ?? [];
  const fitting = [...figures].sort((one, other) => Number(isMadeFor(other, meter)) - Number(isMadeFor(one, meter)));
  return (
    <section
      aria-label="What the right hand plays"
      className="flex min-h-0 flex-col border-line border-r max-md:order-last max-md:shrink-0 max-md:border-t max-md:border-r-0"
    >
      <div className="px-4 pt-2 pb-1">
        <h2 className="text-lg">The right hand</h2>
        {section && (
          <fieldset className="flex flex-wrap gap-x-3">
            <legend className="sr-only">Choices for</legend>
            {[false, true].map((each) => (
              <Toggle
                key={String(each)}
                onClick={() => onOwn(each)}
                on={own === each}
                quiet
                className="min-h-8 max-w-36 truncate text-[0.93rem]"
              >
                {each ? section : "whole song"}
              </Toggle>
            ))}
            {place && right.sections?.[place] && (
              <LinkButton onClick={() => onChange(forgetManner(right, place))} high={8} className="text-[0.93rem]">
                as the song
              </LinkButton>
            )}
          </fieldset>
        )}
        {!own && others.length > 0 && <p className="text-[0.88rem] text-quiet">Of their own: {others.join(", ")}.</p>}
        <fieldset className="flex gap-3">
          <legend className="sr-only">What it plays</legend>
          {styles.map((each) => (
            <Toggle
              key={each.id}
              onClick={() => choose({ style: each.id as Manner["style"] })}
              on={manner.style === each.id}
              className="min-h-9"
            >
              {each.name}
            </Toggle>
          ))}
        </fieldset>
        <p className="text-[0.9rem] text-quiet leading-snug">
          {manner.style === "melody" && !hasTune
            ? "The chart has no tune yet. Type one under a row of bars in the chart, as Melody: | E2 F G B4 |, play it in, or import it."
            : styles.find((each) => each.id === manner.style)?.use}
        </p>
        {manner.style === "improvise" && <OneOf row={row("manner")} chosen={manner.manner} onChoose={choose} />}
        {manner.style === "improvise" && (
          <p className="flex items-baseline gap-3">
            <span className="text-quiet">chorus {right.chorus ?? 1}</span>
            <LinkButton onClick={() => onChange({ ...right, chorus: (right.chorus ?? 1) + 1 })}>another one</LinkButton>
            {(right.chorus ?? 1) > 1 && (
              <LinkButton onClick={() => onChange({ ...right, chorus: (right.chorus ?? 1) - 1 })}>
                the one before
              </LinkButton>
            )}
          </p>
        )}
        {manner.style === "melody" && hasTune && (
          <div className="flex flex-wrap items-center gap-x-3">
            <CheckField on={fills !== null} onTurn={(on) => onChange({ ...right, fills: on ? 1 : undefined })}>
              fills where it rests
            </CheckField>
            {fills !== null && <LinkButton onClick={() => onChange({ ...right, fills: fills + 1 })}>others</LinkButton>}
            {fills !== null && filled.length > 0 && (
              <fieldset className="flex max-h-20 w-full flex-wrap gap-x-2 overflow-auto">
                <legend className="text-[0.9rem] text-quiet">in bars; press one to let it rest</legend>
                {[...new Set([...filled, ...plain])]
                  .sort((one, other) => one - other)
                  .map((bar) => (
                    <button
                      key={bar}
                      type="button"
                      aria-pressed={!plain.includes(bar)}
                      onClick={() =>
                        onChange({
                          ...right,
                          plain: plain.includes(bar) ? plain.filter((each) => each !== bar) : [...plain, bar],
                        })
                      }
                      className={`min-h-8 min-w-7 ${plain.includes(bar) ? "text-quiet line-through" : "font-semibold"}`}
                    >
                      {bar}
                    </button>
                  ))}
              </fieldset>
            )}
          </div>
        )}
        {section && manner.style !== "none" && unison && (
          <div title="Over the last two beats before a section, where the melody rests">
            <ChoiceField row={unison} value={right.unison} onChoose={(more) => onChange({ ...right, ...more })} />
          </div>
        )}
        {manner.style === "comping" && (
          <>
            <OneOf row={row("shapes")} chosen={manner.shapes} onChoose={choose} />
            <OneOf row={row("top")} chosen={manner.top} onChoose={choose} />
            <div className="flex items-baseline gap-4">
              <span className="text-quiet">A rhythm of your own:</span>
              <OwnTools
                model={fitting[0]}
                onWrite={(model) => onEdit({ ...model, ...OWN, meters: [meter] }, true)}
                onKept={onBrought}
              />
            </div>
          </>
        )}
      </div>
      <ul className="min-h-0 flex-1 overflow-auto border-line border-t max-md:flex">
        {manner.style === "comping" &&
          fitting.map((figure) => (
            <RhythmCard
              key={figure.id}
              figure={figure}
              meter={meter}
              active={manner.figure === figure.id}
              onChoose={() => choose({ figure: figure.id })}
              onEdit={onEdit}
            />
          ))}
        {manner.style === "melody" &&
          (row("under")?.values ?? []).map((each) => (
            <li key={each.id} className="border-line border-b max-md:w-60 max-md:shrink-0">
              <button
                type="button"
                aria-pressed={(manner.under ?? row("under")?.usual) === each.id}
                onClick={() => choose({ under: each.id as Manner["under"] })}
                className={`block min-h-11 w-full border-l-4 px-4 py-1 text-left ${(manner.under ?? row("under")?.usual) === each.id ? "border-accent bg-wash" : "border-transparent"}`}
              >
                <span className="block font-semibold leading-tight">{each.name}</span>
                <span className="block text-[0.88rem] text-quiet leading-snug">{each.use}</span>
              </button>
            </li>
          ))}
      </ul>
    </section>
  );
}

/** A row of words of which one is chosen. */
function OneOf({
  row,
  chosen,
  onChoose,
}: {
  row: Row | undefined;
  chosen: string | undefined;
  onChoose: (more: Partial<Manner>) => void;
}) {
  if (!row) return null;
  return (
    <fieldset className="flex flex-wrap gap-x-3">
      <legend className="sr-only">{row.name}</legend>
      <span aria-hidden="true" className="w-full pt-1 text-quiet first-letter:uppercase">
        {row.name}
      </span>
      {row.values.map((each) => (
        <Toggle
          key={each.id}
          title={each.use || undefined}
          onClick={() => onChoose({ [row.id]: each.id })}
          on={(chosen ?? row.usual) === each.id}
          className="min-h-8 text-[0.93rem]"
        >
          {each.name}
        </Toggle>
      ))}
    </fieldset>
  );
}

function RhythmCard({
  figure,
  meter,
  active,
  onChoose,
  onEdit,
}: {
  figure: Figure;
  meter: string;
  active: boolean;
  onChoose: () => void;
  onEdit: (figure: Figure, copy: boolean) => void;
}) {
  return (
    <li className="border-line border-b [content-visibility:auto] [contain-intrinsic-size:auto_5.6rem] max-md:w-60 max-md:shrink-0">
      <button
        type="button"
        aria-pressed={active}
        title={figure.use}
        onClick={onChoose}
        className={`block w-full border-l-4 px-4 pt-1 pb-0.5 text-left ${active ? "border-accent bg-wash" : "border-transparent"}`}
      >
        <span className="block font-semibold leading-tight">{figure.name}</span>
        <FigureSteps figure={figure} meter={meter} />
      </button>
      {active && <FigureActions figure={figure} onEdit={onEdit} />}
    </li>
  );
}
