package zapateo.hand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;

/**
 * How hard an arrangement is for the hands that play it, bar by bar, and how fast each bar can be played.
 *
 * @param song of the whole: what its bars ask on the average
 * @param bars in the order of the song
 * @param left how hard it is to come to each stroke of the left hand that begins a chord, 0 to 100; 0 for the others
 */
public record Playability(Difficulty song, List<BarPlay> bars, List<Double> left) {

    /** A stroke by its hand and its place among that hand's. */
    public record Spot(Side hand, int stroke) {}

    /**
     * One bar.
     *
     * @param maxTempo the fastest tempo its jumps and repeated notes allow, in the bar's own beats a minute,
     *     {@link #NO_LIMIT} at the most
     * @param slowest the stroke that sets it
     * @param jumpMm how far the hand jumps to that stroke, beyond what it reaches without; 0 where it does not
     * @param spots the strokes that make a part of the difficulty what it is; none for reading, which all of them share
     * @param loads what the bar asks, by part
     */
    public record BarPlay(
            Difficulty difficulty,
            double maxTempo,
            Optional<Spot> slowest,
            double jumpMm,
            Map<Difficulty.Part, List<Spot>> spots,
            List<Double> loads) {}

    /** What needs no more than this needs no word. */
    public static final double NO_LIMIT = 400;

    private static final int PARTS = Difficulty.Part.values().length;
    /** From here on a stretch counts: a good third of what the hand spans. */
    private static final double EASY_SHARE = 0.45;
    /** Fingers that have more time than this are found more easily. */
    private static final double HASTE_SECONDS = 0.5;

    private static final double ROLLED = 0.6;
    private static final double STROKE = 0.35;
    private static final double OFF_BEAT = 0.5;
    private static final double TIED = 1;
    private static final double OFF_EIGHTH = 0.4;
    private static final double EXPECTED_SECONDS = 2;
    private static final double TOGETHER = 0.4;
    private static final double BETWEEN = 1;
    /** A stroke that asks at least this share of the bar's hardest is shown with it. */
    private static final double SHOWN_SHARE = 0.6;

    private static final double SHOWN_LOAD = 0.05;

    /** One hand's part with the fingers that were found for it. */
    public record Played(Side side, Hand hand, List<Stroke> strokes, Fingering fingering) {}

    /** What a bar asks of both hands, by part. */
    public static Playability of(List<BarTime> bars, List<Played> hands) {
        List<BarLoad> loads = bars.stream().map(BarLoad::new).toList();
        Set<Integer> leftTicks = new HashSet<>();
        List<Double> left = new ArrayList<>();
        boolean both = hands.stream().noneMatch(each -> each.strokes().isEmpty());
        for (Played played : hands) {
            Jumps jumps = new Jumps(played.hand());
            for (int i = 0; i < played.strokes().size(); i++) {
                Stroke stroke = played.strokes().get(i);
                BarLoad load = loads.get(stroke.bar());
                double[] asked = new double[PARTS];
                asked[Difficulty.Part.REACH.ordinal()] = strain(played.hand(), stroke);
                asked[Difficulty.Part.RHYTHM.ordinal()] = rhythm(stroke, load.bar);
                double available = i == 0
                        ? Double.POSITIVE_INFINITY
                        : load.bar.seconds(stroke.sounding().tick()
                                - played.strokes().get(i - 1).sounding().tick());
                asked[Difficulty.Part.FINGERS.ordinal()] = played.fingering().costs()[i]
                        * Math.min(1, HASTE_SECONDS / Math.max(0.01, i == 0 ? first(played, load) : available));
                if (both && played.side() == Side.LEFT) {
                    leftTicks.add(stroke.written().tick());
                } else if (both) {
                    asked[Difficulty.Part.TOGETHER.ordinal()] =
                            leftTicks.contains(stroke.written().tick()) ? TOGETHER : BETWEEN;
                }
                if (i > 0) {
                    asked[Difficulty.Part.JUMPS.ordinal()] = load.jump(
                            jumps, played.strokes().get(i - 1), stroke, new Spot(played.side(), i), available);
                }
                load.add(new Spot(played.side(), i), asked, stroke);
                if (played.side() == Side.LEFT) {
                    boolean begins = i == 0 || played.strokes().get(i - 1).chord() != stroke.chord();
                    left.add(begins ? Difficulty.ofStroke(asked).total() : 0);
                }
            }
        }
        double[] sum = new double[PARTS];
        List<BarPlay> played = new ArrayList<>();
        for (BarLoad load : loads) {
            played.add(load.play());
            for (int part = 0; part < PARTS; part++) {
                sum[part] += load.sums[part] / loads.size();
            }
        }
        return new Playability(Difficulty.of(sum), played, left);
    }

    /**
     * Of some of the bars: what they ask on the average.
     *
     * @param indexes one at least
     */
    public Difficulty of(List<Integer> indexes) {
        double[] sum = new double[PARTS];
        for (int bar : indexes) {
            for (int part = 0; part < PARTS; part++) {
                sum[part] += bars.get(bar).loads().get(part) / indexes.size();
            }
        }
        return Difficulty.of(sum);
    }

    /**
     * How much of the hand keys struck together take: nothing while it lies easily, one where it is stretched to its
     * span.
     */
    static double strain(Hand hand, Stroke stroke) {
        if (stroke.notes().size() < 2) {
            return 0;
        }
        if (stroke.roll().isPresent()) {
            return ROLLED;
        }
        double share = Keyboard.stretch(stroke.lowest().midi(), stroke.highest().midi()) / hand.spanMm();
        return Math.max(0, share - EASY_SHARE) / (1 - EASY_SHARE);
    }

    /** The first stroke is set for the second one: fingers move between the two as between any others. */
    private static double first(Played played, BarLoad load) {
        List<Stroke> strokes = played.strokes();
        return strokes.size() < 2
                ? 1
                : load.bar.seconds(strokes.get(1).sounding().tick()
                        - strokes.get(0).sounding().tick());
    }

    private static double rhythm(Stroke stroke, BarTime bar) {
        int at = stroke.written().tick() - bar.tick();
        boolean off = at % bar.beatTicks() != 0;
        boolean fine = at % (bar.beatTicks() / 2.0) != 0 && at % (bar.beatTicks() / 3.0) != 0;
        boolean tied = stroke.written().end() > bar.end();
        return STROKE + (off ? OFF_BEAT : 0) + (fine ? OFF_EIGHTH : 0) + (tied ? TIED : 0);
    }

    /** What is gathered of one bar. */
    private static final class BarLoad {

        private final BarTime bar;
        private final double[] sums = new double[PARTS];
        private final BitSet read = new BitSet();
        private final List<Spot> spots = new ArrayList<>();
        private final List<double[]> asked = new ArrayList<>();
        private double maxTempo = NO_LIMIT;
        private double jumpMm;
        private Optional<Spot> slowest = Optional.empty();

        private BarLoad(BarTime bar) {
            this.bar = bar;
        }

        /** What a jump asks: the share of the time there is that it takes, squared. */
        private double jump(Jumps jumps, Stroke before, Stroke stroke, Spot spot, double available) {
            double distance = jumps.distance(before, stroke);
            double share = available <= 0 ? 1 : jumps.seconds(before, stroke) / available;
            double fastest = Math.min(NO_LIMIT, bar.bpm() / share);
            if (available > 0 && fastest < maxTempo) {
                maxTempo = fastest;
                slowest = Optional.of(spot);
                jumpMm = distance;
            }
            return distance > 0 ? share * share : 0;
        }

        private void add(Spot spot, double[] loads, Stroke stroke) {
            spots.add(spot);
            asked.add(loads);
            stroke.notes().forEach(note -> read.set(note.pitch().midi()));
            for (int part = 0; part < PARTS; part++) {
                sums[part] += loads[part];
            }
        }

        private BarPlay play() {
            // A long bar is no harder than two short ones.
            sums[Difficulty.Part.RHYTHM.ordinal()] /= Math.max(1, bar.seconds(bar.ticks()) / EXPECTED_SECONDS);
            sums[Difficulty.Part.READING.ordinal()] = read.cardinality();
            Map<Difficulty.Part, List<Spot>> shown = new EnumMap<>(Difficulty.Part.class);
            for (Difficulty.Part part : Difficulty.Part.values()) {
                double most = 0;
                for (double[] each : asked) {
                    most = Math.max(most, each[part.ordinal()]);
                }
                List<Spot> hardest = new ArrayList<>();
                for (int i = 0; i < asked.size() && most > SHOWN_LOAD; i++) {
                    if (asked.get(i)[part.ordinal()] >= SHOWN_SHARE * most) {
                        hardest.add(spots.get(i));
                    }
                }
                shown.put(part, List.copyOf(hardest));
            }
            return new BarPlay(
                    Difficulty.of(sums),
                    maxTempo,
                    slowest,
                    jumpMm,
                    shown,
                    Arrays.stream(sums).boxed().toList());
        }
    }
}
