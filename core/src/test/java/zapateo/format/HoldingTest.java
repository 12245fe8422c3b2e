package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.song.ChartParser;
import zapateo.song.ChartText;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** What a file cannot say is said otherwise, so that what is played stays the same. */
class HoldingTest {

    private static Song song(String chart) {
        return ChartParser.parse(chart.replace('~', '\n')).song().orElseThrow();
    }

    private static String played(Song song) {
        return song.chords()
                .map(place ->
                        place.bar().key() + " " + Math.round(place.bar().tempo().bpm()) + " "
                                + place.span().written() + "@" + place.tick())
                .collect(Collectors.joining(", "));
    }

    @ParameterizedTest(name = "{0} {1}: {2} bars are written")
    @CsvSource(
            delimiter = ';',
            value = {
                "|: C | F :| x3;MUSICXML;2",
                "|: C | F :| x3;ABC;6",
                "|: C | F :| x3;MIDI;6",
                "|: C |1 F :|2 G ||;MUSICXML;3",
                "|: C |1 F :|2 G ||;ABC;3",
                "|: C |1 F :|2 G ||;MIDI;4",
                "Form: A A~[A]~|: C :|;CHART;1",
                "Form: A A~[A]~|: C :|;MUSICXML;4",
                "[A]~| C | F |~[A] again~| G |;ABC;4",
                "|: C | F :| vamp;MUSICXML;2",
                "|: C | F :| vamp;ABC;2"
            })
    void what_cannot_be_said_is_written_out(String chart, Holding holding, int bars) {
        Song reduced = holding.reduce(song(chart));
        assertThat(reduced.writtenBars()).hasSize(bars);
        assertThat(reduced.bars()).hasSameSizeAs(song(chart).bars());
    }

    @Test
    void the_key_and_the_tempo_that_rule_are_written_where_the_order_brings_them() {
        Song song = song("Key: C~Tempo: 90~Form: B A~[A]~| C |~[B]~| (key E♭) (tempo 120) E♭ |");
        assertThat(ChartText.write(Holding.MUSICXML.reduce(song)))
                .isEqualTo("Title: Untitled\nKey: E♭\nMeter: 4/4\nTempo: 120\n\n[B]\n| E♭ |\n\n[A]\n| (key C) (tempo "
                        + "90) C |\n");
    }

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void reducing_changes_nothing_that_is_played_and_reducing_again_changes_nothing_at_all(int seed) {
        Song song = song(SeededCharts.full(seed));
        for (Holding holding : new Holding[] {Holding.CHART, Holding.MUSICXML, Holding.ABC}) {
            Song reduced = holding.reduce(song);
            assertThat(played(reduced)).isEqualTo(played(song));
            assertThat(holding.reduce(reduced)).isEqualTo(reduced);
        }
        assertThat(Holding.CHART.reduce(song)).isEqualTo(song);
        assertThat(Holding.MIDI.reduce(song).bars()).hasSameSizeAs(song.bars());
    }
}
