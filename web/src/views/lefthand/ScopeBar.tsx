import type { Bar, Choices } from "../../api/client";
import { barsOf, forget, ownOptions, type Scope, scopeName } from "../../song/scope";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { Toggle } from "../../ui/Toggle";

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
          <Toggle
            key={option.value}
            onClick={() =>
              onScope(
                option.value === "song"
                  ? { kind: "song" }
                  : option.value === "section"
                    ? { kind: "section", name: bar.section }
                    : { kind: "bars", bars: run },
              )
            }
            on={scope.kind === option.value}
            className="min-h-8 max-w-36 truncate"
          >
            {option.label}
          </Toggle>
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
            <CheckField
              on={scope.pass !== undefined}
              onTurn={(on) => onScope({ ...scope, pass: on ? bar.pass : undefined })}
            >
              this time only
            </CheckField>
          )}
        </div>
      )}
      {scope.kind !== "song" && own && (
        <LinkButton onClick={() => onChange(forget(choices, scope))} high={8}>
          {scopeName(scope)}: as the whole song again
        </LinkButton>
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
