package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.SingersKeys;
import zapateo.hand.Pianist;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;

/**
 * The singer's key, worked by hand (HANDBOOK §12a): a note counts by its length, one and a half times where it is held
 * for two beats, twice where it is the last. The first tune weighs 960 on C4, 960 on E4 and 5760 on its last, held G4,
 * 7680 in all; the second 960 each on A4, B4, C5 and 8640 on its last A4, 11520 in all.
 */
class VoiceRangeTest {

    private static final String FIFTH = "Key: C\n| C |\nTune: | C4/4 E4/4 G4/2 |";
    private static final String THREE = "Key: Am\nMeter: 3/4\n| Am | Am |\nTune: | A4/4 B4/4 C5/4 | A4/2. |";

    private static Song song(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    private static VoiceRange range(String low, String high) {
        return VoiceRange.of(Pitch.parse(low), Pitch.parse(high));
    }

    @ParameterizedTest
    @CsvSource({
        "0,0,1.0,0,true",
        "2,0,0.25,1.5,true",
        "-2,0,0.875,0.25,true",
        "5,-1,0.75,1.25,false",
        "-5,0,0.75,0.75,false",
        "6,-1,0.75,1.0,false",
        "-6,0,0.75,1.0,false",
        "1,0,0.25,0.75,true",
        "-1,0,0.875,0.125,true",
        "3,0,0.25,2.25,false",
        "4,-1,0,2.25,false",
        "-3,0,0.875,0.375,false",
        "-4,0,0.875,0.5,false"
    })
    void a_fifth_in_a_range_of_a_fifth(int semitones, int octaves, double inside, double beyond, boolean reached) {
        VoiceRange.Fit fit = range("C4", "G4").fit(song(FIFTH), semitones).orElseThrow();
        assertThat(fit.octaves()).isEqualTo(octaves);
        assertThat(fit.inside()).isCloseTo(inside, within(1e-9));
        assertThat(fit.beyond()).isCloseTo(beyond, within(1e-9));
        assertThat(fit.reached()).isEqualTo(reached);
    }

    /** Men sing an octave lower. */
    @ParameterizedTest
    @CsvSource({
        "0,-1,1.0,0,A3,C4",
        "7,-1,0.833333,0.416667,E4,G4",
        "-1,-1,0.166667,0.833333,A♭3,B3",
        "3,-1,1.0,0,C4,E♭4",
        "5,-1,0.916667,0.083333,D4,F4",
        "-6,0,0.833333,0.25,E♭4,F♯4"
    })
    void a_voice_takes_a_tune_in_its_own_octave(
            int semitones, int octaves, double inside, double beyond, String lowest, String highest) {
        VoiceRange.Fit fit = range("A3", "E4").fit(song(THREE), semitones).orElseThrow();
        assertThat(fit.octaves()).isEqualTo(octaves);
        assertThat(fit.inside()).isCloseTo(inside, within(1e-6));
        assertThat(fit.beyond()).isCloseTo(beyond, within(1e-6));
        assertThat(List.of(fit.lowest().midi(), fit.highest().midi()))
                .containsExactly(
                        Pitch.parse(lowest).midi(), Pitch.parse(highest).midi());
    }

    /** A break in the voice is no place for a held note: rather a little too low than E4 or F4 held for half a song. */
    @ParameterizedTest
    @CsvSource({"-3,-1,0.375", "-2,-1,0.25", "0,0,0"})
    void a_held_note_does_not_stand_on_the_break(int semitones, int octaves, double cost) {
        VoiceRange voice = new VoiceRange(
                Pitch.parse("C3"),
                Pitch.parse("C5"),
                Pitch.parse("G2"),
                Pitch.parse("E5"),
                Optional.of(Pitch.parse("E4")));
        VoiceRange.Fit fit = voice.fit(song(FIFTH), semitones).orElseThrow();
        assertThat(fit.octaves()).isEqualTo(octaves);
        assertThat(fit.cost()).isCloseTo(cost, within(1e-9));
    }

    /** A tune of a fifth in a range of just that fifth has one key. */
    @ParameterizedTest
    @CsvSource({"C4,G4,C", "D4,A4,D", "Eb3,Bb3,E♭", "G3,D4,G", "Bb3,F4,B♭", "A2,E3,A", "F5,C6,F", "Db4,Ab4,D♭"})
    void the_key_that_fits_stands_first(String low, String high, String key) {
        List<SingersKeys.Ranked> keys = SingersKeys.of(
                ChartEdit.of(FIFTH), new Arranger(FigureBook.open()), Choices.OPEN, Pianist.USUAL, range(low, high));
        assertThat(keys).hasSize(12);
        assertThat(keys.get(0).measured().key().key().tonic().toString()).isEqualTo(key);
        assertThat(keys.get(0).fit().inside()).isEqualTo(1);
    }

    /** Among keys in which all of it sits well the hand decides: the order of the easiest keys holds. */
    @Test
    void where_the_voice_feels_no_difference_the_hand_decides() {
        List<SingersKeys.Ranked> keys = SingersKeys.of(
                ChartEdit.of(FIFTH), new Arranger(FigureBook.open()), Choices.OPEN, Pianist.USUAL, range("C3", "C6"));
        assertThat(keys).allSatisfy(key -> assertThat(key.fit().inside()).isEqualTo(1));
        assertThat(keys)
                .extracting(key -> Math.round(key.measured().difficulty().total() / 0.5))
                .isSorted();
    }

    @Test
    void what_is_missing_or_upside_down_is_said() {
        assertThat(range("C4", "G4").fit(song("| C |"), 0)).isEmpty();
        assertThat(SingersKeys.of(
                        ChartEdit.of("| C |"),
                        new Arranger(FigureBook.open()),
                        Choices.OPEN,
                        Pianist.USUAL,
                        range("C4", "G4")))
                .isEmpty();
        assertThatThrownBy(() -> range("G4", "C4"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("expected the lower note first");
        assertThatThrownBy(() -> new VoiceRange(
                        Pitch.parse("C4"), Pitch.parse("G4"), Pitch.parse("D4"), Pitch.parse("A4"), Optional.empty()))
                .isInstanceOf(Refused.class);
    }
}
