package zapateo.hand;

import zapateo.names.Names;

/** How a hand stands to a stretch, easiest first. */
public enum Ease {
    /** Held without strain. */
    COMFORTABLE,
    /** Reached with the hand open. */
    STRETCH,
    /** Reached only at the near edges of the white keys. */
    KEY_EDGE,
    /** Not to be struck together. */
    OUT_OF_REACH;

    private final String id = Names.of(this);

    public String id() {
        return id;
    }
}
