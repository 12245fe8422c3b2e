import type { Choices } from "../../api/client";

/** What is no choice by itself but holds choices. */
const HOLDERS: Record<string, string> = {
  sections: "sections of their own",
  overrides: "bars of their own",
  costs: "what counts",
};

/** A choice that one of two arrangements makes, as a table shows it. */
export type Difference = { name: string; one: string; two: string };

/**
 * All that either of two arrangements chooses, for the song and for the right hand; {@code names} are what choices are
 * called, by their ids.
 */
export function differences(one: Choices, two: Choices, names: Record<string, string>): Difference[] {
  const first = said(one, names);
  const second = said(two, names);
  return [...new Set([...Object.keys(first), ...Object.keys(second)])].map((name) => ({
    name,
    one: first[name] ?? "–",
    two: second[name] ?? "–",
  }));
}

function said({ right, ways: _found, ...left }: Choices, names: Record<string, string>): Record<string, string> {
  const found: Record<string, string> = {};
  const put = (all: object, before: string) => {
    for (const [name, value] of Object.entries(all))
      if (value !== null && value !== undefined)
        found[`${before}${HOLDERS[name] ?? names[name] ?? name}`] = textOf(value);
  };
  put(left, "");
  put(right ?? {}, "right hand: ");
  return found;
}

function textOf(value: unknown): string {
  if (value === true) return "yes";
  if (value === false) return "no";
  if (Array.isArray(value))
    return value.every((each) => typeof each === "number") ? value.join(", ") || "none" : String(value.length);
  if (typeof value === "object" && value) return Object.keys(value).join(", ") || "none";
  return String(value).replaceAll("-", " ");
}
