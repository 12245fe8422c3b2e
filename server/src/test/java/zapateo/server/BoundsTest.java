package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** No number, date, text or list of a request is without bounds: one entry of a log could fill the heap. */
class BoundsTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final Set<String> BOUNDED_BY_FORM = Set.of("uuid", "date", "date-time", "binary");

    /** What there is without bounds in the requests of the OpenAPI document. */
    private static final class Walk {

        private final JsonNode document;
        private final Set<String> seen = new HashSet<>();
        private final List<String> unbounded = new ArrayList<>();
        private int looked;

        private Walk(JsonNode document) {
            this.document = document;
        }

        private void schema(String path, JsonNode schema) {
            String reference = schema.path("$ref").asString("");
            if (!reference.isEmpty()) {
                String name = reference.substring(reference.lastIndexOf('/') + 1);
                if (seen.add(name)) {
                    schema(name, document.path("components").path("schemas").path(name));
                }
                return;
            }
            for (String several : List.of("oneOf", "allOf", "anyOf")) {
                schema.path(several).forEach(each -> schema(path, each));
            }
            looked++;
            String type = schema.path("type").isArray()
                    ? schema.path("type").path(0).asString()
                    : schema.path("type").asString("");
            switch (type) {
                case "integer", "number" -> wants(path, schema, "minimum", "maximum");
                case "array" -> wants(path, schema, "maxItems");
                case "string" -> {
                    if (!schema.has("enum")
                            && !BOUNDED_BY_FORM.contains(schema.path("format").asString(""))) {
                        wants(path, schema, "maxLength");
                    }
                }
                default -> {
                    if (schema.path("additionalProperties").isObject()) {
                        wants(path, schema, "maxProperties");
                    }
                }
            }
            if (schema.has("items")) {
                schema(path + "[]", schema.path("items"));
            }
            if (schema.path("additionalProperties").isObject()) {
                schema(path + "{}", schema.path("additionalProperties"));
            }
            schema.path("properties").properties().forEach(each -> schema(path + "." + each.getKey(), each.getValue()));
        }

        private void wants(String path, JsonNode schema, String... bounds) {
            for (String bound : bounds) {
                if (!schema.has(bound)) {
                    unbounded.add(path + " has no " + bound);
                }
            }
        }
    }

    @Test
    void every_value_of_every_request_has_bounds() {
        JsonNode document = SERVER.get("/api/openapi").json();
        Walk walk = new Walk(document);
        document.path("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(operation -> {
                    String name = operation.getKey() + " " + path.getKey();
                    operation
                            .getValue()
                            .path("parameters")
                            .forEach(parameter -> walk.schema(
                                    name + "?" + parameter.path("name").asString(), parameter.path("schema")));
                    operation
                            .getValue()
                            .path("requestBody")
                            .path("content")
                            .forEach(body -> walk.schema(name, body.path("schema")));
                }));
        assertThat(walk.looked).as("values looked at").isGreaterThan(400);
        assertThat(walk.unbounded).isEmpty();
    }

    private static Map<String, Object> pass(String song, Map<String, Object> other) {
        Map<String, Object> pass = new java.util.HashMap<>(Map.of(
                "id",
                UUID.randomUUID(),
                "song",
                song,
                "first",
                1,
                "last",
                4,
                "layer",
                "left",
                "tempo",
                80,
                "clean",
                false,
                "seconds",
                20));
        pass.putAll(other);
        return pass;
    }

    /** What once filled the heap, or was a 500. */
    @Test
    void an_entry_of_the_log_is_of_bars_and_days_there_can_be() {
        String song = SERVER.post("/api/songs", Map.of("chart", "| C | F |"))
                .json()
                .path("id")
                .asString();
        assertThat(SERVER.post("/api/practice/log", pass(song, Map.of())).status())
                .isEqualTo(201);
        Map.<String, Object>of(
                        "last",
                        2147483647,
                        "first",
                        -1,
                        "tempo",
                        1e300,
                        "right",
                        2,
                        "unevenMs",
                        -5,
                        "day",
                        "+999999999-01-01",
                        "at",
                        "+999999999-01-01T00:00:00Z",
                        "version",
                        -3)
                .forEach((field, value) -> {
                    RealServer.Answer answer = SERVER.post("/api/practice/log", pass(song, Map.of(field, value)));
                    assertThat(answer.status())
                            .as("%s: %s", field, answer.text())
                            .isEqualTo(422);
                    assertThat(answer.problem()).contains(field + ": expected");
                });
        assertThat(SERVER.get("/api/practice/failed/" + song).json()).hasSize(4);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "POST /api/charts/transpose;{\"text\":\"| C |\",\"semitones\":-2147483648};semitones: expected -24 "
                        + "to 24",
                "POST /api/practice/ladder;{\"goal\":1e999};goal: expected 1 to 1000",
                "POST /api/arrangements;{\"chart\":\"C\",\"hand\":{\"left\":{\"spanMm\":1e999}}};hand.left.spanMm: "
                        + "expected 120 to 300",
                "POST /api/charts/edit;{\"text\":\"| C "
                        + "|\",\"edit\":{\"kind\":\"delete\",\"bar\":0,\"to\":2147483647}};edit.to: expected 0 to 9999",
                "POST /api/arrangements;{\"chart\":\"C\",\"choices\":{\"fingers\":[{\"hand\":\"L\",\"bar\":1,"
                        + "\"tick\":2147483647,\"note\":\"C3\",\"finger\":1}]}};choices.fingers[0].tick: expected "
                        + "-100000 to 1000000",
                "GET /api/practice/plan?minutes=2147483647;;minutes: expected 1 to 600",
                "GET /api/practice/plan?minutes=30&day=%2B999999999-01-01;;day: expected a year from 1970 to 2199",
                "GET /api/practice/log?since=-999999999-01-01;;since: expected a year from 1970 to 2199"
            })
    void what_lies_outside_is_refused_with_its_name_and_bounds(String request, String body, String detail) {
        String[] words = request.split(" ");
        RealServer.Answer answer = words[0].equals("GET") ? SERVER.get(words[1]) : SERVER.post(words[1], body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.problem()).contains(detail);
    }
}
