package zapateo.song;

import java.util.List;
import zapateo.rhythm.Meter;

/**
 * A bar as it is played.
 *
 * @param index  counts bars as played, from 0
 * @param number counts bars as written, from 1
 * @param tick   where it starts in the song
 * @param chords fill it from end to end
 */
public record Bar(int index, int number, Meter meter, int tick, List<ChordSpan> chords) {

    public Bar {
        chords = List.copyOf(chords);
        int filled = chords.stream().mapToInt(ChordSpan::ticks).sum();
        if (filled != meter.barTicks()) {
            throw new IllegalArgumentException("bar " + number + " holds " + filled + " ticks of chords: expected " + meter.barTicks());
        }
    }

    public int ticks() {
        return meter.barTicks();
    }

    /** The first tick of the song after this bar. */
    public int end() {
        return tick + ticks();
    }
}
