package zapateo.server.arrangements;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.server.figures.Figures;
import zapateo.server.players.Player;
import zapateo.server.problems.LeftOut;
import zapateo.server.problems.ProblemDocuments;
import zapateo.server.problems.Refusal;

/**
 * Choices that were not sent by a page of today: from a file, or kept by another Zapateo. What may be chosen stays,
 * what may not – a figure there is not, a lock without its bar, more than there may be – is left out and told; each
 * part is tried by itself, by the same rules as what is saved.
 */
@Component
public class Sieve {

    private static final String RIGHT = "right";
    private static final String STYLE = "style";
    private static final int LONGEST_REASON = 120;

    private final Figures figures;
    private final Validator validator;
    private final JsonMapper json;

    Sieve(Figures figures, Validator validator, JsonMapper json) {
        this.figures = figures;
        this.validator = validator;
        this.json = json;
    }

    /** What stays, and what does not. */
    public record Sifted(ChoicesRequest choices, LeftOut leftOut) {}

    /** Choices as they are kept. */
    public Sifted sift(Player player, ChoicesRequest choices) {
        try {
            choices.checked("", named -> figures.bookFor(player, named));
            return new Sifted(choices, new LeftOut());
        } catch (Refused | Refusal unusable) {
            return sift(player, json.valueToTree(choices), List.of());
        }
    }

    /**
     * Choices as they stand in a file.
     *
     * @param own figures that come with them
     */
    public Sifted sift(Player player, JsonNode choices, Collection<Figure> own) {
        Sifting sifting = new Sifting(figures.bookOfAllEver(player).with(List.copyOf(own)));
        ObjectNode stays = json.createObjectNode();
        choices.properties().forEach(each -> sifting.part(stays, each.getKey(), each.getValue()));
        return new Sifted(sifting.cut(stays), sifting.leftOut);
    }

    /** One set of choices on its way through. */
    private final class Sifting {

        private final FigureBook book;
        private LeftOut leftOut = new LeftOut();

        private Sifting(FigureBook book) {
            this.book = book;
        }

        private void part(ObjectNode stays, String name, JsonNode value) {
            if (name.equals(RIGHT) && value.isObject()) {
                right(stays, value);
            } else {
                several(stays, name, value, part -> json.createObjectNode().set(name, part));
            }
        }

        /** A right hand without a style is none. */
        private void right(ObjectNode stays, JsonNode right) {
            JsonNode style = right.path(STYLE);
            if (!passes(RIGHT + "." + STYLE, whole(json.createObjectNode().set(STYLE, style)))) {
                return;
            }
            ObjectNode own = json.createObjectNode();
            own.set(STYLE, style);
            right.properties().stream()
                    .filter(each -> !each.getKey().equals(STYLE))
                    .forEach(each -> several(own, each.getKey(), each.getValue(), part -> {
                        ObjectNode with = json.createObjectNode();
                        with.set(STYLE, style);
                        with.set(each.getKey(), part);
                        return whole(with);
                    }));
            stays.set(RIGHT, own);
        }

        private JsonNode whole(JsonNode right) {
            ObjectNode whole = json.createObjectNode();
            whole.set(RIGHT, right);
            return whole;
        }

        /**
         * A list by its elements, an object by its entries, anything else as it is; {@code whole} are choices with
         * nothing but that part.
         */
        private void several(ObjectNode stays, String name, JsonNode value, UnaryOperator<JsonNode> whole) {
            if (value.isArray()) {
                ArrayNode kept = json.createArrayNode();
                for (int i = 0; i < value.size(); i++) {
                    if (passes(
                            name + "[" + i + "]",
                            whole.apply(json.createArrayNode().add(value.get(i))))) {
                        kept.add(value.get(i));
                    }
                }
                keep(stays, name, kept, whole);
            } else if (value.isObject() && !passesQuietly(whole.apply(value))) {
                ObjectNode kept = json.createObjectNode();
                value.properties().forEach(each -> {
                    if (passes(
                            name + "." + each.getKey(),
                            whole.apply(json.createObjectNode().set(each.getKey(), each.getValue())))) {
                        kept.set(each.getKey(), each.getValue());
                    }
                });
                keep(stays, name, kept, whole);
            } else if (passes(name, whole.apply(value))) {
                stays.set(name, value);
            }
        }

        /** What is left of several, where several may stand there at all; of how many there may be {@link #cut}. */
        private void keep(ObjectNode stays, String name, JsonNode kept, UnaryOperator<JsonNode> whole) {
            try {
                json.treeToValue(whole.apply(kept), ChoicesRequest.class);
                stays.set(name, kept);
            } catch (JacksonException wrongKind) {
                tell(name, ProblemDocuments.describe(wrongKind));
            }
        }

        private boolean passesQuietly(JsonNode choices) {
            LeftOut before = leftOut;
            leftOut = new LeftOut();
            boolean passes = passes("", choices);
            leftOut = before;
            return passes;
        }

        private boolean passes(String path, JsonNode choices) {
            try {
                ChoicesRequest read = json.treeToValue(choices, ChoicesRequest.class);
                Set<ConstraintViolation<ChoicesRequest>> violations = validator.validate(read);
                if (!violations.isEmpty()) {
                    tell(path, violations.iterator().next().getMessage());
                    return false;
                }
                read.checked("", named -> book);
                return true;
            } catch (JacksonException unread) {
                tell(path, ProblemDocuments.describe(unread));
            } catch (Refused | Refusal unusable) {
                tell(path, unusable.getMessage());
            }
            return false;
        }

        /**
         * A reason that names its place by itself names it once; of a long list of what was expected the first are
         * told.
         */
        private void tell(String path, String reason) {
            boolean named = reason.startsWith(path) || reason.startsWith(RIGHT + "." + path);
            String whole = named ? reason : path + ": " + reason;
            int end = whole.length() > LONGEST_REASON
                    ? Math.max(whole.lastIndexOf(", ", LONGEST_REASON), LONGEST_REASON / 2)
                    : whole.length();
            leftOut.add(whole.substring(0, end) + (end < whole.length() ? " …" : ""));
        }

        /** Of what is too many the first are kept. */
        private ChoicesRequest cut(ObjectNode stays) {
            ChoicesRequest read = json.treeToValue(stays, ChoicesRequest.class);
            for (ConstraintViolation<ChoicesRequest> violation : validator.validate(read)) {
                String path = violation.getPropertyPath().toString();
                JsonNode many = stays.at("/" + path.replace('.', '/'));
                if (violation.getConstraintDescriptor().getAttributes().get("max") instanceof Integer most
                        && many.size() > most) {
                    leftOut.add(
                            path + ": " + (many.size() - most) + " of " + many.size() + ", " + violation.getMessage());
                    firstOf(many, most);
                }
            }
            return json.treeToValue(stays, ChoicesRequest.class);
        }

        private static void firstOf(JsonNode many, int most) {
            if (many instanceof ArrayNode list) {
                while (list.size() > most) {
                    list.remove(list.size() - 1);
                }
            } else if (many instanceof ObjectNode map) {
                map.retain(map.properties().stream()
                        .limit(most)
                        .map(Map.Entry::getKey)
                        .toList());
            }
        }
    }
}
