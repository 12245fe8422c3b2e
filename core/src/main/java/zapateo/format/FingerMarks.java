package zapateo.format;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.song.Bar;

/**
 * Over which strokes of a bar fingers are written: where a pattern begins or changes, where the thumb passes, at what
 * is not to be expected. A bar that goes by the fingers of the one before has none, keys that come again have none, a
 * step to the next finger has none (FAULTS P1; common practice).
 */
final class FingerMarks {

    private static final int STEP = 2;

    private FingerMarks() {}

    /** @param before of the bar before, where it stands on the page */
    static IntPredicate of(Bar bar, List<StaffBar.Numbered> strokes, Bar barBefore, List<StaffBar.Numbered> before) {
        List<StaffBar.Numbered> own = begun(bar, strokes);
        if (barBefore != null
                && !own.isEmpty()
                && pattern(bar, own).equals(pattern(barBefore, begun(barBefore, before)))) {
            return number -> false;
        }
        Set<Integer> shown = new HashSet<>();
        Set<List<PartNote>> seen = new HashSet<>();
        for (int i = 0; i < own.size(); i++) {
            Stroke stroke = own.get(i).stroke();
            boolean again = !seen.add(stroke.notes().stream()
                    .map(note -> PartNote.of(note.pitch(), note.role()).fingered(note.finger()))
                    .toList());
            boolean expected = i > 0 && isNext(own.get(i - 1).stroke(), stroke);
            if (!again && !expected) {
                shown.add(own.get(i).number());
            }
        }
        return shown::contains;
    }

    /** What is struck in the bar, not what sounds into it. */
    private static List<StaffBar.Numbered> begun(Bar bar, List<StaffBar.Numbered> strokes) {
        return strokes.stream()
                .filter(numbered -> numbered.stroke().written().tick() >= bar.tick())
                .toList();
    }

    /** Onsets with their fingers. */
    private static List<Object> pattern(Bar bar, List<StaffBar.Numbered> strokes) {
        List<Object> pattern = new ArrayList<>();
        strokes.forEach(numbered -> pattern.add(List.of(
                numbered.stroke().written().tick() - bar.tick(),
                numbered.stroke().notes().stream().map(PartNote::finger).toList())));
        return pattern;
    }

    /** A step of the line by the finger beside: nobody needs to be told. */
    private static boolean isNext(Stroke before, Stroke stroke) {
        if (before.notes().size() != 1 || stroke.notes().size() != 1) {
            return false;
        }
        int up = stroke.lowest().midi() - before.lowest().midi();
        int fingers = stroke.notes().get(0).finger() - before.notes().get(0).finger();
        boolean right = stroke.hand() == zapateo.rhythm.Side.RIGHT;
        return Math.abs(up) <= STEP && up != 0 && fingers == (right ? Integer.signum(up) : -Integer.signum(up));
    }
}
