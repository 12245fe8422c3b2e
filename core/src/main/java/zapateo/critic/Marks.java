package zapateo.critic;

import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import zapateo.part.Reason;

/** Where a row of the list of faults puts what it finds. */
final class Marks {

    private final String id;
    private final Consumer<Fault> marked;

    Marks(String id, Consumer<Fault> marked) {
        this.id = id;
        this.marked = marked;
    }

    /** @param args for what is wrong and what would be right */
    void add(int bar, List<Integer> strokes, Map<String, String> args) {
        marked.accept(new Fault(id, bar, strokes, Reason.of("fault-" + id, args), Reason.of("better-" + id, args)));
    }
}
