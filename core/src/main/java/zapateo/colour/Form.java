package zapateo.colour;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How a song is built for this once: what comes before it, how often its sections are played, what comes behind. The
 * chart stays what it is.
 *
 * @param intro what it begins with
 * @param own chords of an intro of one's own, as a chart has them
 * @param waits whether the intro goes round until the player is told to go on
 * @param times how often sections are played, by their place in the chart's order from 1; once where nothing is said
 * @param tags how often the last line comes again
 * @param lastBar chords of another last bar, as a chart has them
 * @param breaks bars that stop after their first beat
 * @param vamp bars, by their numbers, that go round until the player is told to go on
 * @param keyUp from which section on it is played in another key
 * @param close what its last bars do
 * @param slower whether the last two bars slow down
 */
public record Form(
        Intro intro,
        Optional<String> own,
        boolean waits,
        Map<Integer, Integer> times,
        int tags,
        Optional<String> lastBar,
        List<Break> breaks,
        Optional<Bars> vamp,
        Optional<KeyUp> keyUp,
        Close close,
        boolean slower) {

    public static final Form PLAIN = new Form(
            Intro.NONE,
            Optional.empty(),
            false,
            Map.of(),
            0,
            Optional.empty(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            Close.PLAIN,
            false);

    public Form {
        times = Map.copyOf(times);
        breaks = List.copyOf(breaks);
    }

    /** What an intro is made of (HANDBOOK §12a: it says key, tempo and feel). */
    public enum Intro {
        NONE,
        LAST_FOUR,
        TURNAROUND,
        PEDAL,
        FIRST_CHORDS,
        OWN
    }

    /** What the last bars do. */
    public enum Close {
        PLAIN,
        AMEN,
        FADE
    }

    /** A bar that stops; every time it comes, or once. */
    public record Break(int bar, Optional<Integer> pass) {}

    /** From a bar's number to another's. */
    public record Bars(int from, int to) {}

    /** From a section's last time on, by its place in the chart's order from 1. */
    public record KeyUp(int section, int semitones) {}
}
