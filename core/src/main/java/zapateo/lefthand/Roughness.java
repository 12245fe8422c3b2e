package zapateo.lefthand;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import zapateo.part.PartNote;

/**
 * How much the partials of tones struck together rub against each other (Sethares 1993, with the smaller amplitude as
 * the weight, as in his book of 1998): six partials of each tone, each 0.88 of the one before; a tone's rubbing against
 * itself is left out, the sum is divided by the pairs of tones, and C4 E4 G4 is the measure.
 */
public final class Roughness {

    private static final int PARTIALS = 6;
    private static final double FALL = 0.88;
    private static final double NEAR = 3.51;
    private static final double FAR = 5.75;
    private static final double S1 = 0.0207;
    private static final double S2 = 18.96;
    private static final double WIDEST = 0.24;
    private static final int MOST_KNOWN = 20_000;
    private static final double MEASURE = raw(new int[] {60, 64, 67});
    private static final Map<List<Integer>, Double> KNOWN = new ConcurrentHashMap<>();

    private Roughness() {}

    /** Times as rough as C4 E4 G4; nothing for one tone. */
    public static double of(int... keys) {
        return keys.length < 2 ? 0 : raw(keys) / MEASURE;
    }

    /** By how much a chord is rougher than the measure; nothing for one that is not. */
    static double over(List<PartNote> notes) {
        if (notes.size() < 2) {
            return 0;
        }
        List<Integer> keys = notes.stream().map(note -> note.pitch().midi()).toList();
        Double known = KNOWN.get(keys);
        if (known == null) {
            known = Math.max(0, of(keys.stream().mapToInt(each -> each).toArray()) - 1);
            if (KNOWN.size() < MOST_KNOWN) {
                KNOWN.put(keys, known);
            }
        }
        return known;
    }

    private static double raw(int[] keys) {
        double sum = 0;
        for (int low = 0; low < keys.length; low++) {
            for (int high = low + 1; high < keys.length; high++) {
                sum += between(frequency(keys[low]), frequency(keys[high]));
            }
        }
        return sum / (keys.length * (keys.length - 1) / 2.0);
    }

    private static double between(double one, double other) {
        double sum = 0;
        for (int i = 1; i <= PARTIALS; i++) {
            for (int j = 1; j <= PARTIALS; j++) {
                double low = Math.min(one * i, other * j);
                double apart = Math.abs(one * i - other * j);
                double s = WIDEST / (S1 * low + S2);
                sum += Math.min(Math.pow(FALL, i - 1), Math.pow(FALL, j - 1))
                        * (Math.exp(-NEAR * s * apart) - Math.exp(-FAR * s * apart));
            }
        }
        return sum;
    }

    private static double frequency(int key) {
        return 440 * Math.pow(2, (key - 69) / 12.0);
    }
}
