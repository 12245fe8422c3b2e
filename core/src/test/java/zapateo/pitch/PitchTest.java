package zapateo.pitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.refusal.Refused;

class PitchTest {

    @ParameterizedTest(name = "{0} is note {1} at {2} Hz ({3})")
    @CsvSource({
        "A4,   69,  440.0,   ISO 16 and MIDI 1.0",
        "C4,   60,  261.626, MIDI 1.0: middle C",
        "A0,   21,   27.5,   lowest key of 88",
        "C8,  108, 4186.009, highest key of 88",
        "C-1,   0,    8.176, MIDI 1.0: note 0",
        "G9,  127, 12543.854, MIDI 1.0: note 127",
        "E♭3,  51,  155.563, equal temperament",
        "B♯3,  60,  261.626, the key of C4 by another name",
        "C♭4,  59,  246.942, the key of B3 by another name",
        "F𝄪3,  55,  195.998, the key of G3 by another name"
    })
    void note_numbers_and_frequencies_are_those_of_the_standards(String name, int midi, double hertz, String source) {
        Pitch pitch = Pitch.parse(name);
        assertThat(pitch.midi()).isEqualTo(midi);
        assertThat(pitch.frequency()).isCloseTo(hertz, within(0.001));
        assertThat(pitch).hasToString(name);
    }

    @Test
    void every_key_can_be_spelled_and_found_again() {
        for (int midi = Pitch.LOWEST_KEY; midi <= Pitch.HIGHEST_KEY; midi++) {
            Pitch pitch = Pitch.onKey(midi, PitchClass.simplest(midi));
            assertThat(pitch.midi()).isEqualTo(midi);
            assertThat(Pitch.parse(pitch.toString())).isEqualTo(pitch);
        }
    }

    @Test
    void a_name_that_does_not_lie_on_the_key_is_refused() {
        assertThatThrownBy(() -> Pitch.onKey(61, PitchClass.parse("C")))
                .hasMessageContaining("C does not lie on key 61");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "H3", "C", "C♭♭♭3", "3C", "C999", "♭3"})
    void what_is_no_pitch_is_named_in_the_error(String text) {
        assertThatThrownBy(() -> Pitch.parse(text))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("\"" + text + "\"");
    }

    @ParameterizedTest(name = "{0} reads as {1}")
    @CsvSource({"Bb, B♭", "b♭, B♭", "F##, F𝄪", "Fx, F𝄪", "f♯♯, F𝄪", "Ebb, E𝄫", "E♭♭, E𝄫", "C#, C♯", "G♮, G", "A, A"
    })
    void accidentals_may_be_typed_plainly(String typed, String read) {
        assertThat(PitchClass.parse(typed)).hasToString(read);
    }

    @ParameterizedTest(name = "{1} above {0} is {2}")
    @CsvSource({
        "C, 3, E",
        "C♯, 3, E♯",
        "A♭, b3, C♭",
        "B, b5, F",
        "B, bb7, A♭",
        "G♯, bb7, F",
        "D♭, b7, C♭",
        "F♯, #5, C𝄪",
        "E♭, 9, F",
        "C, #11, F♯",
        "G, b13, E♭"
    })
    void intervals_are_spelled_by_letters(String root, String degree, String tone) {
        assertThat(PitchClass.parse(root).plus(Interval.parse(degree))).hasToString(tone);
    }

    @Test
    void a_tone_that_would_need_three_flats_takes_its_simple_name() {
        assertThat(PitchClass.parse("F♭").plus(Interval.parse("bb7")).chroma()).isEqualTo(1);
    }

    @ParameterizedTest(name = "degree {0} is {1} semitones")
    @CsvSource({
        "1,0", "b2,1", "2,2", "b3,3", "3,4", "4,5", "#4,6", "5,7", "#5,8", "6,9", "b7,10", "7,11", "8,12", "9,14",
        "10,16", "#11,18", "13,21", "15,24"
    })
    void degrees_are_measured_against_the_major_scale(String degree, int semitones) {
        assertThat(Interval.parse(degree).semitones()).isEqualTo(semitones);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "b", "0", "x3", "3b", "100"})
    void what_is_no_degree_is_refused(String text) {
        assertThatThrownBy(() -> Interval.parse(text)).hasMessageContaining("degree \"" + text + "\"");
    }

    @ParameterizedTest(name = "{0} lies {1} on the line of fifths")
    @CsvSource({"F,-1", "C,0", "G,1", "D,2", "B,5", "F♯,6", "B♭,-2", "E♭,-3", "C♭,-7", "C♯,7"})
    void the_line_of_fifths_orders_sharps_and_flats(String name, int place) {
        assertThat(PitchClass.parse(name).fifths()).isEqualTo(place);
    }
}
