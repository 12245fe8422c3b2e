import type { Round, Spot } from "../../api/client";
import type { NoteSource } from "../../sound/noteInput";
import type { Metronome } from "../../sound/schedule";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { type Layer, type Other, slowestOf } from "./practise";
import type { Step } from "./useSteps";

/** How a passage is practised; `source` is the id of what is played on. */
export type How = { layer: Layer; other: Other; metronome: Metronome; auto: boolean; source: string };

/** Where it is hard, the hardest first; a press takes it. */
export function HardSpots({
  spots,
  selection,
  onTake,
}: {
  spots: Spot[] | undefined;
  selection: [number, number];
  onTake: (spot: Spot) => void;
}) {
  return (
    <>
      <h2 className="mt-3 text-lg">Hard spots</h2>
      {spots?.length === 0 && <p className="text-quiet">Nothing here is hard. Take a phrase on the ribbon.</p>}
      <ol aria-label="Hard spots">
        {spots?.slice(0, 6).map((spot) => (
          <li key={`${spot.kind}.${spot.first}.${spot.last}.${spot.to}`} className="border-line border-t">
            <button
              type="button"
              aria-pressed={selection[0] === spot.first && selection[1] === spot.last}
              onClick={() => onTake(spot)}
              className="block w-full py-1 text-left leading-snug"
            >
              <span className="font-semibold">
                {spot.from === spot.to ? `Bar ${spot.from}` : `Bars ${spot.from}–${spot.to}`}
              </span>{" "}
              <span className="text-quiet">{spot.text}</span>
            </button>
          </li>
        ))}
      </ol>
    </>
  );
}

/** What goes into the log with the next pass, or beside the last; what hurts shows the cautions. */
export function Said({
  word,
  onWord,
  hurt,
  onHurt,
  onAdd,
}: {
  word: string;
  onWord: (word: string) => void;
  hurt: string;
  onHurt: (hurt: string) => void;
  /** Writes it beside the last pass, where there was one. */
  onAdd: (() => void) | undefined;
}) {
  return (
    <div className="mt-3 grid gap-1">
      <label className="text-quiet">
        A word for the log
        <input
          value={word}
          maxLength={500}
          onChange={(event) => onWord(event.target.value)}
          className="block h-9 w-full rounded-plank border border-line bg-sheet px-2 text-ink"
        />
      </label>
      <label className="text-quiet">
        Did something hurt?
        <input
          value={hurt}
          maxLength={500}
          onChange={(event) => onHurt(event.target.value)}
          className="block h-9 w-full rounded-plank border border-line bg-sheet px-2 text-ink"
        />
      </label>
      {onAdd && (
        <LinkButton onClick={onAdd} strong className="justify-self-start">
          write it beside the last pass
        </LinkButton>
      )}
      {hurt && (
        <p className="border-accent border-l-4 pl-2 leading-snug">
          Stop and rest. What is too wide can be rolled, a lower level asks less of the hand. If it stays or comes back,
          ask a teacher or a doctor.
        </p>
      )}
    </div>
  );
}

/** What is played, with what beside it, on what. */
export function Setup({
  layers,
  setup,
  onSetup,
  sources,
  source,
  stops,
  onStops,
}: {
  layers: { value: Layer; label: string }[];
  setup: How;
  onSetup: (next: Partial<How>) => void;
  sources: NoteSource[];
  source: NoteSource;
  stops: string;
  onStops: (stops: string) => void;
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <Choice label="What" value={setup.layer} options={layers} onChange={(layer) => onSetup({ layer })} />
      <Choice
        label="The other hand"
        value={setup.other}
        options={[
          { value: "heard", label: "is heard" },
          { value: "quiet", label: "is heard quietly" },
          { value: "silent", label: "is silent" },
        ]}
        onChange={(other) => onSetup({ other })}
      />
      <Choice
        label="Clicks"
        value={setup.metronome}
        options={[
          { value: "beats", label: "every beat" },
          { value: "two-and-four", label: "2 and 4" },
          { value: "bars", label: "each bar's first" },
          { value: "every-other", label: "every other bar" },
          { value: "off", label: "none after the count" },
        ]}
        onChange={(metronome) => onSetup({ metronome })}
      />
      <Choice
        label="Played on"
        value={source.id}
        options={sources.map((each) => ({ value: each.id, label: each.name }))}
        onChange={(source) => onSetup({ source })}
        reason={
          source.id === "keys"
            ? "A S D F G H J K are white keys from C4; Z and X go an octave down and up. The keyboard below can be played too."
            : ""
        }
      />
      <label className="text-quiet">
        Tempos of your own
        <input
          value={stops}
          placeholder="as in 60 100 140; small steps without"
          onChange={(event) => onStops(event.target.value)}
          className="block h-9 w-full rounded-plank border border-line bg-sheet px-2 text-ink"
        />
      </label>
      <CheckField on={setup.auto} onTurn={(on) => onSetup({ auto: on })}>
        goes on by itself
      </CheckField>
    </div>
  );
}

/** Where step by step took longest, now and the last times through, and how long those took. */
export function Slowest({ step, rounds }: { step: Step | undefined; rounds: Round[] }) {
  const before = slowestOf(rounds);
  const seconds = rounds
    .slice(0, 4)
    .reverse()
    .map((round) => `${(round.ms.reduce((sum, ms) => sum + ms, 0) / 1000).toFixed(1)} s`);
  return (
    <p className="text-quiet">
      {step && `Slowest so far: step ${step.at + 1}, ${(step.ms / 1000).toFixed(1)} s. `}
      {seconds.length > 0 &&
        `Times through: ${seconds.join(", ")}${before ? `; step ${before.at + 1} took longest` : ""}. `}
      ← → go through it by hand and are heard.
    </p>
  );
}
