package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static zapateo.lefthand.Played.arrange;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Played;
import zapateo.part.Origin;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureFile;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Meter;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices;

/** One bar whose strokes a person wrote: they sound as written and nothing else is laid over them. */
class ByHandTest {

    private static final String FOUR = "Key: C~C | F | G7 | C | C | F | G7 | C";
    private static final String EXTRA_BASS = "1@0:960 3+5@960:480 5_@1440:480 3+5@2880:960";

    private static Choices byHand(Choices choices, String bars, String strokes) {
        return choices.override(new Choices.Override(
                Choices.Run.parse(bars),
                Optional.empty(),
                Optional.empty(),
                Options.read(SongChoice.in(Choice.Place.BARS), "", Map.of("strokes", strokes))));
    }

    /** The strokes of a bar by its index, as a figure's file would have them, a tone's name for its role. */
    private static String played(Arrangement arrangement, int bar) {
        int from = arrangement.song().bars().get(bar).tick();
        return String.join(
                " ",
                arrangement.strokes().stream()
                        .filter(stroke -> stroke.bar() == bar)
                        .map(stroke ->
                                String.join(
                                                "+",
                                                stroke.notes().stream()
                                                        .map(note -> note.role().toString())
                                                        .toList()) + "@"
                                        + (stroke.written().tick() - from) + ":"
                                        + stroke.written().ticks())
                        .toList());
    }

    private static List<String> others(Arrangement arrangement, int but) {
        return arrangement.song().bars().stream()
                .map(bar -> bar.index() == but ? "" : played(arrangement, bar.index()))
                .toList();
    }

    @Test
    void a_bass_on_two_and_in_this_bar_alone() {
        Choices plain = Choices.figure("bass-and-two");
        Arrangement broken = arrange(FOUR, byHand(plain, "2", EXTRA_BASS));
        assertThat(played(broken, 1)).isEqualTo("1@0:960 3+5@960:480 5@1440:480 3+5@2880:960");
        assertThat(broken.strokes().stream().filter(stroke -> stroke.bar() == 1))
                .allMatch(stroke -> stroke.nature().origin() == Origin.BY_HAND
                        && stroke.reason().code().equals("by-hand"));
        assertThat(others(broken, 1)).isEqualTo(others(arrange(FOUR, plain), 1));
    }

    @Test
    void two_chords_and_more_of_its_bar_each_take_what_lies_under_them() {
        Arrangement broken = arrange(
                "Key: C~C | F . G7 .  | Am G F C | C",
                byHand(Choices.figure("pulse-quarters"), "2-3", "1@0:960 3+5@960:960 1@2880:480 8@3360:480"));
        assertThat(broken.strokes().stream().filter(stroke -> stroke.bar() == 1 || stroke.bar() == 2))
                .extracting(stroke -> stroke.written().tick() % 3840)
                .containsExactly(0, 960, 2880, 3360, 0, 960, 2880, 3360);
        assertThat(broken.strokes().stream().filter(stroke -> stroke.bar() == 2))
                .extracting(stroke -> stroke.notes().get(0).pitch().pitchClass().toString())
                .containsExactly("A", "B", "C", "C");
    }

    @Test
    void a_stroke_of_another_chord_is_cut_where_that_begins() {
        Arrangement broken =
                arrange("Key: C~C . F .", byHand(Choices.figure("held").endsHeld(false), "1", "1@0:3840 3+5@2400:*"));
        assertThat(played(broken, 0)).isEqualTo("1@0:1920 3+5@2400:1440");
    }

    @Test
    void neither_line_nor_lead_in_nor_liveliness_nor_the_ending_touches_it() {
        Choices lively = Choices.figure("stride-root-chord")
                .with(LeftChoice.LIVELINESS, Liveliness.MUCH)
                .with(LeftChoice.BASS_LINE, "rocking")
                .with(LeftChoice.LEAD_IN, "scale")
                .endsHeld(true);
        Arrangement broken = arrange(FOUR, byHand(lively, "1-8", EXTRA_BASS));
        assertThat(broken.song().bars())
                .allSatisfy(bar -> assertThat(played(broken, bar.index()))
                        .as("bar %d", bar.number())
                        .isEqualTo("1@0:960 3+5@960:480 5@1440:480 3+5@2880:960"));
    }

    @Test
    void another_figure_for_these_bars_leaves_it_behind() {
        Choices broken = byHand(Choices.figure("bass-and-two"), "2", EXTRA_BASS);
        Choices.Override later = new Choices.Override(
                Choices.Run.parse("2"),
                Optional.empty(),
                Optional.empty(),
                Choices.figure("pulse-quarters").song());
        assertThat(played(arrange(FOUR, broken.override(later)), 1))
                .isEqualTo(played(arrange(FOUR, Choices.figure("bass-and-two").override(later)), 1));
        assertThat(played(arrange(FOUR, broken.with(LeftChoice.FIGURE, "stride-root-chord")), 1))
                .as("another figure for the song")
                .isEqualTo("1@0:960 3+5@960:480 5@1440:480 3+5@2880:960");
    }

    @Test
    void a_level_that_plays_the_figure_plays_its_bar_and_one_that_plays_another_does_not() {
        Choices broken = byHand(Choices.figure("stride-root-chord"), "2", EXTRA_BASS);
        assertThat(played(arrange(FOUR, broken.level(4)), 1)).contains("@1440:");
        assertThat(arrange(FOUR, broken.level(1)).strokes())
                .noneMatch(stroke -> stroke.nature().origin() == Origin.BY_HAND);
    }

    @Test
    void early_for_the_next_chord_leans_over_the_bar_line() {
        Arrangement broken = arrange(FOUR, byHand(Choices.figure("pulse-quarters"), "2", "1@0:960 >1@3360:960"));
        Stroke early = broken.strokes().stream()
                .filter(stroke -> stroke.bar() == 1)
                .reduce((one, other) -> other)
                .orElseThrow();
        assertThat(early.notes().get(0).pitch().pitchClass()).hasToString("G");
        assertThat(early.nature().origin()).isEqualTo(Origin.ANTICIPATION);
    }

    @Test
    void what_no_hand_spans_is_said_and_the_bar_goes_as_the_figure() {
        Arrangement unfit = arrange(FOUR, byHand(Choices.figure("bass-and-two"), "2", "1+17@0:960"));
        assertThat(unfit.notices()).extracting(Reason::code).contains("figure-too-wide");
        assertThat(others(unfit, -1)).isEqualTo(others(arrange(FOUR, Choices.figure("bass-and-two")), -1));
    }

    @ParameterizedTest
    @ValueSource(strings = {"1@x:960", "1@0:960 3@960", "1@960:480 1@0:480", "1@0:0", "q@0:960"})
    void what_is_no_stroke_is_refused_by_name(String strokes) {
        assertThatThrownBy(() -> byHand(Choices.OPEN, "2", strokes))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith("strokes ")
                .hasMessageContaining("expected");
    }

    @Test
    void a_bar_longer_than_this_one_plays_what_lies_inside() {
        assertThat(played(
                        arrange(
                                "Key: C~Meter: 3/4~C | F | G7 | C",
                                byHand(
                                        Choices.figure("bass-and-two"),
                                        "2",
                                        "1@0:960 3+5@960:960 3+5@1920:960 8@2880:960")),
                        1))
                .isEqualTo("1@0:960 3+5@960:960 3+5@1920:960");
    }

    /** The bar a figure has, written out by hand, is struck where the figure strikes it. */
    @ParameterizedTest
    @ValueSource(strings = {"bass-and-two", "stride-root-chord", "pulse-quarters", "broken-tenths", "boogie-octaves"})
    void a_figures_own_bar_written_out_is_the_same_bar(String id) {
        List<FigureStroke> bar = FigureBook.open().figure(id).orElseThrow().bar(Meter.parse("4/4"), 0);
        Choices plain = Choices.figure(id).endsHeld(false).with(LeftChoice.LEAD_IN, "none");
        Arrangement broken = arrange("Key: C~C | F | G7 | C", byHand(plain, "1", FigureFile.write(bar)));
        assertThat(played(broken, 0)).isEqualTo(played(arrange("Key: C~C | F | G7 | C", plain), 0));
    }

    /**
     * A rhythm that is the right hand's alone is no figure for the left; for the right hand it is one beside those that
     * ship.
     */
    @Test
    void a_rhythm_of_the_right_hand_is_none_of_the_left() {
        Arranger arranger = new Arranger(FigureBook.open()
                .with(List.of(FigureBook.ofTheRightHand()
                        .figure("answers")
                        .orElseThrow()
                        .named("mine", "Mine"))));
        assertThatThrownBy(() -> arranger.arrange(Played.song(FOUR), Choices.figure("mine"), Played.LARGE))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith("figure \"mine\": expected one of held");
        Choices right = Choices.figure("held")
                .right(RightHand.of(RightChoices.Style.COMPING).with(RightChoice.FIGURE, "mine"));
        assertThat(arranger.arrange(Played.song(FOUR), right, Played.LARGE).strokes())
                .anyMatch(stroke -> stroke.nature().origin() == Origin.COMPING);
    }
}
