package zapateo.hand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zapateo.pitch.Pitch;

/** Runs by steps over more than an octave: their fingers repeat with the octave (common practice). */
final class Scales {

    private static final int STEP = 2;

    private Scales() {
    }

    /**
     * Wants the fingers of a scale's lowest octave in its others too.
     *
     * @param found  what each touch was taken with
     * @param wanted the finger wanted on each touch, 0 where any will do; is changed
     * @return whether there is such a scale
     */
    static boolean patterned(List<Touch> touches, List<Grasp> found, int[] wanted) {
        boolean any = false;
        int from = 0;
        for (int i = 1; i <= touches.size(); i++) {
            if (i == touches.size() || !steps(touches.get(i - 1), touches.get(i))) {
                any |= repeated(touches, found, wanted, from, i);
                from = i;
            }
        }
        return any;
    }

    private static boolean steps(Touch from, Touch to) {
        int moved = from.single() && to.single() ? Math.abs(to.keys().get(0) - from.keys().get(0)) : 0;
        return moved >= 1 && moved <= STEP;
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
            wanted[i] = byNote.getOrDefault((touches.get(i).keys().get(0) - low) % Pitch.OCTAVE, wanted[i]);
        }
        return true;
    }
}
