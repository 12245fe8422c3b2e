package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Hands that are kept, arrangements that are fitted to them, levels and what is easier, over HTTP. */
class HandsApiTest {

    private static final String CHART = "Title: Fitted\nTempo: 120\n| D♭ | A♭ | E♭ | D♭ |";
    private static final Map<String, Object> TENTHS = Map.of("figure", "held", "voicing", "tenth", "ending", "figure");

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    @AfterEach
    void nobody_is_left() {
        SERVER.get("/api/hands")
                .json()
                .forEach(each -> SERVER.delete("/api/hands/" + each.path("id").asString()));
    }

    private static JsonNode keep(String name, int spanMm) {
        return SERVER.post(
                        "/api/hands",
                        Map.of("name", name, "measures", Map.of("left", Map.of("spanMm", spanMm), "tenths", "roll")))
                .json();
    }

    private static JsonNode arrange(Map<String, Object> choices, Map<String, Object> hand) {
        return SERVER.post("/api/arrangements", Map.of("chart", CHART, "choices", choices, "hand", hand))
                .json();
    }

    private static List<String> texts(JsonNode list, String field) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(each -> each.path(field).asString())
                .toList();
    }

    @Test
    void several_peoples_hands_are_kept_and_one_pair_is_in_use() {
        JsonNode mine = keep("Mine", 190);
        JsonNode hers = keep("Hers", 230);
        JsonNode all = SERVER.get("/api/hands").json();
        assertThat(texts(all, "name")).containsExactly("Mine", "Hers");
        assertThat(all.path(0).path("inUse").asBoolean()).isFalse();
        assertThat(all.path(1).path("inUse").asBoolean()).isTrue();
        SERVER.post("/api/hands/" + mine.path("id").asString() + "/use", Map.of());
        assertThat(SERVER.get("/api/hands").json().path(0).path("inUse").asBoolean())
                .isTrue();
        Map<String, Object> changed = new HashMap<>(Map.of(
                "name",
                "Hers, narrow keys",
                "measures",
                Map.of(
                        "left",
                        Map.of("spanMm", 231),
                        "instrument",
                        Map.of("keys", 61, "octaveMm", 152, "pedal", false)),
                "version",
                1));
        assertThat(SERVER.put("/api/hands/" + hers.path("id").asString(), changed)
                        .status())
                .isEqualTo(200);
        assertThat(SERVER.put("/api/hands/" + hers.path("id").asString(), changed)
                        .status())
                .as("stale")
                .isEqualTo(409);
        assertThat(SERVER.get("/api/hands")
                        .json()
                        .path(1)
                        .path("measures")
                        .path("instrument")
                        .path("keys")
                        .asInt())
                .isEqualTo(61);
    }

    @Test
    void songs_are_fitted_to_the_hands_in_use() {
        String id = SERVER.post("/api/songs", Map.of("title", "Fitted", "chart", CHART, "choices", TENTHS))
                .json()
                .path("id")
                .asString();
        JsonNode usual = SERVER.get("/api/songs/" + id + "/arrangement").json();
        assertThat(usual.path("strokes").path(0).path("altered").asString()).isEqualTo("roll");
        keep("Large", 250);
        JsonNode large = SERVER.get("/api/songs/" + id + "/arrangement").json();
        assertThat(large.path("strokes").path(0).path("altered").isNull()).isTrue();
        assertThat(large.path("strokes").path(0).path("ease").asString()).isEqualTo("stretch");
        assertThat(large.path("difficulty").asDouble()).isPositive();
    }

    @Test
    void an_arrangement_says_how_hard_it_is_where_and_why() {
        Map<String, Object> request = Map.of(
                "chart",
                CHART,
                "choices",
                Map.of("figure", "stride-tenths"),
                "hand",
                Map.of("left", Map.of("spanMm", 190)));
        assertThat(SERVER.post("/api/arrangements", request)
                        .json()
                        .path("bars")
                        .path(1)
                        .path("parts"))
                .isEmpty();
        JsonNode arrangement =
                SERVER.post("/api/arrangements?with=parts", request).json();
        JsonNode bar = arrangement.path("bars").path(1);
        assertThat(bar.path("difficulty").asDouble()).isBetween(1.0, 100.0);
        assertThat(bar.path("maxTempo").asDouble()).isBetween(20.0, 400.0);
        assertThat(texts(bar.path("parts"), "id"))
                .containsExactly("reach", "jumps", "fingers", "rhythm", "together", "reading");
        assertThat(bar.path("parts").path(1).path("strokes").size()).isPositive();
        bar.path("parts")
                .forEach(part -> part.path("strokes")
                        .forEach(stroke -> assertThat(arrangement
                                        .path("strokes")
                                        .path(stroke.asInt())
                                        .path("bar")
                                        .asInt())
                                .isEqualTo(1)));
        assertThat(arrangement.path("limits").path(0).path("why").asString()).contains("would help");
        assertThat(texts(arrangement.path("limits"), "why")).doesNotContain("");
        assertThat(texts(arrangement.path("problems"), "message"))
                .anySatisfy(message ->
                        assertThat(message).contains("Wider than the hand").contains("rolled"));
        arrangement
                .path("strokes")
                .forEach(stroke -> stroke.path("notes")
                        .forEach(note -> assertThat(note.path("finger").asInt()).isBetween(1, 5)));
    }

    @Test
    void a_players_finger_is_kept() {
        Map<String, Object> choices = Map.of(
                "figure",
                "spread-eighths",
                "fingers",
                List.of(Map.of("hand", "L", "bar", 1, "tick", 480, "note", "A♭2", "finger", 3)));
        JsonNode note =
                arrange(choices, Map.of()).path("strokes").path(1).path("notes").path(0);
        assertThat(note.path("name").asString()).isEqualTo("A♭2");
        assertThat(note.path("finger").asInt()).isEqualTo(3);
    }

    @Test
    void five_levels_are_measured_and_each_is_harder() {
        JsonNode levels = SERVER.post(
                        "/api/arrangements/levels",
                        Map.of("chart", CHART, "choices", Map.of("figure", "stride-root-chord")))
                .json();
        assertThat(levels.size()).isEqualTo(5);
        for (int i = 1; i < 5; i++) {
            assertThat(levels.path(i).path("difficulty").asDouble())
                    .isGreaterThan(levels.path(i - 1).path("difficulty").asDouble());
        }
        JsonNode easy = arrange(Map.of("figure", "stride-root-chord", "level", 1), Map.of());
        easy.path("strokes")
                .forEach(stroke -> assertThat(stroke.path("notes").size()).isEqualTo(1));
    }

    @Test
    void a_place_can_be_made_easier_and_keys_are_measured() {
        Map<String, Object> asked = Map.of("chart", CHART, "choices", Map.of("figure", "stride-tenths"));
        JsonNode way = SERVER.post("/api/arrangements/easier", Map.of("arrangement", asked, "bars", "2-3"))
                .json();
        assertThat(way.path("found").asBoolean()).isTrue();
        assertThat(way.path("after").asDouble()).isLessThan(way.path("before").asDouble());
        assertThat(way.path("lost").size()).isPositive();
        assertThat(way.path("won").path(0).asString()).startsWith("Difficulty ");
        JsonNode keys = SERVER.post("/api/arrangements/easiest-keys", asked).json();
        assertThat(keys.size()).isEqualTo(12);
        assertThat(keys.path(0).path("difficulty").asDouble())
                .isLessThanOrEqualTo(keys.path(11).path("difficulty").asDouble());
    }

    /**
     * Worked by hand: A fifth C4 to G4 in a range of just that fifth; a part in B flat is written a tone higher, a capo
     * on 3 a minor third lower.
     */
    @Test
    void a_singers_key_is_found_and_its_part_named() {
        Map<String, Object> asked = Map.of("chart", "Key: C\n| C |\nTune: | C4/4 E4/4 G4/2 |");
        JsonNode keys = SERVER.post(
                        "/api/arrangements/singers-key",
                        Map.of("arrangement", asked, "voice", Map.of("low", "Eb3", "high", "Bb3"), "part", 2))
                .json();
        assertThat(keys.size()).isEqualTo(12);
        assertThat(keys.path(0).path("key").asString()).isEqualTo("E♭");
        assertThat(keys.path(0).path("part").asString()).isEqualTo("F");
        assertThat(keys.path(0).path("inside").asDouble()).isEqualTo(1);
        assertThat(keys.path(0).path("octaves").asInt()).isEqualTo(-1);
        assertThat(keys.path(0).path("lowest").asString()).isEqualTo("E♭3");
        assertThat(SERVER.post(
                                "/api/arrangements/singers-key",
                                Map.of("arrangement", asked, "voice", Map.of("low", "Eb3", "high", "Bb3"), "part", -3))
                        .json()
                        .path(0)
                        .path("part")
                        .asString())
                .isEqualTo("C");
        assertThat(SERVER.post(
                                "/api/arrangements/singers-key",
                                Map.of(
                                        "arrangement",
                                        Map.of("chart", "| C |"),
                                        "voice",
                                        Map.of("low", "C4", "high", "G4")))
                        .json()
                        .path("detail")
                        .asString())
                .contains("no melody to find a key for");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"low\":\"G4\",\"high\":\"C4\"}|expected the lower note first",
                "{\"low\":\"H4\",\"high\":\"C5\"}|pitch \"H4\": expected a name such as",
                "{\"low\":\"C4\",\"high\":\"C5\",\"lowest\":\"D4\"}|expected them outside",
                "{\"low\":\"C4\"}|expected a note such as C5"
            })
    void ranges_no_voice_has_are_refused(String voice, String detail) {
        var answer = SERVER.post(
                "/api/arrangements/singers-key",
                "{\"arrangement\":{\"chart\":\"| C |\\nTune: | C4/1 |\"},\"voice\":" + voice + "}");
        assertThat(answer.status()).isBetween(400, 422);
        assertThat(answer.json().toString()).contains(detail.replace("\"", "\\\""));
    }

    @Test
    void what_can_be_held_tells_a_span() {
        JsonNode measuring = SERVER.get("/api/hands/measuring").json();
        assertThat(texts(measuring.path("whole"), "interval")).contains("octave", "tenth");
        assertThat(measuring.path("whole").path(2).path("mm").asDouble()).isEqualTo(164.5);
        assertThat(measuring.path("whole").path(4).path("mm").asDouble()).isEqualTo(211.5);
        assertThat(measuring.path("cardWidthMm").asDouble()).isEqualTo(85.6);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"left\":{\"spanMm\":90}} | measures.left.spanMm: expected 120 to 300",
                "{\"left\":{\"spanMm\":200,\"thumbIndexMm\":210}} | thumb to index of 210.0 mm",
                "{\"left\":{\"spanMm\":200,\"indexLittleMm\":5}} | measures.left.indexLittleMm: expected 40 to 300",
                "{\"instrument\":{\"keys\":60}} | instrument of 60 keys: expected one of [49, 61, 73, 76, 88]",
                "{\"instrument\":{\"octaveMm\":20}} | measures.instrument.octaveMm: expected 120 to 180",
                "{\"tenths\":\"bite\"} | tenths \"bite\": expected play, roll, pedal or omit",
                "{\"octaves\":\"sing\"} | octaves \"sing\""
            })
    void measures_no_hand_has_are_refused(String measures, String detail) {
        assertThat(SERVER.post("/api/hands", "{\"name\":\"Odd\",\"measures\":" + measures + "}")
                        .json()
                        .path("detail")
                        .asString())
                .contains(detail);
        assertThat(SERVER.post("/api/arrangements", "{\"chart\":\"C F\",\"hand\":" + measures + "}")
                        .status())
                .isEqualTo(422);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"level\":9} | level 9: expected 1 to 5",
                "{\"fingers\":[{\"hand\":\"L\",\"bar\":1,\"tick\":0,\"note\":\"C2\",\"finger\":7}]} | "
                        + "choices.fingers[0].finger: expected 1, the thumb, to 5",
                "{\"fingers\":[{\"hand\":\"X\",\"bar\":1,\"tick\":0,\"note\":\"C2\",\"finger\":1}]} | expected L or R",
                "{\"octaves\":\"bite\"} | octaves \"bite\""
            })
    void choices_that_are_none_are_refused(String choices, String detail) {
        assertThat(SERVER.post("/api/arrangements", "{\"chart\":\"C F\",\"choices\":" + choices + "}")
                        .json()
                        .path("detail")
                        .asString())
                .contains(detail);
    }

    @Test
    void bars_that_are_none_are_refused() {
        Map<String, Object> asked = Map.of("chart", CHART);
        assertThat(SERVER.post("/api/arrangements/easier", Map.of("arrangement", asked, "bars", "9-12"))
                        .json()
                        .path("detail")
                        .asString())
                .contains("9-12");
        assertThat(SERVER.post("/api/arrangements/easier", Map.of("arrangement", asked, "bars", "many"))
                        .json()
                        .path("detail")
                        .asString())
                .contains("\"many\"");
        assertThat(SERVER.post("/api/hands/00000000-0000-4000-8000-00000000abcd/use", Map.of())
                        .status())
                .isEqualTo(404);
    }

    /** A hundred pairs are kept, and not one more. */
    @Test
    void of_a_hundred_pairs_of_hands_the_last_is_kept() {
        Map<String, Object> hands = Map.of("name", "One of many", "measures", Map.of("left", Map.of("spanMm", 190)));
        int there = SERVER.get("/api/hands").json().size();
        for (int i = there; i < 100; i++) {
            assertThat(SERVER.post("/api/hands", hands).status()).isEqualTo(201);
        }
        RealServer.Answer over = SERVER.post("/api/hands", hands);
        assertThat(over.status()).isEqualTo(422);
        assertThat(over.problem()).contains("100 are kept already");
        SERVER.get("/api/hands")
                .json()
                .forEach(each -> SERVER.delete("/api/hands/" + each.path("id").asString()));
    }
}
