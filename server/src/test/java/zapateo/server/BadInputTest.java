package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Bad input gets a clear 4xx problem document, never a 500, and what is kept stays as it is. */
class BadInputTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final int FUZZED = Boolean.getBoolean("zapateo.endure") ? 10_000 : 1_500;

    @ParameterizedTest(name = "{1} <- {0}")
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "{\"text\":\"\"};422;No song can be read",
                "{\"text\":\"nonsense in, nonsense out\"};200;",
                "{\"text\":\"🎹🎹\"};200;",
                "{\"text\":null};422;text: expected the chart's text",
                "{};422;text: expected the chart's text",
                "{\"text\":5};400;Field \"text\" has the wrong type",
                "{\"text\":[\"C\"]};400;Field \"text\" has the wrong type",
                "{\"text\":\"C\",\"colour\":1};400;Unknown field \"colour\"",
                "[];400;not an object",
                "\"C\";400;not an object",
                "{\"text\":\"C\"} {};400;",
                "{text;400;not well-formed",
                "`` ;400;"
            })
    void what_is_sent_to_be_parsed(String body, int status, String detail) {
        RealServer.Answer answer = SERVER.post("/api/charts/parse", body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        if (status >= 400) {
            assertThat(answer.type()).startsWith("application/problem+json");
            assertThat(answer.problem()).contains(detail == null ? "" : detail);
        }
    }

    @ParameterizedTest(name = "{1} <- {0}")
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "{\"chart\":\"C\",\"choices\":{\"figure\":\"no-such\"}};422;expected one of held",
                "{\"chart\":\"C\",\"choices\":{\"voicing\":\"tenths\"}};422;expected auto or one of",
                "{\"chart\":\"C\",\"choices\":{\"register\":\"attic\"}};422;expected deep, medium or middle",
                "{\"chart\":\"C\",\"choices\":{\"swingRatio\":9}};422;expected 1 to 4",
                "{\"chart\":\"C\",\"choices\":{\"swingRatio\":\"much\"}};400;choices.swingRatio",
                "{\"chart\":\"C\",\"choices\":{\"figur\":\"held\"}};400;Unknown field \"choices.figur\"",
                "{\"chart\":\"C\",\"hand\":{\"left\":{\"spanMm\":20}}};422;expected 120 to 300",
                "{\"chart\":\"C\",\"hand\":{\"left\":{}}};422;spanMm: expected millimetres",
                "{\"chart\":\"\"};422;No song",
                "{\"choices\":{}};422;chart: expected"
            })
    void what_is_sent_to_be_arranged(String body, int status, String detail) {
        RealServer.Answer answer = SERVER.post("/api/arrangements", body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.problem()).contains(detail);
    }

    @Test
    void a_chart_of_ten_megabytes_is_refused_also_when_its_length_is_not_told() {
        String body = "{\"text\":\"" + "| C ".repeat(2_500_000) + "\"}";
        RealServer.Answer told = SERVER.post("/api/charts/parse", body);
        assertThat(told.status()).isEqualTo(413);
        assertThat(told.problem()).contains("1 MiB");
        RealServer.Answer untold = SERVER.send(SERVER.request("/api/charts/parse")
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofInputStream(
                        () -> new ByteArrayInputStream(body.getBytes(StandardCharsets.UTF_8))))
                .build());
        assertThat(untold.status()).isEqualTo(413);
    }

    @Test
    void three_thousand_bars_are_refused_and_two_thousand_arranged() {
        RealServer.Answer over = SERVER.post("/api/arrangements", Map.of("chart", "C F ".repeat(1500)));
        assertThat(over.status()).isEqualTo(422);
        assertThat(over.json().path("problems").path(0).path("code").asString()).isEqualTo("too-many-bars");
        assertThat(SERVER.post(
                                "/api/arrangements",
                                Map.of("chart", "C F ".repeat(1000), "choices", Map.of("figure", "spread-eighths")))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void mixed_line_ends_are_read_as_lines() {
        RealServer.Answer answer = SERVER.post("/api/charts/parse", Map.of("text", "Title: A\r\n| C |\r| F |\n| G |"));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().path("sections").path(0).path("bars")).hasSize(3);
    }

    @Test
    void a_character_no_database_keeps_is_refused_and_the_song_unharmed() {
        String path = "/api/songs/"
                + SERVER.post("/api/songs", Map.of("chart", "| C |"))
                        .json()
                        .path("id")
                        .asString();
        RealServer.Answer answer = SERVER.put(path, "{\"chart\":\"| C \\u0000 |\",\"version\":1}");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(SERVER.get(path).json().path("chart").asString()).isEqualTo("| C |");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/songs/nonsense",
                "/api/songs/00000000-0000-4000-8000-00000000ffff",
                "/api/nothing",
                "/api/songs/%00"
            })
    void what_is_not_there_is_a_4xx(String path) {
        RealServer.Answer answer = SERVER.get(path);
        assertThat(answer.status()).isBetween(400, 404);
    }

    @Test
    void a_wrong_method_or_media_type_is_a_4xx_problem() {
        assertThat(SERVER.delete("/api/charts/parse").status()).isEqualTo(405);
        assertThat(SERVER.send(SERVER.request("/api/charts/parse")
                                .header("Content-Type", "text/plain")
                                .POST(HttpRequest.BodyPublishers.ofString("C"))
                                .build())
                        .status())
                .isEqualTo(415);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "POST /api/charts/parse",
                "POST /api/arrangements",
                "POST /api/arrangements/score?bars=0-1",
                "POST /api/songs",
                "PUT /api/songs/{id}",
                "POST /api/charts/edit",
                "POST /api/charts/transpose",
                "POST /api/arrangements/easier",
                "POST /api/hands",
                "POST /api/right-hand/fit",
                "POST /api/right-hand/one-shape"
            })
    void seeded_bodies_give_no_500(String endpoint) {
        String id = SERVER.post("/api/songs", Map.of("chart", "| C | F |"))
                .json()
                .path("id")
                .asString();
        String method = endpoint.split(" ")[0];
        String path = endpoint.split(" ")[1].replace("{id}", id);
        IntStream.range(0, FUZZED).parallel().forEach(seed -> {
            byte[] body = SeededBodies.body(new Random(seed));
            RealServer.Answer answer = SERVER.send(SERVER.request(path)
                    .header("Content-Type", "application/json")
                    .method(method, HttpRequest.BodyPublishers.ofByteArray(body))
                    .build());
            assertThat(answer.status())
                    .as("seed %d: %s -> %s", seed, new String(body, StandardCharsets.UTF_8), answer.text())
                    .isLessThan(500);
        });
        assertThat(SERVER.get("/api/songs/" + id).status()).isEqualTo(200);
    }
}
