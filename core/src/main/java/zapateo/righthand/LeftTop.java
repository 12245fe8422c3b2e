package zapateo.righthand;

import java.util.List;
import zapateo.part.PartNote;
import zapateo.part.Stroke;

/** How high the left hand is while something else sounds. */
final class LeftTop {

    private final List<Stroke> strokes;

    /** @param strokes in the order of time */
    LeftTop(List<Stroke> strokes) {
        this.strokes = strokes;
    }

    /** The highest key that is down anywhere from a tick to another, 0 where none is. */
    int over(int from, int to) {
        int top = 0;
        for (int i = firstAfter(from); i < strokes.size() && strokes.get(i).written().tick() < to; i++) {
            if (strokes.get(i).written().end() > from) {
                for (PartNote note : strokes.get(i).notes()) {
                    top = Math.max(top, note.pitch().midi());
                }
            }
        }
        return top;
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
