import type { Bar, Choices, Options, Override } from "../api/client";
import { dropped, type Row } from "./table";

/** Where a choice goes: the whole song, one section, some bars, some beats of them. */
export type Scope =
  | { kind: "song" }
  | { kind: "section"; name: string }
  | { kind: "bars"; bars: string; pass?: number; beats?: string };

/** "5" or "5-8", as the bars are numbered in the chart. */
export function barsOf(bars: Bar[], selection: [number, number]): string {
  const numbers = bars.slice(selection[0], selection[1] + 1).map((bar) => bar.number);
  const first = Math.min(...numbers);
  const last = Math.max(...numbers);
  return first === last ? String(first) : `${first}-${last}`;
}

function isSame(override: Override, scope: Scope): boolean {
  return (
    scope.kind === "bars" &&
    override.bars === scope.bars &&
    override.pass === scope.pass &&
    override.beats === scope.beats
  );
}

/** What was chosen for just this scope; for the song that is all of it. */
export function ownOptions(choices: Choices, scope: Scope): Options {
  if (scope.kind === "song") return choices;
  if (scope.kind === "section") return choices.sections?.[scope.name] ?? {};
  const {
    bars: _bars,
    pass: _pass,
    beats: _beats,
    ...options
  } = choices.overrides?.find((each) => isSame(each, scope)) ?? {
    bars: scope.bars,
  };
  return options;
}

/**
 * The choices with more chosen for a scope; by the table of choices what belongs to a choice is dropped where that
 * becomes another one.
 */
export function choose(table: Row[], choices: Choices, scope: Scope, more: Options): Choices {
  const fresh = { ...dropped(table, more), ...more };
  if (scope.kind === "song") return clean({ ...choices, ...fresh });
  if (scope.kind === "section")
    return {
      ...choices,
      sections: { ...choices.sections, [scope.name]: clean({ ...choices.sections?.[scope.name], ...fresh }) },
    };
  const own = choices.overrides?.find((override) => isSame(override, scope));
  const next = clean({ ...(own ?? { bars: scope.bars, pass: scope.pass, beats: scope.beats }), ...fresh }) as Override;
  return { ...choices, overrides: [...(choices.overrides ?? []).filter((override) => override !== own), next] };
}

/** The choices without what was chosen for a section or for bars. */
export function forget(choices: Choices, scope: Scope): Choices {
  if (scope.kind === "section") {
    const { [scope.name]: _gone, ...sections } = choices.sections ?? {};
    return { ...choices, sections };
  }
  return { ...choices, overrides: (choices.overrides ?? []).filter((override) => !isSame(override, scope)) };
}

function clean<T extends object>(value: T): T {
  return Object.fromEntries(Object.entries(value).filter(([, each]) => each !== undefined && each !== null)) as T;
}

/** Where the bars of a scope are played, the first time or the time it names; null for others. */
export function playedAt(bars: Bar[], scope: Scope): [number, number] | null {
  if (scope.kind !== "bars") return null;
  const [first = 0, last = first] = scope.bars.split("-").map(Number);
  const from = bars.findIndex((bar) => bar.number === first && (scope.pass === undefined || bar.pass === scope.pass));
  const to = bars.findIndex((bar, index) => index >= from && bar.number === last);
  return from < 0 || to < 0 ? null : [from, to];
}

/** The numbers of bars that have choices of their own. */
export function barsOfTheirOwn(choices: Choices): Set<number> {
  const numbers = new Set<number>();
  for (const { bars } of choices.overrides ?? []) {
    const [first = 0, last = first] = bars.split("-").map(Number);
    for (let number = first; number <= last; number++) numbers.add(number);
  }
  return numbers;
}

/** How a scope is called. */
export function scopeName(scope: Scope): string {
  if (scope.kind === "song") return "the whole song";
  if (scope.kind === "section") return scope.name;
  const bars = scope.bars.includes("-") ? `bars ${scope.bars.replace("-", "–")}` : `bar ${scope.bars}`;
  const beats = scope.beats
    ? `, ${scope.beats.includes("-") ? `beats ${scope.beats.replace("-", "–")}` : `beat ${scope.beats}`}`
    : "";
  return `${bars}${beats}${scope.pass ? `, time ${scope.pass}` : ""}`;
}

/** The choices with what is kept of liveliness in a bar: a spice's id, plain, or nothing of one's own. */
export function spiced(choices: Choices, bar: number, spice: string | undefined): Choices {
  const { spices, ...rest } = choices;
  const others = (spices ?? []).filter((each) => !each.endsWith(`@${bar}`));
  const next = spice ? [...others, `${spice}@${bar}`] : others;
  return next.length > 0 ? { ...rest, spices: next } : rest;
}

/** Bars that are chosen for move with those that are taken; beats only while it is the same bar. */
export function follow(scope: Scope & { kind: "bars" }, bars: string): Scope {
  return scope.bars === bars ? scope : { kind: "bars", bars };
}
