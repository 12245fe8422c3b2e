package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import zapateo.refusal.Refused;

/**
 * How often the bars up to a closing repeat sign are played.
 *
 * @param times 2 to 32; of a vamp 1, since it goes round until the player is told to go on
 * @param vamp whether it goes round until told
 */
public record Repeat(int times, boolean vamp) {

    public static final int MOST = 32;
    public static final Repeat TWICE = new Repeat(2, false);
    public static final Repeat VAMP = new Repeat(1, true);

    /** @throws Refused naming what was given and what was expected */
    public Repeat {
        if (vamp ? times != 1 : times < 2 || times > MOST) {
            throw new Refused("played " + times + " times: expected 2 to " + MOST);
        }
    }

    /**
     * The rounds an ending is for, written {@code 1}, {@code 1,3} or {@code 1-3}; 1 to 9 each, the first where nothing
     * of that is said.
     */
    public static List<Integer> rounds(String text) {
        List<Integer> rounds = new ArrayList<>();
        for (String part : text.split("[^0-9-]+")) {
            if (part.matches("[1-9](-[1-9])?")) {
                IntStream.rangeClosed(part.charAt(0) - '0', part.charAt(part.length() - 1) - '0')
                        .filter(round -> !rounds.contains(round))
                        .forEach(rounds::add);
            }
        }
        return rounds.isEmpty() ? List.of(1) : List.copyOf(rounds);
    }

    public static Repeat of(int times) {
        return new Repeat(times, false);
    }
}
