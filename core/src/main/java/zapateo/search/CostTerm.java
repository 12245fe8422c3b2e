package zapateo.search;

import java.util.function.ToDoubleBiFunction;
import java.util.function.ToDoubleFunction;

/**
 * One named reason why a candidate is worse than another: by itself, or as the step from the one before.
 *
 * @param name what a person would call it, e.g. {@code movement}
 * @param weight how much one unit of it counts, 0 or more
 * @param own the candidate alone, 0 or more
 * @param step from one candidate to the next, 0 or more
 */
public record CostTerm<C>(String name, double weight, ToDoubleFunction<C> own, ToDoubleBiFunction<C, C> step) {

    public static <C> CostTerm<C> own(String name, double weight, ToDoubleFunction<C> own) {
        return new CostTerm<>(name, weight, own, nowhere());
    }

    public static <C> CostTerm<C> step(String name, double weight, ToDoubleBiFunction<C, C> step) {
        return new CostTerm<>(name, weight, alone(), step);
    }

    private static final ToDoubleFunction<Object> ALONE = candidate -> 0;
    private static final ToDoubleBiFunction<Object, Object> NOWHERE = (from, to) -> 0;

    /** Costs nothing by itself. */
    @SuppressWarnings("unchecked")
    public static <C> ToDoubleFunction<C> alone() {
        return (ToDoubleFunction<C>) ALONE;
    }

    /** No step costs anything. */
    @SuppressWarnings("unchecked")
    public static <C> ToDoubleBiFunction<C, C> nowhere() {
        return (ToDoubleBiFunction<C, C>) NOWHERE;
    }

    boolean steps() {
        return step != NOWHERE;
    }
}
