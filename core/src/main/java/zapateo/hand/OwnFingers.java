package zapateo.hand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/**
 * A player's own finger is for that stroke alone: where the same keys are struck again beside it, they keep the fingers
 * they had without it.
 */
final class OwnFingers {

    private static final int[] BOTH_WAYS = {-1, 1};

    private OwnFingers() {}

    /**
     * @param own what the player wants
     * @param before the fingers without any of it, low to high; asked for only where keys come again beside one
     */
    static Fingering.Locks of(List<Touch> touches, Fingering.Locks own, Supplier<List<int[]>> before) {
        Map<Integer, int[]> kept = new HashMap<>();
        List<int[]> found = null;
        for (int i = 0; i < touches.size(); i++) {
            if (!isOwn(own.of(i))) {
                continue;
            }
            for (int way : BOTH_WAYS) {
                for (int at = next(touches, i, way); at >= 0 && !isOwn(own.of(at)); at = next(touches, at, way)) {
                    found = found == null ? before.get() : found;
                    kept.put(at, found.get(at));
                }
            }
        }
        return kept.isEmpty() ? own : i -> kept.getOrDefault(i, own.of(i));
    }

    private static boolean isOwn(int[] fingers) {
        for (int finger : fingers) {
            if (finger > 0) {
                return true;
            }
        }
        return false;
    }

    /** The stroke beside one that has the same keys, at once or after one other; below 0 where there is none. */
    private static int next(List<Touch> touches, int from, int way) {
        for (int away = 1; away <= 2; away++) {
            int at = from + way * away;
            if (at >= 0
                    && at < touches.size()
                    && touches.get(at).keys().equals(touches.get(from).keys())) {
                return at;
            }
        }
        return -1;
    }
}
