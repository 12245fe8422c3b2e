import type { Problem } from "../../api/client";

export type Piece = { text: string; problem: Problem | null };

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

/** The text cut at its problems, so that each can be marked where it stands; of two that overlap the first is shown. */
export function pieces(text: string, problems: Problem[]): Piece[] {
  const spots = problems
    .filter((problem) => problem.line !== null && problem.column !== null)
    .map((problem) => ({ problem, from: offsetOf(text, problem.line as number, problem.column as number) }))
    .map((spot) => ({ ...spot, to: Math.min(text.length, spot.from + Math.max(1, spot.problem.length ?? 1)) }))
    .sort((a, b) => a.from - b.from);
  const cut: Piece[] = [];
  let at = 0;
  for (const { problem, from, to } of spots) {
    if (from < at || from === to) continue;
    if (from > at) cut.push({ text: text.slice(at, from), problem: null });
    cut.push({ text: text.slice(from, to), problem });
    at = to;
  }
  if (at < text.length) cut.push({ text: text.slice(at), problem: null });
  return cut;
}
