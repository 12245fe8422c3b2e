package zapateo.lefthand;

import java.util.List;
import java.util.Optional;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Role;

/**
 * What holds for the left hand in one place, with all that is named there at hand.
 *
 * @param line the bass line that takes the figure's basses; empty for the figure's own
 * @param leadIn how a change is led into; empty for the figure's own way
 * @param fuller what is struck together with single basses, in a fuller version
 * @param byHand whether the figure's bar was broken out by hand: nothing else is laid over it
 * @param options what is chosen besides; what the figure or the hand decide where it is left open is filled in
 */
public record LeftHandChoices(
        Figure figure,
        Voicing voicing,
        Optional<BassLine> line,
        Optional<LeadIn> leadIn,
        Optional<Role> fuller,
        boolean byHand,
        Options options) {

    /** What was chosen, else what is usual. */
    public <T> T get(Choice<T> choice) {
        return options.orUsual(choice);
    }

    /** Whether the chord's lowest tone is to be heard at all. */
    boolean hasBass() {
        return !get(LeftChoice.WITH_BASS_PLAYER) && !figure.manner().bassless();
    }

    LeftHandChoices led(LeadIn by) {
        return new LeftHandChoices(figure, voicing, line, Optional.of(by), fuller, byHand, options);
    }

    /** Without the bars that wait for liveliness. */
    LeftHandChoices steady() {
        return get(LeftChoice.LIVELINESS) == Liveliness.NONE
                ? this
                : new LeftHandChoices(
                        figure,
                        voicing,
                        line,
                        leadIn,
                        fuller,
                        byHand,
                        options.with(LeftChoice.LIVELINESS, Liveliness.NONE));
    }

    LeftHandChoices unvaried() {
        return new LeftHandChoices(figure, voicing, line, leadIn, fuller, byHand, unvaried(options));
    }

    /** Where one bar of a metre was broken out by hand. */
    public LeftHandChoices byHand(Meter meter, List<FigureStroke> bar) {
        return new LeftHandChoices(
                figure.byHand(meter, bar),
                voicing,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                true,
                unvaried(options).without(LeftChoice.WITH_BASS));
    }

    private static Options unvaried(Options options) {
        return options.with(LeftChoice.VARIATIONS, false).with(LeftChoice.LIVELINESS, Liveliness.NONE);
    }

    BassLine.Basses basses() {
        return line.map(BassLine::basses).orElse(BassLine.Basses.OWN);
    }
}
