package zapateo.format;

import java.util.Optional;
import zapateo.names.Names;

/** How many fingers stand on a page. */
public enum FingersShown {
    /** Where a pattern begins or changes, and at what is unusual. */
    FEW,
    /** Over every note. */
    ALL,
    NONE;

    public static Optional<FingersShown> named(String id) {
        return Names.find(FingersShown.class, id);
    }
}
