import type { Choices } from "../../api/client";

const NAMES: Record<string, string> = {
  bassLine: "bass line",
  leadIn: "lead-in",
  withBassPlayer: "bass player",
  keepTop: "top line kept",
  swingRatio: "swing",
  seed: "uneven",
  sections: "sections of their own",
  overrides: "bars of their own",
  costs: "what counts",
  asTheyAre: "bars as they are",
  plain: "bars without fills",
  under: "under the melody",
  top: "top notes",
};

/** A choice that one of two arrangements makes, as a table shows it. */
export type Difference = { name: string; one: string; two: string };

/** All that either of two arrangements chooses, for the song and for the right hand. */
export function differences(one: Choices, two: Choices): Difference[] {
  const first = said(one);
  const second = said(two);
  return [...new Set([...Object.keys(first), ...Object.keys(second)])].map((name) => ({
    name,
    one: first[name] ?? "–",
    two: second[name] ?? "–",
  }));
}

function said({ right, ...left }: Choices): Record<string, string> {
  const found: Record<string, string> = {};
  const put = (all: object, before: string) => {
    for (const [name, value] of Object.entries(all))
      if (value !== null && value !== undefined) found[`${before}${NAMES[name] ?? name}`] = textOf(value);
  };
  put(left, "");
  put(right ?? {}, "right hand: ");
  return found;
}

function textOf(value: unknown): string {
  if (value === true) return "yes";
  if (value === false) return "no";
  if (Array.isArray(value)) return value.every((each) => typeof each === "number") ? value.join(", ") || "none" : String(value.length);
  if (typeof value === "object" && value) return Object.keys(value).join(", ") || "none";
  return String(value).replaceAll("-", " ");
}
