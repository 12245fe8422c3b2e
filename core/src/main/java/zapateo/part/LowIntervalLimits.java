package zapateo.part;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import zapateo.pitch.Pitch;
import zapateo.rhythm.DataFile;

/** How low an interval may lie before it turns to mud; the table of {@code low-interval-limits.csv}. */
public final class LowIntervalLimits {

    private static final Map<Integer, Integer> LOWEST_BOTTOM = DataFile.text("part/low-interval-limits.csv")
            .lines()
            .filter(line -> !line.startsWith("#"))
            .map(line -> line.split(";"))
            .collect(Collectors.toUnmodifiableMap(
                    cells -> Integer.valueOf(cells[0]),
                    cells -> Pitch.parse(cells[1]).midi()));

    private static final int FIFTH = 7;
    private static final int C2 = 36;
    private static final int G1 = 31;

    private LowIntervalLimits() {}

    /** The lowest key an interval of so many semitones may stand on; empty for one that may lie anywhere. */
    public static Optional<Integer> of(int semitones) {
        return Optional.ofNullable(LOWEST_BOTTOM.get(semitones));
    }

    /**
     * Whether two keys of a chord that is struck together and held are mud on one piano bass: close intervals below
     * their limit, a fourth or tritone there with nothing a fifth or more below it, a sixth or seventh on a bass below
     * C2, an open fifth below G1 (common practice).
     *
     * @param low place of the lower one among the keys, low to high
     * @param fifthBelow whether something a fifth or more below it sounds
     */
    public static boolean isMud(int[] keys, int low, int high, boolean fifthBelow) {
        int interval = keys[high] - keys[low];
        boolean under = of(interval).filter(limit -> keys[low] < limit).isPresent();
        return switch (interval) {
            case 1, 2, 3, 4 -> under;
            case 5, 6 -> under && !fifthBelow;
            case 7 -> low == 0 && keys[low] < G1;
            case 8, 9, 10, 11 -> low == 0 && keys[low] < C2;
            default -> false;
        };
    }

    /**
     * How many pairs of such a chord are mud.
     *
     * @param bass the lowest key that sounds with it, its own or one below
     */
    public static int mud(int[] keys, int bass) {
        int count = 0;
        for (int low = 0; low < keys.length; low++) {
            for (int high = low + 1; high < keys.length; high++) {
                count += isMud(keys, low, high, keys[low] - bass >= FIFTH) ? 1 : 0;
            }
        }
        return count;
    }

    /** How many neighbouring notes of a chord that is struck together lie below their limit. */
    public static int broken(List<PartNote> notes) {
        int count = 0;
        for (int i = 1; i < notes.size(); i++) {
            int bottom = notes.get(i - 1).pitch().midi();
            Integer limit = LOWEST_BOTTOM.get(notes.get(i).pitch().midi() - bottom);
            count += limit != null && bottom < limit ? 1 : 0;
        }
        return count;
    }
}
