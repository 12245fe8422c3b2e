package zapateo.harmony;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zapateo.pitch.Interval;

/** What of a chord is kept where a hand cannot have all of it (common practice). */
public final class EssentialTones {

    private static final int FIFTH = 7;
    private static final int ELEVENTH = 17;

    private EssentialTones() {}

    /** At most so many of its tones, from the root up; those that carry least of its sound are left out first. */
    public static List<Interval> of(ChordSymbol chord, int most) {
        List<Interval> kept = new ArrayList<>(chord.quality().tones());
        while (kept.size() > most) {
            kept.remove(kept.stream()
                    .min(Comparator.comparingInt(EssentialTones::weight))
                    .orElseThrow());
        }
        return kept;
    }

    /**
     * What makes a chord what it is: its third or what is in its place, its seventh; in a chord of a beat and a half
     * its sixth and an altered fifth, in one of two beats what is written above the octave, but for a plain eleventh.
     */
    public static List<Interval> stating(ChordSymbol chord, int ticks, int beatTicks) {
        List<Interval> tones = chord.quality().tones();
        boolean roomy = 2 * ticks >= 3 * beatTicks;
        boolean twoBeats = ticks >= 2 * beatTicks;
        return tones.stream()
                .filter(tone -> {
                    int number = tone.number();
                    boolean third = number == 3
                            || (number == 4 || number == 2) && tones.stream().noneMatch(each -> each.number() == 3);
                    boolean altered = number == 5 && tone.semitones() != FIFTH;
                    boolean extension = number >= 9 && (number != 11 || tone.semitones() != ELEVENTH);
                    return third || number == 7 || roomy && (number == 6 || altered) || twoBeats && extension;
                })
                .toList();
    }

    /**
     * How much of the chord's sound a tone carries: the root and a plain fifth are given up first, thirds and sevenths
     * never.
     */
    private static int weight(Interval tone) {
        return switch (tone.number()) {
            case 1 -> 0;
            case 5 -> tone.semitones() == 7 ? 1 : 5;
            case 11 -> 2;
            case 9 -> tone.semitones() == 14 ? 3 : 5;
            case 13 -> 4;
            default -> 6;
        };
    }
}
