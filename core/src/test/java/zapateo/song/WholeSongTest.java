package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.harmony.Key;

/** Whole songs: what is written, and what is played. */
class WholeSongTest {

    /** Repeats and endings as every player reads them (common practice). ~ is a line end. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "|: C | F :|; C F C F",
                "C F | G :|; C F G C F G",
                "| C | F :| G |; C F C F G",
                "|: C | F :| x3; C F C F C F",
                "|: C | F :| x3 | G |; C F C F C F G",
                "|: C |1 F :|2 G | Am ||; C F C G Am",
                "|: C |1 F :|2 G || Am |; C F C G Am",
                "|: C |1,3 F :|2 G :|4 Am ||; C F C G C F C Am",
                "|: C |1-2 F :|3 G ||; C F C F C G",
                "|: C :||: F :| G |; C C F F G",
                "|: C :|: F :|; C C F F",
                "| A |: C | F :| G |; A C F C F G",
                "|: C | F :| vamp | G |; C F G",
                "|: C |1 F :|2 G ||~|: Am :|; C F C G Am Am",
                "[V]~| C | F |~[V] again; C F C F",
                "[V]~| C | F | G7 |~[V] again~| C |; C F G7 C F C",
                "[V]~|: C | F :|~[V] again~| G | Am |; C F C F C F G Am",
                "Form: V, B, V~[V]~| C |~[B]~| F |; C F C",
                "Form: Last verse Verse~[Verse]~| C |~[Last verse]~| F |; F C",
                "Form: v b v~[V]~| C |~[B]~| F |; C F C"
            })
    void the_written_song_is_played_as_it_is_read(String text, String played) {
        ChartReading reading = ChartParser.parse(text.replace('~', '\n'));
        assertThat(reading.problems()).isEmpty();
        assertThat(played(reading.song().orElseThrow())).isEqualTo(played);
    }

    private static String played(Song song) {
        return song.chords().map(place -> place.span().written()).collect(Collectors.joining(" "));
    }

    @Test
    void bars_know_their_number_their_round_and_their_place() {
        Song song = ChartParser.parse("| (pickup 1) G7 |: C | F :|").song().orElseThrow();
        assertThat(song.bars()).extracting(Bar::number).containsExactly(0, 1, 2, 1, 2);
        assertThat(song.bars()).extracting(Bar::index).containsExactly(0, 1, 2, 3, 4);
        assertThat(song.bars()).extracting(Bar::pass).containsExactly(1, 1, 1, 2, 2);
        assertThat(song.bars()).extracting(Bar::tick).containsExactly(0, 960, 4800, 8640, 12480);
        assertThat(song.written().get(0).bars()).hasSize(3);
    }

    @Test
    void sections_are_counted_as_they_come_round() {
        Song song =
                ChartParser.parse("Form: V B V\n[V]\n| C |\n[B]\n| F |").song().orElseThrow();
        assertThat(song.sections())
                .extracting(section -> section.name() + section.pass())
                .containsExactly("V1", "B1", "V2");
    }

    @Test
    void a_change_of_key_and_of_tempo_rules_from_its_bar_on_and_is_taken_back_where_a_section_comes_again() {
        Song song = ChartParser.parse(
                        "Key: C\nTempo: 90\n[V]\n| C |\n[B]\n| (key E♭) (tempo 120) E♭ | B♭7 |\n[V] again")
                .song()
                .orElseThrow();
        assertThat(song.bars()).extracting(bar -> bar.key().toString()).containsExactly("C", "E♭", "E♭", "C");
        assertThat(song.bars()).extracting(bar -> bar.tempo().bpm()).containsExactly(90.0, 120.0, 120.0, 90.0);
    }

    @Test
    void early_and_held_chords_pins_words_and_tune_stand_in_their_bars() {
        Song song = ChartParser.parse(
                        "| \"left alone\" C | >F7 (fermata) \"! big leap\" |\nWords: night | ferry\nWords: second | "
                                + "verse\nTune: G4/4 A4/8 B4 C5/2 | r/1")
                .song()
                .orElseThrow();
        List<WrittenBar> bars = song.writtenBars();
        assertThat(bars.get(0).marks().pins()).containsExactly(new Pin("left alone", false));
        assertThat(bars.get(1).marks().pins()).containsExactly(new Pin("big leap", true));
        assertThat(bars.get(1).chords().get(0).early()).isTrue();
        assertThat(bars.get(1).chords().get(0).held()).isTrue();
        assertThat(bars.get(1).marks().words()).containsExactly("ferry", "verse");
        assertThat(bars.get(0).tune()).extracting(TuneNote::ticks).containsExactly(960, 480, 480, 1920);
        assertThat(bars.get(1).tune().get(0).pitch()).isEmpty();
        assertThat(song.hasTune()).isTrue();
    }

    @Test
    void a_vamp_goes_round_until_told() {
        Song song = ChartParser.parse("| C |: F | G :| vamp | C |").song().orElseThrow();
        assertThat(song.bars()).extracting(Bar::vamp).containsExactly(-1, 1, 1, -1);
    }

    @ParameterizedTest(name = "{0}: {1} at {2}:{3}")
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "|: C | F |;repeat-open;1;1", "| C |~[V]~:| F |;repeat-nothing-closed;3;1",
                        "|: C :| x1;times-unread;1;9", "|: C :| x99;times-unread;1;9",
                        "[V]~| C |~[W] again;again-nothing;3;1",
                "Form: V, X~[V]~| C |;form-unknown;1;10", "| (pickup 4) C |;length-unread;1;3",
                        "| (pickup x) C |;length-unread;1;3", "| (short 9/8) C |;length-unread;1;3",
                        "| (swing) C |;direction-unknown;1;3",
                "| C (key F) |;direction-late;1;5", "| (key H) C |;key-unread;1;3", "| (tempo 9) C |;tempo-unread;1;3",
                        "| (fermata) C |;fermata-first;1;3", "| >C |;early-nothing;1;3",
                "Words: a | b;under-nothing;1;1", "| C |~Words: a | b;under-too-many;2;12",
                        "| C |~Tune: H4/4;tune-unread;2;7", "| C |~Tune: C4/1 C4/4;tune-too-long;2;12",
                        "| C |~Tune: C4/4;tune-short;2;7",
                "| C9/4 | C4 |;chord-quartal;1;10", "| C/x |;chord-bass;1;5", "| (eighths) C . F |;beats-unfilled;1;3",
                        "| C \"open |;pin-unread;1;5", "| \"\" C |;pin-unread;1;3"
            })
    void mistakes_in_the_signs_are_reported_where_they_stand(String text, String code, int line, int column) {
        ChartReading reading = ChartParser.parse(text.replace('~', '\n'));
        assertThat(reading.problems()).anySatisfy(problem -> {
            assertThat(problem.code()).isEqualTo(code);
            assertThat(problem.line()).isEqualTo(line);
            assertThat(problem.column()).isEqualTo(column);
        });
    }

    @Test
    void bars_unfolded_beyond_the_most_are_refused() {
        ChartReading over = ChartParser.parse("|: " + "C | ".repeat(100) + " F :| x32");
        assertThat(over.song()).isEmpty();
        assertThat(over.problems()).extracting(Problem::code).containsExactly("too-many-bars");
    }

    @Test
    void bars_know_where_they_stand_in_the_text() {
        ChartReading reading = ChartParser.parse("[V]\n| C  | F  G |\n[W]\n|: Am :|");
        assertThat(reading.bars())
                .extracting(place -> place.cell().line() + ":" + place.cell().column() + " "
                        + place.cell().text())
                .containsExactly("2:3 C", "2:8 F  G", "4:4 Am");
        assertThat(reading.bars().get(1).chords()).extracting(Word::column).containsExactly(8, 11);
        assertThat(reading.sections())
                .extracting(ChartReading.SectionPlace::firstLine)
                .containsExactly(1, 3);
        assertThat(reading.sections())
                .extracting(ChartReading.SectionPlace::lastLine)
                .containsExactly(2, 4);
    }

    static IntStream seeds() {
        return IntStream.range(0, 500);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void what_is_written_out_reads_back_as_the_same_song(int seed) {
        ChartReading reading = ChartParser.parse(SeededCharts.full(seed));
        assertThat(reading.problems()).as(SeededCharts.full(seed)).isEmpty();
        Song song = reading.song().orElseThrow();
        ChartReading again = ChartParser.parse(ChartText.write(song));
        assertThat(again.problems()).as(ChartText.write(song)).isEmpty();
        assertThat(again.song()).contains(song);
        assertThat(again.song().orElseThrow().bars()).hasSameSizeAs(song.bars());
    }

    /** Common practice: Mixolydian shows I–♭VII–IV and no V, Dorian a minor tonic with a major IV (HANDBOOK §4). */
    @ParameterizedTest(name = "{0} is in {1}")
    @CsvSource({
        "E D A E, E mixolydian",
        "G F C G, G mixolydian",
        "Dm G Dm C Dm, D dorian",
        "Am D Am G Am, A dorian",
        "C F G7 C, C",
        "Am Dm E7 Am, Am",
        "E D A B7 E, E"
    })
    void the_mode_is_named_where_the_chords_leave_no_doubt(String chords, String key) {
        assertThat(ChartParser.parse(chords).song().orElseThrow().key())
                .isEqualTo(Key.read(key).orElseThrow());
    }
}
