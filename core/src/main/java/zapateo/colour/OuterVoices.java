package zapateo.colour;

import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Pitch;

/**
 * What a bass costs against the melody over it, and the step to the next one: as a hymn is written (common practice).
 */
final class OuterVoices {

    private static final int FIFTH = 7;
    private static final int TRITONE = 6;
    private static final double FIRST_INVERSION = 0.3;
    private static final double PASSING_SIX_FOUR = 0.8;
    private static final double THIRD_INVERSION = 0.9;
    private static final double UNRESOLVED = 3;
    private static final double DOUBLED_LEADING = 5;
    private static final double PARALLEL = 20;
    private static final double HIDDEN = 1;
    private static final double SIMILAR = 0.25;
    private static final double STANDS = 0.5;
    private static final double OVER_THE_BAR = 1;

    private OuterVoices() {}

    /**
     * A bass under a melody, as the search asks for it thousands of times.
     *
     * @param chord tells chords apart, whatever their bass
     * @param bass semitones above C
     * @param degree of the chord that is in the bass
     * @param tune the melody's key over it, {@code NONE} where none begins
     * @param strong whether it stands on the first beat of a bar or, in two halves, its third
     * @param first whether it stands on the first beat
     */
    record Place(int chord, int bass, int degree, boolean dominant, int tune, boolean strong, boolean first) {

        static final int NONE = -1;

        static Place of(ChordSymbol chord, Key key, Optional<Pitch> tune, boolean strong, boolean first) {
            return new Place(
                    chord.inRootPosition().hashCode(),
                    chord.bass().chroma(),
                    chord.bassDegree().orElse(1),
                    Math.floorMod(chord.root().chroma() - key.tonic().chroma(), Pitch.OCTAVE) == FIFTH,
                    tune.map(Pitch::midi).orElse(NONE),
                    strong,
                    first);
        }

        private boolean isSixFour() {
            return degree == 5;
        }
    }

    /** Of a place by itself. */
    static double own(Place place, Key key) {
        int leading = Math.floorMod(key.tonic().chroma() + 11, Pitch.OCTAVE);
        boolean doubled = place.tune >= 0 && place.tune % Pitch.OCTAVE == leading && place.bass == leading;
        return inversion(place.degree) + (doubled ? DOUBLED_LEADING : 0);
    }

    private static double inversion(int degree) {
        return switch (degree) {
            case 3 -> FIRST_INVERSION;
            case 7 -> THIRD_INVERSION;
            default -> 0;
        };
    }

    /** Of the step from one place to the next. */
    static double step(Place from, Place to) {
        int bass = signed(to.bass - from.bass);
        boolean same = from.chord == to.chord;
        return moves(bass, same, to)
                + sixFour(from, to, bass, same)
                + seventh(from, bass, same)
                + against(from, to, bass);
    }

    private static double moves(int bass, boolean same, Place to) {
        int size = Math.abs(bass);
        double far = size == 0 ? 0.3 : size <= 2 ? 0 : size <= 4 ? 0.2 : size == TRITONE ? 1.2 : 0.15;
        return far + (same && size == 0 ? STANDS : 0) + (same && to.first ? OVER_THE_BAR : 0);
    }

    /** A six-four stands on a strong beat before a dominant on the same bass, or between steps of the bass. */
    private static double sixFour(Place from, Place to, int bass, boolean same) {
        double cost = 0;
        if (from.isSixFour() && !same) {
            boolean cadential = from.strong && bass == 0 && to.dominant && to.degree == 1;
            cost += cadential ? 0 : Math.abs(bass) <= 2 && bass != 0 ? PASSING_SIX_FOUR : UNRESOLVED;
        }
        if (to.isSixFour() && !to.strong) {
            cost += Math.abs(bass) <= 2 && !same ? 0 : UNRESOLVED;
        }
        // A tonic six-four is no place to come home from.
        return cost + (from.isSixFour() && same ? UNRESOLVED : 0);
    }

    /** A seventh in the bass steps down. */
    private static double seventh(Place from, int bass, boolean same) {
        return from.degree != 7 || same || bass == -1 || bass == -2 ? 0 : UNRESOLVED;
    }

    private static double against(Place from, Place to, int bass) {
        if (from.tune < 0 || to.tune < 0) {
            return 0;
        }
        int tune = to.tune - from.tune;
        int before = Math.floorMod(from.tune - from.bass, Pitch.OCTAVE);
        int after = Math.floorMod(to.tune - to.bass, Pitch.OCTAVE);
        boolean perfect = after == 0 || after == FIFTH;
        if (tune != 0 && bass != 0 && perfect && before == after) {
            return PARALLEL;
        }
        boolean similar = tune * bass > 0;
        return similar && perfect && Math.abs(tune) > 2 ? HIDDEN : similar ? SIMILAR : 0;
    }

    /** The shorter way, -6 to 5. */
    private static int signed(int semitones) {
        return Math.floorMod(semitones + TRITONE, Pitch.OCTAVE) - TRITONE;
    }
}
