package zapateo.rhythm;

/** The unit of musical time: 960 ticks to the quarter note (HANDBOOK §2). */
public final class Ticks {

    public static final int PER_QUARTER = 960;
    public static final int PER_EIGHTH = PER_QUARTER / 2;
    public static final int PER_WHOLE = PER_QUARTER * 4;

    private Ticks() {
    }
}
