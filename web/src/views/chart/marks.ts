import type { Problem } from "../../api/client";

export type Piece = { text: string; problem: Problem | null; chosen: boolean };
/** A run of text, from and to in UTF-16 units. */
export type Run = { from: number; to: number };

/** Where a line and column, both from 1, lie in a text; the column in UTF-16 units. */
export function offsetOf(text: string, line: number, column: number): number {
  let at = 0;
  for (let passed = 1; passed < line; passed++) {
    const end = text.slice(at).search(/\r\n|\r|\n/);
    if (end < 0) return text.length;
    at += end + (text.startsWith("\r\n", at + end) ? 2 : 1);
  }
  return Math.min(text.length, at + column - 1);
}

/** The line, from 1, and the column that an offset lies in. */
export function placeOf(text: string, offset: number): { line: number; column: number } {
  const before = text.slice(0, offset).split(/\r\n|\r|\n/);
  return { line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}

/**
 * The text cut at its problems and its chosen bars, so that each can be marked where it stands; of two problems that
 * overlap the first is shown.
 */
export function pieces(text: string, problems: Problem[], chosen: Run[] = []): Piece[] {
  const spots = problems
    .filter((problem) => problem.line !== null && problem.column !== null)
    .map((problem) => ({ problem, from: offsetOf(text, problem.line as number, problem.column as number) }))
    .map((spot) => ({ ...spot, to: Math.min(text.length, spot.from + Math.max(1, spot.problem.length ?? 1)) }))
    .sort((a, b) => a.from - b.from);
  const kept: typeof spots = [];
  for (const spot of spots) if (spot.from >= (kept.at(-1)?.to ?? 0) && spot.from < spot.to) kept.push(spot);
  const edges = [
    0,
    text.length,
    ...kept.flatMap((spot) => [spot.from, spot.to]),
    ...chosen.flatMap((run) => [run.from, run.to]),
  ];
  const cuts = [...new Set(edges.filter((edge) => edge >= 0 && edge <= text.length))].sort((a, b) => a - b);
  return cuts.slice(0, -1).map((from, index) => {
    const to = cuts[index + 1] as number;
    return {
      text: text.slice(from, to),
      problem: kept.find((spot) => spot.from <= from && to <= spot.to)?.problem ?? null,
      chosen: chosen.some((run) => run.from <= from && to <= run.to),
    };
  });
}
