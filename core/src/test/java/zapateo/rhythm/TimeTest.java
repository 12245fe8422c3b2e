package zapateo.rhythm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TimeTest {

    /** What is counted: the issue's own rule and common practice. */
    @ParameterizedTest(name = "{0}: {1} beats of {2} ticks")
    @CsvSource({
        "4/4,4,960",
        "3/4,3,960",
        "2/4,2,960",
        "6/8,2,1440",
        "9/8,3,1440",
        "12/8,4,1440",
        "7/8,7,480",
        "5/4,5,960",
        "2/2,2,1920",
        "3/8,3,480",
        "5/8,5,480"
    })
    void the_beat_is_what_a_player_counts(String written, int beats, int beatTicks) {
        Meter meter = Meter.parse(written);
        assertThat(meter.beats()).isEqualTo(beats);
        assertThat(meter.beatTicks()).isEqualTo(beatTicks);
        assertThat(meter.barTicks()).isEqualTo(beats * beatTicks);
        assertThat(meter.groups().stream().mapToInt(Integer::intValue).sum()).isEqualTo(meter.barTicks());
        assertThat(meter).hasToString(written);
    }

    @Test
    void odd_metres_fall_into_their_usual_groups() {
        assertThat(Meter.parse("5/4").groups()).containsExactly(2880, 1920);
        assertThat(Meter.parse("7/8").groups()).containsExactly(960, 960, 1440);
    }

    /** Where a bar is strong: common practice; the groups of 10/8 and those of 5/4, 7/8 as the handbook counts them. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "4/4,0 1920",
        "2/4,0",
        "2/2,0 1920",
        "3/4,0",
        "3/2,0",
        "3/8,0",
        "6/8,0",
        "9/8,0",
        "12/8,0 2880",
        "15/8,0 4320",
        "5/4,0 2880",
        "2+3/4,0 1920",
        "6/4,0 2880",
        "7/4,0 3840",
        "7/8,0 960 1920",
        "3+2+2/8,0 1440 2400",
        "8/8,0 1440 2880",
        "10/8,0 1440 2400 3360",
        "5/8,0 1440",
        "16/16,0 1920"
    })
    void a_bar_is_strong_on_its_first_beat_and_where_a_half_or_a_group_begins(String written, String strong) {
        Meter meter = Meter.parse(written);
        assertThat(IntStream.range(0, meter.barTicks())
                        .filter(meter::isStrong)
                        .mapToObj(String::valueOf)
                        .collect(Collectors.joining(" ")))
                .isEqualTo(strong);
    }

    @ParameterizedTest(name = "{0} at {1}: {2}")
    @CsvSource({
        "4/4,0,0",
        "4/4,1920,1",
        "4/4,960,2",
        "4/4,480,3",
        "4/4,240,4",
        "3/4,1920,2",
        "6/8,1440,2",
        "6/8,480,3",
        "6/8,240,4",
        "12/8,2880,1",
        "12/8,1440,2",
        "7/8,480,2"
    })
    void the_finer_the_place_the_weaker(String written, int tick, int strength) {
        assertThat(Meter.parse(written).strength(tick)).isEqualTo(strength);
    }

    @Test
    void parts_are_of_one_or_more() {
        assertThatThrownBy(() -> new Meter(4, 4, List.of(5, -1))).hasMessageContaining("expected parts");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "4", "0/4", "4/0", "17/4", "4/3", "4/32", "a/b", "4/4/4", "-3/4"})
    void what_is_no_metre_is_refused(String written) {
        assertThat(Meter.read(written)).isEmpty();
        assertThatThrownBy(() -> Meter.parse(written)).hasMessageContaining("\"" + written + "\"");
    }

    /**
     * HANDBOOK §7: 2:1 up to 140, 1.5:1 at 200, 1:1 from 300, linear between, the short note at least 100 ms below 300.
     */
    @ParameterizedTest(name = "at {0} the ratio is {1}")
    @CsvSource({"60,2.0", "120,2.0", "140,2.0", "170,1.75", "200,1.5", "240,1.3", "299,1.005", "300,1.0", "360,1.0"})
    void swing_evens_out_as_the_tempo_rises(double quarters, double ratio) {
        assertThat(Swing.at(Tempo.of(quarters, 960)).ratio()).isCloseTo(ratio, within(0.001));
    }

    @Test
    void the_short_note_of_a_swung_pair_never_falls_under_100_ms_below_300() {
        for (int quarters = 40; quarters < 300; quarters++) {
            double ratio = Swing.at(Tempo.of(quarters, 960)).ratio();
            assertThat(60_000.0 / quarters / (1 + ratio)).isGreaterThanOrEqualTo(100 - 1e-9);
        }
    }

    /** EXAMPLES 10: a shuffle's eighths lie at 0, 640, 960, 1600. */
    @ParameterizedTest(name = "written at {0}, heard at {1}")
    @CsvSource({"0,0", "480,640", "960,960", "1440,1600", "240,320", "720,800", "3840,3840"})
    void a_shuffle_is_triplets(int written, int heard) {
        assertThat(Feel.SHUFFLE.at(Tempo.of(120, 960)).bend(written)).isEqualTo(heard);
    }

    @Test
    void bending_keeps_the_order_of_time() {
        Swing swing = Swing.of(3);
        for (int tick = 1; tick < 4000; tick++) {
            assertThat(swing.bend(tick)).isGreaterThanOrEqualTo(swing.bend(tick - 1));
        }
    }

    @Test
    void ratios_and_tempos_out_of_range_name_the_wrong_value() {
        assertThatThrownBy(() -> Swing.of(0.5)).hasMessageContaining("0.5").hasMessageContaining("1 to 4");
        assertThatThrownBy(() -> Swing.of(Double.NaN)).hasMessageContaining("NaN");
        assertThatThrownBy(() -> Tempo.of(10, 960)).hasMessageContaining("10");
        assertThatThrownBy(() -> Tempo.of(100, 0)).hasMessageContaining("0 ticks");
    }

    @Test
    void a_dotted_beat_counts_one_and_a_half_quarters() {
        Tempo tempo = Tempo.of(60, 1440);
        assertThat(tempo.quartersPerMinute()).isEqualTo(90);
        assertThat(tempo.millisecondsOf(1440)).isCloseTo(1000, within(1e-9));
        assertThat(tempo.ticksWithin(120)).isEqualTo(172);
    }
}
