package zapateo.rhythm;

import zapateo.names.Names;

/** Where a rolled stroke of a figure lies against its beat. */
public enum Rolling {
    /** It opens upward from the beat. */
    BEAT,
    /** A quick sweep whose top is on the beat, the bass at most 120 ms before. */
    BEFORE,
    /** The bass on the off-beat before, the rest on the beat. */
    BROKEN;

    public String id() {
        return Names.of(this);
    }
}
