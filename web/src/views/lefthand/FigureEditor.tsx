import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { api, type Figure, type FigureDrafted, Refused, take } from "../../api/client";
import { useRoles } from "../../api/queries";
import type { TriedFigure } from "../../song/tried";
import { useSettled } from "../../song/useSettled";
import { usualUnit } from "../../steps/edited";
import { StepEditor } from "../../steps/StepEditor";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { draftOf, type EditedFigure, edited, inMeter, markOf, type SongMeter } from "./figureDraft";
import { StrokePanel } from "./StrokePanel";

export const UNITS = [
  { value: "480", label: "eighths" },
  { value: "320", label: "triplets" },
  { value: "240", label: "sixteenths" },
];

/**
 * A figure on the step line: planks are stepped on and steps pulled and lifted, heard while it is written, kept in the
 * player's own book.
 */
export function FigureEditor({
  figure,
  copy,
  songMeter,
  families,
  onTry,
  onKept,
  onClose,
}: {
  figure: Figure;
  /** Whether it is kept as a new figure; else it replaces the one that is changed. */
  copy: boolean;
  songMeter: SongMeter;
  families: string[];
  onTry: (tried: TriedFigure | null) => void;
  onKept: (figure: Figure) => void;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const ofRight = figure.hands.every((hand) => hand === "R");
  const roles = useRoles();
  const [now, setNow] = useState<EditedFigure>(() => {
    const opened = edited(
      figure,
      figure.meters.includes(songMeter.meter) ? songMeter.meter : (figure.meters[0] ?? "4/4"),
      songMeter,
    );
    return copy ? { ...opened, name: `My ${figure.name.replace(/^My /, "").toLowerCase()}` } : opened;
  });
  const [unit, setUnit] = useState(() => String(usualUnit(now.strokes)));
  const [at, setAt] = useState<number | null>(null);
  const [problem, setProblem] = useState("");
  const [keeping, setKeeping] = useState(false);
  const [drafted, setDrafted] = useState<FigureDrafted | null>(null);
  const draft = useMemo(() => draftOf(now, copy ? undefined : figure.id), [now, copy, figure.id]);
  const settled = useSettled(draft, 150);

  useEffect(() => {
    let late = false;
    ask(settled)
      .then((answer) => {
        if (late) return;
        // What cannot be read has no marks; those of before stay.
        setDrafted((before) => (answer.figure ? answer : { ...answer, figure: before?.figure ?? null }));
        setProblem(answer.problem);
        if (!answer.problem) onTry({ id: answer.id, file: answer.file, right: ofRight });
      })
      .catch((error: Error) => !late && setProblem(error.message));
    return () => {
      late = true;
    };
  }, [settled, onTry, ofRight]);

  // However it is left, nothing is tried any more.
  useEffect(() => () => onTry(null), [onTry]);

  const chosen = at === null ? undefined : now.strokes[at];
  const change = (stroke: Partial<(typeof now.strokes)[number]>) =>
    at !== null &&
    setNow({ ...now, strokes: now.strokes.map((each, index) => (index === at ? { ...each, ...stroke } : each)) });
  const lift = () => {
    if (at === null) return;
    setNow({ ...now, strokes: now.strokes.filter((_, index) => index !== at) });
    setAt(null);
  };
  const keep = async () => {
    setKeeping(true);
    try {
      const { file, problem: wrong } = await ask(draft);
      if (wrong) throw new Refused(422, wrong);
      const body = { file, ...(copy ? {} : { version: figure.version ?? undefined }) };
      const kept = await take(
        copy
          ? api.POST("/api/figures", { body })
          : api.PUT("/api/figures/{id}", { params: { path: { id: figure.id } }, body }),
      );
      await queries.invalidateQueries({ queryKey: ["figures"] });
      onKept(kept);
    } catch (error) {
      setProblem(error instanceof Refused ? error.message : String(error));
    } finally {
      setKeeping(false);
    }
  };
  const remove = async () => {
    try {
      await take(api.DELETE("/api/figures/{id}", { params: { path: { id: figure.id } } }));
      await queries.invalidateQueries({ queryKey: ["figures"] });
      onClose();
    } catch (error) {
      setProblem(error instanceof Refused ? error.message : String(error));
    }
  };
  const meters = [...new Set([...figure.meters, songMeter.meter])];
  return (
    <section aria-label="A figure being written" className="min-h-0 min-w-0 overflow-auto px-4 pt-1 pb-3">
      <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
        <label className="min-w-44 flex-1">
          <span className="text-quiet">Name</span>
          <input
            value={now.name}
            maxLength={80}
            onChange={(event) => setNow({ ...now, name: event.target.value })}
            className="mt-0.5 h-10 w-full rounded-plank border border-line bg-sheet px-2.5 font-semibold"
          />
        </label>
        <label className="w-32">
          <span className="text-quiet">Family</span>
          <input
            value={now.family}
            list="families"
            maxLength={40}
            onChange={(event) => setNow({ ...now, family: event.target.value })}
            className="mt-0.5 h-10 w-full rounded-plank border border-line bg-sheet px-2.5"
          />
          <datalist id="families">
            {families.map((family) => (
              <option key={family} value={family} />
            ))}
          </datalist>
        </label>
        <div className="w-24">
          <Choice
            label="Metre"
            value={now.meter}
            options={meters.map((meter) => ({ value: meter, label: meter }))}
            onChange={(meter) => {
              setAt(null);
              setNow(inMeter(now, figure, meter, songMeter));
            }}
          />
        </div>
        <div className="w-32">
          <Choice label="Planks" value={unit} options={UNITS} onChange={setUnit} />
        </div>
      </div>
      <label className="mt-1 block">
        <span className="text-quiet">When to use it</span>
        <input
          value={now.use}
          maxLength={200}
          onChange={(event) => setNow({ ...now, use: event.target.value })}
          className="mt-0.5 h-9 w-full rounded-plank border border-line bg-sheet px-2.5"
        />
      </label>

      <div className="mt-2">
        <StepEditor
          roles={roles}
          strokes={now.strokes}
          at={at}
          hands={ofRight ? ["R"] : ["R", "L"]}
          barTicks={now.barTicks}
          beatTicks={now.beatTicks}
          unit={Number(unit)}
          markOf={(stroke) => markOf(stroke, drafted?.figure ?? null)}
          onAt={setAt}
          onChange={(strokes, next) => {
            setNow({ ...now, strokes });
            setAt(next);
          }}
        />
      </div>

      {chosen ? (
        <StrokePanel
          roles={roles}
          stroke={chosen}
          both={!ofRight}
          unit={Number(unit)}
          barTicks={now.barTicks}
          onChange={change}
          onLift={lift}
        />
      ) : (
        <p className="mt-2 text-quiet">
          Step on a plank to lay a stroke; pull its sole for longer, ↑ ↓ change what it plays. Play: it is heard on the
          song as you write.
        </p>
      )}

      <MannerPanel figure={now} ofRight={ofRight} onChange={setNow} />

      {problem && now.strokes.length > 0 && (
        <p role="alert" className="mt-2 border-accent border-l-4 bg-wash px-3 py-1.5">
          {problem}
        </p>
      )}
      <div className="-mx-4 -mb-3 sticky bottom-[-0.75rem] mt-2 flex gap-6 border-line border-t bg-ground px-4 py-1">
        <LinkButton disabled={Boolean(problem) || keeping} onClick={keep} high={10} strong>
          {copy ? "Keep it in my book" : "Keep the change"}
        </LinkButton>
        <button type="button" onClick={onClose} className="min-h-10">
          Leave it
        </button>
        {!copy && (
          <button type="button" onClick={remove} className="min-h-10 text-quiet">
            Delete it
          </button>
        )}
      </div>
    </section>
  );
}

async function ask(draft: ReturnType<typeof draftOf>): Promise<FigureDrafted> {
  return await take(api.POST("/api/figures/draft", { body: draft }));
}

/** What holds for the whole figure. */
function MannerPanel({
  figure,
  ofRight,
  onChange,
}: {
  figure: EditedFigure;
  ofRight: boolean;
  onChange: (figure: EditedFigure) => void;
}) {
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3 border-line border-t pt-2">
      <div className="w-28">
        <Choice
          label="Level"
          value={String(figure.level)}
          options={["1", "2", "3", "4", "5"].map((each) => ({ value: each, label: each }))}
          onChange={(level) => onChange({ ...figure, level: Number(level) })}
        />
      </div>
      <div className="w-44">
        <Choice
          label="Two chords in a bar"
          value={figure.manner.cut}
          options={[
            { value: "restart", label: "start again" },
            { value: "keep", label: "keep the rhythm" },
          ]}
          onChange={(cut) => onChange({ ...figure, manner: { ...figure.manner, cut } })}
        />
      </div>
      <div className="w-48">
        <Choice
          label="Rolled strokes"
          value={figure.manner.roll}
          options={[
            { value: "beat", label: "from the beat" },
            { value: "before", label: "top on the beat" },
            { value: "broken", label: "bass on the & before" },
          ]}
          onChange={(roll) => onChange({ ...figure, manner: { ...figure.manner, roll } })}
        />
      </div>
      {!ofRight && (
        <CheckField
          on={figure.manner.pedal}
          onTurn={(on) => onChange({ ...figure, manner: { ...figure.manner, pedal: on } })}
        >
          pedal
        </CheckField>
      )}
      {!ofRight && figure.manner.pedal && (
        <div className="w-56">
          <Choice
            label="The pedal comes up"
            value={figure.manner.lifts}
            options={[
              { value: "change", label: "with the next chord" },
              { value: "chord", label: "on the chord above the bass" },
              { value: "third", label: "on the third beat" },
              { value: "half", label: "every half bar, when quick" },
            ]}
            onChange={(lifts) => onChange({ ...figure, manner: { ...figure.manner, lifts } })}
          />
        </div>
      )}
    </div>
  );
}
