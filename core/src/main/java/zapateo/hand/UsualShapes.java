package zapateo.hand;

import java.util.Arrays;
import java.util.List;

/**
 * The fingers that everybody learns for what is struck at once, counted from the thumb's side so that both hands have
 * the same: an octave and an open fifth by the outer ones (an octave that ends on a black key by the ring finger too),
 * triads by 1-3-5, and by 1-2-5 where the third lies beside the thumb and the fourth outside. Common practice.
 */
final class UsualShapes {

    /** @param spans semitones from the thumb outward; @param fingers the same way, any of them */
    private record Shape(List<Integer> spans, List<List<Integer>> fingers) {}

    private static final List<List<Integer>> OUTER = List.of(List.of(1, 5));
    private static final List<List<Integer>> TRIAD = List.of(List.of(1, 3, 5));
    private static final List<List<Integer>> FOURTH_OUTSIDE = List.of(List.of(1, 2, 5));
    private static final List<Shape> TABLE = List.of(
            new Shape(List.of(7), OUTER),
            new Shape(List.of(12), OUTER),
            new Shape(List.of(4, 3), TRIAD),
            new Shape(List.of(3, 4), TRIAD),
            new Shape(List.of(3, 3), TRIAD),
            new Shape(List.of(4, 4), TRIAD),
            new Shape(List.of(5, 4), TRIAD),
            new Shape(List.of(5, 3), TRIAD),
            new Shape(List.of(6, 3), TRIAD),
            new Shape(List.of(3, 5), FOURTH_OUTSIDE),
            new Shape(List.of(4, 5), FOURTH_OUTSIDE),
            new Shape(List.of(3, 6), FOURTH_OUTSIDE));
    private static final List<Integer> FIFTH = List.of(7);
    private static final List<Integer> OPENING = List.of(2, 5);
    private static final List<Integer> OCTAVE = List.of(12);
    private static final List<Integer> RING = List.of(1, 4);

    private UsualShapes() {}

    /**
     * Whether other fingers than usual take it; what has no usual ones may be taken by any.
     *
     * @param opens whether a sixth or seventh on the same bass follows a fifth: the thumb waits for it
     */
    static boolean isUnusual(int[] places, int[] fingers, boolean outerOnBlack, boolean opens) {
        List<Integer> spans = Arrays.asList(new Integer[places.length - 1]);
        for (int i = 1; i < places.length; i++) {
            spans.set(i - 1, places[i] - places[i - 1]);
        }
        List<Integer> taken = Arrays.stream(fingers).boxed().toList();
        if (outerOnBlack && spans.equals(OCTAVE) && taken.equals(RING)) {
            return false;
        }
        if (opens && spans.equals(FIFTH)) {
            return !taken.equals(OPENING);
        }
        return TABLE.stream()
                .anyMatch(
                        shape -> shape.spans().equals(spans) && !shape.fingers().contains(taken));
    }
}
