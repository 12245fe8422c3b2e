import type { EditedStroke } from "./edited";

/** What a stroke can play, by the hand's own words; in the order they are stepped through. */
const LEFT: [string, string][] = [
  ["5_", "fifth below"],
  ["1", "bass"],
  ["3", "third"],
  ["5", "fifth"],
  ["6", "sixth"],
  ["7", "seventh"],
  ["8", "octave"],
  ["9", "ninth"],
  ["10", "tenth"],
  ["12", "twelfth"],
  ["c", "close chord"],
  ["s", "guide tones"],
  ["v", "the voicing"],
  ["w", "walking note"],
  ["L", "lead-in"],
  ["d", "passing diminished"],
];

const RIGHT: [string, string][] = [
  ["cl", "the lowest"],
  ["cu", "all but the lowest"],
  ["c", "the whole chord"],
  ["ct", "the top"],
  ["c1", "first from below"],
  ["c2", "second"],
  ["c3", "third"],
  ["c4", "fourth"],
];

const ALONE = ["w", "L", "v", "c", "s", "n", "d", "cl", "cu", "ct"];

/** The roles of a hand; those of both where a figure has both. */
export function rolesOf(hand: "L" | "R", both: boolean): [string, string][] {
  return hand === "L" ? LEFT : both ? [...RIGHT, ...LEFT.filter(([role]) => /^[0-9]|^d$/.test(role))] : RIGHT;
}

/** Whether a role is struck without others. */
export function isAlone(role: string): boolean {
  return ALONE.includes(role) || /^c[1-4]$/.test(role);
}

export function isEarly(roles: string): boolean {
  return roles.startsWith(">");
}

/** Its roles one by one, whichever chord they are of. */
export function single(roles: string): string[] {
  return roles.split("+").map((role) => role.replace(/^>/, ""));
}

/** Written as one stroke again. */
export function together(roles: string[], early: boolean): string {
  return roles.map((role) => (early ? `>${role}` : role)).join("+");
}

/** As it stands over its step: a figure's own sign, for the right hand's chords a word. */
export function shown(stroke: EditedStroke): string {
  return stroke.hand === "R"
    ? stroke.roles.replace(/^(>?)(c[ltu]?)$/, (_all, early, role) => early + (SHORT[role] ?? role))
    : stroke.roles;
}

const SHORT: Record<string, string> = { c: "all", cl: "low", cu: "upper", ct: "top" };

/**
 * What a new stroke plays after the one before it: the right hand's chord and its lowest and upper notes in turn, bass
 * and fifth of the left.
 */
export function following(before: EditedStroke | undefined, hand: "L" | "R"): string {
  const after = before && isEarly(before.roles) ? "" : (before?.roles ?? "");
  if (hand === "R") return after === "" ? "c" : after === "cl" ? "cu" : "cl";
  return after === "" ? "1" : after === "5" ? "8" : "5";
}

/** The next role up or down; a stroke of several keeps them. */
export function stepped(stroke: EditedStroke, by: number, both: boolean): string {
  const roles = single(stroke.roles);
  const known = rolesOf(stroke.hand, both).map(([role]) => role);
  const at = known.indexOf(roles[0] ?? "");
  if (roles.length !== 1 || at < 0) return stroke.roles;
  const next = known[Math.min(known.length - 1, Math.max(0, at + by))] ?? stroke.roles;
  return together([next], isEarly(stroke.roles));
}

/** "fifth", "bass and tenth", "early bass". */
export function spoken(stroke: EditedStroke): string {
  const words = new Map([...LEFT, ...(stroke.hand === "R" ? RIGHT : [])]);
  const said = single(stroke.roles).map((role) => words.get(role) ?? role);
  const last = said.pop();
  return `${isEarly(stroke.roles) ? "early " : ""}${said.length > 0 ? `${said.join(", ")} and ` : ""}${last}`;
}
