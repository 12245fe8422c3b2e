package zapateo.server.songs;

import java.util.List;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * What the repertoire shows of a chart; what that does not tell is empty or 0.
 *
 * @param format which of the ways to sum up a chart it was made by; another one is made anew
 * @param bars how many are written
 */
record Summary(
        int format, String key, String meter, double bpm, int beatTicks, String feel, int bars, List<String> sections) {

    /** Counted up whenever a chart could be summed up otherwise. */
    private static final int FORMAT = 1;

    static Summary of(String chart) {
        return ChartParser.parse(chart)
                .song()
                .map(Summary::of)
                .orElseGet(() -> new Summary(FORMAT, "", "", 0, 0, "", 0, List.of()));
    }

    private static Summary of(Song song) {
        return new Summary(
                FORMAT,
                song.key().toString(),
                song.meter().toString(),
                song.tempo().bpm(),
                song.tempo().beatTicks(),
                song.feel().id(),
                song.writtenBars().size(),
                song.written().stream()
                        .map(section -> section.name())
                        .filter(name -> !name.isEmpty())
                        .toList());
    }

    boolean isOfToday() {
        return format == FORMAT;
    }
}
