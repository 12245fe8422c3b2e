package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import zapateo.hand.Hand;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;

/** Until when what is struck is heard (HANDBOOK §7, pedal). */
class HeardUntilTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    @Test
    void a_key_sounds_until_the_pedal_is_lifted() {
        Arrangement spread = ARRANGER.arrange(ChartParser.parse("Key: C\n| C | F |").song().orElseThrow(), Choices.figure("spread-eighths"), Hand.USUAL);
        List<Stroke> strokes = spread.left().strokes();
        assertThat(strokes.get(0).sounding().end()).isEqualTo(480);
        assertThat(spread.heardUntil(strokes.get(0))).isEqualTo(spread.pedal().get(0).up()).isEqualTo(3840);
    }

    @Test
    void without_a_pedal_it_sounds_as_long_as_it_is_held() {
        for (int seed = 0; seed < 30; seed++) {
            Arrangement walking = ARRANGER.arrange(SeededCharts.song(seed), Choices.figure("walking"), Hand.USUAL);
            for (Stroke stroke : walking.left().strokes()) {
                boolean caught = walking.pedal().stream().anyMatch(pedal -> pedal.down() <= stroke.sounding().end() && stroke.sounding().end() < pedal.up());
                assertThat(walking.heardUntil(stroke)).as("seed %d", seed).isGreaterThanOrEqualTo(stroke.sounding().end());
                assertThat(walking.heardUntil(stroke) == stroke.sounding().end()).as("seed %d at %d", seed, stroke.sounding().tick()).isEqualTo(!caught);
            }
        }
    }
}
