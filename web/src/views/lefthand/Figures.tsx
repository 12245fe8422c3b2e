import { useDeferredValue, useMemo, useRef, useState } from "react";
import type { Figure, Suggested } from "../../api/client";
import { FigureSteps } from "../../steps/FigureSteps";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { rove } from "../../ui/roving";
import { Toggle } from "../../ui/Toggle";
import { useInSight } from "../../ui/useInSight";
import { FigureActions, OwnTools } from "./OwnTools";
import { FOR_THIS_SONG, MOST, shelved } from "./shelves";

type Shelf = "all" | "worth" | "own";

const ANY = "any";
const NONE: Figure[] = [];

/**
 * The figure book as cards: the step line is the picture. One press tries a figure where the choices go, while it plays
 * too.
 */
export function Figures({
  figures: book,
  chosen,
  meter,
  suggested,
  where,
  level: held,
  heard,
  onChoose,
  onLevel,
  onEdit,
  onFits,
  onKept,
}: {
  figures: Figure[];
  chosen: string | undefined;
  meter: string;
  suggested: Suggested | undefined;
  where: string;
  /** The one that holds where the choices go. */
  level: number | null;
  /** The figure that sounds there. */
  heard: string | undefined;
  onChoose: (id: string) => void;
  onLevel: (level: number | null) => void;
  onEdit: (figure: Figure, copy: boolean) => void;
  onFits: (figure: Figure) => void;
  onKept: (figure: Figure) => void;
}) {
  // The staff is seen first.
  const figures = useDeferredValue(book, NONE);
  const [shelf, setShelf] = useState<Shelf>("all");
  const [search, setSearch] = useState("");
  const [family, setFamily] = useState(ANY);
  const [level, setLevel] = useState(ANY);
  const [onlyFitting, setOnlyFitting] = useState(false);
  const list = useRef<HTMLUListElement>(null);
  const families = useMemo(() => [...new Set(figures.map((figure) => figure.family))], [figures]);
  const worth = new Map(suggested?.figures.map((each, index) => [each.figure, { ...each, index }]));
  const words = search.trim().toLowerCase();
  const shown = figures
    .filter((figure) => shelf !== "worth" || worth.has(figure.id))
    .filter((figure) => shelf !== "own" || figure.version !== null)
    .filter((figure) => shelf !== "all" || family === ANY || figure.family === family)
    .filter((figure) => shelf !== "all" || level === ANY || figure.level <= Number(level))
    .filter((figure) => shelf !== "all" || !onlyFitting || isMadeFor(figure, meter))
    .filter((figure) => !words || `${figure.name} ${figure.family} ${figure.use}`.toLowerCase().includes(words))
    .sort((a, b) => (shelf === "worth" ? (worth.get(a.id)?.index ?? 0) - (worth.get(b.id)?.index ?? 0) : 0));
  const stop = shown.find((figure) => figure.id === chosen)?.id ?? shown[0]?.id;
  // What is looked for by name or kind is found in the order of the book.
  const inOrder = shelf === "all" && !words && family === ANY && level === ANY && !onlyFitting;
  // The chosen card is brought into sight when it was chosen elsewhere – on opening, by A and B, by an occasion –, when
  // it moved to another heading, and when nothing is looked for any more.
  const offered = suggested?.figures.slice(0, MOST).map((each) => each.figure) ?? [];
  useInSight(list, inOrder || shelf !== "all" ? [chosen, shelf, figures.length, ...offered].join(" ") : null);
  return (
    <section
      aria-label="Figures"
      className="flex min-h-0 flex-col border-line border-r max-md:order-last max-md:shrink-0 max-md:border-t max-md:border-r-0"
    >
      <div className="px-4 pt-2 pb-1">
        <div className="flex items-baseline justify-between">
          <h2 className="text-lg">Figures</h2>
          <p className="truncate font-semibold">for {where}</p>
        </div>
        <fieldset className="flex gap-3">
          <legend className="sr-only">Which figures</legend>
          {(
            [
              ["all", "all"],
              ["worth", "worth trying"],
              ["own", "my own"],
            ] as const
          ).map(([value, label]) => (
            <Toggle key={value} onClick={() => setShelf(value)} on={shelf === value} quiet>
              {label}
            </Toggle>
          ))}
        </fieldset>
        {shelf === "all" && (
          <>
            <div className="mt-1 grid grid-cols-[1.35fr_1.15fr_3.5rem] gap-1">
              <input
                type="search"
                value={search}
                onChange={(event) => setSearch(event.target.value)}
                placeholder="find"
                aria-label="Find a figure by its name"
                className="h-8 w-full min-w-0 rounded-plank border border-line bg-sheet px-2"
              />
              <Choice
                slim
                label="Family"
                value={family}
                options={[{ value: ANY, label: "family" }, ...families.map((each) => ({ value: each, label: each }))]}
                onChange={setFamily}
              />
              <Choice
                slim
                label="Level at most"
                value={level}
                options={[
                  { value: ANY, label: "level" },
                  ...["1", "2", "3", "4"].map((each) => ({ value: each, label: `≤ ${each}` })),
                ]}
                onChange={setLevel}
              />
            </div>
            <CheckField on={onlyFitting} onTurn={setOnlyFitting} className="text-[0.9rem] text-quiet">
              made for {meter}
            </CheckField>
          </>
        )}
        {shelf === "worth" && suggested && suggested.common.length > 0 && (
          <p className="pb-1 text-[0.9rem] text-quiet leading-snug">All of these: {suggested.common.join(" ")}</p>
        )}
        {shelf === "own" && (
          <OwnTools
            model={figures.find((figure) => figure.id === "two-feel") ?? figures[0]}
            onWrite={(model) => onEdit(model, true)}
            onKept={onKept}
          />
        )}
      </div>
      <ul
        ref={list}
        onKeyDown={(event) => rove(event, "button[aria-pressed]")}
        className="min-h-0 flex-1 overflow-auto border-line border-t max-md:flex"
      >
        {shown.length === 0 && figures.length > 0 && (
          <li className="px-4 py-3 text-quiet">
            {shelf === "own" ? "None yet. Change a copy of any figure, or write a new one." : "No figure is like that."}
          </li>
        )}
        {(inOrder ? shelved(shown, suggested, held) : [{ name: "", figures: shown }]).map((group) => (
          <li key={group.name}>
            {group.name && (
              <h3 className="border-line border-b px-4 pt-2 pb-0.5 font-sans font-semibold text-[0.9rem] text-quiet first-letter:uppercase">
                {group.name}
              </h3>
            )}
            <ul className="max-md:flex">
              {group.figures.map((figure) => (
                <FigureCard
                  key={figure.id}
                  figure={figure}
                  meter={meter}
                  active={figure.id === chosen}
                  stop={figure.id === stop}
                  apart={shelf === "worth" || group.name === FOR_THIS_SONG ? (worth.get(figure.id)?.apart ?? []) : []}
                  reasons={
                    shelf === "worth"
                      ? (worth.get(figure.id)?.reasons.filter((each) => !suggested?.common.includes(each)) ?? [])
                      : []
                  }
                  level={held}
                  instead={instead(figures, figure, held, figure.id === chosen ? heard : undefined)}
                  onChoose={onChoose}
                  onLevel={onLevel}
                  onEdit={onEdit}
                  onFits={onFits}
                />
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Written for the metre, and not only because it is written for all of them. */
export function isMadeFor(figure: Figure, meter: string): boolean {
  return figure.meters[0] === meter || (figure.meters[0] !== "3/4" && figure.meters.includes(meter));
}

function FigureCard({
  figure,
  meter,
  active,
  stop,
  apart,
  reasons,
  level,
  instead,
  onChoose,
  onLevel,
  onEdit,
  onFits,
}: {
  figure: Figure;
  meter: string;
  active: boolean;
  /** Whether the Tab key stops here. */
  stop: boolean;
  /** What it does to this song that others do not. */
  apart: string[];
  reasons: string[];
  level: number | null;
  /** What sounds in its place, if something else does. */
  instead: string | null;
  onChoose: (id: string) => void;
  onLevel: (level: number | null) => void;
  onEdit: (figure: Figure, copy: boolean) => void;
  onFits: (figure: Figure) => void;
}) {
  return (
    <li className="border-line border-b [content-visibility:auto] [contain-intrinsic-size:auto_5.6rem] max-md:w-60 max-md:shrink-0">
      <button
        type="button"
        aria-pressed={active}
        tabIndex={stop ? 0 : -1}
        onClick={() => onChoose(figure.id)}
        className={`block w-full border-l-4 px-4 pt-1 pb-0.5 text-left ${active ? "border-accent bg-wash" : "border-transparent"}`}
      >
        <span className="block font-semibold leading-tight">{figure.name}</span>
        <span className="block text-[0.86rem] text-quiet leading-tight">
          {figure.family} · {figure.minTempo}–{figure.maxTempo} · from level {figure.level}
          {figure.hands.length > 1 ? " · both hands" : ""}
        </span>
        <FigureSteps figure={figure} meter={meter} />
        {instead && (
          <span className="block pb-0.5 text-[0.88rem] leading-snug">
            At level {level} you hear <span className="font-semibold">{instead}</span>.
          </span>
        )}
        {apart.length > 0 && <span className="block pb-0.5 text-[0.9rem] leading-snug">{apart.join(" ")}</span>}
        {reasons.length > 0 && (
          <span className="block pb-1 text-[0.88rem] text-quiet leading-snug">{reasons.join(" ")}</span>
        )}
      </button>
      {active && instead && (
        <p className="border-accent border-l-4 bg-wash px-4 text-[0.9rem]">
          <LinkButton onClick={() => onLevel(lowest(figure, level))} high={8} strong>
            {lowest(figure, level) === null
              ? "switch the level off to hear it"
              : `level ${lowest(figure, level)} plays it as it is`}
          </LinkButton>
        </p>
      )}
      {active && (
        <FigureActions figure={figure} onEdit={onEdit}>
          <LinkButton onClick={() => onFits(figure)} high={8}>
            which songs?
          </LinkButton>
        </FigureActions>
      )}
    </li>
  );
}

/** The name of what sounds in a figure's place at a level. */
function instead(figures: Figure[], figure: Figure, level: number | null, heard: string | undefined): string | null {
  const id = level === null ? figure.id : (heard ?? figure.atLevels[level - 1] ?? figure.id);
  return id === figure.id ? null : (figures.find((each) => each.id === id)?.name ?? id);
}

/** The lowest level above one that plays a figure as it is. */
function lowest(figure: Figure, above: number | null): number | null {
  const at = figure.atLevels.findIndex(
    (id, index) => id === figure.id && index + 1 >= figure.level && index + 1 > (above ?? 0),
  );
  return at < 0 ? null : at + 1;
}
