import { useState } from "react";
import type { Asked } from "../../api/asking";
import type { Arrangement, Choices, Part } from "../../api/client";
import { useEasier, useHardness, useLevels } from "../../api/queries";
import { barsOf, choose, type Scope } from "../../song/scope";
import { useTable } from "../../song/table";
import { LinkButton } from "../../ui/LinkButton";
import { beatSign } from "../../ui/words";

const PARTS: Record<Part["id"], { name: string; says: string }> = {
  reach: { name: "Reach", says: "keys struck together against the span of the hand" },
  jumps: { name: "Jumps", says: "how much of the time there is they take" },
  fingers: { name: "Fingers", says: "stretches, passes and changes of position" },
  rhythm: { name: "Rhythm", says: "how many strokes, how fast, how far off the beat" },
  together: { name: "Together", says: "where the hands strike at different times" },
  reading: { name: "Reading", says: "different keys in a bar" },
};

/** Changes below this need no practice of their own. */
const FELT_CHANGE = 20;
const MOST_CHANGES = 3;

/** How hard the chosen bars are and why, the five levels, what limits the tempo, and what would make a place easier. */
export function HowHard({
  arrangement,
  asked,
  choices,
  selection,
  scope,
  level,
  bpm,
  onPoint,
  onLevel,
  onChange,
}: {
  arrangement: Arrangement;
  asked: Asked;
  choices: Choices;
  selection: [number, number];
  scope: Scope;
  /** The level that holds where choices go to, null as chosen. */
  level: number | null;
  /** The tempo that is played. */
  bpm: number;
  onPoint: (strokes: number[]) => void;
  onLevel: (level: number | null) => void;
  onChange: (choices: Choices) => void;
}) {
  const table = useTable();
  const levels = useLevels(asked, scope.kind === "song");
  const [easing, setEasing] = useState<string | null>(null);
  const [part, setPart] = useState<Part["id"] | null>(null);
  const here = barsOf(arrangement.bars, selection);
  const easier = useEasier(asked, easing === here ? easing : null);
  // What makes it hard is told where it is asked for; until then the rest stands.
  const hardness = useHardness(asked).data;
  const told = hardness?.bars.length === arrangement.bars.length ? hardness : arrangement;
  const bars = told.bars.slice(selection[0], selection[1] + 1);
  const whole = bars.length === told.bars.length;
  const parts = whole
    ? told.parts
    : ((bars.length === 1 ? bars[0]?.parts : averaged(bars.map((bar) => bar.parts))) ?? []);
  const difficulty = whole
    ? arrangement.difficulty
    : bars.reduce((sum, bar) => sum + bar.difficulty, 0) / Math.max(1, bars.length);
  const fastest = Math.min(...bars.map((bar) => bar.maxTempo));
  const beat = beatSign(arrangement.tempo.beatTicks);
  const tooSlow = arrangement.limits.filter((limit) => limit.maxTempo < bpm);
  const changes = bars
    .flatMap((bar) => bar.chords.map((chord) => ({ bar: bar.number, ...chord })))
    .filter((each) => each.change >= FELT_CHANGE)
    .sort((one, other) => other.change - one.change)
    .slice(0, MOST_CHANGES);
  const point = (id: Part["id"]) => {
    const next = part === id ? null : id;
    setPart(next);
    if (next === "reading")
      onPoint(
        arrangement.strokes.flatMap((stroke, i) =>
          stroke.bar >= selection[0] && stroke.bar <= selection[1] ? [i] : [],
        ),
      );
    else onPoint(bars.flatMap((bar) => bar.parts.find((each) => each.id === next)?.strokes ?? []));
  };
  return (
    <div className="grid gap-2">
      <p>
        <span className="font-semibold font-serif text-3xl">{Math.round(difficulty)}</span>
        <span className="text-quiet">
          {" "}
          of 100, {whole ? "the whole song" : `bar${here.includes("-") ? "s" : ""} ${here.replace("-", "–")}`}
        </span>
      </p>
      <ul aria-label="What makes it hard" className="grid gap-0.5">
        {parts.map((each) => (
          <li key={each.id}>
            <button
              type="button"
              aria-pressed={part === each.id}
              title={PARTS[each.id].says}
              onClick={() => point(each.id)}
              className={`grid min-h-8 w-full grid-cols-[4.6rem_1fr_2rem] items-center gap-2 rounded-plank px-1 text-left ${part === each.id ? "bg-wash font-semibold text-accent" : ""}`}
            >
              {PARTS[each.id].name}
              <span className="block h-2 bg-plank" aria-hidden="true">
                <span className="block h-2 bg-ink" style={{ width: `${each.value}%` }} />
              </span>
              <span className="text-end">{Math.round(each.value)}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="text-[0.92rem] text-quiet leading-snug">
        {part
          ? `${PARTS[part].says[0]?.toUpperCase()}${PARTS[part].says.slice(1)}; the notes are lit.`
          : "Press a part to see its notes."}
      </p>
      <p className="leading-snug">
        {fastest >= 400
          ? "No jump or repeated note limits the tempo."
          : `Jumps and repeated notes fit up to ${beat} = ${Math.floor(fastest)}.`}
      </p>
      {tooSlow.length > 0 && (
        <div className="border-accent border-l-4 bg-wash px-2 py-1">
          <p className="font-semibold">Too fast at {Math.round(bpm)}:</p>
          <ul className="flex flex-wrap gap-x-3">
            {tooSlow.map((limit) => (
              <li key={limit.bar} className="text-[0.92rem] leading-snug">
                <LinkButton onClick={() => onPoint([limit.stroke])} high={8} strong plain>
                  bar {arrangement.bars[limit.bar]?.number}, up to {Math.floor(limit.maxTempo)}
                </LinkButton>
              </li>
            ))}
          </ul>
          <p className="text-[0.92rem] leading-snug">{tooSlow[0]?.why}</p>
        </div>
      )}
      {changes.length > 0 && (
        <p className="text-[0.92rem] leading-snug">
          <span className="text-quiet">Hardest changes: </span>
          {changes.map((each, index) => (
            <span key={`${each.bar}.${each.tick}`}>
              {index > 0 && "; "}
              to <span className="font-serif">{each.symbol}</span> in bar {each.bar}, {Math.round(each.change)}
            </span>
          ))}
          .
        </p>
      )}
      <fieldset>
        <legend className="font-semibold">Level</legend>
        <div className="mt-1 flex gap-1">
          {[1, 2, 3, 4, 5].map((each) => (
            <button
              key={each}
              type="button"
              aria-label={`Level ${each}${named(levels.data, each)}`}
              aria-pressed={level === each}
              onClick={() => onLevel(level === each ? null : each)}
              className={`flex h-12 min-w-0 flex-1 flex-col items-center justify-center rounded-plank border leading-none ${level === each ? "border-accent bg-wash text-accent" : "border-line bg-sheet"}`}
            >
              <span className="font-semibold text-lg">{each}</span>
              <span className="text-[0.82rem] text-quiet">{rung(levels.data, each)}</span>
            </button>
          ))}
        </div>
        <p className="mt-1 text-[0.92rem] text-quiet leading-snug">
          {level === null ? "As chosen. Keys 1 to 5 take a level, 0 leaves it." : use(levels.data, level)}
        </p>
      </fieldset>
      <button
        type="button"
        onClick={() => setEasing(here)}
        className="h-10 rounded-plank border border-line bg-plank px-2.5 text-left font-semibold"
      >
        {whole ? "Make it easier" : `Make bar${here.includes("-") ? "s" : ""} ${here.replace("-", "–")} easier`}
      </button>
      {easing === here && easier.isError && <p className="bg-wash px-2 py-1">{easier.error.message}</p>}
      {easing === here && easier.data && !easier.data.found && (
        <p className="text-quiet">It is as easy as it gets here.</p>
      )}
      {easing === here && easier.data?.found && (
        <div className="border-line border-l-4 pl-2">
          <p className="font-semibold">
            Level {easier.data.level}, {easier.data.name.toLowerCase()}
          </p>
          <p className="text-[0.92rem] leading-snug">
            <span className="text-quiet">won: </span>
            {easier.data.won.join(" ")}
          </p>
          <p className="text-[0.92rem] leading-snug">
            <span className="text-quiet">lost: </span>
            {easier.data.lost.length > 0 ? easier.data.lost.join(" ") : "nothing that is counted."}
          </p>
          <LinkButton
            onClick={() => {
              onChange(
                choose(table, choices, whole ? { kind: "song" } : { kind: "bars", bars: here }, {
                  level: easier.data.level,
                }),
              );
              setEasing(null);
            }}
          >
            take it
          </LinkButton>
          <LinkButton onClick={() => setEasing(null)} plain className="ml-4">
            leave it
          </LinkButton>
        </div>
      )}
      <p className="border-line border-t pt-2 text-[0.9rem] text-quiet leading-snug">
        Estimates, not medical advice. Rest after 20 to 30 minutes; stop at pain, numbness or tingling and see a doctor.
      </p>
    </div>
  );
}

function averaged(all: Part[][]): Part[] {
  return (all[0] ?? []).map((part, index) => ({
    ...part,
    value: all.reduce((sum, each) => sum + (each[index]?.value ?? 0), 0) / all.length,
    strokes: all.flatMap((each) => each[index]?.strokes ?? []),
  }));
}

type Rungs = { level: number; name: string; use: string; difficulty: number }[] | undefined;

function rung(levels: Rungs, level: number): string {
  const found = levels?.find((each) => each.level === level);
  return found ? String(Math.round(found.difficulty)) : " ";
}

function named(levels: Rungs, level: number): string {
  const found = levels?.find((each) => each.level === level);
  return found ? `: ${found.name}, difficulty ${Math.round(found.difficulty)}` : "";
}

function use(levels: Rungs, level: number): string {
  return levels?.find((each) => each.level === level)?.use ?? "";
}
