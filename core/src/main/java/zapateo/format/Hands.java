package zapateo.format;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Which hands a file holds. */
public enum Hands {
    LEFT,
    BOTH,
    /** The melody over the left hand. */
    LEAD_LEFT;

    public static Optional<Hands> named(String name) {
        return Arrays.stream(values())
                .filter(hands ->
                        hands.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(name))
                .findFirst();
    }
}
