import type { RightHand } from "../../api/client";
import { type Row, rowsIn } from "../../song/table";

/** How the right hand plays: for the whole song, or in a section of its own. */
export type Manner = NonNullable<RightHand["sections"]>[string];

/** What of a whole song's manner may differ from section to section. */
function mannerOf(table: Row[], right: RightHand): Manner {
  const chosen = right as Record<string, unknown>;
  return Object.fromEntries(
    rowsIn(table, "right-section").flatMap(({ id }) => (chosen[id] === undefined ? [] : [[id, chosen[id]]])),
  ) as Manner;
}

/** What holds for a section, or for the whole song. */
export function mannerIn(table: Row[], right: RightHand, section: string | null): Manner {
  return (section !== null && right.sections?.[section]) || mannerOf(table, right);
}

/** With more chosen for a section, or for the whole song. */
export function chooseManner(table: Row[], right: RightHand, section: string | null, more: Partial<Manner>): RightHand {
  if (section === null) return { ...right, ...more };
  return { ...right, sections: { ...right.sections, [section]: { ...mannerIn(table, right, section), ...more } } };
}

/** With the section as the whole song again. */
export function forgetManner(right: RightHand, section: string): RightHand {
  const { [section]: _gone, ...sections } = right.sections ?? {};
  return { ...right, sections };
}
