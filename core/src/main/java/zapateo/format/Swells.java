package zapateo.format;

import java.util.List;
import java.util.Optional;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.WedgeType;
import zapateo.arrangement.Shades;
import zapateo.song.Bar;

/** Loudness as it is written: signs where sections differ, hairpins that lead from one to the next. */
final class Swells {

    private static final List<String> SIGNS = List.of("p", "mp", "mf", "f", "ff");
    /** Velocities of a left hand from which it plays mezzo forte, and forte. */
    private static final int MEZZO_FORTE = 62;

    private static final int FORTE = 88;
    /** So much louder or softer is another sign. */
    private static final int STEP = 5;

    private Swells() {}

    /** The sign of a level where the plain one is played at a velocity. */
    static String mark(double velocity, int level) {
        int plain = velocity < MEZZO_FORTE ? 1 : velocity < FORTE ? 2 : 3;
        return SIGNS.get(plain + sign(level));
    }

    /** How many signs a level is away from the plain one. */
    static Integer sign(int level) {
        return level >= STEP ? 1 : level <= -STEP ? -1 : 0;
    }

    /** @param from the first bar of the page */
    static Optional<Direction> beginningAt(Shades shades, Bar bar, int from) {
        Optional<Boolean> own = shades.bars().get(bar.index()).swells();
        boolean goesOn = bar.index() > from
                && shades.bars().get(bar.index() - 1).swells().equals(own);
        return own.filter(any -> !goesOn)
                .map(louder -> Directions.wedge(louder ? WedgeType.CRESCENDO : WedgeType.DIMINUENDO));
    }

    /** @param to the last bar of the page */
    static Optional<Direction> endingAfter(Shades shades, Bar bar, int to) {
        Optional<Boolean> own = shades.bars().get(bar.index()).swells();
        boolean goesOn =
                bar.index() < to && shades.bars().get(bar.index() + 1).swells().equals(own);
        return own.filter(any -> !goesOn).map(any -> Directions.wedge(WedgeType.STOP));
    }
}
