package zapateo.format;

import java.util.Optional;
import zapateo.names.Names;

/** Which hands a file holds. */
public enum Hands {
    LEFT,
    BOTH,
    /** The melody over the left hand. */
    LEAD_LEFT;

    public static Optional<Hands> named(String name) {
        return Names.find(Hands.class, name);
    }
}
