package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class ChartParserTest {

    private static final String WHOLE = """
            Title: Slow Pier
            Key: Bb
            Meter: 3/4
            Tempo: 92
            Feel: swing

            // after the bell
            [Verse]
            | B♭ | Gm7 . E♭ | % | (4/4) F7 Cm |   // turn
            [Chorus]
            | N.C. | Eb/G . . F7 |
            """;

    @Test
    void a_whole_chart_is_read() {
        ChartReading reading = ChartParser.parse(WHOLE);
        assertThat(reading.problems()).isEmpty();
        Song song = reading.song().orElseThrow();
        assertThat(song.title()).isEqualTo("Slow Pier");
        assertThat(song.key()).hasToString("B♭");
        assertThat(song.keyGiven()).isTrue();
        assertThat(song.tempo().bpm()).isEqualTo(92);
        assertThat(song.feel().id()).isEqualTo("swing");
        assertThat(song.sections()).extracting(Section::name).containsExactly("Verse", "Chorus");
        assertThat(bars(song))
                .containsExactly(
                        "B♭@0:2880",
                        "Gm7@0:1920 E♭@1920:960",
                        "Gm7@0:1920 E♭@1920:960",
                        "F7@0:1920 Cm@1920:1920",
                        "N.C.@0:3840",
                        "E♭/G@0:2880 F7@2880:960");
        assertThat(song.bars()).extracting(Bar::tick).containsExactly(0, 2880, 5760, 8640, 12480, 16320);
        assertThat(song.ticks()).isEqualTo(20160);
    }

    @ParameterizedTest(name = "{0} -> {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "| C |; C@0:3840",
                "| C F |; C@0:1920 F@1920:1920",
                "| C . . F |; C@0:2880 F@2880:960",
                "| C Am F G |; C@0:960 Am@960:960 F@1920:960 G@2880:960",
                "| C... |; C...@0:3840",
                "| C ... |; C@0:3840",
                "C; C@0:3840",
                "C . F .; C@0:1920 F@1920:1920",
                "| C || ; C@0:3840",
                "C |; C@0:3840",
                "| C; C@0:3840",
                "| nc |; N.C.@0:3840",
                "| (6/8) C G |; C@0:1440 G@1440:1440",
                "| (7/8) C . . G . . . |; C@0:1440 G@1440:1920",
                "| (12/8) Em . Am . |; Em@0:2880 Am@2880:2880"
            })
    void bars_are_read_as_a_musician_means_them(String text, String bar) {
        assertThat(bars(ChartParser.parse(text).song().orElseThrow())).containsExactly(bar);
    }

    @Test
    void a_row_without_bar_lines_is_one_chord_a_bar() {
        ChartReading reading = ChartParser.parse("C Am (3/4) F %\nG7");
        assertThat(reading.problems()).isEmpty();
        assertThat(bars(reading.song().orElseThrow()))
                .containsExactly("C@0:3840", "Am@0:3840", "F@0:2880", "F@0:2880", "G7@0:2880");
    }

    @Test
    void a_title_is_read_before_there_is_a_bar() {
        ChartReading reading = ChartParser.parse("Title: Quay Lights\n");
        assertThat(reading.song()).isEmpty();
        assertThat(reading.title()).isEqualTo("Quay Lights");
    }

    @Test
    void everything_in_the_heading_may_be_left_out() {
        Song song = ChartParser.parse("| C | F | G7 | C |").song().orElseThrow();
        assertThat(song.title()).isEqualTo(Song.UNTITLED);
        assertThat(song.key()).hasToString("C");
        assertThat(song.keyGiven()).isFalse();
        assertThat(song.meter()).hasToString("4/4");
        assertThat(song.tempo().bpm()).isEqualTo(100);
        assertThat(song.feel().id()).isEqualTo("straight");
    }

    @ParameterizedTest(name = "{0}: {1} at {2}:{3}, found {4}, expected {5}")
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "| C | H |;not-a-chord;1;7;H;a chord such as",
                "| C | C7foo |;chord-unknown;1;7;C7foo;one of the known kinds",
                "| C F G |;uneven-share;1;3;C F G;C . F G",
                "Meter: 3/4~| C F |;uneven-share;2;3;C F;C . F",
                "| C . F |;beats-unfilled;1;3;C . F;C . F .",
                "| C . . . F |;beats-unfilled;1;3;C . . . F;4 beats in 4/4",
                "| C D E F G |;too-many-chords;1;3;C D E F G;at most 4",
                "| . C . . |;dot-first;1;3;.;a chord before",
                "| % | C |;repeat-nothing;1;3;%;a bar before",
                "| C | (3/4) % |;repeat-nothing;1;7;(3/4) %;a bar of 3/4",
                "| C | % Am |;repeat-mixed;1;9;Am;% alone",
                "| C | Am % |;repeat-mixed;1;10;%;% alone",
                "| C | | G |;bar-empty;1;6;` `;a chord, %",
                "| (3/5) C |;meter-unread;1;3;(3/5);(3/4)",
                "| (3/4 C |;meter-unread;1;3;(3/4;(3/4)",
                "| C (3/4) |;meter-late;1;5;(3/4);before the bar's first chord",
                "Key: H~| C |;key-unread;1;6;H;B♭, Gm",
                "Tempo: 900~| C |;tempo-unread;1;8;900;20 to 400",
                "Tempo: fast~| C |;tempo-unread;1;8;fast;20 to 400",
                "Meter: 4~| C |;meter-unread;1;8;4;4/4",
                "Feel: lazy~| C |;feel-unread;1;7;lazy;straight, swing",
                "Title:~| C |;title-unread;1;7;``;1 to 120",
                "Tmpo: 90~| C |;header-unknown;1;1;Tmpo;Title, Key",
                "| C |~Key: G;header-late;2;1;Key;above the first bar",
                "Key: G~Key: F~| C |;header-twice;2;1;Key;the last one counts",
                "[Verse~| C |;section-unread;1;1;[Verse;[Verse]",
                "[]~| C |;section-unread;1;1;[];[Verse]",
                "[A]~[B]~| C |;section-empty;1;1;[A];bars below",
                "| 🎹 |;not-a-chord;1;3;🎹;a chord such as"
            })
    void a_mistake_is_reported_where_it_stands_with_what_was_expected(
            String text, String code, int line, int column, String found, String expected) {
        ChartReading reading = ChartParser.parse(text.replace('~', '\n'));
        assertThat(reading.problems()).anySatisfy(problem -> {
            assertThat(problem.code()).isEqualTo(code);
            assertThat(problem.line()).isEqualTo(line);
            assertThat(problem.column()).isEqualTo(column);
            assertThat(problem.found()).isEqualTo(found.equals("` `") ? " " : found.replace("``", ""));
            assertThat(problem.expected()).contains(expected);
        });
        assertThat(reading.song()).as("the rest is still read").isPresent();
    }

    @Test
    void several_mistakes_are_reported_at_once_and_the_bars_keep_their_places() {
        ChartReading reading = ChartParser.parse("| C | H | C F G | Am |\n| Gq13 | C |");
        assertThat(reading.problems())
                .extracting(Problem::code)
                .containsExactly("not-a-chord", "uneven-share", "chord-unknown");
        assertThat(ChartParser.parse("| F G H |").problems())
                .as("in the order of the text")
                .extracting(Problem::column)
                .containsExactly(3, 7);
        assertThat(bars(reading.song().orElseThrow()))
                .containsExactly(
                        "C@0:3840",
                        "H@0:3840",
                        "C@0:1920 F@1920:960 G@2880:960",
                        "Am@0:3840",
                        "Gq13@0:3840",
                        "C@0:3840");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " \n\t\n", "// nothing", "[Verse]", "Title: Only", "|", "| |", "||||"})
    void a_chart_without_a_bar_is_no_song_and_says_so(String text) {
        ChartReading reading = ChartParser.parse(text);
        assertThat(reading.song()).isEmpty();
        assertThat(reading.problems()).extracting(Problem::code).contains("no-bars");
    }

    @Test
    void the_fix_that_is_shown_mends_the_bar() {
        for (String meter : List.of("2/4", "3/4", "4/4", "5/4", "6/8", "9/8", "12/8", "7/8")) {
            for (int chords = 1; chords <= 12; chords++) {
                String cell = IntStream.range(0, chords).mapToObj(i -> "C").collect(Collectors.joining(" "));
                ChartReading reading = ChartParser.parse("Meter: " + meter + "\n| " + cell + " |");
                reading.problems().stream()
                        .filter(problem -> problem.code().equals("uneven-share"))
                        .forEach(problem -> {
                            String fix = problem.expected()
                                    .substring(problem.expected().indexOf("as in ") + 6);
                            assertThat(ChartParser.parse("Meter: " + meter + "\n| " + fix + " |")
                                            .problems())
                                    .as(fix)
                                    .isEmpty();
                        });
            }
        }
    }

    @Test
    void line_ends_of_every_kind_count_alike() {
        ChartReading reading = ChartParser.parse("\uFEFFTitle: A\r\n| C |\r| H |\n| x |");
        assertThat(reading.problems()).extracting(Problem::line).containsExactly(3, 4);
        assertThat(reading.song().orElseThrow().title()).isEqualTo("A");
    }

    @Test
    void more_than_two_thousand_bars_are_refused() {
        assertThat(ChartParser.parse("C ".repeat(2000)).song()).isPresent();
        ChartReading over = ChartParser.parse("C ".repeat(2001));
        assertThat(over.song()).isEmpty();
        assertThat(over.problems()).extracting(Problem::code).containsExactly("too-many-bars");
    }

    @Test
    void a_flood_of_mistakes_is_cut_off() {
        assertThat(ChartParser.parse("| H |\n".repeat(500)).problems()).hasSize(100);
    }

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void a_well_written_chart_has_no_problems_and_its_bars_are_full(int seed) {
        ChartReading reading = ChartParser.parse(SeededCharts.text(seed));
        assertThat(reading.problems()).as(SeededCharts.text(seed)).isEmpty();
        int tick = 0;
        for (Bar bar : reading.song().orElseThrow().bars()) {
            assertThat(bar.tick()).isEqualTo(tick);
            tick = bar.end();
        }
    }

    @Test
    void whatever_is_typed_is_read_without_breaking() {
        String alphabet = "ABCDEFGHabm7♭♯#/|%.()[]:-+°ø△ \n\r\t0123456789//N.C.(3/4)🎹𝄫Key:Title";
        for (int seed = 0; seed < 3000; seed++) {
            Random random = new Random(seed);
            String text = random.ints(random.nextInt(120), 0, alphabet.length())
                    .mapToObj(i -> String.valueOf(alphabet.charAt(i)))
                    .collect(Collectors.joining());
            ChartReading reading = ChartParser.parse(text);
            int lines = text.split("\r\n|\r|\n", -1).length;
            assertThat(reading.problems()).as("seed " + seed).allSatisfy(problem -> {
                assertThat(problem.line()).isBetween(1, lines);
                assertThat(problem.column()).isPositive();
                assertThat(problem.expected()).isNotBlank();
            });
            assertThat(reading.song().isPresent() || !reading.problems().isEmpty())
                    .as("seed " + seed)
                    .isTrue();
        }
    }

    private static List<String> bars(Song song) {
        return song.bars().stream()
                .map(bar -> bar.chords().stream()
                        .map(span -> span.written() + "@" + span.tick() + ":" + span.ticks())
                        .collect(Collectors.joining(" ")))
                .toList();
    }
}
