package zapateo.part;

/** A stretch of song time: where it starts and how long it lasts, in ticks from the song's start. */
public record TickSpan(int tick, int ticks) {

    public TickSpan {
        if (tick < 0 || ticks <= 0) {
            throw new IllegalArgumentException("span at " + tick + " for " + ticks + ": expected 0 or later, and some length");
        }
    }

    public static TickSpan of(int tick, int ticks) {
        return new TickSpan(tick, ticks);
    }

    public int end() {
        return tick + ticks;
    }
}
