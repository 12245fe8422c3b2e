package zapateo.rhythm;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A figure thinned to what its style is. Source: HANDBOOK §7a, reductions of a figure; common practice. */
class ReductionTest {

    private static final FigureBook BOOK = FigureBook.open();

    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource({
        "tumbao-with-chord, BASSES, 1@0:960 5_@1440:960 >1@2880:1920",
        "stride-root-chord, SHELLS, 1@0:960 s@960:960 5_@1920:960 s@2880:960",
        "stride-root-chord, FIRST_CHORD, 1@0:960 c@960:960 5_@1920:960",
        "bossa-with-chords, FIRST_CHORD, 1@0:960 c@1440:480! 5_@1920:960",
        "charleston, ONE_KEY, 1@0:1440 1@1440:2400",
        "spread-eighths, BEATS, 1@0:960 10@960:960 1@1920:960 10@2880:960",
        "walking, STRONG_AND_LAST, w@0:1920 w@1920:960 w@2880:960",
        "bossa, UNPUSHED, 1@0:1440 5_@1440:480 5_@1920:1440"
    })
    void what_is_left_keeps_the_rhythm(String figure, Reduction reduction, String strokes) {
        assertThat(reduced(figure, reduction)
                        .map(each -> each.bar(Meter.COMMON, 0).stream()
                                .map(FigureStroke::toString)
                                .collect(Collectors.joining(" "))))
                .contains(strokes);
    }

    /** Basses on 1 and 3 are no style, nor is a push that stands on the beat. */
    @ParameterizedTest(name = "{0} {1}")
    @CsvSource({
        "stride-root-chord, BASSES",
        "bossa, BEATS",
        "spread-eighths, FIRST_CHORD",
        "walking, BEATS",
        "held, SHELLS",
        "stride-root-chord, ONE_KEY"
    })
    void what_would_be_no_figure_any_more_is_none(String figure, Reduction reduction) {
        assertThat(reduced(figure, reduction)).isEmpty();
    }

    @Test
    void a_thinned_figure_keeps_its_name_and_its_metres() {
        for (Figure figure : BOOK.figures()) {
            for (Reduction reduction : Reduction.values()) {
                reduction.of(figure).ifPresent(thinned -> {
                    assertThat(thinned.id()).isEqualTo(figure.id());
                    assertThat(thinned.family()).isEqualTo(figure.family());
                    assertThat(thinned.bars().keySet()).isEqualTo(figure.bars().keySet());
                    assertThat(thinned.variations()).isEmpty();
                    thinned.bars().forEach((meter, bars) -> {
                        for (int nth = 0; nth < bars.size(); nth++) {
                            assertThat(bars.get(nth))
                                    .isNotEmpty()
                                    .hasSizeLessThanOrEqualTo(
                                            figure.bars().get(meter).get(nth).size());
                        }
                    });
                });
            }
        }
    }

    private static Optional<Figure> reduced(String figure, Reduction reduction) {
        return reduction.of(BOOK.figure(figure).orElseThrow());
    }
}
