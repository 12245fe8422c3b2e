import type { Choices, Colour } from "../../api/client";

/** Whether two colours lie on the same place; one of a single time and one of every time do. */
export function samePlace(one: Colour, other: Colour): boolean {
  const meet = one.pass === undefined || other.pass === undefined || one.pass === other.pass;
  return one.bar === other.bar && one.tick === other.tick && meet;
}

export function isSame(one: Colour, other: Colour): boolean {
  return (
    one.rule === other.rule &&
    one.variant === other.variant &&
    one.bar === other.bar &&
    one.tick === other.tick &&
    one.pass === other.pass
  );
}

/** The colours with one more, in the order of the song; what lies on its place gives way. */
export function withColour(colours: Colour[], colour: Colour): Colour[] {
  return [...colours.filter((each) => !samePlace(each, colour)), colour].sort(
    (one, other) => one.bar - other.bar || one.tick - other.tick || (one.pass ?? 0) - (other.pass ?? 0),
  );
}

export function withoutColour(colours: Colour[], colour: Colour): Colour[] {
  return colours.filter((each) => !isSame(each, colour));
}

/** The choices with these colours; none leave nothing behind. */
export function choose(choices: Choices, colours: Colour[]): Choices {
  const { colours: _before, ...rest } = choices;
  return colours.length > 0 ? { ...rest, colours } : rest;
}
