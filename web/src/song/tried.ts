import type { Choices, NamedChoices } from "../api/client";

/** A figure's file that is not kept yet. */
export type TriedFigure = { id: string; file: string; right: boolean };

/** Other choices to go back and forth to, and the figure that was heard with them. */
export type Compared = NamedChoices & { figure: string };

/** The choices with a figure that is being written in all of the song. */
export function withTried(choices: Choices, tried: TriedFigure): Choices {
  return tried.right
    ? { ...choices, right: { ...choices.right, style: "comping", figure: tried.id, sections: undefined } }
    : { ...choices, figure: tried.id, sections: undefined, overrides: undefined };
}
