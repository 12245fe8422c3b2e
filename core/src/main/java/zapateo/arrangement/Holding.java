package zapateo.arrangement;

import java.util.Optional;
import zapateo.choice.Options;
import zapateo.lefthand.LeftHandChoices;
import zapateo.lefthand.Spice;

/**
 * What holds in a bar.
 *
 * @param chosen what was asked for there, of all places that reach it
 * @param spice what a lively player does otherwise there
 * @param heard what comes of it: with the figure's and the hand's own ways where it was left open, and what a level
 *     makes of it
 */
public record Holding(Options chosen, LeftHandChoices heard, Optional<Spice> spice) {}
