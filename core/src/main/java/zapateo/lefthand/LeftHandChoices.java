package zapateo.lefthand;

import java.util.List;
import java.util.Optional;
import zapateo.hand.TooWide;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;

/**
 * What holds for the left hand in one place, complete.
 *
 * @param line the bass line that takes the figure's basses; empty for the figure's own
 * @param leadIn how a change is led into; empty for the figure's own way
 * @param tenths what to do with a stroke the hand cannot span
 * @param octaves what to do with an octave the hand cannot span
 * @param variations whether the figure may vary its bars
 * @param liveliness how much of that waits to be asked for
 * @param withBassPlayer whether someone else has the bass
 * @param keepTop whether the top note should rather stay where it is
 * @param pedal whether the sustaining pedal is used
 * @param fuller what is struck together with single basses, in a fuller version
 * @param withBass what the player wants struck together with basses; empty for the figure's own way
 * @param byHand whether the figure's bar was broken out by hand: nothing else is laid over it
 */
public record LeftHandChoices(
        Figure figure,
        Voicing voicing,
        Register register,
        Optional<BassLine> line,
        Optional<LeadIn> leadIn,
        TooWide tenths,
        TooWide octaves,
        boolean variations,
        Liveliness liveliness,
        boolean withBassPlayer,
        boolean keepTop,
        boolean pedal,
        Optional<Role> fuller,
        Optional<WithBass> withBass,
        boolean byHand) {

    /** Whether the chord's lowest tone is to be heard at all. */
    boolean hasBass() {
        return !withBassPlayer && !figure.manner().bassless();
    }

    LeftHandChoices led(LeadIn by) {
        return new LeftHandChoices(
                figure,
                voicing,
                register,
                line,
                Optional.of(by),
                tenths,
                octaves,
                variations,
                liveliness,
                withBassPlayer,
                keepTop,
                pedal,
                fuller,
                withBass,
                byHand);
    }

    LeftHandChoices unvaried() {
        return new LeftHandChoices(
                figure,
                voicing,
                register,
                line,
                leadIn,
                tenths,
                octaves,
                false,
                Liveliness.NONE,
                withBassPlayer,
                keepTop,
                pedal,
                fuller,
                withBass,
                byHand);
    }

    /** Where one bar of a metre was broken out by hand. */
    public LeftHandChoices byHand(Meter meter, List<FigureStroke> bar) {
        return new LeftHandChoices(
                figure.byHand(meter, bar),
                voicing,
                register,
                Optional.empty(),
                Optional.empty(),
                tenths,
                octaves,
                false,
                Liveliness.NONE,
                withBassPlayer,
                keepTop,
                pedal,
                Optional.empty(),
                Optional.empty(),
                true);
    }

    BassLine.Basses basses() {
        return line.map(BassLine::basses).orElse(BassLine.Basses.OWN);
    }
}
