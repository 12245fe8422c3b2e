import { memo, useRef } from "react";
import type { Fit, WrittenBar } from "../../api/client";
import { Chord } from "../../ui/Chord";
import { plain } from "../../ui/words";
import { TuneStrip } from "./TuneStrip";
import type { Degrees, Sheet } from "./useSheet";

/** One bar of the sheet: it can be chosen, typed into, its chords dragged to other beats. */
export const BarBox = memo(function BarBox({
  bar,
  before,
  last,
  region,
  chosen,
  chord,
  playing,
  degrees,
  words,
  tune,
  coloured,
  typing,
  sheet,
  onType,
}: {
  bar: WrittenBar;
  before: WrittenBar | undefined;
  last: boolean;
  region: string | undefined;
  chosen: boolean;
  chord: number;
  playing: boolean;
  degrees: Degrees;
  words: boolean;
  /** Its melody, in ticks from its bar line; empty where none is shown. */
  tune: Fit["notes"];
  /** What is heard instead of the chart's chords, where a colour is kept; empty for most bars. */
  coloured: string;
  typing: string | null;
  sheet: Sheet;
  onType: (typing: { bar: number; text: string } | null) => void;
}) {
  const drag = useRef<{ chord: number; x: number; moved: boolean } | null>(null);
  const beats = Math.max(1, Math.round(bar.ticks / bar.beatTicks));
  const signs = [
    before?.meter !== bar.meter ? bar.meter : "",
    bar.cut ? (bar.number === 0 ? "pick-up" : "short") : "",
    bar.key ? `key ${bar.key}` : region ? `→ ${region}` : "",
    bar.bpm ? `tempo ${plain(bar.bpm)}` : "",
  ].filter(Boolean);
  const ending = bar.endings.length > 0 && (before?.endings.join() !== bar.endings.join() || before?.closes);
  const letters = bar.chords.reduce((sum, each) => sum + each.symbol.length + 1, 0);
  const size = coloured ? "text-[0.82rem] text-quiet" : sized(letters);

  return (
    <li
      className={`relative ${bar.opens ? "border-ink border-l-[5px]" : "border-ink border-l-2"} ${
        bar.closes ? "border-r-[5px]" : last ? "border-r-2" : ""
      } pt-0.5`}
    >
      {bar.endings.length > 0 && <span aria-hidden="true" className="absolute inset-x-0 top-0 h-0.5 bg-ink" />}
      {typing !== null ? (
        <TypeBox bar={bar} start={typing} sheet={sheet} onType={onType} />
      ) : (
        <button
          type="button"
          data-bar={bar.bar}
          onClick={(event) => {
            if (drag.current?.moved) return;
            if (event.shiftKey && sheet.chosen)
              sheet.choose(Math.min(sheet.chosen[0], bar.bar), Math.max(sheet.chosen[1], bar.bar));
            else sheet.choose(bar.bar, bar.bar);
          }}
          onDoubleClick={() => onType({ bar: bar.bar, text: bar.text })}
          aria-label={`Bar ${bar.number}: ${bar.chords.map((each) => each.symbol).join(", ")}`}
          aria-pressed={chosen}
          className={`relative block w-full px-1.5 pt-0.5 text-left ${playing ? "bg-wash" : ""} ${
            chosen ? "outline-2 -outline-offset-2 outline-accent" : ""
          } ${degrees === "none" ? "h-[2.9rem]" : "h-[3.9rem]"}`}
        >
          <span className="flex gap-2 overflow-hidden whitespace-nowrap text-[0.82rem] text-quiet leading-none">
            <span>{bar.number}</span>
            {ending && <span className="font-semibold text-ink">{bar.endings.join(", ")}.</span>}
            <span className="font-semibold text-ink">{signs.join("  ")}</span>
            <span className="ml-auto font-semibold text-accent">
              {bar.guessed ? "?" : ""}
              {bar.closes?.vamp ? "vamp" : bar.closes && bar.closes.times > 2 ? `×${bar.closes.times}` : ""}
            </span>
          </span>
          {bar.opens && <Dots side="left-0.5" />}
          {bar.closes && <Dots side="right-0.5" />}
          <span className={`relative block h-11 ${bar.opens ? "ml-1.5" : ""}`}>
            {coloured && (
              <span
                data-coloured=""
                title="What is heard: a colour is kept here. The chart keeps its own chords, the small ones."
                className={`absolute top-0 left-0 flex max-w-full gap-1.5 overflow-hidden whitespace-nowrap text-accent italic leading-tight ${sized(coloured.length + 1)}`}
              >
                <span className="sr-only">heard as </span>
                {coloured.split(" ").map((symbol, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a chord may come twice
                  <Chord key={index} symbol={symbol} />
                ))}
              </span>
            )}
            {bar.chords.map((each, index) => (
              <span
                // biome-ignore lint/suspicious/noArrayIndexKey: the same chord may stand twice in a bar
                key={index}
                className={`absolute ${coloured ? "top-[1.75rem]" : "top-0"} cursor-grab touch-none ${chord === index && bar.chords.length > 1 ? "border-accent border-b-2" : ""}`}
                style={{ left: `${(each.tick / bar.ticks) * 100}%` }}
                onPointerDown={(event) => {
                  drag.current = { chord: index, x: event.clientX, moved: false };
                  event.currentTarget.setPointerCapture(event.pointerId);
                }}
                onPointerMove={(event) => {
                  const held = drag.current;
                  if (!held) return;
                  held.moved ||= Math.abs(event.clientX - held.x) > 8;
                  if (held.moved) event.currentTarget.style.transform = `translateX(${event.clientX - held.x}px)`;
                }}
                onPointerUp={(event) => {
                  const held = drag.current;
                  event.currentTarget.style.transform = "";
                  if (!held?.moved) {
                    drag.current = null;
                    if (chosen) sheet.setChord(index);
                    return;
                  }
                  const box = event.currentTarget.closest("button")?.getBoundingClientRect();
                  if (box) {
                    const moved = ((event.clientX - held.x) / box.width) * bar.ticks;
                    const beat = Math.round((each.tick + moved) / bar.beatTicks);
                    sheet.edit({
                      kind: "moveChord",
                      bar: bar.bar,
                      chord: held.chord,
                      beat: Math.max(0, Math.min(beats - 1, beat)),
                    });
                  }
                  setTimeout(() => {
                    drag.current = null;
                  });
                }}
              >
                <span className={`block leading-tight ${size}`}>
                  {each.early && <span title="an eighth early, tied">‹</span>}
                  {each.degree || each.symbol === "N.C." ? (
                    <Chord symbol={each.symbol} />
                  ) : (
                    <span className="font-serif text-accent line-through">{each.symbol}</span>
                  )}
                  {each.held && (
                    <svg
                      viewBox="0 0 20 12"
                      role="img"
                      aria-label="fermata"
                      className="ml-1 inline-block h-[0.5em] align-[0.35em]"
                    >
                      <path d="M1 11a9 9 0 0 1 18 0" fill="none" stroke="currentColor" strokeWidth={2} />
                      <circle cx={10} cy={9.5} r={1.8} fill="currentColor" />
                    </svg>
                  )}
                </span>
                {degrees !== "none" && !coloured && (
                  <span
                    className={`block text-[0.84rem] leading-tight ${each.role === "own" ? "text-quiet" : "text-accent"}`}
                  >
                    {degrees === "roman" ? each.degree : each.numbers}
                  </span>
                )}
              </span>
            ))}
          </span>
        </button>
      )}
      {bar.pins.map((pin) => (
        <p
          key={pin.text}
          className={`mx-1.5 truncate border-l-4 px-1 text-[0.82rem] leading-snug ${pin.warning ? "border-accent font-semibold" : "border-grain text-quiet"}`}
          title={pin.text}
        >
          {pin.warning ? "! " : ""}
          {pin.text}
        </p>
      ))}
      {tune.length > 0 && <TuneStrip notes={tune} ticks={bar.ticks} />}
      {words &&
        bar.words.map((line, verse) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: verses have no name but their place
          <p key={verse} className="min-h-5 px-1.5 text-[0.9rem] leading-snug">
            {line}
          </p>
        ))}
    </li>
  );
});

/** So that all chords of a bar have room beside each other. */
function sized(letters: number): string {
  return letters <= 7
    ? "text-[1.4rem]"
    : letters <= 12
      ? "text-[1.1rem]"
      : letters <= 18
        ? "text-[0.95rem]"
        : "text-[0.82rem]";
}

/** The two dots of a repeat. */
function Dots({ side }: { side: string }) {
  return (
    <span aria-hidden="true" className={`absolute top-7 ${side} grid gap-1.5`}>
      <span className="size-1.5 rounded-full bg-ink" />
      <span className="size-1.5 rounded-full bg-ink" />
    </span>
  );
}

/** Typing into one bar: Enter keeps it and goes on, Escape leaves it as it was. */
function TypeBox({
  bar,
  start,
  sheet,
  onType,
}: {
  bar: WrittenBar;
  start: string;
  sheet: Sheet;
  onType: (typing: { bar: number; text: string } | null) => void;
}) {
  const done = useRef(false);
  const keep = (text: string, next: number | null) => {
    if (done.current) return;
    done.current = true;
    if (text.trim() !== bar.text.trim()) sheet.edit({ kind: "set", bar: bar.bar, content: text });
    const to = next === null ? undefined : sheet.bars[next];
    onType(null);
    sheet.choose(to?.bar ?? bar.bar, to?.bar ?? bar.bar);
  };
  return (
    <input
      aria-label={`Bar ${bar.number}, what it holds`}
      defaultValue={start}
      // biome-ignore lint/a11y/noAutofocus: it opens because someone began to type here
      autoFocus
      onFocus={(event) =>
        start === bar.text
          ? event.currentTarget.select()
          : event.currentTarget.setSelectionRange(start.length, start.length)
      }
      onBlur={(event) => keep(event.currentTarget.value, null)}
      onKeyDown={(event) => {
        if (event.key === "Enter" || event.key === "Tab") {
          event.preventDefault();
          keep(event.currentTarget.value, event.shiftKey ? bar.bar - 1 : bar.bar + 1);
        } else if (event.key === "Escape") {
          done.current = true;
          onType(null);
        }
      }}
      className="block h-[4.1rem] w-full bg-sheet px-1.5 font-serif text-[1.15rem] outline-2 -outline-offset-2 outline-accent"
    />
  );
}
