import { useEffect, useRef, useState } from "react";
import { type Arrangement, api, type Figure, type FigureDrafted, type Options, take } from "../../api/client";
import { useRoles } from "../../api/queries";
import { type EditedStroke, usualUnit } from "../../steps/edited";
import { StepEditor } from "../../steps/StepEditor";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { useLatest } from "../../ui/useLatest";
import { UNITS } from "./FigureEditor";
import { markOf } from "./figureDraft";
import { barDraft, strokesOf } from "./ownBar";
import { StrokePanel } from "./StrokePanel";

/**
 * One bar broken out by hand on its step line, without a figure of its own: what is stepped on is heard and kept at
 * once.
 */
export function OwnBar({
  arrangement,
  bar,
  figure,
  kept,
  onStrokes,
  onClose,
}: {
  arrangement: Arrangement;
  bar: number;
  /** The one that sounds there. */
  figure: Figure;
  /** The strokes of its own it has by now. */
  kept: string | undefined;
  /** The bar's strokes as its choice has them; undefined is as the figure goes. */
  onStrokes: (strokes: string | undefined) => void;
  onClose: () => void;
}) {
  const here = arrangement.bars[bar];
  const roles = useRoles();
  const [strokes, setStrokes] = useState<EditedStroke[]>(() => strokesOf(arrangement, bar));
  const [at, setAt] = useState<number | null>(null);
  const [unit, setUnit] = useState(() => String(usualUnit(strokes)));
  const [said, setSaid] = useState<FigureDrafted | null>(null);
  const asked = useRef(0);
  const told = useRef(kept);
  const sounding = (here?.choices.chosen as Options | undefined)?.strokes ?? undefined;
  // What was undone, or chosen elsewhere, is shown as soon as it sounds.
  // biome-ignore lint/correctness/useExhaustiveDependencies: what sounds comes with the arrangement
  useEffect(() => {
    if (kept === told.current || sounding !== kept) return;
    told.current = kept;
    setStrokes(strokesOf(arrangement, bar));
    setAt(null);
  }, [kept, sounding]);
  const tell = useLatest((text: string | undefined) => {
    told.current = text;
    onStrokes(text);
  });
  if (!here) return null;
  const change = (next: EditedStroke[], taken: number | null) => {
    setStrokes(next);
    setAt(taken);
    const mine = ++asked.current;
    if (next.length === 0) {
      tell(undefined);
      return;
    }
    take(api.POST("/api/figures/draft", { body: barDraft(figure, here.meter, next) }))
      .then((drafted) => {
        if (mine !== asked.current) return;
        setSaid((before) => (drafted.figure ? drafted : { ...drafted, figure: before?.figure ?? null }));
        if (!drafted.problem) tell(drafted.bar);
      })
      .catch(
        (error: Error) =>
          mine === asked.current && setSaid((before) => ({ ...EMPTY, ...before, problem: error.message })),
      );
  };
  const chosen = at === null ? undefined : strokes[at];
  return (
    <section aria-label={`Bar ${here.number} by hand`} className="mt-1 border-accent border-l-4 pl-3">
      <div className="flex flex-wrap items-end justify-between gap-x-4">
        <h3 className="font-semibold">Bar {here.number} by hand</h3>
        <div className="w-28">
          <Choice slim label="Planks" value={unit} options={UNITS} onChange={setUnit} />
        </div>
        <p className="flex gap-4">
          {kept !== undefined && (
            <LinkButton
              strong
              onClick={() => {
                asked.current++;
                onStrokes(undefined);
                onClose();
              }}
            >
              As the figure goes
            </LinkButton>
          )}
          <LinkButton strong onClick={onClose}>
            Done
          </LinkButton>
        </p>
      </div>
      <StepEditor
        roles={roles}
        strokes={strokes}
        at={at}
        hands={figure.hands.includes("R") ? ["R", "L"] : ["L"]}
        barTicks={here.ticks}
        beatTicks={here.beatTicks}
        unit={Number(unit)}
        markOf={(stroke) => markOf(stroke, said?.figure ?? figure)}
        onAt={setAt}
        onChange={change}
      />
      {chosen ? (
        <StrokePanel
          roles={roles}
          stroke={chosen}
          both={figure.hands.includes("R")}
          unit={Number(unit)}
          barTicks={here.ticks}
          onChange={(more) =>
            change(
              strokes.map((each, index) => (index === at ? { ...each, ...more } : each)),
              at,
            )
          }
          onLift={() =>
            change(
              strokes.filter((_, index) => index !== at),
              null,
            )
          }
        />
      ) : (
        <p className="text-quiet">
          {strokes.length === 0
            ? "Nothing is left of it, so the bar goes as the figure does. Step on a plank to lay a stroke."
            : "Step on a plank to lay a stroke, on a step to change it. Only this bar changes."}
        </p>
      )}
      {said?.problem && (
        <p role="alert" className="mt-1 border-accent border-l-4 bg-wash px-3 py-1">
          {said.problem} The bar stays as it was.
        </p>
      )}
    </section>
  );
}

const EMPTY: FigureDrafted = { id: "", file: "", bar: "", figure: null, problem: "" };
