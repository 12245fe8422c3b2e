package zapateo.format;

import java.util.List;
import java.util.Optional;
import zapateo.song.Problem;
import zapateo.song.Song;

/**
 * What came of reading a file: the song as far as it could be understood, and everything that could not, with its
 * place.
 *
 * @param format what the content was taken for
 * @param tracks of a MIDI file the tracks that hold notes, for the melody and the chords to be chosen from; empty for
 *     others
 */
public record FileReading(FileFormat format, Optional<Song> song, List<Problem> problems, List<Track> tracks) {

    public FileReading {
        // What says nothing at all still says that; a reader that lost its place names the first.
        problems = song.isEmpty() && problems.isEmpty()
                ? List.of(new Problem(Problem.Severity.ERROR, "file-empty", 1, 1, 0, "", "one bar at least"))
                : problems.stream()
                        .map(each -> new Problem(
                                each.severity(),
                                each.code(),
                                Math.max(1, each.line()),
                                Math.max(1, each.column()),
                                each.length(),
                                each.found(),
                                each.expected()))
                        .toList();
        tracks = List.copyOf(tracks);
    }

    static FileReading of(FileFormat format, Optional<Song> song, List<Problem> problems) {
        return new FileReading(format, song, problems, List.of());
    }

    static FileReading refused(FileFormat format, String code, int line, int column, String found, String expected) {
        return of(
                format,
                Optional.empty(),
                List.of(new Problem(Problem.Severity.ERROR, code, line, column, 0, found, expected)));
    }

    /**
     * A track of a MIDI file.
     *
     * @param number from 1
     * @param notes how many it holds
     * @param chordal whether most of its notes sound together
     */
    public record Track(int number, String name, int notes, boolean chordal) {}
}
