package zapateo.server;

import java.time.Duration;
import java.util.concurrent.Callable;

/**
 * The one patience of the tests. What is waited for comes, on a busy machine late: so each wait is for an event, and
 * its bound is only there so that what never comes ends too. Times that are the subject of a test are set by it, and
 * are not bounds of this kind.
 */
public final class Await {

    /** A choice of ours, far above what any event was seen to take on a machine with other work. */
    public static final Duration PATIENCE = Duration.ofMinutes(3);

    private static final long BETWEEN_LOOKS_MS = 50;

    private Await() {}

    /** @param what is waited for, for whoever reads that it never came */
    public static void until(String what, Callable<Boolean> happened) throws Exception {
        long latest = System.nanoTime() + PATIENCE.toNanos();
        while (!happened.call()) {
            if (System.nanoTime() > latest) {
                throw new AssertionError("never came: " + what);
            }
            Thread.sleep(BETWEEN_LOOKS_MS);
        }
    }
}
