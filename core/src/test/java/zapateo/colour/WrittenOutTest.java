package zapateo.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.song.ChartParser;
import zapateo.song.ChartText;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** Colours on their way into a chart whose repeats are written out. */
class WrittenOutTest {

    static Stream<Integer> small() {
        return IntStream.range(0, 100).boxed();
    }

    /**
     * With every repeat written out it sounds the same to the tick, melody, keys and all, whatever is heard one time
     * only; and no bar is played twice any more.
     */
    @ParameterizedTest
    @MethodSource("small")
    void with_the_repeats_written_out_every_colour_stands_in_the_chart(int seed) {
        Song song = SeededCharts.song(seed);
        List<KeptColour> kept = new ArrayList<>(WholeSong.of(song, ColourStyle.values()[seed % 11], 3, 0));
        Coloured coloured = Coloured.of(song, kept);
        WrittenOut.Unfolded unfolded = WrittenOut.unfolded(song, kept);
        assertThat(unfolded.left()).isEmpty();
        Song now = ChartParser.parse(ChartText.write(unfolded.song())).song().orElseThrow();
        assertThat(now.writtenBars()).hasSameSizeAs(song.bars());
        assertThat(heard(now)).as("seed %d", seed).isEqualTo(heard(coloured.song()));
        assertThat(unfolded.moves().stream().flatMap(move -> move.to().stream()).toList())
                .doesNotHaveDuplicates()
                .hasSize(song.bars().size());
    }

    private static List<String> heard(Song song) {
        return song.bars().stream()
                .map(bar -> bar.tick() + " " + bar.meter() + " " + bar.key() + " " + bar.tempo() + " " + bar.chords()
                        + " " + bar.tune())
                .toList();
    }

    @Test
    void a_bar_of_one_time_is_written_where_that_time_stands_now() {
        Song song = ColourRulesTest.song("C", "|: C | F :| G | C |");
        List<KeptColour> kept = List.of(
                new KeptColour(1, Optional.of(2), 0, List.of("C"), "tonic-seventh-to-four", "all"),
                new KeptColour(3, Optional.empty(), 0, List.of("Em"), "added-ninth", "ninth"));
        WrittenOut.Unfolded unfolded = WrittenOut.unfolded(song, kept);
        assertThat(ColourRulesTest.beats(unfolded.song())).isEqualTo("C@0 | F@0 | C7@0 | F@0 | G@0 | C@0");
        // What waits for its ground waits in the bar that was its own.
        assertThat(unfolded.left()).extracting(KeptColour::bar).containsExactly(5);
    }
}
