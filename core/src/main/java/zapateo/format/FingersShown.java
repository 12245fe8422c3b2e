package zapateo.format;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How many fingers stand on a page. */
public enum FingersShown {
    /** Where a pattern begins or changes, and at what is unusual. */
    FEW,
    /** Over every note. */
    ALL,
    NONE;

    public static Optional<FingersShown> named(String id) {
        return Arrays.stream(values())
                .filter(each -> each.name().toLowerCase(Locale.ROOT).equals(id))
                .findFirst();
    }
}
