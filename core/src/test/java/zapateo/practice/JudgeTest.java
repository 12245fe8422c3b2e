package zapateo.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import zapateo.Endured;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.hand.Hand;
import zapateo.practice.Judgement.Verdict;
import zapateo.practice.SimulatedPlayer.Manner;
import zapateo.practice.SimulatedPlayer.Mistake;
import zapateo.practice.SimulatedPlayer.Planted;
import zapateo.rhythm.FigureBook;
import zapateo.righthand.RightChoices;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/**
 * Takes of a made-up player with mistakes that are known; how right is what the judge says of them. The figures asked
 * for are the project's own.
 */
class JudgeTest {

    /** A few of them here, all under {@code ./zapateo endure}. */
    private static final int TAKES = Endured.times(100, 1000);

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final List<String> FIGURES = List.of(
            "stride-root-chord",
            "spread-eighths",
            "walking",
            "held",
            "bossa",
            "boogie-climbing",
            "rolled-tenths",
            "pop-sixteenths",
            "bass-and-chop",
            "gospel-octave-walk",
            "three-three-two",
            "sixteenth-circle",
            "tango-marked",
            "nearest-inversions");

    /** Seeds beside one another give nothing alike. */
    private static Random random(long seed) {
        return new Random((seed + 1) * 0x9E3779B97F4A7C15L);
    }

    private static Passage passage(int seed, Layer layer) {
        return passage(seed, layer, 180);
    }

    private static Passage passage(int seed, Layer layer, int fastest) {
        Random random = random(seed);
        for (int tried = 0; ; tried++) {
            Song song = SeededCharts.song(seed + 1000 * tried);
            if (song.bars().size() >= 12) {
                RightChoices.Style style = List.of(RightChoices.Style.COMPING, RightChoices.Style.IMPROVISE)
                        .get(random.nextInt(2));
                Arrangement arrangement = ARRANGER.arrange(
                        song,
                        Choices.figure(FIGURES.get(seed % FIGURES.size()))
                                .endsHeld(false)
                                .right(RightHand.of(style)),
                        Hand.of(200 + random.nextInt(30)));
                return Passage.of(
                        arrangement, 0, Math.min(song.bars().size(), 24) - 1, layer, 50 + random.nextInt(fastest - 49));
            }
        }
    }

    private static Manner manner(Random random, double most) {
        return new Manner(
                5 + random.nextDouble() * (most - 5), -0.15 + 0.3 * random.nextDouble(), 250 * random.nextDouble());
    }

    /** Counts of right finds, of finds, and of what was there to find. */
    private static final class Score {
        private int hit;
        private int found;
        private int there;

        private void add(Set<Integer> truth, Set<Integer> said, Set<Integer> left) {
            Set<Integer> counted = new HashSet<>(said);
            counted.removeAll(left);
            Set<Integer> real = new HashSet<>(truth);
            there += real.size();
            found += counted.size();
            counted.retainAll(real);
            hit += counted.size();
        }

        private double precision() {
            return found == 0 ? 1 : (double) hit / found;
        }

        private double recall() {
            return there == 0 ? 1 : (double) hit / there;
        }

        @Override
        public String toString() {
            return "%d of %d there, %d said: precision %.3f, recall %.3f"
                    .formatted(hit, there, found, precision(), recall());
        }
    }

    private static Set<Integer> said(Judgement judgement, Verdict verdict) {
        return IntStream.range(0, judgement.notes().size())
                .filter(at -> judgement.notes().get(at).verdict() == verdict)
                .boxed()
                .collect(Collectors.toSet());
    }

    @Test
    void mistakes_of_notes_are_found_and_no_others() {
        Map<Mistake, Score> scores = new HashMap<>();
        Map<Mistake, Verdict> verdicts = Map.of(
                Mistake.WRONG,
                Verdict.WRONG,
                Mistake.MISSED,
                Verdict.MISSED,
                Mistake.OCTAVE,
                Verdict.OCTAVE,
                Mistake.EARLY,
                Verdict.EARLY,
                Mistake.LATE,
                Verdict.LATE);
        Score added = new Score();
        List<String> worst = new ArrayList<>();
        for (int seed = 0; seed < TAKES; seed++) {
            Random random = random(seed * 31L + 7);
            Passage passage = passage(seed, Layer.values()[seed % 6 == 3 ? 5 : seed % 6]);
            Manner manner = manner(random, 25);
            boolean timed = manner.jitterMs() <= 15;
            Set<Mistake> kinds = timed
                    ? EnumSet.range(Mistake.WRONG, Mistake.ADDED)
                    : EnumSet.of(Mistake.WRONG, Mistake.MISSED, Mistake.OCTAVE, Mistake.ADDED);
            Planted planted = new SimulatedPlayer(passage, manner, seed).play(kinds, 0.06);
            Judgement judgement = Judge.of(passage, planted.take());
            int wrongs = 0;
            List<String> told = new ArrayList<>();
            for (Map.Entry<Mistake, Verdict> each : verdicts.entrySet()) {
                boolean ofTime = each.getKey() == Mistake.EARLY || each.getKey() == Mistake.LATE;
                if (!ofTime || timed) {
                    Set<Integer> found = said(judgement, each.getValue());
                    Set<Integer> truth = planted.notes().get(each.getKey());
                    scores.computeIfAbsent(each.getKey(), key -> new Score())
                            .add(truth, found, ofTime ? planted.unsure() : Set.of());
                    Set<Integer> unlike = new HashSet<>(found);
                    unlike.removeAll(truth);
                    unlike.removeAll(ofTime ? planted.unsure() : Set.of());
                    Set<Integer> lost = new HashSet<>(truth);
                    lost.removeAll(found);
                    wrongs += unlike.size() + lost.size();
                    unlike.forEach(at -> told.add(each.getValue() + " made up at " + at + " "
                            + judgement.notes().get(at).asked() + " off "
                            + Math.round(judgement.notes().get(at).off())));
                    lost.forEach(at -> told.add(each.getValue() + " lost at " + at + " "
                            + judgement.notes().get(at)));
                }
            }
            added.there += planted.added();
            added.found += judgement.added().size();
            added.hit += Math.min(planted.added(), judgement.added().size());
            wrongs += Math.abs(planted.added() - judgement.added().size());
            if (wrongs > 0) {
                worst.add("seed %d %s σ %.0f drift %.2f beat %.0f: %d of %d notes, stops %s again %s: %s"
                        .formatted(
                                seed,
                                passage.layer(),
                                manner.jitterMs(),
                                manner.drift(),
                                passage.beatMs(),
                                wrongs,
                                passage.notes().size(),
                                judgement.stops(),
                                judgement.again(),
                                told));
            }
        }
        scores.put(Mistake.ADDED, added);
        String all = scores.entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(each -> each.getKey() + " " + each.getValue())
                        .collect(Collectors.joining("\n"))
                + "\n" + String.join("\n", worst);
        assertThat(scores.values())
                .as(all)
                .allMatch(score -> score.there > TAKES / 4)
                .allMatch(score -> score.precision() >= 0.97 && score.recall() >= 0.97);
    }

    @Test
    void a_late_hand_a_late_tenth_a_stop_a_repeated_bar_and_a_late_pedal_are_named() {
        Map<Mistake, Set<String>> codes = Map.of(
                Mistake.LATE_HAND,
                Set.of("hand-late"),
                Mistake.LATE_TENTH,
                Set.of("late-tenth"),
                Mistake.STOP,
                Set.of("stop"),
                Mistake.AGAIN,
                Set.of("again"),
                Mistake.PEDAL_LATE,
                Set.of("pedal-late"));
        Map<Mistake, Score> scores = new HashMap<>();
        List<String> worst = new ArrayList<>();
        for (int seed = 0; seed < TAKES * 2; seed++) {
            Random random = random(seed * 17L + 3);
            Mistake kind = EnumSet.range(Mistake.LATE_HAND, Mistake.PEDAL_LATE).stream()
                    .toList()
                    .get(seed % 5);
            int figure = kind == Mistake.LATE_TENTH
                    ? 6
                    : kind == Mistake.PEDAL_LATE ? List.of(1, 3, 6).get(seed / 5 % 3) : seed / 5 % FIGURES.size();
            Passage passage =
                    passage(seed / 5 * FIGURES.size() + figure, Layer.BOTH, kind == Mistake.LATE_TENTH ? 80 : 180);
            Planted planted = new SimulatedPlayer(passage, manner(random, 15), seed).play(EnumSet.of(kind), 0);
            boolean there = !planted.notes().get(kind).isEmpty() || kind == Mistake.LATE_HAND && hands(passage);
            Judgement judgement = Judge.of(passage, planted.take());
            Function<Mistake, Boolean> said = each -> each == Mistake.STOP
                    ? !judgement.stops().isEmpty()
                    : each == Mistake.AGAIN
                            ? !judgement.again().isEmpty()
                            : judgement.mend().stream()
                                    .anyMatch(finding -> codes.get(each).contains(finding.code()));
            for (Mistake each : codes.keySet()) {
                boolean real = each == kind && there;
                boolean found = said.apply(each);
                Score score = scores.computeIfAbsent(each, key -> new Score());
                score.there += real ? 1 : 0;
                score.found += found ? 1 : 0;
                score.hit += real && found ? 1 : 0;
                if (real != found) {
                    worst.add("seed %d planted %s, %s %s; beat %.0f, %d notes; mend %s"
                                    .formatted(
                                            seed,
                                            kind,
                                            real ? "lost" : "made up",
                                            each,
                                            passage.beatMs(),
                                            passage.notes().size(),
                                            judgement.mend().stream()
                                                    .map(Judgement.Finding::code)
                                                    .toList())
                            + " in bars " + planted.bars() + " stops " + judgement.stops() + " added "
                            + judgement.added());
                }
            }
        }
        String all = scores.entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(each -> each.getKey() + " " + each.getValue())
                        .collect(Collectors.joining("\n"))
                + "\n" + String.join("\n", worst);
        assertThat(scores.values())
                .as(all)
                .allMatch(score -> score.there > TAKES / 8)
                .allMatch(score -> score.precision() >= 0.95 && score.recall() >= 0.95);
    }

    private static boolean hands(Passage passage) {
        return passage.notes().stream()
                        .collect(Collectors.groupingBy(Passage.Note::hand, Collectors.counting()))
                        .values()
                        .stream()
                        .filter(count -> count >= 20)
                        .count()
                == 2;
    }

    @Test
    void a_flawless_take_has_no_mistake_named() {
        List<String> named = new ArrayList<>();
        for (int seed = 0; seed < TAKES; seed++) {
            Random random = random(seed * 13L + 1);
            Passage passage = passage(seed, Layer.values()[seed % 6 == 3 ? 5 : seed % 6]);
            Manner manner =
                    new Manner(10 * random.nextDouble(), -0.03 + 0.06 * random.nextDouble(), 250 * random.nextDouble());
            Judgement judgement = Judge.of(
                    passage,
                    new SimulatedPlayer(passage, manner, seed).play(Set.of(), 0).take());
            if (!judgement.mend().isEmpty()) {
                named.add("seed %d %s σ %.0f beat %.0f: %s"
                        .formatted(seed, passage.layer(), manner.jitterMs(), passage.beatMs(), judgement.mend()));
            }
        }
        assertThat(named).hasSizeLessThanOrEqualTo(Math.max(1, TAKES / 100));
    }
}
