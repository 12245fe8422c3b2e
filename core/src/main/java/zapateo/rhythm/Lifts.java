package zapateo.rhythm;

import java.util.Arrays;
import zapateo.names.Names;
import zapateo.refusal.Refused;

/** When the sustaining pedal comes up in a figure that uses it (HANDBOOK §7, Pedal by style). */
public enum Lifts {
    /** With the next chord. */
    CHANGE,
    /** When the chord above a bass is struck: it binds the jump and no more. */
    CHORD,
    /** On the third beat, as waltzes do. */
    THIRD,
    /** With the next chord where the song is slow, else every half bar. */
    HALF;

    public String id() {
        return Names.of(this);
    }

    /** @throws Refused naming what was given and what was expected */
    public static Lifts named(String id) {
        return Arrays.stream(values())
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused("lifts \"" + id + "\": expected change, chord, third or half"));
    }
}
