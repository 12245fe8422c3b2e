package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Interval;
import zapateo.rhythm.Meter;

/**
 * The tones that make a chord what it is, as far as its time allows: what a figure that states chords has to say of it
 * (common practice).
 */
final class Said {

    private static final int PLAIN_FIFTH = 7;
    private static final int PLAIN_ELEVENTH = 17;

    private Said() {}

    /**
     * The weightiest first: third or what is suspended in its place, seventh; from a beat and a half sixth and altered
     * fifth; from two beats what is written above.
     */
    static List<Interval> of(ChordSymbol chord, int ticks, Meter meter) {
        int beat = meter.beatTicks();
        boolean roomy = 2 * ticks >= 3 * beat;
        boolean broad = ticks >= 2 * beat;
        List<Interval> said = new ArrayList<>();
        boolean third = chord.quality().tones().stream().anyMatch(tone -> tone.number() == 3);
        for (Interval tone : chord.quality().tones()) {
            boolean says = switch (tone.number()) {
                case 1, 8 -> false;
                case 3, 7 -> true;
                case 2, 4 -> !third;
                case 5 -> roomy && tone.semitones() != PLAIN_FIFTH;
                case 6 -> roomy;
                case 11 -> broad && (tone.semitones() != PLAIN_ELEVENTH || !third);
                default -> broad;
            };
            if (says) {
                said.add(tone);
            }
        }
        said.sort(Comparator.comparingInt(Said::rank));
        return List.copyOf(said);
    }

    private static int rank(Interval tone) {
        return switch (tone.number()) {
            case 2, 3, 4 -> 0;
            case 7 -> 1;
            case 5, 6 -> 2;
            case 9 -> 3;
            default -> 4;
        };
    }
}
