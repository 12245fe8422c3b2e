package zapateo.hand;

import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;

/**
 * Triads that run over more than an octave in one direction: the thumb falls on one tone of each octave, the index on
 * the next outward, and on the third the third finger where a fourth lies beyond it (in the left hand also a major
 * third, where it is black), else the fourth (common practice).
 */
final class Arpeggios {

    private static final int THIRD = 3;
    private static final int WIDEST = 6;
    private static final int FOURTH = 5;
    private static final int TRIAD = 3;

    private Arpeggios() {}

    /** @param wanted the finger on each touch, below zero where the table has it; is changed */
    static void fromTheTable(List<Touch> touches, Side side, int[] wanted) {
        int from = 0;
        for (int i = 1; i <= touches.size(); i++) {
            if (i == touches.size() || !goesOn(touches, from, i)) {
                // Two steps do not go beyond an octave.
                if (i - from > TRIAD && touches.get(from).single()) {
                    tabled(
                            touches.subList(from, i).stream()
                                    .map(touch -> touch.keys().get(0))
                                    .toList(),
                            side,
                            wanted,
                            from);
                }
                from = i < touches.size() && i - 1 > from && goesOn(touches, i - 1, i) ? i - 1 : i;
            }
        }
    }

    /** By a third or a fourth, in the direction of those before. */
    private static boolean goesOn(List<Touch> touches, int from, int i) {
        if (!touches.get(i - 1).single() || !touches.get(i).single()) {
            return false;
        }
        int moved = touches.get(i).keys().get(0) - touches.get(i - 1).keys().get(0);
        int before = i - 1 > from
                ? touches.get(i - 1).keys().get(0) - touches.get(i - 2).keys().get(0)
                : moved;
        return Math.abs(moved) >= THIRD && Math.abs(moved) <= WIDEST && Integer.signum(moved) == Integer.signum(before);
    }

    private static void tabled(List<Integer> keys, Side side, int[] wanted, int from) {
        TreeSet<Integer> upwards = new TreeSet<>(keys);
        List<Integer> tones = upwards.stream()
                .map(key -> Math.floorMod(key, Pitch.OCTAVE))
                .distinct()
                .collect(Collectors.toList());
        if (tones.size() != TRIAD || upwards.last() - upwards.first() <= Pitch.OCTAVE) {
            return;
        }
        boolean right = side == Side.RIGHT;
        int thumb = thumb(tones, right);
        int index = tones.get(Math.floorMod(tones.indexOf(thumb) + (right ? 1 : -1), TRIAD));
        int third = tones.get(Math.floorMod(tones.indexOf(thumb) + (right ? 2 : -2), TRIAD));
        int beyond = Math.floorMod(right ? thumb - third : third - thumb, Pitch.OCTAVE);
        int ring = beyond >= FOURTH || !right && beyond > THIRD && Keyboard.isBlack(third) ? 3 : 4;
        int outer = right ? upwards.last() : upwards.first();
        int inner = right ? upwards.first() : upwards.last();
        for (int i = 0; i < keys.size(); i++) {
            int tone = Math.floorMod(keys.get(i), Pitch.OCTAVE);
            int finger = tone == thumb ? keys.get(i) == outer ? FingerSpans.FINGERS : 1 : tone == index ? 2 : ring;
            wanted[from + i] = keys.get(i) == inner && finger > 2 ? -2 : -finger;
        }
    }

    /** The lowest tone if it is white; else the first white one from the thumb's side. */
    private static int thumb(List<Integer> tones, boolean right) {
        if (!Keyboard.isBlack(tones.get(0))) {
            return tones.get(0);
        }
        List<Integer> white =
                tones.stream().filter(tone -> !Keyboard.isBlack(tone)).toList();
        return white.isEmpty() ? tones.get(0) : white.get(right ? 0 : white.size() - 1);
    }
}
