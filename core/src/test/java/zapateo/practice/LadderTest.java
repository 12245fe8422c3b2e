package zapateo.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.refusal.Refused;

/**
 * The tempo ladder. Source: HANDBOOK §12 (about 60 % of the goal, small steps after clean passes, back after two
 * failures); the metronome's numbers from memory.
 */
class LadderTest {

    private static List<Double> stops(String text) {
        return text == null || text.isBlank()
                ? List.of()
                : Arrays.stream(text.split(" ")).map(Double::valueOf).toList();
    }

    /** c a clean pass, x one that was not; the tempo after all of them. */
    @ParameterizedTest(name = "goal {0}, stops {1}, from {2}, {3}: {4}")
    @CsvSource({
        // Never clean: at 60 of a hundred. Two clean, up to the metronome's next number that is 4 to 8 in a hundred
        // away; one is not enough.
        "120,,,,72",
        "120,,,c,72",
        "120,,,cc,76",
        "120,,,cxc,72",
        "120,,,cccc,80",
        "120,,,ccx,76",
        "100,,,,60",
        "100,,,cc,63",
        "144,,,,86",
        "144,,,cc,92",
        // Two that were not, one down; never under 40 of a hundred.
        "120,,,xx,69",
        "120,,,xxxx,66",
        "120,,,xcx,72",
        "120,,60,xxxxxxxxxxxxxx,48",
        "120,,48,xx,48",
        // From what was clean last; never above the goal.
        "120,,100,cc,104",
        "120,,116,cc,120",
        "120,,116,cccc,120",
        "120,,120,cccc,120",
        "120,,200,,120",
        "120,,10,,48",
        "208,,200,cc,208",
        "60,,58,cc,60",
        // Slow and fast ends, where the metronome has no number in between.
        "52,,,,31",
        "52,,31,cc,33",
        "300,,,,180",
        "300,,208,cc,220",
        "300,,220,cc,233",
        "30,,,,18",
        // Stops of one's own.
        "140,60 100 140,,,60",
        "140,60 100 140,,cc,100",
        "140,60 100 140,,cccc,140",
        "140,60 100 140,,ccxx,60",
        "140,60 100,,cccc,140",
        "140,60 100,140,xx,100",
        "120,40 200,,,72"
    })
    void a_pass_moves_the_tempo(double goal, String stops, Double from, String passes, double expected) {
        Ladder ladder = new Ladder(goal, stops(stops));
        Ladder.Rung rung = ladder.start(Optional.ofNullable(from));
        for (char pass : passes == null ? new char[0] : passes.toCharArray()) {
            rung = ladder.after(rung, pass == 'c');
        }
        assertThat(rung.tempo()).isEqualTo(expected);
    }

    @Test
    void it_never_leaves_its_ends_and_every_step_is_small() {
        Random random = new Random(7);
        for (int goal = 40; goal <= 300; goal++) {
            Ladder ladder = new Ladder(goal, List.of());
            Ladder.Rung rung =
                    ladder.start(random.nextBoolean() ? Optional.empty() : Optional.of(random.nextDouble() * 300));
            for (int pass = 0; pass < 80; pass++) {
                Ladder.Rung next = ladder.after(rung, random.nextInt(3) > 0);
                assertThat(next.tempo()).as("goal %d from %s", goal, rung).isBetween(Math.floor(goal * 0.4), (double)
                        goal);
                double step = Math.abs(next.tempo() / rung.tempo() - 1);
                assertThat(step).isLessThan(0.09);
                rung = next;
            }
            assertThat(ladder.rungs(ladder.start(Optional.empty()).tempo()))
                    .hasSizeBetween(5, 16)
                    .isSorted();
        }
    }

    /**
     * At the goal clean passes are counted on: there is nowhere to go up to, and a pass that was not clean ends the
     * row.
     */
    @Test
    void at_the_goal_clean_passes_are_counted() {
        Ladder ladder = new Ladder(120, List.of());
        Ladder.Rung rung = ladder.start(Optional.of(120.0));
        for (int pass = 1; pass <= 4; pass++) {
            rung = ladder.after(rung, true);
            assertThat(rung).isEqualTo(new Ladder.Rung(120, pass, 0));
        }
        assertThat(ladder.after(rung, false)).isEqualTo(new Ladder.Rung(120, 0, 1));
    }

    @Test
    void a_goal_nobody_plays_is_refused() {
        assertThatThrownBy(() -> new Ladder(5, List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("expected 20 to 400");
    }
}
