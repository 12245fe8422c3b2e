package zapateo.rhythm;

import zapateo.refusal.Refused;

/**
 * A speed: so many beats a minute, and how long such a beat is.
 *
 * @param bpm beats a minute, 20 to 400
 * @param beatTicks ticks of one of those beats
 */
public record Tempo(double bpm, int beatTicks) {

    public static final double SLOWEST = 20;
    public static final double FASTEST = 400;

    /** @throws Refused naming what was given and what was expected */
    public Tempo {
        if (!(bpm >= SLOWEST && bpm <= FASTEST)) {
            throw new Refused("tempo " + bpm + ": expected 20 to 400 beats a minute");
        }
        if (beatTicks <= 0) {
            throw new Refused("beat of " + beatTicks + " ticks: expected more than none");
        }
    }

    public static Tempo of(double bpm, int beatTicks) {
        return new Tempo(bpm, beatTicks);
    }

    /** The same speed in quarter notes a minute. */
    public double quartersPerMinute() {
        return bpm * beatTicks / Ticks.PER_QUARTER;
    }

    public double millisecondsOf(int ticks) {
        return ticks * 60_000.0 / (quartersPerMinute() * Ticks.PER_QUARTER);
    }

    /** The most whole ticks that last no longer than {@code milliseconds}. */
    public int ticksWithin(double milliseconds) {
        return (int) Math.floor(milliseconds * quartersPerMinute() * Ticks.PER_QUARTER / 60_000.0);
    }
}
