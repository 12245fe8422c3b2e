package zapateo.pitch;

/** The seven note letters, each with its distance above C in semitones. */
public enum Letter {
    C(0),
    D(2),
    E(4),
    F(5),
    G(7),
    A(9),
    B(11);

    private static final Letter[] ALL = values();

    private final int semitones;

    Letter(int semitones) {
        this.semitones = semitones;
    }

    public int semitones() {
        return semitones;
    }

    /** The letter {@code steps} further on, round and round: A plus two is C. */
    public Letter plus(int steps) {
        return ALL[Math.floorMod(ordinal() + steps, ALL.length)];
    }
}
