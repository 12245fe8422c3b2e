package zapateo.search;

import java.util.LinkedHashMap;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;

/**
 * The cheapest way through layers of candidates, one from each: exact, by dynamic programming over the steps between
 * neighbouring layers. Among equally cheap ways the one whose candidates come first wins, so the answer never depends on luck.
 *
 * @param steps the chosen candidate of each layer
 * @param total the sum of all weighted costs
 * @param costs the same total by term name
 */
public record ShortestPath<C>(List<C> steps, double total, Map<String, Double> costs) {

    /** Finds it. Every layer needs at least one candidate; no layers give an empty path. */
    public static <C> ShortestPath<C> through(List<List<C>> layers, List<CostTerm<C>> terms) {
        if (layers.isEmpty()) {
            return new ShortestPath<>(List.of(), 0, costsOf(List.of(), terms));
        }
        int[][] cameFrom = new int[layers.size()][];
        double[] cheapest = new double[0];
        for (int layer = 0; layer < layers.size(); layer++) {
            List<C> candidates = layers.get(layer);
            if (candidates.isEmpty()) {
                throw new IllegalArgumentException("layer " + layer + " has no candidates: expected one at least");
            }
            double[] next = new double[candidates.size()];
            cameFrom[layer] = new int[candidates.size()];
            for (int to = 0; to < next.length; to++) {
                C candidate = candidates.get(to);
                double best = layer == 0 ? 0 : Double.POSITIVE_INFINITY;
                for (int from = 0; from < cheapest.length; from++) {
                    double cost = cheapest[from] + step(layers.get(layer - 1).get(from), candidate, terms);
                    if (cost < best) {
                        best = cost;
                        cameFrom[layer][to] = from;
                    }
                }
                next[to] = best + own(candidate, terms);
            }
            cheapest = next;
        }
        List<C> steps = walkBack(layers, cameFrom, first(cheapest));
        return new ShortestPath<>(steps, cheapest[first(cheapest)], costsOf(steps, terms));
    }

    private static int first(double[] cheapest) {
        int best = 0;
        for (int i = 1; i < cheapest.length; i++) {
            best = cheapest[i] < cheapest[best] ? i : best;
        }
        return best;
    }

    private static <C> List<C> walkBack(List<List<C>> layers, int[][] cameFrom, int last) {
        LinkedList<C> steps = new LinkedList<>();
        int at = last;
        for (int layer = layers.size() - 1; layer >= 0; layer--) {
            steps.addFirst(layers.get(layer).get(at));
            at = cameFrom[layer][at];
        }
        return List.copyOf(steps);
    }

    private static <C> double own(C candidate, List<CostTerm<C>> terms) {
        double sum = 0;
        for (CostTerm<C> term : terms) {
            sum += term.weight() * term.own().applyAsDouble(candidate);
        }
        return sum;
    }

    private static <C> double step(C from, C to, List<CostTerm<C>> terms) {
        double sum = 0;
        for (CostTerm<C> term : terms) {
            sum += term.weight() * term.step().applyAsDouble(from, to);
        }
        return sum;
    }

    /** What a given way costs, term by term. */
    public static <C> Map<String, Double> costsOf(List<C> steps, List<CostTerm<C>> terms) {
        Map<String, Double> costs = new LinkedHashMap<>();
        for (CostTerm<C> term : terms) {
            double sum = 0;
            for (int i = 0; i < steps.size(); i++) {
                sum += term.weight() * term.own().applyAsDouble(steps.get(i));
                sum += i == 0 ? 0 : term.weight() * term.step().applyAsDouble(steps.get(i - 1), steps.get(i));
            }
            costs.put(term.name(), sum);
        }
        return costs;
    }
}
