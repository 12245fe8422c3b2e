package zapateo.hand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.pitch.Pitch;

class HandTest {

    /** HANDBOOK §8: centre distances of tenths in millimetres. */
    @ParameterizedTest(name = "{0} to {1}: {2} mm")
    @CsvSource({
        "C2,E3,211.5",
        "D♭2,F3,225.6",
        "D2,F♯3,219.9",
        "E♭2,G3,220.9",
        "E2,G♯3,223.2",
        "F2,A3,211.5",
        "F♯2,A♯3,218.2",
        "G2,B3,211.5",
        "A♭2,C4,223.2",
        "A2,C♯4,220.9",
        "B♭2,D4,219.9",
        "B2,D♯4,225.6",
        "C2,E♭3,202.1",
        "D2,F3,211.5",
        "F♯2,A3,203.1",
        "C3,C4,164.5"
    })
    void tenths_are_as_wide_as_the_keyboard_makes_them(String low, String high, double mm) {
        assertThat(Keyboard.between(key(low), key(high))).isCloseTo(mm, within(0.05));
    }

    /** HANDBOOK §8: at the key edges, black to white goes diagonally. */
    @ParameterizedTest(name = "{0} to {1} at the edges: {2} mm")
    @CsvSource({"C♯2,E3,201.6", "F♯2,A3,202.6", "C2,E3,198.0"})
    void black_to_white_goes_diagonally(String low, String high, double mm) {
        assertThat(Keyboard.stretchAtEdges(key(low), key(high))).isCloseTo(mm, within(0.05));
    }

    /** An octave is out of reach at 150 mm, a stretch from 165 to 180, comfortable from 185. */
    @ParameterizedTest(name = "an octave in a hand of {0} mm: {1}")
    @CsvSource({"150,OUT_OF_REACH", "155,KEY_EDGE", "165,STRETCH", "180,STRETCH", "185,COMFORTABLE", "250,COMFORTABLE"})
    void an_octave_is_judged_by_the_span(double span, Ease ease) {
        assertThat(Hand.of(span).easeOf(key("C3"), key("C4"))).isEqualTo(ease);
    }

    @Test
    void a_larger_hand_never_finds_a_stretch_harder() {
        for (int low = 28; low < 60; low++) {
            for (int high = low + 1; high < low + 20; high++) {
                for (int span = 150; span < 250; span += 5) {
                    assertThat(Hand.of(span + 5).easeOf(low, high))
                            .isLessThanOrEqualTo(Hand.of(span).easeOf(low, high));
                }
            }
        }
    }

    @Test
    void keys_lie_in_the_order_of_their_notes_and_repeat_by_the_octave() {
        for (int midi = 21; midi < 108; midi++) {
            assertThat(Keyboard.centre(midi + 1)).isGreaterThan(Keyboard.centre(midi));
            assertThat(Keyboard.centre(midi + 12) - Keyboard.centre(midi)).isCloseTo(164.5, within(1e-9));
        }
    }

    @Test
    void a_span_no_hand_has_is_refused() {
        assertThatThrownBy(() -> Hand.of(80)).hasMessageContaining("80").hasMessageContaining("120 to 300");
        assertThatThrownBy(() -> Hand.of(Double.NaN)).hasMessageContaining("NaN");
    }

    private static int key(String pitch) {
        return Pitch.parse(pitch).midi();
    }
}
