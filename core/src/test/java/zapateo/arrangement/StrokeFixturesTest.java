package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.song.Song;

/** No note of any arrangement changes unseen. Where a change is meant, {@code -Dstrokes.write=true} writes the hashes anew; {@link StrokeListing} shows what differs. */
class StrokeFixturesTest {

    private static final Path HASHES = Path.of("src/test/resources/zapateo/strokes.csv");

    @Test
    void every_figure_plays_the_songs_as_before() throws IOException {
        List<String> now = songs().toList();
        if (Boolean.getBoolean("strokes.write")) {
            Files.write(HASHES, now);
        }
        TreeSet<String> changed = new TreeSet<>(now);
        Files.readAllLines(HASHES).forEach(changed::remove);
        assertThat(changed).as("songs and figures whose strokes changed: see StrokeListing for how to look at the difference").isEmpty();
        assertThat(now).hasSameSizeAs(Files.readAllLines(HASHES));
    }

    private static Stream<String> songs() throws IOException {
        Map<String, Song> songs = StrokeListing.songs();
        return songs.entrySet().stream().flatMap(song -> FigureBook.open().figures().stream().map(figure -> row(song.getKey(), song.getValue(), figure)));
    }

    private static String row(String name, Song song, Figure figure) {
        return name + "," + figure.id() + "," + StrokeListing.hash(name, song, figure);
    }
}
