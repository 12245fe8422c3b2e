package zapateo.hand;

import java.util.Arrays;
import zapateo.pitch.Pitch;

/**
 * One way to take a stroke, with what it costs by itself counted once.
 *
 * @param before finger of the single note before where the line goes on from it, else 0
 * @param fingers one to each key, thumb side first
 * @param places of the same, semitones rising towards the little finger
 * @param from place of the single note before, where there is one
 * @param quick whether it follows within half a second
 * @param lone what rules and habits cost here, in the order of {@link FingerRule}
 * @param alone all of that together
 * @param rest where the thumb of the hand would rest
 */
record Grasp(
        int before, int[] fingers, int[] places, int from, boolean quick, double[] lone, double alone, double rest) {

    /** Between the tips of a hand at rest, in semitones. */
    private static final double APART = 2;

    static Grasp of(int before, int[] fingers, int[] places, int from, boolean quick, double[] lone) {
        double alone = 0;
        for (double each : lone) {
            alone += each;
        }
        double rest = 0;
        for (int i = 0; i < fingers.length; i++) {
            rest += places[i] - APART * (fingers[i] - 1);
        }
        return new Grasp(before, fingers, places, from, quick, lone, alone, rest / fingers.length);
    }

    boolean goesOn() {
        return before > 0;
    }

    /** Whether the whole hand goes as it stands: three fingers and more, or an octave. */
    boolean sameShape(Grasp other) {
        boolean wide = fingers.length > 2 || fingers.length == 2 && places[1] - places[0] == Pitch.OCTAVE;
        return wide && Arrays.equals(fingers, other.fingers);
    }

    boolean single() {
        return fingers.length == 1;
    }
}
