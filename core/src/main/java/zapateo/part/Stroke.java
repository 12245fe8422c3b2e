package zapateo.part;

import java.util.List;
import java.util.Optional;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;

/**
 * One thing one hand does at one moment.
 *
 * @param bar      index of the bar it belongs to
 * @param written  where the score has it
 * @param sounding where it is heard, swung if the song swings
 * @param mark     how the step line shows it
 * @param notes    low to high, one at least
 * @param roll     present when the notes are not struck together
 * @param reason   why it is there
 */
public record Stroke(Side hand, int bar, TickSpan written, TickSpan sounding, Mark mark, List<PartNote> notes, Optional<Roll> roll,
                     Reason reason) {

    public Stroke {
        notes = List.copyOf(notes);
        if (notes.isEmpty()) {
            throw new IllegalArgumentException("stroke at " + written.tick() + " plays nothing: expected one note at least");
        }
    }

    public Stroke sounding(TickSpan span) {
        return new Stroke(hand, bar, written, span, mark, notes, roll, reason);
    }

    /** The same in another place of the score. */
    public Stroke moved(int toBar, TickSpan span) {
        return new Stroke(hand, toBar, span, span, mark, notes, roll, reason);
    }

    public Stroke rolled(Roll how, List<PartNote> opened) {
        return new Stroke(hand, bar, written, sounding, mark, opened, Optional.of(how), reason);
    }

    public Pitch lowest() {
        return notes.get(0).pitch();
    }

    public Pitch highest() {
        return notes.get(notes.size() - 1).pitch();
    }
}
