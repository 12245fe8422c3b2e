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
        assertThat(found.costs().values().stream().mapToDouble(Double::doubleValue).sum()).isCloseTo(found.total(), within(1e-9));
        assertThat(found.steps()).hasSameSizeAs(layers);
    }

    private static double cheapest(List<List<Integer>> layers, int layer, List<Integer> way) {
        if (layer == layers.size()) {
            return ShortestPath.costsOf(way, TERMS).values().stream().mapToDouble(Double::doubleValue).sum();
        }
        double best = Double.POSITIVE_INFINITY;
        for (int candidate : layers.get(layer)) {
            way.add(candidate);
            best = Math.min(best, cheapest(layers, layer + 1, way));
            way.remove(way.size() - 1);
        }
        return best;
    }

    @Test
    void of_two_equally_cheap_ways_the_first_is_taken() {
        assertThat(ShortestPath.through(List.of(List.of(9, 11)), TERMS).steps()).containsExactly(9);
        assertThat(ShortestPath.through(List.of(List.of(11, 9)), TERMS).steps()).containsExactly(11);
    }

    @Test
    void no_layers_give_an_empty_way_and_an_empty_layer_is_refused() {
        assertThat(ShortestPath.through(List.<List<Integer>>of(), TERMS).steps()).isEmpty();
        assertThatThrownBy(() -> ShortestPath.through(List.of(List.of(1), List.of()), TERMS)).hasMessageContaining("layer 1 has no candidates");
    }
}
