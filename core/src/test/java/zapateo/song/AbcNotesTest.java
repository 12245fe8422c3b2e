package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.rhythm.Meter;

/**
 * Notes of a tune as the ABC standard 2.1 has them, §4.3 to 4.17 (abcnotation.com); lengths in ticks, an eighth is 480.
 */
class AbcNotesTest {

    private static AbcNotes read(String text) {
        return read(new AbcNotes(letter -> 0), text);
    }

    private static AbcNotes read(AbcNotes notes, String text) {
        for (int i = 0; i < text.length(); ) {
            if (text.charAt(i) == ' ') {
                i++;
            } else {
                i = notes.read(text, i);
                assertThat(i).as(text).isPositive();
            }
        }
        return notes;
    }

    private static String said(AbcNotes notes) {
        return notes.notes().stream()
                .map(note -> note.pitch().map(Object::toString).orElse("r") + ":" + note.tick() + "+" + note.ticks()
                        + (note.tied() ? "~" : ""))
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "C c c' C,;C4:0+480 C5:480+480 C6:960+480 C3:1440+480",
                "A2 A/ A/2 A// A3/2;A4:0+960 A4:960+240 A4:1200+240 A4:1440+120 A4:1560+720",
                "^F _B =C __E ^^G;F♯4:0+480 B♭4:480+480 C4:960+480 E𝄫4:1440+480 G𝄪4:1920+480",
                "z2 C x;r:0+960 C4:960+480 r:1440+480",
                "C-C;C4:0+480~ C4:480+480",
                "z-C;r:0+480 C4:480+480",
                // A broken rhythm: the first dotted, the second halved; twice, thrice.
                "A>B;A4:0+720 B4:720+240",
                "A<B;A4:0+240 B4:240+720",
                "A>>B;A4:0+840 B4:840+120",
                "A<<B;A4:0+120 B4:120+840",
                "A2>B2 C;A4:0+1440 B4:1440+480 C4:1920+480",
                ">A B;A4:0+480 B4:480+480",
                // Notes struck together: the highest is the tune's, as long as the first inside, times what stands
                // behind.
                "[CEG];G4:0+480",
                "[GEC]2;G4:0+960",
                "[C2E2G2];G4:0+960",
                "[C2E2]3/2;E4:0+1440",
                "[CE]/;E4:0+240",
                "[^CE-]C;E4:0+480 C♯4:480+480",
                "[ C E ] G;E4:0+480 G4:480+480",
                // Tuplets: three in the time of two, two in that of three, with what is named.
                "(3CDE F;C4:0+320 D4:320+320 E4:640+320 F4:960+480",
                "(2CD E;C4:0+720 D4:720+720 E4:1440+480",
                "(4CDEF G;C4:0+360 D4:360+360 E4:720+360 F4:1080+360 G4:1440+480",
                "(3:2:2CD E;C4:0+320 D4:320+320 E4:640+480",
                "(3:4CDE F;C4:0+640 D4:640+640 E4:1280+640 F4:1920+480",
                "(3::4CDEF;C4:0+320 D4:320+320 E4:640+320 F4:960+320",
                "(5CDEFG A;C4:0+192 D4:192+192 E4:384+192 F4:576+192 G4:768+192 A4:960+480",
                "(3C2D2E2;C4:0+640 D4:640+640 E4:1280+640"
            })
    void notes_are_as_long_and_as_high_as_the_standard_says(String text, String notes) {
        assertThat(said(read(text))).isEqualTo(notes);
    }

    @Test
    void five_in_compound_time_have_the_time_of_three() {
        AbcNotes notes = new AbcNotes(letter -> 0);
        notes.meter(Meter.parse("6/8"));
        assertThat(said(read(notes, "(5CDEFG"))).startsWith("C4:0+288 D4:288+288");
    }

    @Test
    void an_accidental_holds_to_the_bar_line_and_a_key_always() {
        AbcNotes notes = read(new AbcNotes(letter -> letter.name().equals("F") ? 1 : 0), "F =F F ^C C c");
        assertThat(said(notes)).isEqualTo("F♯4:0+480 F4:480+480 F4:960+480 C♯4:1440+480 C♯4:1920+480 C5:2400+480");
        notes.nextBar();
        assertThat(notes.tick()).isZero();
        assertThat(notes.length()).isZero();
        assertThat(said(read(notes, "F C"))).isEqualTo("F♯4:0+480 C4:480+480");
        notes.signature(letter -> 0);
        assertThat(said(read(notes, "F"))).endsWith("F4:960+480");
    }

    @Test
    void a_tie_goes_over_the_bar_line() {
        AbcNotes notes = read("C2");
        List<TuneNote> first = notes.notes();
        notes.nextBar();
        read(notes, "- C2");
        assertThat(first.get(0).tied()).isTrue();
        assertThat(said(notes)).isEqualTo("C4:0+960");
    }

    @Test
    void another_voice_moves_on_in_time_and_is_not_heard() {
        AbcNotes notes = read("C2");
        notes.overlay();
        assertThat(notes.tick()).isZero();
        read(notes, "E2 >F2 - G2");
        assertThat(said(notes)).isEqualTo("C4:0+960");
        assertThat(notes.length()).isEqualTo(2880);
    }

    @Test
    void a_unit_is_what_a_letter_alone_lasts() {
        AbcNotes notes = new AbcNotes(letter -> 0);
        assertThat(notes.unit()).isEqualTo(480);
        notes.unit(960);
        assertThat(notes.unit()).isEqualTo(960);
        assertThat(said(read(notes, "C [CE]2 z"))).isEqualTo("C4:0+960 E4:960+1920 r:2880+960");
    }

    @Test
    void what_is_nothing_of_a_tune_is_left_to_others() {
        AbcNotes notes = new AbcNotes(letter -> 0);
        assertThat(notes.read("|", 0)).isEqualTo(-1);
        assertThat(notes.read("[CE", 0)).isEqualTo(-1);
        assertThat(notes.read("(slur", 0)).isEqualTo(-1);
        assertThat(notes.read("H", 0)).isEqualTo(-1);
        assertThat(notes.notes()).isEmpty();
    }
}
