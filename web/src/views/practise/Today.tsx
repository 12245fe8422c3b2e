import { useState } from "react";
import { Link } from "react-router";
import type { Goal, PlanItem } from "../../api/client";
import { useGoals, usePlan } from "../../api/practice";
import { today } from "./practise";

const WHAT: Record<string, string> = {
  spot: "Hard spot",
  join: "Join",
  due: "Again",
  "run-through": "Run through",
  pause: "Pause",
};

/** What to do today, in its order; a press takes it. */
export function Today({
  songId,
  goal,
  tempo,
  onGoal,
  onTake,
}: {
  songId: string;
  goal: Goal | undefined;
  tempo: number;
  onGoal: (tempo: number, until: string) => Promise<void>;
  onTake: (item: PlanItem) => void;
}) {
  const [minutes, setMinutes] = useState(30);
  const goals = useGoals(today());
  const plan = usePlan(minutes, today(), (goals.data?.length ?? 0) > 0);
  const [wanted, setWanted] = useState<string | null>(null);
  const [until, setUntil] = useState<string | null>(null);
  const [said, setSaid] = useState("");
  const shown = wanted ?? String(Math.round(goal?.tempo ?? tempo));
  const day = until ?? goal?.until ?? "";
  const keep = async () => {
    try {
      await onGoal(Number(shown), day);
      setSaid("");
      setWanted(null);
      setUntil(null);
    } catch (error) {
      setSaid(error instanceof Error ? error.message : String(error));
    }
  };
  const changed = !goal || Number(shown) !== goal.tempo || day !== (goal.until ?? "");
  return (
    <section aria-label="Today" className="min-h-0 overflow-auto border-line border-r px-4 py-3 max-md:border-r-0">
      <h2 className="text-lg">This song</h2>
      <div className="mt-1 grid grid-cols-[5rem_minmax(0,1fr)] items-end gap-2">
        <label className="text-quiet">
          Goal, ♩ =
          <input
            type="number"
            min={20}
            max={400}
            value={shown}
            onChange={(event) => setWanted(event.target.value)}
            className="mt-0.5 block h-10 w-full rounded-plank border border-line bg-sheet px-2 font-semibold text-ink"
          />
        </label>
        <label className="text-quiet">
          ready by
          <input
            type="date"
            value={day}
            onChange={(event) => setUntil(event.target.value)}
            className="mt-0.5 block h-10 w-full rounded-plank border border-line bg-sheet px-1 text-ink"
          />
        </label>
      </div>
      {changed && (
        <button
          type="button"
          onClick={() => void keep()}
          className="mt-2 min-h-10 w-full rounded-plank border border-grain bg-plank font-semibold"
        >
          {goal ? "Change the goal" : "Practise for this goal"}
        </button>
      )}
      {said && (
        <p role="alert" className="mt-1 leading-snug">
          {said}
        </p>
      )}
      {goal && (
        <p className="mt-1 text-quiet leading-snug">
          {Math.round(goal.known * goal.pieces)} of {goal.pieces} places at their tempo
          {goal.due > 0 ? `; ${goal.due} due` : ""}.
        </p>
      )}
      <div className="mt-4 flex items-baseline justify-between gap-2">
        <h2 className="text-lg">Today</h2>
        <label className="text-quiet">
          <input
            type="number"
            min={5}
            max={240}
            step={5}
            value={minutes}
            onChange={(event) => setMinutes(Math.max(5, Math.min(240, Number(event.target.value) || 5)))}
            aria-label="Minutes there are today"
            className="h-8 w-14 rounded-plank border border-line bg-sheet px-1 text-right text-ink"
          />{" "}
          minutes
        </label>
      </div>
      {plan.data?.warnings.map((warning) => (
        <p key={warning.song} className="mt-1 border-accent border-l-4 pl-2 leading-snug">
          {warning.text}
        </p>
      ))}
      {!plan.data || plan.data.items.length === 0 ? (
        <p className="mt-1 text-quiet leading-snug">
          {goals.data?.length
            ? "Nothing is due today. Play what you like."
            : "Set a goal, and each day has a plan: the hardest while you are fresh, what is due, a run through."}
        </p>
      ) : (
        <ol aria-label="Today's plan" className="mt-1">
          {plan.data.items.map((item, at) => (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: the plan's order is what it is
              key={at}
              className="border-line border-t py-1 leading-snug"
            >
              {item.what === "pause" ? (
                <p className="text-quiet">
                  <span className="font-semibold">Pause</span> {item.minutes} min. {item.why}
                </p>
              ) : item.song === songId ? (
                <button type="button" onClick={() => onTake(item)} className="block w-full text-left">
                  <Item item={item} />
                </button>
              ) : (
                <Link to={`/songs/${item.song}/practise`} className="block">
                  <Item item={item} title={item.title ?? ""} />
                </Link>
              )}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

function Item({ item, title = "" }: { item: PlanItem; title?: string }) {
  return (
    <>
      <span className="flex justify-between gap-2">
        <span className="font-semibold">
          {WHAT[item.what]} {item.first === item.last ? `bar ${item.first}` : `bars ${item.first}–${item.last}`}
        </span>
        <span className="whitespace-nowrap text-quiet">
          ♩ = {Math.round(item.tempo)} · {item.minutes} min
        </span>
      </span>
      <span className="block text-[0.92rem] text-quiet">
        {title ? `${title}. ` : ""}
        {item.why}
      </span>
    </>
  );
}
