package zapateo.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.practice.Judgement.Finding;
import zapateo.practice.Judgement.Verdict;
import zapateo.rhythm.Side;

/** What a teacher would say of a take (HANDBOOK §12): the three things to mend, the worst first, and what was good. */
final class Findings {

    private static final int MOST = 3;
    private static final int HANDS_FROM = 8;
    /** One hand behind the other by so much is heard. */
    private static final double HAND_MS = 25;
    /**
     * A note that is a little late is no mistake of its own; what is said is well outside of how evenly this player
     * plays.
     */
    private static final double WELL_OUT = 1.25;

    private static final double SPREADS_OUT = 4;
    private static final double FAR_OUT = 2;
    private static final double UNEVEN_MS = 28;
    private static final double UNEVEN_PART = 0.12;
    private static final double STEADY_MS = 15;
    private static final double DRIFTS = 0.06;
    private static final double SHORT = 0.45;
    private static final double APART_MS = 45;
    private static final int PAIRS_FROM = 6;
    /** Swung and straight have to lie so far apart to be told. */
    private static final double SWING_MS = 25;

    private final Passage passage;
    private final Take take;
    private final List<Judgement.Heard> notes;
    private final Came came;
    private final List<Finding> mend = new ArrayList<>();
    private final List<Finding> good = new ArrayList<>();
    private final List<Judgement.OfHand> hands = new ArrayList<>();

    /** When an asked time came, as a note of the passage was played. */
    interface Came {
        double at(int note, double asked);
    }

    /** @param behind how far the left hand is behind the right one, in ms */
    Findings(
            Passage passage,
            Take take,
            List<Judgement.Heard> notes,
            List<Judgement.Added> added,
            List<Judgement.Stop> stops,
            List<Judgement.Again> again,
            Came came,
            double behind,
            double uneven,
            double pace) {
        this.passage = passage;
        this.take = take;
        this.notes = notes;
        this.came = came;
        stops.forEach(stop -> mend.add(new Finding(
                "stop",
                4,
                List.of(Math.max(passage.first(), stop.bar() - 1), stop.bar()).stream()
                        .distinct()
                        .toList(),
                args("ms", Math.round(stop.ms())))));
        again.forEach(each -> mend.add(new Finding("again", 4, bars(List.of(each.to(), each.from())), args())));
        wrong();
        each("missed", 1, Verdict.MISSED);
        each("octave", 1, Verdict.OCTAVE);
        if (!added.isEmpty()) {
            mend.add(new Finding(
                    "added",
                    added.size(),
                    bars(added.stream().map(Judgement.Added::bar).toList()),
                    args("count", added.size())));
        }
        tenths();
        outOfTime(uneven);
        if (Math.abs(behind) > HAND_MS) {
            mend.add(new Finding(
                    "hand-late",
                    3 + Math.abs(behind) / HAND_MS,
                    bars(),
                    args("hand", behind > 0 ? "L" : "R", "ms", Math.round(Math.abs(behind)))));
        }
        evenness();
        swing();
        rolls();
        held();
        Pedals.of(passage, take, came::at, again).forEach(mend::add);
        if (Math.abs(pace - 1) > DRIFTS) {
            mend.add(new Finding(
                    pace > 1 ? "slower" : "faster",
                    2 + 10 * Math.abs(pace - 1),
                    bars(),
                    args("percent", Math.round(100 * Math.abs(pace - 1)))));
        }
        praise(uneven, pace, stops.isEmpty() && again.isEmpty() && added.isEmpty());
        mend.sort(Comparator.comparingDouble(Finding::weight).reversed());
    }

    List<Finding> mend() {
        return List.copyOf(mend.subList(0, Math.min(MOST, mend.size())));
    }

    List<Finding> good() {
        return List.copyOf(good.subList(0, Math.min(2, good.size())));
    }

    List<Judgement.OfHand> hands() {
        return List.copyOf(hands);
    }

    static Map<String, String> args(Object... pairs) {
        Map<String, String> args = new LinkedHashMap<>();
        for (int at = 0; at < pairs.length; at += 2) {
            args.put(String.valueOf(pairs[at]), String.valueOf(pairs[at + 1]));
        }
        return args;
    }

    private List<Integer> bars() {
        return IntStream.rangeClosed(passage.first(), passage.last()).boxed().toList();
    }

    private static List<Integer> bars(List<Integer> all) {
        return List.copyOf(new TreeSet<>(all));
    }

    /** The wrong note that is always the same comes first. */
    private void wrong() {
        Map<String, List<Judgement.Heard>> same = new TreeMap<>();
        notes.stream()
                .filter(each -> each.verdict() == Verdict.WRONG)
                .forEach(each -> same.computeIfAbsent(
                                each.asked().midi() + " "
                                        + take.keys()
                                                .get(each.key().orElseThrow())
                                                .midi(),
                                key -> new ArrayList<>())
                        .add(each));
        same.forEach((key, all) -> mend.add(new Finding(
                all.size() > 1 ? "wrong-again" : "wrong",
                all.size() * (all.size() > 1 ? 2 : 1.5),
                bars(all.stream().map(each -> each.asked().bar()).toList()),
                args(
                        "asked",
                        all.get(0).asked().midi(),
                        "played",
                        take.keys().get(all.get(0).key().orElseThrow()).midi(),
                        "count",
                        all.size()))));
    }

    private void each(String code, double weight, Verdict verdict) {
        List<Judgement.Heard> all =
                notes.stream().filter(each -> each.verdict() == verdict).toList();
        if (!all.isEmpty()) {
            mend.add(new Finding(
                    code,
                    weight * all.size(),
                    bars(all.stream().map(each -> each.asked().bar()).toList()),
                    args("count", all.size(), "asked", all.get(0).asked().midi())));
        }
    }

    /** The classic mistake of stride: the bass of a rolled tenth on the beat, its top after it. */
    private void tenths() {
        Map<Integer, List<Integer>> rolled = new TreeMap<>();
        IntStream.range(0, notes.size())
                .filter(at -> notes.get(at)
                        .asked()
                        .roll()
                        .filter(Passage.Rolled::before)
                        .isPresent())
                .forEach(at -> rolled.computeIfAbsent(notes.get(at).asked().stroke(), stroke -> new ArrayList<>())
                        .add(at));
        List<Judgement.Heard> late = new ArrayList<>();
        rolled.values().forEach(stroke -> {
            Judgement.Heard top = notes.get(stroke.get(stroke.size() - 1));
            Judgement.Heard bass = notes.get(stroke.get(0));
            if (top.verdict() == Verdict.LATE && bass.key().isPresent()) {
                double beat = came.at(stroke.get(0), bass.asked().beat());
                if (take.keys().get(bass.key().get()).ms()
                        > beat - (bass.asked().beat() - bass.asked().ms()) / 2) {
                    late.add(top);
                }
            }
        });
        if (!late.isEmpty()) {
            mend.add(new Finding(
                    "late-tenth",
                    2.0 * late.size() + 2,
                    bars(late.stream().map(each -> each.asked().bar()).toList()),
                    args("count", late.size())));
        }
    }

    /** Strokes that come late or early, by the jump before them where there is one. */
    private void outOfTime(double uneven) {
        for (Verdict verdict : List.of(Verdict.LATE, Verdict.EARLY)) {
            Predicate<Judgement.Heard> out = each -> each.verdict() == verdict
                    && each.asked().roll().isEmpty()
                    && Math.abs(each.off()) > Math.max(WELL_OUT * each.asked().tolerance(), SPREADS_OUT * uneven);
            List<Judgement.Heard> all = notes.stream().filter(out).toList();
            boolean far = all.stream()
                    .anyMatch(each -> Math.abs(each.off())
                            > Math.max(FAR_OUT * each.asked().tolerance(), (SPREADS_OUT + 1) * uneven));
            if (all.size() > 1 || far) {
                List<Judgement.Heard> after =
                        all.stream().filter(each -> each.asked().jump() != 0).toList();
                boolean jump = verdict == Verdict.LATE && after.size() * 2 > all.size();
                String code = verdict == Verdict.EARLY ? "early" : jump ? "late-jump" : "late";
                Judgement.Heard worst = (jump ? after : all)
                        .stream()
                                .max(Comparator.comparingDouble(each -> Math.abs(each.off())))
                                .orElseThrow();
                mend.add(new Finding(
                        code,
                        0.8 * all.size() + (jump ? 1 : 0),
                        bars(all.stream().map(each -> each.asked().bar()).toList()),
                        args(
                                "count",
                                all.size(),
                                "ms",
                                Math.round(Math.abs(worst.off())),
                                "jump",
                                Math.abs(worst.asked().jump()),
                                "hand",
                                worst.asked().hand().letter())));
            }
        }
    }

    private double[] off(Side hand) {
        return notes.stream()
                .filter(each -> each.key().isPresent()
                        && each.asked().hand() == hand
                        && each.asked().roll().isEmpty()
                        && isInTime(each))
                .mapToDouble(Judgement.Heard::off)
                .toArray();
    }

    private static boolean isInTime(Judgement.Heard each) {
        return each.verdict() == Verdict.RIGHT || each.verdict() == Verdict.LATE || each.verdict() == Verdict.EARLY;
    }

    private void evenness() {
        for (Side hand : Side.values()) {
            double[] off = off(hand);
            if (off.length >= HANDS_FROM) {
                double spread =
                        1.48 * TimeMap.median(Arrays.stream(off).map(Math::abs).toArray());
                hands.add(new Judgement.OfHand(hand, spread, swung(hand)));
                double limit = Math.min(
                        UNEVEN_MS,
                        UNEVEN_PART
                                * notes.stream()
                                        .filter(each -> each.asked().hand() == hand)
                                        .mapToDouble(each -> each.asked().between())
                                        .filter(Double::isFinite)
                                        .average()
                                        .orElse(1000));
                if (spread > Math.max(limit, STEADY_MS)) {
                    mend.add(new Finding(
                            "uneven",
                            1.5 + spread / UNEVEN_MS,
                            bars(),
                            args("hand", hand.letter(), "ms", Math.round(spread))));
                }
            }
        }
    }

    /** The mean of all beats of two onsets. */
    private Optional<Judgement.Swung> swung(Side hand) {
        Map<Long, Judgement.Heard> onsets = new TreeMap<>();
        notes.stream()
                .filter(each -> each.asked().hand() == hand
                        && each.key().isPresent()
                        && isInTime(each)
                        && each.asked().roll().isEmpty())
                .forEach(each -> onsets.putIfAbsent(Math.round(each.asked().beat()), each));
        List<Judgement.Heard> row = List.copyOf(onsets.values());
        double asked = 0;
        double played = 0;
        int pairs = 0;
        for (int at = 1; at + 1 < row.size(); at++) {
            double whole =
                    row.get(at + 1).asked().beat() - row.get(at - 1).asked().beat();
            double first = row.get(at).asked().beat() - row.get(at - 1).asked().beat();
            boolean beat = Math.abs(whole - passage.beatMs()) < passage.beatMs() * 0.05
                    && first / whole > 0.45
                    && first / whole < 0.8;
            if (beat) {
                pairs++;
                asked += first / whole;
                played += first / whole
                        + (row.get(at).off()
                                        - (row.get(at - 1).off()
                                                        + row.get(at + 1).off())
                                                / 2)
                                / whole;
            }
        }
        return pairs < PAIRS_FROM
                ? Optional.empty()
                : Optional.of(new Judgement.Swung(ratio(played / pairs), ratio(asked / pairs), pairs));
    }

    private static double ratio(double share) {
        return share / (1 - share);
    }

    /** Eighths that should swing and do not, or not as much, or too much. */
    private void swing() {
        hands.forEach(each -> each.swing().ifPresent(swung -> {
            double asked = swung.asked() / (1 + swung.asked());
            double apart = (asked - 0.5) * passage.beatMs();
            double off = (swung.ratio() / (1 + swung.ratio()) - asked) * passage.beatMs();
            boolean told = Math.abs(apart) > SWING_MS
                    ? Math.abs(off) > Math.max(SWING_MS, Math.abs(apart) / 2)
                    : off > 1.6 * SWING_MS;
            if (told) {
                mend.add(new Finding(
                        apart > SWING_MS ? off < 0 ? "swing-less" : "swing-more" : "straight-swung",
                        3,
                        bars(),
                        args(
                                "hand",
                                each.hand().letter(),
                                "ratio",
                                Math.round(10 * swung.ratio()) / 10.0,
                                "asked",
                                Math.round(10 * swung.asked()) / 10.0)));
            }
        }));
    }

    /** Chords that are not struck together, and rolls out of their order. */
    private void rolls() {
        Map<Integer, List<Judgement.Heard>> strokes = notes.stream()
                .filter(each -> each.key().isPresent() && isInTime(each))
                .collect(Collectors.groupingBy(each -> each.asked().stroke()));
        List<Integer> apart = new ArrayList<>();
        List<Integer> order = new ArrayList<>();
        strokes.values().stream().filter(all -> all.size() > 1).forEach(all -> {
            List<Judgement.Heard> up = all.stream()
                    .sorted(Comparator.comparingInt(each -> each.asked().note()))
                    .toList();
            double[] ms = up.stream()
                    .mapToDouble(
                            each -> take.keys().get(each.key().orElseThrow()).ms())
                    .toArray();
            boolean rolled = up.get(0).asked().roll().isPresent();
            if (rolled && IntStream.range(1, ms.length).anyMatch(at -> ms[at] < ms[at - 1] - STEADY_MS * 2)) {
                order.add(up.get(0).asked().bar());
            } else if (!rolled
                    && Arrays.stream(ms).max().orElseThrow()
                                    - Arrays.stream(ms).min().orElseThrow()
                            > 2 * APART_MS) {
                apart.add(up.get(0).asked().bar());
            }
        });
        if (!order.isEmpty()) {
            mend.add(new Finding("roll-order", 1.2 * order.size(), bars(order), args("count", order.size())));
        }
        if (apart.size() > 2) {
            mend.add(new Finding("apart", 0.5 * apart.size(), bars(apart), args("count", apart.size())));
        }
    }

    /** Long notes that are let go too soon where no pedal keeps them. */
    private void held() {
        List<Judgement.Heard> all = notes.stream()
                .filter(each ->
                        each.key().isPresent() && isInTime(each) && each.asked().held() >= passage.beatMs() * 0.9)
                .toList();
        List<Judgement.Heard> cut = all.stream()
                .filter(each -> take.keys().get(each.key().orElseThrow()).held()
                                < SHORT * each.asked().held()
                        && !isPedalled(each))
                .toList();
        if (cut.size() > 3 && cut.size() * 3 > all.size()) {
            mend.add(new Finding(
                    "short",
                    1.5,
                    bars(cut.stream().map(each -> each.asked().bar()).toList()),
                    args("count", cut.size())));
        }
    }

    private boolean isPedalled(Judgement.Heard each) {
        double middle = each.asked().ms() + each.asked().held() * 0.6;
        return passage.pedal().stream().anyMatch(span -> span.down() <= middle && middle <= span.up());
    }

    private void praise(double uneven, double pace, boolean through) {
        long struck = notes.stream().filter(Findings::isInTime).count();
        if (struck == notes.size()) {
            good.add(new Finding("good-notes", 3, bars(), args("count", notes.size())));
        }
        if (uneven < STEADY_MS && notes.size() >= HANDS_FROM) {
            good.add(new Finding("good-even", 2, bars(), args("ms", Math.round(uneven))));
        }
        if (through && Math.abs(pace - 1) < DRIFTS / 2) {
            good.add(new Finding("good-steady", 2, bars(), args()));
        }
        // The longest run of bars without a mistake, else the hand that did better.
        if (good.isEmpty()) {
            Map<Integer, Boolean> clean = new TreeMap<>();
            notes.forEach(each -> clean.merge(each.asked().bar(), isInTime(each), Boolean::logicalAnd));
            Optional<Integer> bar = clean.entrySet().stream()
                    .filter(Map.Entry::getValue)
                    .map(Map.Entry::getKey)
                    .findFirst();
            good.add(bar.map(index -> new Finding("good-bar", 1, List.of(index), args()))
                    .orElse(new Finding("good-through", 1, bars(), args("count", struck))));
        }
    }
}
