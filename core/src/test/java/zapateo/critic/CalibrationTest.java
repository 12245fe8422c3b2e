package zapateo.critic;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * Bars as a good player writes them say nothing to the reader. The tones of each chord are set down by hand (HANDBOOK
 * §5 and §5a, common practice), the rhythms are those of HANDBOOK §7; nothing here is made by the program that
 * arranges.
 */
class CalibrationTest {

    /** A large hand, that strikes tenths together. */
    private static final Pianist LARGE = Pianist.of(Hand.of(240));

    /**
     * Bass, bass of the third beat, fifth of a line, octave, pair, middle and top of the spread, twelfth, close chord
     * over a bass, three tones of a broken close chord, close chord alone, held chord and struck tenth.
     */
    private static final List<String> NAMES =
            List.of("b", "F", "f", "o", "p", "m", "t", "w", "c", "x", "y", "z", "k", "H", "T");
    /** What is not a bass of its own. */
    private static final String UPPER = "fomtwyz";

    private static final Map<String, List<String>> CHORDS = chords();

    private static Map<String, List<String>> chords() {
        Map<String, List<String>> chords = new LinkedHashMap<>();
        Stream.of(
                        "C:C2 G1 G2 C3 C2+G2 G2 E3 G3 E3+G3+C4 C3 E3 G3 E3+G3+C4 C2+G2+E3 C2+E3",
                        "Am:A1 E1 E2 A2 A1+E2 E2 C3 E3 E3+A3+C4 A3 C4 E4 E3+A3+C4 A1+E2+C3 A1+C3",
                        "A♭:A♭1 E♭2 E♭2 A♭2 A♭1+E♭2 E♭2 C3 E♭3 E♭3+A♭3+C4 A♭3 C4 E♭4 E♭3+A♭3+C4 A♭1+E♭2+C3 A♭1+C3",
                        "Em7:E2 B1 B2 E3 E2+B2 D3 G3 B3 G3+B3+D4 E3 G3 D4 G3+B3+D4 E2+D3+G3 E2+G3",
                        "C/E:E2 C2 C3 E3 E2+C3 C3 G3 C4 G3+C4 E3 G3 C4 E3+G3+C4 E2+C3+G3 E2+G3",
                        "C/B♭:B♭1 G1 G2 B♭2 B♭1 G2 E3 G3 E3+G3+C4 B♭3 E4 G4 B♭3+C4+E4 - -",
                        "F6:F2 C2 C3 F3 F2+C3 D3 A3 C4 A3+C4+D4 F3 A3 D4 A3+C4+D4 F2+D3+A3 F2+A3",
                        "Dm7:D2 A1 A2 D3 D2+A2 C3 F3 A3 F3+A3+C4 D3 F3 C4 F3+A3+C4 D2+C3+F3 D2+F3",
                        "G7:G2 D2 D3 G3 G2+D3 F3 B3 D4 F3+B3+D4 G3 B3 F4 F3+B3+D4 G2+F3+B3 G2+B3",
                        "E♭maj7:E♭2 B♭1 B♭2 E♭3 E♭2+B♭2 D3 G3 B♭3 G3+B♭3+D4 E♭3 G3 D4 G3+B♭3+D4 E♭2+D3+G3 E♭2+G3",
                        "D/F♯:F♯2 D2 D3 F♯3 F♯2+D3 D3 A3 D4 A3+D4 F♯3 A3 D4 F♯3+A3+D4 F♯2+D3+A3 F♯2+A3",
                        "Fm7:F2 C2 C3 F3 F2+C3 E♭3 A♭3 C4 E♭3+A♭3+C4 F3 A♭3 E♭4 E♭3+A♭3+C4 F2+E♭3+A♭3 F2+A♭3")
                .map(line -> line.split(":"))
                .forEach(line -> chords.put(line[0], List.of(line[1].split(" "))));
        return chords;
    }

    /** Metre, traits and strokes; the names stand for each chord's tones. */
    private static final List<String> RHYTHMS = List.of(
            "4/4;;H@0:3840",
            "4/4;open;p@0:960 p@960:960 p@1920:960 p@2880:960",
            "4/4;open;p@0:3360",
            "4/4;octaves open;b@0:480 o@480:480 b@960:480 o@1440:480 b@1920:480 o@2400:480 b@2880:480 o@3360:480",
            "4/4;runs close;x@0:3840 y@480:3360 z@960:2880",
            "4/4;runs close;x@0:480 z@480:480 y@960:480 z@1440:480 x@1920:480 z@2400:480 y@2880:480 z@3360:480",
            "4/4;runs;b@0:480 m@480:480 t@960:480 m@1440:480 b@1920:480 m@2400:480 t@2880:480 m@3360:480",
            "4/4;runs;b@0:240 m@240:240 t@480:240 b@720:240 m@960:240 t@1200:240 b@1440:240 m@1680:240 t@1920:240 "
                    + "b@2160:240 m@2400:240 t@2640:240 b@2880:240 m@3120:240 t@3360:240 b@3600:240",
            "4/4;jumps alternates;b@0:960 c@960:960 F@1920:960 c@2880:960",
            "4/4;jumps alternates;T@0:960 c@960:960 F@1920:960 c@2880:960",
            "4/4;bass_only alternates;b@0:1920 F@1920:1920",
            "4/4;bassless;k@0:1440 k@1440:2400",
            "4/4;bass_only;b@0:1440 f@1440:1440 o@2880:960",
            "4/4;bass_only runs;b@0:720 f@720:240 o@960:480 f@1440:480 b@1920:720 f@2640:240 o@2880:480 f@3360:480",
            "4/4;bass_only;b@0:1440 f@1440:480 o@1920:960 f@2880:960",
            "4/4;bossa bass_only;b@0:1440 f@1440:480 f@1920:1440",
            "4/4;bossa jumps;b@0:960 c@960:480 c@1440:480! F@1920:960 c@2880:480 c@3360:480",
            "4/4;jumps;b@0:480! c@960:480 c@1920:480! c@2880:480",
            "4/4;slips jumps alternates;b@0:480 c@480:960! c@1440:480 F@1920:960 c@2880:960",
            "4/4;jumps;b@0:960 c@960:240 c@2880:240",
            "4/4;jumps alternates;b@0:720 c@960:720 F@1920:720 c@2880:720",
            "4/4;open;p@0:480 p@480:480 p@960:480! p@1440:480 p@1920:480 p@2400:480 p@2880:480! p@3360:480",
            "4/4;close;k@0:480! k@1440:480!",
            "4/4;close;k@0:960 k@960:960 k@1920:960 k@2880:960",
            "6/8;runs;b@0:480 m@480:480 t@960:480 w@1440:480 t@1920:480 m@2400:480",
            "6/8;jumps alternates;b@0:480 c@480:480 c@960:480 F@1440:480 c@1920:480 c@2400:480",
            "3/4;jumps;b@0:960 c@960:960 c@1920:960",
            "3/4;runs;b@0:480 m@480:480 t@960:480 w@1440:480 t@1920:480 m@2400:480");

    static Stream<String> chordNames() {
        return CHORDS.keySet().stream();
    }

    @ParameterizedTest
    @MethodSource("chordNames")
    void what_a_good_player_plays_says_nothing(String chord) {
        List<String> said = new ArrayList<>();
        for (String rhythm : RHYTHMS) {
            String[] parts = rhythm.split(";");
            if (parts[2].matches("[HT].*") && CHORDS.get(chord).contains("-")) {
                // Held or in tenths, a seventh in the bass leaves the third to the right hand (HANDBOOK §5a).
                continue;
            }
            Song song = ChartParser.parse("Key: " + (chord.contains("♭") || chord.startsWith("F") ? "E♭" : "C")
                            + "\nMeter: " + parts[0] + "\n| " + chord + " | " + chord + " |")
                    .song()
                    .orElseThrow();
            int bar = song.bars().get(0).ticks();
            String strokes = strokes(parts[2], CHORDS.get(chord), 0) + " " + strokes(parts[2], CHORDS.get(chord), bar);
            CriticTest.read(song, parts[1], strokes, List.of(), LARGE).stream()
                    .filter(CalibrationTest::isOfNotes)
                    .forEach(fault -> said.add(fault.id() + " " + fault.found().args() + " in " + strokes));
        }
        assertThat(said).isEmpty();
    }

    /** Loudness is not set down here. */
    private static boolean isOfNotes(Fault fault) {
        return !fault.id().equals("M3");
    }

    private static String strokes(String rhythm, List<String> tones, int from) {
        return Arrays.stream(rhythm.split(" "))
                .map(word -> {
                    String[] stroke = word.split("@");
                    String notes = Arrays.stream(stroke[0].split("\\+"))
                            .map(name -> tones.get(NAMES.indexOf(name)))
                            .collect(Collectors.joining("+"));
                    int tick = Integer.parseInt(stroke[1].split(":")[0]) + from;
                    String[] length = stroke[1].split(":")[1].split("(?=!)");
                    return notes + "@" + tick + ":" + length[0] + (UPPER.contains(stroke[0]) ? "_" : "")
                            + (length.length > 1 ? "!" : "");
                })
                .collect(Collectors.joining(" "));
    }

    /** How many bars that are. */
    @Test
    void there_are_three_hundred_bars() {
        assertThat(CHORDS.size() * RHYTHMS.size()).isGreaterThanOrEqualTo(300);
    }

    /** The left hands of EXAMPLES.md, by number. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '"',
            value = {
                "1;E♭;E♭ | B♭7 | A♭/C;runs;E♭2@0:480 B♭2@480:480_ G3@960:480_ B♭2@1440:480_ B♭1@3840:480 "
                        + "A♭2@4320:480_ D3@4800:480_ A♭2@5280:480_ C2@7680:480 A♭2@8160:480_ E♭3@8640:480_ "
                        + "A♭2@9120:480_",
                "5;B♭;B♭ | E♭ | F | Gm | B♭;close runs;B♭3+D4+F4@0:3840 B♭3+E♭4+G4@3840:3840 A3+C4+F4@7680:3840 "
                        + "B♭3+D4+G4@11520:3840 B♭3+D4+F4@15360:3840",
                "6;A♭;A♭6 | B♭m7 E♭7 | A♭;jumps alternates;A♭1@0:960 C3+E♭3+F3+A♭3@960:960 E♭2@1920:960 "
                        + "C3+E♭3+F3+A♭3@2880:960 B♭1@3840:960 D♭3+F3+A♭3+B♭3@4800:960 E♭2@5760:960 "
                        + "D♭3+G3+B♭3@6720:960 A♭1+E♭2+C3@7680:3840",
                "8;B♭;B♭ | Gm7 | Cm7 | F7 | B♭;walks bass_only;B♭2@0:960 A2@960:960 F2@1920:960 F♯2@2880:960 "
                        + "G2@3840:960 B♭2@4800:960 D3@5760:960 D♭3@6720:960 C3@7680:960 B♭2@8640:960 "
                        + "G2@9600:960 G♭2@10560:960 F2@11520:960 A2@12480:960 C3@13440:960 A2@14400:960 B♭2@15360:960",
                "9;F;F7 | B♭7 | C7;bassless blues;E♭3+A3@0:240 E♭3+A3@1440:240 D3+A♭3@3840:240 D3+A♭3@5280:240 "
                        + "E3+B♭3@7680:240 E3+B♭3@9120:240",
                "10;F;F;rocks runs open blues;F2+C3@0:480 F2+C3@480:480 F2+D3@960:480 F2+D3@1440:480 F2+C3@1920:480 "
                        + "F2+C3@2400:480 F2+D3@2880:480 F2+D3@3360:480",
                "11;Dm;Dm;bass_only runs;D2@0:720 A2@720:240_ D3@960:480_ A2@1440:480_ D2@1920:720 A2@2640:240_ "
                        + "D3@2880:480_ A2@3360:480_",
                "15;Cm;Cm7 | F7;bossa bass_only;C2@0:1440 G2@1440:480_ G2@1920:1440_ F2@3360:480 F2@3840:1440 "
                        + "C3@5280:480_ C3@5760:1920_",
                "16;G;G | D/F♯ | G;jumps;G2@0:960 B3+D4+G4@960:960 B3+D4+G4@1920:960 F♯2@3840:960 A3+D4@4800:960 "
                        + "A3+D4@5760:960 G2@7680:960 G3+B3+D4@8640:960",
                "19;E♭;A♭ E♭/G | Fm E♭;bass_only;A♭2@0:1920 G2@1920:1920 F2@3840:1920 E♭2@5760:1920",
                "20;F;F | B♭/F | C7/F | F;bass_only;F2@0:3840 F2@3840:3840 F2@7680:3840 F2@11520:3840",
                "22;F;F | B♭;bass_only;F2@0:1920 C3@1920:1440 A2@3360:480~ B♭2@3840:1920",
                "24;E♭;E♭;;E♭2+B♭2+G3@0:3840"
            })
    void the_worked_examples_say_nothing(String number, String key, String chart, String traits, String strokes) {
        Song song =
                ChartParser.parse("Key: " + key + "\n| " + chart + " |").song().orElseThrow();
        assertThat(CriticTest.read(song, traits, strokes, List.of(), LARGE).stream()
                        .filter(CalibrationTest::isOfNotes))
                .as("example " + number)
                .isEmpty();
    }

    /**
     * The rhythms of HANDBOOK §7 whose tones are their own: shuffles, boogies, tumbao, one-five, a relay; written out
     * by hand.
     */
    @ParameterizedTest(name = "{0} {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "shuffle;C;C7 | F7;rocks runs open blues;C2+G2@0:480 C2+G2@480:480 C2+A2@960:480 C2+A2@1440:480 "
                        + "C2+G2@1920:480 C2+G2@2400:480 C2+A2@2880:480 C2+A2@3360:480 F2+C3@3840:480 "
                        + "F2+C3@4320:480 F2+D3@4800:480 F2+D3@5280:480 F2+C3@5760:480 F2+C3@6240:480 "
                        + "F2+D3@6720:480 F2+D3@7200:480",
                "full shuffle;A;A7 | D7;rocks runs open blues;A1+E2@0:480 A1+E2@480:480 A1+F♯2@960:480 "
                        + "A1+F♯2@1440:480 A1+G2@1920:480 A1+G2@2400:480 A1+F♯2@2880:480 A1+F♯2@3360:480 "
                        + "D2+A2@3840:480 D2+A2@4320:480 D2+B2@4800:480 D2+B2@5280:480 D2+C3@5760:480 "
                        + "D2+C3@6240:480 D2+B2@6720:480 D2+B2@7200:480",
                "rocking;G;G7 | C7;rocks runs open blues;G1@0:960 D2@960:960_ G1@1920:960 E2@2880:960_ C2@3840:960 "
                        + "G2@4800:960_ C2@5760:960 A2@6720:960_",
                "climbing;E♭;E♭7 | A♭7;rocks runs open blues bass_only;E♭2@0:480 G2@480:480_ B♭2@960:480_ "
                        + "C3@1440:480_ D♭3@1920:480_ C3@2400:480_ B♭2@2880:480_ G2@3360:480_ A♭1@3840:480 "
                        + "C2@4320:480_ E♭2@4800:480_ F2@5280:480_ G♭2@5760:480_ F2@6240:480_ E♭2@6720:480_ "
                        + "C2@7200:480_",
                "tumbao;C;C | F | C;tumbao bass_only;C2@0:1440 G2@1440:1440_ F2@2880:2400 C3@5280:1440_ "
                        + "C2@6720:2400 G2@9120:1440_ C2@10560:960",
                "one-five;E♭;E♭ | A♭;bass_only runs open;E♭2@0:1440 A2@1440:480~ B♭2@1920:1440_ G2@3360:480~ "
                        + "A♭2@3840:1440 D3@5280:480~ E♭3@5760:1920_",
                "slow twelve;C;C | F;runs;C2@0:1440 R:E4+G4+C5@0:480#COMPING R:E4+G4+C5@480:480#COMPING "
                        + "C2@1440:1440 R:E4+G4+C5@1440:480#COMPING C2@1920:1440 R:E4+G4+C5@1920:480#COMPING "
                        + "F2@3840:1440 R:F4+A4+C5@3840:480#COMPING R:F4+A4+C5@4320:480#COMPING F2@5280:1440 "
                        + "R:F4+A4+C5@5280:480#COMPING",
                "hand split;Am;Am | Dm;runs;A1@0:480 R:C4+E4+A4@480:480#COMPING E2@960:480_ A2@1440:480_ "
                        + "R:C4+E4+A4@1920:480#COMPING R:C4+E4+A4@2400:480#COMPING E2@2880:480_ "
                        + "R:C4+E4+A4@3360:480#COMPING D2@3840:480 R:D4+F4+A4@4320:480#COMPING A2@4800:480_ "
                        + "D3@5280:480_ R:D4+F4+A4@5760:480#COMPING R:D4+F4+A4@6240:480#COMPING A2@6720:480_ "
                        + "R:D4+F4+A4@7200:480#COMPING",
                "relay;C;C | G;runs close;C3@0:480 E3@480:480_ G3@960:480_ R:C4@1440:480#COMPING "
                        + "R:E4@1920:480#COMPING R:G4@2400:480#COMPING G2@3840:480 B2@4320:480_ D3@4800:480_ "
                        + "R:G3@5280:480#COMPING R:B3@5760:480#COMPING R:D4@6240:480#COMPING",
                "open ninth;G;G | Em;runs;G2@0:3840 D3@480:3360_ A3@960:2880_ B3@1440:2400_ E2@3840:3840 "
                        + "B2@4320:3360_ F♯3@4800:2880_ G3@5280:2400_",
                "slow rumba;Dm;Dm | Gm;runs;D2@0:1440 A2@1440:480_ D3@1920:960_ F3@2880:960_ G2@3840:1440 "
                        + "D3@5280:480_ G3@5760:960_ B♭3@6720:960_",
                "call and answer;Dm;Dm;octaves open;D2@0:480 D3@480:2400 R:E4+G4+C5@1440:480#COMPING "
                        + "R:D4+F4+A4@1920:480#COMPING R:E4+G4+C5@2880:480#COMPING R:D4+F4+A4@3360:480#COMPING"
            })
    void rhythms_with_tones_of_their_own_say_nothing(
            String name, String key, String chart, String traits, String strokes) {
        Song song =
                ChartParser.parse("Key: " + key + "\n| " + chart + " |").song().orElseThrow();
        assertThat(CriticTest.read(song, traits, strokes, List.of(), LARGE).stream()
                        .filter(CalibrationTest::isOfNotes))
                .as(name)
                .isEmpty();
    }

    /** Walking tenths over stepping basses, and a descent under a held minor chord (HANDBOOK §5a and §6). */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "C | G/B | Am | G;C3+E4@0:3840 B2+D4@3840:3840 A2+C4@7680:3840 G2+B3@11520:3840",
                "Am | Am/G | F | E;A2+C4@0:3840 G2+C4@3840:3840 F2+A3@7680:3840 E2+G♯3@11520:3840"
            })
    void walking_tenths_say_nothing(String line) {
        Song song = ChartParser.parse("Key: C\n| " + line.split(";")[0] + " |")
                .song()
                .orElseThrow();
        assertThat(CriticTest.read(song, "", line.split(";")[1], List.of(), LARGE).stream()
                        .filter(CalibrationTest::isOfNotes))
                .isEmpty();
    }
}
