import { memo, useEffect, useRef, useState } from "react";
import type { Bar } from "../../api/client";
import { type BarSize, SIZE_NAMES, SIZES, sizeBars, useBarSize } from "../../score/barSize";
import { playedBar, playing, usePlaying } from "../../sound/playing";
import { Chord } from "../../ui/Chord";
import { useLatest } from "../../ui/useLatest";

/** How wide a plank is, in rem; those of the whole song share the row. */
const WIDTHS = { large: 10, normal: 6.3 };
/** No narrower than this, in rem; and from here on its chords can be read. */
const NARROWEST = 0.4;
const READABLE = 3;
/** More bars than these are drawn only where they are seen, and so many more on either side. */
const MANY = 200;
const BESIDE = 30;
/** Farther than this, in pixels, the row jumps. */
const FAR = 4000;

function pixels(rem: number): number {
  return rem * (Number.parseFloat(getComputedStyle(document.documentElement).fontSize) || 16);
}

/** How wide a plank is, in rem. */
function usePlankWidth(row: React.RefObject<HTMLDivElement | null>, size: BarSize, count: number): number {
  const [room, setRoom] = useState(0);
  useEffect(() => {
    if (!row.current || size !== "song") return;
    const observer = new ResizeObserver(([entry]) => setRoom(entry?.contentRect.width ?? 0));
    observer.observe(row.current);
    return () => observer.disconnect();
  }, [row, size]);
  if (size !== "song") return WIDTHS[size];
  return Math.min(WIDTHS.large, Math.max(NARROWEST, room / pixels(1) / Math.max(1, count)));
}

/** The bars to draw, the last not included. */
function useSeen(row: React.RefObject<HTMLDivElement | null>, count: number, rem: number): [number, number] {
  const [seen, setSeen] = useState<[number, number]>([0, MANY]);
  useEffect(() => {
    const view = row.current;
    if (!view || count <= MANY) return;
    const look = () => {
      const first = Math.floor(view.scrollLeft / pixels(rem));
      const last = first + Math.ceil(view.clientWidth / pixels(rem));
      setSeen((now) =>
        first - BESIDE / 2 >= now[0] && last + BESIDE / 2 <= now[1]
          ? now
          : [Math.max(0, first - BESIDE), Math.min(count, last + BESIDE)],
      );
    };
    look();
    view.addEventListener("scroll", look, { passive: true });
    return () => view.removeEventListener("scroll", look);
  }, [row, count, rem]);
  return count <= MANY ? [0, count] : [Math.min(seen[0], count), Math.min(seen[1], count)];
}

/**
 * The song as a row of planks. A click takes a bar, a click with Shift or a drag a run of bars, a section's name all of
 * it.
 */
export function Ribbon({
  bars,
  bpm,
  selection,
  onSelect,
  doubtful,
  worth,
  own,
}: {
  bars: Bar[];
  /** The tempo that is played: bars whose jumps do not fit it are marked. */
  bpm: number;
  selection: [number, number];
  onSelect: (from: number, to: number) => void;
  /** Bars that a strict reader marks, by index. */
  doubtful?: number[] | undefined;
  /** Bars in which other chords are worth hearing, by index. */
  worth?: Set<number> | undefined;
  /** Bars with choices of their own, by number. */
  own?: Set<number> | undefined;
}) {
  const row = useRef<HTMLDivElement>(null);
  const size = useBarSize();
  const rem = usePlankWidth(row, size, bars.length);
  const dragFrom = useRef<number | null>(null);
  const first = selection[0];

  // The row follows the music past React.
  useEffect(() => {
    let last = -1;
    const follow = () => {
      const played = playedBar(playing.head());
      const watched = played >= 0 ? played : first;
      if (watched === last) return;
      last = watched;
      const view = row.current;
      if (!view || view.clientWidth === 0) return;
      const left = watched * pixels(rem) - view.scrollLeft;
      // A plank that is far off is not drawn: what counts is where it would be.
      if (left < 0 || left + pixels(rem) > view.clientWidth)
        view.scrollBy({ left: left - 40, behavior: Math.abs(left) > FAR ? "instant" : "smooth" });
    };
    follow();
    return playing.subscribe(follow);
  }, [first, rem]);

  useEffect(() => {
    const drop = () => {
      dragFrom.current = null;
    };
    window.addEventListener("pointerup", drop);
    return () => window.removeEventListener("pointerup", drop);
  }, []);

  // Whoever is among the planks goes with what is taken.
  useEffect(() => {
    const view = row.current;
    if (view?.contains(document.activeElement) && document.activeElement?.matches("[data-bar]"))
      view.querySelector<HTMLElement>(`[data-bar="${first}"]`)?.focus({ preventScroll: true });
  }, [first]);

  const take = useLatest((from: number, to: number, more: boolean) =>
    more ? onSelect(Math.min(selection[0], from), Math.max(selection[0], to)) : onSelect(from, to),
  );
  const [from, to] = useSeen(row, bars.length, rem);
  const all = selection[0] === 0 && selection[1] === bars.length - 1;
  return (
    <section aria-label="Bars of the song" className="flex border-line border-b">
      <fieldset className="order-last flex shrink-0 flex-col items-start justify-center border-line border-l pr-5 pl-2.5 text-[0.9rem] max-md:hidden">
        <legend className="sr-only">How large bars are shown</legend>
        {SIZES.map((each) => (
          <button
            key={each}
            type="button"
            title={`Bars ${SIZE_NAMES[each]} (B: the next)`}
            aria-pressed={size === each}
            onClick={() => sizeBars(each)}
            className={`min-h-6 border-l-3 pl-1.5 leading-tight ${size === each ? "border-accent font-semibold text-accent" : "border-transparent text-quiet"}`}
          >
            {SIZE_NAMES[each]}
          </button>
        ))}
      </fieldset>
      <div ref={row} className="flex min-w-0 flex-1 overflow-x-auto px-5 pt-0.5 pb-1">
        {from > 0 && <div aria-hidden="true" className="shrink-0" style={{ width: `${from * rem}rem` }} />}
        {bars.slice(from, to).map((bar, place) => {
          const index = from + place;
          const opens =
            index === 0 ||
            bars[index - 1]?.section !== bar.section ||
            (bar.section !== "" && sectionStarts(bars, index));
          const chosen = index >= selection[0] && index <= selection[1];
          return (
            <div
              key={bar.index}
              style={{ width: `${rem}rem` }}
              className={`shrink-0 ${rem < 1.2 ? "pr-px" : "pr-0.5"}`}
            >
              <div data-names className="flex h-6 items-end overflow-visible whitespace-nowrap">
                {opens && bar.section && (
                  <button
                    type="button"
                    onClick={() => onSelect(index, sectionEnd(bars, index))}
                    style={{ maxWidth: `${(sectionEnd(bars, index) - index + 1) * rem}rem` }}
                    className="min-h-6 shrink-0 truncate font-semibold text-[0.9rem] text-quiet underline decoration-dotted underline-offset-2"
                    title={`Take all of ${bar.section}`}
                  >
                    {bar.section}
                  </button>
                )}
                {index === 0 && !all && (
                  <button
                    type="button"
                    onClick={() => onSelect(0, bars.length - 1)}
                    className="ml-3 min-h-6 text-[0.9rem] text-accent underline decoration-dotted underline-offset-2"
                  >
                    all
                  </button>
                )}
              </div>
              <Plank
                bar={bar}
                index={index}
                bpm={bpm}
                taken={chosen && !all}
                chosen={chosen}
                doubted={doubtful?.includes(index) ?? false}
                worth={worth?.has(index) ?? false}
                own={own?.has(bar.number) ?? false}
                stop={index === first}
                readable={rem >= READABLE}
                large={rem > WIDTHS.normal + 1}
                onTake={take}
                dragFrom={dragFrom}
              />
            </div>
          );
        })}
        {to < bars.length && (
          <div aria-hidden="true" className="shrink-0" style={{ width: `${(bars.length - to) * rem}rem` }} />
        )}
      </div>
    </section>
  );
}

/** A bar; it alone is drawn anew when the music comes to it or leaves it. */
const Plank = memo(function Plank({
  bar,
  index,
  bpm,
  taken,
  chosen,
  doubted,
  worth,
  own,
  stop,
  readable,
  large,
  onTake,
  dragFrom,
}: {
  bar: Bar;
  index: number;
  bpm: number;
  /** Whether it is marked as one of those that are taken. */
  taken: boolean;
  chosen: boolean;
  doubted: boolean;
  worth: boolean;
  own: boolean;
  /** Whether the Tab key stops here. */
  stop: boolean;
  /** Whether there is room for its chords. */
  readable: boolean;
  large: boolean;
  onTake: (from: number, to: number, more: boolean) => void;
  dragFrom: React.RefObject<number | null>;
}) {
  const sounds = usePlaying((head) => playedBar(head) === index);
  return (
    <button
      type="button"
      data-bar={index}
      data-small={readable ? undefined : ""}
      aria-pressed={chosen}
      tabIndex={stop ? 0 : -1}
      aria-label={`Bar ${bar.number}: ${bar.chords.map((chord) => chord.symbol).join(", ")}`}
      aria-description={`difficulty ${Math.round(bar.difficulty)}${bar.maxTempo < bpm ? `, too fast: up to ${Math.floor(bar.maxTempo)}` : ""}${
        own ? ", has choices of its own" : ""
      }${bar.meeting?.kept.length ? ", the hands run together" : bar.meeting?.mended.length ? ", room made between the hands" : ""}`}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        dragFrom.current = index;
        event.currentTarget.releasePointerCapture?.(event.pointerId);
      }}
      onPointerEnter={() =>
        dragFrom.current !== null && dragFrom.current !== index && onTake(dragFrom.current, index, false)
      }
      onClick={(event) => onTake(index, index, event.shiftKey)}
      className={`relative flex h-[3.4rem] w-full flex-col justify-center overflow-hidden rounded-plank border-b-4 text-left ${readable ? "px-1.5" : ""} ${
        taken ? "border-accent bg-sheet outline-2 -outline-offset-2 outline-accent" : "border-grain bg-plank"
      } ${sounds ? "bg-wash!" : ""}`}
    >
      {readable && <span className="absolute top-0.5 right-1 text-[0.82rem] text-quiet">{bar.number}</span>}
      {readable && bar.pins.length > 0 && (
        <span
          title={bar.pins.map((pin) => pin.text).join("; ")}
          className={`absolute top-0.5 left-1.5 max-w-[80%] truncate text-[0.82rem] ${bar.pins.some((pin) => pin.warning) ? "font-semibold text-accent" : "text-quiet"}`}
        >
          {bar.pins.map((pin) => (pin.warning ? `! ${pin.text}` : pin.text)).join("; ")}
        </span>
      )}
      {readable && (
        <span className={`flex items-baseline gap-x-1.5 ${writtenOn(bar, large)}`}>
          {bar.chords.map((chord) => (
            <Chord key={chord.tick} symbol={chord.symbol} />
          ))}
        </span>
      )}
      {readable && bar.meeting && bar.meeting.kept.length + bar.meeting.mended.length > 0 && (
        <span
          data-hands={bar.meeting.kept.length > 0 ? "kept" : "mended"}
          title={bar.meeting.kept.length > 0 ? "The hands run together here" : "Room was made between the hands here"}
          className={`absolute right-1 bottom-1 text-[0.82rem] leading-none ${bar.meeting.kept.length > 0 ? "font-bold text-accent" : "text-quiet"}`}
        >
          {bar.meeting.kept.length > 0 ? "⇅!" : "⇅"}
        </span>
      )}
      {readable && bar.borrowed.length > 0 && (
        <span
          data-borrowed=""
          title="The chart's own chords, under a colour"
          className="flex gap-1.5 overflow-hidden text-[0.82rem] text-quiet leading-none"
        >
          {bar.borrowed.map((chord) => (
            <Chord key={chord.tick} symbol={chord.symbol} />
          ))}
        </span>
      )}
      {worth && (
        <span
          data-worth=""
          title="Other chords are worth hearing here"
          className="absolute right-1.5 bottom-1.5 h-2 w-2 rotate-45 border border-accent"
        />
      )}
      {own && (
        <span
          data-own=""
          title="Choices of its own hold here"
          className="absolute inset-y-1 left-0 w-1 rounded-r-sm bg-accent"
        />
      )}
      {doubted && (
        <span
          data-doubted=""
          title="A strict reader marks this bar"
          className="absolute top-0.5 left-1 font-bold text-[0.9rem] text-accent leading-none"
        >
          ?
        </span>
      )}
      <span
        aria-hidden="true"
        data-strip={bar.maxTempo < bpm ? "limit" : "fits"}
        className={`absolute bottom-0.5 left-1 h-[3px] ${bar.maxTempo < bpm ? "bg-accent" : "bg-quiet"}`}
        style={{ width: `calc(${bar.difficulty}% - 0.5rem)` }}
      />
    </button>
  );
});

/**
 * Up to so many letters, how a bar's chords are written on a plank and on a large one: they shrink, then stand in two
 * lines, so that every one of them is read.
 */
const WRITTEN: [number, string, string][] = [
  [6, "text-[1.3rem]", "text-[1.5rem]"],
  [10, "text-[1.02rem]", "text-[1.5rem]"],
  [14, "text-[0.86rem]", "text-[1.2rem]"],
  [
    Number.POSITIVE_INFINITY,
    "flex-wrap pt-2 text-[0.86rem] leading-[1.15]",
    "flex-wrap pt-1 text-[1.02rem] leading-[1.15]",
  ],
];

function writtenOn(bar: Bar, large: boolean): string {
  const letters = bar.chords.reduce((sum, chord) => sum + chord.symbol.length + 1, 0);
  const [, usual, wide] = WRITTEN.find(([most]) => letters <= most) ?? [0, "", ""];
  return large ? wide : usual;
}

/** Whether a section of the same name begins anew at {@code index}: its pass differs. */
function sectionStarts(bars: Bar[], index: number): boolean {
  return bars[index - 1]?.pass !== bars[index]?.pass;
}

function sectionEnd(bars: Bar[], from: number): number {
  let end = from;
  while (bars[end + 1] && bars[end + 1]?.section === bars[from]?.section && bars[end + 1]?.pass === bars[from]?.pass)
    end++;
  return end;
}
