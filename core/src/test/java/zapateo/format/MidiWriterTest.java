package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** The files are read back by Debian's midicsv, which knows nothing of Zapateo. */
class MidiWriterTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    @Test
    void an_independent_reader_finds_heading_tempo_metre_key_and_hands() {
        List<String> rows = read(MidiWriter.write(
                arrange("Title: Ütest\nKey: E♭\nTempo: 90\n[Verse]\n| E♭ | (3/4) Cm |\n[Out]\n| (6/8) B♭7 |", "held"),
                Hands.BOTH));
        assertThat(rows)
                .contains(
                        "0, 0, Header, 1, 3, 960",
                        "1, 0, Tempo, 666667",
                        "1, 0, Key_signature, -3, \"major\"",
                        "1, 0, Time_signature, 4, 2, 24, 8",
                        "1, 3840, Time_signature, 3, 2, 24, 8",
                        "1, 6720, Time_signature, 6, 3, 36, 8",
                        "1, 0, Marker_t, \"Verse\"",
                        "1, 6720, Marker_t, \"Out\"",
                        "2, 0, Title_t, \"Right hand\"",
                        "3, 0, Title_t, \"Left hand\"",
                        "3, 9600, End_track");
    }

    @Test
    void a_minor_key_and_a_dotted_beat_are_written_as_midi_has_them() {
        List<String> rows =
                read(MidiWriter.write(arrange("Key: Em\nMeter: 6/8\nTempo: 60\n| Em |", "held"), Hands.LEFT));
        assertThat(rows)
                .contains(
                        "0, 0, Header, 1, 2, 960",
                        "1, 0, Key_signature, 1, \"minor\"",
                        "1, 0, Tempo, 666667",
                        "2, 0, Title_t, \"Left hand\"");
    }

    @Test
    void every_stroke_comes_back_at_its_sounding_time() {
        for (int seed = 0; seed < 25; seed++) {
            Arrangement arrangement = ARRANGER.arrange(
                    SeededCharts.song(seed),
                    Choices.figure(seed % 2 == 0 ? "spread-eighths" : "bass-and-two"),
                    Hand.USUAL);
            Map<String, Integer> wanted = new TreeMap<>();
            for (Stroke stroke : arrangement.left().strokes()) {
                for (PartNote note : stroke.notes()) {
                    wanted.merge(
                            (stroke.sounding().tick() + note.delayTicks()) + " on "
                                    + note.pitch().midi(),
                            1,
                            Integer::sum);
                    wanted.merge(
                            stroke.sounding().end() + " off " + note.pitch().midi(), 1, Integer::sum);
                }
            }
            Map<String, Integer> found = new TreeMap<>();
            read(MidiWriter.write(arrangement, Hands.LEFT)).stream()
                    .map(row -> row.split(", "))
                    .filter(cells -> cells[2].startsWith("Note_"))
                    .forEach(cells -> found.merge(
                            cells[1] + (cells[2].equals("Note_on_c") ? " on " : " off ") + cells[4], 1, Integer::sum));
            assertThat(found).as("seed " + seed).isEqualTo(wanted);
        }
    }

    @Test
    void the_pedal_goes_down_and_up_in_turn() {
        List<String> values = read(MidiWriter.write(arrange("C F G C", "spread-eighths"), Hands.LEFT)).stream()
                .map(row -> row.split(", "))
                .filter(cells -> cells[2].equals("Control_c") && cells[4].equals("64"))
                .map(cells -> cells[5])
                .toList();
        assertThat(values).containsExactly("127", "0", "127", "0", "127", "0", "127", "0");
    }

    @Test
    void a_key_is_let_go_before_it_is_struck_again() {
        List<String> rows = read(MidiWriter.write(arrange("C", "pulse-quarters"), Hands.LEFT));
        List<String> again = rows.stream()
                .filter(row -> row.startsWith("2, 960, Note_"))
                .map(row -> row.replaceAll(", [0-9]+$", ""))
                .toList();
        assertThat(again.indexOf("2, 960, Note_off_c, 1, 36"))
                .isBetween(0, again.indexOf("2, 960, Note_on_c, 1, 36") - 1);
    }

    private static Arrangement arrange(String chart, String figure) {
        Song song = ChartParser.parse(chart).song().orElseThrow();
        return ARRANGER.arrange(song, Choices.figure(figure), Hand.USUAL);
    }

    private static List<String> read(byte[] file) {
        try {
            Process reader = new ProcessBuilder("midicsv")
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            try (OutputStream in = reader.getOutputStream()) {
                in.write(file);
            }
            String text = new String(reader.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1);
            assertThat(reader.waitFor()).isZero();
            return Arrays.asList(text.split("\n"));
        } catch (IOException e) {
            throw new IllegalStateException("midicsv is needed: apt-get install midicsv", e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
