package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.choice.Options;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Played;
import zapateo.part.Reason;
import zapateo.rhythm.Swing;

/**
 * A Latin figure on a swing chart is straight unless the player says otherwise (common practice), and the arrangement
 * says so.
 */
class FeelsTest {

    private static final String SWUNG =
            "Key: F~Feel: swing~Tempo: 132~[A]~| F | Gm7 | C7 | F |~[B]~| B♭ | Gm7 | C7 | F |";

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "bossa,true",
        "habanera,true",
        "samba,true",
        "tango-marked,true",
        "reggae-bubble,true",
        "two-feel,false",
        "charleston,false",
        "shuffle-full,false"
    })
    void a_latin_figure_is_straight(String figure, boolean straight) {
        Arrangement arrangement = Played.arrange(SWUNG, Choices.figure(figure));
        assertThat(arrangement.strokes().stream()
                        .allMatch(stroke ->
                                stroke.sounding().tick() == stroke.written().tick()))
                .isEqualTo(straight || figure.equals("two-feel"));
        assertThat(arrangement.swing().equals(Swing.NONE)).isEqualTo(straight);
        assertThat(arrangement.notices())
                .extracting(Reason::code)
                .satisfies(codes -> assertThat(codes.contains("feel-straight")).isEqualTo(straight));
    }

    /** A bossa with a swung bridge: each as it is played. */
    @Test
    void each_section_has_the_feel_of_its_own_figure() {
        Arrangement arrangement = Played.arrange(
                SWUNG, Choices.figure("bossa").section("B", Options.OPEN.with(LeftChoice.FIGURE, "charleston")));
        assertThat(arrangement.strokes())
                .filteredOn(stroke -> stroke.bar() < 4)
                .allMatch(stroke -> stroke.sounding().tick() == stroke.written().tick());
        assertThat(arrangement.strokes())
                .filteredOn(stroke -> stroke.bar() > 4 && stroke.written().tick() % 960 != 0)
                .isNotEmpty()
                .allMatch(stroke -> stroke.sounding().tick() > stroke.written().tick());
        assertThat(arrangement.swing()).isNotEqualTo(Swing.NONE);
    }

    @Test
    void a_swing_that_was_set_holds_for_all() {
        Arrangement arrangement = Played.arrange(SWUNG, Choices.figure("bossa").with(SongChoice.SWING_RATIO, 2.0));
        assertThat(arrangement.strokes())
                .anyMatch(stroke -> stroke.sounding().tick() > stroke.written().tick());
        assertThat(arrangement.notices()).extracting(Reason::code).doesNotContain("feel-straight");
    }

    @Test
    void a_straight_chart_says_nothing() {
        assertThat(Played.arrange(SWUNG.replace("swing", "straight"), Choices.figure("bossa"))
                        .notices())
                .extracting(Reason::code)
                .doesNotContain("feel-straight");
    }
}
