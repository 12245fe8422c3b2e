package zapateo.part;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToIntBiFunction;

/** No key is struck while it is held: what holds it lets go. */
public enum KeysOnce {
    /**
     * On the page, where of two strokes that begin on one key together the first has it: a broken chord's bass stands
     * on its off-beat, a quick roll only sounds before its place.
     */
    WRITTEN(
            Stroke::written,
            (stroke, note) -> stroke.written().tick()
                    + (stroke.roll()
                                    .filter(roll -> roll.kind() == Roll.Kind.BROKEN)
                                    .isPresent()
                            ? Math.min(0, note.delayTicks())
                            : 0),
            (stroke, span) -> stroke.moved(stroke.bar(), span),
            true),
    /** As it is heard: a key that a roll strikes ahead of its place is let go before that. */
    SOUNDING(Stroke::sounding, (stroke, note) -> stroke.sounding().tick() + note.delayTicks(), Stroke::sounding, false);

    private static final int KEYS = 128;
    private static final int NOBODY = -1;

    private final Function<Stroke, TickSpan> span;
    private final ToIntBiFunction<Stroke, PartNote> start;
    private final Shortened shortened;
    private final boolean oneHolder;

    /** A stroke with another span. */
    private interface Shortened {
        Stroke to(Stroke stroke, TickSpan span);
    }

    KeysOnce(
            Function<Stroke, TickSpan> span,
            ToIntBiFunction<Stroke, PartNote> start,
            Shortened shortened,
            boolean oneHolder) {
        this.span = span;
        this.start = start;
        this.shortened = shortened;
        this.oneHolder = oneHolder;
    }

    /** The strokes in the order of time; what has no key of its own left is gone. */
    public List<Stroke> of(List<Stroke> strokes) {
        List<Stroke> sorted = new ArrayList<>(strokes);
        sorted.sort(Stroke.IN_TIME);
        int[] holder = new int[KEYS];
        Arrays.fill(holder, NOBODY);
        for (int i = 0; i < sorted.size(); i++) {
            sorted.set(i, struck(sorted, i, holder));
            for (PartNote note :
                    sorted.get(i) == null ? List.<PartNote>of() : sorted.get(i).notes()) {
                holder[note.pitch().midi()] = i;
            }
        }
        sorted.removeIf(Objects::isNull);
        return sorted;
    }

    private Stroke struck(List<Stroke> sorted, int at, int[] holder) {
        Stroke stroke = sorted.get(at);
        Set<Integer> taken = Set.of();
        for (PartNote note : stroke.notes()) {
            int key = note.pitch().midi();
            Stroke before = holder[key] == NOBODY ? null : sorted.get(holder[key]);
            int from = start.applyAsInt(stroke, note);
            if (before != null && span.apply(before).end() > from) {
                int begun = span.apply(before).tick();
                if (begun < from) {
                    sorted.set(holder[key], shortened.to(before, TickSpan.of(begun, from - begun)));
                } else if (oneHolder) {
                    taken = taken.isEmpty() ? new HashSet<>() : taken;
                    taken.add(key);
                }
            }
        }
        return taken.isEmpty() ? stroke : without(stroke, taken);
    }

    private static Stroke without(Stroke stroke, Set<Integer> taken) {
        List<PartNote> left = stroke.notes().stream()
                .filter(note -> !taken.contains(note.pitch().midi()))
                .toList();
        return left.isEmpty() ? null : stroke.playing(left);
    }
}
