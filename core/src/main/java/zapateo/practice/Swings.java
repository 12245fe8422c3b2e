package zapateo.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import zapateo.practice.Judgement.Finding;
import zapateo.rhythm.Side;

/** The long and the short of the beats that one hand plays in two. */
final class Swings {

    private static final int PAIRS_FROM = 6;
    /** Swung and straight have to lie so far apart to be told. */
    private static final double SWING_MS = 25;

    private Swings() {}

    /** The mean of all beats of two onsets. */
    static Optional<Judgement.Swung> of(Side hand, List<Judgement.Heard> notes, Passage passage) {
        Map<Long, Judgement.Heard> onsets = new TreeMap<>();
        notes.stream()
                .filter(each -> each.asked().hand() == hand
                        && each.key().isPresent()
                        && each.isInTime()
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
    static List<Finding> findings(List<Judgement.OfHand> hands, List<Integer> bars, Passage passage) {
        List<Finding> mend = new ArrayList<>();
        hands.forEach(each -> each.swing().ifPresent(swung -> {
            double asked = swung.asked() / (1 + swung.asked());
            double apart = (asked - 0.5) * passage.beatMs();
            double off = (swung.ratio() / (1 + swung.ratio()) - asked) * passage.beatMs();
            boolean told = Math.abs(apart) > SWING_MS
                    ? Math.abs(off) > Math.max(SWING_MS, Math.abs(apart) / 2)
                    : off > 1.6 * SWING_MS;
            if (told) {
                mend.add(Finding.of(
                        apart > SWING_MS ? off < 0 ? "swing-less" : "swing-more" : "straight-swung",
                        3,
                        bars,
                        "hand",
                        each.hand().letter(),
                        "ratio",
                        Math.round(10 * swung.ratio()) / 10.0,
                        "asked",
                        Math.round(10 * swung.asked()) / 10.0));
            }
        }));
        return mend;
    }
}
