import { type ReactNode, useState } from "react";
import type { Bar } from "../../api/client";
import { useScore } from "../../api/queries";
import { useBarsOnStaff } from "../../score/barSize";
import { SHOWN, showFingers, useFingersShown } from "../../score/fingers";
import { Score } from "../../score/Score";
import { useArranged, useMarked, useSound, useWork } from "../../song/desk";
import { playedBar, usePlaying } from "../../sound/playing";
import { FirstLegend } from "../../steps/StepLegend";
import { BarSteps } from "./BarSteps";
import { pageOf } from "./page";

/** As many bars stand in one system. */
const FEW = 4;
/** Where the lines of a staff would be closer than this, in pixels, fewer bars are shown. */
const READABLE = 7.8;

/** The bars of the moment: their heading, the engraved page that turns with the music, the step line. */
export function Staff({
  beside,
  notices,
  between,
  steps,
  onBreak,
  lit,
  onStroke,
  onLift,
  alone = false,
  verdicts,
}: {
  /** Beside the heading. */
  beside: ReactNode;
  notices?: ReactNode;
  between?: ReactNode;
  /** In place of the step line. */
  steps?: { bar: number; editor: ReactNode } | undefined;
  /** Break the bar out by hand. */
  onBreak?: ((bar: number) => void) | undefined;
  /** Strokes that are lit while nothing plays. */
  lit: number[];
  onStroke: (stroke: number | null) => void;
  /** A note was dragged so many places of the staff up, or down below zero. */
  onLift?: ((stroke: number, steps: number) => void) | undefined;
  /** Without the step line and what the arrangement says. */
  alone?: boolean;
  verdicts?: ReadonlyMap<string, string> | undefined;
}) {
  const { arrangement, arrangementError } = useArranged();
  const { asked } = useWork();
  const { selection, struck } = useMarked();
  const sound = useSound();
  const played = usePlaying(playedBar);
  const bar = played >= 0 ? played : selection[0];
  const wanted = useBarsOnStaff();
  const [crowded, setCrowded] = useState(Number.POSITIVE_INFINITY);
  const most = wanted >= crowded ? FEW : wanted;
  // A bar that is written by hand has one system above it.
  const [from, to] = steps ? pageOf(selection, steps.bar, Math.min(most, FEW)) : pageOf(selection, bar, most);
  const fingers = useFingersShown();
  const score = useScore(asked, from, to, fingers, Boolean(arrangement) && !arrangementError);
  if (!arrangement) return null;
  return (
    <>
      {!alone && (
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="whitespace-nowrap text-lg">{heading(arrangement.bars, from, to)}</h2>
          <button
            type="button"
            title="Few: where a pattern begins or changes. All, or none."
            onClick={() => showFingers(SHOWN[(SHOWN.indexOf(fingers) + 1) % SHOWN.length] ?? "few")}
            className="min-h-8 whitespace-nowrap text-quiet underline decoration-dotted underline-offset-4"
          >
            Fingers: {fingers}
          </button>
          {onBreak && (
            <button
              type="button"
              title="Break this bar out: its own strokes, written on the step line"
              onClick={() => onBreak(bar)}
              className="min-h-8 whitespace-nowrap text-quiet underline decoration-dotted underline-offset-4"
            >
              Bar {arrangement.bars[bar]?.number} by hand
            </button>
          )}
          {beside}
        </div>
      )}
      {notices}
      <Score
        xml={score.data}
        label={`Grand staff, bars ${from + 1} to ${to + 1}`}
        lit={lit}
        onStroke={(stroke) => {
          onStroke(stroke);
          sound.strike(stroke);
        }}
        onLift={onLift}
        verdicts={verdicts}
        onSpace={(pixels) => pixels < READABLE && to - from >= FEW && setCrowded(most)}
      />
      {between}
      {steps?.editor ?? (!alone && <BarSteps bar={bar} struck={struck} setStruck={onStroke} />)}
      {onBreak && <FirstLegend />}
      {arrangement.problems
        .filter((problem) => !alone && problem.line === null)
        .map((notice) => (
          <p key={notice.code} className="mt-1 text-quiet">
            {notice.message}
          </p>
        ))}
    </>
  );
}

function heading(bars: Bar[], from: number, to: number): string {
  const section = bars[from]?.section;
  const run = from === to ? `bar ${bars[from]?.number}` : `bars ${bars[from]?.number}–${bars[to]?.number}`;
  return section ? `${section}, ${run}` : run.charAt(0).toUpperCase() + run.slice(1);
}
