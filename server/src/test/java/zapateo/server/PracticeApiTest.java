package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Practising over HTTP: what is asked, how a take went, the ladder, goals, the log, the plan. */
class PracticeApiTest {

    private static final String CHART = "Title: Worked\nKey: C\nTempo: 100\n| C | Am | F | G7 | C | Am | G7 | C |";
    private static final Map<String, Object> STRIDE = Map.of("figure", "stride-root-chord", "ending", "figure");

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    @BeforeEach
    @AfterEach
    void nothing_is_practised_any_more() {
        SERVER.get("/api/practice/goals")
                .json()
                .forEach(goal ->
                        SERVER.delete("/api/practice/goals/" + goal.path("song").asString()));
        SERVER.get("/api/practice/log")
                .json()
                .forEach(pass ->
                        SERVER.delete("/api/practice/log/" + pass.path("id").asString()));
    }

    private static Map<String, Object> request(Object... more) {
        Map<String, Object> all =
                new HashMap<>(Map.of("chart", CHART, "choices", STRIDE, "bars", "0-3", "layer", "left", "tempo", 80));
        for (int at = 0; at < more.length; at += 2) {
            all.put((String) more[at], more[at + 1]);
        }
        return all;
    }

    private static List<String> texts(JsonNode list, String field) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(each -> each.path(field).asString())
                .toList();
    }

    @Test
    void each_layer_asks_for_its_own_notes() {
        JsonNode left = SERVER.post("/api/practice/asked", request()).json();
        assertThat(left.path("beatMs").asDouble()).isEqualTo(750);
        assertThat(texts(left.path("notes"), "hand")).containsOnly("L");
        int basses = SERVER.post("/api/practice/asked", request("layer", "basses"))
                .json()
                .path("notes")
                .size();
        int chords = SERVER.post("/api/practice/asked", request("layer", "chords"))
                .json()
                .path("notes")
                .size();
        assertThat(basses).isEqualTo(8);
        assertThat(basses + chords).isEqualTo(left.path("notes").size());
        JsonNode second = left.path("notes").path(1);
        assertThat(second.path("ms").asDouble()).isEqualTo(750);
        assertThat(second.path("finger").asInt()).isBetween(1, 5);
    }

    /** As asked but for a wrong key, one that is missing, one too many; everything 80 ms late, as an instrument is. */
    @Test
    void a_take_is_judged_by_what_was_asked() {
        JsonNode asked = SERVER.post("/api/practice/asked", request()).json().path("notes");
        List<Map<String, Object>> played = new ArrayList<>();
        for (int at = 0; at < asked.size(); at++) {
            int midi = asked.path(at).path("midi").asInt() + (at == 4 ? 1 : 0);
            if (at != 9) {
                played.add(Map.of(
                        "ms", asked.path(at).path("ms").asDouble() + 80, "held", 650, "midi", midi, "velocity", 70));
            }
        }
        JsonNode clean = SERVER.post(
                        "/api/practice/judge",
                        request("notes", played.stream().map(note -> note).toList()))
                .json();
        assertThat(clean.path("delayMs").asDouble()).isBetween(75.0, 85.0);
        assertThat(clean.path("clean").asBoolean()).isFalse();
        assertThat(texts(clean.path("notes"), "verdict").stream().filter(verdict -> !verdict.equals("right")))
                .containsExactly("wrong", "missed");
        assertThat(clean.path("notes").path(4).path("played").asInt())
                .isEqualTo(asked.path(4).path("midi").asInt() + 1);
        assertThat(texts(clean.path("mend"), "code")).containsExactlyInAnyOrder("wrong", "missed");
        assertThat(texts(clean.path("mend"), "text"))
                .anyMatch(text -> text.contains(" instead of ") && text.contains("bar "));
        assertThat(clean.path("good").size()).isPositive();
        JsonNode none =
                SERVER.post("/api/practice/judge", request("notes", List.of())).json();
        assertThat(texts(none.path("notes"), "verdict")).containsOnly("missed");
    }

    @Test
    void the_ladder_climbs_and_falls() {
        JsonNode start =
                SERVER.post("/api/practice/ladder", Map.of("goal", 120)).json();
        assertThat(start.path("tempo").asDouble()).isEqualTo(72);
        assertThat(start.path("rungs").size()).isGreaterThan(8);
        JsonNode up = SERVER.post(
                        "/api/practice/ladder",
                        Map.of("goal", 120, "rung", Map.of("tempo", 72, "clean", 1, "failed", 0), "clean", true))
                .json();
        assertThat(up.path("tempo").asDouble()).isEqualTo(76);
        JsonNode down = SERVER.post(
                        "/api/practice/ladder",
                        Map.of("goal", 120, "rung", Map.of("tempo", 72, "clean", 0, "failed", 1), "clean", false))
                .json();
        assertThat(down.path("tempo").asDouble()).isEqualTo(69);
    }

    @Test
    void hard_places_come_first_and_more_so_where_they_failed() {
        JsonNode spots = SERVER.post(
                        "/api/practice/spots", Map.of("arrangement", Map.of("chart", CHART, "choices", STRIDE)))
                .json();
        assertThat(spots.path("spots").size()).isGreaterThan(3);
        assertThat(spots.path("phrases").size()).isEqualTo(2);
        List<Double> hard = StreamSupport.stream(spots.path("spots").spliterator(), false)
                .map(spot -> spot.path("difficulty").asDouble())
                .toList();
        assertThat(hard).isSortedAccordingTo((one, other) -> Double.compare(other, one));
        int easiest = spots.path("spots")
                .path(spots.path("spots").size() - 1)
                .path("to")
                .asInt();
        JsonNode failed = SERVER.post(
                        "/api/practice/spots",
                        Map.of(
                                "arrangement",
                                Map.of("chart", CHART, "choices", STRIDE),
                                "failed",
                                Map.of(String.valueOf(easiest), 1.0)))
                .json();
        assertThat(texts(failed.path("spots"), "to").indexOf(String.valueOf(easiest)))
                .isLessThan(spots.path("spots").size() - 1);
    }

    private static String song() {
        return SERVER.post("/api/songs", Map.of("chart", CHART, "choices", STRIDE))
                .json()
                .path("id")
                .asString();
    }

    private static Map<String, Object> pass(String song, String day, boolean clean) {
        Map<String, Object> pass = new HashMap<>(Map.of(
                "id",
                UUID.randomUUID().toString(),
                "song",
                song,
                "day",
                day,
                "first",
                1,
                "last",
                4,
                "layer",
                "left",
                "tempo",
                72,
                "clean",
                clean,
                "seconds",
                14));
        pass.put("word", "=sum(1)");
        return pass;
    }

    @Test
    void a_goal_makes_a_plan_and_what_failed_comes_back_the_next_day() {
        String song = song();
        JsonNode goal = SERVER.put(
                        "/api/practice/goals/" + song,
                        Map.of(
                                "tempo",
                                120,
                                "until",
                                "2031-05-20",
                                "level",
                                2,
                                "arrangement",
                                Map.of("chart", CHART, "choices", STRIDE)))
                .json();
        assertThat(goal.path("pieces").asInt()).isGreaterThan(4);
        JsonNode plan =
                SERVER.get("/api/practice/plan?minutes=20&day=2031-05-01").json();
        assertThat(plan.path("minutes").asInt()).isBetween(10, 20);
        assertThat(plan.path("items").path(0).path("what").asString()).isEqualTo("spot");
        assertThat(plan.path("items").path(0).path("tempo").asDouble()).isEqualTo(72);
        SERVER.post("/api/practice/log", pass(song, "2031-05-01", false));
        SERVER.post("/api/practice/log", pass(song, "2031-05-01", false));
        JsonNode next =
                SERVER.get("/api/practice/plan?minutes=20&day=2031-05-02").json();
        assertThat(texts(next.path("items"), "why")).contains("It did not hold last time.");
        assertThat(SERVER.get("/api/practice/failed/" + song).json().path("1").asDouble())
                .isEqualTo(1);
        assertThat(SERVER.get("/api/practice/plan?minutes=20&day=2031-05-19")
                        .json()
                        .path("warnings")
                        .path(0)
                        .path("text")
                        .asString())
                .contains("Worked needs about");
    }

    @Test
    void the_log_keeps_a_pass_once_and_can_be_taken_away() {
        String song = song();
        Map<String, Object> pass = pass(song, "2031-05-01", true);
        assertThat(SERVER.post("/api/practice/log", pass).status()).isEqualTo(201);
        assertThat(SERVER.post("/api/practice/log", pass).status()).isEqualTo(201);
        JsonNode log = SERVER.get("/api/practice/log?since=2031-01-01").json();
        assertThat(log.size()).isOne();
        assertThat(log.path(0).path("title").asString()).isEqualTo("Worked");
        String csv = SERVER.get("/api/practice/log/export/csv").text();
        assertThat(csv.lines().count()).isEqualTo(2);
        assertThat(csv).startsWith("day,at,song").contains("Worked").contains(",'=sum(1),");
        assertThat(SERVER.get("/api/practice/log/export/json")
                        .json()
                        .path(0)
                        .path("layer")
                        .asString())
                .isEqualTo("left");
    }

    @Test
    void how_long_each_step_took_is_kept_once_the_latest_first() {
        String song = song();
        for (List<Integer> ms : List.of(List.of(900, 1_400, 700), List.of(600, 800, 500))) {
            Map<String, Object> round = Map.of(
                    "id",
                    UUID.randomUUID(),
                    "song",
                    song,
                    "day",
                    "2031-05-01",
                    "first",
                    3,
                    "last",
                    4,
                    "layer",
                    "left",
                    "ms",
                    ms);
            assertThat(SERVER.post("/api/practice/steps", round).status()).isEqualTo(201);
            assertThat(SERVER.post("/api/practice/steps", round).status()).isEqualTo(201);
        }
        JsonNode rounds = SERVER.get("/api/practice/steps/" + song + "?first=3&last=4&layer=left")
                .json();
        assertThat(rounds.size()).isEqualTo(2);
        assertThat(rounds.path(0).path("ms").toString()).isEqualTo("[600,800,500]");
        assertThat(rounds.path(1).path("ms").path(1).asInt()).isEqualTo(1_400);
        assertThat(SERVER.get("/api/practice/steps/" + song + "?first=3&last=4&layer=both")
                        .json()
                        .size())
                .isZero();
    }

    /** The whole of it clean at its goal: nothing in it is asked for again as if it were new. */
    @Test
    void who_plays_the_whole_song_knows_its_places() {
        String song = song();
        SERVER.put(
                "/api/practice/goals/" + song,
                Map.of("tempo", 76, "arrangement", Map.of("chart", CHART, "choices", STRIDE)));
        Map<String, Object> whole = new HashMap<>(pass(song, "2031-05-01", true));
        whole.putAll(Map.of("first", 1, "last", 8, "layer", "both", "tempo", 76));
        SERVER.post("/api/practice/log", whole);
        JsonNode goal = SERVER.get("/api/practice/goals?day=2031-05-01").json().path(0);
        assertThat(goal.path("known").asDouble()).isEqualTo(1);
        assertThat(texts(
                        SERVER.get("/api/practice/plan?minutes=20&day=2031-05-01")
                                .json()
                                .path("items"),
                        "what"))
                .doesNotContain("spot");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "asked;{'chart':'| C |','bars':'0-9','layer':'left','tempo':80};expected some of the 1 that are played",
                "asked;{'chart':'| C |','bars':'0','layer':'feet','tempo':80};expected one of basses",
                "asked;{'chart':'| C |','bars':'0','layer':'left','tempo':2};expected 20 to 400",
                "asked;{'chart':'| C |','bars':'0','layer':'tune','tempo':80};nothing to play",
                "judge;{'chart':'| C |','bars':'0','layer':'left','tempo':80};notes",
                "ladder;{'goal':1};expected 20 to 400",
                "steps;{'id':'00000000-0000-4000-8000-000000000009','song':'00000000-0000-4000-8000-000000000009',"
                        + "'first':1,'last':2,'layer':'left','ms':[-1]};expected 0 or more",
                "log;{'id':'00000000-0000-4000-8000-000000000009','song':'00000000-0000-4000-8000-000000000009',"
                        + "'first':1,'last':2,'layer':'left','tempo':80,'clean':true,'seconds':3};song"
            })
    void what_cannot_be_is_refused_with_its_place(String path, String body, String told) {
        RealServer.Answer answer = SERVER.post("/api/practice/" + path, body.replace('\'', '"'));
        assertThat(answer.status()).isBetween(400, 422);
        assertThat(answer.text()).contains(told);
    }

    @Test
    void minutes_that_nobody_has_are_refused() {
        assertThat(SERVER.get("/api/practice/plan?minutes=1").status()).isEqualTo(422);
        assertThat(SERVER.delete("/api/practice/goals/" + UUID.randomUUID()).status())
                .isEqualTo(404);
    }

    /** One bar is a passage too, and no bar comes before the first. */
    @Test
    void a_pass_of_one_bar_is_kept() {
        String song = SERVER.post("/api/songs", Map.of("chart", "| C | F |"))
                .json()
                .path("id")
                .asString();
        Map<String, Object> pass = Map.of(
                "id",
                java.util.UUID.randomUUID().toString(),
                "song",
                song,
                "first",
                2,
                "last",
                2,
                "layer",
                "left",
                "tempo",
                80,
                "clean",
                true,
                "seconds",
                5);
        assertThat(SERVER.post("/api/practice/log", pass).status()).isEqualTo(201);
        Map<String, Object> backwards = new java.util.HashMap<>(pass);
        backwards.put("last", 1);
        assertThat(SERVER.post("/api/practice/log", backwards).problem()).contains("expected no bar before the first");
    }
}
