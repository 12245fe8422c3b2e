package zapateo.part;

import java.util.List;
import zapateo.rhythm.Side;

/** Everything one hand plays, in the order of time. */
public record Part(Side hand, List<Stroke> strokes) {

    public Part {
        strokes = List.copyOf(strokes);
    }

    public static Part silent(Side hand) {
        return new Part(hand, List.of());
    }
}
