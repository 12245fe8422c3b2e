import { useState } from "react";
import type { Kind } from "../../sheet/useSheet";

/** How a person wants pages: kept in this browser, for every song. */
export type Wanted = { kind: Kind; space: number; perLine: number; degrees: boolean; paper: Paper };

export const PAPERS = [
  { id: "a4", name: "A4", mm: [210, 297] },
  { id: "letter", name: "Letter", mm: [215.9, 279.4] },
  { id: "tablet", name: "Tablet, 3 : 4", mm: [180, 240] },
] as const;
export type Paper = (typeof PAPERS)[number]["id"];

const KEPT = "zapateo.sheet";
const USUAL: Wanted = { kind: "both", space: 10, perLine: 0, degrees: false, paper: "a4" };

export function wanted(): Wanted {
  try {
    return { ...USUAL, ...(JSON.parse(localStorage.getItem(KEPT) ?? "{}") as Partial<Wanted>) };
  } catch {
    return USUAL;
  }
}

export function useWanted(): [Wanted, (next: Partial<Wanted>) => void] {
  const [now, set] = useState(wanted);
  return [
    now,
    (next) => {
      const all = { ...now, ...next };
      localStorage.setItem(KEPT, JSON.stringify(all));
      set(all);
    },
  ];
}

/** Pixels of a page on paper: 96 to the inch, a centimetre and a half of margin. */
export const PX = 96 / 25.4;
export const MARGIN = 15 * PX;
/** A staff of seven millimetres. */
export const PAPER_SPACE = 1.75 * PX;

export function paperOf(id: Paper): { width: number; height: number; mm: readonly [number, number] } {
  const paper = PAPERS.find((each) => each.id === id) ?? PAPERS[0];
  return { width: paper.mm[0] * PX - 2 * MARGIN, height: paper.mm[1] * PX - 2 * MARGIN - 20, mm: paper.mm };
}
