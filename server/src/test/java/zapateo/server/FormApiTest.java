package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** How a song is built, over HTTP. Lengths are worked out by hand: four quarters at 120 are two seconds. */
class FormApiTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final String CHART =
            "Title: Quay\nKey: C\nTempo: 120\n\n[Verse]\n| C | Am | F | G7 |\n\n[Bridge]\n| F | C | G7 | C |\n";

    private static JsonNode form(Map<String, Object> choices) {
        return SERVER.post("/api/form", Map.of("chart", CHART, "choices", choices))
                .json();
    }

    private static String each(JsonNode nodes, String... fields) {
        return nodes.valueStream()
                .map(node -> List.of(fields).stream()
                        .map(field -> node.path(field).asString())
                        .collect(Collectors.joining(":")))
                .collect(Collectors.joining(" "));
    }

    @Test
    void the_form_says_what_is_played_and_how_long() {
        JsonNode form = form(Map.of("intro", "last-four", "times", List.of("1@2"), "tags", 1));
        assertThat(form.path("ms").asInt()).isEqualTo(5 * 4 * 2000);
        assertThat(form.path("bars").asInt()).isEqualTo(20);
        assertThat(each(
                        form.path("sections"),
                        "part",
                        "name",
                        "place",
                        "time",
                        "times",
                        "first",
                        "bars",
                        "ms",
                        "lasts"))
                .isEqualTo("intro:Intro:0:1:1:0:4:0:8000 chart:Verse:1:1:2:4:4:8000:8000 "
                        + "chart:Verse:1:2:2:8:4:16000:8000 chart:Bridge:2:1:1:12:4:24000:8000 "
                        + "tag:Tag:0:1:1:16:4:32000:8000");
    }

    /** The arrangement plays it: bars of an intro and a tag say so, numbers are the chart's. */
    @Test
    void the_arrangement_is_in_its_form() {
        JsonNode bars = SERVER.post(
                        "/api/arrangements", Map.of("chart", CHART, "choices", Map.of("intro", "pedal", "tags", 1)))
                .json()
                .path("bars");
        assertThat(bars.valueStream().map(bar -> bar.path("part").asString("chart")))
                .isEqualTo(List.of(("intro ".repeat(4) + "chart ".repeat(8) + "tag tag tag tag").split(" ")));
        assertThat(each(bars, "number")).isEqualTo("9 10 11 12 1 2 3 4 5 6 7 8 5 6 7 8");
        assertThat(bars.get(0).path("chords").get(0).path("symbol").asString()).isEqualTo("C/G");
    }

    /** Every file of a song with a form is read and holds all that is played. */
    @Test
    void the_files_have_it_too() {
        String id = SERVER.post(
                        "/api/songs", Map.of("chart", CHART, "choices", Map.of("intro", "last-four", "tags", 2)))
                .json()
                .path("id")
                .asString();
        String page =
                SERVER.get("/api/songs/" + id + "/export/musicxml?parts=both").text();
        assertThat(page.split("<measure ", -1)).hasSize(1 + 4 + 8 + 8);
        assertThat(SERVER.get("/api/songs/" + id + "/export/mid?parts=both").status())
                .isEqualTo(200);
        // The bass player plays the same form.
        assertThat(SERVER.get("/api/songs/" + id + "/export/musicxml?parts=bass")
                        .text()
                        .split("<measure ", -1))
                .hasSize(1 + 4 + 8 + 8);
        assertThat(SERVER.get("/api/songs/" + id + "/export/mid?parts=bass").status())
                .isEqualTo(200);
        assertThat(SERVER.get("/api/songs/" + id + "/export/abc?parts=bass").status())
                .isEqualTo(422);
    }

    /**
     * Written into the chart the form is the chart's own: the same bars sound, and the choices name none of it any
     * more.
     */
    @Test
    void written_into_the_chart_it_is_the_charts_own() {
        Map<String, Object> choices = Map.of(
                "figure",
                "held",
                "intro",
                "turnaround",
                "times",
                List.of("1@2"),
                "overrides",
                List.of(Map.of("bars", "3", "pass", 2, "figure", "two-feel")));
        JsonNode written = SERVER.post("/api/form/write", Map.of("chart", CHART, "choices", choices))
                .json();
        assertThat(written.path("choices").has("intro")).isFalse();
        assertThat(written.path("choices").has("times")).isFalse();
        assertThat(written.path("choices").path("figure").asString()).isEqualTo("held");
        String before = each(
                SERVER.post(
                                "/api/arrangements",
                                Map.of(
                                        "chart",
                                        CHART,
                                        "choices",
                                        Map.of("figure", "held", "intro", "turnaround", "times", List.of("1@2"))))
                        .json()
                        .path("strokes"),
                "tick",
                "ticks");
        String after = each(
                SERVER.post(
                                "/api/arrangements",
                                Map.of("chart", written.path("chart").asString(), "choices", Map.of("figure", "held")))
                        .json()
                        .path("strokes"),
                "tick",
                "ticks");
        assertThat(after).isEqualTo(before);
        // Bar 3 stands in two places now.
        assertThat(written.path("moved")
                        .valueStream()
                        .filter(move -> move.path("from").asInt() == 3)
                        .map(move -> move.path("to").asInt()))
                .containsExactly(7, 11);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "times | 7@2 | times, section 7: expected 1 to 2",
                "vamp | 3-6 | vamp 3-6: expected bars of one section",
                "intro | loud | choices.intro \"loud\": expected none, last-four",
                "keyUp | 9@2 | keyUp 9: expected a section",
                "lastBar | Hm | lastBar \"Hm\": expected chords as a chart has them",
                "times | 2@9 | expected a section's place from 1"
            })
    void what_cannot_be_built_is_refused_with_its_place(String name, String value, String message) {
        Object given = name.equals("times") ? List.of(value) : value;
        RealServer.Answer answer = SERVER.post("/api/form", Map.of("chart", CHART, "choices", Map.of(name, given)));
        assertThat(answer.status()).isBetween(400, 422);
        assertThat(answer.text()).contains(message.replace("\"", "\\\""));
        // What only this chart has no place for waits, and the song is played.
        RealServer.Answer played =
                SERVER.post("/api/arrangements", Map.of("chart", CHART, "choices", Map.of(name, given)));
        assertThat(played.status()).isIn(200, answer.status());
        assertThat(played.text())
                .contains(played.status() == 200 ? "Of the form something waits" : message.replace("\"", "\\\""));
    }

    @Test
    void a_form_of_too_many_bars_is_refused() {
        String long_ = "[A]\n" + "| C | F | G | C |\n".repeat(250);
        RealServer.Answer answer =
                SERVER.post("/api/form", Map.of("chart", long_, "choices", Map.of("times", List.of("1@8"))));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text()).contains("expected at most 2000");
    }
}
