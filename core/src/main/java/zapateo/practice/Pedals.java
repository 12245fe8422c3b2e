package zapateo.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleBiFunction;
import zapateo.practice.Judgement.Finding;

/** What the foot did (HANDBOOK §7): up when the next chord is struck, down again after it. */
final class Pedals {

    private static final double PEDAL_LATE_MS = 180;
    private static final double PEDAL_EARLY = 0.35;
    /** Shorter ones are not judged; by this part of its time it is down if it comes at all. */
    private static final double SHORTEST_MS = 500;

    private static final double SURELY = 0.4;

    private Pedals() {}

    /** @param came when a note's place of the passage, by its number, was played */
    static List<Finding> of(
            Passage passage, Take take, ToDoubleBiFunction<Integer, Double> came, List<Judgement.Again> again) {
        if (take.pedal().isEmpty() || passage.pedal().isEmpty()) {
            return List.of();
        }
        List<Integer> through = new ArrayList<>();
        List<Integer> late = new ArrayList<>();
        List<Integer> early = new ArrayList<>();
        for (Passage.PedalSpan span : passage.pedal()) {
            int note = nearest(passage, span.up());
            int bar = passage.notes().get(note).bar();
            double change = came.applyAsDouble(note, span.up());
            double opened = came.applyAsDouble(nearest(passage, span.down()), span.down());
            if (begunAnew(bar, again)
                    || change - opened < SHORTEST_MS
                    || opened > take.pedal().get(take.pedal().size() - 1).ms() + passage.beatMs()) {
                continue;
            }
            Optional<Double> lifted = take.pedal().stream()
                    .filter(move -> !move.down() && move.ms() > opened + SURELY * (change - opened))
                    .map(Take.PedalMove::ms)
                    .findFirst();
            boolean down = isDown(take, opened + SURELY * (change - opened));
            boolean last = span == passage.pedal().get(passage.pedal().size() - 1);
            if (lifted.isEmpty() || lifted.get() > change + Math.max(PEDAL_LATE_MS * 2, passage.beatMs())) {
                if (down && !last) {
                    through.add(bar);
                }
            } else if (down && lifted.get() > change + PEDAL_LATE_MS && !last) {
                late.add(bar);
            } else if (down && lifted.get() < change - PEDAL_EARLY * (change - opened)) {
                early.add(bar);
            }
        }
        List<Finding> found = new ArrayList<>();
        add(found, "pedal-through", through);
        add(found, "pedal-late", late);
        add(found, "pedal-early", early);
        return found;
    }

    /** Where a bar is given up and begun anew the foot goes as it has to. */
    private static boolean begunAnew(int bar, List<Judgement.Again> again) {
        return again.stream()
                .anyMatch(each -> bar >= Math.min(each.from(), each.to()) && bar <= Math.max(each.from(), each.to()));
    }

    private static void add(List<Finding> found, String code, List<Integer> bars) {
        if (!bars.isEmpty()) {
            found.add(new Finding(
                    code,
                    1 + 0.8 * bars.size(),
                    bars.stream().distinct().sorted().toList(),
                    Map.of("count", String.valueOf(bars.size()))));
        }
    }

    private static boolean isDown(Take take, double ms) {
        boolean down = false;
        for (Take.PedalMove move : take.pedal()) {
            if (move.ms() > ms) {
                break;
            }
            down = move.down();
        }
        return down;
    }

    private static int nearest(Passage passage, double ms) {
        int at = 0;
        while (at + 1 < passage.notes().size() && passage.notes().get(at).ms() < ms) {
            at++;
        }
        return at;
    }
}
