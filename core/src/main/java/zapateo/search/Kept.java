package zapateo.search;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Iterator;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * What a search found out on its way, for the next one of the same kind. A thread takes it and has it alone until it
 * gives it back, so that nothing in it is shared; those that come meanwhile begin anew. What they answer is the same:
 * it only takes them longer.
 *
 * @param <K> what is equal for searches that can use the same
 * @param <T> what was found out
 */
public final class Kept<K, T> {

    private final int most;
    private final Predicate<T> small;
    private final Deque<Given<K, T>> given = new ArrayDeque<>();

    private record Given<K, T>(K kind, T found) {}

    /**
     * @param most of all kinds together; those given back last stay
     * @param small whether it may be kept, for it grows with every search
     */
    public Kept(int most, Predicate<T> small) {
        this.most = most;
        this.small = small;
    }

    /** Works with what is kept of a kind, or with something new. Where the work breaks off, nothing of it is kept. */
    public <R> R with(K kind, Function<K, T> anew, Function<T, R> work) {
        T taken = take(kind);
        T mine = taken == null ? anew.apply(kind) : taken;
        R done = work.apply(mine);
        if (small.test(mine)) {
            giveBack(new Given<>(kind, mine));
        }
        return done;
    }

    private synchronized T take(K kind) {
        for (Iterator<Given<K, T>> each = given.iterator(); each.hasNext(); ) {
            Given<K, T> found = each.next();
            if (found.kind().equals(kind)) {
                each.remove();
                return found.found();
            }
        }
        return null;
    }

    private synchronized void giveBack(Given<K, T> found) {
        given.addFirst(found);
        if (given.size() > most) {
            given.removeLast();
        }
    }
}
