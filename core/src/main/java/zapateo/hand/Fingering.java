package zapateo.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;

/**
 * The fingers of a whole part, chosen together: the cheapest way by the twelve rules of {@link FingerRules} for what is played in a line, by the spans
 * and a few habits for chords and for what lies further apart than a hand. The exact search is the one that all choices go through.
 *
 * @param fingers of each stroke's keys, low to high, 1 the thumb; all 0 for a stroke of more keys than fingers
 * @param costs   of each stroke, in points
 * @param total   of the whole part
 * @param rules   the same total by {@link Rule}, found when it is asked for
 */
public record Fingering(List<int[]> fingers, double[] costs, double total, Supplier<Map<String, Double>> rules) {

    /** What counts; the first twelve are the published rules, the others are the project's own habits (HANDBOOK §8). */
    enum Rule {
        STRETCH, SMALL_SPAN, LARGE_SPAN, POSITION_CHANGES, POSITION_CHANGE_SIZE, WEAK_FINGER, THREE_FOUR_FIVE, THREE_TO_FOUR, FOUR_ON_BLACK, THUMB_ON_BLACK, FIVE_ON_BLACK,
        THUMB_PASSING, OUT_OF_REACH, HOP, SHARED_NOTE, MOVEMENT, FEWER_PASSES, OCTAVE, FIVE_FINGERS, CHORD_AND_NOTE;

        String id() {
            return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        }
    }

    private static final double QUICK_MS = 500;

    /** A player's own fingers: of a stroke by its place in the part, low to high, 0 where any will do. */
    public interface Locks {
        Locks NONE = stroke -> new int[0];

        int[] of(int stroke);
    }

    /** @param milliseconds between the onsets of a stroke and the one before it, by its place in the part */
    public static Fingering of(List<Stroke> strokes, Side side, Hand hand, java.util.function.IntToDoubleFunction milliseconds, Locks locks) {
        List<Touch> touches = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            List<Integer> keys = new ArrayList<>();
            for (int key : strokes.get(i).keys()) {
                keys.add(key);
            }
            touches.add(Touch.of(keys, i > 0 && milliseconds.applyAsDouble(i) < QUICK_MS));
        }
        return new FingerSearch(side, hand).through(touches, locks);
    }

    /** What each rule and habit costs, by its name. */
    public Map<String, Double> byRule() {
        return rules.get();
    }

    /** A line or chords by their keys alone, all of it quick. */
    static Fingering ofKeys(List<List<Integer>> strokes, Side side, Hand hand, Locks locks) {
        return new FingerSearch(side, hand).through(strokes.stream().map(keys -> Touch.of(keys, true)).toList(), locks);
    }

    /** What a part costs with given fingers, low to high. */
    static double costOf(List<List<Integer>> strokes, List<int[]> fingers, Side side, Hand hand) {
        return ofKeys(strokes, side, hand, fingers::get).total();
    }
}
