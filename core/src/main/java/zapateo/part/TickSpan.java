package zapateo.part;

/**
 * A stretch of song time: where it starts and how long it lasts, in ticks from the start of the first written bar; what
 * sounds before that lies below zero.
 */
public record TickSpan(int tick, int ticks) {

    public TickSpan {
        if (ticks <= 0) {
            throw new IllegalArgumentException("span at " + tick + " for " + ticks + ": expected some length");
        }
    }

    public static TickSpan of(int tick, int ticks) {
        return new TickSpan(tick, ticks);
    }

    public TickSpan later(int by) {
        return new TickSpan(tick + by, ticks);
    }

    public int end() {
        return tick + ticks;
    }
}
