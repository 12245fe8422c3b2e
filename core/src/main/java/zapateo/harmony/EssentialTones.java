package zapateo.harmony;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zapateo.pitch.Interval;

/** What of a chord is kept where a hand cannot have all of it (common practice). */
public final class EssentialTones {

    private EssentialTones() {
    }

    /** At most so many of its tones, from the root up; those that carry least of its sound are left out first. */
    public static List<Interval> of(ChordSymbol chord, int most) {
        List<Interval> kept = new ArrayList<>(chord.quality().tones());
        while (kept.size() > most) {
            kept.remove(kept.stream().min(Comparator.comparingInt(EssentialTones::weight)).orElseThrow());
        }
        return kept;
    }

    /** How much of the chord's sound a tone carries: the root and a plain fifth are given up first, thirds and sevenths never. */
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
