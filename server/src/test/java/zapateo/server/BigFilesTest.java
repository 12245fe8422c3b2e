package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What leaves here as a file comes in again, as long as a song may be. */
class BigFilesTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static String chart(int bars) {
        String[] chords = {"C", "Am7", "F", "G7", "Em", "A7", "Dm7", "G7"};
        StringBuilder chart = new StringBuilder("Title: Long Watch\nKey: C\n");
        StringBuilder tune = new StringBuilder();
        for (int bar = 0; bar < bars; bar++) {
            chart.append("| ").append(chords[bar % 8]).append(' ');
            tune.append("| c2 e2 g2 e2 ");
            if (bar % 8 == 7) {
                chart.append("|\nMelody: ").append(tune).append("|\n");
                tune.setLength(0);
            }
        }
        return chart.toString();
    }

    /** Both hands of 2,000 bars are some megabytes of MusicXML. */
    @ParameterizedTest
    @ValueSource(ints = {512, 2000})
    void its_own_musicxml_comes_back(int bars) {
        String id = SERVER.post(
                        "/api/songs",
                        Map.of(
                                "chart",
                                chart(bars),
                                "choices",
                                Map.of("figure", "spread-eighths", "right", Map.of("style", "melody"))))
                .json()
                .path("id")
                .asString();
        byte[] file = SERVER.bytes("/api/songs/" + id + "/export/musicxml?parts=both");
        assertThat(file.length).isGreaterThan(bars == 2000 ? 4 << 20 : 1 << 20);
        RealServer.Answer back = SERVER.upload("/api/songs/import", file);
        assertThat(back.status()).as(back.text()).isEqualTo(201);
        JsonNode song = back.json();
        assertThat(song.path("format").asString()).isEqualTo("musicxml");
        assertThat(song.path("bars").asInt()).isEqualTo(bars);
        assertThat(song.path("chart").asString()).contains("Am7").contains("Melody:");
        SERVER.delete("/api/songs/" + id);
        SERVER.delete("/api/songs/" + song.path("song").path("id").asString());
    }

    @Test
    void what_is_longer_than_may_be_is_told_how_long_it_may_be() {
        RealServer.Answer over = SERVER.upload("/api/songs/import", new byte[17 << 20]);
        assertThat(over.status()).isEqualTo(413);
        assertThat(over.problem()).contains("16 MiB");
        RealServer.Answer text =
                SERVER.upload("/api/songs/import", "| C ".repeat(300_000).getBytes(StandardCharsets.UTF_8));
        assertThat(text.status()).isEqualTo(422);
        assertThat(text.text()).contains("file-too-long").contains("at most 1048576");
    }

    /** MusicXML of 16 MiB that says nothing is read to its end and refused, or to its limit. */
    @Test
    void sixteen_megabytes_of_nothing_are_answered() {
        String head = "<?xml version=\"1.0\"?><score-partwise><part id=\"P1\">";
        String measure = "<measure number=\"1\"><note><rest/><duration>1</duration></note></measure>";
        RealServer.Answer answer = SERVER.upload(
                "/api/songs/import",
                (head + measure.repeat(((16 << 20) - 2000 - head.length()) / measure.length())
                                + "</part></score-partwise>")
                        .getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
    }
}
