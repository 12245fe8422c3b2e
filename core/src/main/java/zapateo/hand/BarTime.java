package zapateo.hand;

/**
 * A bar as the hand meets it.
 *
 * @param tick from the song's start
 * @param beatTicks of the beat that is counted
 * @param bpm of those beats a minute
 */
public record BarTime(int tick, int ticks, int beatTicks, double bpm) {

    double seconds(double ofTicks) {
        return ofTicks / beatTicks * 60 / bpm;
    }

    int end() {
        return tick + ticks;
    }
}
