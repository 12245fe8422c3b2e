import type { Bar, Choices } from "../../api/client";
import { barsOf, forget, ownOptions, type Scope, scopeName } from "../../song/scope";
import { Choice } from "../../ui/Choice";

/** Where the choices go: the whole song, the section at hand, the chosen bars, some of their beats. */
export function ScopeBar({
  bars,
  selection,
  scope,
  choices,
  onScope,
  onChange,
}: {
  bars: Bar[];
  selection: [number, number];
  scope: Scope;
  choices: Choices;
  onScope: (scope: Scope) => void;
  onChange: (choices: Choices) => void;
}) {
  const bar = bars[selection[0]];
  if (!bar) return null;
  const run = barsOf(bars, selection);
  const comesAgain = bars.some((other) => other.number === bar.number && other.index !== bar.index);
  const beats = Math.round(bar.ticks / bar.beatTicks);
  const all = selection[0] === 0 && selection[1] === bars.length - 1;
  const these = { value: "bars" as const, label: run.includes("-") ? `bars ${run.replace("-", "–")}` : `bar ${run}` };
  // What is taken on the ribbon is offered first.
  const options: { value: Scope["kind"]; label: string }[] = [
    ...(all ? [] : [these]),
    { value: "song", label: "whole song" },
    ...(bar.section ? [{ value: "section" as const, label: bar.section }] : []),
    ...(all ? [these] : []),
  ];
  const others = [
    ...Object.keys(choices.sections ?? {}).map((name): Scope => ({ kind: "section", name })),
    ...(choices.overrides ?? []).map(
      (each): Scope => ({ kind: "bars", bars: each.bars, pass: each.pass, beats: each.beats }),
    ),
  ];
  const own = Object.keys(ownOptions(choices, scope)).length > 0;
  return (
    <div>
      <fieldset className="flex flex-wrap gap-x-3">
        <legend className="font-semibold text-lg">Choices for {scopeName(scope)}</legend>
        {options.map((option) => (
          <button
            key={option.value}
            type="button"
            aria-pressed={scope.kind === option.value}
            onClick={() =>
              onScope(
                option.value === "song"
                  ? { kind: "song" }
                  : option.value === "section"
                    ? { kind: "section", name: bar.section }
                    : { kind: "bars", bars: run },
              )
            }
            className={`min-h-8 max-w-36 truncate border-b-2 ${scope.kind === option.value ? "border-accent font-semibold text-accent" : "border-transparent"}`}
          >
            {option.label}
          </button>
        ))}
      </fieldset>
      {scope.kind === "bars" && (
        <div className="flex flex-wrap items-center gap-x-3">
          <div className="w-28">
            <Choice
              slim
              label="Beats"
              value={scope.beats ?? "all"}
              options={[
                { value: "all", label: "all beats" },
                ...Array.from({ length: beats }, (_, index) => ({
                  value: String(index + 1),
                  label: `beat ${index + 1}`,
                })),
                ...(beats === 4 ? ["1-2", "3-4"] : beats === 3 ? ["2-3"] : []).map((each) => ({
                  value: each,
                  label: `beats ${each.replace("-", "–")}`,
                })),
              ]}
              onChange={(value) => onScope({ ...scope, beats: value === "all" ? undefined : value })}
            />
          </div>
          {comesAgain && (
            <label className="flex min-h-8 items-center gap-1.5">
              <input
                type="checkbox"
                checked={scope.pass !== undefined}
                onChange={(event) => onScope({ ...scope, pass: event.target.checked ? bar.pass : undefined })}
                className="size-4 accent-(--accent)"
              />
              this time only
            </label>
          )}
        </div>
      )}
      {scope.kind !== "song" && own && (
        <button
          type="button"
          onClick={() => onChange(forget(choices, scope))}
          className="min-h-8 text-accent underline underline-offset-4"
        >
          {scopeName(scope)}: as the whole song again
        </button>
      )}
      {scope.kind === "song" && others.length > 0 && (
        <p className="text-[0.9rem] text-quiet leading-snug">
          Of their own:{" "}
          {others.map((each, index) => (
            <span key={scopeName(each)}>
              {index > 0 && ", "}
              <button
                type="button"
                onClick={() => onScope(each)}
                className="underline decoration-dotted underline-offset-2"
              >
                {scopeName(each)}
              </button>
            </span>
          ))}
        </p>
      )}
    </div>
  );
}
