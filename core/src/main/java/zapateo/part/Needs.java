package zapateo.part;

import java.util.List;
import java.util.Set;

/**
 * What the right hand needs of the left one.
 *
 * @param ceilings in the order of time
 * @param runs the same
 * @param asTheyAre indices of bars in which nothing makes room
 */
public record Needs(List<Ceiling> ceilings, List<GivenRun> runs, Set<Integer> asTheyAre) {

    public Needs {
        ceilings = List.copyOf(ceilings);
        runs = List.copyOf(runs);
        asTheyAre = Set.copyOf(asTheyAre);
    }
}
