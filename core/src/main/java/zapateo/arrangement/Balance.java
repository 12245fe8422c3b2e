package zapateo.arrangement;

import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;

/**
 * A tune sings over what accompanies it: nothing under it is louder than it is, less a dozen (HANDBOOK §7, Loudness).
 */
final class Balance {

    private static final int UNDER = 12;

    private Balance() {}

    /** @param strokes of both hands, as written */
    static List<Stroke> of(List<Stroke> strokes) {
        NavigableMap<Integer, Stroke> sung = new TreeMap<>();
        strokes.stream()
                .filter(stroke ->
                        stroke.hand() == Side.RIGHT && stroke.nature().origin().isSung())
                .forEach(stroke -> sung.put(stroke.written().tick(), stroke));
        if (sung.isEmpty()) {
            return strokes;
        }
        return strokes.stream()
                .map(stroke -> {
                    if (stroke.hand() == Side.RIGHT && stroke.nature().origin().isSung()) {
                        return stroke;
                    }
                    var over = sung.floorEntry(stroke.written().tick());
                    boolean sings = over != null
                            && over.getValue().written().end()
                                    > stroke.written().tick();
                    return sings ? capped(stroke, top(over.getValue()) - UNDER) : stroke;
                })
                .toList();
    }

    private static int top(Stroke sung) {
        return sung.notes().get(sung.notes().size() - 1).velocity();
    }

    /** All of it so much softer that its loudest note is no louder. */
    private static Stroke capped(Stroke stroke, int most) {
        int over = stroke.notes().stream().mapToInt(PartNote::velocity).max().orElse(0) - most;
        return over <= 0
                ? stroke
                : stroke.playing(stroke.notes().stream()
                        .map(note -> note.struck(note.velocity() - over))
                        .toList());
    }
}
