package zapateo.server.songs;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.problems.Refusal;

/**
 * Choices in the form they are kept in, which has a number of its own and is read whatever its number; only today's is
 * written.
 *
 * <ol>
 *   <li>the choices by themselves, as they were sent
 *   <li>{@code {format, choices, ownFigures}}
 *   <li>the same; the choices may have colours
 *   <li>{@code {format, kept, ownFigures}}, kept in a form of its own: {@link ChoicesForm}
 * </ol>
 *
 * @param ownFigures what the figures of one's own that they name said when they were kept, by the figures' ids
 */
record StoredChoices(ChoicesRequest choices, Map<String, UUID> ownFigures) {

    static final StoredChoices NONE = new StoredChoices(ChoicesRequest.NONE, Map.of());

    private static final int FORMAT = 4;
    private static final int AS_SENT = 3;

    StoredChoices {
        ownFigures = new TreeMap<>(ownFigures);
    }

    ObjectNode written(JsonMapper json) {
        ObjectNode written = json.createObjectNode().put("format", FORMAT);
        written.set("kept", ChoicesForm.kept(json.valueToTree(choices)));
        if (!ownFigures.isEmpty()) {
            written.set("ownFigures", json.valueToTree(ownFigures));
        }
        return written;
    }

    /** For a file that others read: as they are sent, with the number of that form. */
    static ObjectNode asSent(JsonMapper json, ChoicesRequest choices) {
        ObjectNode written = json.createObjectNode().put("format", AS_SENT);
        written.set("choices", json.valueToTree(choices));
        return written;
    }

    /**
     * The choices by themselves of what was kept, or stands in a file.
     *
     * @throws Refusal of a format from after today
     */
    static JsonNode choicesOf(JsonNode kept) {
        int format = kept.path("format").asInt(1);
        if (format > FORMAT) {
            throw newer(format);
        }
        return format == 1 ? kept : format <= AS_SENT ? kept.path("choices") : ChoicesForm.sent(kept.path("kept"));
    }

    private static Refusal newer(int format) {
        return Refusal.newer("Choices of format " + format + ": this Zapateo reads up to " + FORMAT
                + ". They are kept as they are; start the Zapateo that kept them.");
    }

    /** @throws Refusal of a format from after today */
    static StoredChoices read(JsonMapper json, JsonNode kept) {
        if (kept == null || kept.isNull()) {
            return NONE;
        }
        JsonNode sent = choicesOf(kept);
        Map<String, UUID> figures = new TreeMap<>();
        // The first form was nothing but the choices.
        if (sent != kept) {
            kept.path("ownFigures")
                    .properties()
                    .forEach(each -> figures.put(
                            each.getKey(), UUID.fromString(each.getValue().asString())));
        }
        return new StoredChoices(json.treeToValue(sent, ChoicesRequest.class), figures);
    }
}
