package zapateo.critic;

import java.util.Set;
import zapateo.rhythm.Liveliness;

/**
 * What was asked for in a bar.
 *
 * @param figure its id
 * @param family of the figure
 * @param level 1 to 5, 0 for as chosen
 * @param single whether basses alone were asked for
 * @param bassPlayer whether someone else has the bass
 * @param liveliness how much was to be varied
 * @param claims the tempos its figure says it is for
 */
public record Asked(
        String figure,
        String family,
        Set<Trait> traits,
        int level,
        boolean single,
        boolean bassPlayer,
        Liveliness liveliness,
        Claims claims) {

    /** Quarters a minute. */
    public record Claims(int slowest, int fastest) {

        public static final Claims NONE = new Claims(Integer.MAX_VALUE, 0);
    }

    private static final int PLAIN = 2;
    private static final Set<String> LOW = Set.of("pop", "rock", "blues", "boogie", "shuffle");

    public boolean is(Trait trait) {
        return traits.contains(trait);
    }

    /** Whether its style has its basses low: pop, rock and what is of the blues. */
    boolean isLow() {
        return LOW.contains(family);
    }

    /** Whether a level keeps it to what the first stages play. */
    boolean isPlain() {
        return level > 0 && level <= PLAIN;
    }
}
