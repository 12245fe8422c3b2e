package zapateo.harmony;

import zapateo.refusal.Refused;

/** A text that is no chord symbol, and where it stops being one. */
public final class ChordUnreadException extends Refused {

    private static final long serialVersionUID = 1L;

    private final String reason;
    private final int position;

    ChordUnreadException(String reason, int position) {
        super("no chord: " + reason + " at " + position);
        this.reason = reason;
        this.position = position;
    }

    /** None: most words of a word sheet are no chords, and where they were read says nothing. */
    @Override
    public Throwable fillInStackTrace() {
        return this;
    }

    /** {@code root}, {@code unknown}, {@code bass}, {@code parentheses} or {@code quartal}. */
    public String reason() {
        return reason;
    }

    /** Characters from the start of the symbol to what could not be read. */
    public int position() {
        return position;
    }

    ChordUnreadException later(int by) {
        return new ChordUnreadException(reason, position + by);
    }
}
