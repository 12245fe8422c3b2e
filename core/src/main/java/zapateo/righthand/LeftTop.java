package zapateo.righthand;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;

/** How high the left hand is, and what it has, while something else sounds. */
final class LeftTop {

    private static final int MAJOR_SEVENTH = 11;
    private final List<Stroke> strokes;

    /** @param strokes in the order of time */
    LeftTop(List<Stroke> strokes) {
        this.strokes = strokes;
    }

    /** The highest key that is down anywhere from a tick to another, 0 where none is. */
    int over(int from, int to) {
        int top = 0;
        for (int i = firstAfter(from);
                i < strokes.size() && strokes.get(i).written().tick() < to;
                i++) {
            if (strokes.get(i).written().end() > from) {
                for (PartNote note : strokes.get(i).notes()) {
                    top = Math.max(top, note.pitch().midi());
                }
            }
        }
        return top;
    }

    /** The keys that are let go there. */
    Set<Integer> left(int from, int to) {
        Set<Integer> left = new HashSet<>();
        for (int i = firstAfter(from);
                i < strokes.size() && strokes.get(i).written().tick() < to;
                i++) {
            if (strokes.get(i).written().end() > from
                    && strokes.get(i).written().end() <= to) {
                strokes.get(i).notes().forEach(note -> left.add(note.pitch().midi()));
            }
        }
        return left;
    }

    /** Whether a chord's third is the key's leading tone and sounds there. */
    boolean hasLeadingTone(ChordSymbol chord, Key key, int from, int to) {
        return chord.quality().isMajor()
                && chord.quality()
                        .tone(3)
                        .map(third -> chord.tone(third).chroma())
                        .filter(third -> Math.floorMod(third - key.tonic().chroma(), Pitch.OCTAVE) == MAJOR_SEVENTH
                                && has(third, from, to))
                        .isPresent();
    }

    /** Whether a tone of a chord lies a semitone, or a ninth, over what sounds there. */
    boolean rubs(ChordSymbol chord, int from, int to) {
        return chord.tones().stream().anyMatch(tone -> has(Math.floorMod(tone.chroma() - 1, Pitch.OCTAVE), from, to));
    }

    /** Whether a key lies a minor ninth, or more octaves, over what sounds at a tick and is no tone of the chord. */
    boolean rubsUnder(int key, ChordSymbol chord, int tick) {
        for (int i = firstAfter(tick);
                i < strokes.size() && strokes.get(i).written().tick() <= tick;
                i++) {
            if (strokes.get(i).written().end() > tick
                    && strokes.get(i).notes().stream()
                            .map(PartNote::pitch)
                            .anyMatch(low -> key - low.midi() > Pitch.OCTAVE
                                    && (key - low.midi()) % Pitch.OCTAVE == 1
                                    && chord.tones().stream()
                                            .noneMatch(tone -> tone.chroma()
                                                    == low.pitchClass().chroma()))) {
                return true;
            }
        }
        return false;
    }

    /** How many strokes begin there. */
    int struck(int from, int to) {
        int count = 0;
        for (int i = firstAfter(from);
                i < strokes.size() && strokes.get(i).written().tick() < to;
                i++) {
            count += strokes.get(i).written().tick() >= from ? 1 : 0;
        }
        return count;
    }

    private boolean has(int chroma, int from, int to) {
        for (int i = firstAfter(from);
                i < strokes.size() && strokes.get(i).written().tick() < to;
                i++) {
            if (strokes.get(i).written().end() > from
                    && strokes.get(i).notes().stream()
                            .anyMatch(note -> Math.floorMod(note.pitch().midi(), Pitch.OCTAVE) == chroma)) {
                return true;
            }
        }
        return false;
    }

    /** Strokes are short; what began longer ago than a few bars is over. */
    private int firstAfter(int tick) {
        int low = 0;
        int high = strokes.size();
        while (low < high) {
            int middle = (low + high) / 2;
            if (strokes.get(middle).written().tick() < tick - LONGEST) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private static final int LONGEST = 8 * 4 * 960;
}
