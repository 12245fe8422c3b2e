package zapateo.rhythm;

import java.util.Locale;

/** How much a player varies what a figure plays again and again. */
public enum Liveliness {
    NONE,
    SOME,
    MUCH;

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
