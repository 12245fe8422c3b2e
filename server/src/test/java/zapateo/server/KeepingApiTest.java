package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Everything taken away in one file and brought back into another, empty place. */
class KeepingApiTest {

    private static final String EVERYTHING = "/api/keeping/everything";

    @TempDir
    static Path copies;

    private static final TestDatabase HERE =
            new TestDatabase(Path.of("target/keeping-database").toAbsolutePath());
    private static RealServer server;

    @BeforeAll
    static void begin() {
        HERE.discard();
        HERE.start("-c", "fsync=off");
        server = RealServer.on(HERE, "--zapateo.demo=false", "--zapateo.copies=" + copies);
    }

    @BeforeEach
    void empty() throws Exception {
        HERE.empty();
    }

    @AfterAll
    static void end() {
        server.stop();
        HERE.discard();
    }

    private int count(String path) {
        return server.get(path).json().size();
    }

    @Test
    void what_was_taken_away_is_the_same_when_it_is_brought_back() throws Exception {
        String song = server.post(
                        "/api/songs",
                        Map.of(
                                "title",
                                "Gangway",
                                "chart",
                                "Key: F\n| F | B♭ C7 |",
                                "choices",
                                Map.of("figure", "stride-tenths", "level", 3)))
                .json()
                .path("id")
                .asString();
        server.post("/api/songs", Map.of("title", "Fog/horn", "chart", "| Am | not music ( |"));
        server.post(
                "/api/sets",
                Map.of(
                        "title",
                        "Tonight",
                        "items",
                        List.of(Map.of("song", song, "semitones", 2, "remark", "Ahoy"), Map.of("minutes", 20))));
        server.post("/api/hands", Map.of("name", "Small", "measures", Map.of("left", Map.of("spanMm", 180))));
        byte[] file = server.bytes(EVERYTHING);
        assertThat(Zipped.entries(file))
                .containsKeys("everything.json", "songs/002 Gangway.zip")
                .hasSize(3);
        assertThat(server.bytes(EVERYTHING))
                .as("the same songs make the same file")
                .isEqualTo(file);

        empty();
        RealServer.Answer answer = server.upload(EVERYTHING, file);
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        assertThat(answer.json().toString())
                .isEqualTo("{\"songs\":2,\"evenings\":1,\"figures\":0,\"hands\":1,\"leftOut\":[]}");
        assertThat(server.get("/api/hands").json().get(0).path("inUse").asBoolean())
                .isTrue();
        JsonNode set = server.get("/api/sets/"
                        + server.get("/api/sets").json().get(0).path("id").asString())
                .json();
        JsonNode brought = server.get("/api/songs/"
                        + set.path("items").get(0).path("item").path("song").asString())
                .json();
        assertThat(brought.path("title").asString()).isEqualTo("Gangway");
        assertThat(brought.path("choices").path("level").asInt()).isEqualTo(3);
        assertThat(server.bytes(EVERYTHING)).as("taken away again").isEqualTo(file);
        server.upload(EVERYTHING, file);
        assertThat(count("/api/songs")).as("it adds").isEqualTo(4);
        assertThat(count("/api/hands")).as("hands of that name are there").isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "other.txt | hello | 422 | has no everything.json",
                "everything.json | {} | 422 | expected the number of its format",
                "everything.json | {\"everything\":9} | 409 | reads up to 1",
                "everything.json | {\"everything\": | 422 | everything.json",
                "everything.json | {\"everything\":1,\"songs\":[\"songs/x.zip\"]} | 422 | \"songs/x.zip\" is not in "
                        + "the file"
            })
    void a_file_that_is_none_is_refused_whole(String name, String content, int status, String said) throws Exception {
        RealServer.Answer answer =
                server.upload(EVERYTHING, Zipped.zip(Map.of(name, content.getBytes(StandardCharsets.UTF_8))));
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.problem()).contains(said);
        assertThat(count("/api/songs")).isZero();
    }

    /** What may not be saved is left out line by line, the rest is kept. */
    @Test
    void what_may_not_be_kept_is_left_out_and_told() throws Exception {
        byte[] song = Zipped.zip(Map.of(
                "chart.txt",
                "| C |".getBytes(StandardCharsets.UTF_8),
                "song.json",
                "{\"package\":1,\"title\":\"Once\"}".getBytes(StandardCharsets.UTF_8)));
        String about = "{\"everything\":1,\"songs\":[\"songs/1.zip\"" + ",\"songs/1.zip\"".repeat(2999)
                + "],\"figures\":{\"a\":\"nonsense\"},\"hands\":[{\"name\":\"x\"},{\"name\":\"A\","
                + "\"measures\":{\"left\":{}}},{\"name\":7},{\"name\":\"B\",\"measures\":{\"left\":{\"spanMm\":190}}}],"
                + "\"evenings\":[{\"set\":1,\"title\":\"" + "t".repeat(500)
                + "\",\"playedOn\":\"+999999999-01-01\",\"items\":[7,{\"file\":\"songs/1.zip\",\"semitones\":99,"
                + "\"note\":\"slow\"},{\"minutes\":1e999},{}]}]}";
        RealServer.Answer answer = server.upload(
                EVERYTHING,
                Zipped.zip(Map.of("everything.json", about.getBytes(StandardCharsets.UTF_8), "songs/1.zip", song)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        JsonNode brought = answer.json();
        assertThat(List.of(
                        brought.path("songs").asInt(),
                        brought.path("evenings").asInt(),
                        brought.path("figures").asInt(),
                        brought.path("hands").asInt()))
                .containsExactly(1, 1, 0, 1);
        assertThat(brought.path("leftOut").toString())
                .contains(
                        "named more than once",
                        "figures.a: ",
                        "hands[0].measures: expected measures",
                        "hands[1].measures.left.spanMm: expected",
                        "hands[2]: ",
                        "evenings[0].title: what comes after 200",
                        "evenings[0].playedOn",
                        "evenings[0].items[0]: expected a song or a break",
                        "evenings[0].items[1].semitones: expected -11 to 11",
                        "evenings[0].items[2].minutes: expected 0 to 600",
                        "evenings[0].items[3]: expected a song, or the minutes of a break");
        assertThat(count("/api/songs")).isEqualTo(1);
        JsonNode set = server.get("/api/sets/"
                        + server.get("/api/sets").json().get(0).path("id").asString())
                .json();
        assertThat(set.path("items")).hasSize(1);
        assertThat(set.path("items").get(0).path("item").path("note").asString())
                .isEqualTo("slow");
    }

    /** It is all of one moment: what is deleted while it is made is in it, and nothing is a 404. */
    @Test
    void what_is_deleted_meanwhile_is_in_it() throws Exception {
        List<String> ids = new java.util.ArrayList<>();
        for (int i = 0; i < 12; i++) {
            ids.add(server.post(
                            "/api/songs",
                            Map.of(
                                    "title",
                                    "Song " + i,
                                    "chart",
                                    "Key: C\n" + "| C | Am7 | Dm7 | G7 ".repeat(20 + i) + "|",
                                    "choices",
                                    Map.of("figure", "stride-tenths")))
                    .json()
                    .path("id")
                    .asString());
        }
        CompletableFuture<byte[]> file =
                CompletableFuture.supplyAsync(() -> server.bytes(EVERYTHING, "Zapateo-Work", "taking"));
        while (!file.isDone()
                && server.get("/api/computing/taking").json().path("of").asInt(0) == 0) {
            Thread.onSpinWait();
        }
        ids.forEach(id -> server.delete("/api/songs/" + id));
        assertThat(Zipped.entries(file.get())).hasSize(13);
    }

    /** Zeros pack a thousandfold: a megabyte of file must not become gigabytes here. */
    @Test
    void what_is_packed_too_well_is_refused() throws Exception {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        for (int i = 0; i < 100; i++) {
            entries.put("songs/" + i + ".zip", new byte[3 << 20]);
        }
        RealServer.Answer answer = server.upload(EVERYTHING, Zipped.zip(entries));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains("when unpacked");
    }

    /** What nobody wants is unpacked on the way to the next: it counts too. */
    @Test
    void what_nobody_wants_counts_too() throws Exception {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        entries.put("everything.json", "{\"everything\":1}".getBytes(StandardCharsets.UTF_8));
        for (int i = 0; i < 100; i++) {
            entries.put("zeros/" + i, new byte[1 << 20]);
        }
        RealServer.Answer answer = server.upload(EVERYTHING, Zipped.zip(entries));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains("the file of more than 96 MiB when unpacked");
        entries.keySet().removeIf(name -> name.startsWith("zeros/9"));
        assertThat(server.upload(EVERYTHING, Zipped.zip(entries)).status()).isEqualTo(201);
    }

    @Test
    void where_copies_lie_is_told() throws Exception {
        assertThat(server.get("/api/keeping").json().path("copies")).isEmpty();
        Files.writeString(copies.resolve("daily-2027-01-09.tar"), "0123456789");
        Files.writeString(copies.resolve("daily-2027-01-09.tar.part12"), "half");
        JsonNode told = server.get("/api/keeping").json();
        assertThat(told.path("folder").asString()).isEqualTo(copies.toString());
        assertThat(told.path("copies")).hasSize(1);
        assertThat(told.path("copies").get(0).path("bytes").asInt()).isEqualTo(10);
        assertThat(told.path("copies").get(0).path("made").asString()).matches("\\d{4}-.*Z");
    }
}
