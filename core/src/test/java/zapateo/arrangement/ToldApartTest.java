package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.lefthand.Played.song;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.part.Reason;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** What sets figures apart on a song: what a pianist would say of them, common practice. */
class ToldApartTest {

    private static final FigureBook BOOK = FigureBook.open();

    @ParameterizedTest(name = "of {0}, {1} is told by {2}")
    @CsvSource({
        "held spread-eighths stride-root-chord, held, apart-pace-most",
        "held spread-eighths stride-root-chord, spread-eighths, apart-single",
        "pulse-quarters walking stride-tenths, stride-tenths, apart-reach-most",
        "held pulse-quarters sixteenth-circle, sixteenth-circle, apart-pace-least"
    })
    void a_figure_is_told_by_what_it_is_the_most_of(String figures, String which, String code) {
        List<Figure> all =
                Stream.of(figures.split(" ")).map(ToldApartTest::figure).toList();
        List<Reason> said =
                said(song("Key: F~Tempo: 100~F Dm Gm7 C7"), all, Pianist.USUAL).get(all.indexOf(figure(which)));
        assertThat(said).extracting(Reason::code).contains(code);
    }

    @Test
    void each_of_the_suggested_is_told_apart_on_every_song() {
        for (int seed = 0; seed < 40; seed++) {
            Song song = SeededCharts.song(seed);
            List<Figure> five = Suggestions.of(song, BOOK.figures(), 5).stream()
                    .map(Suggestions.Suggestion::figure)
                    .toList();
            List<List<Reason>> said = said(song, five, Pianist.USUAL);
            assertThat(said)
                    .as("seed " + seed)
                    .hasSize(5)
                    .allSatisfy(each -> assertThat(each).hasSizeBetween(1, 2));
            assertThat(new HashSet<>(said)).as("seed " + seed).hasSize(5);
        }
    }

    @Test
    void a_grip_is_measured_in_the_hand_that_plays_it() {
        List<Figure> two = List.of(figure("held"), figure("stride-root-chord"));
        Song song = song("Key: C~Tempo: 90~C Am Dm G");
        List<String> small = spans(said(song, two, Pianist.of(Hand.of(160))));
        List<String> large = spans(said(song, two, Pianist.of(Hand.of(230))));
        assertThat(small).isNotEmpty().containsOnly("160");
        assertThat(large).isNotEmpty().containsOnly("230");
    }

    @Test
    void at_a_level_what_sounds_there_is_measured() {
        List<Figure> two = List.of(figure("held"), figure("sixteenth-circle"));
        Song song = song("Key: C~Tempo: 80~C Am Dm G");
        assertThat(said(song, two, Pianist.USUAL).get(1))
                .extracting(Reason::code)
                .contains("apart-pace-least");
        List<List<Reason>> easiest = ToldApart.of(new Arranger(BOOK), song, two, Optional.of(1), Pianist.USUAL);
        assertThat(easiest).isNotEqualTo(said(song, two, Pianist.USUAL));
    }

    @Test
    void where_they_sound_alike_that_is_said_and_where_nothing_sounds_nothing() {
        List<Figure> two = List.of(figure("held"), figure("spread-eighths"), figure("sixteenth-circle"));
        List<List<Reason>> easiest = ToldApart.of(
                new Arranger(BOOK), song("Key: C~Tempo: 60~C Am Dm G"), two, Optional.of(1), Pianist.USUAL);
        assertThat(easiest)
                .flatExtracting(each -> each)
                .extracting(Reason::code)
                .contains("apart-same");
        assertThat(said(song("N.C. N.C."), two, Pianist.USUAL)).allMatch(List::isEmpty);
    }

    @Test
    void of_one_figure_and_of_an_endless_section_nothing_is_said() {
        assertThat(said(song("C F"), List.of(figure("held")), Pianist.USUAL)).containsExactly(List.of());
        Song endless = song(
                String.join(" ", IntStream.range(0, 201).mapToObj(bar -> "C").toList()));
        assertThat(said(endless, List.of(figure("held"), figure("stride-root-chord")), Pianist.USUAL))
                .containsExactly(List.of(), List.of());
    }

    private static List<String> spans(List<List<Reason>> said) {
        return said.stream()
                .flatMap(List::stream)
                .map(reason -> reason.args().get("span"))
                .distinct()
                .toList();
    }

    private static List<List<Reason>> said(Song song, List<Figure> figures, Pianist pianist) {
        return ToldApart.of(new Arranger(BOOK), song, figures, Optional.empty(), pianist);
    }

    private static Figure figure(String id) {
        return BOOK.figure(id).orElseThrow();
    }
}
