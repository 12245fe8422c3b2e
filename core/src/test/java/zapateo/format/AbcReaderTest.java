package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.song.ChordSpan;
import zapateo.song.Problem;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/** By the ABC 2.1 standard (section numbers beside the tables). */
class AbcReaderTest {

    private static FileReading reading(String body) {
        return SongReader.read(("X:1\nT:Test\n" + body).getBytes(StandardCharsets.UTF_8));
    }

    private static Song song(String body) {
        return reading(body).song().orElseThrow();
    }

    private static String played(Song song) {
        return song.bars().stream()
                .map(bar -> bar.chords().stream().map(ChordSpan::written).collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    private static String notes(Song song) {
        return song.writtenBars().stream()
                .map(bar -> bar.tune().stream()
                        .map(note -> note.pitch().map(Object::toString).orElse("r") + (note.tied() ? "~" : ""))
                        .collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    /** 3.1.14 K: - key. */
    @ParameterizedTest(name = "K:{0} is {1}, an F sounds {2}")
    @CsvSource({
        "C, C, F4",
        "G, G, F♯4",
        "Am, Am, F4",
        "A min, Am, F4",
        "Bb, B♭, F4",
        "F#m, F♯m, F♯4",
        "Dmix, D mixolydian, F♯4",
        "D Mixolydian, D mixolydian, F♯4",
        "Edor, E dorian, F♯4",
        "G ionian, G, F♯4",
        "E aeolian, Em, F♯4",
        "Aphr, Am, F4",
        "Clyd, C, F♯4",
        "Bloc, Bm, F4",
        "HP, A mixolydian, F♯4",
        "D clef=bass, D, F♯4",
        "G treble, G, F♯4"
    })
    void keys(String key, String read, String note) {
        Song song = song("M:4/4\nL:1/1\nK:" + key + "\nF|\n");
        assertThat(song.key()).hasToString(read);
        assertThat(notes(song)).isEqualTo(note);
    }

    @Test
    void a_mode_that_no_song_here_has_keeps_its_signature_and_is_told() {
        assertThat(reading("K:Aphr\nB4|\n").problems())
                .extracting(Problem::code)
                .containsExactly("key-unread");
        assertThat(notes(song("M:4/4\nL:1/1\nK:Aphr\nB|\n"))).isEqualTo("B♭4");
        assertThat(song("K:none\nC4|\n").keyGiven()).isFalse();
    }

    /** 3.1.6 M:, 3.1.7 L: – the default length follows the metre. */
    @ParameterizedTest(name = "M:{0} and L:{1} make a C {2} ticks")
    @CsvSource({
        "4/4, , 480",
        "C, , 480",
        "C|, , 480",
        "6/8, , 480",
        "3/4, , 480",
        "2/4, , 240",
        "4/4, 1/4, 960",
        "2/4, 1/8, 480",
        "9/8, 1/16, 240"
    })
    void default_lengths(String meter, String length, int ticks) {
        Song song = song("M:" + meter + "\n" + (length == null ? "" : "L:" + length + "\n") + "K:C\nC C C|\n");
        assertThat(song.writtenBars().get(0).tune().get(0).ticks()).isEqualTo(ticks);
    }

    /** 3.1.8 Q: – tempo, with a text, with several beats, and the old bare number. */
    @ParameterizedTest(name = "Q:{0} is {1}")
    @CsvSource({
        "1/4=120, 120",
        "1/2=60, 120",
        "3/8=80, 120",
        "\"Slow\" 1/4=66, 66",
        "1/4 1/4=40, 80",
        "120, 60",
        "1/4=fast, 100",
        "\"Gently\", 100"
    })
    void tempos(String tempo, double quarters) {
        assertThat(song("M:4/4\nL:1/8\nQ:" + tempo + "\nK:C\nC8|\n").tempo().quartersPerMinute())
                .isEqualTo(quarters);
    }

    @Test
    void a_tempo_of_a_hundred_thousand_parts_is_told_and_passed_over() {
        FileReading reading = reading("Q:" + "1/4 ".repeat(100_000) + "=100\nK:C\nC8|\n");
        assertThat(reading.problems()).extracting(Problem::code).containsExactly("tempo-unread");
        assertThat(reading.song()).isPresent();
    }

    @Test
    void the_words_of_a_tempo_are_pinned_or_name_the_feel() {
        assertThat(song("Q:\"Slow\" 1/4=66\nK:C\nC8|\n")
                        .writtenBars()
                        .get(0)
                        .marks()
                        .pins())
                .hasSize(1);
        assertThat(song("Q:\"swing\" 1/4=66\nK:C\nC8|\n").feel().id()).isEqualTo("swing");
    }

    /** 4.8 Repeat and bar symbols, 4.9 first and second repeats, 4.10 variant endings. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "|:\"C\"C8:|; C | C",
                "\"C\"C8:|\"G\"G8|]; C | C | G",
                "|:\"C\"C8::\"G\"G8:|; C | C | G | G",
                "|:\"C\"C8:||:\"G\"G8:|; C | C | G | G",
                "|:\"C\"C8|1\"F\"F8:|2\"G\"G8|]; C | F | C | G",
                "|:\"C\"C8|[1\"F\"F8:|[2\"G\"G8||; C | F | C | G",
                "|:\"C\"C8|1,3\"F\"F8:|2\"G\"G8:|4\"A\"A8|]; C | F | C | G | C | F | C | A",
                "\"C\"C8||\"G\"G8|]; C | G",
                "[|\"C\"C8|]; C"
            })
    void repeats_and_endings(String music, String expected) {
        assertThat(played(song("M:4/4\nL:1/8\nK:C\n" + music + "\n"))).isEqualTo(expected);
    }

    @Test
    void a_pick_up_a_bar_cut_by_a_repeat_and_a_bar_of_its_own_length_keep_their_lengths() {
        Song song = song("M:3/4\nL:1/4\nK:C\nG|CDE|FG:|A|CDEF|\n");
        assertThat(song.writtenBars()).extracting(WrittenBar::ticks).containsExactly(960, 2880, 1920, 960, 3840);
        assertThat(song.writtenBars()).extracting(WrittenBar::number).containsExactly(0, 1, 2, 3, 4);
        assertThat(song.writtenBars().get(4).meter()).hasToString("4/4");
    }

    /** 4.11 ties, 4.13 tuplets, 4.4 broken rhythm, 4.17 chords and unisons, 4.20 grace notes: pitches and ties. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "C4-C4|;C4",
                "C8-|C8|;C4~ | C4",
                "(3CDE C6|;C4 D4 E4 C4",
                "(5CDEFG C6|;C4 D4 E4 F4 G4 C4",
                "C>D E<F G4|;C4 D4 E4 F4 G4",
                "[CEG]8|;G4",
                "{/g}C8|;C4",
                "C,C,,c'c''|;C3 C2 C6 C7",
                "z4C4|;r C4",
                "C4[K:D]F4|;C4 F♯4",
                "^F2F2|F4|;F♯4 F♯4 | F4",
                "_B=B^^c__d|;B♭4 B4 C𝄪5 D𝄫5",
                "C4&E4|;C4",
                "C2 D2\\;C4 D4",
                "vC2.D2~E2HF2|;C4 D4 E4 F4",
                "\"^up\"C4\"_down\"D4|;C4 D4"
            })
    void notes(String music, String expected) {
        assertThat(notes(song("M:4/4\nL:1/8\nK:C\n" + music + "\n")).replaceAll("( r)+$", ""))
                .startsWith(expected);
    }

    /** 5.1 Alignment of words. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "night boat go-ing; night boat | going",
                "night | go-ing; night | going",
                "one * three four; one | three four",
                "ti__me; ti | me",
                "a~b c d e; a b c | d e",
                "one\\-two x y z; one-two x | y z"
            })
    void words(String words, String expected) {
        Song song = song("M:2/4\nL:1/4\nK:C\nCD|EF|\nw:" + words + "\n");
        assertThat(song.writtenBars().stream()
                        .map(bar -> bar.marks().words().isEmpty()
                                ? ""
                                : bar.marks().words().get(0))
                        .collect(Collectors.joining(" | ")))
                .isEqualTo(expected);
    }

    @Test
    void two_lines_of_words_are_two_verses() {
        assertThat(song("M:2/4\nL:1/4\nK:C\nCD|\nw:one two\nw:three four\n")
                        .writtenBars()
                        .get(0)
                        .marks()
                        .words())
                .containsExactly("one two", "three four");
    }

    @Test
    void only_the_first_voice_is_read_and_the_others_are_told() {
        FileReading reading = reading("M:4/4\nL:1/4\nK:C\nV:1\n\"C\"CDEF|\nV:2\nC,4|\nV:1\n\"G\"GABc|\n");
        assertThat(played(reading.song().orElseThrow())).isEqualTo("C | G");
        assertThat(reading.problems()).extracting(Problem::code).containsExactly("voices-unread");
    }

    @Test
    void parts_are_sections_and_their_order_is_told_not_to_be_read() {
        FileReading reading = reading("P:AAB\nM:4/4\nL:1/1\nK:C\nP:A\n\"C\"C|\nP:B\n\"G\"G|\n");
        assertThat(reading.song().orElseThrow().written())
                .extracting(section -> section.name())
                .containsExactly("A", "B");
        assertThat(reading.problems()).extracting(Problem::code).containsExactly("abc-field");
    }

    @Test
    void what_is_not_understood_has_its_line_and_column() {
        List<Problem> problems =
                reading("M:4/4\nL:1/4\nK:C\nCD\"Hx\"EF|?GAB|\n").problems();
        assertThat(problems)
                .extracting(problem -> problem.code() + "@" + problem.line() + ":" + problem.column())
                .containsExactly("chord-unknown@6:4", "abc-sign@6:10");
    }

    @Test
    void chords_between_the_notes_and_before_a_bar_line_stay_on_their_places() {
        Song song = song("M:4/4\nL:1/4\nK:C\n\"C\"C2 \"Am\"A \"G7\"G|\"(F)\"F4|\"N.C.\"C4|\n");
        assertThat(song.writtenBars().get(0).chords())
                .extracting(ChordSpan::tick)
                .containsExactly(0, 1920, 2880);
        assertThat(played(song)).isEqualTo("C Am G7 | F | N.C.");
    }
}
