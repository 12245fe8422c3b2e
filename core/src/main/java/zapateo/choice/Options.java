package zapateo.choice;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;

/** What was chosen for one place, a whole song, a section, some bars or a right hand; everything may be left open. */
public final class Options {

    public static final Options OPEN = new Options(Map.of());

    /** In the order they were chosen in, which is of no weight. */
    private final Map<Choice<?>, Object> values;

    private Options(Map<Choice<?>, Object> values) {
        this.values = values;
    }

    /**
     * From open data.
     *
     * @param there what can be chosen in that place
     * @param path to what was written, for the refusal; empty at the top
     * @throws Refused naming a choice there is not in that place, or a value it may not have, with what was expected
     */
    public static Options read(List<Choice<?>> there, String path, Map<String, ?> written) {
        Map<Choice<?>, Object> values = new LinkedHashMap<>();
        for (Choice<?> choice : there) {
            Object value = written.get(choice.id());
            if (!choice.isOpen(value)) {
                values.put(choice, choice.range().read(path + choice.id(), value));
            }
        }
        List<String> names = there.stream().map(Choice::id).toList();
        written.keySet().stream()
                .filter(name -> !names.contains(name))
                .findFirst()
                .ifPresent(name -> {
                    throw new Refused(
                            path + name + ": there is no such choice, expected one of " + String.join(", ", names));
                });
        return new Options(values);
    }

    /**
     * Whether all that is named here is there.
     *
     * @param path to these, for the refusal
     * @throws Refused naming a thing there is not, with those there are
     */
    public void requireThings(String path, FigureBook book) {
        values.forEach((choice, value) -> choice.things()
                .map(things -> things.all(book).stream().map(Choice.Thing::id).toList())
                .filter(ids -> !ids.contains(value))
                .ifPresent(ids -> {
                    throw new Refused(
                            path + choice.id() + " \"" + value + "\": expected one of " + String.join(", ", ids));
                }));
    }

    /** As it stands in open data, by the choices' names. */
    public Map<String, Object> written() {
        Map<String, Object> written = new LinkedHashMap<>();
        values.forEach((choice, value) -> written.put(choice.id(), written(choice, value)));
        return written;
    }

    @SuppressWarnings("unchecked")
    private static <T> Object written(Choice<T> choice, Object value) {
        return choice.range().writer().apply((T) value);
    }

    @SuppressWarnings("unchecked")
    public <T> Optional<T> get(Choice<T> choice) {
        return Optional.ofNullable((T) values.get(choice));
    }

    /** What was chosen, else what is usual. */
    public <T> T orUsual(Choice<T> choice) {
        return get(choice).or(choice::usual).orElseThrow();
    }

    /** @throws Refused naming what was given and what was expected */
    public <T> Options with(Choice<T> choice, T value) {
        Map<Choice<?>, Object> more = new LinkedHashMap<>(values);
        more.put(
                choice, choice.range().read(choice.id(), choice.range().writer().apply(value)));
        return new Options(more);
    }

    /** Of some choices alone, what is usual filled in where it is open. */
    public Options filled(List<Choice<?>> choices) {
        Map<Choice<?>, Object> filled = new LinkedHashMap<>();
        choices.forEach(choice -> get(choice)
                .<Object>map(value -> value)
                .or(choice::usual)
                .ifPresent(value -> filled.put(choice, value)));
        return new Options(filled);
    }

    public Options without(Choice<?> choice) {
        Map<Choice<?>, Object> fewer = new LinkedHashMap<>(values);
        fewer.remove(choice);
        return new Options(fewer);
    }

    /** Those that a level leaves standing. */
    public Options standingAt(int level) {
        Map<Choice<?>, Object> standing = new LinkedHashMap<>(values);
        standing.keySet().removeIf(choice -> choice.fromLevel() > level);
        return new Options(standing);
    }

    /**
     * These, and what they leave open as {@code others} have it; what belongs to another choice falls where that is
     * another one here.
     */
    public Options over(Options others) {
        if (values.isEmpty()) {
            return others;
        }
        Map<Choice<?>, Object> all = new LinkedHashMap<>(others.values);
        all.keySet()
                .removeIf(choice -> choice.falls()
                        .filter(values::containsKey)
                        .filter(other -> !Objects.equals(values.get(other), others.values.get(other)))
                        .isPresent());
        all.putAll(values);
        return new Options(all);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Options same && values.equals(same.values);
    }

    @Override
    public int hashCode() {
        return values.hashCode();
    }

    @Override
    public String toString() {
        return values.entrySet().stream()
                .map(each -> each.getKey().id() + " " + each.getValue())
                .collect(Collectors.joining(", ", "[", "]"));
    }
}
