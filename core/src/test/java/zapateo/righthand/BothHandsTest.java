package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** Rules that hold for every right hand over every left hand. */
class BothHandsTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final FigureBook RIGHT = FigureBook.ofTheRightHand();
    private static final List<String> LEFT = List.of("held", "spread-eighths", "stride-root-chord", "low-high-middle-high", "bass-and-two", "walking", "three-three-two", "nearest-inversions",
            "shuffle-fifth-sixth", "stride-tenths");
    private static final int SONGS = 200;

    static List<Figure> figures() {
        return RIGHT.figures();
    }

    /** Two hundred songs with melodies, ten figures: nothing out of reach, at most one bar in a hundred keeps a collision, and it is told. */
    @Test
    void hands_keep_apart_and_within_their_reach() {
        int bars = 0;
        int kept = 0;
        for (int seed = 0; seed < SONGS; seed++) {
            Song song = SeededTunes.song(seed);
            RightChoices.Under under = RightChoices.Under.values()[seed % RightChoices.Under.values().length];
            Hand hand = Hand.of(165 + seed % 6 * 15);
            for (String figure : LEFT) {
                Choices.Right right = seed % 3 == 2 ? Choices.Right.of(RightChoices.Style.COMPING).figure(RIGHT.figures().get(seed % RIGHT.figures().size()).id())
                        : Choices.Right.of(RightChoices.Style.MELODY).under(under);
                Arrangement arrangement = ARRANGER.arrange(song, Choices.figure(figure).right(right), Pianist.of(hand));
                assertThat(arrangement.right().strokes()).isNotEmpty().allSatisfy(stroke -> assertThat(hand.easeOf(stroke.keys())).isNotEqualTo(Ease.OUT_OF_REACH));
                Set<Integer> clashing = new HashSet<>();
                Crossing.between(arrangement.left().strokes(), arrangement.right().strokes()).forEach(crossing -> clashing.add(arrangement.right().strokes().get(crossing.right()).bar()));
                bars += song.bars().size();
                kept += clashing.size();
                assertThat(arrangement.notices().stream().anyMatch(notice -> notice.code().equals("crossing-kept"))).isEqualTo(!clashing.isEmpty());
            }
        }
        assertThat(kept).as("of %d bars", bars).isLessThanOrEqualTo(bars / 100);
    }

    /** Every rhythm of the right hand in every metre, over chords of any kind and length: inside the bar, nothing struck while it is held, the same again. */
    @ParameterizedTest
    @MethodSource("figures")
    void every_figure_fills_its_bars(Figure figure) {
        for (int seed = 0; seed < 20; seed++) {
            Song song = SeededCharts.song(seed);
            Choices choices = Choices.figure("held").right(Choices.Right.of(RightChoices.Style.COMPING).figure(figure.id()));
            Arrangement arrangement = ARRANGER.arrange(song, choices, Pianist.USUAL);
            int[] held = new int[128];
            for (Stroke stroke : arrangement.right().strokes()) {
                assertThat(stroke.written().tick()).isGreaterThanOrEqualTo(arrangement.song().bars().get(stroke.bar()).tick());
                assertThat(stroke.written().end()).isLessThanOrEqualTo(arrangement.song().bars().get(stroke.bar()).end());
                stroke.notes().forEach(note -> {
                    assertThat(held[note.pitch().midi()]).as("%s at %d", note.pitch(), stroke.written().tick()).isLessThanOrEqualTo(stroke.written().tick());
                    held[note.pitch().midi()] = stroke.written().end();
                });
            }
            assertThat(ARRANGER.arrange(song, choices, Pianist.USUAL)).isEqualTo(arrangement);
        }
    }

    @Test
    void sixteen_figures_at_least_are_read_with_what_a_card_needs() {
        assertThat(RIGHT.figures()).hasSizeGreaterThanOrEqualTo(16);
        assertThat(RIGHT.figures()).allSatisfy(figure -> {
            assertThat(figure.hands()).containsExactly(Side.RIGHT);
            assertThat(figure.use()).endsWith(".");
            assertThat(figure.count(figure.bars().keySet().iterator().next())).isNotBlank();
        });
    }

    /** Chords move to the nearest inversion (HANDBOOK §9 and EXAMPLES 5): common tones stay, the others go a step or two. */
    @Test
    void inversions_are_near_and_clear_of_the_left_hand() {
        Song song = ChartParser.parse("Key: B♭\n| B♭ | E♭ | F | Gm |").song().orElseThrow();
        List<Stroke> right = ARRANGER.arrange(song, Choices.figure("two-feel").endsHeld(false).right(Choices.Right.of(RightChoices.Style.COMPING).figure("held-chords")), Pianist.USUAL).right().strokes();
        for (int i = 1; i < right.size(); i++) {
            int moved = 0;
            for (int voice = 0; voice < 3; voice++) {
                moved += Math.abs(right.get(i).keys()[voice] - right.get(i - 1).keys()[voice]);
            }
            assertThat(moved).isLessThanOrEqualTo(6);
        }
        assertThat(right).allSatisfy(stroke -> assertThat(stroke.notes()).hasSize(3));
    }

    @Test
    void a_figure_there_is_not_is_refused_by_name() {
        Song song = ChartParser.parse("| C |").song().orElseThrow();
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> ARRANGER.arrange(song, Choices.OPEN.right(Choices.Right.of(RightChoices.Style.COMPING).figure("stomp")), Pianist.USUAL)))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("stomp").hasMessageContaining("held-chords");
    }
}
