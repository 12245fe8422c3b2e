package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.part.CloseChord;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;

/**
 * Where a chord's roles lie on the keyboard: the key its bass is on, and the chord above it where a figure has one.
 *
 * @param chord with the bass it is played over, which may be another than the chart's
 * @param bass what role 1 plays
 * @param upper what the close chord or the guide tones play, empty where no figure asks for them
 * @param shape what the chosen voicing takes, empty where it is not asked for or lies in {@code upper}
 * @param inKey tones the chord does not name, as its key has them
 */
record Placement(ChordSymbol chord, Pitch bass, List<PartNote> upper, List<Role> shape, KeyTones inKey) {

    private static final Interval FOURTH = Interval.parse("4");
    private static final Interval FIFTH = Interval.parse("5");
    private static final Interval MAJOR_SIXTH = Interval.parse("6");
    private static final Interval MINOR_SIXTH = Interval.parse("b6");
    private static final Interval MAJOR_NINTH = Interval.parse("2");
    private static final Interval OCTAVE = Interval.of(7, 12);
    private static final int MINOR_SEVENTH = 10;
    /** Lower than this a fifth under its root is only a rumble. */
    private static final int LOWEST_FIFTH = Pitch.parse("G1").midi();

    /** The highest bass of a style that jumps to its chord and back. */
    static final int HIGHEST_BASS = 46;

    private static final Interval UNISON = Interval.of(0, 0);

    /** The notes of roles struck together, low to high, no key twice. */
    List<PartNote> notes(List<Role> roles) {
        if (roles.size() == 1) {
            return play(roles.get(0));
        }
        Map<Integer, PartNote> byKey = new LinkedHashMap<>();
        // Doubled in octaves a fifth goes as low as the keyboard's deep register.
        List<PartNote> fifth = roles.stream().anyMatch(role -> role.kind() == Role.Kind.FIFTH_BELOW)
                ? List.of(PartNote.of(fifthBelow(Register.DEEP.lowest()), Role.tone(5)))
                : List.of();
        for (Role role : roles) {
            List<PartNote> notes = fifth.isEmpty()
                    ? play(role)
                    : role.kind() == Role.Kind.FIFTH_BELOW
                            ? fifth
                            : role.isTone(5) ? List.of(fifth.get(0).octaves(1)) : play(role);
            notes.forEach(note -> byKey.putIfAbsent(note.pitch().midi(), note));
        }
        return sorted(byKey);
    }

    /**
     * Roles counted from the root on its key, whatever the bass: the notes of a chord that leaves the bass to others.
     */
    List<PartNote> fromRoot(List<Role> roles) {
        Map<Integer, PartNote> byKey = new LinkedHashMap<>();
        for (Role role : roles) {
            Interval tone = role.sign() != 0
                    ? fixed(role)
                    : toneOf((role.degree() - 1) % 7 + 1).up((role.degree() - 1) / 7);
            Pitch pitch = Pitch.onKey(bass.midi() + tone.semitones(), chord.tone(tone));
            byKey.putIfAbsent(pitch.midi(), PartNote.of(pitch, role));
        }
        return sorted(byKey);
    }

    private static List<PartNote> sorted(Map<Integer, PartNote> byKey) {
        List<PartNote> notes = new ArrayList<>(byKey.values());
        notes.sort(Comparator.comparingInt(note -> note.pitch().midi()));
        return notes;
    }

    private List<PartNote> play(Role role) {
        return switch (role.kind()) {
            case TONE -> List.of(PartNote.of(role.sign() != 0 ? altered(role) : tone(role.degree()), role));
            case FIFTH_BELOW -> List.of(PartNote.of(fifthBelow(LOWEST_FIFTH), Role.tone(5)));
            case ROOT_ABOVE -> List.of(PartNote.of(Pitch.onKey(rootBelow() + 12, chord.root()), Role.tone(8)));
            case ROOT_NEAR -> List.of(PartNote.of(rootNear(), Role.tone(8)));
            case FIFTH_OF_BASS -> List.of(PartNote.of(fifthOfBass(false), Role.tone(5)));
            case FIFTH_OF_BASS_BELOW -> List.of(PartNote.of(fifthOfBass(true), Role.tone(5)));
            case CLOSE_CHORD, CLOSE_TONE, CLOSE_TOP, CLOSE_LOWER, CLOSE_UPPER -> CloseChord.take(role, upper);
            case GUIDE_TONES -> upper;
            case VOICING -> shape.isEmpty() ? upper : notes(shape);
            case NEIGHBOUR, WALKING, PASSING, LEAD_IN, TUNE, PARALLEL, FILL, ADDED, STRANGE_BASS ->
                throw new IllegalStateException(role + " is placed by the line, the key or the melody it lies in");
        };
    }

    private Pitch tone(int number) {
        if (number == 1) {
            return bass;
        }
        if (number == 8) {
            return Pitch.of(bass.pitchClass(), bass.octave() + 1);
        }
        Interval tone = toneOf((number - 1) % 7 + 1).up((number - 1) / 7);
        int key = rootBelow() + tone.semitones();
        return Pitch.onKey(key <= bass.midi() ? key + 12 : key, chord.tone(tone));
    }

    /**
     * The same distance above the root on every chord; a flat seventh gives way to the sixth where the chord has a
     * seventh of its own.
     */
    private Pitch altered(Role role) {
        boolean rubs = role.degree() == 7
                && role.sign() < 0
                && chord.quality()
                        .tone(7)
                        .filter(own -> own.semitones() != MINOR_SEVENTH)
                        .isPresent();
        Interval tone = rubs ? toneOf(6) : fixed(role);
        int key = rootBelow() + tone.semitones();
        return Pitch.onKey(
                key <= bass.midi() ? key + 12 : key, chord.root().plus(tone).simple());
    }

    private static Interval fixed(Role role) {
        Interval plain = Interval.parse(String.valueOf(role.degree()));
        return Interval.of(plain.steps(), plain.semitones() + role.sign());
    }

    /** The chord's own 3rd, 5th and so on inside the first octave; where it has none, what stands for it. */
    private Interval toneOf(int degree) {
        Optional<Interval> own = chord.quality()
                .tone(degree)
                .or(() -> chord.quality().tone(degree + 7).map(ninth -> ninth.up(-1)));
        return own.orElseGet(() -> switch (degree) {
            case 1 -> UNISON;
            case 2 -> inKey.ninth() ? MAJOR_NINTH : UNISON;
            case 4 -> FOURTH;
            case 5 -> FIFTH;
            case 6 -> inKey.sixth() ? MAJOR_SIXTH : MINOR_SIXTH;
            case 7 -> chord.quality().tone(6).orElse(OCTAVE);
            // A chord without a third turns 10 into 8.
            default -> UNISON.up(degree == 3 ? 0 : 1);
        });
    }

    /** The key of the root at or next below the bass; the numbers are counted from it. */
    private int rootBelow() {
        return bass.midi() - Math.floorMod(bass.midi() - chord.root().chroma(), 12);
    }

    /**
     * The root under a slash bass or over it, whichever is nearer, on the deep register's keys and not above a low
     * bass's.
     */
    private Pitch rootNear() {
        int below = rootBelow();
        boolean possible = below >= Register.DEEP.lowest();
        boolean under = possible
                && (bass.midi() - below <= below + Pitch.OCTAVE - bass.midi() || below + Pitch.OCTAVE > HIGHEST_BASS);
        return Pitch.onKey(under ? below : below + Pitch.OCTAVE, chord.root());
    }

    /**
     * The fifth of the chord under the bass where the keyboard's deep register has room, else above it; a bass on the
     * seventh stays where below is no room.
     */
    private Pitch fifthBelow(int lowest) {
        // An altered dominant has no fifth to stand on: its second bass is its seventh, or its root's octave (FAULTS
        // L29).
        boolean altered = chord.quality().id().contains("alt");
        PitchClass fifth = chord.tone(altered ? toneOf(7) : toneOf(5));
        int below = bass.midi() - Math.floorMod(bass.midi() - fifth.chroma(), Pitch.OCTAVE);
        int above = below + Pitch.OCTAVE;
        if (below >= lowest) {
            return Pitch.onKey(below, fifth);
        }
        if (altered) {
            return Pitch.onKey(bass.midi() + Pitch.OCTAVE, bass.pitchClass());
        }
        return above - bass.midi() > FIFTH.semitones() + 1 ? bass : Pitch.onKey(above, fifth);
    }

    /** A bass's own fifth, whatever the chord: below it where there is room and it is wanted there. */
    private Pitch fifthOfBass(boolean wantedBelow) {
        int below = bass.midi() - FOURTH.semitones();
        return Pitch.onKey(
                wantedBelow && below >= Register.DEEP.lowest() ? below : bass.midi() + FIFTH.semitones(),
                bass.pitchClass().plus(FIFTH).simple());
    }
}
