package zapateo.rhythm;

import zapateo.names.Names;

/** How much a player varies what a figure plays again and again. */
public enum Liveliness {
    NONE,
    SOME,
    MUCH;

    public String id() {
        return Names.of(this);
    }
}
