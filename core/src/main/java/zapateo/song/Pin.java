package zapateo.song;

import zapateo.refusal.Refused;

/** A player's note pinned to a bar; a warning wants to be seen before the bar comes. */
public record Pin(String text, boolean warning) {

    public static final int LONGEST = 120;

    /** @throws Refused naming what was given and what was expected */
    public Pin {
        if (text.isBlank() || text.length() > LONGEST || text.indexOf('"') >= 0 || text.indexOf('\n') >= 0) {
            throw new Refused(
                    "pin \"" + text + "\": expected 1 to " + LONGEST + " characters on one line without quotes");
        }
    }
}
