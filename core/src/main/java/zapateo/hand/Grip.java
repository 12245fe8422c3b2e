package zapateo.hand;

import java.util.ArrayList;
import java.util.List;

/** Which fingers can take keys that are struck together: one key each, in the order of the hand. */
final class Grip {

    private static final List<List<int[]>> BY_COUNT =
            List.of(choose(0), choose(1), choose(2), choose(3), choose(4), choose(5));

    /** How a hand stands to two keys with two of its fingers. */
    interface Pairs {
        Ease easeOf(int finger, int otherFinger, int key, int otherKey);
    }

    private Grip() {}

    /**
     * Every way to take so many keys, thumb side first; none where there are more keys than fingers.
     *
     * @return fingers in rising order
     */
    static List<int[]> of(int keys) {
        return keys < BY_COUNT.size() ? BY_COUNT.get(keys) : List.of();
    }

    /**
     * How the hand stands to the keys with the fingers that suit them best. The order of the fingers is the same for
     * both hands mirrored.
     */
    static Ease easiest(Pairs hand, int[] keys) {
        Ease best = Ease.OUT_OF_REACH;
        for (int[] fingers : of(keys.length)) {
            Ease left = easeOf(hand, keys, fingers, true);
            best = left.compareTo(best) < 0 ? left : best;
            if (best == Ease.COMFORTABLE) {
                return best;
            }
        }
        return best;
    }

    /**
     * How the hand stands to the keys, low to high, with these fingers.
     *
     * @param left whether the little finger has the lowest key
     */
    static Ease easeOf(Pairs hand, int[] keys, int[] fingers, boolean left) {
        Ease worst = Ease.COMFORTABLE;
        int last = keys.length - 1;
        for (int i = 0; i < last; i++) {
            for (int j = i + 1; j <= last; j++) {
                Ease ease = hand.easeOf(fingers[left ? last - i : i], fingers[left ? last - j : j], keys[i], keys[j]);
                worst = ease.compareTo(worst) > 0 ? ease : worst;
            }
        }
        return worst;
    }

    private static List<int[]> choose(int count) {
        List<int[]> all = new ArrayList<>();
        for (int mask = 0; mask < 1 << FingerSpans.FINGERS; mask++) {
            if (Integer.bitCount(mask) == count) {
                int[] fingers = new int[count];
                int at = 0;
                for (int finger = 1; finger <= FingerSpans.FINGERS; finger++) {
                    if ((mask & 1 << finger - 1) != 0) {
                        fingers[at++] = finger;
                    }
                }
                all.add(fingers);
            }
        }
        return List.copyOf(all);
    }
}
