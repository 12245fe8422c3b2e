package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.lefthand.Played.arrange;
import static zapateo.lefthand.Played.notes;
import static zapateo.lefthand.Played.times;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;

/**
 * The left hand's worked examples of EXAMPLES.md, by number; other octaves and inversions are as good and said where
 * they come out.
 */
class LeftHandExamplesTest {

    @ParameterizedTest(name = "example {0}: {2} on {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "1; Key: E♭~E♭ B♭7 A♭/C; spread-eighths; E♭2 B♭2 G3 B♭2 E♭2 B♭2 G3 B♭2 | B♭1 A♭2 D3 A♭2 B♭1 A♭2 D3 "
                        + "A♭2 | C2 A♭2 E♭3 A♭2 C2 A♭2 E♭3 A♭2",
                "2 (in half a bar the tenth stands for the octave, so that the chord keeps its third); Key: "
                        + "Em~Meter: 6/8~Em | Em C; sixes; E2 B2 E3 G3 E3 B2 | E2 B2 G3 C2 G2 E3",
                "3; Key: D♭~D♭; sixteenth-circle; D♭2 A♭2 F3 D♭2 A♭2 F3 D♭2 A♭2 F3 D♭2 A♭2 F3 D♭2 A♭2 F3 D♭2",
                "4; Key: D~D; low-high-middle-high; D3 A3 F♯3 A3 D3 A3 F♯3 A3",
                "5; Key: B♭~B♭ E♭ F Gm; nearest-inversions; B♭3 F4 D4 F4 B♭3 F4 D4 F4 | B♭3 G4 E♭4 G4 B♭3 G4 E♭4 G4 "
                        + "| A3 F4 C4 F4 A3 F4 C4 F4 | B♭3 G4 D4 G4 B♭3 G4 D4 G4",
                "10; Key: F~Feel: shuffle~F; shuffle-fifth-sixth; F2+C3 F2+C3 F2+D3 F2+D3 F2+C3 F2+C3 F2+D3 F2+D3",
                "11; Key: Dm~Dm; habanera; D2 A2 D3 A2 D2 A2 D3 A2",
                "12; Key: B♭~B♭; three-three-two; B♭1 F2 B♭2",
                "13; Key: Dm~Dm A7 Dm; anticipated-bass; D2 A2 A1 | E2 D2 | A1",
                "14; Key: Fm~Fm; hand-split; F2 R:A♭3+C4+F4 C3 F3 R:A♭3+C4+F4 R:A♭3+C4+F4 C3 R:A♭3+C4+F4",
                "15; Key: Cm~Cm7 F7; bossa; C2 G2 G2 F2 | F2 C2 C2",
                "16; Key: G~Meter: 3/4~G D/F♯ G G; bass-and-two; G2 D3+G3+B3 D3+G3+B3 "
                        + "| F♯2 D3+A3 D3+A3 | G2 D3+G3+B3 D3+G3+B3 | D2 D3+G3+B3 D3+G3+B3",
                "17; Key: D♭~D♭ D♭; gospel-one-five; D♭2 G2 A♭2 C2 | D♭2 G2 A♭2",
                "9; Key: F~F7 B♭7 C7; tritone-comping; E♭3+A3 E♭3+A3 | D3+A♭3 D3+A♭3 | E3+B♭3 E3+B♭3",
                "23; Key: F~F B♭7; boogie-rocking; F2 C3 F2 D3 | B♭1 F2 B♭1 G2"
            })
    void figures(String number, String chart, String figure, String expected) {
        assertThat(notes(arrange(chart, Choices.figure(figure).endsHeld(false))))
                .isEqualTo(expected);
    }

    /** Times of EXAMPLES 3 and 10 to 13, in ticks from the bar line. */
    @ParameterizedTest(name = "{0}: {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "Feel: shuffle~F; shuffle-fifth-sixth; 0 640 960 1600 1920 2560 2880 3520",
                "Dm; habanera; 0 720 960 1440 1920 2640 2880 3360",
                "B♭; three-three-two; 0 1440 2880",
                "Meter: 2/4~Dm; habanera; 0 720 960 1440"
            })
    void sounding_times(String chart, String figure, String ticks) {
        assertThat(arrange(chart, Choices.figure(figure)).left().strokes())
                .extracting(stroke -> String.valueOf(stroke.sounding().tick()))
                .isEqualTo(List.of(ticks.split(" ")));
    }

    /** EXAMPLES 12 and 13: lengths, and the tie over the bar line. */
    @Test
    void lengths() {
        assertThat(times(arrange("B♭", Choices.figure("three-three-two")))).isEqualTo("0:1440 1440:1440 2880:960");
        assertThat(times(arrange("Dm A7 Dm", Choices.figure("anticipated-bass"))))
                .isEqualTo("0:1440 1440:1440 2880:2400 | 1440:1440 2880:2400 | 1440:2400");
        assertThat(times(arrange("C F", Choices.figure("push")))).isEqualTo("0:3360 3360:4320 | ");
    }

    /** EXAMPLES 6: chords stay where they are and move a step; none leaves C3 to G4. The inversion may be another. */
    @Test
    void example_6_stride() {
        Arrangement stride = arrange("Key: A♭~Feel: swing~| A♭6 | B♭m7 E♭7 |", Choices.figure("stride-root-chord"));
        assertThat(notes(stride)).isEqualTo("A♭1 E♭3+F3+A♭3+C4 E♭2 E♭3+F3+A♭3+C4 | B♭1 D♭3+F3+A♭3+B♭3 E♭2 D♭3+G3+B♭3");
        assertThat(stride.left().strokes().stream()
                        .filter(stroke -> stroke.notes().size() > 1))
                .allMatch(stroke ->
                        stroke.lowest().midi() >= 48 && stroke.highest().midi() <= 67);
    }

    /** EXAMPLES 7: the tenth keeps the beat, its bass comes before it; bar 1 borrows its time from a pick-up. */
    @ParameterizedTest
    @ValueSource(ints = {60, 80, 100, 126})
    void example_7_quick_roll(int tempo) {
        Arrangement rolled = arrange("Key: D♭~Tempo: " + tempo + "~D♭ A♭7 D♭", Choices.figure("rolled-tenths"));
        Stroke first = rolled.left().strokes().get(0);
        assertThat(first.notes()).extracting(note -> note.pitch().toString()).containsExactly("D♭2", "F3");
        assertThat(first.sounding().tick()).isZero();
        assertThat(first.notes())
                .extracting(PartNote::delayTicks)
                .containsExactly(-first.roll().orElseThrow().leadTicks(), 0);
        assertThat(rolled.song()
                        .tempo()
                        .millisecondsOf(first.roll().orElseThrow().leadTicks()))
                .isBetween(1.0, 120.0);
        assertThat(rolled.song().bars().get(0).number()).isEqualTo(1);
        assertThat(first.firstTick()).isNegative().isEqualTo(-rolled.leadInTicks());
    }

    /** EXAMPLES 7: the broken tenth has its bass on the off-beat before, swung if the song swings. */
    @Test
    void example_7_broken_tenth() {
        Stroke straight = arrange("Key: D♭~Tempo: 100~D♭ A♭7", Choices.figure("broken-tenths"))
                .left()
                .strokes()
                .get(0);
        assertThat(straight.roll()).contains(new Roll(Roll.Kind.BROKEN, 480, 480));
        Stroke swung = arrange("Key: D♭~Tempo: 100~Feel: shuffle~D♭ A♭7", Choices.figure("broken-tenths"))
                .left()
                .strokes()
                .get(0);
        assertThat(swung.notes()).extracting(PartNote::delayTicks).containsExactly(-320, 0);
    }

    /**
     * EXAMPLES 8: root on 1, a semitone or a step into each next root, no leap over an octave, turning back before it
     * gets too high.
     */
    @Test
    void example_8_walking() {
        List<Stroke> line = arrange(
                        "Key: B♭~Feel: swing~B♭ Gm7 Cm7 F7 B♭",
                        Choices.figure("walking").endsHeld(false))
                .left()
                .strokes();
        List<Integer> keys = line.stream().map(stroke -> stroke.lowest().midi()).toList();
        assertThat(Stream.of(0, 4, 8, 12, 16)
                        .map(i -> line.get(i).lowest().pitchClass().toString()))
                .containsExactly("B♭", "G", "C", "F", "B♭");
        for (int i = 1; i < keys.size(); i++) {
            assertThat(Math.abs(keys.get(i) - keys.get(i - 1))).isBetween(i % 4 == 0 ? 1 : 0, i % 4 == 0 ? 2 : 12);
        }
        assertThat(keys).allMatch(key -> key >= 28 && key <= 52);
    }

    /** EXAMPLES 18 to 22 and 24, and the leads of HANDBOOK §6: octaves may differ. */
    @ParameterizedTest(name = "example {0}")
    @CsvSource(
            delimiter = ';',
            value = {
                "18; Key: A♭~A♭ D♭; two-feel; root; walk-up; A♭1 B♭1 C♭2 C2 | D♭2 A♭1",
                "19; Key: E♭~| A♭ E♭/G | Fm E♭ |; held; root; none; A♭2 G2 | F2 E♭2",
                "19 by inversions; Key: E♭~| A♭ E♭ | Fm E♭ |; held; smooth; none; A♭2 G2 | F2 E♭2",
                "19 as a lead-in; Key: E♭~| A♭ | E♭ |; two-feel; root; cadence; A♭2 G2 F2 | E♭2 E♭2",
                "20; Key: F~F B♭/F C7/F F; held; root; none; F2 | F2 | F2 | F2",
                "20 as a pedal point; Key: F~F B♭ C7 F; held; pedal; none; F2 | F2 | F2 | F2",
                "21; Key: E~E A C♯m B; held; five-finger; none; E3 | A2 | C♯3 | B2",
                "22 from below; Key: F~F B♭; two-feel; root; below; F2 F2 A1 | B♭1 B♭1",
                "22 from above; Key: F~F B♭; two-feel; root; scale-above; F2 F2 C2 | B♭1 B♭1",
                "22 as a run; Key: F~F B♭; two-feel; root; run; F2 F2 F1 G1 A1 | B♭1 B♭1"
            })
    void lines(String number, String chart, String figure, String line, String leadIn, String expected) {
        Choices choices = Choices.figure(figure)
                .with(LeftChoice.VOICING, "single")
                .with(LeftChoice.BASS_LINE, line)
                .with(LeftChoice.LEAD_IN, leadIn);
        Choices plain = number.startsWith("18") ? Choices.figure(figure).with(LeftChoice.LEAD_IN, leadIn) : choices;
        assertThat(notes(arrange(chart, plain))).isEqualTo(expected);
    }

    /** EXAMPLES 24: the last bar is one spread chord, rolled, held with the pedal. */
    @Test
    void example_24_ending() {
        Arrangement ended =
                arrange("Key: E♭~E♭ B♭7 E♭", Choices.figure("spread-eighths").endsHeld(true));
        List<Stroke> last = ended.left().strokes().stream()
                .filter(stroke -> stroke.bar() == 2)
                .toList();
        assertThat(last).hasSize(1);
        assertThat(last.get(0).notes())
                .extracting(note -> note.pitch().toString())
                .containsExactly("E♭2", "B♭2", "G3");
        assertThat(last.get(0).roll()).isPresent();
        assertThat(last.get(0).written().ticks()).isEqualTo(3840);
        assertThat(ended.pedal().get(ended.pedal().size() - 1).up())
                .isEqualTo(ended.song().ticks());
    }
}
