package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.BassPart;
import zapateo.arrangement.Choices;
import zapateo.arrangement.SongChoice;
import zapateo.lefthand.Played;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.song.Song;

/** What a bass player is given: common practice. Written an octave over what sounds: MusicXML 4.0, transpose. */
class BassPartTest {

    private static Arrangement part(String chart, String figure) {
        Song song = Played.song(chart);
        return Played.ARRANGER.arrange(
                song,
                BassPart.of(song, Choices.figure(figure).with(SongChoice.TAGS, 1), FigureBook.open()),
                Played.LARGE);
    }

    @ParameterizedTest(name = "{0} has {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "stride-tenths;Feel: swing~Tempo: 140~| C | A7 | Dm7 | G7 |;walking",
                "stride-tenths;Feel: swing~Tempo: 280~| C | A7 | Dm7 | G7 |;two-feel",
                "bossa-with-chords;Tempo: 130~| Dm7 | G7 | C | C |;bossa",
                "spread-eighths;Tempo: 80~| C | Am | F | G |;two-feel",
                "slow-waltz;Meter: 3/4~| C | Am | F | G |;two-feel",
                "walking;Meter: 5/4~| C | F |;held"
            })
    void the_line_goes_with_the_style(String figure, String chart, String line) {
        Arrangement arrangement = part(chart, figure);
        assertThat(arrangement.holding().get(0).heard().figure().id()).isEqualTo(line);
        assertThat(arrangement.right().strokes()).isEmpty();
        assertThat(arrangement.strokes()).allMatch(stroke -> stroke.notes().size() == 1);
        // The form is the song's own.
        assertThat(arrangement.song().bars().size())
                .isEqualTo(2 * Played.song(chart).bars().size());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "stride-tenths;Feel: swing~Tempo: 140~| C | A7 | Dm7 | G7 |",
                "held;Meter: 3/4~| E♭ | B♭7 | A♭m | F♯°7 |"
            })
    void it_is_written_an_octave_over_what_sounds(String figure, String chart) {
        Arrangement arrangement = part(chart, figure);
        String page = new String(BassPartWriter.write(arrangement), StandardCharsets.UTF_8);
        assertThat(page).contains("<octave-change>-1</octave-change>").containsOnlyOnce("<octave-change>");
        String written = java.util.regex.Pattern.compile("<octave>(\\d)</octave>")
                .matcher(page)
                .results()
                .map(match -> match.group(1))
                .collect(Collectors.joining());
        String sounding = arrangement.strokes().stream()
                .map(Stroke::lowest)
                .map(pitch -> pitch.toString().replaceAll(".*?(\\d)$", "$1"))
                .map(octave -> String.valueOf(Integer.parseInt(octave) + 1))
                .collect(Collectors.joining());
        assertThat(written.replaceAll("(.)\\1*", "$1")).isEqualTo(sounding.replaceAll("(.)\\1*", "$1"));
    }
}
