package zapateo.song;

import java.util.Optional;
import zapateo.harmony.ChordSymbol;

/**
 * A chord and where it lies inside its bar.
 *
 * @param written what the chart says there; the canonical symbol where it could be read, {@code N.C.} for silence
 * @param chord the chord, empty for silence and for a symbol that could not be read
 * @param tick from the bar line
 * @param ticks how long
 * @param early whether it is struck an eighth before its place and tied over
 * @param held whether a fermata stands over it
 */
public record ChordSpan(String written, Optional<ChordSymbol> chord, int tick, int ticks, boolean early, boolean held) {

    public static final String NO_CHORD = "N.C.";

    public ChordSpan {
        if (tick < 0 || ticks <= 0) {
            throw new IllegalArgumentException("chord " + written + " at " + tick + " for " + ticks
                    + ": expected a place in the bar and a length");
        }
    }

    public static ChordSpan of(ChordSymbol chord, int tick, int ticks) {
        return new ChordSpan(chord.toString(), Optional.of(chord), tick, ticks, false, false);
    }

    public static ChordSpan silence(int tick, int ticks) {
        return new ChordSpan(NO_CHORD, Optional.empty(), tick, ticks, false, false);
    }

    /** A silence that nothing is said about, before a song begins. */
    public static ChordSpan unsaid(int tick, int ticks) {
        return new ChordSpan("", Optional.empty(), tick, ticks, false, false);
    }

    /** Whether a page has a word for it. */
    public boolean isSaid() {
        return !written.isEmpty();
    }

    public int end() {
        return tick + ticks;
    }

    public ChordSpan chord(ChordSymbol other) {
        return new ChordSpan(other.toString(), Optional.of(other), tick, ticks, early, held);
    }

    public ChordSpan at(int from, int length) {
        return new ChordSpan(written, chord, from, length, early, held);
    }
}
