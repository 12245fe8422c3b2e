package zapateo.song;

import java.util.List;
import java.util.Optional;

/** What came of reading a chart: the song, as long as one bar could be read, and everything that was wrong with the text. */
public record ChartReading(Optional<Song> song, List<Problem> problems) {

    public ChartReading {
        problems = List.copyOf(problems);
    }
}
