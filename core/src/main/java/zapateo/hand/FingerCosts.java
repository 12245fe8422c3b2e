package zapateo.hand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;
import zapateo.search.CostTerm;

/** What it costs a hand to take a stroke one way or another, and to go on to the next: the rules and a few habits. */
final class FingerCosts {

    /** One finger from key to key in a line: it has to leave the first. */
    private static final double HOP = 40;
    /** Over more than a fifth the hand goes along. */
    private static final double MOVED = 20;

    private static final int FIFTH = 7;
    /** The same in a chord that follows quickly. */
    private static final double CHORD_HOP = 3;

    private static final double LIFTED = 14;
    private static final double SHARED = 2;
    /** A key that comes back after one other keeps its finger. */
    private static final double COMES_BACK = 4;
    /** A hand that passes its thumb less often plays more evenly; never to a black key where it can be helped. */
    private static final double PASS = 5;

    private static final double PASS_TO_BLACK = 3;
    /** A step from the third finger to the fifth leaves one out. */
    private static final double GAP = 4;
    /** Octaves are for the outer fingers. */
    private static final double INNER_OCTAVE = 2;
    /**
     * What everybody takes by the same fingers; one finger that stays, or a hand that has not to move, is worth as
     * much.
     */
    private static final double UNUSUAL = 12;
    /** Outward the thumb goes under the third or fourth finger, not under the one beside it. */
    private static final double UNDER_INDEX = 14;
    /** The same keys again, by the same fingers. */
    private static final double ANEW = 30;
    /**
     * A line that one position holds has the little finger and the thumb on its ends, a wider one of the left hand the
     * little finger on its bass.
     */
    private static final double OFF_POSITION = 3;
    /** A scale goes as everybody learned it. */
    private static final double OFF_SCALE = 30;
    /** In chords the fingers are set once; a wide span tires them less than in a line. */
    private static final double CHORD_SPAN = 0.5;
    /** Keys this close are the same place of the hand. */
    private static final int NEAR = 4;

    static final double WIDEST_LINE = FingerSpans.of(1, FingerSpans.FINGERS).maxPrac();
    private static final int RULES = FingerRule.values().length;
    private static final double MOVEMENT = 0.1;
    private static final double CHORD_MOVEMENT = 0.3;
    private static final double UNREACHED = 40;
    /** Fingers that cross or open as none do in playing. */
    private static final double UNPRACTISED = 20;

    private final Side side;
    private final Hand hand;
    private final FingerRules rules;

    FingerCosts(Side side, Hand hand) {
        this.side = side;
        this.hand = hand;
        this.rules = new FingerRules(hand);
    }

    /**
     * Single notes no further apart than a hand are a line; for every hand the same, so that a larger one never pays
     * more. A bass that a pattern begins on is a new position, however near it lies to the last note (HANDBOOK §8a).
     */
    static boolean goesOn(Touch from, Touch to) {
        return from.single()
                && to.single()
                && (to.fresh()
                        ? from.keys().equals(to.keys())
                        : Math.abs(from.keys().get(0) - to.keys().get(0)) <= WIDEST_LINE);
    }

    /** One way to take a stroke, {@code from} being the finger before it where the line goes on from there, else 0. */
    Grasp grasp(Touch before, int from, Touch touch, int[] fingers, Touch after, int end) {
        int[] places = new int[fingers.length];
        for (int i = 0; i < places.length; i++) {
            places[i] = touch.place(i, side);
        }
        double[] lone = new double[RULES];
        boolean line = touch.single() && (before != null || after != null && goesOn(touch, after));
        if (line) {
            boolean black = Keyboard.isBlack(touch.keys().get(0));
            boolean whiteBefore = before != null && before.white();
            boolean whiteAfter = after != null && goesOn(touch, after) && after.white();
            lone[FingerRule.WEAK_FINGER.ordinal()] = FingerRules.weakFinger(fingers[0]);
            lone[FingerRule.THUMB_ON_BLACK.ordinal()] =
                    FingerRules.thumbOnBlack(fingers[0], black, whiteBefore, whiteAfter);
            lone[FingerRule.FIVE_ON_BLACK.ordinal()] =
                    FingerRules.fiveOnBlack(fingers[0], black, whiteBefore, whiteAfter);
        }
        lone[FingerRule.FIVE_FINGERS.ordinal()] =
                end == 0 || fingers[0] == Math.abs(end) ? 0 : end > 0 ? OFF_POSITION : OFF_SCALE;
        if (before != null) {
            pair(lone, from, fingers[0], before, touch);
        }
        if (!touch.single()) {
            chord(lone, fingers, places, touch);
        }
        return Grasp.of(from, fingers, places, before == null ? 0 : before.place(0, side), touch.quick(), lone);
    }

    private void pair(double[] lone, int from, int to, Touch before, Touch touch) {
        int interval = touch.place(0, side) - before.place(0, side);
        boolean fromBlack = !before.white();
        boolean toBlack = !touch.white();
        lone[FingerRule.STRETCH.ordinal()] = rules.stretch(from, to, interval);
        lone[FingerRule.SMALL_SPAN.ordinal()] = interval == 0 ? 0 : rules.smallSpan(from, to, interval);
        lone[FingerRule.LARGE_SPAN.ordinal()] = rules.largeSpan(from, to, interval);
        lone[FingerRule.THREE_TO_FOUR.ordinal()] = FingerRules.threeToFour(from, to);
        lone[FingerRule.FOUR_ON_BLACK.ordinal()] = FingerRules.fourOnBlack(from, to, fromBlack, toBlack);
        lone[FingerRule.THUMB_PASSING.ordinal()] = FingerRules.thumbPassing(from, to, interval, fromBlack, toBlack);
        lone[FingerRule.OUT_OF_REACH.ordinal()] =
                from != to && interval != 0 && rules.outOfPractice(from, to, interval) ? UNPRACTISED : 0;
        lone[FingerRule.HOP.ordinal()] = from != to || interval == 0 ? 0 : Math.abs(interval) > FIFTH ? MOVED : HOP;
        lone[FingerRule.SHARED_NOTE.ordinal()] = from != to && interval == 0 ? ANEW : 0;
        boolean passes = from != to && from > to == interval > 0 && interval != 0 && Math.min(from, to) == 1;
        lone[FingerRule.FEWER_PASSES.ordinal()] = passes
                ? PASS
                        + ((from == 1 ? fromBlack : toBlack) ? PASS_TO_BLACK : 0)
                        + (from == 2 && interval > 0 ? UNDER_INDEX : 0)
                : 0;
        boolean gap = Math.abs(from - to) == 2
                && Math.min(from, to) > 1
                && Math.abs(interval) <= 2
                && from < to == interval > 0;
        lone[FingerRule.NEIGHBOURS.ordinal()] = gap && interval != 0 ? GAP : 0;
        lone[FingerRule.OCTAVE.ordinal()] =
                Math.abs(interval) == Pitch.OCTAVE && from + to != 1 + FingerSpans.FINGERS ? INNER_OCTAVE : 0;
    }

    /** The spans are limits on every pair of fingers. */
    private void chord(double[] lone, int[] fingers, int[] places, Touch touch) {
        for (int i = 0; i < fingers.length; i++) {
            lone[FingerRule.WEAK_FINGER.ordinal()] += fingers[i] == 4 ? 1 : 0;
            lone[FingerRule.THUMB_ON_BLACK.ordinal()] +=
                    FingerRules.thumbOnBlack(fingers[i], Keyboard.isBlack(touch.key(i, side)), false, false);
            for (int j = i + 1; j < fingers.length; j++) {
                int interval = places[j] - places[i];
                lone[FingerRule.STRETCH.ordinal()] += rules.stretch(fingers[i], fingers[j], interval);
                lone[FingerRule.SMALL_SPAN.ordinal()] +=
                        j == i + 1 ? rules.smallSpan(fingers[i], fingers[j], interval) : 0;
                lone[FingerRule.LARGE_SPAN.ordinal()] += CHORD_SPAN * rules.largeSpan(fingers[i], fingers[j], interval);
            }
        }
        lone[FingerRule.USUAL_SHAPE.ordinal()] = UsualShapes.isUnusual(
                        places,
                        fingers,
                        Keyboard.isBlack(touch.key(places.length - 1, side)),
                        side == Side.LEFT && touch.opens())
                ? UNUSUAL
                : 0;
        int[] keys = new int[fingers.length];
        for (int i = 0; i < keys.length; i++) {
            keys[i] = touch.keys().get(i);
        }
        lone[FingerRule.OUT_OF_REACH.ordinal()] =
                Grip.easeOf(hand::easeOf, keys, fingers, side == Side.LEFT) == Ease.OUT_OF_REACH ? UNREACHED : 0;
    }

    /** By rule. */
    List<CostTerm<Grasp>> terms() {
        List<CostTerm<Grasp>> terms = new ArrayList<>();
        for (FingerRule rule : FingerRule.values()) {
            int at = rule.ordinal();
            terms.add(new CostTerm<>(
                    rule.id(),
                    1,
                    grasp -> grasp.lone()[at],
                    STEPPING.contains(rule) ? (from, to) -> step(rule, from, to) : CostTerm.nowhere()));
        }
        return terms;
    }

    /** From one note of a line to the next where three of them are known. */
    double inLine(Grasp from, Grasp to) {
        return sum(IN_LINE, from, to);
    }

    /** Where it is not so. */
    double apart(Grasp from, Grasp to) {
        return sum(to.goesOn() ? PAIRED : APART, from, to);
    }

    private double sum(FingerRule[] rules, Grasp from, Grasp to) {
        double sum = 0;
        for (FingerRule rule : rules) {
            sum += step(rule, from, to);
        }
        return sum;
    }

    private double step(FingerRule rule, Grasp from, Grasp to) {
        boolean three = to.goesOn() && from.goesOn();
        return switch (rule) {
            case POSITION_CHANGES ->
                three
                        ? rules.positionChanges(
                                from.before(),
                                from.fingers()[0],
                                to.fingers()[0],
                                from.from(),
                                from.places()[0],
                                to.places()[0])
                        : 0;
            case POSITION_CHANGE_SIZE ->
                three ? rules.positionChangeSize(from.before(), to.fingers()[0], from.from(), to.places()[0]) : 0;
            case THREE_FOUR_FIVE ->
                three ? FingerRules.threeFourFive(from.before(), from.fingers()[0], to.fingers()[0]) : 0;
            case HOP ->
                to.goesOn()
                        ? 0
                        : from.single() && to.single()
                                ? sameFinger(from, to)
                                : !to.quick()
                                        ? 0
                                        : CHORD_HOP
                                                * (from.sameShape(to)
                                                        ? Math.min(1, moved(from, to, true))
                                                        : moved(from, to, true));
            case SHARED_NOTE ->
                three
                        ? from.from() == to.places()[0] && from.before() != to.fingers()[0] ? COMES_BACK : 0
                        : to.goesOn()
                                ? 0
                                : SHARED * moved(from, to, false)
                                        + (!from.single()
                                                        && Arrays.equals(from.places(), to.places())
                                                        && !Arrays.equals(from.fingers(), to.fingers())
                                                ? ANEW
                                                : 0);
            case CHORD_AND_NOTE ->
                to.goesOn() || !to.quick() || from.single() == to.single()
                        ? 0
                        : beside(from.single() ? to : from, from.single() ? from : to);
            case MOVEMENT -> (to.goesOn() ? MOVEMENT : CHORD_MOVEMENT) * Math.abs(to.rest() - from.rest());
            default -> throw new IllegalArgumentException(rule + " is no rule of steps");
        };
    }

    /** What counts from note to note of a line, of its first two notes, and where chords or jumps part it. */
    private static final FingerRule[] IN_LINE = {
        FingerRule.POSITION_CHANGES,
        FingerRule.POSITION_CHANGE_SIZE,
        FingerRule.THREE_FOUR_FIVE,
        FingerRule.SHARED_NOTE,
        FingerRule.MOVEMENT
    };

    private static final FingerRule[] PAIRED = {FingerRule.MOVEMENT};
    private static final FingerRule[] APART = {
        FingerRule.HOP, FingerRule.SHARED_NOTE, FingerRule.CHORD_AND_NOTE, FingerRule.MOVEMENT
    };
    private static final Set<FingerRule> STEPPING =
            Stream.of(IN_LINE, APART).flatMap(Arrays::stream).collect(Collectors.toUnmodifiableSet());

    /** A hand that is set anew has lifted its finger, but another would have been there before it. */
    private static double sameFinger(Grasp from, Grasp to) {
        return from.fingers()[0] == to.fingers()[0]
                        && from.places()[0] != to.places()[0]
                        && Math.abs(from.places()[0] - to.places()[0]) < Pitch.OCTAVE
                ? LIFTED
                : 0;
    }

    /**
     * A note that follows a chord, or goes before it, inside the same reach: how far its finger is from those of the
     * chord.
     */
    private double beside(Grasp chord, Grasp note) {
        double sum = 0;
        for (int i = 0; i < chord.fingers().length; i++) {
            int interval = note.places()[0] - chord.places()[i];
            if (Math.abs(interval) > WIDEST_LINE) {
                return 0;
            }
            sum += rules.stretch(chord.fingers()[i], note.fingers()[0], interval)
                    + rules.largeSpan(chord.fingers()[i], note.fingers()[0], interval);
        }
        return sum / chord.fingers().length;
    }

    /** How many fingers go to another key that is near, or how many keys get another finger. */
    private static int moved(Grasp from, Grasp to, boolean finger) {
        int count = 0;
        for (int i = 0; i < from.fingers().length; i++) {
            for (int j = 0; j < to.fingers().length; j++) {
                boolean sameFinger = from.fingers()[i] == to.fingers()[j];
                boolean sameKey = from.places()[i] == to.places()[j];
                count += finger
                        ? (sameFinger && !sameKey && Math.abs(from.places()[i] - to.places()[j]) <= NEAR ? 1 : 0)
                        : sameKey && !sameFinger ? 1 : 0;
            }
        }
        return count;
    }
}
