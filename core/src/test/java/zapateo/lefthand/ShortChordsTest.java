package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.part.LowIntervalLimits;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Mark;

/**
 * Chords too short for their figure. Source of what a chord of one beat says: HANDBOOK §5; where it lies beside basses:
 * common practice.
 */
class ShortChordsTest {

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                // Beside a bass of the figure's own: root and tenth, or seventh, where the basses lie.
                "bass-and-two;meter: 3/4~| G . Em | C |;G2 D3+G3+B3 E2+G3",
                "bass-and-two;meter: 3/4~| G . E7 | Am |;G2 D3+G3+B3 E2+D3+G♯3",
                // A chord of its own on each beat: root, third and seventh, none of them left out.
                "stride-root-chord;| Am7 D7 Gmaj7 C | G |;A3+C4+G4 D3+C4+F♯4 G3+B3+F♯4 C3+E4",
                // Two of three tones find time after a bass: the last takes the upper two.
                "secondary-rag;| C F G7 C | C |;C2 R:G3 R:C4+E4 F2 R:A3 R:C4+F4 G2 R:G3 R:B3+D4+F4 C2 R:G3 R:C4+E4",
            })
    void a_short_chord_says_itself(String figure, String chart, String bar) {
        assertThat(Played.notes(Played.arrange(
                                chart, Choices.figure(figure).with(LeftChoice.LIVELINESS, Liveliness.NONE)))
                        .split(" \\| ")[0])
                .isEqualTo(bar);
    }

    /** A tenth says a triad whole; a seventh chord of one beat has its seventh in it, and the basses stay a line. */
    @Test
    void a_short_tenth_is_filled_with_the_seventh() {
        Arrangement arrangement =
                Played.arrange("Key: E~Tempo: 90~| A E/G♯ F♯m7 B7 | E |", Choices.figure("broken-tenths"));
        assertThat(Played.notes(arrangement).split(" \\| ")[0]).isEqualTo("A1+C♯3 G♯1+B2 F♯1+E2+A2 B1+A2+D♯3");
    }

    /** The hand that strikes a broken tenth's bass on the off-beat holds nothing else then. */
    @ParameterizedTest
    @ValueSource(
            strings = {"| C | F | G7 | C |", "| E C♯m F♯m7 B7 | A E/G♯ F♯m7 B7 | E |", "| Cm7/B♭ | Cm | A♭ G7 | Cm |"})
    void a_broken_tenth_lets_go_of_what_was_held(String chart) {
        Arrangement arrangement = Played.arrange("Tempo: 80~" + chart, Choices.figure("broken-tenths"));
        List<Stroke> left = arrangement.left().strokes();
        for (int i = 1; i < left.size(); i++) {
            Stroke before = left.get(i - 1);
            assertThat(before.sounding().end())
                    .as("%s, then %s", before, left.get(i))
                    .isLessThanOrEqualTo(left.get(i).firstTick());
        }
        assertThat(left)
                .anyMatch(stroke -> stroke.roll()
                        .filter(roll -> roll.kind() == Roll.Kind.BROKEN)
                        .isPresent());
    }

    /** On the last beat of three a tenth out of reach is rolled rather than laid as a muddy third. */
    @Test
    void the_last_beat_of_three_has_time_for_a_roll() {
        Arrangement arrangement = Played.ARRANGER.arrange(
                Played.song("meter: 3/4~Key: D~Tempo: 120~| D/A . A | Bm | G . A | D |"),
                Choices.figure("jazz-waltz"),
                Hand.of(201));
        List<Stroke> shells = arrangement.left().strokes().stream()
                .filter(stroke -> stroke.notes().size() > 1 && stroke.mark() == Mark.HEEL && stroke.bar() < 3)
                .toList();
        assertThat(shells)
                .isNotEmpty()
                .allSatisfy(stroke -> assertThat(LowIntervalLimits.isMud(stroke.keys(), 0, 1, false))
                        .as("%s", stroke)
                        .isFalse());
    }
}
