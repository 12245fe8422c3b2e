package zapateo.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
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

    /** When an asked time came, as a note of the passage was played. */
    interface Came {
        double at(int note, double asked);
    }

    /**
     * A pass as it was heard.
     *
     * @param behind how far the left hand is behind the right one, in ms
     */
    record Pass(
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

        List<Integer> bars() {
            return IntStream.rangeClosed(passage.first(), passage.last())
                    .boxed()
                    .toList();
        }

        Stream<Judgement.Heard> heard(Verdict verdict) {
            return notes.stream().filter(each -> each.verdict() == verdict);
        }
    }

    /** What may be found in a pass. */
    private static final List<Function<Pass, List<Finding>>> RULES = List.of(
            Findings::stops,
            Findings::again,
            Findings::wrong,
            pass -> each(pass, "missed", 1, Verdict.MISSED),
            pass -> each(pass, "octave", 1, Verdict.OCTAVE),
            Findings::added,
            Findings::tenths,
            Findings::outOfTime,
            Findings::handLate,
            Findings::uneven,
            pass -> Swings.findings(hands(pass), pass.bars(), pass.passage()),
            pass -> Touches.of(pass.passage(), pass.take(), pass.notes()),
            pass -> Pedals.of(pass.passage(), pass.take(), pass.came()::at, pass.again()),
            Findings::drifts);

    private Findings() {}

    /** The worst to mend. */
    static List<Finding> mend(Pass pass) {
        return RULES.stream()
                .flatMap(rule -> rule.apply(pass).stream())
                .sorted(Comparator.comparingDouble(Finding::weight).reversed())
                .limit(MOST)
                .toList();
    }

    private static List<Finding> stops(Pass pass) {
        return pass.stops().stream()
                .map(stop -> Finding.of(
                        "stop",
                        4,
                        List.of(Math.max(pass.passage().first(), stop.bar() - 1), stop.bar()).stream()
                                .distinct()
                                .toList(),
                        "ms",
                        Math.round(stop.ms())))
                .toList();
    }

    private static List<Finding> again(Pass pass) {
        return pass.again().stream()
                .map(each -> Finding.of("again", 4, List.of(each.to(), each.from())))
                .toList();
    }

    private static List<Finding> added(Pass pass) {
        List<Judgement.Added> added = pass.added();
        return added.isEmpty()
                ? List.of()
                : List.of(Finding.of(
                        "added",
                        added.size(),
                        added.stream().map(Judgement.Added::bar).toList(),
                        "count",
                        added.size()));
    }

    private static List<Finding> handLate(Pass pass) {
        double behind = Math.abs(pass.behind());
        return behind <= HAND_MS
                ? List.of()
                : List.of(Finding.of(
                        "hand-late",
                        3 + behind / HAND_MS,
                        pass.bars(),
                        "hand",
                        pass.behind() > 0 ? "L" : "R",
                        "ms",
                        Math.round(behind)));
    }

    private static List<Finding> drifts(Pass pass) {
        double drift = Math.abs(pass.pace() - 1);
        return drift <= DRIFTS
                ? List.of()
                : List.of(Finding.of(
                        pass.pace() > 1 ? "slower" : "faster",
                        2 + 10 * drift,
                        pass.bars(),
                        "percent",
                        Math.round(100 * drift)));
    }

    /** The wrong note that is always the same comes first. */
    private static List<Finding> wrong(Pass pass) {
        Map<String, List<Judgement.Heard>> same = new TreeMap<>();
        pass.heard(Verdict.WRONG)
                .forEach(each -> same.computeIfAbsent(
                                each.asked().midi() + " " + played(pass, each), key -> new ArrayList<>())
                        .add(each));
        return same.values().stream()
                .map(all -> Finding.of(
                        all.size() > 1 ? "wrong-again" : "wrong",
                        all.size() * (all.size() > 1 ? 2 : 1.5),
                        barsOf(all),
                        "asked",
                        all.get(0).asked().midi(),
                        "played",
                        played(pass, all.get(0)),
                        "count",
                        all.size()))
                .toList();
    }

    private static int played(Pass pass, Judgement.Heard heard) {
        return pass.take().keys().get(heard.key().orElseThrow()).midi();
    }

    private static List<Integer> barsOf(List<Judgement.Heard> all) {
        return all.stream().map(each -> each.asked().bar()).toList();
    }

    private static List<Finding> each(Pass pass, String code, double weight, Verdict verdict) {
        List<Judgement.Heard> all = pass.heard(verdict).toList();
        return all.isEmpty()
                ? List.of()
                : List.of(Finding.of(
                        code,
                        weight * all.size(),
                        barsOf(all),
                        "count",
                        all.size(),
                        "asked",
                        all.get(0).asked().midi()));
    }

    /** The classic mistake of stride: the bass of a rolled tenth on the beat, its top after it. */
    private static List<Finding> tenths(Pass pass) {
        List<Judgement.Heard> notes = pass.notes();
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
                double beat = pass.came().at(stroke.get(0), bass.asked().beat());
                if (pass.take().keys().get(bass.key().get()).ms()
                        > beat - (bass.asked().beat() - bass.asked().ms()) / 2) {
                    late.add(top);
                }
            }
        });
        return late.isEmpty()
                ? List.of()
                : List.of(Finding.of("late-tenth", 2.0 * late.size() + 2, barsOf(late), "count", late.size()));
    }

    /** Strokes that come late or early, by the jump before them where there is one. */
    private static List<Finding> outOfTime(Pass pass) {
        double uneven = pass.uneven();
        List<Finding> found = new ArrayList<>();
        for (Verdict verdict : List.of(Verdict.LATE, Verdict.EARLY)) {
            Predicate<Judgement.Heard> out = each -> each.verdict() == verdict
                    && each.asked().roll().isEmpty()
                    && Math.abs(each.off()) > Math.max(WELL_OUT * each.asked().tolerance(), SPREADS_OUT * uneven);
            List<Judgement.Heard> all = pass.notes().stream().filter(out).toList();
            boolean far = all.stream()
                    .anyMatch(each -> Math.abs(each.off())
                            > Math.max(FAR_OUT * each.asked().tolerance(), (SPREADS_OUT + 1) * uneven));
            if (all.size() > 1 || far) {
                List<Judgement.Heard> after =
                        all.stream().filter(each -> each.asked().jump() != 0).toList();
                // One slip is no habit: a jump is named when more than one of its landings came late.
                boolean jump = verdict == Verdict.LATE && after.size() > 1 && after.size() * 2 > all.size();
                String code = verdict == Verdict.EARLY ? "early" : jump ? "late-jump" : "late";
                Judgement.Heard worst = (jump ? after : all)
                        .stream()
                                .max(Comparator.comparingDouble(each -> Math.abs(each.off())))
                                .orElseThrow();
                found.add(Finding.of(
                        code,
                        0.8 * all.size() + (jump ? 1 : 0),
                        barsOf(all),
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
        return found;
    }

    private static double[] off(Pass pass, Side hand) {
        return pass.notes().stream()
                .filter(each -> each.key().isPresent()
                        && each.asked().hand() == hand
                        && each.asked().roll().isEmpty()
                        && each.isInTime())
                .mapToDouble(Judgement.Heard::off)
                .toArray();
    }

    /** How evenly each hand went that played enough to tell. */
    static List<Judgement.OfHand> hands(Pass pass) {
        return Arrays.stream(Side.values())
                .filter(hand -> off(pass, hand).length >= HANDS_FROM)
                .map(hand -> new Judgement.OfHand(
                        hand,
                        1.48
                                * TimeMap.median(Arrays.stream(off(pass, hand))
                                        .map(Math::abs)
                                        .toArray()),
                        Swings.of(hand, pass.notes(), pass.passage())))
                .toList();
    }

    private static List<Finding> uneven(Pass pass) {
        List<Finding> found = new ArrayList<>();
        for (Judgement.OfHand each : hands(pass)) {
            double between = pass.notes().stream()
                    .filter(note -> note.asked().hand() == each.hand())
                    .mapToDouble(note -> note.asked().between())
                    .filter(Double::isFinite)
                    .average()
                    .orElse(1000);
            double spread = each.unevenMs();
            if (spread > Math.max(Math.min(UNEVEN_MS, UNEVEN_PART * between), STEADY_MS)) {
                found.add(Finding.of(
                        "uneven",
                        1.5 + spread / UNEVEN_MS,
                        pass.bars(),
                        "hand",
                        each.hand().letter(),
                        "ms",
                        Math.round(spread)));
            }
        }
        return found;
    }

    /** What was good, two things at most. */
    static List<Finding> good(Pass pass) {
        List<Judgement.Heard> notes = pass.notes();
        List<Finding> good = new ArrayList<>();
        long struck = notes.stream().filter(Judgement.Heard::isInTime).count();
        if (struck == notes.size()) {
            good.add(Finding.of("good-notes", 3, pass.bars(), "count", notes.size()));
        }
        if (pass.uneven() < STEADY_MS && notes.size() >= HANDS_FROM) {
            good.add(Finding.of("good-even", 2, pass.bars(), "ms", Math.round(pass.uneven())));
        }
        boolean through =
                pass.stops().isEmpty() && pass.again().isEmpty() && pass.added().isEmpty();
        if (through && Math.abs(pass.pace() - 1) < DRIFTS / 2) {
            good.add(Finding.of("good-steady", 2, pass.bars()));
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
                    .orElse(Finding.of("good-through", 1, pass.bars(), "count", struck)));
        }
        return good.subList(0, Math.min(2, good.size()));
    }
}
