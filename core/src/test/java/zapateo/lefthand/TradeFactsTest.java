package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static zapateo.lefthand.Played.arrange;
import static zapateo.lefthand.Played.notes;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.song.SeededCharts;

/** Facts of the trade as tables: common practice and HANDBOOK §5 unless another source is said. */
class TradeFactsTest {

    static Stream<String> roots() {
        return Stream.of("C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B");
    }

    @ParameterizedTest
    @MethodSource("roots")
    void the_seventh_of_a_dominant_is_a_whole_tone_under_its_root_and_its_shell_a_tritone(String root) {
        ChordSymbol chord = ChordSymbol.parse(root + "7");
        int seventh = chord.tone(chord.quality().tone(7).orElseThrow()).chroma();
        assertThat(Math.floorMod(chord.root().chroma() - seventh, 12)).isEqualTo(2);
        Stroke shell = arrange(root + "7", Choices.figure("charleston"))
                .left()
                .strokes()
                .get(0);
        assertThat(shell.notes()).hasSize(2);
        assertThat(shell.highest().midi() - shell.lowest().midi()).isEqualTo(6);
    }

    /** IV7's shell lies a semitone below I7's, V7's a semitone above. */
    @ParameterizedTest
    @MethodSource("roots")
    void shells_of_a_blues_move_by_semitones(String root) {
        ChordSymbol one = ChordSymbol.parse(root + "7");
        String four = one.root().plus(Interval.parse("4")).simple() + "7";
        String five = one.root().plus(Interval.parse("5")).simple() + "7";
        List<Stroke> shells = arrange(root + "7 " + four + " " + root + "7 " + five, Choices.figure("tritone-comping"))
                .left()
                .strokes();
        List<Integer> low = IntStream.of(0, 2, 4, 6)
                .mapToObj(i -> shells.get(i).lowest().midi())
                .toList();
        assertThat(low.get(1) - low.get(0)).isEqualTo(-1);
        assertThat(low.get(3) - low.get(2)).isEqualTo(1);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9})
    void close_chords_of_stride_lie_between_c3_and_g4(int seed) {
        Arrangement stride =
                Played.ARRANGER.arrange(SeededCharts.song(seed), Choices.figure("stride-root-chord"), Played.LARGE);
        assertThat(stride.left().strokes().stream()
                        .filter(stroke -> stroke.reason().args().get("stroke").equals("c")))
                .allMatch(stroke ->
                        stroke.lowest().midi() >= 48 && stroke.highest().midi() <= 67);
    }

    /**
     * Recomputed from the formula: six partials of 0.88, the smaller amplitude as weight (Sethares 1993; the figures of
     * HANDBOOK §5).
     */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "G2 B2 D3, 2.4",
        "E♭2 G2 B♭2, 2.9",
        "G2 D3 B3, 1.4",
        "E♭2 B♭2 G3, 1.7",
        "G3 B3 D4, 1.3",
        "G1 B1, 4.7",
        "G2 B2, 2.8",
        "B♭1 F2 D3, 2.3",
        "C4 E4 G4, 1.0"
    })
    void roughness(String notes, double times) {
        assertThat(Roughness.of(Stream.of(notes.split(" "))
                        .mapToInt(name -> Pitch.parse(name).midi())
                        .toArray()))
                .isCloseTo(times, within(0.05));
    }

    /** For all twelve roots below C3. */
    @ParameterizedTest
    @ValueSource(ints = {36, 37, 38, 39, 40, 41, 42, 43, 44, 45, 46, 47})
    void a_spread_triad_is_less_rough_than_a_close_one_on_the_same_bass(int bass) {
        assertThat(Roughness.of(bass, bass + 7, bass + 16)).isLessThan(Roughness.of(bass, bass + 4, bass + 7));
        assertThat(Roughness.of(bass, bass + 7, bass + 15)).isLessThan(Roughness.of(bass, bass + 3, bass + 7));
    }

    /** The voicings of HANDBOOK §5, each on a chord it is for. */
    @ParameterizedTest(name = "{1} of {0}: {2}")
    @CsvSource({
        "C, single, C2",
        "C, octave, C2+C3",
        "C, open-fifth, C2+G2",
        "C, fifth-octave, C2+G2+C3",
        "C, tenth, C2+E3",
        "E♭, spread, E♭2+B♭2+G3",
        "C6, spread-sixth, C2+A2+E3",
        "F7, spread-sixth, F2+E♭3+A3",
        "Dm, spread-sixth, D2+A2+F3",
        "C, open-ninth, C2+G2+D3",
        "Dm7, fourths, D3+G3+C4",
        "Dm7, rooted-shell, D2+F3",
        "Dm7, rootless, F3+A3+C4+E4",
        "G7, rootless, F3+A3+B3+E4",
        "A♭/C, spread, C2+A♭2+E♭3",
        "C5, spread, C2+G2+C3",
        "Csus4, tenth, C2+F3"
    })
    void voicings(String chord, String voicing, String notes) {
        assertThat(notes(arrange("Key: C~" + chord, Choices.figure("held").with(LeftChoice.VOICING, voicing))))
                .isEqualTo(notes);
    }

    /**
     * HANDBOOK §5: fourths are for modal m7, rootless shapes for sevenths; other chords take what is nearest in kind.
     */
    @Test
    void a_voicing_that_does_not_fit_a_chord_gives_way() {
        assertThat(notes(arrange("Key: C~C", Choices.figure("held").with(LeftChoice.VOICING, "fourths"))))
                .isEqualTo("C2+G2");
        assertThat(notes(arrange("Key: C~C", Choices.figure("pulse-quarters").with(LeftChoice.VOICING, "rootless")))
                        .split(" ")[0]
                        .split("\\+"))
                .hasSize(3);
    }

    /** The fourth falls to the third in the second half of the bar. */
    @Test
    void a_suspended_eleventh_falls() {
        assertThat(notes(arrange("Key: C~C", Choices.figure("held").with(LeftChoice.VOICING, "eleventh"))))
                .isEqualTo("C2+G2+F3 C2+G2+E3");
    }

    /** HANDBOOK §5, doubling: a major third in the bass is left out of the chord above. */
    @Test
    void the_third_in_the_bass_is_not_doubled() {
        for (String chord : List.of("D/F♯", "G/B", "A7/C♯", "E♭/G")) {
            ChordSymbol symbol = ChordSymbol.parse(chord);
            assertThat(arrange("Meter: 3/4~" + chord, Choices.figure("bass-and-two"))
                            .left()
                            .strokes()
                            .get(1)
                            .notes())
                    .noneMatch(note ->
                            note.pitch().pitchClass().chroma() == symbol.bass().chroma());
        }
    }

    /** HANDBOOK §6: of a slash chord its bass and its root; of m7♭5 and dim the ♭5, of aug the ♯5. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"C, C2 G1", "D/F♯, F♯2 D2", "Bø, B1 F2", "B°, B1 F2", "E♭+, E♭2 B1", "F, F2 C2"})
    void bass_and_fifth(String chord, String notes) {
        List<Stroke> bar = arrange("Key: C~" + chord, Choices.figure("stride-root-chord"))
                .left()
                .strokes();
        assertThat(bar.get(0).lowest() + " " + bar.get(2).lowest()).isEqualTo(notes);
    }
}
