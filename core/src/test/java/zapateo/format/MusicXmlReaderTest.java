package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.song.ChordSpan;
import zapateo.song.Problem;
import zapateo.song.Song;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;

class MusicXmlReaderTest {

    private static FileReading read(String measures) {
        return SongReader.read(("<?xml version=\"1.0\"?><score-partwise version=\"4.0\"><part-list/><part id=\"P1\">"
                        + measures + "</part></score-partwise>")
                .getBytes(StandardCharsets.UTF_8));
    }

    private static String measure(String content) {
        return "<measure number=\"1\"><attributes><divisions>4</divisions><time><beats>4</beats><beat-type>"
                + "4</beat-type></time></attributes>"
                + content + "</measure>";
    }

    private static String rest(int quarters) {
        return "<note><rest/><duration>" + 4 * quarters + "</duration><voice>1</voice></note>";
    }

    private static String harmony(String kind, String more) {
        return "<harmony><root><root-step>C</root-step></root><kind>" + kind + "</kind>" + more + "</harmony>";
    }

    private static List<ChordSpan> chords(FileReading reading) {
        return reading.song().orElseThrow().writtenBars().get(0).chords();
    }

    /** Every kind-value of the official 4.0 schema, as proxymusic carries it. */
    static Stream<String> kinds() throws IOException {
        try (InputStream schema = MusicXmlReaderTest.class.getResourceAsStream("/META-INF/jaxb/xsd/musicxml.xsd")) {
            String text = new String(schema.readAllBytes(), StandardCharsets.UTF_8);
            String type = text.substring(text.indexOf("<xs:simpleType name=\"kind-value\">"));
            return Pattern.compile("<xs:enumeration value=\"([^\"]+)\"/>")
                    .matcher(type.substring(0, type.indexOf("</xs:simpleType>")))
                    .results()
                    .map(match -> match.group(1))
                    .toList()
                    .stream();
        }
    }

    /** Kinds that say a function or a chord of theory, not what a hand plays. */
    private static final List<String> THEORY =
            List.of("Neapolitan", "Italian", "French", "German", "pedal", "Tristan", "other");

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void every_kind_of_the_standard_is_read_or_told(String kind) {
        FileReading reading = read(measure(harmony(kind, "") + rest(4)));
        if (THEORY.contains(kind)) {
            assertThat(reading.problems()).extracting(Problem::code).containsExactly("chord-unknown");
        } else {
            assertThat(reading.problems()).isEmpty();
            assertThat(chords(reading).get(0).chord().isPresent()).isEqualTo(!kind.equals("none"));
        }
    }

    /** MusicXML 4.0, kind-value and degree: what each is made of. */
    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource({
        "major, '', C",
        "minor, '', Cm",
        "augmented, '', C+",
        "diminished, '', C°",
        "dominant, '', C7",
        "major-seventh, '', Cmaj7",
        "minor-seventh, '', Cm7",
        "diminished-seventh, '', C°7",
        "augmented-seventh, '', C7♯5",
        "half-diminished, '', Cø",
        "major-minor, '', Cm(maj7)",
        "major-sixth, '', C6",
        "minor-sixth, '', Cm6",
        "dominant-ninth, '', C9",
        "major-ninth, '', Cmaj9",
        "minor-ninth, '', Cm9",
        "dominant-11th, '', C11",
        "minor-11th, '', Cm11",
        "dominant-13th, '', C13",
        "suspended-second, '', Csus2",
        "suspended-fourth, '', Csus4",
        "power, '', C5",
        "dominant, add 9 -1, C7♭9",
        "dominant, add 9 1, C7♯9",
        "dominant, alter 5 1, C7♯5",
        "dominant, alter 5 -1, C7♭5",
        "dominant, add 13 -1, C7♭13",
        "major, add 9 0, Cadd9",
        "major, add 2 0, Cadd9",
        "major-seventh, add 11 1, Cmaj7♯11",
        "dominant, subtract 3 0;add 4 0, C7sus4",
        "dominant-ninth, subtract 3 0;add 4 0, C9sus4",
        "major, subtract 3 0, Cno3",
        "minor, add 11 0, Cmadd11",
        "major, alter 5 1, C+",
        "suspended-fourth, add 7 0, C7sus4",
        "major-sixth, add 9 0, C6/9"
    })
    void kinds_and_degrees(String kind, String degrees, String chord) {
        String more = Stream.of(degrees.split(";"))
                .filter(degree -> !degree.isEmpty())
                .map(degree -> degree.split(" "))
                .map(degree -> "<degree><degree-value>" + degree[1] + "</degree-value><degree-alter>" + degree[2]
                        + "</degree-alter><degree-type>" + degree[0] + "</degree-type></degree>")
                .collect(Collectors.joining());
        assertThat(chords(read(measure(harmony(kind, more) + rest(4)))).get(0).written())
                .isEqualTo(chord);
    }

    @Test
    void chords_stand_before_their_note_or_at_an_offset() {
        assertThat(chords(read(measure(harmony("major", "") + rest(2) + harmony("minor", "") + rest(2)))))
                .extracting(ChordSpan::tick)
                .containsExactly(0, 1920);
        assertThat(chords(read(measure(harmony("major", "") + harmony("minor", "<offset>12</offset>") + rest(4)))))
                .extracting(ChordSpan::tick)
                .containsExactly(0, 2880);
    }

    @Test
    void two_voices_on_one_staff_give_the_first_and_tell_the_other() {
        FileReading reading =
                read(measure("<note><pitch><step>G</step><octave>4</octave></pitch><duration>16</duration><voice>"
                        + "1</voice></note><backup><duration>16</duration></backup>"
                        + "<note><pitch><step>C</step><octave>4</octave></pitch><duration>16</duration>"
                        + "<voice>2</voice></note>"));
        assertThat(reading.song().orElseThrow().writtenBars().get(0).tune())
                .extracting(note -> note.pitch().orElseThrow().toString())
                .containsExactly("G4");
        assertThat(reading.problems()).extracting(Problem::code).containsExactly("voices-unread");
    }

    @Test
    void triplets_dots_and_ties_keep_their_lengths() {
        String triplet =
                "<note><pitch><step>C</step><octave>5</octave></pitch><duration>%s</duration><voice>1</voice></note>";
        Song song = read("<measure number=\"1\"><attributes><divisions>6</divisions><time><beats>2</beats><beat-type>"
                        + "4</beat-type></time></attributes>"
                        + triplet.formatted(2) + triplet.formatted(2)
                        + triplet.formatted(2)
                        + "<note><pitch><step>D</step><octave>5</octave></pitch><duration>6</duration><tie "
                        + "type=\"start\"/><voice>1</voice></note></measure>"
                        + "<measure number=\"2\"><note><pitch><step>D</step><octave>5</octave></pitch>"
                        + "<duration>9</duration><tie type=\"stop\"/><voice>1</voice></note>"
                        + triplet.formatted(3) + "</measure>")
                .song()
                .orElseThrow();
        assertThat(song.writtenBars().get(0).tune()).extracting(TuneNote::ticks).containsExactly(320, 320, 320, 960);
        assertThat(song.writtenBars().get(0).tune().get(3).tied()).isTrue();
        assertThat(song.writtenBars().get(1).tune()).extracting(TuneNote::ticks).containsExactly(1440, 480);
    }

    @Test
    void signatures_that_change_are_changes_of_the_song() {
        Song song = read(measure(rest(4))
                        + "<measure number=\"2\"><attributes><key><fifths>-3</fifths></key><time><beats>6</beats>"
                        + "<beat-type>8</beat-type></time></attributes>"
                        + "<direction><direction-type><words>Allegro</words></direction-type><sound "
                        + "tempo=\"132\"/></direction>"
                        + rest(3) + "</measure>")
                .song()
                .orElseThrow();
        WrittenBar second = song.writtenBars().get(1);
        assertThat(second.meter()).hasToString("6/8");
        assertThat(second.marks().key().orElseThrow()).hasToString("E♭");
        assertThat(second.marks().tempo().orElseThrow().quartersPerMinute()).isEqualTo(132);
        assertThat(second.marks().pins()).hasSize(1);
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "<score-timewise/>;musicxml-root",
                "<opus/>;musicxml-root",
                "<score-partwise/>;musicxml-empty",
                "<score-partwise><part>;xml-broken"
            })
    void what_is_no_score_is_refused(String xml, String code) {
        FileReading reading = SongReader.read(xml.getBytes(StandardCharsets.UTF_8));
        assertThat(reading.song()).isEmpty();
        assertThat(reading.problems()).extracting(Problem::code).containsAnyOf(code, "xml-entity");
    }

    @Test
    void of_several_parts_the_one_with_chords_is_read() {
        FileReading reading = SongReader.read(
                ("<score-partwise><part-list/><part id=\"P1\">" + measure(rest(4)) + "</part><part id=\"P2\">"
                                + measure(harmony("minor", "") + rest(4)) + "</part></score-partwise>")
                        .getBytes(StandardCharsets.UTF_8));
        assertThat(chords(reading).get(0).written()).isEqualTo("Cm");
        assertThat(reading.problems())
                .extracting(problem -> problem.code() + " " + problem.found())
                .containsExactly("part-unread P1");
    }
}
