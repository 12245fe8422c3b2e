package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Choices;
import zapateo.lefthand.Played;

/**
 * What a strict reader marks on the page, in pairs of spoiled and good bars; and the pages that are written. The rows
 * are those of FAULTS.md.
 */
class PageRowsTest {

    private static final String MF =
            "<direction><direction-type><dynamics><mf/></dynamics></direction-type></direction>";
    private static final String SYMBOL = "<harmony><root><root-step>C</root-step></root><kind>major</kind></harmony>";
    private static final String FINGER = "<notations><technical><fingering>1</fingering></technical></notations>";

    @ParameterizedTest(name = "{0} in {1} sharps: {2}")
    @CsvSource({"P5,0,E-2,E-1", "P5,0,C-1,B0", "P5,2,F-1,E0", "P5,-1,B1,C0", "P5,0,F2,G0", "P5,-2,E1,C-0"})
    void a_spelling_nobody_reads_is_marked(String id, int fifths, String spoiled, String good) {
        assertThat(PageRows.read(page(fifths, MF + note(spoiled, "")))).containsExactly(new PageRows.Mark(id, "1"));
        assertThat(PageRows.read(page(fifths, MF + note(good.replace("-0", "0"), ""))))
                .isEmpty();
    }

    /** G flat major has its C flat, and F sharp major its E sharp. */
    @ParameterizedTest
    @CsvSource({"-6,C-1", "6,E1", "-7,F-1", "7,B1"})
    void what_the_key_has_is_no_strange_spelling(int fifths, String note) {
        assertThat(PageRows.read(page(fifths, MF + note(note, "")))).isEmpty();
    }

    @Test
    void a_symbol_over_a_silent_bar_a_finger_on_every_note_and_a_page_without_dynamics_are_marked() {
        assertThat(PageRows.read(page(0, MF + SYMBOL + "<note><rest/></note>")))
                .containsExactly(new PageRows.Mark("P3", "1"));
        assertThat(PageRows.read(page(0, MF + SYMBOL.replace("major", "none") + "<note><rest/></note>")))
                .isEmpty();
        assertThat(PageRows.read(page(0, MF + note("C0", FINGER).repeat(5))))
                .containsExactly(new PageRows.Mark("P1", "1"));
        assertThat(PageRows.read(
                        page(0, MF + note("C0", FINGER) + note("D0", "").repeat(5))))
                .isEmpty();
        assertThat(PageRows.read(page(0, note("C0", "")))).containsExactly(new PageRows.Mark("P4", "1"));
        assertThat(PageRows.read(page(0, MF + "<sound><swing/></sound>" + note("C0", ""))))
                .containsExactly(new PageRows.Mark("P4", "1"));
        assertThatThrownBy(() -> PageRows.read("no music".getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("line 1");
    }

    /** A written N.C. stands over its silence, and no chord over silence that was not written. */
    @Test
    void the_pages_that_are_written_have_no_symbol_over_silence() {
        byte[] page = MusicXmlWriter.write(
                Played.arrange(
                        "Key: Dm~Feel: swing~| Dm | C°7 | N.C. | A7 |~| Dm | Gm | A7 | Dm |",
                        Choices.figure("stride-tenths")),
                Hands.BOTH);
        assertThat(PageRows.read(page)).extracting(PageRows.Mark::id).doesNotContain("P3");
    }

    private static byte[] page(int fifths, String inside) {
        return ("<score-partwise version=\"4.0\"><part-list><score-part "
                        + "id=\"P1\"><part-name>Piano</part-name></score-part></part-list><part id=\"P1\"><measure "
                        + "number=\"1\"><attributes><key><fifths>"
                        + fifths + "</fifths></key></attributes>" + inside + "</measure></part></score-partwise>")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static String note(String pitch, String more) {
        return "<note><pitch><step>" + pitch.charAt(0) + "</step><alter>" + pitch.substring(1)
                + "</alter><octave>3</octave></pitch>" + more + "</note>";
    }
}
