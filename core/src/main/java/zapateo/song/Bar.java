package zapateo.song;

import java.util.List;
import zapateo.harmony.Key;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;

/**
 * A bar as it is played.
 *
 * @param index   counts bars as played, from 0
 * @param pass    which time this written bar is played, from 1
 * @param tick    where it starts in the song
 * @param key     the key in force
 * @param tempo   the tempo in force
 * @param vamp    the index of the first bar of the vamp it is in, -1 outside of one
 * @param written what it was read from
 */
public record Bar(int index, int pass, int tick, Key key, Tempo tempo, int vamp, WrittenBar written) {

    /** Counts bars as written, from 1; a pick-up is 0. */
    public int number() {
        return written.number();
    }

    public Meter meter() {
        return written.meter();
    }

    public List<ChordSpan> chords() {
        return written.chords();
    }

    public int ticks() {
        return written.ticks();
    }

    /** The first tick of the song after this bar. */
    public int end() {
        return tick + ticks();
    }

    Bar vampFrom(int first) {
        return new Bar(index, pass, tick, key, tempo, first, written);
    }
}
