package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.harmony.ChordSymbol;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Played;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Top;
import zapateo.righthand.RightChoices.Under;

/** The right-hand examples of EXAMPLES.md (common practice). */
class RightHandExamplesTest {

    private static final RightHand COMPING = RightHand.of(Style.COMPING);
    private static final RightHand MELODY = RightHand.of(Style.MELODY);

    private static Arrangement arrange(String chart, String left, RightHand right) {
        return Played.arrange(chart, Choices.figure(left).right(right).endsHeld(false));
    }

    private static String notes(Stroke stroke) {
        return stroke.notes().stream().map(note -> note.pitch().toString()).collect(Collectors.joining(" "));
    }

    private static List<String> right(Arrangement arrangement) {
        return arrangement.right().strokes().stream()
                .map(RightHandExamplesTest::notes)
                .toList();
    }

    /** 25: the third on top, each chord's tones directly below. */
    @Test
    void third_on_top() {
        Arrangement arrangement = arrange(
                "Key: E♭~| E♭6 | Fm7 | Gm7 |",
                "two-feel",
                COMPING.with(RightChoice.FIGURE, "held-chords").with(RightChoice.TOP, Top.THIRD));
        assertThat(right(arrangement)).containsExactly("B♭3 C4 E♭4 G4", "C4 E♭4 F4 A♭4", "D4 F4 G4 B♭4");
    }

    /** 26: B♭3 C4 F4 over B♭, E♭, G and C reads B♭sus2, E♭6/9 without its third, Gm7(11), C7sus4. */
    @Test
    void one_shape_over_a_moving_bass() {
        List<ChordSymbol> chords = Stream.of("B♭sus2", "E♭6/9", "Gm11", "C7sus4")
                .map(ChordSymbol::parse)
                .toList();
        OneShape shape = OneShape.of(chords).orElseThrow();
        assertThat(shape.notes().stream().map(Object::toString).toList()).containsExactly("B♭3", "C4", "F4");
        assertThat(shape.over()).allSatisfy(over -> assertThat(over.adds()).isEmpty());
        assertThat(shape.over().get(1).loses().toString()).contains("G");
        assertThat(shape.over().get(0).loses()).isEmpty();
    }

    /**
     * 27: chord on 1, again on "1 &" (ticks 0 and 640), then its three lower notes downwards in triplets at 960, 1280,
     * 1600.
     */
    @Test
    void chord_chord_roll() {
        Arrangement arrangement = arrange(
                "Key: E♭~Feel: swing~Tempo: 100~| E♭6 |",
                "two-feel",
                COMPING.with(RightChoice.FIGURE, "chord-chord-roll"));
        List<Stroke> strokes = arrangement.right().strokes().subList(0, 5);
        assertThat(strokes.stream()
                        .map(stroke -> stroke.sounding().tick())
                        .toList()
                        .subList(2, 5))
                .isEqualTo(List.of(960, 1280, 1600));
        assertThat(strokes.get(0).sounding().tick()).isZero();
        assertThat(strokes.get(1).sounding().tick()).isBetween(600, 720);
        assertThat(strokes.get(0).notes()).hasSize(4);
        assertThat(strokes.subList(2, 5).stream()
                        .map(RightHandExamplesTest::notes)
                        .toList())
                .isEqualTo(List.of(
                        strokes.get(0).notes().get(2).pitch().toString(),
                        strokes.get(0).notes().get(1).pitch().toString(),
                        strokes.get(0).notes().get(0).pitch().toString()));
    }

    /** 28: B♭4 over a spread E♭ is fine; G3 there collides with the tenth, and the left hand drops to E♭2 B♭2. */
    @Test
    void the_left_hand_makes_room_for_a_melody() {
        Arrangement clear = arrange("Key: E♭~| E♭ |~Tune: | B♭4/1 |", "held", MELODY);
        assertThat(clear.left().strokes().stream()
                        .map(RightHandExamplesTest::notes)
                        .toList())
                .containsExactly("E♭2 B♭2 G3");
        Arrangement meets = arrange("Key: E♭~| E♭ |~Tune: | G3/1 |", "held", MELODY);
        assertThat(meets.left().strokes().stream()
                        .map(RightHandExamplesTest::notes)
                        .toList())
                .containsExactly("E♭2 B♭2");
        assertThat(right(meets)).containsExactly("G3");
        assertThat(meets.notices())
                .anySatisfy(notice -> assertThat(notice.code()).isEqualTo("crossing-left-thinned"));
    }

    /** 14: hand-split on Fm: the right hand answers between the left hand's strokes. */
    @Test
    void answers_lie_in_the_gaps_of_a_split_hand() {
        Arrangement arrangement =
                arrange("Key: Fm~| Fm |", "three-three-two", COMPING.with(RightChoice.FIGURE, "answers"));
        assertThat(arrangement.right().strokes().stream()
                        .map(stroke -> stroke.written().tick())
                        .toList())
                .containsExactly(480, 1920, 2400, 3360);
        assertThat(right(arrangement))
                .allSatisfy(
                        chord -> assertThat(chord).contains("A♭").contains("C").contains("F"));
    }

    @ParameterizedTest
    @EnumSource(Under.class)
    void what_lies_under_a_melody_is_of_the_chord_below_it_and_in_the_hand(Under under) {
        Arrangement arrangement = Played.arrange(
                "Key: C~| C | Am7 | Dm7 | G7 |~Tune: | G4/4 C5/4 E5/2 | E5/4 D5/4 C5/2 | F5/4. E5/8 D5/2 | B4/4 "
                        + "D5/4 F5/2 |",
                Choices.figure("held").with(LeftChoice.VOICING, "single").right(MELODY.with(RightChoice.UNDER, under)));
        List<Stroke> right = arrangement.right().strokes().stream()
                .filter(stroke -> stroke.nature().origin().isTune())
                .toList();
        assertThat(right).hasSize(12);
        assertThat(right.stream().map(stroke -> stroke.highest().toString()).toList())
                .isEqualTo(List.of("G4", "C5", "E5", "E5", "D5", "C5", "F5", "E5", "D5", "B4", "D5", "F5"));
        assertThat(right)
                .allSatisfy(stroke ->
                        assertThat(Played.LARGE.easeOf(stroke.keys())).isNotEqualTo(zapateo.hand.Ease.OUT_OF_REACH));
        long filled = right.stream().filter(stroke -> stroke.notes().size() > 1).count();
        assertThat(filled)
                .isEqualTo(under == Under.ALONE ? 0 : filled)
                .isGreaterThan(under == Under.ALONE ? -1 : under == Under.THIRD ? 2 : 6);
        if (under == Under.THIRDS || under == Under.SIXTHS) {
            int least = under == Under.THIRDS ? 3 : 6;
            assertThat(right)
                    .allSatisfy(stroke -> assertThat(
                                    stroke.highest().midi() - stroke.lowest().midi())
                            .isBetween(least, least + 3));
        }
        if (under == Under.OCTAVES) {
            assertThat(right.stream()
                            .filter(stroke -> stroke.notes().size() > 1)
                            .filter(stroke ->
                                    stroke.highest().midi() - stroke.lowest().midi() == 12)
                            .count())
                    .isGreaterThan(6);
        }
    }

    @Test
    void a_figure_that_has_both_hands_keeps_them() {
        Arrangement arrangement = arrange("Key: C~| C | F |", "hand-split", COMPING);
        assertThat(arrangement.right().strokes())
                .allSatisfy(stroke -> assertThat(stroke.reason().code()).isNotEqualTo("comping"));
        assertThat(arrangement.notices())
                .anySatisfy(notice -> assertThat(notice.code()).isEqualTo("right-taken"));
    }

    /**
     * Over a figure of both hands the tune is whole, on top, and the figure is as it was where it rests (common
     * practice).
     */
    @ParameterizedTest
    @ValueSource(strings = {"hand-split", "octave-call-and-answer", "sixteenth-circle-shared"})
    void a_tune_is_never_dropped_for_a_figure_of_both_hands(String figure) {
        Arrangement arrangement =
                arrange("Key: C~| C | F | C | C |~Tune: | G4/2 C5/2 | A4/1 | z/1 | C5/1 |", figure, MELODY);
        List<Stroke> right = arrangement.right().strokes();
        assertThat(right.stream()
                        .filter(stroke -> stroke.nature().origin().isTune())
                        .map(stroke -> stroke.highest() + "@" + stroke.written().tick()))
                .containsExactly("G4@0", "C5@1920", "A4@3840", "C5@11520");
        assertThat(right.stream().filter(stroke -> stroke.bar() == 2))
                .isNotEmpty()
                .noneMatch(stroke -> stroke.nature().origin().isTune());
        assertThat(right.stream().filter(stroke -> stroke.bar() == 1)).hasSize(1);
        assertThat(arrangement.notices())
                .extracting(notice -> notice.code())
                .contains("right-gives-way", "right-taken");
    }

    @Test
    void both_hands_are_fingered_and_a_song_without_a_tune_says_so() {
        assertThat(arrange("| C | F |", "held", COMPING).right().strokes())
                .allSatisfy(stroke -> assertThat(stroke.notes())
                        .allSatisfy(note -> assertThat(note.finger()).isBetween(1, 5)));
        Arrangement silent = arrange("| C | F |", "held", MELODY);
        assertThat(silent.right().strokes()).isEmpty();
        assertThat(silent.strokes())
                .allSatisfy(stroke -> assertThat(stroke.hand()).isEqualTo(Side.LEFT));
        assertThat(silent.notices())
                .anySatisfy(notice -> assertThat(notice.code()).isEqualTo("no-tune"));
    }
}
