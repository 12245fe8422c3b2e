package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import zapateo.rhythm.Swing;

/** When ticks come. Times by arithmetic: a quarter at 60 lasts a second. */
class TimelineTest {

    private static Timeline timeline(String chart, Swing swing) {
        return Timeline.of(ChartParser.parse(chart).song().orElseThrow(), swing);
    }

    @Test
    void a_change_of_tempo_and_a_fermata_change_the_pace() {
        Timeline timeline = timeline("Tempo: 60\n| C | (tempo 120) F . G (fermata) . | C |", Swing.NONE);
        assertThat(timeline.pieces()).extracting(Timeline.Piece::tick).containsExactly(0, 3840, 5760, 7680);
        assertThat(List.of(timeline.ms(0), timeline.ms(3840), timeline.ms(5760), timeline.ms(7680), timeline.ms(8640)))
                .containsExactly(0.0, 4000.0, 5000.0, 7000.0, 7500.0);
        assertThat(timeline.ms(6720)).isCloseTo(6000, within(1e-9));
    }

    @Test
    void what_sounds_before_the_song_goes_at_its_first_tempo() {
        assertThat(timeline("Tempo: 120\n| C |", Swing.NONE).ms(-480)).isCloseTo(-250, within(1e-9));
    }

    /** Two to one: the off-beat eighth on the third triplet; triplets, and eighths of a compound metre, stay. */
    @Test
    void swing_bends_what_is_written_whatever_the_tempo() {
        Timeline shuffle = timeline("Tempo: 100\n| C | (6/8) F |", Swing.of(2));
        assertThat(List.of(0, 480, 960, 1440, 640, 1280))
                .map(shuffle::sounding)
                .containsExactly(0, 640, 960, 1600, 640, 1280);
        assertThat(shuffle.sounding(-480)).isEqualTo(-320);
        assertThat(shuffle.sounding(3840 + 480)).isEqualTo(3840 + 480);
    }

    /** Bars add up to the whole, in 200 songs with every sign there is. */
    @Test
    void seconds_only_grow_and_bars_add_up() {
        for (int seed = 0; seed < 200; seed++) {
            Song song = ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow();
            Timeline timeline = Timeline.of(song, Swing.NONE);
            double sum = 0;
            for (Bar bar : song.bars()) {
                assertThat(timeline.ms(bar.tick()))
                        .as("seed %d, bar %d", seed, bar.index())
                        .isCloseTo(sum, within(1e-6));
                for (ChordSpan span : bar.chords()) {
                    sum += bar.tempo().millisecondsOf(span.ticks()) * (span.held() ? 2 : 1);
                }
            }
        }
    }
}
