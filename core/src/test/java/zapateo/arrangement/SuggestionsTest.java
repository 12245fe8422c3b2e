package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.lefthand.Played.song;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.song.SeededCharts;

/** Which figures a pianist would try first: common practice, after the families of HANDBOOK §7. */
class SuggestionsTest {

    private static final List<Figure> BOOK = FigureBook.open().figures();

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "Key: G~Meter: 3/4~Tempo: 138~G % D/F♯ Em C Am7 D7 G; waltz",
                "Key: B♭~Feel: swing~Tempo: 150~B♭6 Gm7 Cm7 F7 B♭6 Gm7 Cm7 F7; swing",
                "Key: A♭~Feel: swing~Tempo: 132~A♭6 Fm7 B♭7 E♭7 A♭6 C7 F7 B♭7; stride",
                "Key: F~Feel: shuffle~Tempo: 112~F7 B♭7 F7 F7 B♭7 B♭7 F7 F7 C7 B♭7 F7 C7; shuffle",
                "Key: Dm~Tempo: 104~Dm Gm A7 Dm B♭ Gm A7 Dm; rumba",
                "Key: Em~Meter: 6/8~Tempo: 58~Em Am D G C Am B7 Em; arpeggio",
                "Key: C~Meter: 2/4~Tempo: 112~C G C F C G C C; march",
                "Key: D~Meter: 7/8~Tempo: 110~D C G D; lilt",
                "Key: C~Meter: 5/4~Tempo: 150~C Am F G; waltz",
                "Key: B♭~Tempo: 66~B♭ E♭ F B♭ Gm Cm F B♭; gospel"
            })
    void the_family_is_among_the_first_five(String chart, String family) {
        List<Suggestions.Suggestion> five = Suggestions.of(song(chart), BOOK, 5);
        assertThat(five)
                .hasSize(5)
                .extracting(each -> each.figure().family())
                .contains(family)
                .doesNotHaveDuplicates();
        assertThat(five).isSortedAccordingTo((one, other) -> Double.compare(other.score(), one.score()));
    }

    @Test
    void every_suggestion_has_its_reasons_and_nothing_that_does_not_fit_comes_first() {
        for (int seed = 0; seed < 100; seed++) {
            List<Suggestions.Suggestion> five = Suggestions.of(SeededCharts.song(seed), BOOK, 5);
            assertThat(five)
                    .hasSize(5)
                    .allSatisfy(each -> assertThat(each.reasons()).hasSizeGreaterThanOrEqualTo(4));
            assertThat(five.get(0).reasons().stream()
                            .filter(reason -> reason.code().endsWith("-against"))
                            .count())
                    .as("seed " + seed)
                    .isLessThanOrEqualTo(2);
        }
    }

    @Test
    void a_waltz_does_not_fit_a_march_and_a_walking_bass_no_hymn() {
        assertThat(Suggestions.fit(song("Meter: 2/4~C F"), figure("three-four-eighths"))
                        .score())
                .isLessThan(
                        Suggestions.fit(song("Meter: 2/4~C F"), figure("march")).score());
        assertThat(Suggestions.fit(song("Tempo: 60~C F"), figure("walking")).reasons())
                .anyMatch(reason -> reason.code().equals("suits-tempo-against"));
    }

    private static Figure figure(String id) {
        return FigureBook.open().figure(id).orElseThrow();
    }
}
