package zapateo.song;

import java.util.Optional;
import zapateo.pitch.Pitch;

/**
 * A note or a rest of the melody.
 *
 * @param pitch empty for a rest
 * @param tick from the bar line
 * @param ticks how long inside its bar
 * @param tied whether it sounds on into the next note, which has the same pitch
 */
public record TuneNote(Optional<Pitch> pitch, int tick, int ticks, boolean tied) {

    public TuneNote {
        if (tick < 0 || ticks <= 0 || tied && pitch.isEmpty()) {
            throw new IllegalArgumentException("tune note at " + tick + " for " + ticks
                    + ": expected a place in the bar and a length; a rest is not tied");
        }
    }

    public int end() {
        return tick + ticks;
    }
}
