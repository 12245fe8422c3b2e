package zapateo.rhythm;

import zapateo.refusal.Refused;

/**
 * Uneven eighths. Times are bent inside each quarter so that the written off-beat eighth falls late; what lies between
 * is bent with it.
 *
 * @param ratio the long eighth over the short one, 1 to 4
 */
public record Swing(double ratio) {

    public static final Swing NONE = new Swing(1);

    // A pianist's hands swing less than a drummer's ride: after Friberg & Sundström 2002, from memory; the end points
    // are the project's own choice (HANDBOOK §7).
    private static final double SLOW = 140;
    private static final double SLOW_RATIO = 2;
    private static final double QUICK = 200;
    private static final double QUICK_RATIO = 1.5;
    private static final double FAST = 300;
    private static final double SHORTEST_MS = 100;

    /** @throws Refused naming what was given and what was expected */
    public Swing {
        if (!(ratio >= 1 && ratio <= 4)) {
            throw new Refused("swing ratio " + ratio + ": expected 1 to 4");
        }
    }

    public static Swing of(double ratio) {
        return new Swing(ratio);
    }

    /**
     * 2:1 up to 140 quarters a minute, 1.5:1 at 200, even from 300, linear between; the short note never under 100 ms
     * below 300.
     */
    public static Swing at(Tempo tempo) {
        double quarters = tempo.quartersPerMinute();
        if (quarters >= FAST) {
            return NONE;
        }
        double wished = quarters <= QUICK
                ? between(quarters, SLOW, SLOW_RATIO, QUICK, QUICK_RATIO)
                : between(quarters, QUICK, QUICK_RATIO, FAST, 1);
        double quarterMs = 60_000 / quarters;
        return of(Math.max(1, Math.min(wished, (quarterMs - SHORTEST_MS) / SHORTEST_MS)));
    }

    private static double between(double quarters, double from, double ratio, double to, double other) {
        return ratio + Math.max(0, (quarters - from) / (to - from)) * (other - ratio);
    }

    /** Where a tick that is written at {@code tick} sounds; the bar lines and quarters stay where they are. */
    public int bend(int tick) {
        if (ratio == 1) {
            return tick;
        }
        int quarter = Math.floorDiv(tick, Ticks.PER_QUARTER) * Ticks.PER_QUARTER;
        int inside = tick - quarter;
        double offBeat = Ticks.PER_QUARTER * ratio / (1 + ratio);
        double bent = inside <= Ticks.PER_EIGHTH
                ? inside * offBeat / Ticks.PER_EIGHTH
                : offBeat + (inside - Ticks.PER_EIGHTH) * (Ticks.PER_QUARTER - offBeat) / Ticks.PER_EIGHTH;
        return quarter + (int) Math.round(bent);
    }
}
