package zapateo.hand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;
import zapateo.search.CostTerm;
import zapateo.search.Kept;
import zapateo.search.ShortestPath;

/** Finds the fingers of one hand's part: every way to take each stroke, what it costs, and the cheapest way through. */
public final class FingerSearch {

    private static final int NARROWEST_POSITION = 5;
    private static final int WIDEST_POSITION = 8;
    private static final int LINE = (int) FingerCosts.WIDEST_LINE;
    private static final int OF_THREE = FingerSpans.FINGERS * FingerSpans.FINGERS * FingerSpans.FINGERS;
    /**
     * A kept search holds no more than some songs need: strokes with the ways to take them, and steps from one way to
     * the next.
     */
    private static final int MOST_STROKES = 500;

    private static final int MOST_STEPS = 200_000;
    private static final Kept<Player, FingerSearch> KEPT =
            new Kept<>(4, each -> each.known.size() <= MOST_STROKES && each.search.size() <= MOST_STEPS);

    /** Two ways that disagree about the finger between them do not join. */
    private static final ShortestPath.Joint<Grasp> JOINT =
            new ShortestPath.Joint<>(grasp -> grasp.fingers()[0], Grasp::before);

    private final Side side;
    private final FingerCosts costs;
    private final ShortestPath.Repeated<Grasp> search;
    private final Map<List<Object>, List<Grasp>> known = new HashMap<>();
    private final double[][][] lines = new double[2 * LINE + 1][2 * LINE + 1][];

    /** Whose fingers: for the same hand the same strokes come again, in the song and in the next one. */
    private record Player(Side side, Hand hand) {}

    private FingerSearch(Player player) {
        this.side = player.side();
        this.costs = new FingerCosts(side, player.hand());
        // One term for the search, which has to be quick; the same by rule for what was found.
        this.search =
                new ShortestPath.Repeated<>(List.of(new CostTerm<>("fingering", 1, Grasp::alone, this::step)), JOINT);
    }

    /** @param milliseconds between the onsets of a stroke and the one before it, by its place in the part */
    public static Fingering of(
            List<Stroke> strokes, Side side, Hand hand, IntToDoubleFunction milliseconds, Fingering.Locks locks) {
        return of(Touch.of(strokes, milliseconds), side, hand, locks);
    }

    private static Fingering of(List<Touch> touches, Side side, Hand hand, Fingering.Locks locks) {
        return KEPT.with(new Player(side, hand), FingerSearch::new, search -> search.through(touches, locks));
    }

    /** A line or chords by their keys alone, all of it quick. */
    static Fingering ofKeys(List<List<Integer>> strokes, Side side, Hand hand, Fingering.Locks locks) {
        return of(
                Touch.following(strokes.stream()
                        .map(keys -> Touch.of(keys, true, false))
                        .toList()),
                side,
                hand,
                locks);
    }

    /** What a part costs with given fingers, low to high. */
    static double costOf(List<List<Integer>> strokes, List<int[]> fingers, Side side, Hand hand) {
        return ofKeys(strokes, side, hand, fingers::get).total();
    }

    /** The cheapest fingers for the strokes of a part. */
    Fingering through(List<Touch> touches, Fingering.Locks locks) {
        List<Touch> taken = new ArrayList<>(touches.size());
        int[] place = new int[touches.size()];
        for (int i = 0; i < touches.size(); i++) {
            if (touches.get(i).keys().size() <= FingerSpans.FINGERS) {
                place[taken.size()] = i;
                taken.add(touches.get(i));
            }
        }
        int[] ends = ends(taken);
        Scales.fromTheTable(taken, side, ends);
        Arpeggios.fromTheTable(taken, side, ends);
        Fingering.Locks own = OwnFingers.of(
                taken,
                i -> locks.of(place[i]),
                () -> path(taken, ends, i -> new int[0]).steps().stream()
                        .map(grasp -> lowToHigh(grasp.fingers()))
                        .toList());
        ShortestPath<Grasp> first = path(taken, ends, own);
        // A scale over more than an octave repeats the fingers of its lowest one.
        ShortestPath<Grasp> path = Scales.patterned(taken, first.steps(), ends) ? path(taken, ends, own) : first;
        List<int[]> fingers = new ArrayList<>();
        double[] points = new double[touches.size()];
        touches.forEach(touch -> fingers.add(new int[touch.keys().size()]));
        for (int i = 0; i < taken.size(); i++) {
            fingers.set(place[i], lowToHigh(path.steps().get(i).fingers()));
            points[place[i]] = path.steps().get(i).alone()
                    + (i == 0 ? 0 : step(path.steps().get(i - 1), path.steps().get(i)));
        }
        FingerCosts byRule = costs;
        return new Fingering(fingers, points, path.total(), () -> ShortestPath.costsOf(path.steps(), byRule.terms()));
    }

    private ShortestPath<Grasp> path(List<Touch> touches, int[] ends, Fingering.Locks locks) {
        List<List<Grasp>> layers = new ArrayList<>();
        for (int i = 0; i < touches.size(); i++) {
            Touch before = i == 0 ? null : touches.get(i - 1);
            Touch after = i + 1 == touches.size() ? null : touches.get(i + 1);
            layers.add(
                    grasps(before, touches.get(i), after, ends[i], locks.of(i), i == 0 ? new int[0] : locks.of(i - 1)));
        }
        return search.through(layers);
    }

    private int[] lowToHigh(int[] fromThumb) {
        int[] turned = new int[fromThumb.length];
        for (int i = 0; i < turned.length; i++) {
            turned[i] = fromThumb[side == Side.LEFT ? turned.length - 1 - i : i];
        }
        return turned;
    }

    /**
     * For lines that one position holds the finger that belongs on each of their ends, for others of the left hand that
     * on a white lowest key; else 0.
     */
    private int[] ends(List<Touch> touches) {
        int[] ends = new int[touches.size()];
        int from = 0;
        for (int i = 1; i <= touches.size(); i++) {
            if (i == touches.size() || !FingerCosts.goesOn(touches.get(i - 1), touches.get(i))) {
                int low = Integer.MAX_VALUE;
                int high = Integer.MIN_VALUE;
                for (int each = from; each < i; each++) {
                    low = Math.min(low, touches.get(each).place(0, side));
                    high = Math.max(high, touches.get(each).place(0, side));
                }
                boolean position = high - low >= NARROWEST_POSITION && high - low <= WIDEST_POSITION;
                for (int each = from; each < i && touches.get(from).single(); each++) {
                    int place = touches.get(each).place(0, side);
                    boolean bass = place == high
                            && (position
                                    || side == Side.LEFT
                                            && high - low > WIDEST_POSITION
                                            && touches.get(each).white());
                    ends[each] = position && place == low ? 1 : bass ? FingerSpans.FINGERS : 0;
                }
                from = i;
            }
        }
        return ends;
    }

    /** Every way to take a stroke; what comes again and again is found once. */
    private List<Grasp> grasps(Touch before, Touch touch, Touch after, int end, int[] lock, int[] lockBefore) {
        boolean goesOn = before != null && FingerCosts.goesOn(before, touch);
        boolean followed = after != null && FingerCosts.goesOn(touch, after);
        List<Object> key = List.of(
                goesOn ? before.keys() : List.of(),
                end,
                touch,
                followed,
                followed && after.white(),
                listed(lock),
                goesOn ? listed(lockBefore) : List.of());
        List<Grasp> found = known.get(key);
        if (found == null) {
            List<Grasp> all = new ArrayList<>();
            for (int[] fingers : Grip.of(touch.keys().size())) {
                if (allowed(fingers, lock)) {
                    for (int from = goesOn ? 1 : 0; from <= (goesOn ? FingerSpans.FINGERS : 0); from++) {
                        if (!goesOn || lockBefore.length == 0 || lockBefore[0] == 0 || lockBefore[0] == from) {
                            all.add(costs.grasp(goesOn ? before : null, from, touch, fingers, after, end));
                        }
                    }
                }
            }
            // Fingers that cannot stand in this order are not kept.
            found = all.isEmpty() ? grasps(before, touch, after, end, new int[0], lockBefore) : List.copyOf(all);
            known.put(key, found);
        }
        return found;
    }

    private static List<Integer> listed(int[] lock) {
        return lock.length == 0 ? List.of() : IntStream.of(lock).boxed().toList();
    }

    private boolean allowed(int[] fingers, int[] lock) {
        for (int i = 0; i < Math.min(lock.length, fingers.length); i++) {
            if (lock[i] > 0 && fingers[side == Side.LEFT ? fingers.length - 1 - i : i] != lock[i]) {
                return false;
            }
        }
        return true;
    }

    /** What a step costs by all rules. */
    private double step(Grasp from, Grasp to) {
        return to.goesOn() && from.goesOn() ? inLine(from, to) : costs.apart(from, to);
    }

    /**
     * Three notes of a line cost the same wherever they lie: by their two intervals and three fingers it is counted
     * once.
     */
    private double inLine(Grasp from, Grasp to) {
        int first = from.places()[0] - from.from() + LINE;
        int second = to.places()[0] - from.places()[0] + LINE;
        double[] known = lines[first][second];
        if (known == null) {
            known = new double[OF_THREE];
            Arrays.fill(known, Double.NaN);
            lines[first][second] = known;
        }
        int fingers = ((from.before() - 1) * FingerSpans.FINGERS + to.before() - 1) * FingerSpans.FINGERS
                + to.fingers()[0]
                - 1;
        if (Double.isNaN(known[fingers])) {
            known[fingers] = costs.inLine(from, to);
        }
        return known[fingers];
    }
}
