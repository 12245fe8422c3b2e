package zapateo.part;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import zapateo.pitch.Pitch;
import zapateo.rhythm.DataFile;

/** How low an interval may lie before it turns to mud; the table of {@code low-interval-limits.csv}. */
public final class LowIntervalLimits {

    private static final Map<Integer, Integer> LOWEST_BOTTOM = DataFile.text("part/low-interval-limits.csv").lines()
            .filter(line -> !line.startsWith("#")).map(line -> line.split(";"))
            .collect(Collectors.toUnmodifiableMap(cells -> Integer.valueOf(cells[0]), cells -> Pitch.parse(cells[1]).midi()));

    private LowIntervalLimits() {
    }

    /** The lowest key an interval of so many semitones may stand on; empty for one that may lie anywhere. */
    public static Optional<Integer> of(int semitones) {
        return Optional.ofNullable(LOWEST_BOTTOM.get(semitones));
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
