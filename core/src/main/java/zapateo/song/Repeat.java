package zapateo.song;

/**
 * How often the bars up to a closing repeat sign are played.
 *
 * @param times 2 to 32; of a vamp 1, since it goes round until the player is told to go on
 * @param vamp  whether it goes round until told
 */
public record Repeat(int times, boolean vamp) {

    public static final int MOST = 32;
    public static final Repeat TWICE = new Repeat(2, false);
    public static final Repeat VAMP = new Repeat(1, true);

    public Repeat {
        if (vamp ? times != 1 : times < 2 || times > MOST) {
            throw new IllegalArgumentException("played " + times + " times: expected 2 to " + MOST);
        }
    }

    public static Repeat of(int times) {
        return new Repeat(times, false);
    }
}
