import type { Choices } from "../api/client";
import type { TriedFigure } from "./desk";

/** The choices with a figure that is being written in all of the song. */
export function withTried(choices: Choices, tried: TriedFigure): Choices {
  return tried.right
    ? { ...choices, right: { ...choices.right, style: "comping", figure: tried.id, sections: undefined } }
    : { ...choices, figure: tried.id, sections: undefined, overrides: undefined };
}
