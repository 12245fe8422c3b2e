package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class ChartApiTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final String SONG =
            "Title: Night Watch\nKey: C\n[A]\n|: C | A7 |1 Dm7 G7 :|2 G7 | >C (fermata) ||\nWords: one | "
                    + "two\n[B]\n| F/G \"! soft\" |: Fm | C :| vamp\n";

    private static JsonNode parse(String text) {
        return SERVER.post("/api/charts/parse", Map.of("text", text)).json();
    }

    private static List<String> texts(Iterable<JsonNode> nodes) {
        return StreamSupport.stream(nodes.spliterator(), false)
                .map(JsonNode::asString)
                .toList();
    }

    @Test
    void the_written_and_the_played_song_are_both_told() {
        JsonNode chart = parse(SONG);
        assertThat(chart.path("problems")).isEmpty();
        assertThat(chart.path("sections").path(0).path("bars")).as("played").hasSize(7);
        assertThat(chart.path("written").path(0).path("bars")).as("written").hasSize(5);
        JsonNode first = chart.path("written").path(0).path("bars").path(0);
        assertThat(first.path("opens").asBoolean()).isTrue();
        assertThat(texts(first.path("words"))).containsExactly("one");
        assertThat(first.path("played")).hasSize(2);
        assertThat(first.path("place").path("line").asInt()).isEqualTo(4);
        assertThat(first.path("place").path("column").asInt()).isEqualTo(4);
        JsonNode a7 = chart.path("written")
                .path(0)
                .path("bars")
                .path(1)
                .path("chords")
                .path(0);
        assertThat(a7.path("degree").asString()).isEqualTo("V7/ii");
        assertThat(a7.path("numbers").asString()).isEqualTo("5⁷/2m");
        assertThat(a7.path("role").asString()).isEqualTo("secondary-dominant");
        assertThat(a7.path("movement").asInt()).isPositive();
        JsonNode last = chart.path("written")
                .path(0)
                .path("bars")
                .path(4)
                .path("chords")
                .path(0);
        assertThat(last.path("early").asBoolean() && last.path("held").asBoolean())
                .isTrue();
        JsonNode slash = chart.path("written").path(1).path("bars").path(0);
        assertThat(slash.path("chords").path(0).path("otherName").asString()).isEqualTo("G9sus4no5");
        assertThat(slash.path("pins").path(0).path("warning").asBoolean()).isTrue();
        assertThat(chart.path("written")
                        .path(1)
                        .path("bars")
                        .path(2)
                        .path("closes")
                        .path("vamp")
                        .asBoolean())
                .isTrue();
        assertThat(chart.path("written")
                        .path(1)
                        .path("bars")
                        .path(1)
                        .path("chords")
                        .path(0)
                        .path("role")
                        .asString())
                .isEqualTo("borrowed");
    }

    @Test
    void a_key_is_found_with_its_runner_up_and_how_sure_it_is() {
        JsonNode chart = parse("C Am F G C");
        assertThat(chart.path("keyGiven").asBoolean()).isFalse();
        assertThat(chart.path("keys").path(0).path("key").asString()).isEqualTo("C");
        assertThat(chart.path("keys").path(1).path("key").asString()).isNotEqualTo("C");
        assertThat(chart.path("keys").path(0).path("confidence").asDouble()).isBetween(0.4, 1.0);
    }

    @Test
    void doubles_are_spelled_as_wanted() {
        assertThat(texts(SERVER.post("/api/charts/parse", Map.of("text", "E♭°7", "doubles", "simple"))
                        .json()
                        .path("written")
                        .path(0)
                        .path("bars")
                        .path(0)
                        .path("chords")
                        .path(0)
                        .path("tones")))
                .containsExactly("E♭", "G♭", "A", "C");
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "{\"kind\":\"set\",\"bar\":1,\"content\":\"Em\"};| C | Em |",
                "{\"kind\":\"insert\",\"bar\":1,\"content\":\"Em\"};| C | Em | F |",
                "{\"kind\":\"delete\",\"bar\":0,\"to\":0};| F |",
                "{\"kind\":\"copy\",\"bar\":0,\"to\":0,\"before\":2};| C | F | C |",
                "{\"kind\":\"move\",\"bar\":0,\"to\":0,\"before\":2};| F | C |",
                "{\"kind\":\"replaceChords\",\"changes\":[{\"bar\":0,\"chord\":0,\"symbol\":\"Am7\"}]};| Am7 | F |"
            })
    void a_chart_is_edited(String edit, String text) {
        assertThat(SERVER.post("/api/charts/edit", "{\"text\":\"| C | F |\",\"edit\":" + edit + "}")
                        .json()
                        .path("text")
                        .asString())
                .isEqualTo(text);
    }

    @ParameterizedTest(name = "{0} -> {1}")
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "{\"kind\":\"set\",\"bar\":9,\"content\":\"C\"};422;expected 0 to 1",
                "{\"kind\":\"set\",\"bar\":0};422;content: expected",
                "{\"kind\":\"paint\"};400;",
                "{};422;kind",
                "{\"kind\":\"delete\",\"bar\":1,\"to\":0};422;the first before the last",
                "{\"kind\":\"replaceChords\",\"changes\":[{\"bar\":0,\"chord\":0,\"symbol\":\"H\"}]};422;expected a "
                        + "chord"
            })
    void an_edit_that_cannot_be_made_is_refused(String edit, int status, String detail) {
        RealServer.Answer answer = SERVER.post("/api/charts/edit", "{\"text\":\"| C | F |\",\"edit\":" + edit + "}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.problem()).contains(detail == null ? "" : detail);
    }

    @Test
    void a_chart_is_transposed_by_an_interval_or_to_a_key() {
        assertThat(SERVER.post("/api/charts/transpose", Map.of("text", "Key: C\n| C | A7 |", "key", "E♭"))
                        .json()
                        .path("text")
                        .asString())
                .isEqualTo("Key: E♭\n| E♭ | C7 |");
        JsonNode up = SERVER.post("/api/charts/transpose", Map.of("text", "Key: Am\n| Am | E7 |", "semitones", 2))
                .json();
        assertThat(up.path("text").asString()).isEqualTo("Key: Bm\n| Bm | F♯7 |");
        assertThat(up.path("key").asString()).isEqualTo("Bm");
        assertThat(SERVER.post("/api/charts/transpose", Map.of("text", "Key: Am\n| Am |", "key", "F"))
                        .json()
                        .path("key")
                        .asString())
                .as("the song stays minor")
                .isEqualTo("Fm");
        assertThat(SERVER.post("/api/charts/transpose", Map.of("text", "| C |", "key", "H"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void the_ear_is_offered_other_readings() {
        JsonNode readings = SERVER.post(
                        "/api/charts/readings", Map.of("text", "Key: C\n| C | A | Dm7 | G7 |", "bar", 1, "chord", 0))
                .json();
        List<String> symbols = StreamSupport.stream(readings.spliterator(), false)
                .map(reading -> reading.path("symbol").asString())
                .toList();
        assertThat(symbols).contains("Am", "A7", "F♯m").doesNotContain("A").hasSizeBetween(4, 9);
        assertThat(readings.path(0).path("text").asString()).contains("| C | " + symbols.get(0) + " | Dm7 | G7 |");
    }

    @Test
    void a_song_is_said_with_chords_one_knows() {
        JsonNode simple = SERVER.post(
                        "/api/charts/simplify", Map.of("text", "| Cmaj9 | Am7/G | F6 G13 | B°7 |", "knows", "triads"))
                .json();
        assertThat(simple.path("text").asString()).isEqualTo("| C | Am | F G | G |");
        assertThat(simple.path("changes").path(0).path("how").asString()).isEqualTo("extension");
        JsonNode these = SERVER.post(
                        "/api/charts/simplify",
                        Map.of("text", "| Am | F | G7 | E♭+ |", "knows", "these", "chords", List.of("C", "F", "G7")))
                .json();
        assertThat(these.path("text").asString()).isEqualTo("| C | F | G7 | E♭+ |");
        assertThat(texts(these.path("left"))).containsExactly("E♭+");
    }

    @Test
    void a_key_tells_its_scale_its_relative_and_its_parallel() {
        JsonNode key = SERVER.get("/api/keys?name=Gm").json();
        assertThat(key.path("relative").asString()).isEqualTo("B♭");
        assertThat(key.path("parallel").asString()).isEqualTo("G");
        assertThat(key.path("scale").path(2).path("name").asString()).isEqualTo("B♭4");
        assertThat(key.path("pentatonic")).hasSize(6);
        assertThat(SERVER.get("/api/keys?name=H").status()).isEqualTo(422);
    }

    @Test
    void a_file_is_previewed_and_then_kept() {
        byte[] abc = "X:1\nT:Deck Reel\nM:4/4\nL:1/8\nK:D\n|:\"D\"d2fd \"A7\"e2ce|\"D\"d8:|\n"
                .getBytes(StandardCharsets.UTF_8);
        JsonNode preview = SERVER.upload("/api/songs/import?preview=true", abc).json();
        assertThat(preview.path("format").asString()).isEqualTo("abc");
        assertThat(preview.path("song").isNull()).isTrue();
        assertThat(preview.path("chart").asString()).contains("|: D A7 | D :|").contains("Melody:");
        RealServer.Answer kept = SERVER.upload("/api/songs/import", abc);
        assertThat(kept.status()).isEqualTo(201);
        String id = kept.json().path("song").path("id").asString();
        assertThat(SERVER.get("/api/songs/" + id).json().path("title").asString())
                .isEqualTo("Deck Reel");
        for (String export : List.of("abc", "musicxml?parts=lead", "mid?parts=lead", "txt?parts=lead")) {
            byte[] file = SERVER.bytes("/api/songs/" + id + "/export/" + export);
            assertThat(SERVER.upload("/api/songs/import?preview=true", file)
                            .json()
                            .path("title")
                            .asString())
                    .as(export)
                    .isEqualTo("Deck Reel");
        }
    }

    @Test
    void a_file_that_is_no_song_is_refused_with_what_was_expected() {
        RealServer.Answer answer = SERVER.upload("/api/songs/import", "just words".getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains("No song can be read from this file");
        assertThat(answer.json().path("problems").path(0).path("message").asString())
                .contains("MusicXML");
        assertThat(SERVER.upload("/api/songs/import", new byte[17 << 20]).status())
                .isEqualTo(413);
        assertThat(SERVER.post("/api/songs/import", "{}").status()).isEqualTo(415);
    }

    /** What hangs on a bar can go with it: each kind of edit tells which bars have another number. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "{\"kind\":\"insert\",\"bar\":1,\"content\":\"Dm | Em\"};2>4 3>5 4>6",
                "{\"kind\":\"delete\",\"bar\":1,\"to\":2};2>null 3>null 4>2",
                "{\"kind\":\"copy\",\"bar\":0,\"to\":1,\"before\":2};3>5 4>6",
                "{\"kind\":\"move\",\"bar\":0,\"to\":0,\"before\":3};1>3 2>1 3>2",
                "{\"kind\":\"join\",\"bar\":1};3>null 4>3",
                "{\"kind\":\"set\",\"bar\":1,\"content\":\"Am\"};",
                "{\"kind\":\"section\",\"section\":1,\"change\":\"EARLIER\"};1>3 2>4 3>1 4>2",
                "{\"kind\":\"section\",\"section\":0,\"change\":\"DELETE\"};1>null 2>null 3>1 4>2"
            })
    void an_edit_tells_where_bars_went(String edit, String moved) {
        RealServer.Answer answer = SERVER.post(
                "/api/charts/edit", "{\"text\":\"[A]\\n| C | F |\\n[B]\\n| G | C6 |\",\"edit\":" + edit + "}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(told(answer)).isEqualTo(moved == null ? "" : moved);
    }

    @ParameterizedTest(name = "{0} → {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "| C | F | G |;| C | Dm | F | G |;2>3 3>4",
                "| C | F | G |;| C | G |;2>null 3>2",
                "| C | F |;| C | Fm |;",
                "?;| C |;"
            })
    void typed_text_tells_where_bars_went(String before, String after, String moved) {
        RealServer.Answer answer =
                SERVER.post("/api/charts/moves", "{\"before\":\"" + before + "\",\"after\":\"" + after + "\"}");
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(told(answer)).isEqualTo(moved == null ? "" : moved);
        assertThat(SERVER.post("/api/charts/moves", "{\"before\":\"| C |\",\"after\":\"\"}")
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post("/api/charts/moves", "{\"before\":\"| C |\"}").status())
                .isEqualTo(422);
    }

    private static String told(RealServer.Answer answer) {
        List<String> told = new ArrayList<>();
        answer.json().path("moved").forEach(move -> told.add(move.path("from") + ">" + move.path("to")));
        return String.join(" ", told);
    }

    /** What waits for bars that are gone does nothing and is told. */
    @Test
    void what_is_parked_is_told() {
        String plain = "{\"chart\":\"| C | F |\",\"choices\":{\"figure\":\"held\"}}";
        String parked = "{\"chart\":\"| C | F "
                + "|\",\"choices\":{\"figure\":\"held\",\"parked\":{\"overrides\":[{\"bars\":\"7\","
                + "\"figure\":\"two-feel\"}],\"plain\":[9]}}}";
        JsonNode with = SERVER.post("/api/arrangements", parked).json();
        assertThat(with.path("strokes"))
                .isEqualTo(SERVER.post("/api/arrangements", plain).json().path("strokes"));
        assertThat(with.path("problems").path(0).path("message").asString())
                .contains("gone")
                .contains("(2)");
    }
}
