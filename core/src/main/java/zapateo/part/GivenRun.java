package zapateo.part;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * A run that the left hand plays because the right one plays it: whatever else would begin in its time is not struck.
 *
 * @param strokes of the left hand, in the order of time
 */
public record GivenRun(TickSpan span, List<Stroke> strokes) {

    public GivenRun {
        strokes = List.copyOf(strokes);
    }

    /** Both, those of {@code upper} in place of what {@code lower} has in their time. */
    public static List<GivenRun> over(List<GivenRun> lower, List<GivenRun> upper) {
        List<GivenRun> all = new ArrayList<>(lower.stream()
                .map(run -> new GivenRun(
                        run.span,
                        run.strokes.stream()
                                .flatMap(stroke -> cut(stroke, upper))
                                .toList()))
                .toList());
        all.addAll(upper);
        return all;
    }

    private static Stream<Stroke> cut(Stroke stroke, List<GivenRun> upper) {
        int tick = stroke.written().tick();
        int end = upper.stream()
                .map(GivenRun::span)
                .filter(span -> span.end() > tick)
                .mapToInt(TickSpan::tick)
                .min()
                .orElse(Integer.MAX_VALUE);
        return end <= tick
                ? Stream.empty()
                : Stream.of(
                        end >= stroke.written().end()
                                ? stroke
                                : stroke.moved(stroke.bar(), TickSpan.of(tick, end - tick)));
    }
}
