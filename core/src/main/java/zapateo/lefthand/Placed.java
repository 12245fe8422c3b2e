package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import zapateo.hand.Hand;
import zapateo.part.Ceiling;
import zapateo.part.GivenRun;
import zapateo.part.KeysOnce;
import zapateo.part.Needs;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/**
 * A left hand whose keys are chosen and that is not yet fitted to the one who plays it: what a right hand is laid over,
 * and what can be laid once more below it.
 */
public final class Placed {

    /** Ceilings are taken in steps of so many keys, so that chords share what they may be. */
    private static final int STEP = 3;
    /**
     * What makes room can move its neighbours under the right hand in their turn; after so many times the rest is told.
     */
    private static final int MOST_TIMES = 4;

    private final Player leftHand;
    private final List<Planned> planned;
    private final List<Laid> laid;
    private final List<GivenRun> runs;
    private final List<List<Candidate>> layers;
    private final ShortestPath<Candidate> path;
    private final List<Stroke> strokes;

    /** Who has placed it, and can place it again. */
    interface Player {

        List<Cut> cuts();

        Hand hand();

        List<CostTerm<Candidate>> terms();

        boolean makesRoom(Planned stroke, Set<Integer> asTheyAre);

        Placed placed(List<Planned> planned, Map<Planned, Integer> ceilings, List<GivenRun> runs);

        List<Reason> unkeptLocks(List<List<Candidate>> layers);
    }

    /** A stroke with the plan it was made by. */
    record Laid(Planned planned, Stroke stroke) {}

    Placed(
            Player leftHand,
            List<Planned> planned,
            List<Laid> laid,
            List<GivenRun> runs,
            List<List<Candidate>> layers,
            ShortestPath<Candidate> path) {
        this.leftHand = leftHand;
        this.planned = planned;
        this.laid = laid;
        this.runs = runs;
        this.layers = layers;
        this.path = path;
        List<Stroke> all = new ArrayList<>(laid.stream().map(Laid::stroke).toList());
        all.sort(Stroke.IN_TIME);
        this.strokes = List.copyOf(all);
    }

    /** Of both hands where a figure has both, in the order of time, without given runs. */
    public List<Stroke> strokes() {
        return strokes;
    }

    public List<Realised.LaidChord> chords() {
        return Realised.laid(leftHand.cuts());
    }

    /** What can be laid no lower: the ceilings that strokes of this are above. */
    public List<Ceiling> above(List<Ceiling> ceilings) {
        Bounds bounds = new Bounds(ceilings);
        Set<Ceiling> above = new HashSet<>();
        laid.stream()
                .map(Laid::stroke)
                .filter(stroke -> stroke.hand() == Side.LEFT)
                .forEach(stroke -> above.addAll(bounds.below(stroke)));
        return ceilings.stream().filter(above::contains).toList();
    }

    /**
     * The same search once more, with room for the right hand: for what that needs, and for its strokes in figures of
     * both hands. What is locked stays, and so do bars that are to stay as they are.
     */
    public Placed within(Needs needs) {
        List<Planned> left = withoutRuns(needs.runs());
        Map<Planned, Integer> ceilings = new IdentityHashMap<>();
        Set<Integer> lowered = new HashSet<>();
        Placed now = needs.runs().isEmpty() ? this : leftHand.placed(left, ceilings, needs.runs());
        for (int times = 0; times < MOST_TIMES; times++) {
            Bounds bounds = now.bounds(needs.ceilings());
            Set<Integer> colliding = new HashSet<>();
            for (Laid each : now.laid) {
                if (leftHand.makesRoom(each.planned(), needs.asTheyAre())
                        && !lowered.contains(each.planned().cut())
                        && bounds.isOver(each.stroke())) {
                    colliding.add(each.planned().cut());
                }
            }
            if (colliding.isEmpty()) {
                return now;
            }
            lowered.addAll(colliding);
            for (Laid each : now.laid) {
                if (colliding.contains(each.planned().cut()) && leftHand.makesRoom(each.planned(), needs.asTheyAre())) {
                    bounds.lowest(each.stroke())
                            .ifPresent(bound -> ceilings.put(each.planned(), ceiling(each.stroke(), bound)));
                }
            }
            asOne(now.laid, colliding, ceilings);
            now = leftHand.placed(left, ceilings, needs.runs());
        }
        return now;
    }

    /** A close chord that is broken moves as a whole: each of its strokes is under the lowest of their ceilings. */
    private static void asOne(List<Laid> laid, Set<Integer> cuts, Map<Planned, Integer> ceilings) {
        Map<Integer, List<Planned>> byCut = laid.stream()
                .map(Laid::planned)
                .filter(stroke -> cuts.contains(stroke.cut())
                        && stroke.hand() == Side.LEFT
                        && stroke.roles().get(0).isOfBrokenClose())
                .collect(Collectors.groupingBy(Planned::cut));
        byCut.values()
                .forEach(strokes -> strokes.stream()
                        .map(ceilings::get)
                        .filter(Objects::nonNull)
                        .min(Comparator.naturalOrder())
                        .ifPresent(lowest -> strokes.forEach(stroke -> ceilings.put(stroke, lowest))));
    }

    private Bounds bounds(List<Ceiling> given) {
        List<Ceiling> own = Ceiling.under(
                strokes.stream().filter(stroke -> stroke.hand() == Side.RIGHT).toList());
        List<Ceiling> all = new ArrayList<>(given);
        all.addAll(own);
        all.sort(Comparator.comparingInt(each -> each.span().tick()));
        return new Bounds(all);
    }

    /** A stroke that is below its bound now may stay where it is. */
    private static int ceiling(Stroke stroke, int bound) {
        int top = stroke.highest().midi();
        int rounded = Math.floorDiv(bound, STEP) * STEP;
        return top <= bound ? Math.max(top, rounded) : rounded;
    }

    private List<Planned> withoutRuns(List<GivenRun> given) {
        return planned.stream()
                .filter(stroke -> given.stream()
                        .noneMatch(run -> stroke.tick() >= run.span().tick()
                                && stroke.tick() < run.span().end()))
                .toList();
    }

    /** As the hand can strike it. */
    public Realised fitted() {
        Fit fit = new Fit(leftHand.hand());
        Set<Integer> busyUntil = new HashSet<>();
        runs.forEach(run -> busyUntil.add(run.span().end()));
        List<Stroke> fitted = new ArrayList<>();
        for (Laid each : laid) {
            Stroke stroke = each.stroke();
            fitted.add(
                    stroke.hand() == Side.RIGHT
                            ? stroke
                            : fit.stroke(
                                    stroke,
                                    each.planned(),
                                    leftHand.cuts().get(each.planned().cut()),
                                    busyUntil.contains(stroke.written().tick())));
        }
        runs.forEach(run -> fitted.addAll(run.strokes()));
        return new Realised(
                KeysOnce.WRITTEN.of(Fit.lettingGo(fitted)),
                leftHand.unkeptLocks(layers),
                leftHand.cuts(),
                layers,
                path,
                leftHand.terms());
    }
}
