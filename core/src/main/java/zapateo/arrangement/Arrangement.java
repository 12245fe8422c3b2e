package zapateo.arrangement;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import zapateo.lefthand.Realised;
import zapateo.part.Part;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Swing;
import zapateo.song.Song;

/**
 * A song as two hands play it.
 *
 * @param pedal   in the order of time, never overlapping
 * @param notices choices that could not be kept to the letter, and why
 * @param laid    how the chords were laid, to be asked why
 */
public record Arrangement(Song song, Swing swing, Part left, Part right, List<Pedal> pedal, List<Reason> notices, Realised laid) {

    public Arrangement {
        pedal = List.copyOf(pedal);
        notices = List.copyOf(notices);
    }

    /** Of both hands, in the order of the score. */
    public List<Stroke> strokes() {
        return Stream.concat(left.strokes().stream(), right.strokes().stream())
                .sorted(Comparator.comparingInt((Stroke stroke) -> stroke.written().tick()).thenComparing(Stroke::hand)).toList();
    }

    /** The chords that are pedalled, where the score has them. */
    public List<TickSpan> pedalled() {
        return laid.chords().stream().filter(Realised.LaidChord::pedal).map(chord -> TickSpan.of(chord.tick(), chord.end() - chord.tick())).toList();
    }

    /** The left hand with the song's melody over it in place of a right hand. */
    public Arrangement withTune() {
        return new Arrangement(song, swing, left, Melody.of(song), pedal, notices, laid);
    }
}
