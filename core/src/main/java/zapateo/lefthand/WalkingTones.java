package zapateo.lefthand;

import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;

/** What lies between one chord and the next for a line that walks: how far it is, and by which steps (HANDBOOK §6b). */
final class WalkingTones {

    private static final int FOURTH = 5;

    private WalkingTones() {}

    /** 1 or -1 where the next bass is a semitone above or below. */
    static int beside(ChordSymbol chord, Optional<ChordSymbol> after) {
        int up = after.map(other ->
                        Math.floorMod(other.bass().chroma() - chord.bass().chroma(), Pitch.OCTAVE))
                .orElse(0);
        return up == 1 ? 1 : up == Pitch.OCTAVE - 1 ? -1 : 0;
    }

    /** Whether it goes up to a minor tonic from its dominant (FAULTS L26). */
    static boolean rises(ChordSymbol chord, ChordSymbol after) {
        return chord.quality().isMajor()
                && after.quality().isMinor()
                && after.over().isEmpty()
                && Math.floorMod(after.root().chroma() - chord.root().chroma(), Pitch.OCTAVE) == FOURTH;
    }

    /**
     * The key's steps where the chord's root is the key's own, save what contradicts the chord; over a strange chord
     * steps between its tones.
     */
    static List<PitchClass> scale(ChordSymbol chord, Key key) {
        if (key.holds(chord.root())) {
            return key.scale().stream()
                    .filter(step ->
                            !Approach.isTheOther(chord, step.chroma()) && !Approach.isUnaltered(chord, step.chroma()))
                    .toList();
        }
        boolean minor = chord.quality().has(3, 3);
        boolean diminished = minor && chord.quality().has(5, 6);
        return (diminished ? List.of("2", "4", "b6") : List.of("2", "4", "6"))
                .stream()
                        .map(degree -> chord.root().plus(Interval.parse(degree)).simple())
                        .filter(step -> !Approach.isUnaltered(chord, step.chroma()))
                        .toList();
    }
}
