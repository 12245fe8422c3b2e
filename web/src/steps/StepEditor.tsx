import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { planks } from "./count";
import type { EditedStroke } from "./edited";
import { following, type Role, shown, spoken, stepped } from "./roles";
import { Foot } from "./StepLine";

const HANDS = { L: "Left", R: "Right" } as const;

/**
 * A bar's footwork while it is written: a plank is stepped on to lay a stroke, a step is pulled longer at its sole,
 * stepped up and down for what it plays, and lifted. One Tab stop a hand: arrows go along the planks and through the
 * roles, Shift with them pulls.
 */
export function StepEditor({
  roles,
  strokes,
  at,
  hands,
  barTicks,
  beatTicks,
  unit,
  markOf,
  onAt,
  onChange,
}: {
  roles: Role[];
  strokes: EditedStroke[];
  /** Which of them is taken. */
  at: number | null;
  hands: ("L" | "R")[];
  barTicks: number;
  beatTicks: number;
  /** Ticks of a plank. */
  unit: number;
  markOf: (stroke: EditedStroke) => "heel" | "toe" | "lead";
  onAt: (at: number | null) => void;
  onChange: (strokes: EditedStroke[], at: number | null) => void;
}) {
  const floor = planks(barTicks, beatTicks, [unit === 320 ? 320 : unit === 240 ? 240 : 0]);
  return (
    <div className="select-none">
      {hands.map((hand) => (
        <Floor
          key={hand}
          {...{ roles, strokes, at, hand, barTicks, unit, floor, markOf, onAt, onChange }}
          both={hands.length > 1}
        />
      ))}
      <div className="relative ml-12 h-6 text-quiet" aria-hidden="true">
        {floor.map((plank) => (
          <span
            key={plank.tick}
            className={`absolute ${plank.strong ? "font-semibold text-ink" : ""}`}
            style={{ left: `${(plank.tick / barTicks) * 100}%` }}
          >
            {plank.count}
          </span>
        ))}
      </div>
    </div>
  );
}

function Floor({
  roles: all,
  strokes,
  at,
  hand,
  both,
  barTicks,
  unit,
  floor,
  markOf,
  onAt,
  onChange,
}: {
  roles: Role[];
  strokes: EditedStroke[];
  at: number | null;
  hand: "L" | "R";
  both: boolean;
  barTicks: number;
  unit: number;
  floor: ReturnType<typeof planks>;
  markOf: (stroke: EditedStroke) => "heel" | "toe" | "lead";
  onAt: (at: number | null) => void;
  onChange: (strokes: EditedStroke[], at: number | null) => void;
}) {
  const row = useRef<HTMLFieldSetElement>(null);
  const [stop, setStop] = useState(0);
  const own = strokes.map((stroke, index) => ({ stroke, index })).filter(({ stroke }) => stroke.hand === hand);
  const places = [...new Set([...floor.map((plank) => plank.tick), ...own.map(({ stroke }) => stroke.tick)])].sort(
    (a, b) => a - b,
  );
  const set = (index: number, more: Partial<EditedStroke>) =>
    onChange(
      strokes.map((each, which) => (which === index ? { ...each, ...more } : each)),
      index,
    );
  const lay = (tick: number) => {
    const next = places[places.indexOf(tick) + 1] ?? barTicks;
    const before = own
      .filter(({ stroke }) => stroke.tick < tick)
      .sort((one, other) => other.stroke.tick - one.stroke.tick)[0];
    const roles = following(before?.stroke, hand);
    const stroke = { hand, roles, tick, length: Math.min(unit, next - tick), rolled: false, accent: false };
    onChange([...strokes, stroke], strokes.length);
  };
  const lengthened = (stroke: EditedStroke, by: number) => {
    const now = stroke.length ?? barTicks - stroke.tick;
    return Math.min(barTicks - stroke.tick, Math.max(unit, now + by));
  };
  const onKey = (event: KeyboardEvent, tick: number, index: number | undefined) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const stroke = index === undefined ? undefined : strokes[index];
    const along = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const up = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (along !== undefined && event.shiftKey) {
      if (stroke && index !== undefined) set(index, { length: lengthened(stroke, along * unit) });
    } else if (along !== undefined) {
      const next = Math.min(places.length - 1, Math.max(0, places.indexOf(tick) + along));
      setStop(next);
      row.current?.querySelectorAll<HTMLElement>("[data-place]")[next]?.focus();
    } else if (up !== undefined) {
      if (stroke && index !== undefined) set(index, { roles: stepped(all, stroke, up, both) });
    } else if (event.key === "Delete" || event.key === "Backspace") {
      if (index !== undefined)
        onChange(
          strokes.filter((_, which) => which !== index),
          null,
        );
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const pull = (event: PointerEvent, index: number) => {
    const stroke = strokes[index];
    const width = row.current?.getBoundingClientRect().width;
    if (!stroke || !width) return;
    const ticks = ((event.clientX - (row.current?.getBoundingClientRect().left ?? 0)) / width) * barTicks - stroke.tick;
    const length = Math.min(barTicks - stroke.tick, Math.max(unit, Math.round(ticks / unit) * unit));
    if (length !== (stroke.length ?? -1)) set(index, { length });
  };
  return (
    <div className="flex">
      <span className={`w-12 shrink-0 self-end pb-1 text-[0.86rem] ${hand === "R" ? "text-(--right)" : "text-quiet"}`}>
        {hand === "R" ? "right" : "left"}
      </span>
      <fieldset ref={row} className="relative h-[4.6rem] min-w-0 flex-1">
        <legend className="sr-only">
          {HANDS[hand]} hand: arrows go along the planks and change what a step plays, Shift pulls it
        </legend>
        {places.map((tick, place) => {
          const plank = floor.find((each) => each.tick === tick);
          const found = own.find(({ stroke }) => stroke.tick === tick);
          const taken = found !== undefined && found.index === at;
          const until = places[place + 1] ?? barTicks;
          return (
            <button
              key={tick}
              type="button"
              data-place
              tabIndex={place === Math.min(stop, places.length - 1) ? 0 : -1}
              aria-pressed={taken}
              aria-label={`${HANDS[hand]} hand on ${plank?.count || "…"}: ${found ? `${shown(all, found.stroke)}, ${spoken(all, found.stroke)}` : "rest"}`}
              style={{ left: `${(tick / barTicks) * 100}%`, width: `${((until - tick) / barTicks) * 100}%` }}
              onFocus={() => setStop(place)}
              onClick={() => (found ? onAt(found.index) : lay(tick))}
              onKeyDown={(event) => onKey(event, tick, found?.index)}
              className="group absolute inset-y-0 flex flex-col items-start justify-end pr-0.5"
            >
              {found ? (
                <span
                  className={`flex flex-col items-start ${taken ? "text-accent" : hand === "R" ? "text-(--right)" : ""}`}
                >
                  <span className="max-w-full truncate font-serif leading-5">
                    {found.stroke.rolled ? "~" : ""}
                    {shown(all, found.stroke)}
                    {found.stroke.accent ? " ‹" : ""}
                  </span>
                  <svg viewBox="0 9 12 22" className="block h-8 w-[1.1rem]" aria-hidden="true">
                    <g fill={taken ? "var(--accent)" : hand === "R" ? "var(--right)" : "var(--ink)"}>
                      {hand === "R" ? (
                        <path d="M1 30L5 12l4 18z" />
                      ) : (
                        <Foot
                          step={{ ...found.stroke, ticks: 0, mark: markOf(found.stroke), rolled: false }}
                          x={0}
                          scale={1}
                          lit={taken}
                        />
                      )}
                    </g>
                  </svg>
                </span>
              ) : (
                <span
                  aria-hidden="true"
                  className="mb-3 hidden h-4 w-3 rounded-t-full border border-grain border-dashed group-hover:block"
                />
              )}
              <span
                aria-hidden="true"
                className={`block h-3 w-full rounded-[2px] ${plank?.strong ? "bg-grain" : "bg-plank"}`}
              />
            </button>
          );
        })}
        {own.map(({ stroke, index }) => {
          const length = Math.min(stroke.length ?? barTicks, barTicks - stroke.tick);
          return (
            <span
              key={index}
              aria-hidden="true"
              style={{ left: `${(stroke.tick / barTicks) * 100}%`, width: `calc(${(length / barTicks) * 100}% - 3px)` }}
              className={`pointer-events-none absolute bottom-[0.55rem] h-1 rounded-full ${index === at ? "bg-accent" : hand === "R" ? "bg-(--right)" : "bg-ink"}`}
            >
              <span
                data-pull={stroke.tick}
                onPointerDown={(event) => {
                  event.currentTarget.setPointerCapture(event.pointerId);
                  onAt(index);
                }}
                onPointerMove={(event) => event.currentTarget.hasPointerCapture(event.pointerId) && pull(event, index)}
                className="pointer-events-auto absolute -top-2.5 -right-2 h-6 w-4 cursor-ew-resize touch-none after:absolute after:top-1.5 after:right-1.5 after:h-3 after:w-1 after:rounded-full after:bg-inherit after:content-['']"
              />
            </span>
          );
        })}
      </fieldset>
    </div>
  );
}
