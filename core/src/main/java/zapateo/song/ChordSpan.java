package zapateo.song;

import java.util.Optional;
import zapateo.harmony.ChordSymbol;

/**
 * A chord and where it lies inside its bar.
 *
 * @param written what the chart says there; the canonical symbol where it could be read, {@code N.C.} for silence
 * @param chord   the chord, empty for silence and for a symbol that could not be read
 * @param tick    from the bar line
 * @param ticks   how long
 */
public record ChordSpan(String written, Optional<ChordSymbol> chord, int tick, int ticks) {

    public static final String NO_CHORD = "N.C.";

    public ChordSpan {
        if (tick < 0 || ticks <= 0) {
            throw new IllegalArgumentException("chord " + written + " at " + tick + " for " + ticks + ": expected a place in the bar and a length");
        }
    }
}
