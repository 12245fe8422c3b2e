package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.EssentialTones;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;

/**
 * The ways to play a chord in the middle register, over a bass that sounds already or is someone else's (HANDBOOK §5).
 */
final class CloseChords {

    /** So far under its window a shape may lie that has no place in it. */
    private static final int BELOW = 2;

    private static final int MAJOR_SEVENTH = 11;
    private static final int MAJOR_THIRD = 4;
    private static final int FIFTH = 7;
    private static final int FULL_HAND = 4;
    /** Tones of a close chord may go as low as this one after another, to make room for the other hand. */
    private static final int UNDER_A_TUNE = Pitch.parse("A2").midi();

    private static final Voicing.Window CLOSE = new Voicing.Window(
            Register.CHORD_LOWEST, Register.CHORD_HIGHEST, Pitch.parse("A♭3").midi());
    /** The right hand's chord, clear of the left hand and below a tune. */
    private static final Voicing.Window RIGHT = new Voicing.Window(
            Pitch.parse("G3").midi(),
            Pitch.parse("E5").midi(),
            Pitch.parse("D4").midi());

    private CloseChords() {}

    /** Where the middle of such a chord would rather lie. */
    static Voicing.Window window(Voicing voicing, boolean right) {
        return right ? RIGHT : voicing.window().home() > 0 && !voicing.id().equals("close") ? voicing.window() : CLOSE;
    }

    /**
     * All of them for a voicing: close inversions, or its own shapes inside its window.
     *
     * @param onBass whether a bass sounds below
     * @param lower whether it makes room for the other hand, so that it may lie lower
     * @param said tones that make the chord what it is
     */
    static List<List<PartNote>> of(
            ChordSymbol chord,
            Voicing voicing,
            KeyTones inKey,
            boolean right,
            boolean onBass,
            List<Interval> said,
            boolean lower) {
        Voicing own = voicing.on(chord);
        Voicing.Window usual = window(own, right);
        Voicing.Window window = lower && !right
                ? new Voicing.Window(Math.min(usual.lowest(), UNDER_A_TUNE), usual.highest(), usual.home())
                : usual;
        if (!own.shapes().get(0).get(0).isOfClose()) {
            return shaped(chord, own, window, inKey, onBass, said);
        }
        return switch (own.id()) {
            case "triad" -> stacked(chord, Set.of(triad(chord)), window);
            case "nearest" ->
                stacked(
                        chord,
                        chord.quality().tones().size() <= 3 && (chord.over().isEmpty() || onBass && !isOnThird(chord))
                                ? Set.of(triad(chord))
                                : toneSets(chord, onBass),
                        window);
            // Every inversion, low to high; one without the bass's own tone too where four are left.
            default -> stacked(chord, toneSets(chord, onBass), window);
        };
    }

    private static List<List<PartNote>> shaped(
            ChordSymbol chord,
            Voicing voicing,
            Voicing.Window window,
            KeyTones inKey,
            boolean onBass,
            List<Interval> said) {
        List<List<PartNote>> found = inside(chord, voicing, window, inKey, onBass, said);
        if (found.isEmpty()) {
            found = inside(
                    chord,
                    voicing,
                    new Voicing.Window(window.lowest() - BELOW, window.highest(), window.home()),
                    inKey,
                    onBass,
                    said);
        }
        return found.isEmpty() ? stacked(chord, toneSets(chord, onBass), CLOSE) : found;
    }

    /** The shapes of a voicing that lie inside a window. */
    private static List<List<PartNote>> inside(
            ChordSymbol chord,
            Voicing voicing,
            Voicing.Window window,
            KeyTones inKey,
            boolean onBass,
            List<Interval> said) {
        List<List<PartNote>> found = new ArrayList<>();
        for (List<Role> shape : voicing.shapesOn(chord)) {
            for (int root = window.lowest() - 24; root <= window.highest(); root++) {
                if (Math.floorMod(root, 12) == chord.root().chroma()) {
                    List<PartNote> notes = new Placement(
                                    chord, Pitch.onKey(root, chord.root()), List.of(), List.of(), inKey)
                            .fromRoot(shape);
                    if (onBass) {
                        withoutThirdOfBass(chord, notes);
                    }
                    say(
                            chord,
                            onBass
                                    ? said.stream()
                                            .filter(tone -> chord.tone(tone).chroma()
                                                    != chord.bass().chroma())
                                            .toList()
                                    : said,
                            notes,
                            window);
                    if (notes.get(0).pitch().midi() >= window.lowest()
                            && notes.get(notes.size() - 1).pitch().midi() <= window.highest()) {
                        found.add(notes);
                    }
                }
            }
        }
        return found;
    }

    /** A major third in the bass is left out above it; its root and fifth say the rest (HANDBOOK §5, doubling). */
    private static void withoutThirdOfBass(ChordSymbol chord, List<PartNote> notes) {
        if (isOnThird(chord)
                && notes.removeIf(note ->
                        note.pitch().pitchClass().chroma() == chord.bass().chroma())
                && notes.size() == 1) {
            int root = notes.get(0).pitch().midi();
            chord.quality()
                    .tone(5)
                    .filter(fifth -> notes.get(0).pitch().pitchClass().chroma()
                            == chord.root().chroma())
                    .ifPresent(fifth -> notes.add(
                            PartNote.of(Pitch.onKey(root + fifth.semitones(), chord.tone(fifth)), Role.tone(5))));
        }
    }

    /** What the shape does not say of the chord is added inside its octave. */
    private static void say(ChordSymbol chord, List<Interval> said, List<PartNote> notes, Voicing.Window window) {
        for (Interval tone : said) {
            int chroma = chord.tone(tone).chroma();
            int above = notes.get(0).pitch().midi()
                    + Math.floorMod(chroma - notes.get(0).pitch().midi(), Pitch.OCTAVE);
            if (notes.size() < FULL_HAND
                    && above <= window.highest()
                    && notes.stream()
                            .noneMatch(note -> note.pitch().pitchClass().chroma() == chroma)) {
                notes.add(PartNote.of(Pitch.onKey(above, chord.tone(tone)), Role.tone(tone.number())));
                notes.sort(
                        java.util.Comparator.comparingInt(note -> note.pitch().midi()));
            }
        }
    }

    private static List<List<PartNote>> stacked(
            ChordSymbol chord, Set<List<Interval>> toneSets, Voicing.Window window) {
        List<List<PartNote>> found = new ArrayList<>();
        for (List<Interval> tones : toneSets) {
            for (int lowest = window.lowest(); lowest <= window.highest(); lowest++) {
                List<PartNote> stacked = stack(chord, tones, lowest, window.highest());
                if (stacked.size() == tones.size()) {
                    found.add(stacked);
                }
            }
        }
        return found;
    }

    private static List<PartNote> stack(ChordSymbol chord, List<Interval> tones, int lowest, int highest) {
        List<PartNote> notes = new ArrayList<>();
        int top = Math.min(lowest + 11, highest);
        int root = chord.root().chroma();
        for (int key = lowest; key <= top; key++) {
            int chroma = Math.floorMod(key - root, 12);
            for (Interval tone : tones) {
                if (tone.semitones() % 12 == chroma) {
                    notes.add(PartNote.of(Pitch.onKey(key, chord.tone(tone)), Role.tone(tone.number())));
                }
            }
        }
        return !notes.isEmpty() && notes.get(0).pitch().midi() == lowest ? notes : List.of();
    }

    /** Root, third or what is suspended in its place, and fifth. */
    private static List<Interval> triad(ChordSymbol chord) {
        return chord.quality().tones().stream()
                .filter(tone -> tone.number() <= 5)
                .limit(3)
                .toList();
    }

    /** A sixth in the place of a seventh. */
    static boolean isSixth(ChordSymbol chord) {
        return chord.quality().tone(6).isPresent() && chord.quality().tone(7).isEmpty();
    }

    private static boolean isOnThird(ChordSymbol chord) {
        return chord.over().isPresent()
                && chord.quality().isMajor()
                && chord.root().plus(Interval.of(2, MAJOR_THIRD)).chroma()
                        == chord.bass().chroma();
    }

    private static Set<List<Interval>> toneSets(ChordSymbol chord, boolean onBass) {
        List<Interval> all = new ArrayList<>(EssentialTones.of(chord, FULL_HAND));
        // A major third in the bass is left out of the chord above (HANDBOOK §5, doubling).
        all.removeIf(tone -> onBass && tone.semitones() == MAJOR_THIRD && isOnThird(chord));
        // A sharp ninth on a minor chord is its third again.
        Set<Integer> keys = new HashSet<>();
        all.removeIf(tone -> !keys.add(tone.semitones() % 12));
        if (!onBass
                && chord.over().isPresent()
                && all.stream()
                        .noneMatch(tone ->
                                chord.tone(tone).chroma() == chord.bass().chroma())) {
            // Alone, it has the bass the chart names too; its root or a plain fifth gives way.
            if (all.size() == FULL_HAND) {
                all.remove(all.stream()
                        .filter(tone -> tone.number() == 5 && tone.semitones() == FIFTH)
                        .findFirst()
                        .orElse(all.get(0)));
            }
            all.add(ofBass(chord));
        }
        Set<List<Interval>> sets = new LinkedHashSet<>();
        sets.add(List.copyOf(all));
        if (!onBass && chord.over().isPresent() && all.size() == FULL_HAND) {
            sets.add(all.stream()
                    .filter(tone -> tone.number() != 5 || tone.semitones() != FIFTH)
                    .toList());
        }
        if (!onBass && chord.over().isEmpty() && chord.quality().has(7, MAJOR_SEVENTH)) {
            // Where its root would rub, third, fifth and seventh say it.
            sets.add(all.stream().filter(tone -> tone.number() != 1).toList());
        }
        if (onBass && all.size() == FULL_HAND && isSixth(chord)) {
            // A sixth chord says root, third and sixth as well as third, fifth and sixth.
            sets.add(all.stream()
                    .filter(tone -> tone.number() != 5 || tone.semitones() != FIFTH)
                    .toList());
        }
        if (onBass && all.size() == FULL_HAND) {
            all.removeIf(tone -> chord.tone(tone).chroma() == chord.bass().chroma());
            if (all.size() == FULL_HAND) {
                all.removeIf(tone -> tone.number() == 5 && tone.semitones() == FIFTH);
            }
            sets.add(List.copyOf(all));
        }
        return sets;
    }

    private static Interval ofBass(ChordSymbol chord) {
        int steps = Math.floorMod(
                chord.bass().letter().ordinal() - chord.root().letter().ordinal(), 7);
        int semitones = Math.floorMod(chord.bass().chroma() - chord.root().chroma(), Pitch.OCTAVE);
        return Interval.of(steps == 0 ? 6 : steps, semitones);
    }

    /** The same chord a step of the key lower, tone by tone. */
    static List<PartNote> stepLower(List<PartNote> chord, zapateo.harmony.Key key) {
        Set<Integer> keys = new HashSet<>();
        return chord.stream()
                .map(note -> {
                    PitchClass name = note.pitch().pitchClass();
                    PitchClass lower = PitchClass.of(
                            name.letter().plus(-1),
                            key.alterationOf(name.letter().plus(-1)));
                    int down = Math.floorMod(name.chroma() - lower.chroma(), 12);
                    boolean step = down >= 1 && down <= 3;
                    int midi = note.pitch().midi() - (step ? down : 2);
                    return PartNote.of(
                            Pitch.onKey(midi, step ? lower : key.spell(midi)),
                            note.role().beside());
                })
                .filter(note -> keys.add(note.pitch().midi()))
                .toList();
    }
}
