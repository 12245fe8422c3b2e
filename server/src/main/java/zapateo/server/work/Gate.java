package zapateo.server.work;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/** So many at once, and a short queue before it; who came first goes first. */
final class Gate {

    private final Semaphore places;
    private final AtomicInteger waiting = new AtomicInteger();
    private final int mostWaiting;
    private final long longestMillis;

    Gate(int places, int mostWaiting, long longestMillis) {
        this.places = new Semaphore(places, true);
        this.mostWaiting = mostWaiting;
        this.longestMillis = longestMillis;
    }

    /** Whether there is a place, now or after a short wait; it has to be given back. */
    boolean enter() {
        try {
            // With a time, even none, nobody passes those who wait.
            return places.tryAcquire(0, TimeUnit.MILLISECONDS) || await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private boolean await() throws InterruptedException {
        try {
            return waiting.incrementAndGet() <= mostWaiting && places.tryAcquire(longestMillis, TimeUnit.MILLISECONDS);
        } finally {
            waiting.decrementAndGet();
        }
    }

    void leave() {
        places.release();
    }
}
