import type { Arrangement } from "../../api/client";
import { usePlaying } from "../../sound/playing";
import { barsNamed, keyName, layersOf } from "./practise";
import { Stairs } from "./Stairs";
import type { useClimb } from "./useClimb";
import type { usePass } from "./usePass";
import type { useSteps } from "./useSteps";

type Climb = ReturnType<typeof useClimb>;

/** What is practised now, and how fast. */
export function Heading({
  arrangement,
  layer,
  selection,
  climb,
  goal,
}: {
  arrangement: Arrangement;
  layer: string;
  selection: [number, number];
  climb: Climb;
  /** The tempo the stairs lead to. */
  goal: number;
}) {
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
      <h2 className="font-serif text-[1.5rem] leading-tight">
        <span className="first-letter:uppercase inline-block">
          {layersOf(arrangement).find((each) => each.value === layer)?.label ?? layer}
        </span>
        , {barsNamed(arrangement, selection[0], selection[1])}
      </h2>
      <div className="flex items-center gap-4">
        <Stairs rungs={climb.rungs} rung={climb.now} goal={goal} />
        <div className="flex items-center">
          <TempoButton label="A step slower" onClick={climb.slower}>
            −
          </TempoButton>
          <p className="font-serif text-[2.2rem] leading-none">
            <span className="text-[1.2rem]">♩ = </span>
            {Math.round(climb.now.tempo)}
          </p>
          <TempoButton label="A step faster" onClick={climb.faster}>
            +
          </TempoButton>
        </div>
      </div>
    </div>
  );
}

function TempoButton({ label, onClick, children }: { label: string; onClick: () => void; children: string }) {
  return (
    <button type="button" aria-label={label} onClick={onClick} className="size-10 text-[1.5rem]">
      {children}
    </button>
  );
}

/** What can be done now, and how it stands. */
export function Acts({
  pass,
  steps,
  asked,
  again,
  onNext,
  onAgain,
  onJoin,
  onSteps,
}: {
  pass: ReturnType<typeof usePass>;
  /** The steps that are gone through, if they are. */
  steps: ReturnType<typeof useSteps> | null;
  /** How many notes a pass has. */
  asked: number;
  /** Whether it was played before. */
  again: boolean;
  onNext: () => void;
  onAgain: () => void;
  onJoin: () => void;
  onSteps: () => void;
}) {
  const hands = usePlaying((head) => (head.playing ? (head.counting ? "counting" : "playing") : "resting"));
  const working = pass.state === "playing";
  return (
    <div className="my-2 flex flex-wrap items-center gap-3">
      <button
        type="button"
        onClick={onNext}
        className={`min-h-12 min-w-44 rounded-plank px-4 font-semibold text-[1.15rem] ${working ? "bg-accent text-sheet" : "bg-ink text-sheet"}`}
        title="Space, or the pedal"
      >
        {working ? "Stop" : pass.state === "asks" ? "It was clean" : pass.judged || again ? "Again" : "Begin"}
      </button>
      {pass.state === "asks" && (
        <button
          type="button"
          onClick={onAgain}
          className="min-h-12 rounded-plank border border-grain bg-plank px-4 font-semibold"
          title="X"
        >
          Once more
        </button>
      )}
      <button
        type="button"
        onClick={onJoin}
        className="min-h-12 rounded-plank border border-grain bg-plank px-3 font-semibold"
      >
        Join its neighbours
      </button>
      <button
        type="button"
        aria-pressed={steps !== null}
        onClick={onSteps}
        className={`min-h-12 rounded-plank border border-grain px-3 font-semibold ${steps ? "bg-wash" : "bg-plank"}`}
      >
        Step by step
      </button>
      <p role="status" className="text-[1.1rem] leading-snug">
        {working && (hands === "counting" ? "One bar of clicks …" : `${pass.notes} of ${asked} notes`)}
        {pass.state === "judging" && "Listening back …"}
        {pass.state === "asks" && "Was it clean? C or the pedal says yes, X once more, Escape that it was no pass."}
        {pass.state === "failed" && `It could not be judged: ${pass.says}`}
        {steps?.group && (
          <>
            Step {steps.at + 1} of {steps.groups}:{" "}
            {steps.group.map((note) => `${note.name}${note.finger ? ` (${note.finger})` : ""}`).join(" ")},{" "}
            {steps.group[0]?.hand === "L" ? "left" : "right"} hand
            {steps.wrong !== null ? `; ${keyName(steps.wrong)} is another key` : ""}
          </>
        )}
      </p>
    </div>
  );
}
