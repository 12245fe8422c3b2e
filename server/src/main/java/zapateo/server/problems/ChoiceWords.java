package zapateo.server.problems;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import zapateo.choice.Choice;
import zapateo.choice.Range;
import zapateo.rhythm.FigureBook;

/** Words for the table of choices, from {@code choices.properties}. */
@Component
public class ChoiceWords {

    private static final String OPEN = "open";
    private static final String SAYS = "says";
    private static final String NONE = "none";
    private static final String EACH = "each";
    private static final double HALVES = 0.5;
    private static final double MOST_STEPS = 10;

    private final ResourceBundle words = ResourceBundle.getBundle("choices", Locale.ROOT);

    /** What a choice is called, by its id. */
    public String name(String id) {
        return words.getString(id);
    }

    /** What it is called where it is left open; empty where there is no word for that. */
    public Optional<Choice.Thing> open(Choice<?> choice) {
        return worded(choice, OPEN);
    }

    /** What it is called where it is on. */
    public Optional<String> on(Choice<?> choice) {
        return worded(choice, "true").map(Choice.Thing::name);
    }

    /** What it decides. */
    public String says(Choice<?> choice) {
        return worded(choice, SAYS).map(Choice.Thing::name).orElse("");
    }

    /** Why there is nothing to choose, where a figure has none of it. */
    public Optional<String> nothing(Choice<?> choice) {
        return choice.range().values().contains(NONE)
                ? Optional.empty()
                : worded(choice, NONE).map(Choice.Thing::name);
    }

    /** All it may be, where that is few: things by their own names, the others as they are worded. */
    public List<Choice.Thing> values(Choice<?> choice) {
        List<Choice.Thing> things = choice.things()
                .filter(each -> !choice.apart())
                .map(each -> each.all(FigureBook.open()))
                .orElse(List.of());
        Stream<String> others = ids(choice)
                .filter(id -> things.stream().noneMatch(thing -> thing.id().equals(id)));
        return Stream.concat(
                        things.stream(),
                        others.flatMap(id -> Stream.of(worded(choice, id).orElseGet(() -> each(choice, id)))))
                .toList();
    }

    private Choice.Thing each(Choice<?> choice, String id) {
        String pattern = worded(choice, EACH).map(Choice.Thing::name).orElse("{}");
        return new Choice.Thing(id, pattern.replace("{}", id), "");
    }

    private static Stream<String> ids(Choice<?> choice) {
        Range<?> range = choice.range();
        if (range.form() == Range.Form.TEXT) {
            return range.values().stream();
        }
        double step = range.form() == Range.Form.WHOLE ? 1 : HALVES;
        double steps = (range.most() - range.least()) / step;
        boolean counted = range.form() == Range.Form.WHOLE || range.form() == Range.Form.NUMBER;
        return counted && steps < MOST_STEPS
                ? IntStream.rangeClosed(0, (int) steps)
                        .mapToObj(at -> BigDecimal.valueOf(range.least() + at * step)
                                .stripTrailingZeros()
                                .toPlainString())
                : Stream.empty();
    }

    private Optional<Choice.Thing> worded(Choice<?> choice, String id) {
        String key = choice.id() + "." + id;
        if (!words.containsKey(key)) {
            return Optional.empty();
        }
        String[] said = words.getString(key).split(" \\| ", 2);
        return Optional.of(new Choice.Thing(id, said[0], said.length > 1 ? said[1] : ""));
    }

    /** How a value is written. */
    @SuppressWarnings("unchecked")
    public static <T> String written(Choice<T> choice, Object value) {
        return String.valueOf(choice.range().writer().apply((T) value));
    }
}
