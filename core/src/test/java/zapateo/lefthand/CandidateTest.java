package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;

/** What one place of a chord costs against another, each by itself; weights are in {@code costs.yaml}. */
class CandidateTest {

    private static int key(String pitch) {
        return Pitch.parse(pitch).midi();
    }

    private static int[] keys(String pitches) {
        return pitches.isBlank()
                ? new int[0]
                : IntStream.of(List.of(pitches.split(" ")).stream()
                                .mapToInt(CandidateTest::key)
                                .toArray())
                        .toArray();
    }

    private static Candidate at(String bass, String upper, BassLine.Basses way) {
        return at(bass, upper, way, 0, -1, Candidate.Seventh.FREE);
    }

    private static Candidate at(
            String bass, String upper, BassLine.Basses way, int inversion, int position, Candidate.Seventh seventh) {
        int low = bass.equals("-") ? -1 : key(bass);
        int[] chord = keys(upper);
        return new Candidate(
                null,
                low,
                chord,
                chord.length == 0 ? low : chord[chord.length - 1],
                way,
                inversion,
                position,
                new Candidate.Costs(),
                new int[] {low},
                new Candidate.Voices(chord, seventh),
                new Candidate.Home(key("D2"), key("A3"), key("E1"), key("E3")));
    }

    private static Candidate own(String bass, String upper) {
        return at(bass, upper, BassLine.Basses.OWN);
    }

    @ParameterizedTest(name = "{0} to {1}: {2} semitones, a leap: {3}")
    @CsvSource({
        "C2,G2,7,false",
        "G2,C2,7,false",
        "C2,C3,12,false",
        "C2,C♯3,13,true",
        "C2,C4,24,true",
        "C2,D4,26,true",
        "C2,A2,9,true",
        "E2,D♭3,9,true",
        "F2,D♭3,8,true",
        "G3,B2,8,false",
        "G2,B1,8,true",
        "A2,A♭1,13,true",
        "C3,C2,12,false",
        "C2,C2,0,false"
    })
    void a_bass_moves_and_leaps(String from, String to, double moved, boolean leaps) {
        assertThat(own(to, "").bassMovement(own(from, ""))).isEqualTo(moved);
        assertThat(own(to, "").leaps(own(from, ""))).isEqualTo(leaps);
    }

    @Test
    void a_bass_that_is_not_there_moves_nowhere_and_lies_nowhere() {
        assertThat(own("-", "").bassMovement(own("C2", ""))).isZero();
        assertThat(own("C2", "").bassMovement(own("-", ""))).isZero();
        assertThat(own("-", "").bassFromHome()).isZero();
        assertThat(own("-", "").hasBass()).isFalse();
        assertThat(own("C2", "").hasBass()).isTrue();
    }

    /** HANDBOOK §5: at home around D2; a deep bass that jumps to its chord stands no higher than B♭2. */
    @ParameterizedTest
    @CsvSource({"D2,'',0", "E2,'',2", "C2,'',2", "B♭2,A3 C4,8", "B2,A3 C4,29", "B2,'',9"})
    void how_far_a_bass_is_from_home(String bass, String upper, double away) {
        assertThat(own(bass, upper).bassFromHome()).isEqualTo(away);
    }

    @ParameterizedTest
    @CsvSource({"'',0", "A3,0", "G3 B3,0", "C4 E4,5", "C3 E3,7"})
    void how_far_a_chord_is_from_home(String upper, double away) {
        assertThat(own("C2", upper).farFromHome()).isEqualTo(away);
    }

    @ParameterizedTest
    @CsvSource({
        "E3 G3 C4,F3 A3 C4,0",
        "E3 G3 C4,E3 G3 E4,0",
        "E3 G3 C4,E3 G3 F4,1",
        "E3 G3 C4,E3 G3 C5,8",
        "E3 G3 C4,E3 G3 G3,1",
        "C4,C5,0",
        "E3 G3,C5,0"
    })
    void the_top_of_a_chord_leaps_over_a_major_third(String from, String to, int over) {
        assertThat(own("C2", to).topLeap(own("C2", from))).isEqualTo(over);
        assertThat(own("C6", to).topLeap(own("C2", from)))
                .as("with its bass in it")
                .isZero();
    }

    @ParameterizedTest
    @CsvSource({"F3,E3 G3,false", "F3,E♭3 G3,false", "F3,F3 A3,false", "F3,D3 G3,true", "F3,F♯3 A3,true", "F3,E3,false"
    })
    void a_seventh_hangs_where_nothing_is_a_step_below(String seventh, String next, boolean hangs) {
        Candidate dominant = at("G1", "F3 B3 D4", BassLine.Basses.OWN, 0, -1, new Candidate.Seventh.On(key(seventh)));
        assertThat(own("C2", next).leavesHanging(dominant)).isEqualTo(hangs);
        assertThat(own("C2", next).leavesHanging(own("G1", "F3 B3 D4")))
                .as("nothing is on its way")
                .isFalse();
    }

    /** Nothing is won by leaving out what would have to be resolved. */
    @Test
    void a_seventh_that_is_left_out_hangs_too() {
        Candidate silent = at("G1", "G3 B3 D4", BassLine.Basses.OWN, 0, -1, Candidate.Seventh.SILENT);
        assertThat(own("C2", "E3 G3").leavesHanging(silent)).isTrue();
    }

    private static Candidate smooth(String bass, int inversion) {
        return at(bass, "", BassLine.Basses.INVERSIONS, inversion, -1, Candidate.Seventh.FREE);
    }

    /** A six-four is passed through by step or stands over a bass that stays (common practice). */
    @ParameterizedTest
    @CsvSource({
        "C3,D3,0,0,0",
        "C3,C3,0,0,1.5",
        "C3,E3,0,0,2",
        "C3,G3,0,0,5",
        "C3,F3,0,2,11",
        "C3,D3,0,2,0",
        "G3,G3,2,0,1.5",
        "G3,C3,2,0,13",
        "C3,E3,0,1,2"
    })
    void a_smooth_line_steps(String from, String to, int inversionBefore, int inversion, double unstepped) {
        assertThat(smooth(to, inversion).unstepped(smooth(from, inversionBefore)))
                .isEqualTo(unstepped);
        assertThat(smooth(to, inversion).bassMovement(smooth(from, inversionBefore)))
                .as("counted as a line only")
                .isZero();
        assertThat(own(to, "").unstepped(smooth(from, inversionBefore)))
                .as("another line")
                .isZero();
    }

    private static Candidate inHand(String bass, String position) {
        return at(bass, "", BassLine.Basses.HAND, 0, key(position), Candidate.Seventh.FREE);
    }

    @Test
    void a_hand_that_stays_lies_over_a_fifth_and_moves_only_where_it_must() {
        assertThat(inHand("C3", "C3").handMovement(inHand("G3", "C3"))).isZero();
        assertThat(inHand("D3", "D3").handMovement(inHand("G3", "C3"))).isEqualTo(4);
        assertThat(inHand("F3", "C3").handMovement(inHand("E♭4", "C3")))
                .as("a minor seventh")
                .isEqualTo(8);
        assertThat(inHand("F3", "C3").handMovement(inHand("E4", "C3")))
                .as("a major one")
                .isEqualTo(8);
        assertThat(inHand("F3", "C3").handMovement(inHand("F4", "C3")))
                .as("an octave")
                .isZero();
        assertThat(own("C3", "").handMovement(inHand("G3", "C3"))).isZero();
        assertThat(inHand("G3", "C3").handStretch()).isZero();
        assertThat(inHand("A3", "C3").handStretch()).isEqualTo(2);
        assertThat(inHand("B2", "C3").handStretch()).isEqualTo(1);
        assertThat(own("B2", "").handStretch()).isZero();
        assertThat(inHand("C3", "E2").bassFromHome()).as("of little weight").isEqualTo(0.04);
    }

    @Test
    void a_pedal_changes_where_its_key_does() {
        Candidate pedal = at("C2", "", BassLine.Basses.PEDAL);
        assertThat(at("G2", "", BassLine.Basses.PEDAL).changesPedal(pedal)).isTrue();
        assertThat(at("C2", "", BassLine.Basses.PEDAL).changesPedal(pedal)).isFalse();
        assertThat(own("G2", "").changesPedal(pedal)).isFalse();
    }

    /** Nearest inversions: C, F and G in one place have F on its fifth (common practice: C E G, C F A, B D G). */
    @Test
    void an_inversion_may_stand_on_the_fifth() {
        Arrangement arrangement = Played.arrange(
                "Key: C~C | F | C | G", Choices.figure("nearest-inversions").endsHeld(false));
        assertThat(arrangement.strokes().stream().filter(stroke -> stroke.bar() == 1))
                .anyMatch(stroke -> lowest(stroke).equals("C"));
    }

    /**
     * The leading tone is struck once: over D7 in G no chord above an F♯ in the bass has another one, where it can be
     * helped.
     */
    @Test
    void a_leading_tone_is_not_doubled_where_it_can_be_helped() {
        Arrangement arrangement = Played.arrange(
                "Key: G~G | D7/F♯ | G | D7/F♯",
                Choices.figure("bass-and-two").endsHeld(false).with(LeftChoice.VOICING, "guide-tones"));
        arrangement.strokes().stream()
                .filter(stroke -> stroke.bar() % 2 == 1)
                .forEach(stroke -> assertThat(stroke.notes().stream()
                                .filter(note ->
                                        note.pitch().pitchClass().toString().equals("F♯"))
                                .count())
                        .isLessThanOrEqualTo(1));
    }

    private static String lowest(Stroke stroke) {
        return stroke.notes().get(0).pitch().pitchClass().toString();
    }
}
