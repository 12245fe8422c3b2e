package zapateo.righthand;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.EssentialTones;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Role;

/**
 * One way to hold a chord in the right hand, inside an octave.
 *
 * @param notes low to high, each with the tone it is
 * @param leftOut tones of the chord it has not
 */
record Shape(ChordSymbol chord, List<PartNote> notes, int leftOut) {

    /** The right hand's chords lie here, above a left hand and on the staff (the project's own choice). */
    static final int LOWEST = Pitch.parse("F3").midi();

    static final int HIGHEST = Pitch.parse("C6").midi();
    private static final int FULL = 4;
    private static final int THREE = 3;
    private static final Set<Role> THIRDS = Set.of(Role.tone(3), Role.tone(10));
    private static final Set<Role> SUSPENDED = Set.of(Role.tone(2), Role.tone(4));

    int lowest() {
        return notes.get(0).pitch().midi();
    }

    int top() {
        return notes.get(notes.size() - 1).pitch().midi();
    }

    double middle() {
        return notes.stream().mapToInt(note -> note.pitch().midi()).average().orElseThrow();
    }

    /** Whether the third is on top, or what is suspended in its place. */
    boolean hasThirdOnTop() {
        Role tone = notes.get(notes.size() - 1).role();
        return THIRDS.contains(tone) || chord.quality().tone(3).isEmpty() && SUSPENDED.contains(tone);
    }

    int[] keys() {
        return PartNote.keys(notes);
    }

    boolean hasThird() {
        return notes.stream().anyMatch(note -> THIRDS.contains(note.role()));
    }

    /** Two tones with the lower one again above them. */
    private Shape withOctave() {
        List<PartNote> three = new ArrayList<>(notes);
        three.add(notes.get(0).octaves(1));
        return new Shape(chord, List.copyOf(three), leftOut);
    }

    /** The same without its third, which another hand has. */
    static List<Shape> withoutThird(ChordSymbol chord, Hand hand) {
        List<Interval> rest =
                tones(chord, FULL).stream().filter(tone -> tone.number() != 3).toList();
        List<Shape> found = new ArrayList<>();
        for (int low = LOWEST; rest.size() > 1 && low <= HIGHEST; low++) {
            stack(chord, rest, low, hand, found);
        }
        return rest.size() > 2
                ? found
                : found.stream()
                        .map(Shape::withOctave)
                        .filter(shape -> hand.easeOf(shape.keys()) != Ease.OUT_OF_REACH)
                        .toList();
    }

    /**
     * Every close way to hold it that a hand can strike, low to high; a hand too small for all of them has two tones,
     * or one.
     */
    static List<Shape> of(ChordSymbol chord, Hand hand) {
        List<Shape> found = new ArrayList<>();
        for (int most = FULL; found.isEmpty() || most == THREE; most--) {
            List<Interval> tones = tones(chord, most);
            for (int low = LOWEST; low <= HIGHEST; low++) {
                stack(chord, tones, low, hand, found);
            }
        }
        return found;
    }

    /**
     * The inversions of three notes wherever a right hand has its chords; what is no tone of the chord counts as left
     * out of it.
     */
    static List<Shape> placed(List<Pitch> notes, ChordSymbol chord, Hand hand) {
        List<Shape> found = new ArrayList<>();
        for (int low = LOWEST; low <= HIGHEST; low++) {
            List<PartNote> stack = new ArrayList<>();
            for (int key = low; key < low + Pitch.OCTAVE && key <= HIGHEST; key++) {
                for (Pitch note : notes) {
                    if (Math.floorMod(key - note.midi(), Pitch.OCTAVE) == 0) {
                        stack.add(PartNote.of(Pitch.onKey(key, note.pitchClass()), Role.ADDED));
                    }
                }
            }
            Shape shape = stack.size() == notes.size() && stack.get(0).pitch().midi() == low
                    ? new Shape(chord, List.copyOf(stack), 0)
                    : null;
            if (shape != null && hand.easeOf(shape.keys()) != Ease.OUT_OF_REACH) {
                found.add(shape.over(chord));
            }
        }
        return found;
    }

    /** The same keys as what they are to another chord. */
    Shape over(ChordSymbol other) {
        List<PartNote> named = notes.stream()
                .map(note -> PartNote.of(
                        note.pitch(),
                        other.quality().tones().stream()
                                .filter(tone -> other.tone(tone).chroma()
                                        == note.pitch().pitchClass().chroma())
                                .findFirst()
                                .map(tone -> Role.tone(tone.number()))
                                .orElse(Role.ADDED)))
                .toList();
        return new Shape(other, named, leftOut);
    }

    private static List<Interval> tones(ChordSymbol chord, int most) {
        List<Interval> kept = new ArrayList<>(EssentialTones.of(chord, most));
        // A sharp ninth on a minor chord is its third again.
        Set<Integer> keys = new HashSet<>();
        kept.removeIf(tone -> !keys.add(tone.semitones() % Pitch.OCTAVE));
        return kept;
    }

    private static void stack(ChordSymbol chord, List<Interval> tones, int lowest, Hand hand, List<Shape> found) {
        List<PartNote> notes = new ArrayList<>();
        for (int key = lowest; key < lowest + Pitch.OCTAVE && key <= HIGHEST; key++) {
            for (Interval tone : tones) {
                if (Math.floorMod(key - chord.root().chroma() - tone.semitones(), Pitch.OCTAVE) == 0) {
                    notes.add(PartNote.of(Pitch.onKey(key, chord.tone(tone).simple()), Role.tone(tone.number())));
                }
            }
        }
        boolean whole = notes.size() == tones.size() && notes.get(0).pitch().midi() == lowest;
        Shape shape = whole
                ? new Shape(chord, List.copyOf(notes), chord.quality().tones().size() - notes.size())
                : null;
        if (whole && hand.easeOf(shape.keys()) != Ease.OUT_OF_REACH && !found.contains(shape)) {
            found.add(shape);
        }
    }
}
