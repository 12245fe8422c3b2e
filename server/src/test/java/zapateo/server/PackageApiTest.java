package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Everything of a song in one file: out and in again it is the same song, to the byte of the next file. */
class PackageApiTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final List<String> ROOTS = List.of("C", "Dm", "E♭maj7", "F#m7b5", "G7", "A♭/C", "B♭9", "N.C.");
    private static final List<String> FIGURES = List.of("held", "stride-tenths", "walking", "spread-eighths", "bossa", "four-part-hymn");
    private static final int SONGS = Boolean.getBoolean("zapateo.endure") ? 200 : 40;

    private static String create(String chart, Map<String, Object> choices, List<Map<String, Object>> others) {
        JsonNode song = SERVER.post("/api/songs", Map.of("chart", chart, "choices", choices, "others", others)).json();
        return song.path("id").asString();
    }

    private static byte[] zip(Map<String, String> texts) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        texts.forEach((name, text) -> entries.put(name, text.getBytes(StandardCharsets.UTF_8)));
        return Zipped.zip(entries);
    }

    /** Two hundred under {@code ./zapateo endure}; each failure names its seed. */
    @Test
    void songs_come_back_as_they_went() {
        for (long seed = 0; seed < SONGS; seed++) {
            SplittableRandom chance = new SplittableRandom(seed);
            List<String> bars = new ArrayList<>();
            for (int bar = 0; bar < 4 + chance.nextInt(5); bar++) {
                bars.add(ROOTS.get(chance.nextInt(ROOTS.size())));
            }
            String chart = "Title: Seed " + seed + "\nKey: E♭\n// as typed\n[A]\n| " + String.join(" | ", bars) + " |" + (seed % 3 == 0 ? "\nTune: | E♭5/2 G5/2 |" : "");
            Map<String, Object> choices = Map.of("figure", FIGURES.get(chance.nextInt(FIGURES.size())), "overrides", List.of(Map.of("bars", "2-3", "figure", FIGURES.get(chance.nextInt(FIGURES.size())))),
                    "right", Map.of("style", seed % 2 == 0 ? "comping" : "none"));
            String id = create(chart, choices, List.of(Map.of("name", "another", "choices", Map.of("figure", "pulse-quarters"))));
            byte[] out = SERVER.bytes("/api/songs/" + id + "/package");
            JsonNode back = SERVER.upload("/api/songs/import", out).json();
            assertThat(back.path("format").asString()).as("seed %d: %s", seed, back).isEqualTo("package");
            assertThat(SERVER.bytes("/api/songs/" + back.path("song").path("id").asString() + "/package")).as("seed %d", seed).isEqualTo(out);
            SERVER.delete("/api/songs/" + back.path("song").path("id").asString());
            SERVER.delete("/api/songs/" + id);
        }
    }

    @Test
    void it_holds_open_formats_and_the_arrangements_by_name() throws IOException {
        String id = create("Title: Pier\n| C | F |", Map.of("figure", "held"), List.of(Map.of("name", "for two", "choices", Map.of("figure", "walking"))));
        Map<String, byte[]> entries = Zipped.entries(SERVER.bytes("/api/songs/" + id + "/package"));
        assertThat(entries).containsOnlyKeys("chart.txt", "song.json", "both-hands.musicxml", "both-hands.mid", "lead-sheet.musicxml");
        assertThat(new String(entries.get("chart.txt"), StandardCharsets.UTF_8)).isEqualTo("Title: Pier\n| C | F |");
        assertThat(new String(entries.get("both-hands.musicxml"), StandardCharsets.UTF_8)).contains("score-partwise");
        assertThat(entries.get("both-hands.mid")).startsWith('M', 'T', 'h', 'd');
        assertThat(new String(entries.get("song.json"), StandardCharsets.UTF_8)).contains("\"package\" : 1").contains("for two");
        JsonNode preview = SERVER.upload("/api/songs/import?preview=true", SERVER.bytes("/api/songs/" + id + "/package")).json();
        assertThat(preview.path("bars").asInt()).isEqualTo(2);
        assertThat(preview.path("song").isNull()).isTrue();
    }

    /** One's own figures go along; where another one has its id already it gets a new one, and the choices name that. */
    @Test
    void own_figures_go_along() throws IOException {
        String file = "id: deck-steps\nname: Deck steps\nfamily: pulse\nuse: \"On the beats.\"\nfeel: [straight]\nlevel: 2\ntempo: 50-150\nspacing: bass\nregister: [deep]\nvoicings: [close]\npedal: no\nbars:\n  4/4: 1@0:960 c@960:960 1@1920:960 c@2880:960\n";
        JsonNode kept = SERVER.post("/api/figures", Map.of("file", file)).json();
        String own = kept.path("id").asString();
        String id = create("Title: Own\n| C | F |", Map.of("figure", own), List.of());
        byte[] out = SERVER.bytes("/api/songs/" + id + "/package");
        assertThat(new String(Zipped.entries(out).get("song.json"), StandardCharsets.UTF_8)).contains("Deck steps");
        JsonNode again = SERVER.upload("/api/songs/import", out).json();
        assertThat(again.path("song").path("choices").path("figure").asString()).as("the same figure is there already").isEqualTo(own);
        String changed = new String(Zipped.entries(out).get("song.json"), StandardCharsets.UTF_8).replace("c@960:960", "c@960:480");
        JsonNode other = SERVER.upload("/api/songs/import", zip(Map.of("chart.txt", "| C |", "song.json", changed))).json();
        String renamed = other.path("song").path("choices").path("figure").asString();
        assertThat(renamed).startsWith("deck-steps").isNotEqualTo(own);
        assertThat(SERVER.get("/api/figures/" + renamed + "/file").text()).contains("c@960:480");
        SERVER.delete("/api/figures/" + own);
        assertThat(SERVER.bytes("/api/songs/" + id + "/package")).as("one that was taken away since goes along").isEqualTo(out);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = '|', value = {"{\"package\":2}|A package of format 2: this Zapateo reads up to 1", "{}|expected the number of its format", "{\"package\":1|song.json:",
        "{\"package\":1,\"arrangement\":{\"format\":9}}|Choices of format 9", "{\"package\":1,\"figures\":{\"x\":\"nonsense\"}}|expected", "{\"package\":1,\"arrangement\":{\"format\":3,\"choices\":{\"figure\":7,\"nothing\":1}}}|Unknown field"})
    void packages_that_cannot_be_read_say_why_and_keep_nothing(String json, String detail) throws IOException {
        int before = SERVER.get("/api/songs").json().size();
        RealServer.Answer answer = SERVER.upload("/api/songs/import", zip(Map.of("chart.txt", "| C |", "song.json", json)));
        assertThat(answer.status()).as(answer.text()).isBetween(400, 422);
        assertThat(answer.problem()).contains(detail);
        assertThat(SERVER.get("/api/songs").json().size()).isEqualTo(before);
    }

    @Test
    void a_package_without_a_chart_or_cut_off_is_refused_and_choices_of_an_older_format_are_read() throws IOException {
        assertThat(SERVER.upload("/api/songs/import", zip(Map.of("song.json", "{\"package\":1}"))).problem()).contains("has no chart.txt");
        byte[] whole = zip(Map.of("chart.txt", "| C |".repeat(2000), "song.json", "{\"package\":1}"));
        assertThat(SERVER.upload("/api/songs/import", Arrays.copyOf(whole, whole.length / 3)).status()).isBetween(400, 422);
        // Choices as they were kept before they had a number, and before there were colours.
        for (String choices : List.of("{\"name\":\"first\",\"choices\":{\"figure\":\"walking\"}}", "{\"name\":\"first\",\"format\":2,\"choices\":{\"figure\":\"walking\"}}")) {
            JsonNode back = SERVER.upload("/api/songs/import", zip(Map.of("chart.txt", "| C |", "song.json", "{\"package\":1,\"title\":\"Old\",\"arrangement\":" + choices + "}"))).json();
            assertThat(back.path("song").path("choices").path("figure").asString()).as("%s", back).isEqualTo("walking");
            assertThat(back.path("song").path("title").asString()).isEqualTo("Old");
        }
    }
}
