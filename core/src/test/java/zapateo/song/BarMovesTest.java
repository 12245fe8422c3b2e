package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where bars went. */
class BarMovesTest {

    private static String said(BarMoves moves) {
        return moves.places().stream()
                .map(place -> place.map(String::valueOf).orElse("-"))
                .collect(Collectors.joining(" "));
    }

    private static List<WrittenBar> bars(String chart) {
        return ChartParser.parse(chart).song().orElseThrow().writtenBars();
    }

    @Test
    void of_a_change_on_the_sheet_every_bar_is_known() {
        assertThat(said(BarMoves.inserted(4, 2, 1))).isEqualTo("0 1 3 4");
        assertThat(said(BarMoves.deleted(5, 1, 2))).isEqualTo("0 - - 1 2");
        assertThat(said(BarMoves.moved(5, 0, 1, 4))).isEqualTo("2 3 0 1 4");
        assertThat(said(BarMoves.moved(5, 3, 4, 1))).isEqualTo("0 3 4 1 2");
        assertThat(said(BarMoves.moved(3, 2, 2, 0))).isEqualTo("1 2 0");
    }

    @ParameterizedTest(name = "{0} -> {1}: {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "| C | F | G |;| C | F | G |;0 1 2", "| C | F | G |;| C | Am | F | G |;0 2 3",
                        "| C | F | G |;| C | G |;0 - 1", "| C | F | G |;| C | Dm | G |;0 1 2",
                "| C | F | G |;| C | Dm | Em | G |;0 1 3", "| C | F | G |;| Am | C | F | G |;1 2 3",
                        "| C | F | G |;| C | F |;0 1 -", "| C | C | C |;| C | C |;0 1 -"
            })
    void of_a_text_that_was_typed_what_is_alike_stays_with_its_bar(String before, String after, String places) {
        assertThat(said(BarMoves.between(bars(before), bars(after)))).isEqualTo(places);
    }

    @Test
    void numbers_are_those_of_the_chart_and_only_what_has_another_is_named() {
        List<WrittenBar> before = bars("| (pickup 1) N.C. | C | F | G |");
        List<WrittenBar> after = bars("| (pickup 1) N.C. | C | Am | F |");
        assertThat(BarMoves.inserted(4, 2, 1).byNumber(before, after).stream()
                        .map(move -> move.from() + ">"
                                + move.to().map(String::valueOf).orElse("-")))
                .containsExactly("2>3", "3>-");
    }

    /**
     * What ChartEdit does with bars is what is told of it: in 200 charts of bars that are all different, each is found
     * where it is said to be.
     */
    @Test
    void what_is_told_is_what_was_done() {
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            int count = 3 + random.nextInt(6);
            List<String> names =
                    new java.util.ArrayList<>(List.of("C", "Dm", "Em", "F", "G7", "Am", "B♭", "E♭6", "A♭maj7"));
            java.util.Collections.shuffle(names, random);
            String chart = "| " + String.join(" | ", names.subList(0, count)) + " |";
            int from = random.nextInt(count - 1);
            int to = Math.min(count - 2, from + random.nextInt(2));
            int before = random.nextInt(count + 1);
            boolean outside = before < from || before > to + 1;
            ChartEdit edit = ChartEdit.of(chart);
            check(seed, chart, edit.delete(from, to), BarMoves.deleted(count, from, to));
            check(seed, chart, edit.insert(before, "Gm | Cm"), BarMoves.inserted(count, before, 2));
            check(seed, chart, edit.copy(from, to, before), BarMoves.inserted(count, before, to - from + 1));
            if (outside) {
                check(seed, chart, edit.move(from, to, before), BarMoves.moved(count, from, to, before));
            }
        }
    }

    private static void check(int seed, String before, String after, BarMoves moves) {
        List<WrittenBar> was = bars(before);
        List<WrittenBar> is = bars(after);
        for (int bar = 0; bar < was.size(); bar++) {
            int here = bar;
            moves.places()
                    .get(bar)
                    .ifPresent(place -> assertThat(is.get(place).chords())
                            .as("seed %d, bar %d: %s to %s", seed, here, before, after)
                            .isEqualTo(was.get(here).chords()));
        }
        assertThat(moves.places().stream()
                        .filter(java.util.Optional::isPresent)
                        .distinct()
                        .count())
                .as("seed %d", seed)
                .isEqualTo(moves.places().stream()
                        .filter(java.util.Optional::isPresent)
                        .count());
    }
}
