package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.hand.Hand;
import zapateo.lefthand.LeftChoice;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

class ArrangerTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    /** EXAMPLES 10: swung eighths 2:1. */
    @Test
    void a_shuffle_is_heard_in_triplets_and_written_straight() {
        List<Stroke> strokes = arrange("Feel: shuffle\nF", Choices.figure("spread-eighths"))
                .left()
                .strokes();
        assertThat(strokes)
                .extracting(stroke -> stroke.sounding().tick())
                .containsExactly(0, 640, 960, 1600, 1920, 2560, 2880, 3520);
        assertThat(strokes)
                .extracting(stroke -> stroke.written().tick())
                .containsExactly(0, 480, 960, 1440, 1920, 2400, 2880, 3360);
    }

    @Test
    void the_player_sets_the_swing_by_hand() {
        assertThat(arrange("F", Choices.figure("spread-eighths").with(SongChoice.SWING_RATIO, 3.0))
                        .left()
                        .strokes())
                .extracting(stroke -> stroke.sounding().tick())
                .startsWith(0, 720);
        assertThat(arrange("Feel: shuffle\nF", Choices.figure("spread-eighths").with(SongChoice.SWING_RATIO, 1.0))
                        .left()
                        .strokes())
                .extracting(stroke -> stroke.sounding().tick())
                .startsWith(0, 480);
    }

    @Test
    void compound_metres_do_not_swing() {
        assertThat(arrange("Feel: swing\nMeter: 6/8\nEm", Choices.figure("spread-eighths"))
                        .left()
                        .strokes())
                .allSatisfy(stroke -> assertThat(stroke.sounding()).isEqualTo(stroke.written()));
    }

    /** HANDBOOK §7: lifted when the new chord is struck, pressed again before its key is let go. */
    @Test
    void the_pedal_is_changed_with_the_chord() {
        Arrangement arrangement = arrange("| C | F G |", Choices.figure("held"));
        assertThat(arrangement.pedal()).extracting(Pedal::up).containsExactly(3840, 5760, 7680);
        for (int i = 0; i < 3; i++) {
            Stroke stroke = arrangement.left().strokes().get(i);
            assertThat(arrangement.pedal().get(i).down())
                    .isBetween(stroke.sounding().tick() + 1, stroke.sounding().end() - 1);
        }
        assertThat(arrange("C", Choices.figure("low-high-middle-high")).pedal()).isEmpty();
    }

    @Test
    void pedals_never_overlap_in_any_song() {
        for (int seed = 0; seed < 100; seed++) {
            int before = 0;
            for (Pedal pedal : ARRANGER.arrange(SeededCharts.song(seed), Choices.OPEN, Hand.USUAL)
                    .pedal()) {
                assertThat(pedal.down()).as("seed " + seed).isGreaterThan(before);
                before = pedal.up();
            }
        }
    }

    @Test
    void a_choice_that_cannot_be_kept_is_said() {
        assertThat(arrange("C", Choices.figure("spread-eighths").with(LeftChoice.VOICING, "octave"))
                        .notices())
                .extracting(Reason::code)
                .containsExactly("voicing-unused");
        assertThat(arrange(
                                "C",
                                Choices.figure("bass-and-two")
                                        .with(LeftChoice.REGISTER, zapateo.rhythm.Register.MIDDLE))
                        .notices())
                .extracting(Reason::code)
                .containsExactly("register-unused");
        assertThat(arrange("Meter: 5/4\nC", Choices.figure("spread-eighths")).notices())
                .extracting(Reason::code)
                .containsExactly("figure-adapted");
        assertThat(arrange("C", Choices.figure("held").with(LeftChoice.VOICING, "octave"))
                        .notices())
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "waltz-of-doom", "HELD"})
    void an_unknown_figure_or_voicing_is_named_with_what_there_is(String id) {
        assertThatThrownBy(() -> arrange("C", Choices.figure(id)))
                .hasMessageContaining("figure \"" + id + "\"")
                .hasMessageContaining("spread-eighths");
        assertThatThrownBy(() -> arrange("C", Choices.figure("held").with(LeftChoice.VOICING, id)))
                .hasMessageContaining("voicing \"" + id + "\"")
                .hasMessageContaining("open-fifth");
    }

    @Test
    void without_any_choice_the_chords_are_held() {
        assertThat(arrange("C F", Choices.OPEN).left().strokes()).hasSize(2);
    }

    private static Arrangement arrange(String chart, Choices choices) {
        Song song = ChartParser.parse(chart).song().orElseThrow();
        return ARRANGER.arrange(song, choices, Hand.of(240));
    }
}
