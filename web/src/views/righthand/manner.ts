import type { RightHand } from "../../api/client";

/** How the right hand plays: for the whole song, or in a section of its own. */
export type Manner = NonNullable<RightHand["sections"]>[string];

const NAMES = ["style", "figure", "top", "under", "shapes", "manner"] as const;

function mannerOf(right: RightHand): Manner {
  return Object.fromEntries(
    NAMES.flatMap((name) => (right[name] === undefined ? [] : [[name, right[name]]])),
  ) as Manner;
}

/** What holds for a section, or for the whole song. */
export function mannerIn(right: RightHand, section: string | null): Manner {
  return (section !== null && right.sections?.[section]) || mannerOf(right);
}

/** With more chosen for a section, or for the whole song. */
export function chooseManner(right: RightHand, section: string | null, more: Partial<Manner>): RightHand {
  if (section === null) return { ...right, ...more };
  return { ...right, sections: { ...right.sections, [section]: { ...mannerIn(right, section), ...more } } };
}

/** With the section as the whole song again. */
export function forgetManner(right: RightHand, section: string): RightHand {
  const { [section]: _gone, ...sections } = right.sections ?? {};
  return { ...right, sections };
}
