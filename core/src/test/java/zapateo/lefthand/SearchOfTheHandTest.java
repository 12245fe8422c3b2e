package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.part.Reason;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureFile;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** The exact search on real songs: against every way there is, and what a second best would cost. */
class SearchOfTheHandTest {

    private static final int MOST_WAYS = 200_000;

    static IntStream seeds() {
        return IntStream.range(0, 100);
    }

    /** A hundred seeded songs cut so short that every way can be tried. */
    @ParameterizedTest
    @MethodSource("seeds")
    void no_way_is_cheaper(int seed) {
        String figure = List.of("stride-root-chord", "spread-eighths", "held", "nearest-inversions", "two-feel")
                .get(seed % 5);
        Realised realised = Played.ARRANGER
                .arrange(SeededCharts.song(seed), Choices.figure(figure), Played.LARGE)
                .laid();
        List<List<Candidate>> layers = new ArrayList<>();
        long ways = 1;
        for (List<Candidate> layer : realised.layers()) {
            if (ways * layer.size() > MOST_WAYS) {
                break;
            }
            ways *= layer.size();
            layers.add(layer);
        }
        List<CostTerm<Candidate>> terms = PlaceCosts.of(Weights.USUAL, false);
        assertThat(ShortestPath.through(layers, terms).total())
                .isCloseTo(cheapest(layers, terms, 0, null, 0), within(1e-6));
    }

    /** Every way from a layer on, none left out. */
    private static double cheapest(
            List<List<Candidate>> layers, List<CostTerm<Candidate>> terms, int layer, Candidate before, double sum) {
        if (layer == layers.size()) {
            return sum;
        }
        double best = Double.POSITIVE_INFINITY;
        for (Candidate each : layers.get(layer)) {
            double cost = 0;
            for (CostTerm<Candidate> term : terms) {
                cost += term.weight()
                        * (term.own().applyAsDouble(each)
                                + (before == null ? 0 : term.step().applyAsDouble(before, each)));
            }
            best = Math.min(best, cheapest(layers, terms, layer + 1, each, sum + cost));
        }
        return best;
    }

    @Test
    void the_chosen_way_is_the_first_of_all_and_the_others_say_what_they_cost_more() {
        Arrangement arrangement = Played.arrange("Key: C~C Am F G", Choices.figure("stride-root-chord"));
        List<Realised.Way> ways = arrangement.laid().ways(1, 2);
        assertThat(ways).hasSize(3);
        assertThat(ways.get(0).total()).isCloseTo(arrangement.laid().cost(), within(1e-9));
        assertThat(ways.get(0).here()).isEmpty();
        assertThat(ways.get(0).bass())
                .contains(arrangement.left().strokes().stream()
                        .filter(stroke -> stroke.bar() == 1)
                        .findFirst()
                        .orElseThrow()
                        .lowest());
        for (Realised.Way other : ways.subList(1, 3)) {
            assertThat(other.here().values().stream().mapToDouble(each -> each).sum())
                    .isCloseTo(other.total() - ways.get(0).total(), within(1e-6))
                    .isNotNegative();
        }
    }

    @Test
    void costs_add_up_by_name() {
        Song song = SeededCharts.song(5);
        Realised realised = Played.ARRANGER
                .arrange(song, Choices.figure("stride-root-chord"), Played.LARGE)
                .laid();
        assertThat(realised.costs().values().stream().mapToDouble(each -> each).sum())
                .isCloseTo(realised.cost(), within(1e-6));
        assertThat(Weights.all())
                .extracting(Weights.Cost::id)
                .containsAll(realised.costs().keySet());
    }

    /** What no hand can do, or what says nothing, is refused with its reason. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "1+17@0:960; figure-too-wide",
                "~1+17@0:960; ",
                "1+3+5+8+10+12@0:960; figure-too-many",
                "v@0:960; figure-without-voicing",
                "c@0:960 s@960:960; figure-two-chords",
                "w+5@0:960; figure-not-alone",
                "R:w@0:960; figure-left-only",
                ">1@0:960; figure-early-at-start",
                "1@0:960 5@960:960; "
            })
    void a_figure_that_cannot_be_played(String strokes, String code) {
        String file = FigureFile.write(FigureBook.open().figure("two-feel").orElseThrow())
                .replaceAll("(?s)bars:\n.*", "bars:\n  4/4: \"" + strokes + "\"\n");
        Figure figure = FigureFile.parse("mine.yaml", file);
        assertThat(FigureCheck.of(figure)).extracting(Reason::code).isEqualTo(code == null ? List.of() : List.of(code));
    }

    @Test
    void names_that_there_are_not_are_told_with_those_there_are() {
        String file = FigureFile.write(FigureBook.open().figure("held").orElseThrow())
                .replace("\"spread\"", "\"wide\"")
                .replace("spacing: \"open\"", "spacing: \"shut\"");
        assertThat(FigureCheck.of(FigureFile.parse("mine.yaml", file)))
                .extracting(reason -> reason.args().get("found"))
                .containsExactly("wide", "shut");
    }

    @Test
    void every_figure_of_the_book_can_be_played() {
        assertThat(FigureBook.open().figures())
                .allSatisfy(figure ->
                        assertThat(FigureCheck.of(figure)).as(figure.id()).isEmpty());
    }
}
