package zapateo.part;

import java.util.List;
import java.util.Optional;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;

/**
 * One thing one hand does at one moment.
 *
 * @param bar      index of the bar it belongs to
 * @param chord    which of the laid chords it plays, counted from 0
 * @param written  where the score has it
 * @param sounding where it is heard, swung if the song swings
 * @param mark     how the step line shows it
 * @param accent   whether it is struck harder than its neighbours
 * @param notes    low to high, one at least
 * @param roll     present when the notes are not struck together
 * @param reason   why it is there
 */
public record Stroke(Side hand, int bar, int chord, TickSpan written, TickSpan sounding, Mark mark, boolean accent, List<PartNote> notes, Optional<Roll> roll,
                     Reason reason) {

    /** Argument of a reason that says how a stroke was fitted to the hand. */
    public static final String ALTERED = "altered";
    /** Argument of a reason that says a stroke is a grace note to the next one of its hand. */
    public static final String GRACE = "grace";
    /** Argument of the next one's: by how many ticks it comes later for the grace note's sake. */
    public static final String LEANED_ON = "leanedOn";

    public Stroke {
        notes = List.copyOf(notes);
        if (notes.isEmpty()) {
            throw new IllegalArgumentException("stroke at " + written.tick() + " plays nothing: expected one note at least");
        }
    }

    public Stroke sounding(TickSpan span) {
        return new Stroke(hand, bar, chord, written, span, mark, accent, notes, roll, reason);
    }

    /** The same in another place of the score. */
    public Stroke moved(int toBar, TickSpan span) {
        return new Stroke(hand, toBar, chord, span, span, mark, accent, notes, roll, reason);
    }

    public Stroke rolled(Roll how, List<PartNote> opened) {
        return new Stroke(hand, bar, chord, written, sounding, mark, accent, opened, Optional.of(how), reason);
    }

    public Stroke playing(List<PartNote> others) {
        return new Stroke(hand, bar, chord, written, sounding, mark, accent, others, roll, reason);
    }

    /** The same as a stroke of another laid chord. */
    public Stroke of(int laidChord) {
        return new Stroke(hand, bar, laidChord, written, sounding, mark, accent, notes, roll, reason);
    }

    public Stroke because(Reason other) {
        return new Stroke(hand, bar, chord, written, sounding, mark, accent, notes, roll, other);
    }

    /** @param fingers of its notes, low to high */
    public Stroke fingered(int[] fingers) {
        List<PartNote> played = new java.util.ArrayList<>(notes.size());
        for (int i = 0; i < notes.size(); i++) {
            played.add(notes.get(i).fingered(fingers[i]));
        }
        return playing(played);
    }

    /** Low to high, as MIDI note numbers. */
    public int[] keys() {
        int[] keys = new int[notes.size()];
        for (int i = 0; i < keys.length; i++) {
            keys[i] = notes.get(i).pitch().midi();
        }
        return keys;
    }

    public boolean isGrace() {
        return reason.args().containsKey(GRACE);
    }

    /** Where it stands on the page: a note that a grace note leans on has all of its time there. */
    public TickSpan onPage() {
        String later = reason.args().get(LEANED_ON);
        return later == null ? written : TickSpan.of(written.tick() - Integer.parseInt(later), written.ticks() + Integer.parseInt(later));
    }

    /** What was done because the hand cannot strike it together as it was meant: roll, pedal, omit or play. */
    public Optional<String> altered() {
        return Optional.ofNullable(reason.args().get(ALTERED));
    }

    /** Where its first note is heard. */
    public int firstTick() {
        int earliest = 0;
        for (PartNote note : notes) {
            earliest = Math.min(earliest, note.delayTicks());
        }
        return sounding.tick() + earliest;
    }

    public Pitch lowest() {
        return notes.get(0).pitch();
    }

    public Pitch highest() {
        return notes.get(notes.size() - 1).pitch();
    }
}
