import type { Stroke } from "../api/client";

const MODES: Record<string, string> = { major: "major", minor: "minor", dorian: "Dorian", mixolydian: "Mixolydian" };

/** "Dm" and "minor" as a player says it: "D minor". */
export function keyName(key: string, mode: string): string {
  const tonic = key.split(" ")[0] ?? key;
  return `${mode === "minor" ? tonic.replace(/m$/, "") : tonic} ${MODES[mode] ?? mode}`;
}

/** The note that is counted, as a sign: a dotted quarter in 6/8. */
export function beatSign(beatTicks: number): string {
  const signs: Record<number, string> = { 480: "eighth", 960: "quarter", 1440: "dotted quarter", 1920: "half" };
  return signs[beatTicks] ?? "beat";
}

const ROLES: Record<string, string> = {
  "1": "bass",
  "3": "third",
  "5": "fifth",
  "6": "sixth",
  "7": "seventh",
  "8": "octave",
  "9": "ninth",
  "10": "tenth (the third, an octave up)",
  "12": "fifth, an octave up",
  "15": "root, two octaves up",
};

export function roleName(role: string): string {
  return ROLES[role] ?? role;
}

/** Why a stroke is there, in a sentence. */
export function reasonOf(stroke: Stroke, figureName: string): string {
  const chord = stroke.reason.args.chord ?? "";
  const notes = stroke.notes.map((note) => `${note.name} is the ${roleName(note.role)}`).join(", ");
  return `${figureName} on ${chord}: ${notes}.`;
}

/** 12.5 → "12.5", 120.0 → "120". */
export function plain(value: number): string {
  return String(Math.round(value * 10) / 10);
}
