package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.part.LowIntervalLimits;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

class LeftHandTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final Hand LARGE = Hand.of(240);

    /** EXAMPLES, by number; the notes of each bar, one stroke after another. */
    @ParameterizedTest(name = "example {0}: {2} on {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "1;  Key: E♭~E♭ B♭7 A♭/C; spread-eighths; E♭2 B♭2 G3 B♭2 E♭2 B♭2 G3 B♭2 | B♭1 A♭2 D3 A♭2 B♭1 A♭2 D3 "
                        + "A♭2 | C2 A♭2 E♭3 A♭2 C2 A♭2 E♭3 A♭2",
                "4;  Key: D~D; low-high-middle-high; D3 A3 F♯3 A3 D3 A3 F♯3 A3",
                "after 2 (its chords, another figure); Meter: 6/8~| Em C |; spread-eighths; E2 B2 G3 C2 G2 E3",
                "16; Key: G~Meter: 3/4~G D/F♯ G G; bass-and-two; G2 D3+G3+B3 D3+G3+B3 "
                        + "| F♯2 D3+A3 D3+A3 | G2 D3+G3+B3 D3+G3+B3 | D2 D3+G3+B3 D3+G3+B3"
            })
    void worked_examples_come_out_as_a_pianist_writes_them(String number, String chart, String figure, String notes) {
        assertThat(notes(
                        arrange(chart.replace('~', '\n'), Choices.figure(figure).endsHeld(false))))
                .isEqualTo(notes);
    }

    /** The four voicings and what they become over a slash bass (HANDBOOK §5 and §6). */
    @ParameterizedTest(name = "{0} as {1}: {2}")
    @CsvSource({
        "C, single, C2",
        "C, octave, C2+C3",
        "C, open-fifth, C2+G2",
        "E♭, spread, E♭2+B♭2+G3",
        "A♭/C, single, C2",
        "A♭/C, octave, C2+C3",
        "D/F♯, open-fifth, F♯2+D3",
        "D/A, open-fifth, A2+F♯3",
        "A♭/C, spread, C2+A♭2+E♭3",
        "C/G, spread, G2+E3+C4",
        "C7/B♭, spread, B♭2+G3+E4",
        "B♭7, spread, B♭2+A♭3+D4",
        "Csus4, open-fifth, C2+G2",
        "E♭+, open-fifth, E♭2+B2",
        "Bø, open-fifth, B2+F3",
        "Fsus4, spread, F2+C3+B♭3"
    })
    void voicings_take_their_tones(String chord, String voicing, String notes) {
        assertThat(notes(arrange("| " + chord + " |", Choices.figure("held").with(LeftChoice.VOICING, voicing))))
                .isEqualTo(notes);
    }

    /** HANDBOOK §5: held together, B♭2 A♭3 D4 is clearer than an octave lower (EXAMPLES 1). */
    @Test
    void a_muddy_place_is_left_for_a_clear_one() {
        assertThat(LowIntervalLimits.broken(placed("B♭1 A♭2 D3"))).isEqualTo(2);
        assertThat(LowIntervalLimits.broken(placed("B♭2 A♭3 D4"))).isZero();
        assertThat(LowIntervalLimits.broken(placed("G2 B2 D3"))).isPositive();
        assertThat(LowIntervalLimits.broken(placed("G2 D3 B3"))).isZero();
    }

    @Test
    void what_a_small_hand_cannot_span_is_rolled_upward_from_the_beat_within_120_ms() {
        Song song = song("Tempo: 80\nD♭");
        Stroke small = ARRANGER.arrange(song, Choices.figure("held").with(LeftChoice.VOICING, "spread"), Hand.of(180))
                .left()
                .strokes()
                .get(0);
        assertThat(small.roll()).isPresent();
        assertThat(small.roll().orElseThrow().leadTicks()).isZero();
        assertThat(song.tempo().millisecondsOf(small.roll().orElseThrow().spreadTicks()))
                .isLessThanOrEqualTo(120);
        assertThat(small.notes())
                .extracting(PartNote::delayTicks)
                .isSorted()
                .startsWith(0)
                .doesNotHaveDuplicates();
        Stroke large = ARRANGER.arrange(song, Choices.figure("held").with(LeftChoice.VOICING, "spread"), LARGE)
                .left()
                .strokes()
                .get(0);
        assertThat(large.roll()).isEmpty();
    }

    @Test
    void silence_is_kept_silent() {
        assertThat(arrange("| C | N.C. | C N.C. |", Choices.figure("pulse-quarters"))
                        .left()
                        .strokes())
                .extracting(stroke -> stroke.written().tick())
                .containsExactly(0, 960, 1920, 2880, 7680, 8640);
    }

    @Test
    void the_same_input_gives_the_same_output() {
        for (int seed = 0; seed < 20; seed++) {
            assertThat(ARRANGER.arrange(SeededCharts.song(seed), Choices.figure("bass-and-two"), Hand.USUAL))
                    .isEqualTo(new Arranger(FigureBook.open())
                            .arrange(SeededCharts.song(seed), Choices.figure("bass-and-two"), Hand.USUAL));
        }
    }

    @Test
    void the_middle_register_keeps_off_the_low_keys() {
        Arrangement arrangement =
                arrange("C A♭ E7 B♭m", Choices.figure("spread-eighths").with(LeftChoice.REGISTER, Register.MIDDLE));
        assertThat(arrangement.left().strokes())
                .allSatisfy(stroke -> assertThat(stroke.lowest().midi()).isGreaterThanOrEqualTo(48));
    }

    private static List<PartNote> placed(String notes) {
        return Stream.of(notes.split(" "))
                .map(name -> PartNote.of(Pitch.parse(name), Role.BASS))
                .toList();
    }

    private static Song song(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    private static Arrangement arrange(String chart, Choices choices) {
        return ARRANGER.arrange(song(chart), choices, LARGE);
    }

    private static String notes(Arrangement arrangement) {
        return arrangement.left().strokes().stream()
                .collect(Collectors.groupingBy(Stroke::bar, java.util.TreeMap::new, Collectors.toList()))
                .values()
                .stream()
                .map(bar -> bar.stream()
                        .map(stroke -> stroke.notes().stream()
                                .map(note -> note.pitch().toString())
                                .collect(Collectors.joining("+")))
                        .collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    /**
     * What is struck on the last eighth has no time left where the next chord comes on it: one stroke there, of the
     * chord that comes, and none of no length.
     */
    @Test
    void an_early_chord_takes_the_place_of_what_would_be_struck_with_it() {
        List<Stroke> strokes = Played.ARRANGER
                .arrange(Played.song("Tempo: 100~| C | >F | C |"), Choices.figure("spread-eighths"), Hand.USUAL)
                .left()
                .strokes();
        assertThat(strokes)
                .allSatisfy(stroke -> assertThat(stroke.written().ticks()).isPositive());
        List<Stroke> there = strokes.stream()
                .filter(stroke -> stroke.written().tick() == 3840 - 480)
                .toList();
        assertThat(there).hasSize(1);
        assertThat(there.get(0).notes().get(0).pitch().pitchClass()).hasToString("F");
        assertThat(there.get(0).bar()).isZero();
    }

    /** Nothing leads into a chord that comes early: its own stroke stands where the last step would. */
    @Test
    void a_lead_in_gives_way_to_an_early_chord() {
        Choices led = Choices.figure("two-feel").with(LeftChoice.LEAD_IN, "scale");
        assertThat(Played.arrange("Key: C~| C | F | C | C |", led).strokes())
                .anyMatch(stroke -> stroke.nature().origin() == Origin.LEAD_IN && stroke.bar() == 0);
        assertThat(Played.arrange("Key: C~| C | >F | C | C |", led).strokes())
                .noneMatch(stroke -> stroke.nature().origin() == Origin.LEAD_IN && stroke.bar() == 0);
    }
}
