package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.names.Names;
import zapateo.part.Ceiling;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;

/**
 * Where the hands run into each other: for as long as notes sound, not only where they are struck (HANDBOOK §9).
 *
 * @param left place of the stroke of the left hand among its strokes
 * @param right the same of the right hand
 * @param kind how they meet
 * @param low the left hand's key
 * @param high the right hand's key
 */
public record Crossing(int left, int right, Kind kind, Pitch low, Pitch high) {

    /** How two notes of different hands meet. */
    public enum Kind {
        /** One key for both hands. */
        SAME_KEY,
        /** The right hand's note is below the left hand's. */
        CROSSED,
        /** Closer than a minor third where that is muddy. */
        TOO_CLOSE;

        public String id() {
            return Names.of(this);
        }
    }

    /** Every one, in the order of the right hand's strokes; at most one for each pair of strokes, the worst. */
    public static List<Crossing> between(List<Stroke> left, List<Stroke> right) {
        List<Crossing> found = new ArrayList<>();
        int from = 0;
        for (int i = 0; i < right.size(); i++) {
            Stroke upper = right.get(i);
            while (from < left.size()
                    && left.get(from).written().tick() + LONGEST
                            < upper.written().tick()) {
                from++;
            }
            for (int j = from;
                    j < left.size()
                            && left.get(j).written().tick() < upper.written().end();
                    j++) {
                if (left.get(j).written().end() > upper.written().tick()) {
                    worst(j, i, left.get(j), upper, found);
                }
            }
        }
        return found;
    }

    /** No stroke is held longer than this. */
    private static final int LONGEST = 8 * 4 * 960;

    private static void worst(int leftPlace, int rightPlace, Stroke left, Stroke right, List<Crossing> found) {
        Crossing worst = null;
        for (PartNote low : left.notes()) {
            for (PartNote high : right.notes()) {
                int apart = high.pitch().midi() - low.pitch().midi();
                Kind kind = apart == 0
                        ? Kind.SAME_KEY
                        : apart < 0
                                ? Kind.CROSSED
                                : apart < Ceiling.MINOR_THIRD && high.pitch().midi() < Ceiling.LOW
                                        ? Kind.TOO_CLOSE
                                        : null;
                if (kind != null && (worst == null || kind.compareTo(worst.kind) < 0)) {
                    worst = new Crossing(leftPlace, rightPlace, kind, low.pitch(), high.pitch());
                }
            }
        }
        if (worst != null) {
            found.add(worst);
        }
    }
}
