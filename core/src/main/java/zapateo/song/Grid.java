package zapateo.song;

import java.util.Arrays;
import java.util.Optional;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;

/** What one chord or dot of a bar counts: a beat unless the bar says otherwise. */
public enum Grid {
    BEATS("beats", 0),
    EIGHTHS("eighths", Ticks.PER_EIGHTH),
    TRIPLETS("triplets", Ticks.PER_QUARTER / 3),
    SIXTEENTHS("sixteenths", Ticks.PER_EIGHTH / 2);

    private final String written;
    private final int ticks;

    Grid(String written, int ticks) {
        this.written = written;
        this.ticks = ticks;
    }

    public static Optional<Grid> named(String name) {
        return Arrays.stream(values()).filter(grid -> grid.written.equals(name)).findFirst();
    }

    public String written() {
        return written;
    }

    public int ticks(Meter meter) {
        return this == BEATS ? meter.beatTicks() : ticks;
    }

    /** The coarsest that every one of these places lies on. */
    public static Optional<Grid> fitting(Meter meter, Iterable<Integer> places) {
        return Arrays.stream(values())
                .filter(grid -> {
                    for (int place : places) {
                        if (place % grid.ticks(meter) != 0) {
                            return false;
                        }
                    }
                    return true;
                })
                .findFirst();
    }
}
