package zapateo.search;

import java.util.function.BooleanSupplier;

/**
 * How long a computation of this thread may go on: whoever asked for it says when it is enough, and the searches look
 * in each of their layers.
 */
public final class Patience {

    private static final ThreadLocal<BooleanSupplier> SPENT = new ThreadLocal<>();

    private Patience() {}

    /** Thrown out of a computation that is given up; nothing of it is kept. */
    public static final class GivenUp extends RuntimeException {

        private static final long serialVersionUID = 1;

        private GivenUp() {
            super("given up", null, false, false);
        }
    }

    /** @param spent whether it is enough; asked often, so it has to be quick */
    public static void begin(BooleanSupplier spent) {
        SPENT.set(spent);
    }

    public static void end() {
        SPENT.remove();
    }

    /**
     * To be called wherever work is done by layers, bars or candidates.
     *
     * @throws GivenUp where it is enough
     */
    public static void check() {
        BooleanSupplier spent = SPENT.get();
        if (spent != null && spent.getAsBoolean()) {
            throw new GivenUp();
        }
    }
}
