package zapateo.rhythm;

import zapateo.names.Names;

/**
 * Where on the keyboard the lowest note of a left hand is to lie, as MIDI note numbers (HANDBOOK §5, common practice).
 */
public enum Register {
    /** Basses from E1 to E3, at home around D2. */
    DEEP(28, 52, 38),
    /** Basses from E2 to A3, at home around B2: light, under a low tune, without a rumble. */
    MEDIUM(40, 57, 47),
    /** Close chords between C3 and G4. */
    MIDDLE(48, 60, 52);

    /** The close chord's own window, whatever the bass does. */
    public static final int CHORD_LOWEST = 48;

    public static final int CHORD_HIGHEST = 67;

    private final int lowest;
    private final int highest;
    private final int home;

    Register(int lowest, int highest, int home) {
        this.lowest = lowest;
        this.highest = highest;
        this.home = home;
    }

    public int lowest() {
        return lowest;
    }

    public int highest() {
        return highest;
    }

    /** The key a bass would rather be near than any other. */
    public int home() {
        return home;
    }

    public String id() {
        return Names.of(this);
    }
}
