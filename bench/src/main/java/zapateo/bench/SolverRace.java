package zapateo.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.Solution;
import org.chocosolver.solver.constraints.extension.Tuples;
import org.chocosolver.solver.variables.IntVar;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/**
 * The exact search against a constraint solver (Choco) on the same problem: 32 chords with twelve places each. Wanted:
 * the same cost, a thousand times sooner.
 */
public final class SolverRace {

    private static final int CHORDS = 32;
    private static final int PLACES = 12;
    private static final int RUNS = 500;
    private static final String MOST = "60s";

    private SolverRace() {}

    /** A place on the keyboard with what it costs by itself. */
    private record Place(int key, int own) {}

    public static void main(String[] arguments) {
        SplittableRandom random = new SplittableRandom(32);
        List<List<Place>> layers = new ArrayList<>();
        for (int chord = 0; chord < CHORDS; chord++) {
            List<Place> places = new ArrayList<>();
            for (int place = 0; place < PLACES; place++) {
                places.add(new Place(28 + random.nextInt(40), random.nextInt(12)));
            }
            layers.add(places);
        }
        List<CostTerm<Place>> terms =
                List.of(CostTerm.own("own", 1, Place::own), CostTerm.step("step", 1, SolverRace::step));
        double best = ShortestPath.through(layers, terms).total();
        for (int run = 0; run < RUNS; run++) {
            ShortestPath.through(layers, terms);
        }
        long start = System.nanoTime();
        for (int run = 0; run < RUNS; run++) {
            ShortestPath.through(layers, terms);
        }
        double ours = (System.nanoTime() - start) / 1e6 / RUNS;
        Model model = model(layers);
        start = System.nanoTime();
        model.getSolver().limitTime(MOST);
        Solution solution = model.getSolver().findOptimalSolution((IntVar) model.getObjective(), false);
        double theirs = (System.nanoTime() - start) / 1e6;
        boolean proved = !model.getSolver().isStopCriterionMet();
        System.out.printf(
                "the search on %d chords of %d places: %.3f ms, cost %.0f; a constraint solver: %.0f ms%s, cost %d; "
                        + "%.0f times as long%n",
                CHORDS,
                PLACES,
                ours,
                best,
                theirs,
                proved ? "" : " without having proved it",
                solution == null ? -1 : solution.getIntVal((IntVar) model.getObjective()),
                theirs / ours);
    }

    private static int step(Place from, Place to) {
        int moved = Math.abs(to.key() - from.key());
        return moved + (moved > 12 ? 8 : 0);
    }

    private static Model model(List<List<Place>> layers) {
        Model model = new Model("places");
        IntVar[] chosen = model.intVarArray("place", layers.size(), 0, PLACES - 1);
        List<IntVar> costs = new ArrayList<>();
        for (int layer = 0; layer < layers.size(); layer++) {
            IntVar own = model.intVar("own " + layer, 0, 100);
            model.element(own, layers.get(layer).stream().mapToInt(Place::own).toArray(), chosen[layer])
                    .post();
            costs.add(own);
            if (layer > 0) {
                IntVar step = model.intVar("step " + layer, 0, 100);
                Tuples pairs = new Tuples(true);
                for (int from = 0; from < PLACES; from++) {
                    for (int to = 0; to < PLACES; to++) {
                        pairs.add(
                                from,
                                to,
                                step(
                                        layers.get(layer - 1).get(from),
                                        layers.get(layer).get(to)));
                    }
                }
                model.table(new IntVar[] {chosen[layer - 1], chosen[layer], step}, pairs)
                        .post();
                costs.add(step);
            }
        }
        IntVar total = model.intVar("total", 0, 10_000);
        model.sum(costs.toArray(IntVar[]::new), "=", total).post();
        model.setObjective(Model.MINIMIZE, total);
        return model;
    }
}
