package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.refusal.Refused;

class ChartEditTest {

    private static final String CHART =
            "Title: A // kept\n[V]\n| C  | F  . G . | % |\nWords: one | two | three |\n\n[B]\n|: Am :| // and this\n";

    private static String edited(String command, String text) {
        ChartEdit edit = ChartEdit.of(text);
        String[] words = command.split(" ", 4);
        return switch (words[0]) {
            case "set" -> edit.set(number(words[1]), command.split(" ", 3)[2]);
            case "insert" -> edit.insert(number(words[1]), command.split(" ", 3)[2]);
            case "delete" -> edit.delete(number(words[1]), number(words[2]));
            case "copy" -> edit.copy(number(words[1]), number(words[2]), number(words[3]));
            case "move" -> edit.move(number(words[1]), number(words[2]), number(words[3]));
            case "chord" -> edit.moveChord(number(words[1]), number(words[2]), number(words[3]));
            case "section" -> edit.section(number(words[1]), SectionChange.valueOf(words[2]));
            default -> throw new Refused(command);
        };
    }

    private static int number(String word) {
        return Integer.parseInt(word);
    }

    /** ~ is a line end. */
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = ';',
            value = {
                "set 0 Dm7;Title: A // kept~[V]~| Dm7  | F  . G . | % |~Words: one | two | three |~~[B]~|: Am :| // "
                        + "and this~",
                "set 2 Em;Title: A // kept~[V]~| C  | F  . G . | Em |~Words: one | two | three |~~[B]~|: Am :| // "
                        + "and this~",
                "insert 1 Em;Title: A // kept~[V]~| C  | Em | F  . G . | % |~Words: one | two | three |~~[B]~|: Am "
                        + ":| // and this~",
                "insert 2 Em;Title: A // kept~[V]~| C  | F  . G . | Em | F G |~Words: one | two | three |~~[B]~|: "
                        + "Am :| // and this~",
                "insert 4 Em;Title: A // kept~[V]~| C  | F  . G . | % |~Words: one | two | three |~~[B]~|: Am | Em "
                        + ":| // and this~",
                "delete 1 1;Title: A // kept~[V]~| C  | F G |~Words: one | three |~~[B]~|: Am :| // and this~",
                "delete 0 2;Title: A // kept~~[B]~|: Am :| // and this~",
                "delete 3 3;Title: A // kept~[V]~| C  | F  . G . | % |~Words: one | two | three |~~",
                "move 0 0 2;Title: A // kept~[V]~| F  . G . | C | F G |~Words: two | three |~~[B]~|: Am :| // and "
                        + "this~",
                "chord 1 1 3;Title: A // kept~[V]~| C  | F . . G | % |~Words: one | two | three |~~[B]~|: Am :| // "
                        + "and this~",
                "chord 1 0 1;Title: A // kept~[V]~| C  | F G | % |~Words: one | two | three |~~[B]~|: Am :| // and "
                        + "this~",
                "section 0 LATER;Title: A // kept~[B]~|: Am :| // and this~~[V]~| C  | F  . G . | % |~Words: one | "
                        + "two | three |~",
                "section 1 DELETE;Title: A // kept~[V]~| C  | F  . G . | % |~Words: one | two | three |~~",
                "section 1 COPY;Title: A // kept~[V]~| C  | F  . G . | % |~Words: one | two | three |~~[B]~|: Am :| "
                        + "// and this~~[B]~|: Am :| // and this~"
            })
    void an_edit_changes_its_bars_and_leaves_the_rest_as_it_was_typed(String command, String expected) {
        assertThat(edited(command, CHART).replace('\n', '~')).isEqualTo(expected);
    }

    static IntStream seeds() {
        return IntStream.range(0, 300);
    }

    /** The rule that holds for all of them: the bars that were not touched keep their chords and their metre. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void bars_that_were_not_touched_mean_what_they_meant(int seed) {
        String text = SeededCharts.text(seed);
        List<WrittenBar> bars = bars(text);
        Random random = new Random(seed);
        int from = random.nextInt(bars.size());
        int to = Math.min(bars.size() - 1, from + random.nextInt(3));
        if (to - from + 1 < bars.size()) {
            List<WrittenBar> fewer = new ArrayList<>(bars);
            fewer.subList(from, to + 1).clear();
            assertSame(ChartEdit.of(text).delete(from, to), fewer);
        }
        List<WrittenBar> more = new ArrayList<>(bars);
        WrittenBar inserted = bars.get(from);
        more.add(from, inserted);
        assertSame(ChartEdit.of(text).insert(from, "(" + inserted.meter() + ") " + ChartText.chords(inserted)), more);
        int before = random.nextInt(bars.size() + 1);
        List<WrittenBar> copied = new ArrayList<>(bars);
        copied.addAll(before, bars.subList(from, to + 1));
        if (bars.subList(from, to + 1).stream()
                        .allMatch(bar -> bar.meter().equals(bars.get(0).meter()))
                && bars.stream().allMatch(bar -> bar.meter().equals(bars.get(0).meter()))) {
            assertSame(ChartEdit.of(text).copy(from, to, before), copied);
        }
    }

    private static List<WrittenBar> bars(String text) {
        return ChartParser.parse(text).song().orElseThrow().writtenBars();
    }

    private static void assertSame(String text, List<WrittenBar> expected) {
        List<WrittenBar> found = bars(text);
        assertThat(found)
                .as(text)
                .extracting(WrittenBar::chords)
                .isEqualTo(expected.stream().map(WrittenBar::chords).toList());
        assertThat(found)
                .as(text)
                .extracting(WrittenBar::meter)
                .isEqualTo(expected.stream().map(WrittenBar::meter).toList());
    }

    @Test
    void several_bars_come_in_at_once() {
        assertThat(ChartEdit.of("| C | % |").insert(1, "F | G7")).isEqualTo("| C | F | G7 | C |");
        assertThat(ChartEdit.of("C Am").insert(2, "F | G7")).isEqualTo("C Am  F  G7");
        assertThat(ChartEdit.of("| C |").insert(1, "| \"left | right\" F |")).isEqualTo("| C | \"left | right\" F |");
        assertThatThrownBy(() -> ChartEdit.of("| C |").insert(1, "||"))
                .hasMessageContaining("expected what stands between");
    }

    @Test
    void two_bars_are_put_into_one_with_their_words() {
        assertThat(ChartEdit.of("| G ? | D ? | Em ? |\nWords: The harbour | lights | go |\n")
                        .join(0))
                .isEqualTo("| G D | Em ? |\nWords: | The harbour lights | go |\n");
        assertThat(ChartEdit.of("| G | % |").join(0)).isEqualTo("| G |");
    }

    @Test
    void all_bars_deleted_leave_one_of_silence() {
        assertThat(bars(ChartEdit.of("Title: A\n| C | F |\n| G |").delete(0, 2)))
                .hasSize(1);
    }

    @Test
    void a_bar_that_is_not_there_is_refused() {
        assertThatThrownBy(() -> ChartEdit.of("| C |").set(4, "F")).hasMessage("bar 4: expected 0 to 0");
        assertThatThrownBy(() -> ChartEdit.of("// nothing").delete(0, 0)).isInstanceOf(Refused.class);
    }

    @Test
    void a_chord_is_replaced_in_place_also_under_a_percent_sign() {
        assertThat(ChartEdit.of("| >C (fermata) | % |").replaceChord(0, 0, ChordSymbol.parse("Am")))
                .isEqualTo("| >Am (fermata) | % |");
        assertThat(ChartEdit.of("| C F | \"mind\" % |").replaceChord(1, 1, ChordSymbol.parse("Dm")))
                .isEqualTo("| C F | \"mind\" C Dm |");
    }

    /**
     * The line that counts is changed, one is put in below the title where there is none, and taken out to have the key
     * found.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "| C | F |;F;Key: F~| C | F |",
                "Title: Pier~~| C |;Gm;Title: Pier~Key: Gm~~| C |",
                "Title: Pier~key : c // old~| C |;E♭;Title: Pier~key : E♭ // old~| C |",
                "Key: C~Tempo: 90~| C |;;Tempo: 90~| C |",
                "| C |;;| C |"
            })
    void the_key_is_named_in_the_heading(String before, String key, String after) {
        String text = ChartEdit.of(before.replace('~', '\n'))
                .key(Optional.ofNullable(key).flatMap(Key::read));
        assertThat(text).isEqualTo(after.replace('~', '\n'));
        assertThat(ChartEdit.of(text).reading().song().orElseThrow().keyGiven()).isEqualTo(key != null);
    }

    @Test
    void guesses_are_taken_as_right() {
        assertThat(ChartEdit.of("| C ? | F . G . ? |").confirmGuesses()).isEqualTo("| C | F . G . |");
    }

    @Test
    void a_chart_is_transposed_with_its_keys_and_its_tune_and_nothing_else() {
        String text = "Title: Key of C\nKey: C // home\n[A]\n| C | >Am7/G | (key F) F B♭° | // F stays\nTune: E4/4 r/2 "
                + "F#4/4 | B4/1~ | B4/1\nWords: A | B | C\n";
        String moved = ChartEdit.of(text)
                .transpose(Transposition.between(Key.C_MAJOR, Key.read("E♭").orElseThrow()));
        assertThat(moved)
                .isEqualTo("Title: Key of C\nKey: E♭ // home\n[A]\n| E♭ | >Cm7/B♭ | (key A♭) A♭ D♭° | // F "
                        + "stays\nTune: G4/4 r/2 A4/4 | D5/1~ | D5/1\nWords: A | B | C\n");
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void there_and_back_again_is_the_same_song(int seed) {
        Song song = ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow();
        Transposition up = Transposition.by(5, song.key());
        Transposition down = new Transposition(-up.fifths(), -up.semitones());
        String there = ChartEdit.of(ChartText.write(song)).transpose(up);
        Song back =
                ChartParser.parse(ChartEdit.of(there).transpose(down)).song().orElseThrow();
        assertThat(back.bars()).hasSameSizeAs(song.bars());
        for (int i = 0; i < song.bars().size(); i++) {
            assertThat(sounds(back.bars().get(i))).isEqualTo(sounds(song.bars().get(i)));
        }
    }

    private static List<Object> sounds(Bar bar) {
        return List.of(
                bar.chords().stream()
                        .map(span -> span.chord()
                                .map(chord -> chord.root().chroma()
                                        + chord.quality().written()
                                        + chord.bass().chroma())
                                .orElse(""))
                        .toList(),
                bar.written().tune().stream()
                        .map(note -> note.pitch().map(pitch -> pitch.midi()).orElse(0))
                        .toList());
    }

    @Test
    void a_melody_is_put_under_the_bars_it_was_played_over_whatever_rows_they_stand_in() {
        String chart = "Key: C\n| C | F |\nWords: one | two |\nTune: | C5/1 | A4/1 |\n| G7 | C | // home\n";
        assertThat(ChartEdit.of(chart).tune(1, List.of(" F4/2 A4/2 ", "B4/1", "C5/1")))
                .isEqualTo("""
                Key: C
                | C | F |
                Words: one | two |
                Tune: | C5/1 | F4/2 A4/2 |
                | G7 | C | // home
                Melody: | B8 | c8 |
                """);
        assertThat(ChartEdit.of("| C |").tune(0, List.of("C5/1"))).isEqualTo("| C |\nMelody: | c8 |\n");
        assertThatThrownBy(() -> ChartEdit.of("| C |").tune(0, List.of("C5/1", "D5/1")))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> ChartEdit.of("| C |").tune(0, List.of("H5/1")))
                .hasMessageContaining("melody \"H5/1\": expected a note with its octave");
    }
}
