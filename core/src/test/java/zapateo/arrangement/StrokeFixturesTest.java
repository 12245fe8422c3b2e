package zapateo.arrangement;

import java.io.IOException;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.song.Song;

/**
 * No note of any arrangement changes unseen. Where a change is meant, {@code -Dstrokes.write=true} writes the hashes
 * anew; {@link StrokeListing} shows what differs.
 */
class StrokeFixturesTest {

    @Test
    void every_figure_plays_the_songs_as_before() throws IOException {
        AsBefore.expect(
                "strokes",
                songs().toList(),
                "songs and figures whose strokes changed: see StrokeListing for how to look at the difference");
    }

    private static Stream<String> songs() throws IOException {
        Map<String, Song> songs = StrokeListing.songs();
        return songs.entrySet().stream()
                .flatMap(song -> FigureBook.open().figures().stream()
                        .map(figure -> row(song.getKey(), song.getValue(), figure)));
    }

    private static String row(String name, Song song, Figure figure) {
        return name + "," + figure.id() + "," + StrokeListing.hash(name, song, figure);
    }
}
