package zapateo.server.arrangements;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** How values are told: rounded, and left out where they are as usual. */
final class Told {

    private Told() {}

    static double tenth(double value) {
        return Math.round(10 * value) / 10.0;
    }

    /** What is told of each, without a stream: it is asked for every stroke, of which each has a few. */
    static <T, V> List<V> each(List<T> list, Function<T, V> told) {
        List<V> all = new ArrayList<>(list.size());
        for (T one : list) {
            all.add(told.apply(one));
        }
        return all;
    }

    /** A value, but for what it usually is. */
    static <T> T unless(T usual, T value) {
        return usual.equals(value) ? null : value;
    }
}
