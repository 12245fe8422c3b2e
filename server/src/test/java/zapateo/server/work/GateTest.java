package zapateo.server.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import zapateo.search.Patience;

class GateTest {

    /** One that comes as a place gets free does not pass one that waits for it. */
    @RepeatedTest(20)
    void who_came_first_goes_first() throws Exception {
        Gate gate = new Gate(1, 5, 10_000);
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        assertThat(gate.enter("one")).isTrue();
        Thread first = new Thread(() -> pass(gate, "first", order));
        first.start();
        while (first.getState() != Thread.State.TIMED_WAITING) {
            Thread.onSpinWait();
        }
        gate.leave("one");
        pass(gate, "second", order);
        first.join();
        assertThat(order).containsExactly("first", "second");
    }

    @Test
    void no_more_wait_than_may() throws Exception {
        Gate gate = new Gate(1, 1, 10_000);
        assertThat(gate.enter("one")).isTrue();
        Thread waits = new Thread(() -> pass(gate, "", new ArrayList<>()));
        waits.start();
        while (waits.getState() != Thread.State.TIMED_WAITING) {
            Thread.onSpinWait();
        }
        assertThat(gate.enter("one")).isFalse();
        gate.leave("one");
        waits.join();
        assertThat(gate.enter("one")).isTrue();
    }

    @Test
    void nobody_waits_for_ever() {
        Gate gate = new Gate(1, 1, 20);
        assertThat(gate.enter("one")).isTrue();
        assertThat(gate.enter("one")).isFalse();
    }

    private static void pass(Gate gate, String name, List<String> order) {
        if (gate.enter("one")) {
            order.add(name);
            gate.leave("one");
        }
    }

    /** Of three places a tab that asks for much has two while others wait, and all of them while nobody does. */
    @Test
    void a_tab_leaves_a_place_to_others() throws Exception {
        Gate gate = new Gate(3, 10, 10_000);
        assertThat(gate.enter("greedy")).isTrue();
        assertThat(gate.enter("greedy")).isTrue();
        assertThat(gate.enter("other")).isTrue();
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        Thread third = waiting(() -> come(gate, "greedy", order));
        Thread late = waiting(() -> come(gate, "late", order));
        gate.leave("other");
        late.join();
        assertThat(order).as("who came later, of a tab that has none").containsExactly("late");
        gate.leave("greedy");
        third.join();
        assertThat(order).containsExactly("late", "greedy");
        gate.leave("late");
        assertThat(gate.enter("greedy")).as("nobody else waits").isTrue();
    }

    /** What nobody waits for any more leaves the queue, and its place in it. */
    @Test
    void who_is_gone_waits_no_longer() throws Exception {
        Gate gate = new Gate(1, 1, 600_000);
        assertThat(gate.enter("one")).isTrue();
        AtomicBoolean gone = new AtomicBoolean();
        AtomicBoolean givenUp = new AtomicBoolean();
        Thread waits = waiting(() -> {
            Patience.begin(gone::get);
            try {
                gate.enter("two");
            } catch (Patience.GivenUp enough) {
                givenUp.set(true);
            }
        });
        gone.set(true);
        waits.join();
        assertThat(givenUp).isTrue();
        gate.leave("one");
        assertThat(gate.enter("three")).isTrue();
    }

    private static void come(Gate gate, String tab, List<String> order) {
        gate.enter(tab);
        order.add(tab);
    }

    private static Thread waiting(Runnable work) {
        Thread thread = new Thread(work);
        thread.start();
        while (thread.getState() != Thread.State.TIMED_WAITING) {
            Thread.onSpinWait();
        }
        return thread;
    }
}
