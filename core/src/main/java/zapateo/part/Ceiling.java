package zapateo.part;

import java.util.Collection;
import java.util.List;
import zapateo.pitch.Pitch;

/**
 * How high the left hand may go while a stroke of the right one sounds.
 *
 * @param span of the stroke, as written
 * @param highest the highest key it leaves free, as a MIDI note number
 */
public record Ceiling(TickSpan span, int highest) {

    /** Hands come no closer than this where a second is muddy. */
    public static final int MINOR_THIRD = 3;
    /**
     * Below this it is (the low interval limit of a major second is E♭3; the hands keep to middle C, the project's own
     * choice).
     */
    public static final int LOW = Pitch.parse("C4").midi();

    /** What strokes of the right hand leave to the left one, in the order of time. */
    public static List<Ceiling> under(Collection<Stroke> right) {
        return right.stream()
                .sorted(Stroke.IN_TIME)
                .map(stroke -> {
                    int lowest = stroke.lowest().midi();
                    return new Ceiling(stroke.written(), lowest < LOW ? lowest - MINOR_THIRD : lowest - 1);
                })
                .toList();
    }
}
