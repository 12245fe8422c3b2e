package zapateo.part;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;

/**
 * One thing one hand does at one moment.
 *
 * @param bar index of the bar it belongs to
 * @param chord which of the laid chords it plays, counted from 0
 * @param written where the score has it
 * @param sounding where it is heard, swung if the song swings
 * @param mark how the step line shows it
 * @param accent whether it is struck harder than its neighbours
 * @param notes low to high, one at least
 * @param roll present when the notes are not struck together
 * @param nature what it is
 * @param reason why it is there, for words
 */
public record Stroke(
        Side hand,
        int bar,
        int chord,
        TickSpan written,
        TickSpan sounding,
        Mark mark,
        boolean accent,
        List<PartNote> notes,
        Optional<Roll> roll,
        Nature nature,
        Reason reason) {

    /** In the order of the score; of strokes written on one tick the left hand's comes first. */
    public static final Comparator<Stroke> IN_TIME = (one, other) -> one.written.tick() != other.written.tick()
            ? Integer.compare(one.written.tick(), other.written.tick())
            : one.hand.compareTo(other.hand);

    public Stroke {
        notes = List.copyOf(notes);
        if (notes.isEmpty()) {
            throw new IllegalArgumentException(
                    "stroke at " + written.tick() + " plays nothing: expected one note at least");
        }
    }

    /** One that sounds where it is written, its notes together. */
    public static Stroke of(
            Side hand,
            int bar,
            int chord,
            TickSpan span,
            Mark mark,
            boolean accent,
            List<PartNote> notes,
            Nature nature,
            Reason reason) {
        return new Stroke(hand, bar, chord, span, span, mark, accent, notes, Optional.empty(), nature, reason);
    }

    public Stroke sounding(TickSpan span) {
        return new Stroke(hand, bar, chord, written, span, mark, accent, notes, roll, nature, reason);
    }

    /** The same in another place of the score. */
    public Stroke moved(int toBar, TickSpan span) {
        return new Stroke(hand, toBar, chord, span, span, mark, accent, notes, roll, nature, reason);
    }

    /** The same so many bars and ticks later. */
    public Stroke later(int bars, int ticks) {
        return new Stroke(
                hand,
                bar + bars,
                chord,
                written.later(ticks),
                sounding.later(ticks),
                mark,
                accent,
                notes,
                roll,
                nature,
                reason);
    }

    public Stroke rolled(Roll how, List<PartNote> opened) {
        return new Stroke(hand, bar, chord, written, sounding, mark, accent, opened, Optional.of(how), nature, reason);
    }

    public Stroke playing(List<PartNote> others) {
        return new Stroke(hand, bar, chord, written, sounding, mark, accent, others, roll, nature, reason);
    }

    /** The same as a stroke of another laid chord. */
    public Stroke ofChord(int laidChord) {
        return new Stroke(hand, bar, laidChord, written, sounding, mark, accent, notes, roll, nature, reason);
    }

    public Stroke because(Reason other) {
        return new Stroke(hand, bar, chord, written, sounding, mark, accent, notes, roll, nature, other);
    }

    public Stroke as(Nature other) {
        return new Stroke(hand, bar, chord, written, sounding, mark, accent, notes, roll, other, reason);
    }

    public Stroke mended(Mending how) {
        return as(nature.with(how));
    }

    /** @param fingers of its notes, low to high */
    public Stroke fingered(int[] fingers) {
        if (notes.size() == 1) {
            return playing(List.of(notes.get(0).fingered(fingers[0])));
        }
        List<PartNote> played = new ArrayList<>(notes.size());
        for (int i = 0; i < notes.size(); i++) {
            played.add(notes.get(i).fingered(fingers[i]));
        }
        return playing(played);
    }

    /** Low to high, as MIDI note numbers. */
    public int[] keys() {
        return PartNote.keys(notes);
    }

    public boolean isGrace() {
        return nature.grace().filter(grace -> grace.place() == Grace.Place.NOTE).isPresent();
    }

    /** Where it stands on the page: a note that a grace note leans on has all of its time there. */
    public TickSpan onPage() {
        if (nature.grace().isEmpty() || nature.grace().get().place() != Grace.Place.LEANED_ON) {
            return written;
        }
        int before = nature.grace().get().ticks();
        return TickSpan.of(written.tick() - before, written.ticks() + before);
    }

    /** What was done last for one cause; empty where nothing was. */
    public Optional<Mending> mended(Mending.Cause cause) {
        if (nature.mended().isEmpty()) {
            return Optional.empty();
        }
        Mending last = null;
        for (Mending how : nature.mended()) {
            last = how.cause() == cause ? how : last;
        }
        return Optional.ofNullable(last);
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
