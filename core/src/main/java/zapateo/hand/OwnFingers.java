package zapateo.hand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/** A player's own finger is for that stroke alone: where the same keys are struck again beside it, they keep the fingers they had without it. */
final class OwnFingers {

    private OwnFingers() {
    }

    /**
     * @param own    what the player wants
     * @param before the fingers without any of it, low to high; asked for only where keys come again beside one
     */
    static Fingering.Locks of(List<Touch> touches, Fingering.Locks own, Supplier<List<int[]>> before) {
        Map<Integer, int[]> kept = new HashMap<>();
        List<int[]> found = null;
        for (int i : IntStream.range(0, touches.size()).filter(each -> isOwn(own.of(each))).toArray()) {
            for (int way : new int[] {-1, 1}) {
                for (int at = next(touches, i, way); at >= 0 && !isOwn(own.of(at)); at = next(touches, at, way)) {
                    found = found == null ? before.get() : found;
                    kept.put(at, found.get(at));
                }
            }
        }
        return i -> kept.getOrDefault(i, own.of(i));
    }

    private static boolean isOwn(int[] fingers) {
        return IntStream.of(fingers).anyMatch(finger -> finger > 0);
    }

    /** The stroke beside one that has the same keys, at once or after one other; below 0 where there is none. */
    private static int next(List<Touch> touches, int from, int way) {
        for (int away = 1; away <= 2; away++) {
            int at = from + way * away;
            if (at >= 0 && at < touches.size() && touches.get(at).keys().equals(touches.get(from).keys())) {
                return at;
            }
        }
        return -1;
    }
}
