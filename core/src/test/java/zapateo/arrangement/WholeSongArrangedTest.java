package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.format.Hands;
import zapateo.format.MidiWriter;
import zapateo.format.MusicXmlWriter;
import zapateo.hand.Hand;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** The signs of whole songs as a left hand plays them: chords that come early, pick-ups, repeats, changes of tempo. */
class WholeSongArrangedTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    private static Arrangement arrange(String chart, String figure) {
        return ARRANGER.arrange(ChartParser.parse(chart).song().orElseThrow(), Choices.figure(figure), Hand.of(240));
    }

    private static String strokes(Arrangement arrangement) {
        return arrangement.left().strokes().stream()
                .map(stroke -> stroke.bar() + "@" + stroke.written().tick() + ":"
                        + stroke.written().ticks() + " "
                        + stroke.notes().stream()
                                .map(PartNote::pitch)
                                .map(Object::toString)
                                .collect(Collectors.joining("+")))
                .collect(Collectors.joining(", "));
    }

    /**
     * Common practice: an anticipated chord is struck on the eighth before and tied over the bar line; nothing is
     * struck on 1.
     */
    @Test
    void a_chord_that_comes_early_is_struck_an_eighth_before_its_bar_and_tied_over() {
        assertThat(strokes(arrange("| C | >F |", "held")))
                .isEqualTo("0@0:3360 " + voicing("C") + ", 0@3360:4320 " + voicing("F"));
        List<Stroke> eighths = arrange("| C | >F |", "spread-eighths").left().strokes();
        assertThat(eighths.stream().filter(stroke -> stroke.written().tick() == 3360))
                .hasSize(1)
                .allSatisfy(stroke -> {
                    assertThat(stroke.notes().get(0).pitch().pitchClass()).hasToString("F");
                    assertThat(stroke.written().ticks()).isEqualTo(960);
                    assertThat(stroke.bar()).isZero();
                });
        assertThat(eighths.stream().filter(stroke -> stroke.written().tick() == 3840))
                .isEmpty();
    }

    private static String voicing(String chord) {
        return arrange("| " + chord + " |", "held").left().strokes().get(0).notes().stream()
                .map(note -> note.pitch().toString())
                .collect(Collectors.joining("+"));
    }

    @Test
    void the_pedal_is_changed_where_the_early_chord_is_struck() {
        Arrangement arrangement = arrange("| C | >F |", "held");
        assertThat(arrangement.pedal().get(0).up()).isEqualTo(3360);
        assertThat(arrangement.pedal().get(1).down()).isBetween(3361, 3840);
        assertThat(arrangement.pedal().get(1).up()).isEqualTo(7680);
    }

    @Test
    void an_early_chord_is_written_with_a_tie_over_the_bar_line() {
        String score = new String(
                MusicXmlWriter.write(arrange("| C | >F |", "held"), Hands.LEFT),
                java.nio.charset.StandardCharsets.UTF_8);
        String first = score.substring(score.indexOf("<measure number=\"1\""), score.indexOf("<measure number=\"2\""));
        String second = score.substring(score.indexOf("<measure number=\"2\""));
        assertThat(first).contains("<tie type=\"start\"/>");
        assertThat(second).contains("<tie type=\"stop\"/>").doesNotContain("<type>eighth</type>");
    }

    @Test
    void an_early_chord_swings_with_the_off_beat_it_is_struck_on() {
        Arrangement arrangement = arrange("Feel: shuffle\n| C | >F |", "held");
        assertThat(arrangement.left().strokes().get(1).sounding().tick())
                .as("the last third of beat 4")
                .isEqualTo(3840 - 320);
    }

    @Test
    void a_pick_up_is_as_short_as_it_says_and_the_bars_after_it_are_whole() {
        Arrangement arrangement = arrange("| (pickup 1) G7 | C | C |", "pulse-quarters");
        assertThat(arrangement.left().strokes().stream()
                        .map(stroke -> stroke.written().tick()))
                .containsExactly(0, 960, 1920, 2880, 3840, 4800, 5760, 6720, 7680);
        assertThat(arrangement.song().ticks()).isEqualTo(8640);
    }

    @Test
    void repeats_are_played_out_and_each_round_is_voiced() {
        Arrangement arrangement = arrange("|: C | F :| x3", "held");
        assertThat(arrangement.left().strokes()).hasSize(6);
        assertThat(arrangement.left().strokes()).extracting(Stroke::bar).containsExactly(0, 1, 2, 3, 4, 5);
    }

    static IntStream seeds() {
        return IntStream.range(0, 150);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatever_signs_a_song_has_its_left_hand_keeps_to_its_bars_and_can_be_written(int seed) {
        Song song = ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow();
        for (String figure : List.of("held", "spread-eighths", "bass-and-two")) {
            Arrangement arrangement = ARRANGER.arrange(song, Choices.figure(figure), Hand.USUAL);
            int before = -1;
            for (Stroke stroke : arrangement.left().strokes()) {
                assertThat(stroke.written().tick())
                        .isBetween(
                                song.bars().get(stroke.bar()).tick(),
                                song.bars().get(stroke.bar()).end() - 1);
                assertThat(stroke.written().end()).isLessThanOrEqualTo(song.ticks());
                assertThat(stroke.written().tick()).isGreaterThanOrEqualTo(before);
                before = stroke.written().tick();
            }
            assertThat(arrangement.pedal().stream().reduce((one, two) -> {
                        assertThat(two.down()).isGreaterThanOrEqualTo(one.up());
                        return two;
                    }))
                    .isNotNull();
            assertThat(MusicXmlWriter.write(arrangement, Hands.BOTH)).isNotEmpty();
            assertThat(MidiWriter.write(arrangement, Hands.BOTH)).isNotEmpty();
        }
    }

    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "C13♯11",
                "Calt",
                "C5",
                "C11",
                "C7no3",
                "Cno5",
                "C6/9",
                "C°maj7",
                "Cm(maj9)",
                "C7sus4♭9/G",
                "Cmaj13♯11/F♯"
            })
    void every_kind_of_chord_can_be_played_by_every_figure(String chord) {
        for (String figure :
                FigureBook.open().figures().stream().map(each -> each.id()).toList()) {
            List<Stroke> strokes =
                    arrange("| " + chord + " | " + chord + " |", figure).left().strokes();
            assertThat(strokes).isNotEmpty();
            assertThat(strokes).allSatisfy(stroke -> assertThat(stroke.notes()).hasSizeLessThanOrEqualTo(5));
        }
    }
}
