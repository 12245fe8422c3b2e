package zapateo.names;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The values of closed lists by their names in open data: lower case, words joined by hyphens. */
public final class Names {

    private Names() {}

    public static String of(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The one of that name, if there is one. */
    public static <E extends Enum<E>> Optional<E> find(Class<E> list, String name) {
        return Arrays.stream(list.getEnumConstants())
                .filter(each -> of(each).equals(name))
                .findFirst();
    }

    /** All of a list, in its order. */
    public static List<String> all(Class<? extends Enum<?>> list) {
        return Arrays.stream(list.getEnumConstants()).map(Names::of).toList();
    }
}
