package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import zapateo.part.Ceiling;
import zapateo.part.Stroke;

/** Which ceilings a stroke is under while it sounds. */
final class Bounds {

    private final List<Ceiling> ceilings;
    private final int longest;

    /** @param ceilings in the order of time */
    Bounds(List<Ceiling> ceilings) {
        this.ceilings = ceilings;
        this.longest =
                ceilings.stream().mapToInt(each -> each.span().ticks()).max().orElse(0);
    }

    /** Those that are lower than what it strikes. */
    List<Ceiling> below(Stroke stroke) {
        int top = stroke.highest().midi();
        return during(stroke).stream().filter(each -> each.highest() < top).toList();
    }

    /** Whether it strikes what is above one of them. */
    boolean isOver(Stroke stroke) {
        return lowest(stroke).orElse(Integer.MAX_VALUE) < stroke.highest().midi();
    }

    /** The lowest of all. */
    OptionalInt lowest(Stroke stroke) {
        return during(stroke).stream().mapToInt(Ceiling::highest).min();
    }

    private List<Ceiling> during(Stroke stroke) {
        List<Ceiling> during = new ArrayList<>();
        int end = stroke.written().end();
        for (int i = firstFrom(stroke.written().tick() - longest);
                i < ceilings.size() && ceilings.get(i).span().tick() < end;
                i++) {
            if (ceilings.get(i).span().end() > stroke.written().tick()) {
                during.add(ceilings.get(i));
            }
        }
        return during;
    }

    private int firstFrom(int tick) {
        int low = 0;
        int high = ceilings.size();
        while (low < high) {
            int middle = (low + high) / 2;
            if (ceilings.get(middle).span().tick() < tick) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
