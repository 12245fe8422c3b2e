package zapateo.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.practice.Judgement.Finding;

/** How keys of one chord go down together, and how long they stay. */
final class Touches {

    /** A key of a roll that comes so much before the one under it is out of order. */
    private static final double BACK_MS = 30;

    private static final double SHORT = 0.45;
    private static final double APART_MS = 45;

    private final Passage passage;
    private final Take take;
    private final List<Judgement.Heard> notes;
    private final List<Finding> mend = new ArrayList<>();

    private Touches(Passage passage, Take take, List<Judgement.Heard> notes) {
        this.passage = passage;
        this.take = take;
        this.notes = notes;
    }

    static List<Finding> of(Passage passage, Take take, List<Judgement.Heard> notes) {
        Touches touches = new Touches(passage, take, notes);
        touches.rolls();
        touches.held();
        return touches.mend;
    }

    /** Chords that are not struck together, and rolls out of their order. */
    private void rolls() {
        Map<Integer, List<Judgement.Heard>> strokes = notes.stream()
                .filter(each -> each.key().isPresent() && each.isInTime())
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
            if (rolled && IntStream.range(1, ms.length).anyMatch(at -> ms[at] < ms[at - 1] - BACK_MS)) {
                order.add(up.get(0).asked().bar());
            } else if (!rolled
                    && Arrays.stream(ms).max().orElseThrow()
                                    - Arrays.stream(ms).min().orElseThrow()
                            > 2 * APART_MS) {
                apart.add(up.get(0).asked().bar());
            }
        });
        if (!order.isEmpty()) {
            mend.add(Finding.of("roll-order", 1.2 * order.size(), order, "count", order.size()));
        }
        if (apart.size() > 2) {
            mend.add(Finding.of("apart", 0.5 * apart.size(), apart, "count", apart.size()));
        }
    }

    /** Long notes that are let go too soon where no pedal keeps them. */
    private void held() {
        List<Judgement.Heard> all = notes.stream()
                .filter(each -> each.key().isPresent()
                        && each.isInTime()
                        && each.asked().held() >= passage.beatMs() * 0.9)
                .toList();
        List<Judgement.Heard> cut = all.stream()
                .filter(each -> take.keys().get(each.key().orElseThrow()).held()
                                < SHORT * each.asked().held()
                        && !isPedalled(each))
                .toList();
        if (cut.size() > 3 && cut.size() * 3 > all.size()) {
            mend.add(Finding.of(
                    "short", 1.5, cut.stream().map(each -> each.asked().bar()).toList(), "count", cut.size()));
        }
    }

    private boolean isPedalled(Judgement.Heard each) {
        double middle = each.asked().ms() + each.asked().held() * 0.6;
        return passage.pedal().stream().anyMatch(span -> span.down() <= middle && middle <= span.up());
    }
}
