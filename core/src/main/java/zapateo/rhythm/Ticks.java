package zapateo.rhythm;

/** The unit of musical time: 960 ticks to the quarter note (HANDBOOK §2). */
public final class Ticks {

    public static final int PER_QUARTER = 960;
    public static final int PER_EIGHTH = PER_QUARTER / 2;
    public static final int PER_WHOLE = PER_QUARTER * 4;

    private Ticks() {}

    /**
     * So long is a part of a whole note, 4 a quarter; a dot behind it is half as much again, a {@code t} makes it one
     * of a triplet, null or nothing leaves it.
     */
    public static int ofPart(int part, String mark) {
        int plain = PER_WHOLE / part;
        return ".".equals(mark) ? plain * 3 / 2 : "t".equals(mark) ? plain * 2 / 3 : plain;
    }
}
