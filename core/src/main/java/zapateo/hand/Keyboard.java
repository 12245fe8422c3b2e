package zapateo.hand;

/**
 * Where the keys of a full-size piano lie, in millimetres from its lowest C. A white key's place is the centre of its
 * front, a black key's the centre of its tail: from C to E the five tails are equal, from F to B the seven (HANDBOOK
 * §8; the measures of the modern standard keyboard from memory).
 */
public final class Keyboard {

    /** Width of a white key at its front. */
    public static final double WHITE_KEY = 23.5;
    /** From a C to the next. */
    public static final double OCTAVE = 7 * WHITE_KEY;
    /** How much further in than the front of a white key a black key is met. */
    public static final double BLACK_DEPTH = 50;
    /** How much nearer a white key can be caught than at its centre (the project's own estimate). */
    public static final double EDGE = 6.75;

    private static final int[] WHITE_PLACE = {0, -1, 1, -1, 2, 3, -1, 4, -1, 5, -1, 6};
    private static final double C_TO_E_TAIL = 3 * WHITE_KEY / 5;
    private static final double F_TO_B_TAIL = 4 * WHITE_KEY / 7;

    private static final int KEYS = 128;
    /** A search asks for a stretch at every finger of every grasp: all there are, measured once. */
    private static final double[] STRETCHES = new double[KEYS * KEYS];

    private static final double[] STRETCHES_AT_EDGES = new double[KEYS * KEYS];

    static {
        for (int key = 0; key < KEYS * KEYS; key++) {
            STRETCHES[key] = measured(key / KEYS, key % KEYS, 0);
            STRETCHES_AT_EDGES[key] = measured(key / KEYS, key % KEYS, EDGE);
        }
    }

    private Keyboard() {}

    public static boolean isBlack(int midi) {
        return WHITE_PLACE[Math.floorMod(midi, 12)] < 0;
    }

    /** The key's place along the keyboard; {@code midi} is a note number. */
    public static double centre(int midi) {
        int chroma = Math.floorMod(midi, 12);
        double octave = (Math.floorDiv(midi, 12) - 1) * OCTAVE;
        if (!isBlack(midi)) {
            return octave + (WHITE_PLACE[chroma] + 0.5) * WHITE_KEY;
        }
        return octave + (chroma < 5 ? (chroma + 0.5) * C_TO_E_TAIL : 3 * WHITE_KEY + (chroma - 5 + 0.5) * F_TO_B_TAIL);
    }

    /** Along the keyboard between the places of two keys. */
    public static double between(int low, int high) {
        return Math.abs(centre(high) - centre(low));
    }

    /**
     * What the hand has to span between two note numbers, place to place; between black and white it goes diagonally.
     */
    public static double stretch(int low, int high) {
        return isTabled(low, high) ? STRETCHES[low * KEYS + high] : measured(low, high, 0);
    }

    /** The same with each white end caught at its near edge. */
    public static double stretchAtEdges(int low, int high) {
        return isTabled(low, high) ? STRETCHES_AT_EDGES[low * KEYS + high] : measured(low, high, EDGE);
    }

    private static boolean isTabled(int low, int high) {
        return (low | high) >= 0 && low < KEYS && high < KEYS;
    }

    private static double measured(int low, int high, double edge) {
        int whiteEnds = (isBlack(low) ? 0 : 1) + (isBlack(high) ? 0 : 1);
        double along = Math.max(0, between(low, high) - edge * whiteEnds);
        return isBlack(low) == isBlack(high) ? along : Math.hypot(along, BLACK_DEPTH);
    }
}
