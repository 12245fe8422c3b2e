package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import zapateo.hand.Hand;
import zapateo.search.CostTerm;
import zapateo.search.Kept;
import zapateo.search.ShortestPath;

/**
 * Where the chords of a song may lie and which of these places are taken. What is found out is kept for the next song
 * that is sought in the same way.
 *
 * @param placements of each chord
 * @param search through them
 */
record Places(Placements placements, ShortestPath.Repeated<Candidate> search) {

    /**
     * What is kept holds no more than some songs need: chords with their places, and steps from one place to the next.
     */
    private static final int MOST_CHORDS = 300;

    private static final int MOST_STEPS = 200_000;
    private static final Kept<Sought, Places> KEPT =
            new Kept<>(3, places -> places.placements.size() <= MOST_CHORDS && places.search.size() <= MOST_STEPS);

    /**
     * What places depend on beside their chords.
     *
     * @param lowest key of the instrument
     * @param keepTop whether the highest tone is kept anywhere
     */
    record Sought(Hand hand, int lowest, Weights weights, boolean keepTop) {

        List<CostTerm<Candidate>> terms() {
            return PlaceCosts.of(weights, keepTop);
        }
    }

    /**
     * The cheapest way through all the chords.
     *
     * @param layers the candidates of each
     */
    record Found(List<List<Candidate>> layers, ShortestPath<Candidate> path) {}

    private static Places of(Sought sought) {
        return new Places(new Placements(sought.hand(), sought.lowest()), new ShortestPath.Repeated<>(sought.terms()));
    }

    /** @param again chords that come again, which keep their octave where nothing else speaks for another */
    static Found through(List<Need> needs, SameOctave again, Sought sought) {
        return KEPT.with(sought, Places::of, places -> {
            List<List<Candidate>> layers = new ArrayList<>(needs.size());
            needs.forEach(need -> layers.add(places.placements.of(need)));
            ShortestPath<Candidate> path = places.search.through(layers);
            Map<Integer, SameOctave.Agreed> agreed = again.agreed(path.steps());
            if (agreed.isEmpty()) {
                return new Found(layers, path);
            }
            agreed.forEach((cut, bass) -> layers.set(cut, places.placements.of(needs.get(cut), bass)));
            return new Found(layers, places.search.through(layers));
        });
    }
}
