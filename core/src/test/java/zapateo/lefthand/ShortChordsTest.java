package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Choice;
import zapateo.arrangement.Choices;
import zapateo.rhythm.Liveliness;

/** Chords too short for their figure. Source of what a chord of one beat says: HANDBOOK §5; where it lies beside basses: common practice. */
class ShortChordsTest {

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(delimiter = ';', value = {
        // Beside a bass of the figure's own: root and tenth, or seventh, where the basses lie.
        "bass-and-two;meter: 3/4~| G . Em | C |;G2 G3+B3+D4 E2+G3",
        "bass-and-two;meter: 3/4~| G . E7 | Am |;G2 G3+B3+D4 E2+D3+G♯3",
        // A chord of its own on each beat: root, third and seventh, none of them left out.
        "stride-root-chord;| Am7 D7 Gmaj7 C | G |;A3+C4+G4 D3+C4+F♯4 G3+B3+F♯4 C3+E4",
        // Two of three tones find time after a bass: the last takes the upper two.
        "secondary-rag;| C F G7 C | C |;C2 R:G3 R:C4+E4 F2 R:A3 R:C4+F4 G2 R:G3 R:B3+D4+F4 C2 R:G3 R:C4+E4",
    })
    void a_short_chord_says_itself(String figure, String chart, String bar) {
        assertThat(Played.notes(Played.arrange(chart, Choices.figure(figure).with(Choice.LIVELINESS, Liveliness.NONE))).split(" \\| ")[0]).isEqualTo(bar);
    }
}
