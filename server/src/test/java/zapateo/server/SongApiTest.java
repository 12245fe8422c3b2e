package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class SongApiTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    @Test
    void a_song_is_kept_with_its_chart_choices_and_version() {
        JsonNode song = create("Title: Pier\n| C | F |", Map.of("figure", "held", "voicing", "octave"));
        assertThat(song.path("version").asInt()).isEqualTo(1);
        JsonNode found = SERVER.get("/api/songs/" + song.path("id").asString()).json();
        assertThat(found.path("title").asString()).isEqualTo("Pier");
        assertThat(found.path("chart").asString()).isEqualTo("Title: Pier\n| C | F |");
        assertThat(found.path("choices").path("voicing").asString()).isEqualTo("octave");
    }

    /** Who begins with the title has a song of that name, not an untitled one. */
    @Test
    void a_song_has_its_title_before_it_has_a_bar() {
        JsonNode song = create("Title: Quay Lights\n", Map.of("figure", "held"));
        assertThat(song.path("title").asString()).isEqualTo("Quay Lights");
        assertThat(create("Key: F\n", Map.of("figure", "held")).path("title").asString())
                .isEqualTo("Untitled");
        assertThat(SERVER.get("/api/songs")
                        .json()
                        .valueStream()
                        .filter(each -> each.path("id").equals(song.path("id")))
                        .map(each -> each.path("title").asString())
                        .toList())
                .containsExactly("Quay Lights");
    }

    /**
     * Songs from before summaries were kept, and those that were summed up otherwise, are listed all the same and
     * summed up once.
     */
    @Test
    void a_song_without_a_summary_is_summed_up_when_it_is_listed() throws Exception {
        String id = create("Title: Old Pier\nKey: F\nMeter: 3/4\n[A]\n| F | C7 |\n", Map.of("figure", "slow-waltz"))
                .path("id")
                .asString();
        JsonNode listed = line(id);
        assertThat(List.of(
                        listed.path("key").asString(),
                        listed.path("meter").asString(),
                        listed.path("bars").asInt(),
                        listed.path("figureId").asString()))
                .containsExactly("F", "3/4", 2, "slow-waltz");
        try (Connection database = SERVER.database().connect();
                Statement statement = database.createStatement()) {
            for (String before : List.of("null", "'{\"format\":0,\"sections\":[]}'")) {
                assertThat(statement.executeUpdate("update song set summary = " + before + " where id = '" + id + "'"))
                        .isEqualTo(1);
                assertThat(line(id)).isEqualTo(listed);
                try (ResultSet row =
                        statement.executeQuery("select summary ->> 'meter' from song where id = '" + id + "'")) {
                    assertThat(row.next()).isTrue();
                    assertThat(row.getString(1)).isEqualTo("3/4");
                }
            }
        }
    }

    private static JsonNode line(String id) {
        return StreamSupport.stream(SERVER.get("/api/songs").json().spliterator(), false)
                .filter(line -> line.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void a_chart_with_mistakes_is_kept_as_it_was_typed() {
        JsonNode song = create("| H | ???\n🎹", Map.of());
        assertThat(SERVER.get("/api/songs/" + song.path("id").asString())
                        .json()
                        .path("chart")
                        .asString())
                .isEqualTo("| H | ???\n🎹");
    }

    @Test
    void a_stale_write_is_refused_changes_nothing_and_every_state_can_be_had_back() {
        String path = "/api/songs/" + create("| C |", Map.of()).path("id").asString();
        assertThat(SERVER.put(path, Map.of("chart", "| F |", "version", 1))
                        .json()
                        .path("version")
                        .asInt())
                .isEqualTo(2);
        RealServer.Answer stale = SERVER.put(path, Map.of("chart", "| G |", "version", 1));
        assertThat(stale.status()).isEqualTo(409);
        assertThat(stale.type()).startsWith("application/problem+json");
        assertThat(stale.problem()).contains("version 1").contains("version 2").contains("Nothing was overwritten");
        assertThat(SERVER.get(path).json().path("chart").asString()).isEqualTo("| F |");
        JsonNode versions = SERVER.get(path + "/versions").json();
        assertThat(numbers(versions)).containsExactly(2, 1);
        assertThat(versions.path(0).has("chart")).isFalse();
        assertThat(SERVER.get(path + "/versions/2").json().path("chart").asString())
                .isEqualTo("| F |");
        assertThat(SERVER.get(path + "/versions/1").json().path("chart").asString())
                .isEqualTo("| C |");
        assertThat(SERVER.get(path + "/versions/3").status()).isEqualTo(404);
    }

    private static List<Integer> numbers(JsonNode versions) {
        return StreamSupport.stream(versions.spliterator(), false)
                .map(version -> version.path("version").asInt())
                .toList();
    }

    /** All of the last hour, then one an hour, then one a day; what has a name is always there. */
    @Test
    void earlier_states_are_thinned_to_the_eye_only() throws Exception {
        String id = create("| C |", Map.of()).path("id").asString();
        String path = "/api/songs/" + id;
        for (int version = 1; version < 12; version++) {
            SERVER.put(path, Map.of("chart", "| C | " + "F ".repeat(version), "version", version));
        }
        try (Connection database = SERVER.database().connect();
                Statement statement = database.createStatement()) {
            statement.executeUpdate(
                    "update song_version set saved_at = now() - interval '10 days' + version * interval '1 minute' "
                            + "where version <= 4 and song_id = '"
                            + id + "'");
            statement.executeUpdate(
                    "update song_version set saved_at = date_trunc('hour', now() - interval '5 hours') + version * "
                            + "interval '1 minute' where version between 5 and 8 and song_id = '"
                            + id + "'");
        }
        List<Integer> all = numbers(SERVER.get(path + "/versions").json());
        assertThat(all).startsWith(12, 11, 10, 9, 8).hasSizeBetween(6, 8).doesNotContain(7, 6, 5);
        assertThat(SERVER.put(path + "/versions/2", Map.of("name", "before the wedding"))
                        .status())
                .isEqualTo(204);
        assertThat(numbers(SERVER.get(path + "/versions").json())).contains(2);
        assertThat(numbers(SERVER.get(path + "/versions?before=12&most=2").json()))
                .containsExactly(11, 10);
        assertThat(SERVER.get(path + "/versions/6").json().path("chart").asString())
                .isEqualTo("| C | " + "F ".repeat(5));
        assertThat(SERVER.put(path + "/versions/99", Map.of("name", "x")).status())
                .isEqualTo(404);
        assertThat(SERVER.get(path + "/versions?most=0").status()).isEqualTo(422);
    }

    /** An arrangement keeps its id, whatever it is called. */
    @Test
    void arrangements_have_an_id_that_lasts() {
        JsonNode song = create("| C |", Map.of());
        String path = "/api/songs/" + song.path("id").asString();
        String open = song.path("arrangementId").asString();
        JsonNode more = SERVER.put(
                        path,
                        Map.of(
                                "chart",
                                "| C |",
                                "version",
                                1,
                                "arrangement",
                                "at home",
                                "others",
                                List.of(Map.of("name", "for a pupil", "choices", Map.of()))))
                .json();
        assertThat(more.path("arrangementId").asString()).isEqualTo(open);
        String pupil = more.path("others").path(0).path("id").asString();
        JsonNode swapped = SERVER.put(
                        path,
                        Map.of(
                                "chart",
                                "| C |",
                                "version",
                                2,
                                "arrangement",
                                "for a child",
                                "arrangementId",
                                pupil,
                                "others",
                                List.of(Map.of("id", open, "name", "at home", "choices", Map.of()))))
                .json();
        assertThat(swapped.path("arrangementId").asString()).isEqualTo(pupil);
        assertThat(swapped.path("others").path(0).path("id").asString()).isEqualTo(open);
        assertThat(SERVER.get(path + "/versions/2")
                        .json()
                        .path("others")
                        .path(0)
                        .path("id")
                        .asString())
                .isEqualTo(pupil);
    }

    @Test
    void of_many_writers_with_one_version_exactly_one_wins() throws Exception {
        String path = "/api/songs/" + create("| C |", Map.of()).path("id").asString();
        ExecutorService writers = Executors.newFixedThreadPool(8);
        List<Callable<Integer>> writes = IntStream.range(0, 24)
                .<Callable<Integer>>mapToObj(i ->
                        () -> SERVER.put(path, Map.of("chart", "| C | " + "F ".repeat(i), "version", 1))
                                .status())
                .toList();
        List<Integer> statuses =
                writers.invokeAll(writes).stream().map(SongApiTest::get).toList();
        writers.shutdown();
        assertThat(statuses).filteredOn(status -> status == 200).hasSize(1);
        assertThat(statuses).filteredOn(status -> status == 409).hasSize(23);
        assertThat(SERVER.get(path).json().path("version").asInt()).isEqualTo(2);
    }

    @Test
    void a_deleted_song_is_gone_and_can_be_put_back() {
        String path = "/api/songs/" + create("| C |", Map.of()).path("id").asString();
        assertThat(SERVER.delete(path).status()).isEqualTo(204);
        assertThat(SERVER.get(path).status()).isEqualTo(404);
        assertThat(SERVER.put(path, Map.of("chart", "| F |", "version", 1)).status())
                .isEqualTo(404);
        assertThat(SERVER.delete(path).status()).isEqualTo(404);
        assertThat(SERVER.post(path + "/restore", "").status()).isEqualTo(200);
        assertThat(SERVER.get(path).json().path("chart").asString()).isEqualTo("| C |");
    }

    @Test
    void it_leaves_as_midi_musicxml_and_text() {
        String path = "/api/songs/"
                + create("Title: Pier & Co\n| C | F |", Map.of("figure", "held"))
                        .path("id")
                        .asString();
        assertThat(SERVER.bytes(path + "/export/mid?parts=both")).startsWith('M', 'T', 'h', 'd');
        assertThat(SERVER.get(path + "/export/musicxml?parts=left").text())
                .contains("<score-partwise version=\"4.0\"")
                .contains("Pier &amp; Co");
        assertThat(SERVER.get(path + "/export/txt").text()).isEqualTo("Title: Pier & Co\n| C | F |");
        assertThat(SERVER.get(path + "/arrangement").json().path("strokes")).hasSize(2);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/export/doc", "/export/mid?parts=three", "/export/pdf"})
    void a_file_it_does_not_write_is_refused_with_what_it_does(String export) {
        String path = "/api/songs/" + create("| C |", Map.of()).path("id").asString();
        RealServer.Answer answer = SERVER.get(path + export);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains("expected");
    }

    @Test
    void a_song_without_a_bar_cannot_leave_as_music_and_says_why() {
        String path = "/api/songs/" + create("", Map.of()).path("id").asString();
        RealServer.Answer answer = SERVER.get(path + "/export/mid");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().path("problems").path(0).path("code").asString())
                .isEqualTo("no-bars");
    }

    @Test
    void the_set_of_the_aurora_is_there_and_every_chart_of_it_is_sound() {
        List<String> wanted = List.of(
                "Gangway Waltz",
                "Slow Tide",
                "Breakwater Blues",
                "Cinnamon Deck",
                "Lamplight Stride",
                "Cabin Seven Swing",
                "Six Past Midnight",
                "Morning Customs",
                "Harbour Refrain");
        JsonNode songs = SERVER.get("/api/songs").json();
        List<JsonNode> set = StreamSupport.stream(songs.spliterator(), false)
                .filter(song -> wanted.contains(song.path("title").asString()))
                .toList();
        assertThat(set).hasSize(9).allSatisfy(song -> {
            JsonNode arrangement = SERVER.get("/api/songs/" + song.path("id").asString() + "/arrangement")
                    .json();
            assertThat(arrangement.path("problems"))
                    .as(song.path("title").asString())
                    .isEmpty();
            assertThat(arrangement.path("strokes").size()).isGreaterThan(20);
        });
        assertThat(set).anySatisfy(song -> {
            assertThat(song.path("title").asString()).isEqualTo("Cabin Seven Swing");
            assertThat(song.path("bars").asInt()).isEqualTo(32);
            assertThat(MusicApiTest.texts(song.path("sections"))).containsExactly("A", "A", "Bridge", "A");
            assertThat(song.path("key").asString()).isEqualTo("A♭");
        });
    }

    private static JsonNode create(String chart, Map<String, String> choices) {
        RealServer.Answer answer = SERVER.post("/api/songs", Map.of("chart", chart, "choices", choices));
        assertThat(answer.status()).isEqualTo(201);
        return answer.json();
    }

    private static int get(Future<Integer> future) {
        try {
            return future.get();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }
}
