package zapateo.hand;

import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;

/** Runs by steps over more than an octave: their fingers repeat with the octave (common practice). */
final class Scales {

    private static final int STEP = 2;
    /** From the sixth of a minor scale to its raised seventh. */
    private static final int AUGMENTED = 3;

    private static final int OCTAVE_OF_STEPS = 7;
    private static final int FOURTH = 4;

    private Scales() {}

    /**
     * Wants the fingers that the table has for a scale of an octave or more that it knows.
     *
     * @param wanted the finger on each touch, below zero where the table has it; is changed
     */
    static void fromTheTable(List<Touch> touches, Side side, int[] wanted) {
        int from = 0;
        for (int i = 1; i <= touches.size(); i++) {
            if (i == touches.size() || !steps(touches.get(i - 1), touches.get(i), AUGMENTED)) {
                if (i - from > OCTAVE_OF_STEPS && touches.get(from).single()) {
                    tabled(
                            touches.subList(from, i).stream()
                                    .map(touch -> touch.keys().get(0))
                                    .toList(),
                            side,
                            wanted,
                            from);
                }
                from = i;
            }
        }
    }

    private static void tabled(List<Integer> keys, Side side, int[] wanted, int from) {
        ScaleTable.of(keys).ifPresent(scale -> {
            int low = Collections.min(keys);
            int high = Collections.max(keys);
            for (int i = 0; i < keys.size(); i++) {
                int key = keys.get(i);
                int finger = scale.finger(key, side);
                // Where the run ends on the little finger's side nothing has to pass any more, on the thumb's side
                // nothing has passed yet.
                boolean outer = side == Side.RIGHT ? key == high : key == low;
                boolean inner = side == Side.RIGHT ? key == low : key == high;
                wanted[from + i] = outer && finger == 1
                        ? -beyond(scale, keys, key, side)
                        : outer || inner && finger == FOURTH ? 0 : -finger;
            }
        });
    }

    /** One finger further than the neighbour's. */
    private static int beyond(ScaleTable scale, List<Integer> keys, int key, Side side) {
        int next = keys.stream()
                .filter(each -> each != key)
                .min(Comparator.comparingInt(each -> Math.abs(each - key)))
                .orElseThrow();
        return Math.min(FingerSpans.FINGERS, scale.finger(next, side) + 1);
    }

    /**
     * Wants the fingers of a scale's lowest octave in its others too.
     *
     * @param found what each touch was taken with
     * @param wanted the finger wanted on each touch, 0 where any will do; is changed
     * @return whether there is such a scale
     */
    static boolean patterned(List<Touch> touches, List<Grasp> found, int[] wanted) {
        boolean any = false;
        int from = 0;
        for (int i = 1; i <= touches.size(); i++) {
            if (i == touches.size() || !steps(touches.get(i - 1), touches.get(i), STEP)) {
                any |= repeated(touches, found, wanted, from, i);
                from = i;
            }
        }
        return any;
    }

    private static boolean steps(Touch from, Touch to, int widest) {
        int moved = from.single() && to.single()
                ? Math.abs(to.keys().get(0) - from.keys().get(0))
                : 0;
        return moved >= 1 && moved <= widest;
    }

    private static boolean repeated(List<Touch> touches, List<Grasp> found, int[] wanted, int from, int to) {
        int low = Integer.MAX_VALUE;
        int high = Integer.MIN_VALUE;
        for (int i = from; i < to && touches.get(from).single(); i++) {
            low = Math.min(low, touches.get(i).keys().get(0));
            high = Math.max(high, touches.get(i).keys().get(0));
        }
        if (high - low <= Pitch.OCTAVE) {
            return false;
        }
        Map<Integer, Integer> byNote = new HashMap<>();
        for (int i = from; i < to; i++) {
            int above = touches.get(i).keys().get(0) - low;
            // The lowest key itself ends the scale and has a finger of its own.
            if (above > 0 && above < Pitch.OCTAVE) {
                byNote.putIfAbsent(above, found.get(i).fingers()[0]);
            }
        }
        for (int i = from; i < to; i++) {
            wanted[i] = wanted[i] < 0
                    ? wanted[i]
                    : byNote.getOrDefault((touches.get(i).keys().get(0) - low) % Pitch.OCTAVE, wanted[i]);
        }
        return true;
    }
}
