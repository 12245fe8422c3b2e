package zapateo.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
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
        stops.forEach(stop -> mend.add(Finding.of(
                "stop",
                4,
                List.of(Math.max(passage.first(), stop.bar() - 1), stop.bar()).stream()
                        .distinct()
                        .toList(),
                "ms",
                Math.round(stop.ms()))));
        again.forEach(each -> mend.add(Finding.of("again", 4, List.of(each.to(), each.from()))));
        wrong();
        each("missed", 1, Verdict.MISSED);
        each("octave", 1, Verdict.OCTAVE);
        if (!added.isEmpty()) {
            mend.add(Finding.of(
                    "added",
                    added.size(),
                    added.stream().map(Judgement.Added::bar).toList(),
                    "count",
                    added.size()));
        }
        tenths();
        outOfTime(uneven);
        if (Math.abs(behind) > HAND_MS) {
            mend.add(Finding.of(
                    "hand-late",
                    3 + Math.abs(behind) / HAND_MS,
                    bars(),
                    "hand",
                    behind > 0 ? "L" : "R",
                    "ms",
                    Math.round(Math.abs(behind))));
        }
        evenness();
        mend.addAll(Swings.findings(hands, bars(), passage));
        mend.addAll(Touches.of(passage, take, notes));
        Pedals.of(passage, take, came::at, again).forEach(mend::add);
        if (Math.abs(pace - 1) > DRIFTS) {
            mend.add(Finding.of(
                    pace > 1 ? "slower" : "faster",
                    2 + 10 * Math.abs(pace - 1),
                    bars(),
                    "percent",
                    Math.round(100 * Math.abs(pace - 1))));
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

    private List<Integer> bars() {
        return IntStream.rangeClosed(passage.first(), passage.last()).boxed().toList();
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
        same.forEach((key, all) -> mend.add(Finding.of(
                all.size() > 1 ? "wrong-again" : "wrong",
                all.size() * (all.size() > 1 ? 2 : 1.5),
                all.stream().map(each -> each.asked().bar()).toList(),
                "asked",
                all.get(0).asked().midi(),
                "played",
                take.keys().get(all.get(0).key().orElseThrow()).midi(),
                "count",
                all.size())));
    }

    private void each(String code, double weight, Verdict verdict) {
        List<Judgement.Heard> all =
                notes.stream().filter(each -> each.verdict() == verdict).toList();
        if (!all.isEmpty()) {
            mend.add(Finding.of(
                    code,
                    weight * all.size(),
                    all.stream().map(each -> each.asked().bar()).toList(),
                    "count",
                    all.size(),
                    "asked",
                    all.get(0).asked().midi()));
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
            mend.add(Finding.of(
                    "late-tenth",
                    2.0 * late.size() + 2,
                    late.stream().map(each -> each.asked().bar()).toList(),
                    "count",
                    late.size()));
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
                mend.add(Finding.of(
                        code,
                        0.8 * all.size() + (jump ? 1 : 0),
                        all.stream().map(each -> each.asked().bar()).toList(),
                        "count",
                        all.size(),
                        "ms",
                        Math.round(Math.abs(worst.off())),
                        "jump",
                        Math.abs(worst.asked().jump()),
                        "hand",
                        worst.asked().hand().letter()));
            }
        }
    }

    private double[] off(Side hand) {
        return notes.stream()
                .filter(each -> each.key().isPresent()
                        && each.asked().hand() == hand
                        && each.asked().roll().isEmpty()
                        && each.isInTime())
                .mapToDouble(Judgement.Heard::off)
                .toArray();
    }

    private void evenness() {
        for (Side hand : Side.values()) {
            double[] off = off(hand);
            if (off.length >= HANDS_FROM) {
                double spread =
                        1.48 * TimeMap.median(Arrays.stream(off).map(Math::abs).toArray());
                hands.add(new Judgement.OfHand(hand, spread, Swings.of(hand, notes, passage)));
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
                    mend.add(Finding.of(
                            "uneven",
                            1.5 + spread / UNEVEN_MS,
                            bars(),
                            "hand",
                            hand.letter(),
                            "ms",
                            Math.round(spread)));
                }
            }
        }
    }

    private void praise(double uneven, double pace, boolean through) {
        long struck = notes.stream().filter(Judgement.Heard::isInTime).count();
        if (struck == notes.size()) {
            good.add(Finding.of("good-notes", 3, bars(), "count", notes.size()));
        }
        if (uneven < STEADY_MS && notes.size() >= HANDS_FROM) {
            good.add(Finding.of("good-even", 2, bars(), "ms", Math.round(uneven)));
        }
        if (through && Math.abs(pace - 1) < DRIFTS / 2) {
            good.add(Finding.of("good-steady", 2, bars()));
        }
        // The longest run of bars without a mistake, else the hand that did better.
        if (good.isEmpty()) {
            Map<Integer, Boolean> clean = new TreeMap<>();
            notes.forEach(each -> clean.merge(each.asked().bar(), each.isInTime(), Boolean::logicalAnd));
            Optional<Integer> bar = clean.entrySet().stream()
                    .filter(Map.Entry::getValue)
                    .map(Map.Entry::getKey)
                    .findFirst();
            good.add(bar.map(index -> Finding.of("good-bar", 1, List.of(index)))
                    .orElse(Finding.of("good-through", 1, bars(), "count", struck)));
        }
    }
}
