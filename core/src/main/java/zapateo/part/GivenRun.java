package zapateo.part;

import java.util.List;

/**
 * A run that the left hand plays because the right one plays it: whatever else would begin in its time is not struck.
 *
 * @param strokes of the left hand, in the order of time
 */
public record GivenRun(TickSpan span, List<Stroke> strokes) {

    public GivenRun {
        strokes = List.copyOf(strokes);
    }
}
