package zapateo.server.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;

class GateTest {

    /** One that comes as a place gets free does not pass one that waits for it. */
    @RepeatedTest(20)
    void who_came_first_goes_first() throws Exception {
        Gate gate = new Gate(1, 5, 10_000);
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        assertThat(gate.enter()).isTrue();
        Thread first = new Thread(() -> pass(gate, "first", order));
        first.start();
        while (first.getState() != Thread.State.TIMED_WAITING) {
            Thread.onSpinWait();
        }
        gate.leave();
        pass(gate, "second", order);
        first.join();
        assertThat(order).containsExactly("first", "second");
    }

    @Test
    void no_more_wait_than_may() throws Exception {
        Gate gate = new Gate(1, 1, 10_000);
        assertThat(gate.enter()).isTrue();
        Thread waits = new Thread(() -> pass(gate, "", new ArrayList<>()));
        waits.start();
        while (waits.getState() != Thread.State.TIMED_WAITING) {
            Thread.onSpinWait();
        }
        assertThat(gate.enter()).isFalse();
        gate.leave();
        waits.join();
        assertThat(gate.enter()).isTrue();
    }

    @Test
    void nobody_waits_for_ever() {
        Gate gate = new Gate(1, 1, 20);
        assertThat(gate.enter()).isTrue();
        assertThat(gate.enter()).isFalse();
    }

    private static void pass(Gate gate, String name, List<String> order) {
        if (gate.enter()) {
            order.add(name);
            gate.leave();
        }
    }
}
