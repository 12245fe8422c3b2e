package zapateo.server.arrangements;

import java.util.List;
import java.util.Map;
import zapateo.arrangement.SongChoice;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.server.problems.Refusal;

/**
 * Choices as they stand in JSON, by their names; what the JSON itself has wrong is told apart from what may not be
 * chosen.
 */
final class ChosenValues {

    /** What no field is called: the map of choices has no name of its own in JSON, its entries stand by theirs. */
    static final String NO_FIELD = "\u0000";

    private ChosenValues() {}

    /** @param path to them, for what is refused */
    static Options read(Choice.Place place, String path, Map<String, Object> values) {
        if (values == null) {
            return Options.OPEN;
        }
        List<Choice<?>> there = SongChoice.in(place);
        values.forEach((name, value) -> {
            Choice<?> choice = there.stream()
                    .filter(each -> each.id().equals(name))
                    .findFirst()
                    .orElseThrow(() -> Refusal.unreadable("Unknown field \"" + path + name + "\": expected one of "
                            + String.join(", ", there.stream().map(Choice::id).toList()) + "."));
            if (value != null && !choice.range().hasForm(value)) {
                throw Refusal.unreadable(
                        path + name + ": expected " + choice.range().expected() + ".");
            }
        });
        return Options.read(there, path, values);
    }
}
