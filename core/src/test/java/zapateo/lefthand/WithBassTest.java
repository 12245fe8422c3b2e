package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static zapateo.lefthand.Played.arrange;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Role;

/**
 * HANDBOOK §7, stride: tenths are {@code 1+10} on 1, "at 1920 also 3 or 1+10; a large hand fills with 5, 6 or 7"; the
 * bass alone and its octave: common practice.
 */
class WithBassTest {

    private static List<Role> roles(String written) {
        return FigureStroke.parse(written + "@0:960").roles();
    }

    @ParameterizedTest
    @CsvSource({
        "ALONE,1,C,1",
        "ALONE,1+10,C,1",
        "ALONE,1+8,C7,1",
        "ALONE,5_,C,5_",
        "OCTAVE,1,C,1+8",
        "OCTAVE,5_,C,5_+5",
        "OCTAVE,1+10,C,1+8",
        "OCTAVE,w,C,w+8",
        "TENTH,1,C,1+10",
        "TENTH,5_,C,1+10",
        "TENTH,1+8,C,1+10",
        "TENTH,w,C,w+10",
        "FILLED_TENTH,1,C,1+5+10",
        "FILLED_TENTH,1,C7,1+7+10",
        "FILLED_TENTH,5_,Cm7,1+7+10",
        "FILLED_TENTH,w,C7,w+10"
    })
    void each_bass_with_what_belongs_to_it(WithBass with, String bass, String chord, String expected) {
        assertThat(WithBass.takes(roles(bass))).isTrue();
        assertThat(with.on(roles(bass), ChordSymbol.parse(chord))).isEqualTo(roles(expected));
    }

    @ParameterizedTest
    @CsvSource({"c", "3", "5", "3+5", "1+5", "1+12", "v", "3+10", "L"})
    void what_is_no_bass_stays(String written) {
        assertThat(WithBass.takes(roles(written))).isFalse();
    }

    private static List<String> played(String figure, WithBass with, String chart) {
        Arrangement arrangement = arrange(
                chart, Choices.figure(figure).with(LeftChoice.WITH_BASS, with).endsHeld(false));
        return arrangement.strokes().stream()
                .map(stroke -> String.join(
                        "+",
                        stroke.notes().stream()
                                .map(note -> note.role().toString())
                                .toList()))
                .toList();
    }

    @Test
    void stride_in_octaves_in_tenths_and_in_filled_tenths() {
        String chart = "Key: C~C7 | C7";
        assertThat(played("stride-root-chord", WithBass.OCTAVE, chart)).contains("1+8", "5+5");
        assertThat(played("stride-root-chord", WithBass.TENTH, chart).stream().filter(each -> each.equals("1+10")))
                .as("on 1 and on 3")
                .hasSize(4);
        assertThat(played("stride-root-chord", WithBass.FILLED_TENTH, chart)).contains("1+7+10");
        assertThat(played("stride-tenths", WithBass.ALONE, chart)).contains("1").doesNotContain("1+10");
    }

    @ParameterizedTest
    @EnumSource(WithBass.class)
    void the_chords_between_stay_and_no_hand_is_asked_for_more_than_it_spans(WithBass with) {
        Arrangement plain = arrange(
                "Key: F~Fmaj7 D7 | Gm7 C7 | Am7 Dm7 | Gm7 C7",
                Choices.figure("stride-root-chord").endsHeld(false));
        Arrangement full = arrange(
                "Key: F~Fmaj7 D7 | Gm7 C7 | Am7 Dm7 | Gm7 C7",
                Choices.figure("stride-root-chord").endsHeld(false).with(LeftChoice.WITH_BASS, with));
        assertThat(full.strokes().stream().map(stroke -> stroke.written().tick()))
                .isEqualTo(plain.strokes().stream()
                        .map(stroke -> stroke.written().tick())
                        .toList());
        assertThat(full.strokes())
                .filteredOn(stroke -> stroke.roll().isEmpty())
                .allMatch(stroke -> width(stroke) <= 240);
    }

    private static double width(Stroke stroke) {
        return zapateo.hand.Keyboard.stretchAtEdges(
                stroke.notes().get(0).pitch().midi(),
                stroke.notes().get(stroke.notes().size() - 1).pitch().midi());
    }
}
