package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** What is played where the melody rests (HANDBOOK §9). */
class FillsTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    private static Song song(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    private static List<Stroke> fills(Song song, long seed, List<Integer> plain) {
        return Fills.of(song, TuneHand.alone(song), List.of(), Hand.USUAL, seed, plain);
    }

    private static Arrangement arranged(Song song, long seed) {
        return ARRANGER.arrange(
                song,
                Choices.figure("two-feel")
                        .right(RightHand.of(RightChoices.Style.MELODY)
                                .with(RightChoice.FILLS, (long) seed)
                                .with(RightChoice.PLAIN, List.of())),
                Pianist.USUAL);
    }

    /** Only where it rests for a beat at least, inside the rest, and the melody stays as it is. */
    @Test
    void fills_stand_in_the_rests_and_nowhere_else() {
        for (int seed = 0; seed < 100; seed++) {
            Song song = SeededTunes.song(seed);
            List<Stroke> tune = TuneHand.alone(song);
            for (Stroke fill : fills(song, seed, List.of())) {
                assertThat(tune)
                        .noneMatch(stroke -> stroke.written().tick()
                                        < fill.written().end()
                                && fill.written().tick() < stroke.written().end());
                assertThat(fill.written().end()).isLessThanOrEqualTo(song.ticks());
            }
        }
        assertThat(fills(song("| C | F |\nTune: | C5/1 | A4/1 |"), 1, List.of()))
                .isEmpty();
    }

    @Test
    void every_kind_comes_and_a_seed_always_fills_the_same_way() {
        Set<String> kinds = new java.util.HashSet<>();
        for (int seed = 0; seed < 60; seed++) {
            Song song = song(
                    "Key: C\nTempo: 90\n| C | Am | F | G7 |\nTune: | C5/4 D5/8 E5/8 r/2 | E5/4 D5/8 C5/8 r/2 | A4/4 "
                            + "B4/8 C5/8 r/2 | B4/4 r/2. |");
            List<Stroke> fills = fills(song, seed, List.of());
            assertThat(fills(song, seed, List.of())).isEqualTo(fills);
            kinds.addAll(fills.stream().map(stroke -> stroke.reason().code()).collect(Collectors.toSet()));
        }
        assertThat(kinds)
                .containsExactlyInAnyOrderElementsOf(EnumSet.allOf(Fills.Kind.class).stream()
                        .map(kind -> "fill-" + kind.id())
                        .toList());
    }

    /**
     * EXAMPLES 27 and HANDBOOK §9: rolled down in triplets, the lowest on the "&"; a run goes by steps into the next
     * note; an echo is an octave higher.
     */
    @ParameterizedTest
    @ValueSource(strings = {"fill-roll-down", "fill-run", "fill-arpeggio", "fill-echo"})
    void each_kind_is_what_it_is_called(String kind) {
        Song song = song("Key: C\nTempo: 90\n| C | Am |\nTune: | C5/4 D5/8 E5/8 r/2 | F5/1 |");
        int seed = 0;
        List<Stroke> fill = fills(song, seed, List.of());
        while (!fill.get(0).reason().code().equals(kind)) {
            fill = fills(song, ++seed, List.of());
        }
        List<Integer> ticks =
                fill.stream().map(stroke -> stroke.written().tick()).toList();
        List<String> notes =
                fill.stream().map(stroke -> stroke.highest().toString()).toList();
        switch (kind) {
            case "fill-roll-down" -> assertThat(ticks).containsExactly(1920, 2240, 2560);
            case "fill-run" -> assertThat(notes).containsExactly("B4", "C5", "D5", "E5");
            case "fill-arpeggio" -> assertThat(ticks).containsExactly(1920, 2400, 2880);
            default -> assertThat(notes).containsExactly("C6", "D6", "E6");
        }
        if (kind.equals("fill-roll-down")) {
            assertThat(fill.get(0).highest().midi())
                    .isGreaterThan(fill.get(2).highest().midi());
        }
    }

    @Test
    void a_bar_is_left_to_rest_and_the_hands_stay_apart() {
        Song song =
                song("Key: C\nTempo: 90\n| C | Am | F | G7 |\nTune: | C5/4 D5/8 E5/8 r/2 | E5/4 D5/8 C5/8 r/2 | A4/4 "
                        + "B4/8 C5/8 r/2 | B4/4 r/2. |");
        Set<Integer> bars = fills(song, 5, List.of(2)).stream().map(Stroke::bar).collect(Collectors.toSet());
        assertThat(bars).contains(0).doesNotContain(1);
        Arrangement arrangement = arranged(song, 5);
        assertThat(Crossing.between(
                        arrangement.left().strokes(), arrangement.right().strokes()))
                .isEmpty();
        assertThat(arrangement.right().strokes())
                .anyMatch(stroke -> stroke.reason().code().startsWith("fill-"))
                .allMatch(stroke -> stroke.notes().get(0).finger() > 0);
    }

    @Test
    void nothing_quicker_than_a_hand_fills_with() {
        Song fast = song("Key: C\nTempo: 300\n| C | Am |\nTune: | C5/4 D5/8 E5/8 r/2 | F5/1 |");
        assertThat(fills(fast, 1, List.of()))
                .allMatch(stroke -> stroke.reason().code().equals("fill-echo"));
    }
}
