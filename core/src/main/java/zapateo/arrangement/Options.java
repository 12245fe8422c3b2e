package zapateo.arrangement;

import java.util.Optional;
import zapateo.hand.TooWide;
import zapateo.refusal.Refused;
import zapateo.rhythm.Register;

/**
 * What may be chosen for a whole song, a section or some bars; everything may be left open.
 *
 * @param figure         id of a figure
 * @param voicing        id of a voicing; open lets the figure's usual one in
 * @param register       where the bass lies
 * @param bassLine       id of a bass line; open leaves the figure's own
 * @param leadIn         id of a lead-in; open leaves the figure's own way, {@code none} switches it off
 * @param tenths         what to do with a stroke the hand cannot span; open is as the player has it
 * @param variations     whether figures may vary their bars; they may when open
 * @param withBassPlayer whether someone else has the bass
 * @param keepTop        whether the top note should rather stay where it is
 * @param pedal          whether the pedal is used; open follows the figure
 * @param octaves        what to do with an octave the hand cannot span; open is as the player has it
 * @param level          1 to 5: made easier or fuller by the rules of {@code levels.yaml}; open is as chosen
 */
public record Options(Optional<String> figure, Optional<String> voicing, Optional<Register> register, Optional<String> bassLine, Optional<String> leadIn, Optional<TooWide> tenths,
                      Optional<Boolean> variations, Optional<Boolean> withBassPlayer, Optional<Boolean> keepTop, Optional<Boolean> pedal,
                      Optional<TooWide> octaves, Optional<Integer> level) {

    public static final int EASIEST = 1;
    public static final int FULLEST = 5;

    /** @throws Refused naming what was given and what was expected */
    public Options {
        level.filter(it -> it < EASIEST || it > FULLEST).ifPresent(it -> {
            throw new Refused("level " + it + ": expected 1 to 5");
        });
    }

    public static final Options OPEN = new Options(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
            Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    public Options figure(String it) {
        return new Options(Optional.of(it), voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, level);
    }

    public Options voicing(String it) {
        return new Options(figure, Optional.of(it), register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, level);
    }

    public Options register(Register it) {
        return new Options(figure, voicing, Optional.of(it), bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, level);
    }

    public Options bassLine(String it) {
        return new Options(figure, voicing, register, Optional.of(it), leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, level);
    }

    public Options leadIn(String it) {
        return new Options(figure, voicing, register, bassLine, Optional.of(it), tenths, variations, withBassPlayer, keepTop, pedal, octaves, level);
    }

    public Options tenths(TooWide it) {
        return new Options(figure, voicing, register, bassLine, leadIn, Optional.of(it), variations, withBassPlayer, keepTop, pedal, octaves, level);
    }

    public Options variations(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, Optional.of(it), withBassPlayer, keepTop, pedal, octaves, level);
    }

    public Options withBassPlayer(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, Optional.of(it), keepTop, pedal, octaves, level);
    }

    public Options keepTop(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, Optional.of(it), pedal, octaves, level);
    }

    public Options pedal(Boolean it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, Optional.of(it), octaves, level);
    }

    Options withoutLevel() {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, Optional.empty());
    }

    public Options octaves(TooWide it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, Optional.of(it), level);
    }

    public Options level(int it) {
        return new Options(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, Optional.of(it));
    }

    /** These, and what they leave open as {@code others} have it. */
    public Options over(Options others) {
        // A voicing belongs to the figure it was chosen for.
        boolean otherFigure = figure.isPresent() && !figure.equals(others.figure);
        return new Options(figure.or(others::figure), otherFigure ? voicing : voicing.or(others::voicing), register.or(others::register), bassLine.or(others::bassLine),
                leadIn.or(others::leadIn), tenths.or(others::tenths), variations.or(others::variations), withBassPlayer.or(others::withBassPlayer), keepTop.or(others::keepTop),
                pedal.or(others::pedal), octaves.or(others::octaves), level.or(others::level));
    }
}
