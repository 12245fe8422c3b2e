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

/** 12.5 → "12.5", 120.0 → "120". */
export function plain(value: number): string {
  return String(Math.round(value * 10) / 10);
}
