package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** Whatever metre a song has, a bar of a sixteenth among them, every figure of either hand has something to play. */
class EveryMetreTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    static Stream<String> metres() {
        return Stream.of(2, 4, 8, 16)
                .flatMap(unit -> IntStream.rangeClosed(1, 16).mapToObj(count -> count + "/" + unit));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("metres")
    void every_figure_is_played_in_it(String metre) {
        Song song = ChartParser.parse("Key: F\nTempo: 100\nMeter: " + metre + "\n| F | Gm7 C7 | Dm7 |")
                .song()
                .orElseThrow();
        List<Choices> all = new ArrayList<>();
        FigureBook.open().figures().stream()
                .map(Figure::id)
                .map(Choices::figure)
                .forEach(all::add);
        FigureBook.ofTheRightHand().figures().stream()
                .map(figure -> Choices.figure("held")
                        .right(RightHand.of(RightChoices.Style.COMPING).with(RightChoice.FIGURE, figure.id())))
                .forEach(all::add);
        assertThat(all).allSatisfy(choices -> {
            List<Stroke> strokes =
                    ARRANGER.arrange(song, choices, Pianist.USUAL).strokes();
            assertThat(strokes).isNotEmpty().allMatch(stroke -> stroke.written().ticks() > 0);
        });
    }
}
