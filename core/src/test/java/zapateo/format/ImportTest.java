package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.Endured;
import zapateo.song.ChartParser;
import zapateo.song.ChordSpan;
import zapateo.song.Pin;
import zapateo.song.Problem;
import zapateo.song.SeededCharts;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

class ImportTest {

    private static FileReading read(String text) {
        return SongReader.read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String chords(FileReading reading) {
        return reading.song().orElseThrow().writtenBars().stream()
                .map(bar -> bar.chords().stream().map(ChordSpan::written).collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    private static final String ABOVE = """
            Harbour Song
            Key: G

            [Verse 1]
            G           D/F#     Em
            The harbour lights go out
                 C        D7
            and one by one they sleep

            Chorus:
            Am7  N.C.  G
            Come home
            """;
    private static final String INSIDE = """
            Harbour Song
            Key: G

            [Verse 1]
            [G]The harbour [D/F#]lights go [Em]out
            and [C]one by one [D7]they sleep

            Chorus:
            [Am7]Come [N.C.]home [G]
            """;

    @Test
    void chords_above_the_words_are_a_bar_each_and_marked_as_guesses() {
        FileReading reading = read(ABOVE);
        assertThat(reading.format()).isEqualTo(FileFormat.WORDS_WITH_CHORDS_ABOVE);
        assertThat(chords(reading)).isEqualTo("G | D/F♯ | Em | C | D7 | Am7 | N.C. | G");
        Song song = reading.song().orElseThrow();
        assertThat(song.title()).isEqualTo("Harbour Song");
        assertThat(song.key()).hasToString("G");
        assertThat(song.written()).extracting(section -> section.name()).containsExactly("Verse 1", "Chorus");
        assertThat(song.writtenBars())
                .allSatisfy(bar -> assertThat(bar.marks().guessed()).isTrue());
        assertThat(song.writtenBars().get(0).marks().words()).containsExactly("The harbour");
        assertThat(reading.problems()).extracting(Problem::code).containsExactly("lengths-guessed");
    }

    /**
     * A chord stands where the eye put it, in the middle of a word as often as not: the word goes with it whole, a word
     * of syllables from its hyphen on.
     */
    @Test
    void words_are_parted_between_words() {
        FileReading reading = read("Song\n\n   G      C        D7\nSomewhere over the harb-our lights\n");
        assertThat(reading.song().orElseThrow().writtenBars())
                .extracting(bar -> String.join("/", bar.marks().words()))
                .containsExactly("Somewhere", "over the", "harb-our lights");
        FileReading hyphen = read("Song\n\nG        C\nthe har-bour lights\n");
        assertThat(hyphen.song().orElseThrow().writtenBars())
                .extracting(bar -> String.join("/", bar.marks().words()))
                .containsExactly("the har-", "bour lights");
    }

    @Test
    void chords_inside_the_words_are_found_too() {
        FileReading reading = read(INSIDE);
        assertThat(reading.format()).isEqualTo(FileFormat.WORDS_WITH_CHORDS_INSIDE);
        assertThat(chords(reading)).isEqualTo("G | D/F♯ | Em | C | D7 | Am7 | N.C. | G");
        assertThat(reading.song().orElseThrow().writtenBars().get(3).marks().words())
                .containsExactly("and one by one");
    }

    @Test
    void what_a_word_sheet_says_and_is_not_understood_is_listed_with_its_place() {
        FileReading reading = read("My Song\n[G]One [Hx]two\nand a line alone\n[C]three\n");
        assertThat(reading.problems())
                .extracting(problem -> problem.code() + "@" + problem.line())
                .containsExactly("lengths-guessed@1", "chord-unknown@2", "words-alone@3");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "| C | F |; CHART",
                "C Am F G; CHART",
                "Title: A~C F G; CHART",
                "<score-partwise/>; MUSICXML",
                "X:1~K:C~CDEF|; ABC",
                "MThd....; MIDI",
                "hello world; UNKNOWN",
                "'';UNKNOWN"
            })
    void the_format_is_told_by_the_content(String text, FileFormat format) {
        assertThat(SongReader.format(text.replace('~', '\n').getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(format);
    }

    @Test
    void other_encodings_are_read() {
        assertThat(read("Title: A\n| C |").song().orElseThrow().title()).isEqualTo("A");
        assertThat(SongReader.read("Title: Fête\n| C |".getBytes(StandardCharsets.ISO_8859_1))
                        .song()
                        .orElseThrow()
                        .title())
                .isEqualTo("Fête");
        assertThat(SongReader.read("Title: Fête\n| C |".getBytes(StandardCharsets.UTF_16))
                        .song()
                        .orElseThrow()
                        .title())
                .isEqualTo("Fête");
    }

    /** ABC 2.1: lengths, broken rhythm, tuplets, accidentals that last a bar, ties, repeats. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "CDEF;C4:480 D4:480 E4:480 F4:480",
                "C2D/E/c'2C,2;C4:960 D4:240 E4:240 C6:960 C3:960",
                "A>B c<d;A4:720 B4:240 C5:240 D5:720",
                "(3ABc d2;A4:320 B4:320 C5:320 D5:960",
                "^F F =F F;F♯4:480 F♯4:480 F4:480 F4:480",
                "_B2^^c2;B♭4:960 C𝄪5:960",
                "z2C2;r:960 C4:960",
                "[CEG]4;G4:1920",
                "[C2E2]2;E4:1920",
                "{ga}C4;C4:1920",
                "!trill!C4~D4;C4:1920 D4:1920"
            })
    void abc_notes(String music, String notes) {
        Song song = read("X:1\nM:4/4\nL:1/8\nK:C\n" + music + "|\n").song().orElseThrow();
        assertThat(song.writtenBars().get(0).tune().stream()
                        .map(note -> note.pitch().map(Object::toString).orElse("r") + ":" + note.ticks())
                        .collect(Collectors.joining(" ")))
                .startsWith(notes);
    }

    @Test
    void an_abc_tune_with_everything_is_read() {
        FileReading reading = read("X:1\nT:Jig of the Deck\nT:Second "
                + "name\nC:Nobody\nM:6/8\nL:1/8\nQ:3/8=100\nK:Edor\nP:A\nB|:\"Em\"EGB "
                + "\"D\"def|[M:9/8]\"^hold\"gfe d2B ABc|1\"Bm\"BAG FED:|2\"A/c#\"EFG HE3||\nw:a | "
                + "bright new day | la\nX:2\nK:C\nC|\n");
        Song song = reading.song().orElseThrow();
        assertThat(song.title()).isEqualTo("Jig of the Deck");
        assertThat(song.key()).hasToString("E dorian");
        assertThat(song.tempo().bpm()).isEqualTo(100);
        assertThat(chords(reading)).isEqualTo("N.C. | Em D | D | Bm | A/C♯");
        assertThat(song.writtenBars()).extracting(WrittenBar::number).containsExactly(0, 1, 2, 3, 4);
        assertThat(song.writtenBars().get(2).meter()).hasToString("9/8");
        assertThat(song.writtenBars().get(2).marks().pins()).containsExactly(new Pin("hold", false));
        assertThat(song.writtenBars().get(4).chords().get(0).held()).isTrue();
        assertThat(song.writtenBars().get(1).marks().words()).containsExactly("bright new day");
        assertThat(song.bars()).extracting(bar -> bar.number()).containsExactly(0, 1, 2, 3, 1, 2, 4);
        assertThat(reading.problems()).extracting(Problem::code).contains("abc-field", "tunes-unread");
    }

    /**
     * MusicXML 4.0 as other programs write it: chords before their notes, voices, ties, an ending, words, a jump that
     * cannot be read.
     */
    @Test
    void a_foreign_musicxml_file_is_read() {
        FileReading reading = read("""
                <?xml version="1.0" encoding="UTF-8"?>
                <!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 3.1 Partwise//EN" \
                "http://www.musicxml.org/dtds/partwise.dtd">
                <score-partwise version="3.1"><movement-title>Foreign</movement-title><part-list>\
                <score-part id="P1"><part-name>V</part-name></score-part></part-list>
                <part id="P1"><measure number="0" implicit="yes"><attributes><divisions>2</divisions><key>\
                <fifths>-1</fifths><mode>minor</mode></key><time><beats>3</beats><beat-type>4</beat-type></time>\
                </attributes>
                <direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>84</per-minute>\
                </metronome></direction-type></direction>
                <note><pitch><step>A</step><octave>4</octave></pitch><duration>2</duration><voice>1</voice><lyric>\
                <syllabic>begin</syllabic><text>har</text></lyric></note></measure>
                <measure number="1"><direction><direction-type><rehearsal>A</rehearsal></direction-type></direction>\
                <direction><direction-type><segno/></direction-type></direction>
                <harmony><root><root-step>D</root-step></root><kind>minor-seventh</kind></harmony><note><pitch>\
                <step>D</step><octave>5</octave></pitch><duration>4</duration><voice>1</voice><lyric>\
                <syllabic>end</syllabic><text>bour</text></lyric></note>
                <harmony><root><root-step>B</root-step><root-alter>-1</root-alter></root><kind>dominant</kind><bass>\
                <bass-step>F</bass-step></bass><degree><degree-value>9</degree-value><degree-alter>-1</degree-alter>\
                <degree-type>add</degree-type></degree></harmony>
                <note><chord/><pitch><step>F</step><octave>5</octave></pitch><duration>4</duration><voice>1</voice>\
                </note><note><pitch><step>E</step><octave>5</octave></pitch><duration>2</duration><voice>1</voice>\
                </note>
                <backup><duration>6</duration></backup><note><pitch><step>D</step><octave>4</octave></pitch>\
                <duration>6</duration><voice>2</voice></note></measure>
                <measure number="2"><direction><direction-type><words>rit.</words></direction-type></direction>\
                <harmony><root><root-step>G</root-step></root><kind>Neapolitan</kind></harmony><note>\
                <rest measure="yes"/><duration>6</duration><voice>1</voice></note>
                <barline location="right"><repeat direction="backward"/></barline></measure></part></score-partwise>
                """);
        Song song = reading.song().orElseThrow();
        assertThat(song.title()).isEqualTo("Foreign");
        assertThat(song.key()).hasToString("Dm");
        assertThat(song.tempo().bpm()).isEqualTo(84);
        assertThat(chords(reading)).isEqualTo("N.C. | Dm7 B♭7♭9/F | B♭7♭9/F");
        assertThat(song.writtenBars().get(1).tune())
                .extracting(note -> note.pitch().orElseThrow().toString())
                .containsExactly("F5", "E5");
        assertThat(song.writtenBars().get(1).marks().words()).containsExactly("bour");
        assertThat(song.writtenBars().get(2).marks().pins()).containsExactly(new Pin("rit.", false));
        assertThat(song.bars())
                .as("the pick-up stands before the section that is repeated")
                .hasSize(5);
        assertThat(reading.problems())
                .extracting(Problem::code)
                .containsExactlyInAnyOrder("jump-unread", "chord-unknown", "voices-unread");
        assertThat(reading.problems())
                .allSatisfy(problem -> assertThat(problem.line()).isPositive());
    }

    @Test
    void chords_of_a_midi_file_are_read_from_the_track_that_is_named() {
        Song song = ChartParser.parse("Key: E♭\n| E♭ | Cm7 Fm/A♭ | B♭7sus4 B♭7 |\nTune: G4/1 | E♭4/1 | F4/1")
                .song()
                .orElseThrow();
        FileReading reading = SongReader.read(MidiWriter.lead(song));
        assertThat(reading.tracks())
                .extracting(track -> track.number() + track.name() + track.chordal())
                .containsExactly("2Melodyfalse", "3Chordstrue");
        assertThat(chords(reading)).isEqualTo("N.C. | N.C. | N.C.");
        assertThat(reading.problems()).extracting(Problem::code).containsExactly("midi-chords");
        assertThat(chords(SongReader.read(MidiWriter.lead(song), new MidiTracks(Optional.of(2), Optional.of(3)))))
                .isEqualTo("E♭ | Cm7 Fm/A♭ | B♭7sus4 B♭7");
    }

    static IntStream seeds() {
        return IntStream.range(0, Endured.times(200, 500));
    }

    /**
     * A file damaged at a random place gives an answer with places, or a refusal, within a second; never an exception.
     */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void damaged_files_are_answered(int seed) throws IOException {
        Random random = new Random(seed * 31L);
        Song song = ChartParser.parse(SeededCharts.full(seed % 40)).song().orElseThrow();
        List<byte[]> whole = List.of(
                LeadSheetWriter.write(song),
                RoundTripTest.mxl(LeadSheetWriter.write(song)),
                AbcWriter.write(song).getBytes(StandardCharsets.UTF_8),
                MidiWriter.lead(song),
                SeededCharts.full(seed % 40).getBytes(StandardCharsets.UTF_8),
                ABOVE.getBytes(StandardCharsets.UTF_8),
                INSIDE.getBytes(StandardCharsets.UTF_8));
        for (byte[] file : whole) {
            byte[] broken = damaged(file, random);
            FileReading reading =
                    Assertions.assertTimeoutPreemptively(Duration.ofMinutes(3), () -> SongReader.read(broken));
            assertThat(reading.song().isPresent() || !reading.problems().isEmpty())
                    .as("seed " + seed)
                    .isTrue();
            assertThat(reading.problems()).allSatisfy(problem -> {
                assertThat(problem.line()).isPositive();
                assertThat(problem.column()).isPositive();
            });
        }
    }

    private static byte[] damaged(byte[] file, Random random) {
        int at = random.nextInt(file.length);
        return switch (random.nextInt(4)) {
            case 0 -> Arrays.copyOf(file, at);
            case 1 -> {
                byte[] changed = file.clone();
                changed[at] = (byte) random.nextInt(256);
                yield changed;
            }
            case 2 -> {
                byte[] shorter = new byte[file.length - Math.min(20, file.length - at)];
                System.arraycopy(file, 0, shorter, 0, at);
                System.arraycopy(file, file.length - (shorter.length - at), shorter, at, shorter.length - at);
                yield shorter;
            }
            default -> {
                byte[] noisy = file.clone();
                for (int i = at; i < Math.min(file.length, at + 12); i++) {
                    noisy[i] = (byte) random.nextInt(256);
                }
                yield noisy;
            }
        };
    }

    @Test
    void a_zip_bomb_is_refused() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("bomb"));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 200; i++) {
                zip.write(zeros);
            }
        }
        assertThat(out.size()).isLessThan(1 << 20);
        FileReading reading = Assertions.assertTimeout(Duration.ofMinutes(3), () -> SongReader.read(out.toByteArray()));
        assertThat(reading.problems()).extracting(Problem::code).containsExactly("mxl-too-big");
    }

    /**
     * The entity bomb and the outside entity of XML, an outside document type, and one hidden in a compressed file:
     * refused, and nothing is fetched.
     */
    @Test
    void entities_and_outside_files_are_refused_and_nothing_is_fetched() throws IOException {
        AtomicInteger asked = new AtomicInteger();
        HttpServer outside = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        outside.createContext("/", exchange -> {
            asked.incrementAndGet();
            exchange.sendResponseHeaders(200, -1);
            exchange.close();
        });
        outside.start();
        String url = "http://127.0.0.1:" + outside.getAddress().getPort() + "/x";
        String score = "<score-partwise><part-list/><part id=\"P1\"><measure "
                + "number=\"1\"><note><rest/><duration>4</duration><lyric><text>&a;</text></lyric></note>"
                + "</measure></part></score-partwise>";
        List<String> bad = List.of(
                "<!DOCTYPE score-partwise [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\">]>" + score,
                "<!DOCTYPE score-partwise [<!ENTITY a SYSTEM \"" + url + "\">]>" + score,
                "<!DOCTYPE score-partwise [<!ENTITY a SYSTEM \"file:///etc/passwd\">]>" + score,
                "<!DOCTYPE score-partwise SYSTEM \"" + url + "\">" + score,
                "<!DOCTYPE score-partwise PUBLIC \"-//Recordare//DTD MusicXML 4.0 Partwise//EN\" \"" + url + "\">"
                        + score,
                "<!DOCTYPE score-partwise [<!ENTITY % p SYSTEM \"" + url + "\"> %p;]>" + score,
                score);
        try {
            for (String xml : bad) {
                for (byte[] file : List.of(
                        xml.getBytes(StandardCharsets.UTF_8),
                        xml.getBytes(StandardCharsets.UTF_16),
                        RoundTripTest.mxl(xml.getBytes(StandardCharsets.UTF_8)))) {
                    FileReading reading = SongReader.read(file);
                    assertThat(reading.song()).as(xml).isEmpty();
                    assertThat(reading.problems())
                            .as(xml)
                            .extracting(Problem::code)
                            .containsAnyOf("xml-entity", "xml-doctype", "xml-broken");
                }
            }
        } finally {
            outside.stop(0);
        }
        assertThat(asked).hasValue(0);
    }

    @Test
    void too_many_bars_and_too_long_files_are_refused() {
        assertThat(read("X:1\nM:4/4\nL:1/4\nK:C\n" + "CDEF|".repeat(2100)).song())
                .isEmpty();
        assertThat(SongReader.read(new byte[(1 << 20) + 1]).problems())
                .extracting(Problem::code)
                .containsExactly("file-too-long");
    }
}
