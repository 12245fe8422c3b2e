package zapateo.critic;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.song.Section;
import zapateo.song.Song;

/** The row about harmonisations: what a church organist would strike out. */
final class HarmonyRows {

    private static final int MINOR_THIRD = 3;
    private static final int FOURTH = 5;
    private static final int DIMINISHED = 6;
    private static final int FIFTH = 7;
    private static final int LEADING = 4;
    private static final int HYMN = 8;

    private HarmonyRows() {}

    /**
     * R8: a diminished chord on the third degree of minor, a cadence whose dominant has no leading tone, a dominant
     * that falls back at a cadence, no inversion in a whole hymn.
     *
     * @param hymn whether it is to be sung in four parts
     */
    static void strikesOut(Song song, boolean hymn, Marks marks) {
        List<Song.Placed> all =
                song.chords().filter(place -> place.chord().isPresent()).toList();
        for (Song.Placed place : all) {
            ChordSymbol chord = place.chord().orElseThrow();
            Key key = place.bar().key();
            if (key.mode().isMinor()
                    && degree(key, chord) == MINOR_THIRD
                    && chord.quality().has(3, MINOR_THIRD)
                    && chord.quality().has(5, DIMINISHED)) {
                marks.add(place.bar().index(), List.of(), Map.of("chord", chord.toString(), "what", "third"));
            }
        }
        for (Section section : song.sections()) {
            List<Song.Placed> own = new ArrayList<>(all.stream()
                    .filter(place -> section.bars().contains(place.bar()))
                    .toList());
            own = changes(own);
            cadence(own, marks);
        }
        if (hymn
                && song.bars().size() >= HYMN
                && all.stream()
                        .noneMatch(place -> place.chord().orElseThrow().over().isPresent())) {
            marks.add(0, List.of(), Map.of("chord", "", "what", "inversion"));
        }
    }

    private static List<Song.Placed> changes(List<Song.Placed> chords) {
        List<Song.Placed> changes = new ArrayList<>();
        for (Song.Placed place : chords) {
            if (changes.isEmpty() || !changes.get(changes.size() - 1).chord().equals(place.chord())) {
                changes.add(place);
            }
        }
        return changes;
    }

    private static void cadence(List<Song.Placed> chords, Marks marks) {
        int last = chords.size() - 1;
        if (last < 1) {
            return;
        }
        Key key = chords.get(last).bar().key();
        int home = degree(key, chords.get(last).chord().orElseThrow());
        ChordSymbol before = chords.get(last - 1).chord().orElseThrow();
        boolean leads =
                before.quality().has(3, LEADING) || before.quality().tone(4).isPresent();
        if (home == 0 && degree(key, before) == FIFTH && !leads) {
            marks.add(
                    chords.get(last - 1).bar().index(),
                    List.of(),
                    Map.of("chord", before.toString(), "what", "leading"));
        }
        int two = last - 2;
        boolean back = two >= 0
                        && home == 0
                        && degree(key, before) == FOURTH
                        && degree(key, chords.get(two).chord().orElseThrow()) == FIFTH
                || degree(key, before) == FIFTH && home == FOURTH;
        if (back) {
            marks.add(
                    chords.get(last - 1).bar().index(), List.of(), Map.of("chord", before.toString(), "what", "back"));
        }
    }

    private static int degree(Key key, ChordSymbol chord) {
        return Math.floorMod(chord.root().chroma() - key.tonic().chroma(), 12);
    }
}
