package zapateo.arrangement;

import java.util.Optional;
import zapateo.lefthand.Tenths;
import zapateo.rhythm.Register;

/**
 * What may be chosen for a whole song, a section or some bars; everything may be left open.
 *
 * @param figure         id of a figure
 * @param voicing        id of a voicing; open lets the figure's usual one in
 * @param register       where the bass lies
 * @param bassLine       id of a bass line; open leaves the figure's own
 * @param leadIn         id of a lead-in; open leaves the figure's own way, {@code none} switches it off
 * @param tenths         what to do with a stroke the hand cannot span; rolled when open
 * @param variations     whether figures may vary their bars; they may when open
 * @param withBassPlayer whether someone else has the bass
 * @param keepTop        whether the top note should rather stay where it is
 * @param pedal          whether the pedal is used; open follows the figure
 */
public record Options(Optional<String> figure, Optional<String> voicing, Optional<Register> register, Optional<String> bassLine, Optional<String> leadIn, Optional<Tenths> tenths,
                      Optional<Boolean> variations, Optional<Boolean> withBassPlayer, Optional<Boolean> keepTop, Optional<Boolean> pedal) {

    public static final Options OPEN = new Options(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
            Optional.empty(), Optional.empty(), Optional.empty());

    public Options figure(String it) {
        return new Options(Optional.of(it), voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal);
    }

    public Options voicing(String it) {
        return new Options(figure, Optional.of(it), register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal);
    }

    public Options register(Register it) {
        return new Options(figure, voicing, Optional.of(it), bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal);
    }

    public Options bassLine(String it) {
        return new Options(figure, voicing, register, Optional.of(it), leadIn, tenths, variations, withBassPlayer, keepTop, pedal);
    }

    public Options leadIn(String it) {
        return new Options(figure, voicing, register, bassLine, Optional.of(it), tenths, variations, withBassPlayer, keepTop, pedal);
    }

    public Options tenths(Tenths it) {
        return new Options(figure, voicing, register, bassLine, leadIn, Optional.of(it), variations, withBassPlayer, keepTop, pedal);
    }

    public Options variations(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, Optional.of(it), withBassPlayer, keepTop, pedal);
    }

    public Options withBassPlayer(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, Optional.of(it), keepTop, pedal);
    }

    public Options keepTop(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, Optional.of(it), pedal);
    }

    public Options pedal(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, Optional.of(it));
    }

    /** These, and what they leave open as {@code others} have it. */
    public Options over(Options others) {
        // A voicing belongs to the figure it was chosen for.
        boolean otherFigure = figure.isPresent() && !figure.equals(others.figure);
        return new Options(figure.or(others::figure), otherFigure ? voicing : voicing.or(others::voicing), register.or(others::register), bassLine.or(others::bassLine),
                leadIn.or(others::leadIn), tenths.or(others::tenths), variations.or(others::variations), withBassPlayer.or(others::withBassPlayer), keepTop.or(others::keepTop),
                pedal.or(others::pedal));
    }
}
