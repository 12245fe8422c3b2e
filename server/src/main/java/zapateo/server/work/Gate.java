package zapateo.server.work;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import zapateo.search.Patience;

/**
 * So many at once, and a short queue before it; who came first goes first. One tab of a browser, which may ask for much
 * at once, has at most two places while others wait.
 */
final class Gate {

    static final int MOST_OF_A_TAB = 2;
    /** How often who waits looks whether anybody still waits for it. */
    private static final long LOOK_MILLIS = 100;

    private final int mostWaiting;
    private final long longestMillis;
    private final Deque<Waiter> queue = new ArrayDeque<>();
    private final Map<String, Integer> taken = new HashMap<>();
    private int free;

    /** Not a record: each is itself alone. */
    private static final class Waiter {

        private final String tab;

        private Waiter(String tab) {
            this.tab = tab;
        }
    }

    Gate(int places, int mostWaiting, long longestMillis) {
        this.free = places;
        this.mostWaiting = mostWaiting;
        this.longestMillis = longestMillis;
    }

    /**
     * Whether there is a place, now or after a short wait; it has to be given back.
     *
     * @param tab whose it is
     * @throws Patience.GivenUp where nobody waits for it any more
     */
    synchronized boolean enter(String tab) {
        Waiter waiter = new Waiter(tab);
        queue.add(waiter);
        try {
            if (!isNext(waiter) && queue.size() > mostWaiting) {
                return false;
            }
            long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(longestMillis);
            while (!isNext(waiter)) {
                long left = TimeUnit.NANOSECONDS.toMillis(until - System.nanoTime());
                if (left <= 0) {
                    return false;
                }
                wait(Math.min(left, LOOK_MILLIS));
                Patience.check();
            }
            free--;
            taken.merge(tab, 1, Integer::sum);
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        } finally {
            queue.remove(waiter);
            notifyAll();
        }
    }

    private boolean isNext(Waiter waiter) {
        return free > 0
                && queue.stream()
                                .filter(each -> taken.getOrDefault(each.tab, 0) < MOST_OF_A_TAB)
                                .findFirst()
                                .orElseGet(queue::getFirst)
                        == waiter;
    }

    synchronized int taken() {
        return taken.values().stream().mapToInt(Integer::intValue).sum();
    }

    synchronized int waiting() {
        return queue.size();
    }

    /** @param tab that was let in */
    synchronized void leave(String tab) {
        free++;
        taken.computeIfPresent(tab, (same, places) -> places == 1 ? null : places - 1);
        notifyAll();
    }
}
