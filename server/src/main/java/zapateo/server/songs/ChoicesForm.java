package zapateo.server.songs;

import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * How choices stand where they are kept, in a form that is neither what is sent nor what is computed with: whatever
 * becomes of those, what was kept is read.
 *
 * <pre>{@code
 * song     choices by their names, for the whole song
 * sections the same by a section's name
 * bars     [{bars, pass, beats, choices}]
 * right    {song, sections, licks: [{bar, lick}]}
 * locks    [{bar, pass, beat, bass, bottom, top}]
 * fingers  [{hand, bar, pass, tick, note, finger}]
 * colours  [{bar, pass, tick, over, rule, variant}]
 * costs    factors by a cost's id
 * parked   what hung on bars that are gone: bars, locks, fingers, colours, licks, plain, asTheyAre
 * }</pre>
 */
final class ChoicesForm {

    private static final String SONG = "song";
    private static final String SECTIONS = "sections";
    private static final String BARS = "bars";
    private static final String CHOICES = "choices";
    private static final String RIGHT = "right";
    private static final String COSTS = "costs";
    private static final String PARKED = "parked";
    private static final String SENT_BARS = "overrides";

    /** Lists that are kept with these fields. */
    private enum Listed {
        LOCKS("locks", "bar", "pass", "beat", "bass", "bottom", "top"),
        FINGERS("fingers", "hand", "bar", "pass", "tick", "note", "finger"),
        COLOURS("colours", "bar", "pass", "tick", "over", "rule", "variant"),
        LICKS("licks", "bar", "lick"),
        PLAIN("plain"),
        AS_THEY_ARE("asTheyAre");

        private final String id;
        private final Set<String> fields;

        Listed(String id, String... fields) {
            this.id = id;
            this.fields = Set.of(fields);
        }

        private JsonNode kept(JsonNode sent) {
            return sent.isObject() ? only(sent, fields) : sent;
        }
    }

    private static final Set<String> PLACE = Set.of(BARS, "pass", "beats");
    private static final List<Listed> OF_A_SONG = List.of(Listed.LOCKS, Listed.FINGERS, Listed.COLOURS);
    private static final Set<String> PARTS =
            Set.of(SECTIONS, SENT_BARS, RIGHT, COSTS, PARKED, "locks", "fingers", "colours");
    private static final Set<String> PARTS_OF_RIGHT = Set.of(SECTIONS, "licks");

    private ChoicesForm() {}

    /** What was sent, in the form it is kept in. */
    static ObjectNode kept(JsonNode sent) {
        ObjectNode kept = object();
        kept.set(SONG, without(sent, PARTS));
        for (String same : List.of(SECTIONS, COSTS)) {
            put(kept, same, sent.path(same), UnaryOperator.identity());
        }
        list(kept, BARS, sent.path(SENT_BARS), ChoicesForm::barsKept);
        OF_A_SONG.forEach(each -> list(kept, each.id, sent.path(each.id), each::kept));
        put(kept, RIGHT, sent.path(RIGHT), right -> {
            ObjectNode hand = object();
            hand.set(SONG, without(right, PARTS_OF_RIGHT));
            put(hand, SECTIONS, right.path(SECTIONS), UnaryOperator.identity());
            list(hand, Listed.LICKS.id, right.path(Listed.LICKS.id), Listed.LICKS::kept);
            return hand;
        });
        put(kept, PARKED, sent.path(PARKED), parked -> {
            ObjectNode waiting = object();
            list(waiting, BARS, parked.path(SENT_BARS), ChoicesForm::barsKept);
            for (Listed each : Listed.values()) {
                list(waiting, each.id, parked.path(each.id), each::kept);
            }
            return waiting;
        });
        return kept;
    }

    /** What was kept, as it would be sent; what has no place in the form comes along, for whoever checks it. */
    static ObjectNode sent(JsonNode kept) {
        ObjectNode sent = without(kept, Set.of(SONG, BARS, RIGHT, PARKED));
        addAll(sent, kept.path(SONG));
        list(sent, SENT_BARS, kept.path(BARS), ChoicesForm::barsSent);
        put(sent, RIGHT, kept.path(RIGHT), right -> {
            ObjectNode hand = without(right, Set.of(SONG));
            addAll(hand, right.path(SONG));
            return hand;
        });
        put(sent, PARKED, kept.path(PARKED), parked -> {
            ObjectNode waiting = without(parked, Set.of(BARS));
            list(waiting, SENT_BARS, parked.path(BARS), ChoicesForm::barsSent);
            return waiting;
        });
        return sent;
    }

    private static JsonNode barsKept(JsonNode sent) {
        ObjectNode kept = only(sent, PLACE);
        kept.set(CHOICES, without(sent, PLACE));
        return kept;
    }

    private static JsonNode barsSent(JsonNode kept) {
        ObjectNode sent = without(kept, Set.of(CHOICES));
        addAll(sent, kept.path(CHOICES));
        return sent;
    }

    private static ObjectNode object() {
        return JsonNodeFactory.instance.objectNode();
    }

    private static ObjectNode only(JsonNode node, Set<String> fields) {
        ObjectNode some = object();
        node.properties().stream()
                .filter(each -> fields.contains(each.getKey()))
                .forEach(each -> some.set(each.getKey(), each.getValue()));
        return some;
    }

    private static ObjectNode without(JsonNode node, Set<String> fields) {
        ObjectNode others = object();
        node.properties().stream()
                .filter(each -> !fields.contains(each.getKey()))
                .forEach(each -> others.set(each.getKey(), each.getValue()));
        return others;
    }

    private static void addAll(ObjectNode to, JsonNode fields) {
        fields.properties().forEach(each -> to.set(each.getKey(), each.getValue()));
    }

    private static void put(ObjectNode to, String field, JsonNode from, UnaryOperator<JsonNode> changed) {
        if (!from.isMissingNode() && !from.isNull()) {
            to.set(field, from.isObject() ? changed.apply(from) : from);
        }
    }

    private static void list(ObjectNode to, String field, JsonNode from, UnaryOperator<JsonNode> changed) {
        if (!from.isArray()) {
            put(to, field, from, UnaryOperator.identity());
            return;
        }
        ArrayNode all = to.putArray(field);
        from.forEach(each -> all.add(changed.apply(each)));
    }
}
