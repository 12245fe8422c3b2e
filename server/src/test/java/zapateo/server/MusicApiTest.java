package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

class MusicApiTest {

    private static final String CHART = "Key: G\n| G | Em | C | D7 |";

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    @Test
    void it_says_that_it_is_up() {
        assertThat(SERVER.get("/actuator/health").json().path("status").asString())
                .isEqualTo("UP");
    }

    @Test
    void a_chart_is_parsed_with_degrees_tones_and_basses() {
        RealServer.Answer answer =
                SERVER.post("/api/charts/parse", Map.of("text", "Key: E♭\nTempo: 90\n| E♭ | A♭/C B♭7 |"));
        assertThat(answer.status()).isEqualTo(200);
        JsonNode chart = answer.json();
        assertThat(chart.path("key").asString()).isEqualTo("E♭");
        assertThat(chart.path("mode").asString()).isEqualTo("major");
        assertThat(chart.path("tempo").path("bpm").asDouble()).isEqualTo(90);
        assertThat(chart.path("problems")).isEmpty();
        JsonNode chord = chart.path("sections")
                .path(0)
                .path("bars")
                .path(1)
                .path("chords")
                .path(0);
        assertThat(chord.path("symbol").asString()).isEqualTo("A♭/C");
        assertThat(chord.path("beat").asDouble()).isEqualTo(1);
        assertThat(chord.path("beats").asDouble()).isEqualTo(2);
        assertThat(chord.path("tick").asInt()).isEqualTo(3840);
        assertThat(chord.path("degree").asString()).isEqualTo("IV/3");
        assertThat(texts(chord.path("tones"))).containsExactly("A♭", "C", "E♭");
        assertThat(chord.path("bass").asString()).isEqualTo("C");
    }

    @Test
    void a_chart_with_mistakes_is_answered_with_the_rest_and_the_problems() {
        RealServer.Answer answer = SERVER.post("/api/charts/parse", Map.of("text", "| C | H |"));
        assertThat(answer.status()).isEqualTo(200);
        JsonNode problem = answer.json().path("problems").path(0);
        assertThat(problem.path("severity").asString()).isEqualTo("error");
        assertThat(problem.path("line").asInt()).isEqualTo(1);
        assertThat(problem.path("column").asInt()).isEqualTo(7);
        assertThat(problem.path("found").asString()).isEqualTo("H");
        assertThat(problem.path("message").asString())
                .contains("\"H\" is no chord")
                .contains("Expected");
    }

    @Test
    void an_arrangement_has_what_was_promised() {
        JsonNode arrangement = SERVER.post(
                        "/api/arrangements",
                        Map.of(
                                "chart",
                                "Key: E♭\n| E♭ | B♭7 |",
                                "choices",
                                Map.of("figure", "spread-eighths"),
                                "hand",
                                Map.of("left", Map.of("spanMm", 201), "right", Map.of("spanMm", 201))))
                .json();
        assertThat(arrangement.path("ticksPerQuarter").asInt()).isEqualTo(960);
        assertThat(arrangement.path("bars")).hasSize(2);
        assertThat(arrangement.path("bars").path(1).path("tick").asInt()).isEqualTo(3840);
        assertThat(arrangement
                        .path("bars")
                        .path(1)
                        .path("chords")
                        .path(0)
                        .path("degree")
                        .asString())
                .isEqualTo("V7");
        assertThat(arrangement.path("strokes")).hasSize(16);
        JsonNode stroke = arrangement.path("strokes").path(0);
        assertThat(stroke.path("hand").asString()).isEqualTo("L");
        assertThat(stroke.path("rolled").isNull()).isTrue();
        assertThat(arrangement
                        .path("reasons")
                        .path(stroke.path("reason").asInt())
                        .path("code")
                        .asString())
                .isEqualTo("figure-stroke");
        assertThat(stroke.path("notes").path(0).path("name").asString()).isEqualTo("E♭2");
        assertThat(stroke.path("notes").path(0).path("midi").asInt()).isEqualTo(39);
        assertThat(stroke.path("notes").path(0).path("role").asString()).isEqualTo("1");
        assertThat(arrangement.path("pedal")).hasSize(2);
    }

    @Test
    void a_choice_that_is_left_aside_is_said_in_words() {
        JsonNode problem = SERVER.post(
                        "/api/arrangements",
                        Map.of("chart", "C", "choices", Map.of("figure", "spread-eighths", "voicing", "octave")))
                .json()
                .path("problems")
                .path(0);
        assertThat(problem.path("severity").asString()).isEqualTo("warning");
        assertThat(problem.path("message").asString())
                .contains("Spread eighths")
                .contains("left aside");
    }

    @Test
    void the_score_of_a_run_of_bars_is_musicxml() {
        RealServer.Answer answer = SERVER.post(
                "/api/arrangements/score?bars=1-1", Map.of("chart", "C F G", "choices", Map.of("figure", "held")));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.type()).startsWith("application/vnd.recordare.musicxml+xml");
        assertThat(answer.text()).contains("<measure number=\"2\">").doesNotContain("<measure number=\"1\">");
        assertThat(SERVER.post("/api/arrangements/score?bars=5-9", Map.of("chart", "C"))
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post("/api/arrangements/score?bars=x", Map.of("chart", "C"))
                        .problem())
                .contains("first-last");
    }

    @Test
    void the_first_five_figures_are_listed() {
        JsonNode figures = SERVER.get("/api/figures").json();
        assertThat(StreamSupport.stream(figures.spliterator(), false)
                        .map(figure -> figure.path("id").asString()))
                .startsWith("held", "pulse-quarters", "low-high-middle-high", "spread-eighths", "bass-and-two");
        assertThat(texts(figures.path(0).path("accepts")))
                .startsWith("spread")
                .contains("single", "octave", "open-fifth");
        assertThat(texts(figures.path(4).path("meters"))).contains("3/4");
    }

    /** The page's types are made from this document; run with -Dopenapi.write=true to write it anew. */
    @Test
    void the_committed_openapi_document_is_what_the_controllers_say() throws Exception {
        JsonMapper mapper = JsonMapper.builder()
                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                .enable(SerializationFeature.INDENT_OUTPUT)
                .build();
        String told = mapper.writeValueAsString(
                        mapper.readValue(SERVER.get("/api/openapi").text(), Object.class)) + "\n";
        Path kept = TestDatabase.root().resolve("web/openapi.json");
        if (Boolean.getBoolean("openapi.write")) {
            Files.writeString(kept, told);
        }
        assertThat(mapper.readValue(Files.readString(kept), Object.class))
                .as("write it anew, then run npm run types in web/")
                .isEqualTo(mapper.readValue(told, Object.class));
    }

    static List<String> texts(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false)
                .map(JsonNode::asString)
                .toList();
    }

    @Test
    void choices_stand_by_their_names_and_in_no_braces_of_their_own() {
        RealServer.Answer braced = SERVER.post(
                "/api/arrangements",
                Map.of("chart", "C", "choices", Map.of("values", Map.of("figure", "pulse-quarters"))));
        assertThat(braced.status()).as(braced.text()).isEqualTo(400);
        assertThat(braced.problem()).contains("choices.values");
        RealServer.Answer inside = SERVER.post(
                "/api/arrangements",
                Map.of("chart", "C", "choices", Map.of("sections", Map.of("A", Map.of("values", Map.of())))));
        assertThat(inside.status()).isEqualTo(400);
    }

    /** A level takes the ways it is given; whether they still hold is asked by itself. */
    @Test
    void the_ways_of_levels_are_held_and_told() {
        Map<String, Object> choices = Map.of("figure", "stride-tenths", "level", 3);
        JsonNode ways = SERVER.post("/api/arrangements/ways", Map.of("chart", CHART, "choices", choices))
                .json()
                .path("ways");
        assertThat(ways).hasSize(5);
        JsonNode settled = SERVER.post("/api/arrangements", Map.of("chart", CHART, "choices", choices))
                .json();
        Map<String, Object> held = Map.of("figure", "stride-tenths", "level", 3, "ways", List.of(0, 0, 4, 0, 0));
        assertThat(SERVER.post("/api/arrangements", Map.of("chart", CHART, "choices", held))
                        .json()
                        .path("bars")
                        .path(0)
                        .path("choices")
                        .path("figure")
                        .asString())
                .isEqualTo("strong-beats");
        assertThat(settled.path("bars").path(0).path("choices").path("figure").asString())
                .isNotEmpty();
        assertThat(SERVER.post(
                                "/api/arrangements",
                                Map.of("chart", CHART, "choices", Map.of("ways", List.of(0, 21, 0, 0, 0))))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void strokes_of_some_bars_are_those_of_the_whole() {
        Map<String, Object> request = Map.of(
                "chart", "Key: G\n| G | Em | C | D7 | G | C | D7 | G |", "choices", Map.of("figure", "rolled-tenths"));
        JsonNode all = SERVER.post("/api/arrangements", request).json();
        JsonNode some = SERVER.post("/api/arrangements?bars=2-4", request).json();
        int first = some.path("firstStroke").asInt();
        assertThat(some.path("strokes")).isNotEmpty();
        for (int i = 0; i < some.path("strokes").size(); i++) {
            assertThat(some.path("strokes").path(i))
                    .isEqualTo(all.path("strokes").path(first + i));
        }
        assertThat(StreamSupport.stream(all.path("strokes").spliterator(), false)
                        .filter(stroke -> stroke.path("bar").asInt() >= 2
                                && stroke.path("bar").asInt() <= 4))
                .allMatch(stroke -> StreamSupport.stream(some.path("strokes").spliterator(), false)
                        .anyMatch(stroke::equals));
        assertThat(some.path("bars")).hasSize(8);
        assertThat(SERVER.post("/api/arrangements?bars=40-50", request).json().path("strokes"))
                .isEmpty();
        assertThat(SERVER.post("/api/arrangements?bars=x", request).status()).isEqualTo(422);
    }

    /**
     * What was computed before is told again as it was; another figure of the same id, another hand, another choice is
     * another arrangement.
     */
    @Test
    void what_is_known_is_told_again_and_nothing_else() {
        Map<String, Object> request = Map.of("chart", CHART, "choices", Map.of("figure", "stride-tenths"));
        String first = SERVER.post("/api/arrangements", request).text();
        assertThat(SERVER.post("/api/arrangements", request).text()).isEqualTo(first);
        assertThat(SERVER.post("/api/arrangements?with=parts", request).text()).isNotEqualTo(first);
        assertThat(SERVER.post(
                                "/api/arrangements",
                                Map.of(
                                        "chart",
                                        CHART,
                                        "choices",
                                        Map.of("figure", "stride-tenths"),
                                        "hand",
                                        Map.of("left", Map.of("spanMm", 175))))
                        .text())
                .isNotEqualTo(first);
        assertThat(SERVER.post(
                                "/api/arrangements",
                                Map.of("chart", CHART + " C |", "choices", Map.of("figure", "stride-tenths")))
                        .text())
                .isNotEqualTo(first);
        String file = SERVER.get("/api/figures/held/file").text().replace("id: held", "id: own-held");
        Map<String, Object> own = Map.of("chart", CHART, "choices", Map.of("figure", "own-held"));
        String once = SERVER.post(
                        "/api/arrangements",
                        Map.of("chart", CHART, "choices", Map.of("figure", "own-held"), "figures", List.of(file)))
                .text();
        String other =
                SERVER.get("/api/figures/pulse-quarters/file").text().replace("id: pulse-quarters", "id: own-held");
        assertThat(SERVER.post(
                                "/api/arrangements",
                                Map.of(
                                        "chart",
                                        CHART,
                                        "choices",
                                        Map.of("figure", "own-held"),
                                        "figures",
                                        List.of(other)))
                        .text())
                .isNotEqualTo(once);
        assertThat(SERVER.post("/api/arrangements", own).status()).isEqualTo(422);
    }

    /** What a strict reader marks is told in words, and what is meant so is told as such. */
    @Test
    void an_arrangement_is_read_over() {
        String chart = "Key: C\n| C | Dm7 | C6 | F | G7 | C |";
        Map<String, Object> thin = Map.of("figure", "held", "voicing", "rooted-shell");
        JsonNode read = SERVER.post("/api/arrangements/read-over", Map.of("chart", chart, "choices", thin))
                .json();
        assertThat(read.path("bars").asInt()).isEqualTo(6);
        assertThat(read.path("faults")).isNotEmpty().allSatisfy(fault -> {
            assertThat(fault.path("found").asString()).isNotBlank().doesNotContain("{");
            assertThat(fault.path("better").asString()).isNotBlank().doesNotContain("{");
            assertThat(fault.path("waved").asBoolean()).isFalse();
        });
        JsonNode repair = read.path("faults").path(0).path("repair");
        assertThat(repair.path("choice").asString()).isEqualTo("voicing");
        assertThat(repair.path("text").asString()).isNotBlank().doesNotContain("{");
        String first = read.path("faults").path(0).path("id").asString() + "@"
                + read.path("faults").path(0).path("number").asInt();
        JsonNode again = SERVER.post(
                        "/api/arrangements/read-over",
                        Map.of(
                                "chart",
                                chart,
                                "choices",
                                Map.of("figure", "held", "voicing", "rooted-shell", "wavedOff", List.of(first))))
                .json();
        assertThat(again.path("faults")).hasSameSizeAs(read.path("faults"));
        assertThat(again.path("faults").path(0).path("waved").asBoolean()).isTrue();
        assertThat(SERVER.post(
                                "/api/arrangements/read-over",
                                Map.of("chart", "C", "choices", Map.of("wavedOff", List.of("nonsense"))))
                        .status())
                .isEqualTo(422);
        assertThat(SERVER.post("/api/arrangements/read-over", Map.of("chart", ""))
                        .status())
                .isEqualTo(422);
    }
}
