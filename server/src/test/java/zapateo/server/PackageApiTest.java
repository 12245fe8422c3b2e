package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Everything of a song in one file: out and in again it is the same song, to the byte of the next file. */
class PackageApiTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final List<String> ROOTS = List.of("C", "Dm", "E♭maj7", "F#m7b5", "G7", "A♭/C", "B♭9", "N.C.");
    private static final List<String> FIGURES =
            List.of("held", "stride-tenths", "walking", "spread-eighths", "bossa", "four-part-hymn");
    private static final int SONGS = Boolean.getBoolean("zapateo.endure") ? 200 : 40;

    private static String create(String chart, Map<String, Object> choices, List<Map<String, Object>> others) {
        JsonNode song = SERVER.post("/api/songs", Map.of("chart", chart, "choices", choices, "others", others))
                .json();
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
            String chart = "Title: Seed " + seed + "\nKey: E♭\n// as typed\n[A]\n| " + String.join(" | ", bars) + " |"
                    + (seed % 3 == 0 ? "\nTune: | E♭5/2 G5/2 |" : "");
            Map<String, Object> choices = Map.of(
                    "figure",
                    FIGURES.get(chance.nextInt(FIGURES.size())),
                    "overrides",
                    List.of(Map.of("bars", "2-3", "figure", FIGURES.get(chance.nextInt(FIGURES.size())))),
                    "right",
                    Map.of("style", seed % 2 == 0 ? "comping" : "none"));
            String id = create(
                    chart, choices, List.of(Map.of("name", "another", "choices", Map.of("figure", "pulse-quarters"))));
            byte[] out = SERVER.bytes("/api/songs/" + id + "/package");
            JsonNode back = SERVER.upload("/api/songs/import", out).json();
            assertThat(back.path("format").asString())
                    .as("seed %d: %s", seed, back)
                    .isEqualTo("package");
            assertThat(SERVER.bytes("/api/songs/" + back.path("song").path("id").asString() + "/package"))
                    .as("seed %d", seed)
                    .isEqualTo(out);
            SERVER.delete("/api/songs/" + back.path("song").path("id").asString());
            SERVER.delete("/api/songs/" + id);
        }
    }

    @Test
    void it_holds_open_formats_and_the_arrangements_by_name() throws IOException {
        String id = create(
                "Title: Pier\n| C | F |",
                Map.of("figure", "held"),
                List.of(Map.of("name", "for two", "choices", Map.of("figure", "walking"))));
        Map<String, byte[]> entries = Zipped.entries(SERVER.bytes("/api/songs/" + id + "/package"));
        assertThat(entries)
                .containsOnlyKeys(
                        "chart.txt", "song.json", "both-hands.musicxml", "both-hands.mid", "lead-sheet.musicxml");
        assertThat(new String(entries.get("chart.txt"), StandardCharsets.UTF_8)).isEqualTo("Title: Pier\n| C | F |");
        assertThat(new String(entries.get("both-hands.musicxml"), StandardCharsets.UTF_8))
                .contains("score-partwise");
        assertThat(entries.get("both-hands.mid")).startsWith('M', 'T', 'h', 'd');
        assertThat(new String(entries.get("song.json"), StandardCharsets.UTF_8))
                .contains("\"package\" : 1")
                .contains("for two");
        // Others read the choices as docs/PACKAGE.md says, whatever the form is that they are kept in here.
        assertThat(JSON.readTree(entries.get("song.json")).path("arrangement"))
                .isEqualTo(JSON.readTree("{\"format\": 3, \"choices\": {\"figure\": \"held\"}, \"name\": \"alone\"}"));
        JsonNode preview = SERVER.upload(
                        "/api/songs/import?preview=true", SERVER.bytes("/api/songs/" + id + "/package"))
                .json();
        assertThat(preview.path("bars").asInt()).isEqualTo(2);
        assertThat(preview.path("song").isNull()).isTrue();
    }

    /**
     * One's own figures go along; where another one has its id already it gets a new one, and the choices name that.
     */
    @Test
    void own_figures_go_along() throws IOException {
        String file =
                "id: deck-steps\nname: Deck steps\nfamily: pulse\nuse: \"On the beats.\"\nfeel: [straight]\nlevel: "
                        + "2\ntempo: 50-150\nspacing: bass\nregister: [deep]\nvoicings: [close]\npedal: "
                        + "no\nbars:\n  4/4: 1@0:960 c@960:960 1@1920:960 c@2880:960\n";
        JsonNode kept = SERVER.post("/api/figures", Map.of("file", file)).json();
        String own = kept.path("id").asString();
        String id = create("Title: Own\n| C | F |", Map.of("figure", own), List.of());
        byte[] out = SERVER.bytes("/api/songs/" + id + "/package");
        assertThat(new String(Zipped.entries(out).get("song.json"), StandardCharsets.UTF_8))
                .contains("Deck steps");
        JsonNode again = SERVER.upload("/api/songs/import", out).json();
        assertThat(again.path("song").path("choices").path("figure").asString())
                .as("the same figure is there already")
                .isEqualTo(own);
        String changed = new String(Zipped.entries(out).get("song.json"), StandardCharsets.UTF_8)
                .replace("c@960:960", "c@960:480");
        JsonNode other = SERVER.upload("/api/songs/import", zip(Map.of("chart.txt", "| C |", "song.json", changed)))
                .json();
        String renamed = other.path("song").path("choices").path("figure").asString();
        assertThat(renamed).startsWith("deck-steps").isNotEqualTo(own);
        assertThat(SERVER.get("/api/figures/" + renamed + "/file").text()).contains("c@960:480");
        SERVER.delete("/api/figures/" + own);
        assertThat(SERVER.bytes("/api/songs/" + id + "/package"))
                .as("one that was taken away since goes along")
                .isEqualTo(out);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"package\":2}|A package of format 2: this Zapateo reads up to 1",
                "{}|expected the number of its format",
                "{\"package\":1|song.json:",
                "{\"package\":1,\"arrangement\":{\"format\":9}}|Choices of format 9"
            })
    void packages_that_cannot_be_read_say_why_and_keep_nothing(String json, String detail) throws IOException {
        int before = SERVER.get("/api/songs").json().size();
        RealServer.Answer answer =
                SERVER.upload("/api/songs/import", zip(Map.of("chart.txt", "| C |", "song.json", json)));
        assertThat(answer.status()).as(answer.text()).isBetween(400, 422);
        assertThat(answer.problem()).contains(detail);
        assertThat(SERVER.get("/api/songs").json().size()).isEqualTo(before);
    }

    /** What may not be saved is left out line by line, and what came in can be saved again as it is read. */
    @Test
    void what_may_not_be_kept_is_left_out_and_told() throws IOException {
        String locks = IntStream.range(0, 5000)
                .mapToObj(i -> "{\"bar\":" + i % 4 + ",\"bass\":\"C2\"}")
                .collect(Collectors.joining(",", "[", "]"));
        String json = "{\"package\":1,\"title\":\"" + "t".repeat(100_000)
                + "\",\"figures\":{\"x\":\"nonsense\"},\"arrangement\":{\"name\":\"alone\",\"format\":3,"
                + "\"choices\":{\"figure\":\"no-such\",\"nothing\":1,\"level\":3,\"locks\":"
                + locks
                + ",\"overrides\":[{\"bars\":\"1\",\"voicing\":\"nowhere\"},{\"bars\":\"2\",\"voicing\":\"close\"}"
                + ",{\"bars\":\"x\"}],\"right\":{\"style\":\"comping\",\"figure\":\"no-rhythm\","
                + "\"top\":\"smooth\",\"licks\":[{\"bar\":1,\"lick\":\"none-such\"}]}}},"
                + "\"others\":[{\"name\":\"alone\",\"format\":3,\"choices\":{\"figure\":\"x\"}}]}";
        byte[] file = zip(Map.of("chart.txt", "| C | F |", "song.json", json));
        JsonNode preview = SERVER.upload("/api/songs/import?preview=true", file).json();
        JsonNode brought = SERVER.upload("/api/songs/import", file).json();
        assertThat(brought.path("leftOut")).isEqualTo(preview.path("leftOut"));
        assertThat(brought.path("leftOut").toString())
                .contains(
                        "title: what comes after 200 of its 100000 characters",
                        "figures.x: ",
                        "figure \\\"no-such\\\": expected one of held",
                        "nothing: ",
                        "locks: 3000 of 5000, expected at most 2000",
                        "\"overrides[0].voicing ",
                        "overrides[2]: ",
                        "right.figure \\\"no-rhythm\\\"",
                        "\"right.licks[0].lick ",
                        "others.alone.figure \\\"x\\\": expected one of held");
        JsonNode song = brought.path("song");
        assertThat(song.path("title").asString()).hasSize(200);
        JsonNode choices = song.path("choices");
        assertThat(choices.path("level").asInt()).isEqualTo(3);
        assertThat(choices.path("locks")).hasSize(2000);
        assertThat(choices.path("overrides").toString()).isEqualTo("[{\"bars\":\"2\",\"voicing\":\"close\"}]");
        assertThat(choices.path("right").path("top").asString()).isEqualTo("smooth");
        assertThat(choices.path("right").has("figure")).isFalse();
        assertThat(song.path("others").path(0).path("name").asString()).isEqualTo("alone 2");
        String path = "/api/songs/" + song.path("id").asString();
        assertThat(SERVER.put(
                                path,
                                Map.of(
                                        "title",
                                        song.path("title").asString(),
                                        "chart",
                                        song.path("chart").asString(),
                                        "choices",
                                        choices,
                                        "others",
                                        song.path("others"),
                                        "version",
                                        1))
                        .status())
                .isEqualTo(200);
        assertThat(SERVER.get(path + "/arrangement").status()).isEqualTo(200);
        SERVER.delete(path);
    }

    /**
     * What got in all the same, from another Zapateo: its arrangement is played with the usual in its place, it can be
     * taken away, and an evening that has it too.
     */
    @Test
    void a_song_that_names_what_there_is_not_is_played_with_the_usual_and_blocks_nothing() throws Exception {
        for (Map<String, Object> unknown : List.<Map<String, Object>>of(
                Map.of("figure", "no-such"),
                Map.of("voicing", "no-such"),
                Map.of("right", Map.of("style", "comping", "figure", "no-such")),
                Map.of("right", Map.of("style", "comping", "licks", List.of(Map.of("bar", 1, "lick", "no-such")))),
                Map.of(
                        "colours",
                        List.of(Map.of(
                                "bar", 1, "tick", 0, "over", List.of("C"), "rule", "no-such", "variant", "x"))))) {
            RealServer.Answer refused = SERVER.post("/api/songs", Map.of("chart", "| C |", "choices", unknown));
            assertThat(refused.status()).as(refused.text()).isEqualTo(422);
            assertThat(refused.problem()).contains("no-such");
        }
        String id = SERVER.post(
                        "/api/songs",
                        Map.of("title", "Odd", "chart", "| C | F |", "choices", Map.of("figure", "held", "level", 2)))
                .json()
                .path("id")
                .asString();
        assertThat(SERVER.put(
                                "/api/songs/" + id,
                                Map.of("chart", "| C |", "choices", Map.of("bassLine", "no-such"), "version", 1))
                        .status())
                .isEqualTo(422);
        try (Connection connection = SERVER.database().connect();
                Statement statement = connection.createStatement()) {
            statement.executeUpdate(
                    "update song set choices = jsonb_set(choices, '{kept,song,figure}', '\"of-another-time\"') where "
                            + "id = '"
                            + id + "'");
        }
        JsonNode song = SERVER.get("/api/songs/" + id).json();
        assertThat(song.path("choices").path("level").asInt()).isEqualTo(2);
        assertThat(song.path("choices").has("figure")).isFalse();
        assertThat(song.path("leftOut").toString()).contains("of-another-time");
        assertThat(SERVER.get("/api/songs/" + id + "/arrangement").status()).isEqualTo(200);
        assertThat(Zipped.entries(SERVER.bytes("/api/songs/" + id + "/export/zip")))
                .containsKeys("chart.txt", "song.json", "both-hands.mid");
        String set = SERVER.post("/api/sets", Map.of("title", "Odd evening", "items", List.of(Map.of("song", id))))
                .json()
                .path("id")
                .asString();
        assertThat(Zipped.entries(SERVER.bytes("/api/sets/" + set + "/export/zip")))
                .containsKeys("set.json", "songs/01 Odd.zip");
        assertThat(Zipped.entries(SERVER.bytes("/api/keeping/everything"))).containsKey("everything.json");
        // A chart that says nothing still goes along.
        String mute = SERVER.post("/api/songs", Map.of("title", "Mute", "chart", ""))
                .json()
                .path("id")
                .asString();
        assertThat(Zipped.entries(SERVER.bytes("/api/songs/" + mute + "/export/zip")))
                .containsOnlyKeys("chart.txt", "song.json");
        SERVER.delete("/api/songs/" + id);
        SERVER.delete("/api/songs/" + mute);
    }

    /** In today's form of what is kept, and in the one that files are written in. */
    static Stream<Arguments> wrongKinds() {
        List<String> parts = List.of(
                "figure",
                "level",
                "sections",
                "overrides",
                "bars",
                "locks",
                "costs",
                "fingers",
                "colours",
                "right",
                "parked",
                "song",
                "nothing");
        List<String> kinds =
                List.of("5", "\"x\"", "true", "[]", "{}", "[1]", "{\"a\": 1}", "[[]]", "[{\"a\": []}]", "1e99");
        return parts.stream().flatMap(part -> kinds.stream().map(kind -> Arguments.of(part, kind)));
    }

    /** What is left out is said, and the rest is brought in: nothing of it is a fault of the server's. */
    @ParameterizedTest(name = "{0}: {1}")
    @MethodSource("wrongKinds")
    void what_is_of_the_wrong_kind_is_left_out(String part, String kind) throws IOException {
        String choices = "{\"" + part + "\": " + kind + ", \"pedal\": false}";
        for (String form : List.of("\"format\": 3, \"choices\": ", "\"format\": 4, \"kept\": ")) {
            String song = "{\"package\": 1, \"arrangement\": {\"name\": \"alone\", " + form + choices + "}}";
            RealServer.Answer answer = SERVER.upload(
                    "/api/songs/import?preview=true", zip(Map.of("chart.txt", "| C |", "song.json", song)));
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        }
    }

    @Test
    void a_package_without_a_chart_or_cut_off_is_refused_and_choices_of_an_older_format_are_read() throws IOException {
        assertThat(SERVER.upload("/api/songs/import", zip(Map.of("song.json", "{\"package\":1}")))
                        .problem())
                .contains("has no chart.txt");
        byte[] whole = zip(Map.of("chart.txt", "| C |".repeat(2000), "song.json", "{\"package\":1}"));
        assertThat(SERVER.upload("/api/songs/import", Arrays.copyOf(whole, whole.length / 3))
                        .status())
                .isBetween(400, 422);
        // Choices as they were kept before they had a number, and before there were colours.
        for (String choices : List.of(
                "{\"name\":\"first\",\"choices\":{\"figure\":\"walking\"}}",
                "{\"name\":\"first\",\"format\":2,\"choices\":{\"figure\":\"walking\"}}")) {
            JsonNode back = SERVER.upload(
                            "/api/songs/import",
                            zip(Map.of(
                                    "chart.txt",
                                    "| C |",
                                    "song.json",
                                    "{\"package\":1,\"title\":\"Old\",\"arrangement\":" + choices + "}")))
                    .json();
            assertThat(back.path("song").path("choices").path("figure").asString())
                    .as("%s", back)
                    .isEqualTo("walking");
            assertThat(back.path("song").path("title").asString()).isEqualTo("Old");
        }
    }
}
