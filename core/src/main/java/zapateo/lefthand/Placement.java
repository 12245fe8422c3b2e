package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zapateo.harmony.ChordSymbol;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;

/**
 * Where a chord's roles lie on the keyboard: the key its bass is on, and the close chord above it where a figure has one.
 *
 * @param bass  what role 1 plays
 * @param close what role {@code c} plays, empty where no figure asks for it
 */
record Placement(ChordSymbol chord, Pitch bass, List<PartNote> close) {

    private static final Interval MAJOR_SIXTH = Interval.parse("6");
    private static final Interval MAJOR_NINTH = Interval.parse("2");

    /** The notes of roles struck together, low to high, no key twice. */
    List<PartNote> notes(List<Role> roles) {
        Map<Integer, PartNote> byKey = new LinkedHashMap<>();
        roles.stream().flatMap(role -> play(role).stream()).forEach(note -> byKey.putIfAbsent(note.pitch().midi(), note));
        List<PartNote> notes = new ArrayList<>(byKey.values());
        notes.sort(Comparator.comparingInt(note -> note.pitch().midi()));
        return notes;
    }

    private List<PartNote> play(Role role) {
        return switch (role.kind()) {
            case TONE -> List.of(PartNote.of(tone(role.degree()), role.toString()));
            case FIFTH_BELOW -> List.of(PartNote.of(fifthBelow(), "5"));
            case ROOT_ABOVE -> List.of(PartNote.of(Pitch.onKey(rootBelow() + 12, chord.root()), "8"));
            case CLOSE_CHORD -> close;
            case VOICING -> throw new IllegalStateException("the voicing is put in place of v before the chord is placed");
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

    /** The chord's own 3rd, 5th and so on inside the first octave; where it has none, the one that lies nearest in sound. */
    private Interval toneOf(int degree) {
        return chord.quality().tone(degree).or(() -> chord.quality().tone(degree + 7).map(ninth -> ninth.up(-1))).orElseGet(() -> switch (degree) {
            case 2 -> MAJOR_NINTH;
            case 6 -> MAJOR_SIXTH;
            default -> Interval.of(7, 12);
        });
    }

    /** The key of the root at or next below the bass; the numbers are counted from it. */
    private int rootBelow() {
        return bass.midi() - Math.floorMod(bass.midi() - chord.root().chroma(), 12);
    }

    /** A fourth under the bass where the keyboard's deep register has room, else the fifth above it. */
    private Pitch fifthBelow() {
        PitchClass fifth = chord.tone(toneOf(5));
        int below = bass.midi() - Math.floorMod(bass.midi() - fifth.chroma(), 12);
        return Pitch.onKey(below >= Register.DEEP.lowest() ? below : below + 12, fifth);
    }
}
