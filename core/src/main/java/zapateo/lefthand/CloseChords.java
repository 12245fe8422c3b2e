package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Register;

/** The ways to play a chord close together in the middle register, over a bass that sounds already (HANDBOOK §5). */
final class CloseChords {

    private static final int MAJOR_THIRD = 4;
    private static final int FULL_HAND = 4;

    private CloseChords() {
    }

    /** Every inversion inside C3 to G4, low to high; one without the bass's own tone too where four are left. */
    static List<List<PartNote>> of(ChordSymbol chord) {
        List<List<PartNote>> found = new ArrayList<>();
        for (List<Interval> tones : toneSets(chord)) {
            for (int lowest = Register.CHORD_LOWEST; lowest <= Register.CHORD_HIGHEST; lowest++) {
                List<PartNote> stacked = stack(chord, tones, lowest);
                if (stacked.size() == tones.size()) {
                    found.add(stacked);
                }
            }
        }
        return found;
    }

    private static List<PartNote> stack(ChordSymbol chord, List<Interval> tones, int lowest) {
        List<PartNote> notes = new ArrayList<>();
        int top = Math.min(lowest + 11, Register.CHORD_HIGHEST);
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

    private static Set<List<Interval>> toneSets(ChordSymbol chord) {
        List<Interval> all = new ArrayList<>(chord.quality().tones());
        while (all.size() > FULL_HAND) {
            all.remove(all.stream().min(Comparator.comparingInt(CloseChords::weight)).orElseThrow());
        }
        // A major third in the bass is left out of the chord above (HANDBOOK §5, doubling).
        all.removeIf(tone -> tone.semitones() == MAJOR_THIRD && chord.over().isPresent()
                && chord.tone(tone).chroma() == chord.bass().chroma());
        Set<List<Interval>> sets = new LinkedHashSet<>();
        sets.add(List.copyOf(all));
        if (all.size() == FULL_HAND) {
            all.removeIf(tone -> chord.tone(tone).chroma() == chord.bass().chroma());
            sets.add(List.copyOf(all));
        }
        return sets;
    }
}
