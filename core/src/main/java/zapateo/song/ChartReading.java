package zapateo.song;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** What came of reading a chart: the song, as long as one bar could be read, and everything that was wrong with the text, in its order. */
public record ChartReading(Optional<Song> song, List<Problem> problems) {

    public ChartReading {
        problems = problems.stream().sorted(Comparator.comparingInt(Problem::line).thenComparingInt(Problem::column)).toList();
    }
}
