package zapateo.part;

/**
 * How a chord that is not struck together is opened.
 *
 * @param kind quick: in one sweep
 * @param leadTicks how long before the stroke's own tick the first note sounds; 0 when the roll starts on it
 * @param spreadTicks from the first note to the last
 */
public record Roll(Kind kind, int leadTicks, int spreadTicks) {

    /** A sweep of the hand, or the bass alone on the off-beat before. */
    public enum Kind {
        QUICK,
        BROKEN
    }
}
