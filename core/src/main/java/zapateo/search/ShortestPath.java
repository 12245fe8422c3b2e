package zapateo.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntFunction;

/**
 * The cheapest way through layers of candidates, one from each: exact, by dynamic programming over the steps between
 * neighbouring layers. A step costs nothing or more, so that one from a candidate that is dearer already than a whole
 * way there need not be counted; one that may not be taken costs infinitely much. Among equally cheap ways the one
 * whose candidates come first wins, so the answer never depends on luck.
 *
 * @param steps the chosen candidate of each layer
 * @param total the sum of all weighted costs
 * @param costs the same total by term name
 */
public record ShortestPath<C>(List<C> steps, double total, Map<String, Double> costs) {

    /**
     * Finds it. Every layer needs at least one candidate; no layers give an empty path. A list that stands in several
     * layers is counted once.
     */
    public static <C> ShortestPath<C> through(List<List<C>> layers, List<CostTerm<C>> terms) {
        return through(layers, terms, Joint.none());
    }

    /**
     * What two neighbours of a path have to agree on, where a candidate says something about the one before it.
     *
     * @param leaves what a candidate is to the one after it
     * @param enters what a candidate takes the one before it to be, 0 when anything will do
     */
    public record Joint<C>(ToIntFunction<C> leaves, ToIntFunction<C> enters) {

        static <C> Joint<C> none() {
            return new Joint<>(candidate -> 0, candidate -> 0);
        }
    }

    /** The same where only candidates that join may follow one another. */
    public static <C> ShortestPath<C> through(List<List<C>> layers, List<CostTerm<C>> terms, Joint<C> joint) {
        return Forward.of(layers, new Costs<>(terms, joint), Forward.none()).best();
    }

    /**
     * Searches by the same costs, one after the other: what lists of candidates cost is counted once for all of them,
     * and layers that stand as they stood in the search before are not gone through again. Not to be shared between
     * threads.
     */
    public static final class Repeated<C> {

        /** A search of more layers is not held. */
        private static final int MOST_LAYERS = 4_000;

        private final Costs<C> costs;
        private Forward<C> last = Forward.none();

        public Repeated(List<CostTerm<C>> terms) {
            this(terms, Joint.none());
        }

        public Repeated(List<CostTerm<C>> terms, Joint<C> joint) {
            this.costs = new Costs<>(terms, joint);
        }

        public ShortestPath<C> through(List<List<C>> layers) {
            Forward<C> found = Forward.of(layers, costs, last);
            last = layers.size() <= MOST_LAYERS ? found : Forward.none();
            return found.best();
        }

        /** How many steps were counted so far and are held. */
        public int size() {
            return costs.counted;
        }
    }

    /** The way forward: by layer and candidate what the cheapest way there costs, and which candidate it comes from. */
    private record Forward<C>(List<List<C>> layers, Costs<C> costs, double[][] cheapest, int[][] cameFrom) {

        private static <C> Forward<C> none() {
            return new Forward<>(List.of(), null, new double[0][], new int[0][]);
        }

        /**
         * @param before whose first layers need not be gone through again where they are the same lists; of the same
         *     costs
         */
        private static <C> Forward<C> of(List<List<C>> layers, Costs<C> costs, Forward<C> before) {
            int known = 0;
            while (known < layers.size()
                    && known < before.layers.size()
                    && layers.get(known) == before.layers.get(known)) {
                known++;
            }
            Forward<C> found =
                    new Forward<>(List.copyOf(layers), costs, new double[layers.size()][], new int[layers.size()][]);
            System.arraycopy(before.cheapest, 0, found.cheapest, 0, known);
            System.arraycopy(before.cameFrom, 0, found.cameFrom, 0, known);
            for (int layer = known; layer < layers.size(); layer++) {
                Patience.check();
                if (layers.get(layer).isEmpty()) {
                    throw new IllegalArgumentException("layer " + layer + " has no candidates: expected one at least");
                }
                found.step(layer);
            }
            return found;
        }

        private void step(int layer) {
            List<C> candidates = layers.get(layer);
            double[] own = costs.own(candidates);
            double[] next = new double[candidates.size()];
            int[] came = new int[candidates.size()];
            cameFrom[layer] = came;
            if (layer == 0) {
                cheapest[layer] = own;
                return;
            }
            double[] before = cheapest[layer - 1];
            Steps<C> steps = costs.steps(layers.get(layer - 1), candidates);
            int[] order = cheapestFirst(before);
            for (int to = 0; to < next.length; to++) {
                double best = Double.POSITIVE_INFINITY;
                for (int from : order) {
                    if (before[from] > best) {
                        break;
                    }
                    double sum = before[from] + steps.cost(from, to, costs);
                    if (sum < best || sum == best && from < came[to] && sum < Double.POSITIVE_INFINITY) {
                        best = sum;
                        came[to] = from;
                    }
                }
                next[to] = best + own[to];
            }
            cheapest[layer] = next;
        }

        /** Places in the order of what stands there; of equals the first goes first. */
        private static int[] cheapestFirst(double[] costs) {
            int[] order = new int[costs.length];
            for (int i = 0; i < order.length; i++) {
                int at = i;
                for (; at > 0 && costs[order[at - 1]] > costs[i]; at--) {
                    order[at] = order[at - 1];
                }
                order[at] = i;
            }
            return order;
        }

        private ShortestPath<C> best() {
            if (layers.isEmpty()) {
                return new ShortestPath<>(List.of(), 0, costsOf(List.of(), costs.terms));
            }
            double[] last = cheapest[layers.size() - 1];
            List<C> steps = walkBack(layers, cameFrom, first(last));
            return new ShortestPath<>(steps, last[first(last)], costsOf(steps, costs.terms));
        }
    }

    /**
     * For one layer the cheapest whole way through each of its candidates, the cheapest first; what a choice there
     * costs all in all.
     *
     * @return as many ways as the layer has candidates
     */
    public static <C> List<ShortestPath<C>> throughEach(List<List<C>> layers, List<CostTerm<C>> terms, int layer) {
        List<ShortestPath<C>> ways = new ArrayList<>();
        for (C candidate : layers.get(layer)) {
            List<List<C>> held = new ArrayList<>(layers);
            held.set(layer, List.of(candidate));
            ways.add(through(held, terms));
        }
        ways.sort((one, other) -> Double.compare(one.total, other.total));
        return ways;
    }

    /** What steps between two lists of candidates cost, each counted when it is first asked for. */
    private static final class Steps<C> {

        private final List<C> from;
        private final List<C> to;
        private final int[] leaves;
        private final int[] enters;
        /**
         * By the candidates stepped to, and for each of them by those stepped from; not a number where it was not asked
         * for yet.
         */
        private final double[] cost;

        private Steps(List<C> from, List<C> to, Joint<C> joint) {
            this.from = from;
            this.to = to;
            this.leaves = each(from, joint.leaves);
            this.enters = each(to, joint.enters);
            this.cost = new double[to.size() * from.size()];
            Arrays.fill(cost, Double.NaN);
        }

        private static <C> int[] each(List<C> candidates, ToIntFunction<C> asked) {
            int[] all = new int[candidates.size()];
            for (int i = 0; i < all.length; i++) {
                all[i] = asked.applyAsInt(candidates.get(i));
            }
            return all;
        }

        private double cost(int stepsFrom, int stepsTo, Costs<C> costs) {
            int at = stepsTo * leaves.length + stepsFrom;
            double known = cost[at];
            if (!Double.isNaN(known)) {
                return known;
            }
            boolean joins = enters[stepsTo] == 0 || enters[stepsTo] == leaves[stepsFrom];
            double found = joins ? costs.step(from.get(stepsFrom), to.get(stepsTo)) : Double.POSITIVE_INFINITY;
            cost[at] = found;
            return found;
        }
    }

    /** Weighted costs of candidates and of the steps between two lists of them, each counted once. */
    private static final class Costs<C> {

        private final List<CostTerm<C>> terms;
        private final Joint<C> joint;
        private final List<CostTerm<C>> stepping;
        private final Map<List<C>, double[]> own = new IdentityHashMap<>();
        private final Map<List<C>, Map<List<C>, Steps<C>>> steps = new IdentityHashMap<>();
        private int counted;

        private Costs(List<CostTerm<C>> terms, Joint<C> joint) {
            this.terms = terms;
            this.joint = joint;
            this.stepping = terms.stream().filter(CostTerm::steps).toList();
        }

        private double[] own(List<C> candidates) {
            return own.computeIfAbsent(candidates, all -> {
                double[] costs = new double[all.size()];
                for (int i = 0; i < costs.length; i++) {
                    C candidate = all.get(i);
                    for (CostTerm<C> term : terms) {
                        costs[i] += term.weight() * term.own().applyAsDouble(candidate);
                    }
                }
                return costs;
            });
        }

        private Steps<C> steps(List<C> from, List<C> to) {
            return steps.computeIfAbsent(from, each -> new IdentityHashMap<>()).computeIfAbsent(to, each -> {
                counted += from.size() * to.size();
                return new Steps<>(from, to, joint);
            });
        }

        private double step(C from, C to) {
            double sum = 0;
            for (int i = 0; i < stepping.size(); i++) {
                CostTerm<C> term = stepping.get(i);
                sum += term.weight() * term.step().applyAsDouble(from, to);
                if (sum == Double.POSITIVE_INFINITY) {
                    return sum;
                }
            }
            return sum;
        }
    }

    private static int first(double[] cheapest) {
        int best = 0;
        for (int i = 1; i < cheapest.length; i++) {
            best = cheapest[i] < cheapest[best] ? i : best;
        }
        return best;
    }

    private static <C> List<C> walkBack(List<List<C>> layers, int[][] cameFrom, int last) {
        List<C> steps = new ArrayList<>(layers.size());
        int at = last;
        for (int layer = layers.size() - 1; layer >= 0; layer--) {
            steps.add(layers.get(layer).get(at));
            at = cameFrom[layer][at];
        }
        Collections.reverse(steps);
        return List.copyOf(steps);
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
