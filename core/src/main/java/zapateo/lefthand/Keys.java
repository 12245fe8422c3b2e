package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;

/** No key is struck while it is held: what holds it lets go, and of two hands on one key the left one has it. */
final class Keys {

    private Keys() {
    }

    static List<Stroke> struckOnce(List<Stroke> strokes) {
        List<Stroke> sorted = new ArrayList<>(strokes);
        sorted.sort(Stroke.IN_TIME);
        int[] holder = new int[128];
        Arrays.fill(holder, -1);
        for (int i = 0; i < sorted.size(); i++) {
            Stroke stroke = sorted.get(i);
            Set<Integer> taken = new HashSet<>();
            for (PartNote note : stroke.notes()) {
                int key = note.pitch().midi();
                Stroke before = holder[key] < 0 ? null : sorted.get(holder[key]);
                // A broken chord's bass is written on its off-beat; a quick roll only sounds before its place.
                int start = stroke.written().tick() + (stroke.roll().filter(roll -> roll.kind() == Roll.Kind.BROKEN).isPresent() ? Math.min(0, note.delayTicks()) : 0);
                if (before != null && before.written().end() > start) {
                    if (before.written().tick() < start) {
                        sorted.set(holder[key], shortened(before, start));
                    } else {
                        taken.add(key);
                    }
                }
            }
            if (!taken.isEmpty()) {
                List<PartNote> left = stroke.notes().stream().filter(note -> !taken.contains(note.pitch().midi())).toList();
                sorted.set(i, left.isEmpty() ? null : stroke.playing(left));
            }
            if (sorted.get(i) != null) {
                for (PartNote note : sorted.get(i).notes()) {
                    holder[note.pitch().midi()] = i;
                }
            }
        }
        sorted.removeIf(java.util.Objects::isNull);
        return sorted;
    }

    private static Stroke shortened(Stroke stroke, int end) {
        return stroke.moved(stroke.bar(), TickSpan.of(stroke.written().tick(), end - stroke.written().tick()));
    }
}
