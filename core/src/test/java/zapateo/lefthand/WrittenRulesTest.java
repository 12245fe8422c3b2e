package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import zapateo.part.PartNote;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.rhythm.Role;

/**
 * What the rules of the left hand are written in, and what is wrong there is told; how rough close keys are, after
 * HANDBOOK §5.
 */
class WrittenRulesTest {

    @Test
    void a_stroke_of_an_ending_has_its_roles_its_beat_and_its_length() {
        assertThat(Ending.Stroke.parse("1+5+10@1:*"))
                .isEqualTo(new Ending.Stroke(List.of(Role.parse("1"), Role.parse("5"), Role.parse("10")), false, 0, 0));
        assertThat(Ending.Stroke.parse("~1@3:2")).isEqualTo(new Ending.Stroke(List.of(Role.BASS), true, 2, 2));
        assertThatThrownBy(() -> Ending.Stroke.parse("1@0:1"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("expected roles@beat:beats");
    }

    @Test
    void a_weight_is_of_a_cost_there_is_and_no_more_than_ten_times_it() {
        assertThat(new Weights(Map.of("reach", 0.0, "mud", 10.0)).factors()).hasSize(2);
        assertThatThrownBy(() -> new Weights(Map.of("beauty", 1.0)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("expected one of");
        assertThatThrownBy(() -> new Weights(Map.of("reach", 10.1)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("expected 0 to 10");
        assertThatThrownBy(() -> new Weights(Map.of("reach", -0.1))).isInstanceOf(Refused.class);
    }

    @Test
    void what_lies_close_and_low_is_rough_and_a_fifth_or_one_key_is_not() {
        assertThat(Roughness.over(notes("C2", "E2")))
                .isGreaterThan(Roughness.over(notes("C3", "E3")))
                .isPositive();
        assertThat(Roughness.over(notes("C3", "E3"))).isEqualTo(Roughness.over(notes("C3", "E3")));
        assertThat(Roughness.over(notes("C3", "G3"))).isLessThan(Roughness.over(notes("C3", "D♭3")));
        assertThat(Roughness.over(notes("C2"))).isZero();
        assertThat(Roughness.over(notes("C4", "C5"))).isZero();
    }

    private static List<PartNote> notes(String... names) {
        return List.of(names).stream()
                .map(name -> PartNote.of(Pitch.parse(name), Role.BASS))
                .toList();
    }
}
