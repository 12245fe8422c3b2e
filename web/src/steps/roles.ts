import type { ThereIs } from "../api/client";
import type { EditedStroke } from "./edited";

/** What a stroke can play, as the server tells it. */
export type Role = ThereIs["roles"][number];

/** The roles of a hand, in the order they are stepped through; those of both where a figure has both. */
export function rolesOf(roles: Role[], hand: "L" | "R", both: boolean): Role[] {
  const own = roles.filter((role) => role.hand === hand);
  return hand === "R" && both ? [...own, ...roles.filter((role) => role.hand === "L" && isOfBoth(role))] : own;
}

/** Single tones, and what passes over a walking line. */
function isOfBoth(role: Role): boolean {
  return !role.alone || role.id === "d";
}

/** Whether a role is struck without others. */
export function isAlone(roles: Role[], id: string): boolean {
  return roles.some((role) => role.id === id && role.alone);
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
export function shown(roles: Role[], stroke: EditedStroke): string {
  const brief = roles.find((role) => role.hand === stroke.hand && role.id === stroke.roles.replace(/^>/, ""))?.brief;
  return brief === undefined ? stroke.roles : `${isEarly(stroke.roles) ? ">" : ""}${brief}`;
}

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
export function stepped(all: Role[], stroke: EditedStroke, by: number, both: boolean): string {
  const roles = single(stroke.roles);
  const known = rolesOf(all, stroke.hand, both).map((role) => role.id);
  const at = known.indexOf(roles[0] ?? "");
  if (roles.length !== 1 || at < 0) return stroke.roles;
  const next = known[Math.min(known.length - 1, Math.max(0, at + by))] ?? stroke.roles;
  return together([next], isEarly(stroke.roles));
}

/** "fifth", "bass and tenth", "early bass". */
export function spoken(all: Role[], stroke: EditedStroke): string {
  const hands = stroke.hand === "R" ? ["L", "R"] : ["L"];
  const words = new Map(
    hands.flatMap((hand) => rolesOf(all, hand as "L" | "R", false).map((role) => [role.id, role.name])),
  );
  const said = single(stroke.roles).map((role) => words.get(role) ?? role);
  const last = said.pop();
  return `${isEarly(stroke.roles) ? "early " : ""}${said.length > 0 ? `${said.join(", ")} and ` : ""}${last}`;
}
