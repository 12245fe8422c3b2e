package zapateo.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ShortestPathTest {

    private static final List<CostTerm<Integer>> TERMS = List.of(
            CostTerm.step("movement", 1, (from, to) -> Math.abs(to - from)),
            CostTerm.own("register", 0.5, each -> Math.abs(each - 10)),
            CostTerm.step("leap", 3, (from, to) -> Math.abs(to - from) > 6 ? 1 : 0));

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void it_is_as_cheap_as_the_best_of_all_ways_tried_one_by_one(int seed) {
        Random random = new Random(seed);
        List<List<Integer>> layers = new ArrayList<>();
        for (int layer = 0; layer < 1 + random.nextInt(6); layer++) {
            layers.add(random.ints(1 + random.nextInt(4), 0, 20).boxed().toList());
        }
        ShortestPath<Integer> found = ShortestPath.through(layers, TERMS);
        assertThat(found.total()).isCloseTo(cheapest(layers, 0, new ArrayList<>()), within(1e-9));
        assertThat(found.costs().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum())
                .isCloseTo(found.total(), within(1e-9));
        assertThat(found.steps()).hasSameSizeAs(layers);
    }

    private static double cheapest(List<List<Integer>> layers, int layer, List<Integer> way) {
        if (layer == layers.size()) {
            return ShortestPath.costsOf(way, TERMS).values().stream()
                    .mapToDouble(Double::doubleValue)
                    .sum();
        }
        double best = Double.POSITIVE_INFINITY;
        for (int candidate : layers.get(layer)) {
            way.add(candidate);
            best = Math.min(best, cheapest(layers, layer + 1, way));
            way.remove(way.size() - 1);
        }
        return best;
    }

    /** Each candidate of a layer held fast, against the search of that layer by itself. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void the_ways_through_each_candidate_of_a_layer_come_cheapest_first(int seed) {
        Random random = new Random(seed);
        List<List<Integer>> layers = IntStream.range(0, 4)
                .mapToObj(layer -> random.ints(3, 0, 20).boxed().toList())
                .toList();
        List<ShortestPath<Integer>> ways = ShortestPath.throughEach(layers, TERMS, 2);
        assertThat(ways).extracting(way -> way.steps().get(2)).containsExactlyInAnyOrderElementsOf(layers.get(2));
        assertThat(ways).extracting(ShortestPath::total).isSorted();
        assertThat(ways.get(0).total())
                .isCloseTo(ShortestPath.through(layers, TERMS).total(), within(1e-9));
        ShortestPath.Repeated<Integer> repeated = new ShortestPath.Repeated<>(TERMS);
        assertThat(repeated.through(layers)).isEqualTo(repeated.through(layers));
        assertThat(repeated.size())
                .as("three times nine steps, each counted once")
                .isEqualTo(27);
        assertThat(new ShortestPath.Repeated<>(TERMS).through(layers)).isEqualTo(ShortestPath.through(layers, TERMS));
    }

    /** One after the other, with layers changed, added and taken away here and there; against a search by itself. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void what_was_searched_before_makes_no_difference(int seed) {
        Random random = new Random(seed);
        List<List<Integer>> all = IntStream.range(0, 5)
                .mapToObj(each ->
                        random.ints(1 + random.nextInt(3), 0, 20).boxed().toList())
                .toList();
        ShortestPath.Repeated<Integer> repeated = new ShortestPath.Repeated<>(TERMS);
        List<List<Integer>> layers = new ArrayList<>();
        for (int search = 0; search < 12; search++) {
            int kept = random.nextInt(layers.size() + 1);
            layers.subList(kept, layers.size()).clear();
            for (int more = random.nextInt(4); more > 0; more--) {
                layers.add(all.get(random.nextInt(all.size())));
            }
            assertThat(repeated.through(layers)).as("search %d", search).isEqualTo(ShortestPath.through(layers, TERMS));
        }
    }

    @Test
    void a_search_given_up_leaves_the_one_before_it() {
        ShortestPath.Repeated<Integer> repeated = new ShortestPath.Repeated<>(TERMS);
        List<List<Integer>> layers = IntStream.range(0, 9)
                .mapToObj(layer -> List.of(layer, layer + 1))
                .toList();
        repeated.through(layers.subList(0, 4));
        Patience.begin(() -> true);
        try {
            assertThatThrownBy(() -> repeated.through(layers)).isInstanceOf(Patience.GivenUp.class);
            assertThat(repeated.through(layers.subList(0, 3)))
                    .as("nothing in it is new")
                    .isEqualTo(repeated.through(layers.subList(0, 3)));
        } finally {
            Patience.end();
        }
        assertThat(repeated.through(layers)).isEqualTo(ShortestPath.through(layers, TERMS));
    }

    @Test
    void only_candidates_that_join_follow_one_another() {
        // What a candidate leaves is its tens, what it enters its units; 0 enters after anything.
        ShortestPath.Joint<Integer> joint = new ShortestPath.Joint<>(each -> each / 10, each -> each % 10);
        assertThat(ShortestPath.through(List.of(List.of(10, 20), List.of(2, 1)), TERMS, joint)
                        .steps())
                .containsExactly(10, 1);
        assertThat(ShortestPath.through(List.of(List.of(20), List.of(12, 20)), TERMS, joint)
                        .steps())
                .as("12 enters after what leaves 2, and 0 after anything")
                .containsExactly(20, 20);
    }

    /** A step that may not be taken ends the sum: what is counted after it might not bear to be asked. */
    @Test
    void a_step_that_may_not_be_taken_is_asked_no_further() {
        List<CostTerm<Integer>> terms = List.of(
                CostTerm.step("never up", 1, (from, to) -> to > from ? Double.POSITIVE_INFINITY : 0),
                CostTerm.step("down", 1, (from, to) -> {
                    assertThat(to).isLessThanOrEqualTo(from);
                    return from - to;
                }));
        ShortestPath<Integer> found = ShortestPath.through(List.of(List.of(5, 9), List.of(7, 8)), terms);
        assertThat(found.steps()).containsExactly(9, 8);
        assertThat(found.total()).isEqualTo(1);
    }

    @Test
    void what_has_no_steps_is_known_to_have_none() {
        assertThat(CostTerm.<Integer>own("own", 1, each -> each).steps()).isFalse();
        assertThat(CostTerm.<Integer>step("step", 1, (from, to) -> 1).steps()).isTrue();
        assertThat(CostTerm.<Integer>own("own", 1, each -> each).step().applyAsDouble(1, 2))
                .isZero();
        assertThat(CostTerm.<Integer>step("step", 1, (from, to) -> 1).own().applyAsDouble(7))
                .isZero();
    }

    @Test
    void it_is_given_up_in_the_layer_in_which_it_is_enough() {
        int[] asked = {0};
        List<List<Integer>> layers = IntStream.range(0, 50)
                .mapToObj(layer -> List.of(layer, layer + 1))
                .toList();
        Patience.begin(() -> ++asked[0] > 10);
        try {
            assertThatThrownBy(() -> ShortestPath.through(layers, TERMS)).isInstanceOf(Patience.GivenUp.class);
            assertThat(asked[0]).isEqualTo(11);
        } finally {
            Patience.end();
        }
        assertThat(ShortestPath.through(layers, TERMS).steps())
                .as("who asked for it says how long, and nobody any more")
                .hasSize(50);
        assertThat(asked[0]).isEqualTo(11);
    }

    @Test
    void of_two_equally_cheap_ways_the_first_is_taken() {
        assertThat(ShortestPath.through(List.of(List.of(9, 11)), TERMS).steps()).containsExactly(9);
        assertThat(ShortestPath.through(List.of(List.of(11, 9)), TERMS).steps()).containsExactly(11);
    }

    @Test
    void no_layers_give_an_empty_way_and_an_empty_layer_is_refused() {
        assertThat(ShortestPath.through(List.<List<Integer>>of(), TERMS).steps())
                .isEmpty();
        assertThatThrownBy(() -> ShortestPath.through(List.of(List.of(1), List.of()), TERMS))
                .hasMessageContaining("layer 1 has no candidates");
    }
}
