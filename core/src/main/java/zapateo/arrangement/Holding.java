package zapateo.arrangement;

import zapateo.lefthand.LeftHandChoices;

/**
 * What holds in a bar.
 *
 * @param chosen what was asked for there, of all places that reach it
 * @param heard  what comes of it: with the figure's and the hand's own ways where it was left open, and what a level makes of it
 */
public record Holding(Options chosen, LeftHandChoices heard) {
}
