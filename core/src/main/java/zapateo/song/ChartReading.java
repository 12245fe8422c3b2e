package zapateo.song;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What came of reading a chart: the song, as long as one bar could be read, everything that was wrong with the text, in
 * its order, and where in the text its sections and bars stand.
 *
 * @param title as its heading says it, also where no bar could be read
 * @param bars as written, one for each written bar of the song
 * @param sections one for each written section
 * @param tunes lines of melody
 */
public record ChartReading(
        String title,
        Optional<Song> song,
        List<Problem> problems,
        List<BarPlace> bars,
        List<SectionPlace> sections,
        List<TuneLine> tunes) {

    public ChartReading {
        problems = problems.stream()
                .sorted(Comparator.comparingInt(Problem::line).thenComparingInt(Problem::column))
                .toList();
        bars = List.copyOf(bars);
        sections = List.copyOf(sections);
        tunes = List.copyOf(tunes);
    }

    /**
     * A line of melody in the text.
     *
     * @param firstBar the written bar its first cell is for, from 0
     * @param pass the time it is played, from 1
     */
    record TuneLine(int line, TuneNotation notation, int firstBar, int pass, List<Word> cells) {

        TuneLine {
            cells = List.copyOf(cells);
        }

        /** What stands for a written bar. */
        String typed(int bar) {
            int cell = bar - firstBar;
            return cell >= 0 && cell < cells.size() ? cells.get(cell).text().strip() : "";
        }
    }

    /**
     * A bar in the text.
     *
     * @param cell what stands between its bar lines, without the space round it
     * @param chords the word of each chord, {@code N.C.} too, in order; none under a %
     * @param barLine whether bar lines stand in its line of text
     */
    public record BarPlace(Word cell, List<Word> chords, boolean barLine) {

        public BarPlace {
            chords = List.copyOf(chords);
        }
    }

    /**
     * A section in the text.
     *
     * @param heading empty for the bars before the first heading
     */
    public record SectionPlace(Optional<Word> heading, int firstLine, int lastLine) {}
}
