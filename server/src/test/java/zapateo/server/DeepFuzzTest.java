package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Requests that are taken, with one field or a few of them spoiled, so that they reach deep: none is answered by a 5xx
 * but the one that asks to come again. The same seed spoils the same.
 */
class DeepFuzzTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final int REQUESTS = Boolean.getBoolean("zapateo.endure") ? 30_000 : 1_500;
    private static final JsonMapper JSON = new JsonMapper();
    private static final String CHART =
            "Title: Spoiled\nKey: C\n|: C Am7 | F . G7 . :|\n[A]\n| Dm7/G | E♭maj7 N.C. |\nMelody: | c4 e4 | (3fga "
                    + "f4 | g6 | z8 |";
    private static final Map<String, Object> CHOICES = Map.of(
            "figure",
            "stride-root-chord",
            "level",
            3,
            "swingRatio",
            1.5,
            "times",
            List.of("1@2"),
            "right",
            Map.of("style", "comping", "top", "smooth", "licks", List.of(), "plain", List.of(1)),
            "overrides",
            List.of(Map.of("bars", "1-2", "beats", "1-2", "voicing", "close", "pass", 1)),
            "locks",
            List.of(Map.of("bar", 1, "pass", 1, "beat", 1, "bass", "C2", "bottom", 3)),
            "fingers",
            List.of(Map.of("hand", "L", "bar", 1, "tick", 0, "note", "C2", "finger", 5)),
            "costs",
            Map.of("room", 2.0),
            "sections",
            Map.of("A", Map.of("level", 3)));
    /** What stands in a field's place; as JSON. */
    private static final List<String> WRONG = List.of(
            "null",
            "true",
            "0",
            "-1",
            "1",
            "7",
            "2147483647",
            "-2147483648",
            "9007199254740993",
            "1e999",
            "-1e999",
            "1e-400",
            "0.1",
            "\"\"",
            "\" \"",
            "\"x\"",
            "\"\\u0000\"",
            "\"\\ud800\"",
            "\"🎹\"",
            "\"-1\"",
            "\"1-2\"",
            "\"9999-9999\"",
            "\"2-1\"",
            "\"C\"",
            "\"C9\"",
            "\"E♭♭♭4\"",
            "\"held\"",
            "\"walking\"",
            "\"%s\"",
            "\"../..\"",
            "\"+999999999-01-01\"",
            "\"2027-02-30\"",
            "[]",
            "{}",
            "[null]",
            "[[]]",
            "[1,2,3]",
            "{\"a\":1}",
            "[\"1@1\"]",
            "{\"left\":{\"spanMm\":121}}",
            "\"| C | F |\"",
            "\"(3/4) | % | % |\"",
            "\"| C :| x99 |\"",
            "\"[A]\\n[A]\\nForm: A A A\"",
            "\"\\n\\n\\n\"");

    /** A place in a body: the one it stands in, and its name or number there. */
    private record Place(JsonNode in, String name, int at) {}

    private static void places(JsonNode node, List<Place> all) {
        if (node instanceof ObjectNode object) {
            object.properties().forEach(each -> {
                all.add(new Place(object, each.getKey(), -1));
                places(each.getValue(), all);
            });
        } else if (node instanceof ArrayNode list) {
            for (int i = 0; i < list.size(); i++) {
                all.add(new Place(list, null, i));
                places(list.get(i), all);
            }
        }
    }

    private static String spoiled(Object valid, SplittableRandom chance) {
        JsonNode body = JSON.readTree(Operations.text(valid));
        for (int i = 0; i <= chance.nextInt(2); i++) {
            List<Place> places = new ArrayList<>();
            places(body, places);
            if (!places.isEmpty()) {
                spoil(places.get(chance.nextInt(places.size())), chance);
            }
        }
        // Numbers that no parser holds stand as they are written.
        return body.toString().replace("\"@1e999\"", "1e999").replace("\"@-1e999\"", "-1e999");
    }

    private static JsonNode value(String wrong) {
        return wrong.contains("e999") ? JSON.getNodeFactory().stringNode("@" + wrong) : JSON.readTree(wrong);
    }

    /** Something else, of the same form more often than not: what is of another one does not get far. */
    private static JsonNode wrong(JsonNode right, SplittableRandom chance) {
        if (chance.nextInt(4) > 0) {
            List<String> alike = WRONG.stream()
                    .filter(each -> each.contains("e999")
                            ? right.isNumber()
                            : JSON.readTree(each).getNodeType() == right.getNodeType())
                    .toList();
            if (!alike.isEmpty()) {
                return value(alike.get(chance.nextInt(alike.size())));
            }
        }
        return value(WRONG.get(chance.nextInt(WRONG.size())));
    }

    private static void spoil(Place place, SplittableRandom chance) {
        JsonNode value = wrong(
                place.name() == null ? place.in().get(place.at()) : place.in().get(place.name()), chance);
        if (place.in() instanceof ObjectNode object) {
            switch (chance.nextInt(8)) {
                case 0 -> object.remove(place.name());
                case 1 -> object.set(place.name() + "x", value);
                case 2 -> object.set(place.name(), JSON.createArrayNode().add(object.get(place.name())));
                case 3 -> object.set(place.name(), longer(object.get(place.name()), chance));
                default -> object.set(place.name(), value);
            }
        } else if (place.in() instanceof ArrayNode list) {
            switch (chance.nextInt(4)) {
                case 0 -> list.remove(place.at());
                case 1 -> list.add(list.get(place.at()));
                default -> list.set(place.at(), value);
            }
        }
    }

    /** The same, and much of it. */
    private static JsonNode longer(JsonNode value, SplittableRandom chance) {
        int times = 1 + chance.nextInt(300);
        if (value.isString()) {
            return JSON.getNodeFactory().stringNode(value.asString().repeat(times));
        }
        ArrayNode many = JSON.createArrayNode();
        for (int i = 0; i < times; i++) {
            many.add(value);
        }
        return many;
    }

    private static byte[] spoiled(byte[] file, SplittableRandom chance) {
        byte[] bent = file.clone();
        for (int i = 0; i <= chance.nextInt(4) && bent.length > 0; i++) {
            bent[chance.nextInt(bent.length)] = (byte) chance.nextInt(256);
        }
        return chance.nextInt(5) == 0 ? java.util.Arrays.copyOf(bent, chance.nextInt(bent.length + 1)) : bent;
    }

    @Test
    void what_is_nearly_right_is_answered_and_never_by_a_500() {
        List<Operations.Operation> bodies = new Operations(SERVER, CHART, CHOICES)
                .all().stream().filter(each -> each.name().startsWith("p")).toList();
        // Made once: what was spoiled is not kept, and what has a version is refused for that at worst.
        List<Operations.Request> valid = new ArrayList<>();
        bodies.forEach(each -> valid.add(each.request().get()));
        Map<Integer, Integer> statuses = new TreeMap<>();
        for (int seed = 0; seed < REQUESTS; seed++) {
            SplittableRandom chance = new SplittableRandom(seed * 0x9E3779B97F4A7C15L);
            int at = seed % valid.size();
            Operations.Request request = valid.get(at);
            if (request.body() == null) {
                continue;
            }
            Object body =
                    request.body() instanceof byte[] file ? spoiled(file, chance) : spoiled(request.body(), chance);
            RealServer.Answer answer = new Operations.Request(request.method(), request.path(), body).send(SERVER);
            statuses.merge(answer.status(), 1, Integer::sum);
            assertThat(answer.status() < 500 || answer.text().contains("/problems/busy"))
                    .as(
                            "seed %d, %s: %s -> %s",
                            seed,
                            bodies.get(at).name(),
                            body instanceof byte[] file ? new String(file, StandardCharsets.ISO_8859_1) : body,
                            answer.text())
                    .isTrue();
        }
        System.out.println("statuses of " + REQUESTS + ": " + statuses);
        assertThat(statuses.getOrDefault(200, 0)).as("many reach deep").isGreaterThan(REQUESTS / 10);
    }
}
