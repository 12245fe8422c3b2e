package zapateo.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class KeptTest {

    private static final int SMALL = 5;

    private final AtomicInteger begun = new AtomicInteger();
    private final Kept<String, List<Integer>> kept = new Kept<>(2, found -> found.size() <= SMALL);

    private List<Integer> found(String kind, int... more) {
        return kept.with(kind, this::anew, found -> {
            IntStream.of(more).forEach(found::add);
            return List.copyOf(found);
        });
    }

    private List<Integer> anew(String kind) {
        begun.incrementAndGet();
        return new ArrayList<>();
    }

    @Test
    void the_next_of_a_kind_goes_on_where_the_last_one_was() {
        assertThat(found("left", 1)).containsExactly(1);
        assertThat(found("left", 2)).containsExactly(1, 2);
        assertThat(found("right", 3)).containsExactly(3);
        assertThat(found("left")).containsExactly(1, 2);
        assertThat(begun).hasValue(2);
    }

    @Test
    void no_two_have_the_same_at_once() {
        List<Integer> inner = kept.with("left", this::anew, outer -> {
            outer.add(1);
            return found("left", 2);
        });
        assertThat(inner).containsExactly(2);
        assertThat(begun).hasValue(2);
    }

    @Test
    void the_last_ones_stay() {
        found("one", 1);
        found("two", 2);
        found("one");
        found("three", 3);
        assertThat(found("one")).containsExactly(1);
        assertThat(found("two")).as("the one that was longest away").isEmpty();
    }

    @Test
    void what_has_grown_too_large_or_broke_off_begins_anew() {
        assertThat(found("left", 1, 2, 3, 4, 5, 6)).hasSize(6);
        assertThat(found("left")).isEmpty();
        assertThatThrownBy(() -> kept.with("right", this::anew, found -> {
                    found.add(1);
                    throw new IllegalStateException("given up");
                }))
                .hasMessage("given up");
        assertThat(found("right")).isEmpty();
    }

    /** What one thread adds and counts nobody else touches meanwhile. */
    @Test
    void many_threads_never_share_it() throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(8);
        Kept<String, List<Integer>> shared = new Kept<>(3, found -> found.size() < 1_000);
        Callable<Boolean> work = () -> IntStream.range(0, 2_000)
                .allMatch(i -> shared.with("left", kind -> new ArrayList<>(), found -> {
                    int before = found.size();
                    found.add(i);
                    Thread.onSpinWait();
                    return found.size() == before + 1 && found.get(before) == i;
                }));
        try {
            for (Future<Boolean> alone : threads.invokeAll(Collections.nCopies(8, work))) {
                assertThat(alone.get()).isTrue();
            }
        } finally {
            threads.shutdownNow();
        }
    }
}
