package zapateo.hand;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/**
 * The fingers of a whole part, chosen together: the cheapest way by the twelve rules of {@link FingerRules} for what is
 * played in a line, by the spans and a few habits for chords and for what lies further apart than a hand. The exact
 * search is the one that all choices go through.
 *
 * @param fingers of each stroke's keys, low to high, 1 the thumb; all 0 for a stroke of more keys than fingers
 * @param costs of each stroke, in points
 * @param total of the whole part
 * @param rules the same total by {@link FingerRule}, found when it is asked for
 */
public record Fingering(List<int[]> fingers, double[] costs, double total, Supplier<Map<String, Double>> rules) {

    /** A player's own fingers: of a stroke by its place in the part, low to high, 0 where any will do. */
    public interface Locks {
        Locks NONE = stroke -> new int[0];

        int[] of(int stroke);
    }

    /** What each rule and habit costs, by its name. */
    public Map<String, Double> byRule() {
        return rules.get();
    }
}
