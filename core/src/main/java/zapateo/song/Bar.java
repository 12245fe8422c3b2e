package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.rhythm.Ticks;

/**
 * A bar as it is played.
 *
 * @param index counts bars as played, from 0
 * @param pass which time this written bar is played, from 1
 * @param tick where it starts in the song
 * @param key the key in force
 * @param tempo the tempo in force
 * @param vamp the index of the first bar of the vamp it is in, -1 outside of one
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

    /** The melody as it is this time. */
    public List<TuneNote> tune() {
        return written.tune(pass);
    }

    public int ticks() {
        return written.ticks();
    }

    /** The first tick of the song after this bar. */
    public int end() {
        return tick + ticks();
    }

    /** With other chords than the written ones. */
    Bar chords(List<ChordSpan> others) {
        return new Bar(index, pass, tick, key, tempo, vamp, written.chords(others));
    }

    /**
     * In another key than it is written in.
     *
     * @param opens whether it is the first such bar, which has the signature
     */
    Bar moved(Transposition way, boolean opens) {
        List<ChordSpan> moved = chords().stream()
                .map(span ->
                        span.chord().map(chord -> span.chord(way.of(chord))).orElse(span))
                .toList();
        List<TuneNote> sung = tune().stream()
                .map(note -> new TuneNote(note.pitch().map(way::of), note.tick(), note.ticks(), note.tied()))
                .toList();
        WrittenBar bar = written.chords(moved).tune(pass, sung);
        boolean signed = opens || bar.marks().key().isPresent();
        return new Bar(
                index,
                pass,
                tick,
                way.of(key),
                tempo,
                vamp,
                signed ? bar.marks(bar.marks().key(way.of(key))) : bar);
    }

    Bar vampFrom(int first) {
        return new Bar(index, pass, tick, key, tempo, first, written);
    }

    /**
     * The melody's accents: what falls on a beat and lasts one, and what is struck off the beat and held over the next.
     */
    public List<TuneNote> accents() {
        int beat = meter().beatTicks();
        List<TuneNote> accents = new ArrayList<>();
        for (TuneNote note : tune()) {
            boolean onBeat = note.tick() % beat == 0 && note.ticks() >= beat;
            boolean across = note.tick() % beat != 0
                    && note.tick() % Ticks.PER_EIGHTH == 0
                    && note.end() > (note.tick() / beat + 1) * beat;
            if (note.pitch().isPresent() && (onBeat || across)) {
                accents.add(note);
            }
        }
        return accents;
    }
}
