package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.lefthand.Played;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/**
 * Lines of a page: four bars each, a section begins one (HANDBOOK §12a); what may stand alone and where a page is
 * turned: common practice.
 */
class SheetLinesTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "8;4;4 4",
                "12;4;4 4 4",
                "6;4;4 2",
                "5;4;3 2",
                "9;4;4 3 2",
                "1;4;1",
                "3;2;2 1",
                "7;3;3 2 2",
                "4;8;4",
                "9;8;7 2"
            })
    void a_section_has_its_lines(int bars, int most, String lengths) {
        assertThat(SheetLines.lengths(bars, most).stream().map(String::valueOf).collect(Collectors.joining(" ")))
                .isEqualTo(lengths);
    }

    /** A pick-up takes no room from the four bars it leads into. */
    @Test
    void a_pick_up_stands_before_the_first_line() {
        Song song = IntStream.range(0, 400)
                .mapToObj(SeededCharts::full)
                .map(text -> ChartParser.parse(text).song().orElseThrow())
                .filter(each -> each.bars().get(0).written().isShort()
                        && each.sections().get(0).bars().size() > 6)
                .findFirst()
                .orElseThrow();
        SheetLines.Line first = SheetLines.of(Played.ARRANGER.arrange(song, Choices.figure("held"), Played.LARGE), 4)
                .lines()
                .get(0);
        assertThat(first.last()).isEqualTo(4);
    }

    @Test
    void each_section_begins_a_line() {
        Arrangement arrangement = Played.arrange(
                "[Verse]~| C | F | G | C | C | F |~[Bridge]~| Am | Dm | G | C |", Choices.figure("held"));
        List<SheetLines.Line> lines = SheetLines.of(arrangement, 4).lines();
        assertThat(lines).extracting(SheetLines.Line::first).containsExactly(0, 4, 6);
        assertThat(lines).extracting(SheetLines.Line::last).containsExactly(3, 5, 9);
        assertThat(lines).extracting(SheetLines.Line::section).containsExactly("Verse", "Verse", "Bridge");
        assertThat(lines).extracting(SheetLines.Line::opens).containsExactly(true, false, true);
        assertThat(lines).extracting(SheetLines.Line::closes).containsExactly(false, true, true);
    }

    /**
     * A hand that rests on the last beat turns; what is held over the bar line, or the section's last line left alone,
     * is a bad turn.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {"tumbao-with-chord;6", "held;2", "stop-time;2", "walking;2"})
    void a_turn_is_worse_where_something_is_held(String figure, int cost) {
        Arrangement arrangement =
                Played.arrange("Tempo: 120~| C | F | G | C | Am | Dm | G | C |", Choices.figure(figure));
        assertThat(SheetLines.of(arrangement, 4).lines().get(0).turn()).isEqualTo(cost);
    }

    @Test
    void the_lines_hold_every_bar_once() {
        for (int seed = 0; seed < 100; seed++) {
            Arrangement arrangement =
                    Played.ARRANGER.arrange(SeededCharts.song(seed), Choices.figure("held"), Played.LARGE);
            for (int most = 1; most <= 8; most++) {
                int next = 0;
                for (SheetLines.Line line : SheetLines.of(arrangement, most).lines()) {
                    assertThat(line.first()).as("seed %d", seed).isEqualTo(next);
                    assertThat(line.last() - line.first())
                            .isBetween(
                                    0,
                                    most
                                            - 1
                                            + (arrangement
                                                            .song()
                                                            .bars()
                                                            .get(line.first())
                                                            .written()
                                                            .isShort()
                                                    ? 1
                                                    : 0));
                    next = line.last() + 1;
                }
                assertThat(next)
                        .as("seed %d", seed)
                        .isEqualTo(arrangement.song().bars().size());
            }
        }
    }
}
