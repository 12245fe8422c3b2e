package zapateo.server.songs;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * An arrangement of a song, as it is kept.
 *
 * @param id lasts, whatever the arrangement is called; null in states from before there were ids
 */
record StoredArrangement(UUID id, String name, StoredChoices choices) {

    ObjectNode written(JsonMapper json) {
        ObjectNode written = choices.written(json).put("name", name);
        return id == null ? written : written.put("id", id.toString());
    }

    /** The others of a song, in their order. */
    record Others(List<StoredArrangement> all) {

        static final Others NONE = new Others(List.of());

        Others {
            all = List.copyOf(all);
        }

        ArrayNode written(JsonMapper json) {
            ArrayNode written = json.createArrayNode();
            all.forEach(each -> written.add(each.written(json)));
            return written;
        }

        static Others read(JsonMapper json, JsonNode kept) {
            List<StoredArrangement> all = new ArrayList<>();
            // Before formats had numbers the choices stood beside the name.
            kept.forEach(each -> all.add(new StoredArrangement(
                    each.has("id") ? UUID.fromString(each.path("id").asString()) : null,
                    each.path("name").asString(),
                    StoredChoices.read(json, each.has("format") ? each : each.path("choices")))));
            return new Others(all);
        }
    }
}
