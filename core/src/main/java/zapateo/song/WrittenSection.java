package zapateo.song;

import java.util.List;
import java.util.Optional;

/**
 * A run of bars under one name as it is read; the bars before the first heading have the empty name.
 *
 * @param bars as written; of a section played again, those that take the place of its last ones, often none
 * @param again the place of the section that is played once more
 * @param part whether the chart has it, or the form adds it
 */
public record WrittenSection(String name, List<WrittenBar> bars, Optional<Integer> again, SongPart part) {

    public WrittenSection {
        bars = List.copyOf(bars);
    }

    public WrittenSection(String name, List<WrittenBar> bars, Optional<Integer> again) {
        this(name, bars, again, SongPart.CHART);
    }

    public static WrittenSection of(String name, List<WrittenBar> bars) {
        return new WrittenSection(name, bars, Optional.empty());
    }

    public static WrittenSection of(SongPart part, String name, List<WrittenBar> bars) {
        return new WrittenSection(name, bars, Optional.empty(), part);
    }
}
