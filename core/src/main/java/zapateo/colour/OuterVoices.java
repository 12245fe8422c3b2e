package zapateo.colour;

import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Pitch;

/** What a bass costs against the melody over it, and the step to the next one: as a hymn is written (common practice). */
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

    private OuterVoices() {
    }

    /**
     * @param tune  the melody's note over it, where one begins
     * @param strong whether it stands on the first beat of a bar or, in two halves, its third
     */
    record Place(ChordSymbol chord, Optional<Pitch> tune, boolean strong, boolean first) {
    }

    /** Of a place by itself. */
    static double own(Place place, Key key) {
        int leading = key.tonic().chroma() + 11;
        boolean doubled = place.tune.isPresent() && chroma(place.tune.get()) == Math.floorMod(leading, Pitch.OCTAVE) && place.chord.bass().chroma() == Math.floorMod(leading, Pitch.OCTAVE);
        return inversion(place.chord) + (doubled ? DOUBLED_LEADING : 0);
    }

    private static double inversion(ChordSymbol chord) {
        return switch (chord.bassDegree().orElse(1)) {
            case 3 -> FIRST_INVERSION;
            case 7 -> THIRD_INVERSION;
            default -> 0;
        };
    }

    /** Of the step from one place to the next. */
    static double step(Place from, Place to, Key key) {
        int bass = signed(to.chord.bass().chroma() - from.chord.bass().chroma());
        boolean same = from.chord.inRootPosition().equals(to.chord.inRootPosition());
        return moves(bass, same, to) + sixFour(from, to, bass, same, key) + seventh(from, bass, same) + against(from, to, bass);
    }

    private static double moves(int bass, boolean same, Place to) {
        int size = Math.abs(bass);
        double far = size == 0 ? 0.3 : size <= 2 ? 0 : size <= 4 ? 0.2 : size == TRITONE ? 1.2 : 0.15;
        return far + (same && size == 0 ? STANDS : 0) + (same && to.first ? OVER_THE_BAR : 0);
    }

    /** A six-four stands on a strong beat before a dominant on the same bass, or between steps of the bass. */
    private static double sixFour(Place from, Place to, int bass, boolean same, Key key) {
        double cost = 0;
        if (isSixFour(from.chord) && !same) {
            boolean cadential = from.strong && bass == 0 && isDominant(to.chord, key) && to.chord.bassDegree().orElse(1) == 1;
            cost += cadential ? 0 : Math.abs(bass) <= 2 && bass != 0 ? PASSING_SIX_FOUR : UNRESOLVED;
        }
        if (isSixFour(to.chord) && !to.strong) {
            cost += Math.abs(bass) <= 2 && !same ? 0 : UNRESOLVED;
        }
        // A tonic six-four is no place to come home from.
        return cost + (isSixFour(from.chord) && same ? UNRESOLVED : 0);
    }

    /** A seventh in the bass steps down. */
    private static double seventh(Place from, int bass, boolean same) {
        return from.chord.bassDegree().orElse(1) != 7 || same || bass == -1 || bass == -2 ? 0 : UNRESOLVED;
    }

    private static double against(Place from, Place to, int bass) {
        if (from.tune.isEmpty() || to.tune.isEmpty()) {
            return 0;
        }
        int tune = to.tune.get().midi() - from.tune.get().midi();
        int before = Math.floorMod(chroma(from.tune.get()) - from.chord.bass().chroma(), Pitch.OCTAVE);
        int after = Math.floorMod(chroma(to.tune.get()) - to.chord.bass().chroma(), Pitch.OCTAVE);
        boolean perfect = after == 0 || after == FIFTH;
        if (tune != 0 && bass != 0 && perfect && before == after) {
            return PARALLEL;
        }
        boolean similar = tune * bass > 0;
        return similar && perfect && Math.abs(tune) > 2 ? HIDDEN : similar ? SIMILAR : 0;
    }

    static boolean isSixFour(ChordSymbol chord) {
        return chord.bassDegree().orElse(1) == 5;
    }

    static boolean isDominant(ChordSymbol chord, Key key) {
        return Math.floorMod(chord.root().chroma() - key.tonic().chroma(), Pitch.OCTAVE) == FIFTH;
    }

    private static int chroma(Pitch pitch) {
        return pitch.pitchClass().chroma();
    }

    /** The shorter way, -6 to 5. */
    private static int signed(int semitones) {
        return Math.floorMod(semitones + TRITONE, Pitch.OCTAVE) - TRITONE;
    }
}
