package zapateo.hand;

import java.util.List;
import java.util.TreeMap;
import zapateo.refusal.Refused;

/**
 * What is played on.
 *
 * @param keys 49, 61, 73, 76 or 88
 * @param octaveMm from a C to the next; 164.5 at full size, 120 to 180
 * @param pedal whether it has a sustaining pedal
 */
public record Instrument(int keys, double octaveMm, boolean pedal) {

    public static final double NARROWEST = 120;
    public static final double WIDEST = 180;

    /**
     * By the number of keys the lowest one, as a MIDI note number (common practice: 49 and 61 keys begin on C2, 73 and
     * 76 on E1, 88 on A0).
     */
    private static final TreeMap<Integer, Integer> LOWEST =
            new TreeMap<>(java.util.Map.of(49, 36, 61, 36, 73, 28, 76, 28, 88, 21));

    public static final Instrument FULL = new Instrument(88, Keyboard.OCTAVE, true);

    /** @throws Refused naming what was given and what was expected */
    public Instrument {
        if (!LOWEST.containsKey(keys)) {
            throw new Refused("instrument of " + keys + " keys: expected one of " + sizes());
        }
        if (!(octaveMm >= NARROWEST && octaveMm <= WIDEST)) {
            throw new Refused("octave of " + octaveMm + " mm: expected 120 to 180");
        }
    }

    public static List<Integer> sizes() {
        return List.copyOf(LOWEST.keySet());
    }

    public int lowest() {
        return LOWEST.get(keys);
    }

    public int highest() {
        return lowest() + keys - 1;
    }
}
