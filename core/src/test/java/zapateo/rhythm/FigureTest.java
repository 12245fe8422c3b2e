package zapateo.rhythm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.refusal.Refused;

class FigureTest {

    private static final FigureBook BOOK = FigureBook.open();
    private static final String GOOD = """
            id: test
            name: Test
            family: pulse
            use: For a test.
            feel: straight
            level: 1
            tempo: 60-120
            spacing: open
            register: deep
            voicings: []
            pedal: yes
            bars:
              4/4: 1@0:960 5@960:*
            """;

    @Test
    void the_first_five_figures_are_in_the_book_by_their_promised_names() {
        assertThat(BOOK.figures())
                .extracting(Figure::id)
                .startsWith("held", "pulse-quarters", "low-high-middle-high", "spread-eighths", "bass-and-two");
    }

    @Test
    void a_waltz_takes_the_fifth_below_in_a_second_bar_of_the_same_chord() {
        Meter three = Meter.parse("3/4");
        assertThat(text(figure("bass-and-two").strokes(three, 1, 2880))).startsWith("5_@0:960");
        assertThat(text(figure("bass-and-two").strokes(three, 2, 2880))).startsWith("1@0:960");
    }

    @ParameterizedTest(name = "{0} in {1} from {2} for {3}: {4}")
    @CsvSource({
        "spread-eighths, 4/4, 0,    1920, 1@0:480 5@480:480 10@960:480 5@1440:480",
        "spread-eighths, 4/4, 1920, 1920, 1@0:480 5@480:480 10@960:480 5@1440:480",
        "spread-eighths, 4/4, 2880, 960,  1@0:480 5@480:480",
        "spread-eighths, 6/8, 1440, 1440, 1@0:480 5@480:480 10@960:480",
        "held,           4/4, 0,    2880, v@0:*",
        "bass-and-two,   3/4, 1920, 960,  1@0:960",
        "spread-eighths, 7/8, 0,    1440, 1@0:480 5@480:480 10@960:480",
        "bass-and-two,   5/4, 1920, 2880, 1@0:960 c@960:960 c@1920:960",
        "pulse-quarters, 4/4, 960,  2880, v@0:960 v@960:960 v@1920:960"
    })
    void a_figure_is_cut_at_the_chord_change_and_starts_again(
            String id, String meter, int from, int ticks, String strokes) {
        assertThat(text(figure(id).strokes(Meter.parse(meter), 0, ticks))).isEqualTo(strokes);
    }

    @ParameterizedTest(name = "{0} in {1}: {2}")
    @CsvSource({
        "spread-eighths, 5/4, 1@0:480 5@480:480 10@960:480 5@1440:480 10@1920:480 5@2400:480 1@2880:480 5@3360:480 "
                + "10@3840:480 5@4320:480",
        "bass-and-two,   7/8, 1@0:480 c@480:480 1@960:480 c@1440:480 1@1920:480 c@2400:480 c@2880:480",
        "held,           5/4, v@0:*",
        "spread-eighths, 9/8, 1@0:480 5@480:480 10@960:480 1@1440:480 5@1920:480 10@2400:480 1@2880:480 5@3360:480 "
                + "10@3840:480"
    })
    void a_metre_it_is_not_written_for_is_put_together_from_its_groups(String id, String meter, String strokes) {
        Meter read = Meter.parse(meter);
        assertThat(text(figure(id).strokes(read, 0, read.barTicks()))).isEqualTo(strokes);
    }

    static Stream<Arguments> everywhere() {
        return BOOK.figures().stream()
                .flatMap(figure -> Stream.of(
                                "2/4", "3/4", "4/4", "6/8", "9/8", "12/8", "5/4", "7/8", "2/2", "3/8", "6/4", "1/4",
                                "16/16")
                        .map(meter -> Arguments.of(figure.id(), Meter.parse(meter))));
    }

    @ParameterizedTest(name = "{0} in {1}")
    @MethodSource("everywhere")
    void no_stroke_leaves_its_chord_in_any_metre(String id, Meter meter) {
        for (int beats = 1; beats <= meter.beats(); beats++) {
            int ticks = beats * meter.beatTicks();
            for (int from = 0; from + ticks <= meter.barTicks(); from += meter.beatTicks()) {
                List<FigureStroke> strokes = figure(id).strokes(meter, from == 0 ? 1 : 0, ticks);
                // What begins after the beat by its own rhythm begins there everywhere; a chord that is shorter has
                // nothing of it.
                boolean after = figure(id).bars().values().stream()
                        .anyMatch(bars -> bars.get(0).get(0).tick() > 0);
                assertThat(!strokes.isEmpty() || after).isTrue();
                assertThat(strokes)
                        .filteredOn(stroke -> !stroke.ofNext() && stroke.length() != FigureStroke.TO_THE_END)
                        .allSatisfy(stroke -> {
                            assertThat(stroke.tick()).isBetween(0, ticks - 1);
                            assertThat(stroke.tick() + stroke.length()).isLessThanOrEqualTo(ticks);
                        });
                assertThat(after || strokes.get(0).tick() == 0).isTrue();
            }
        }
    }

    @Test
    void a_good_file_is_read() {
        Figure figure = FigureFile.parse("test.yaml", GOOD);
        assertThat(figure.suits().level()).isEqualTo(1);
        assertThat(figure.suits().maxTempo()).isEqualTo(120);
        assertThat(figure.bars()).containsOnlyKeys(Meter.COMMON);
    }

    /** A mistake in a figure's file names the file, the line and what was expected. */
    @ParameterizedTest(name = "{0} -> {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "level: 1 | level: 9 | test.yaml:6: level \"9\": expected 1 to 5",
                "tempo: 60-120 | tempo: 120-60 | test.yaml:7: tempo \"120-60\": expected slowest-fastest",
                "1@0:960 5@960:* | 1@0:960 z@960:* | test.yaml:13: role \"z\": expected",
                "1@0:960 5@960:* | 1@0 | test.yaml:13: stroke \"1@0\": expected roles@tick:length",
                "1@0:960 5@960:* | 5@960:* 1@0:960 | test.yaml:13: stroke 1@0:960: expected after",
                "1@0:960 5@960:* | 1@3840:960 | test.yaml:13: stroke 1@3840:960: expected after the one before it "
                        + "and inside",
                "1@0:960 5@960:* | 1@0:0 | test.yaml:13: stroke \"1@0:0\": expected a length above 0",
                "4/4: | 4/5: | metre \"4/5\": expected",
                "register: deep | register: attic | test.yaml:9: register \"attic\": expected deep, medium or middle",
                "feel: straight | feel: bent | test.yaml:5: feel \"bent\": expected straight",
                "pedal: yes | pedal: maybe | test.yaml:11: \"maybe\": expected yes or no",
                "name: Test | nmae: Test | test.yaml:2: unknown field \"nmae\"",
                "use: For a test. | name: Again | test.yaml:4: \"name\" stands twice",
                "family: pulse | family: [a | test.yaml:"
            })
    void a_mistake_in_a_file_is_refused_with_its_line(String good, String bad, String message) {
        assertThatThrownBy(() -> FigureFile.parse("test.yaml", GOOD.replace(good, bad)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(message);
    }

    @Test
    void a_missing_field_and_an_empty_file_are_named() {
        assertThatThrownBy(() -> FigureFile.parse("test.yaml", GOOD.replace("level: 1\n", "")))
                .hasMessageContaining("field \"level\" is missing");
        assertThatThrownBy(() -> FigureFile.parse("test.yaml", ""))
                .hasMessageContaining("test.yaml:1: the file is empty");
        assertThatThrownBy(() -> FigureFile.parse("test.yaml", "just a word")).hasMessageContaining("expected fields");
    }

    private static Figure figure(String id) {
        return BOOK.figure(id).orElseThrow();
    }

    private static String text(List<FigureStroke> strokes) {
        return strokes.stream().map(FigureStroke::toString).collect(Collectors.joining(" "));
    }
}
