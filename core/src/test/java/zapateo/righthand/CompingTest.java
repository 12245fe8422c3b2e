package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.arrangement.ReadOver;
import zapateo.arrangement.RightHand;
import zapateo.hand.Pianist;
import zapateo.lefthand.Played;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.song.Song;

/**
 * What chords in the right hand do at cadences, over a left hand that has the leading tone, and in which textures.
 * Source: FAULTS R2 to R5, L14, B7, common practice.
 */
class CompingTest {

    private static final Song CADENCES = Played.song(
            "Key: C~Tempo: 100~[A]~| C | Am7 | Dm7 | G7 | Em7 | F | Dm7 G7 | C |~[B]~| F | G | C | Am | F | Dm | G7 "
                    + "| C |");

    private static Arrangement played(Song song, String figure, RightHand right) {
        return Played.ARRANGER.arrange(song, Choices.figure(figure).right(right), Pianist.USUAL);
    }

    private static List<Stroke> right(Arrangement arrangement) {
        return arrangement.strokes().stream()
                .filter(stroke -> stroke.hand() == Side.RIGHT && stroke.nature().origin() == Origin.COMPING)
                .toList();
    }

    static List<String> figures() {
        return FigureBook.ofTheRightHand().figures().stream().map(Figure::id).toList();
    }

    private static RightHand comping() {
        return RightHand.of(RightChoices.Style.COMPING);
    }

    /** Whatever its rhythm, the song ends on one chord on its first tick, held. */
    @ParameterizedTest
    @MethodSource("figures")
    void it_ends_on_one_held_chord(String figure) {
        Arrangement arrangement =
                played(CADENCES, "stride-root-chord", comping().with(RightChoice.FIGURE, figure));
        int last = CADENCES.bars().get(15).tick();
        List<Stroke> end = right(arrangement).stream()
                .filter(stroke -> stroke.written().tick() >= last)
                .toList();
        assertThat(end).hasSize(1);
        assertThat(end.get(0).written().tick()).isEqualTo(last);
        assertThat(end.get(0).written().ticks()).isEqualTo(3840);
        assertThat(end.get(0).notes().stream().map(note -> note.pitch().midi() % 12))
                .isSubsetOf(0, 4, 7, 9, 2);
    }

    /** B over G7 in C: the left hand's close chord has it. */
    @ParameterizedTest
    @ValueSource(strings = {"on-the-beats", "short-eighths", "off-beats", "two-and-four"})
    void the_leading_tone_is_left_to_the_left_hand(String figure) {
        Arrangement arrangement =
                played(CADENCES, "stride-root-chord", comping().with(RightChoice.FIGURE, figure));
        for (int bar : List.of(3, 9, 14)) {
            assertThat(right(arrangement).stream()
                            .filter(stroke -> stroke.bar() == bar)
                            .flatMap(stroke -> stroke.notes().stream()))
                    .as("bar %d", bar + 1)
                    .isNotEmpty()
                    .noneMatch(note -> note.pitch().midi() % 12 == 11);
        }
        assertThat(ReadOver.of(arrangement, Pianist.USUAL))
                .noneMatch(fault -> fault.id().equals("L14"));
    }

    /** Where the bass is alone the right hand has it. */
    @Test
    void over_a_bass_alone_the_chord_is_whole() {
        Arrangement arrangement = played(CADENCES, "two-feel", comping().with(RightChoice.FIGURE, "on-the-beats"));
        assertThat(right(arrangement).stream()
                        .filter(stroke -> stroke.bar() == 14)
                        .flatMap(stroke -> stroke.notes().stream()))
                .anyMatch(note -> note.pitch().midi() % 12 == 11);
    }

    /** R4: at a section's last V-I what is held or turns stops, and the leading tone is heard. */
    @ParameterizedTest
    @EnumSource(
            value = RightChoices.Shapes.class,
            names = {"HELD", "TURN"})
    void held_and_turning_shapes_stop_at_the_cadence(RightChoices.Shapes shapes) {
        Arrangement arrangement = played(CADENCES, "two-feel", comping().with(RightChoice.SHAPES, shapes));
        Set<Integer> tonic = Set.of(0, 4, 7, 2, 9);
        assertThat(right(arrangement).stream()
                        .filter(stroke -> stroke.bar() == 15)
                        .flatMap(stroke -> stroke.notes().stream()))
                .allMatch(note -> tonic.contains(note.pitch().midi() % 12));
        assertThat(right(arrangement).stream()
                        .filter(stroke -> stroke.bar() == 14)
                        .flatMap(stroke -> stroke.notes().stream()))
                .anyMatch(note -> note.pitch().midi() % 12 == 11);
        assertThat(ReadOver.of(arrangement, Pianist.USUAL))
                .noneMatch(fault -> fault.id().equals("R4") || fault.id().equals("R5"));
    }

    /** C natural over A7, F over D: no shape is held over what it contradicts. */
    @ParameterizedTest
    @CsvSource({"C A7 Dm G7,A7", "Am D7 G C,D7", "F Fm C G,Fm", "Cmaj7 C7 F F,C7"})
    void a_held_shape_contradicts_nothing(String chords, String contradicted) {
        Song song = Played.song("Key: C~[A]~| " + chords.replace(" ", " | ") + " | C | G7 | C | C |");
        Arrangement arrangement =
                played(song, "two-feel", comping().with(RightChoice.SHAPES, RightChoices.Shapes.HELD));
        assertThat(ReadOver.of(arrangement, Pianist.USUAL))
                .as(contradicted)
                .noneMatch(fault -> fault.id().equals("R5"));
    }

    /** B7: a breath in the last bar of a phrase where both hands run. */
    @Test
    void hands_that_both_run_take_a_breath() {
        Arrangement arrangement =
                played(CADENCES, "driving-octaves", comping().with(RightChoice.FIGURE, "short-eighths"));
        List<Integer> counts = new ArrayList<>();
        for (int bar = 0; bar < 8; bar++) {
            int at = bar;
            counts.add((int) right(arrangement).stream()
                    .filter(stroke -> stroke.bar() == at)
                    .count());
        }
        assertThat(counts.get(0)).isGreaterThan(4);
        assertThat(counts.get(3)).isOne();
        assertThat(counts.get(4)).isGreaterThan(4);
        assertThat(ReadOver.of(arrangement, Pianist.USUAL))
                .noneMatch(fault -> fault.id().equals("B7"));
    }

    /** R3: single thirds go to the nearest. */
    @Test
    void thirds_alone_stay_near() {
        List<Stroke> thirds = right(played(
                        Played.song("Key: C~[A]~| C | F | G | C | Am | Dm | G | C |"),
                        "two-feel",
                        comping().with(RightChoice.FIGURE, "third-alone")))
                .stream()
                .filter(stroke -> stroke.notes().size() == 1)
                .toList();
        for (int i = 1; i < thirds.size(); i++) {
            assertThat(Math.abs(thirds.get(i).lowest().midi()
                            - thirds.get(i - 1).lowest().midi()))
                    .isLessThanOrEqualTo(6);
        }
    }

    /**
     * R2, R1: through each four bars the texture stays; a sixth or third takes the chord's inflection, F sharp over D7
     * in C.
     */
    @ParameterizedTest
    @EnumSource(
            value = RightChoices.Under.class,
            names = {"ALONE", "THIRD"},
            mode = EnumSource.Mode.EXCLUDE)
    void what_lies_under_a_tune_does_not_flicker(RightChoices.Under under) {
        for (int seed = 0; seed < 12; seed++) {
            Arrangement arrangement = played(
                    SeededTunes.song(seed),
                    "spread-eighths",
                    RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNDER, under));
            assertThat(ReadOver.of(arrangement, Pianist.USUAL))
                    .as("song %d", seed)
                    .noneMatch(fault -> fault.id().equals("R2"));
        }
    }

    @Test
    void a_third_under_a_tune_takes_the_chords_inflection() {
        Song song = Played.song("Key: C~Tempo: 80~[A]~| C | D7 | G | C |~Melody: | E5 G5 | A5 A5 | B5 G5 | C6 |");
        Arrangement arrangement = played(
                song,
                "two-feel",
                RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNDER, RightChoices.Under.THIRDS));
        List<Stroke> over = arrangement.strokes().stream()
                .filter(stroke -> stroke.hand() == Side.RIGHT && stroke.bar() == 1)
                .toList();
        assertThat(over)
                .isNotEmpty()
                .allMatch(stroke ->
                        stroke.lowest().pitchClass().equals(Pitch.parse("F#4").pitchClass()));
    }

    /**
     * A chord that the rhythm leaves out does not draw the next one away: D7's third lies far off, A after C is a step
     * of thirds.
     */
    @Test
    void what_is_not_struck_has_no_say_in_where_the_next_chord_lies() {
        Song song = Played.song("Key: F~[A]~| F | B♭ | Am7 D7 | F |");
        List<Stroke> right = right(played(
                song,
                "two-feel",
                comping().with(RightChoice.TOP, RightChoices.Top.THIRD).with(RightChoice.FIGURE, "one-and-two-and")));
        Stroke before = right.stream()
                .filter(stroke -> stroke.bar() == 2)
                .reduce((one, other) -> other)
                .orElseThrow();
        Stroke last =
                right.stream().filter(stroke -> stroke.bar() == 3).findFirst().orElseThrow();
        assertThat(song.chordAt(before.written().tick()).orElseThrow()).hasToString("Am7");
        assertThat(Math.abs(last.highest().midi() - before.highest().midi())).isLessThanOrEqualTo(6);
    }
}
