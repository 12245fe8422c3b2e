package zapateo.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.hand.Hand;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.righthand.RightChoices;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** What a layer asks for, and when. */
class PassageTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final List<String> FIGURES =
            List.of("stride-tenths", "walking", "spread-eighths", "bass-and-two", "gospel-octave-walk", "held");

    static Stream<Integer> seeds() {
        return IntStream.range(0, 30).boxed();
    }

    private static Arrangement arrange(Song song, int seed) {
        return ARRANGER.arrange(
                song,
                Choices.figure(FIGURES.get(seed % FIGURES.size())).right(RightHand.of(RightChoices.Style.COMPING)),
                Hand.of(205));
    }

    private static Set<String> notes(Arrangement arrangement, Layer layer, double bpm) {
        return Passage.of(arrangement, 0, arrangement.song().bars().size() - 1, layer, bpm).notes().stream()
                .map(note -> note.stroke() + "." + note.note())
                .collect(Collectors.toSet());
    }

    /** Basses and chords make the left hand, the hands make both; nothing is asked twice. */
    @ParameterizedTest
    @MethodSource("seeds")
    void layers_part_what_is_played(int seed) {
        Arrangement arrangement = arrange(SeededCharts.song(seed), seed);
        double bpm = 90;
        Set<String> left = notes(arrangement, Layer.LEFT, bpm);
        Set<String> both = notes(arrangement, Layer.BOTH, bpm);
        Set<String> right = notes(arrangement, Layer.RIGHT, bpm);
        assertThat(both).hasSize(left.size() + right.size()).containsAll(left).containsAll(right);
        assertThat(both)
                .hasSize(arrangement.strokes().stream()
                        .mapToInt(stroke -> stroke.notes().size())
                        .sum());
        Set<String> basses = notes(arrangement, Layer.BASSES, bpm);
        Set<String> rest = left.stream().filter(note -> !basses.contains(note)).collect(Collectors.toSet());
        if (!rest.isEmpty()) {
            assertThat(notes(arrangement, Layer.CHORDS, bpm)).isEqualTo(rest);
        }
    }

    /**
     * At half the tempo everything comes at twice the time; the tolerance never passes 50 ms, nor 0.3 of the time to
     * the next onset of the hand.
     */
    @ParameterizedTest
    @MethodSource("seeds")
    void times_go_with_the_tempo(int seed) {
        Arrangement arrangement = arrange(SeededCharts.song(seed), seed);
        int last = arrangement.song().bars().size() - 1;
        List<Passage.Note> fast =
                Passage.of(arrangement, 0, last, Layer.BOTH, 120).notes();
        List<Passage.Note> slow =
                Passage.of(arrangement, 0, last, Layer.BOTH, 60).notes();
        for (int at = 0; at < fast.size(); at++) {
            assertThat(slow.get(at).ms()).isCloseTo(2 * fast.get(at).ms(), org.assertj.core.data.Offset.offset(0.01));
            assertThat(fast.get(at).tolerance()).isLessThanOrEqualTo(50).isPositive();
            assertThat(fast.get(at).tolerance())
                    .isLessThanOrEqualTo(0.3 * fast.get(at).between() + 1e-9);
        }
        assertThat(fast).isSortedAccordingTo((one, other) -> Double.compare(one.ms(), other.ms()));
    }

    @Test
    void a_run_of_bars_counts_from_its_own_bar_line() {
        Arrangement arrangement = arrange(
                ChartParser.parse("Key: C\nTempo: 120\n| C | F | G7 | C |")
                        .song()
                        .orElseThrow(),
                2);
        Passage third = Passage.of(arrangement, 2, 2, Layer.LEFT, 120);
        assertThat(third.notes().get(0).ms()).isZero();
        assertThat(third.notes()).allMatch(note -> note.bar() == 2 && note.hand() == Side.LEFT);
        assertThat(third.beatMs()).isEqualTo(500);
        assertThat(third.pedal().get(0).up()).isGreaterThan(third.pedal().get(0).down());
    }

    @ParameterizedTest(name = "{0}-{1} at {2}")
    @CsvSource({
        "0,4,90,expected some of the 4",
        "2,1,90,expected some of the 4",
        "-1,1,90,expected some of the 4",
        "0,1,5,expected 20 to 400",
        "0,1,900,expected 20 to 400"
    })
    void what_there_is_not_is_refused(int first, int last, double bpm, String told) {
        Arrangement arrangement =
                arrange(ChartParser.parse("Key: C\n| C | F | G7 | C |").song().orElseThrow(), 0);
        assertThatThrownBy(() -> Passage.of(arrangement, first, last, Layer.LEFT, bpm))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(told);
    }

    @Test
    void more_bars_than_anybody_loops_are_refused() {
        Arrangement arrangement = arrange(
                ChartParser.parse("Key: C\n" + "| C | F | G7 | C |\n".repeat(65))
                        .song()
                        .orElseThrow(),
                5);
        assertThat(Passage.of(arrangement, 0, 255, Layer.LEFT, 90).notes()).hasSizeGreaterThan(255);
        assertThatThrownBy(() -> Passage.of(arrangement, 0, 256, Layer.LEFT, 90))
                .hasMessageContaining("at most 256");
        assertThatThrownBy(() -> Layer.of("feet")).hasMessageContaining("basses");
    }
}
