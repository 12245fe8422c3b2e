package zapateo.critic;

import java.util.Set;

/**
 * What was asked for in a bar.
 *
 * @param figure     its id
 * @param family     of the figure
 * @param level      1 to 5, 0 for as chosen
 * @param single     whether basses alone were asked for
 * @param bassPlayer whether someone else has the bass
 */
public record Asked(String figure, String family, Set<Trait> traits, int level, boolean single, boolean bassPlayer) {

    private static final int PLAIN = 2;

    public boolean is(Trait trait) {
        return traits.contains(trait);
    }

    /** Whether a level keeps it to what the first stages play. */
    boolean isPlain() {
        return level > 0 && level <= PLAIN;
    }
}
