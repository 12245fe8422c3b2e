package zapateo.format;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.audiveris.proxymusic.AccidentalValue;
import zapateo.harmony.Key;
import zapateo.pitch.Pitch;

/** Which accidentals a bar of one staff needs, note after note. */
final class Accidentals {

    private final Key key;
    private final Map<Integer, Integer> shown = new HashMap<>();

    Accidentals(Key key) {
        this.key = key;
    }

    /** The sign to print before {@code pitch}, which then holds for its line or space to the end of the bar. */
    Optional<AccidentalValue> before(Pitch pitch) {
        int alteration = pitch.pitchClass().alteration();
        int holds = shown.getOrDefault(
                pitch.staffPlace(), key.alterationOf(pitch.pitchClass().letter()));
        shown.put(pitch.staffPlace(), alteration);
        return alteration == holds
                ? Optional.empty()
                : Optional.of(
                        switch (alteration) {
                            case -2 -> AccidentalValue.FLAT_FLAT;
                            case -1 -> AccidentalValue.FLAT;
                            case 1 -> AccidentalValue.SHARP;
                            case 2 -> AccidentalValue.DOUBLE_SHARP;
                            default -> AccidentalValue.NATURAL;
                        });
    }
}
