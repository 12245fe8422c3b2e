package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/** What came of it, with all that is needed to say why. */
public final class Realised {

    private final List<Stroke> strokes;
    private final List<Reason> notices;
    private final List<List<Candidate>> layers;
    private final ShortestPath<Candidate> path;
    private final List<CostTerm<Candidate>> terms;
    private final List<LaidChord> chords;

    Realised(
            List<Stroke> strokes,
            List<Reason> notices,
            List<Cut> cuts,
            List<List<Candidate>> layers,
            ShortestPath<Candidate> path,
            List<CostTerm<Candidate>> terms) {
        this.strokes = List.copyOf(strokes);
        this.notices = List.copyOf(notices);
        this.layers = layers;
        this.path = path;
        this.terms = terms;
        this.chords = laid(cuts);
    }

    static List<LaidChord> laid(List<Cut> cuts) {
        return cuts.stream()
                .map(cut -> new LaidChord(cut.tick(), cut.end(), cut.choices().get(LeftChoice.PEDAL), cut.choices()))
                .toList();
    }

    /** A chord of the song as it was laid. */
    public record LaidChord(int tick, int end, boolean pedal, LeftHandChoices choices) {}

    /**
     * A way to lay a chord.
     *
     * @param bass where it has one
     * @param chord what lies above it, or the voicing with it
     * @param total what the whole song costs with it
     * @param here what of that is more or less than the best, term by term; nothing for the best itself
     */
    public record Way(Optional<Pitch> bass, List<Pitch> chord, double total, Map<String, Double> here) {}

    /** Of both hands, in the order of time. */
    public List<Stroke> strokes() {
        return strokes;
    }

    public List<Reason> notices() {
        return notices;
    }

    public List<LaidChord> chords() {
        return chords;
    }

    /** The sum of all named costs. */
    public double cost() {
        return path.total();
    }

    /** What there was to choose from, chord by chord. */
    List<List<Candidate>> layers() {
        return layers;
    }

    public Map<String, Double> costs() {
        return path.costs();
    }

    /**
     * The best ways to lay a chord when all others are laid as well as they can be around it: the chosen one, then up
     * to {@code most} others.
     */
    public List<Way> ways(int chord, int most) {
        List<Way> ways = new ArrayList<>();
        Set<List<Object>> seen = new HashSet<>();
        for (ShortestPath<Candidate> each : ShortestPath.throughEach(layers, terms, chord)) {
            Placement placement = each.steps().get(chord).placement();
            Candidate candidate = each.steps().get(chord);
            List<Pitch> above = Stream.concat(
                            placement.upper().stream(),
                            placement.shape().isEmpty() ? Stream.empty() : placement.notes(placement.shape()).stream())
                    .map(PartNote::pitch)
                    .toList();
            Optional<Pitch> bass = candidate.hasBass() ? Optional.of(placement.bass()) : Optional.empty();
            if (seen.add(List.of(bass, above)) && ways.size() <= most) {
                ways.add(new Way(bass, above, each.total(), more(each.costs())));
            }
        }
        return ways;
    }

    private Map<String, Double> more(Map<String, Double> costs) {
        return costs.entrySet().stream()
                .filter(each -> Math.abs(each.getValue() - path.costs().get(each.getKey())) > 1e-9)
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        each -> each.getValue() - path.costs().get(each.getKey()),
                        (one, other) -> one,
                        java.util.LinkedHashMap::new));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Realised same
                && strokes.equals(same.strokes)
                && notices.equals(same.notices)
                && path.costs().equals(same.path.costs());
    }

    @Override
    public int hashCode() {
        return strokes.hashCode();
    }
}
