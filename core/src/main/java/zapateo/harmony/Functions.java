package zapateo.harmony;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Role;

/** What chords do in a key: which belong to it, which lead, which are borrowed (HANDBOOK §4). */
public final class Functions {

    private static final int TONIC = 0;
    private static final int DOMINANT = 7;
    /**
     * Semitones above the tonic on which a major key's chords are dominants of others wherever they go: A7, D7, E7 and
     * B7 in C.
     */
    private static final Set<Integer> LEADING_IN_MAJOR = Set.of(2, 4, 9, 11);
    /** The same in a minor key: B7, C♯7 and F♯7 in Am. */
    private static final Set<Integer> LEADING_IN_MINOR = Set.of(2, 4, 9);

    /** What a chord does in its key. */
    public enum Role {
        /** Made of the key's own notes, the raised leading tone of a minor key among them. */
        OWN,
        SECONDARY_DOMINANT,
        /** A dominant a semitone above the tonic, standing for V7. */
        FLAT_SECOND,
        /** From the parallel key. */
        BORROWED,
        PASSING_DIMINISHED,
        OTHER
    }

    private Functions() {}

    /** The piano key of the chord that {@code chord} is a secondary dominant of, empty when it is none. */
    static Optional<Integer> dominantOf(ChordSymbol chord, Key key, Optional<ChordSymbol> next) {
        Quality quality = chord.quality();
        boolean seventh = quality.isDominant() || quality.base().id().equals("altered");
        boolean plain = quality.isMajor() && quality.tones().size() == 3 && !isOwn(chord, key);
        int above = above(chord.root(), key);
        int target = Math.floorMod(chord.root().chroma() + 5, 12);
        if (above == DOMINANT || !seventh && !plain) {
            return Optional.empty();
        }
        boolean resolves = next.filter(other -> other.root().chroma() == target && !other.equals(chord))
                .isPresent();
        boolean strays = seventh && (key.mode().isMinor() ? LEADING_IN_MINOR : LEADING_IN_MAJOR).contains(above);
        boolean home = target == key.tonic().chroma();
        return Optional.of(target).filter(goal -> strays || resolves && (isGoal(goal, key) || seventh && !home));
    }

    /**
     * Whether a chord may be led to: one of the key or of its parallel that is no diminished chord and not the tonic.
     */
    private static boolean isGoal(int chroma, Key key) {
        PitchClass root = key.spell(chroma);
        return Math.floorMod(chroma - key.tonic().chroma(), 12) != TONIC
                && List.of("major", "minor").stream()
                        .map(triad -> ChordSymbol.of(root, Qualities.of(triad, List.of())))
                        .anyMatch(chord -> isOwn(chord, key) || isOwn(chord, key.parallel()));
    }

    /** Whether the key's own triad on a piano key has a minor third; of a foreign one, its parallel's. */
    static boolean isMinorOn(int chroma, Key key) {
        ChordSymbol minor = ChordSymbol.of(key.spell(chroma), Qualities.of("minor", List.of()));
        ChordSymbol major = ChordSymbol.of(key.spell(chroma), Qualities.of("major", List.of()));
        boolean leans = above(minor.root(), key) == DOMINANT;
        return !leans
                && (isOwn(minor, key) || !isOwn(major, key) && key.mode() == Mode.MAJOR && isDiminishedOn(chroma, key));
    }

    private static boolean isDiminishedOn(int chroma, Key key) {
        return key.scale().stream().anyMatch(note -> note.chroma() == chroma);
    }

    static Role role(ChordSymbol chord, Key key, Optional<ChordSymbol> next) {
        if (isOwn(chord, key)) {
            return Role.OWN;
        }
        boolean goesHome =
                next.map(other -> other.root().chroma() == key.tonic().chroma()).orElse(true);
        if (chord.quality().isDominant() && above(chord.root(), key) == 1 && goesHome) {
            return Role.FLAT_SECOND;
        }
        boolean diminished = chord.quality().base().id().startsWith("diminished");
        if (diminished && next.map(other -> beside(chord.root(), other)).orElse(true)) {
            return Role.PASSING_DIMINISHED;
        }
        return isOwn(chord, key.parallel())
                        || above(chord.root(), key) == 1 && chord.quality().isMajor()
                ? Role.BORROWED
                : diminished ? Role.PASSING_DIMINISHED : Role.OTHER;
    }

    private static boolean beside(PitchClass root, ChordSymbol next) {
        return List.of(next.root(), next.bass()).stream()
                .map(note -> Math.floorMod(note.chroma() - root.chroma(), 12))
                .anyMatch(away -> away == 1 || away == 11);
    }

    /** Whether every tone is the key's; a minor key has its raised leading tone on V and vii° too (HANDBOOK §4). */
    public static boolean isOwn(ChordSymbol chord, Key key) {
        boolean raised =
                key.mode() == Mode.MINOR && (above(chord.root(), key) == DOMINANT || above(chord.root(), key) == 11);
        int leading = Math.floorMod(key.tonic().chroma() - 1, 12);
        return chord.tones().stream().allMatch(tone -> inScale(tone, key) || raised && tone.chroma() == leading);
    }

    /** Whether a chord is the key's own or its parallel's. */
    static boolean belongs(ChordSymbol chord, Key key) {
        return isOwn(chord, key) || isOwn(chord, key.parallel());
    }

    private static boolean inScale(PitchClass note, Key key) {
        return key.scale().stream().anyMatch(own -> own.chroma() == note.chroma());
    }

    private static int above(PitchClass note, Key key) {
        return Math.floorMod(note.chroma() - key.tonic().chroma(), 12);
    }
}
