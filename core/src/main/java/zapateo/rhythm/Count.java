package zapateo.rhythm;

import java.util.List;
import java.util.stream.Collectors;

/**
 * What a player says at a place in the bar (HANDBOOK §2): "1 & 2 &", "1 e & a", "1 trip let"; in 6/8 and the like the
 * eighths are counted through.
 */
public final class Count {

    private static final String[] SIXTEENTHS = {"", "e", "&", "a"};
    private static final String[] TRIPLETS = {"", "trip", "let"};

    private Count() {}

    /** All of it, as in "1 & 2 &". */
    public static String of(Meter meter, List<Integer> ticks) {
        return ticks.stream().distinct().sorted().map(tick -> at(meter, tick)).collect(Collectors.joining(" "));
    }

    /** @param tick from the bar line; what lies between the counts is counted with the one before it */
    public static String at(Meter meter, int tick) {
        int counted = meter.isCompound() ? Ticks.PER_EIGHTH : Ticks.PER_WHOLE / meter.unit();
        String beat = String.valueOf(tick / counted + 1);
        int inside = tick % counted;
        if (inside == 0) {
            return beat;
        }
        if (4 * inside % counted == 0) {
            return beat + SIXTEENTHS[4 * inside / counted];
        }
        return beat + TRIPLETS[Math.min(2, 3 * inside / counted)];
    }
}
