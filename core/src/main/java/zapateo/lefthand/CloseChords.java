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

/** The ways to play a chord in the middle register, over a bass that sounds already or is someone else's (HANDBOOK §5). */
final class CloseChords {

    private static final int MAJOR_THIRD = 4;
    private static final int FULL_HAND = 4;
    private static final Voicing.Window CLOSE = new Voicing.Window(Register.CHORD_LOWEST, Register.CHORD_HIGHEST, (Register.CHORD_LOWEST + Register.CHORD_HIGHEST) / 2.0);
    /** The right hand's chord, clear of the left hand and below a tune. */
    private static final Voicing.Window RIGHT = new Voicing.Window(Pitch.parse("G3").midi(), Pitch.parse("E5").midi(), Pitch.parse("D4").midi());

    private CloseChords() {
    }

    /** Where the middle of such a chord would rather lie. */
    static Voicing.Window window(Voicing voicing, boolean right) {
        return right ? RIGHT : voicing.window().home() > 0 && !voicing.id().equals("close") ? voicing.window() : CLOSE;
    }

    /** All of them for a voicing: close inversions, or its own shapes inside its window. */
    static List<List<PartNote>> of(ChordSymbol chord, Voicing voicing, boolean plainNinth, boolean right) {
        Voicing own = voicing.on(chord);
        Voicing.Window window = window(own, right);
        return switch (own.id()) {
            case "guide-tones", "rootless" -> shaped(chord, own, window, plainNinth);
            case "triad" -> stacked(chord, Set.of(triad(chord)), window);
            // Every inversion, low to high; one without the bass's own tone too where four are left.
            default -> stacked(chord, toneSets(chord), window);
        };
    }

    private static List<List<PartNote>> shaped(ChordSymbol chord, Voicing voicing, Voicing.Window window, boolean plainNinth) {
        List<List<PartNote>> found = new ArrayList<>();
        for (List<Role> shape : voicing.shapesOn(chord)) {
            for (int root = window.lowest() - 24; root <= window.highest(); root++) {
                if (Math.floorMod(root, 12) == chord.root().chroma()) {
                    List<PartNote> notes = new Placement(chord, Pitch.onKey(root, chord.root()), List.of(), List.of(), plainNinth).fromRoot(shape);
                    if (notes.get(0).pitch().midi() >= window.lowest() && notes.get(notes.size() - 1).pitch().midi() <= window.highest()) {
                        found.add(notes);
                    }
                }
            }
        }
        return found.isEmpty() ? stacked(chord, toneSets(chord), CLOSE) : found;
    }

    private static List<List<PartNote>> stacked(ChordSymbol chord, Set<List<Interval>> toneSets, Voicing.Window window) {
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
        for (int key = lowest; key <= top; key++) {
            int chroma = Math.floorMod(key - chord.root().chroma(), 12);
            for (Interval tone : tones) {
                if (tone.semitones() % 12 == chroma) {
                    notes.add(PartNote.of(Pitch.onKey(key, chord.tone(tone)), String.valueOf(tone.number())));
                }
            }
        }
        return !notes.isEmpty() && notes.get(0).pitch().midi() == lowest ? notes : List.of();
    }

    /** Root, third or what is suspended in its place, and fifth. */
    private static List<Interval> triad(ChordSymbol chord) {
        return chord.quality().tones().stream().filter(tone -> tone.number() <= 5).limit(3).toList();
    }

    private static Set<List<Interval>> toneSets(ChordSymbol chord) {
        List<Interval> all = new ArrayList<>(EssentialTones.of(chord, FULL_HAND));
        // A major third in the bass is left out of the chord above (HANDBOOK §5, doubling).
        all.removeIf(tone -> tone.semitones() == MAJOR_THIRD && chord.over().isPresent()
                && chord.tone(tone).chroma() == chord.bass().chroma());
        // A sharp ninth on a minor chord is its third again.
        Set<Integer> keys = new HashSet<>();
        all.removeIf(tone -> !keys.add(tone.semitones() % 12));
        Set<List<Interval>> sets = new LinkedHashSet<>();
        sets.add(List.copyOf(all));
        if (all.size() == FULL_HAND) {
            all.removeIf(tone -> chord.tone(tone).chroma() == chord.bass().chroma());
            sets.add(List.copyOf(all));
        }
        return sets;
    }

    /** The same chord a step of the key lower, tone by tone. */
    static List<PartNote> stepLower(List<PartNote> chord, zapateo.harmony.Key key) {
        Set<Integer> keys = new HashSet<>();
        return chord.stream().map(note -> {
            PitchClass name = note.pitch().pitchClass();
            PitchClass lower = PitchClass.of(name.letter().plus(-1), key.alterationOf(name.letter().plus(-1)));
            int down = Math.floorMod(name.chroma() - lower.chroma(), 12);
            boolean step = down >= 1 && down <= 3;
            int midi = note.pitch().midi() - (step ? down : 2);
            return PartNote.of(Pitch.onKey(midi, step ? lower : key.spell(midi)), "n" + note.role());
        }).filter(note -> keys.add(note.pitch().midi())).toList();
    }
}
