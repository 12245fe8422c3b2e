package zapateo.format;

import java.util.Optional;

/**
 * Which tracks of a MIDI file to read, from 1.
 *
 * @param melody empty takes the one that looks most like one
 * @param chords empty reads no chords
 */
public record MidiTracks(Optional<Integer> melody, Optional<Integer> chords) {

    public static final MidiTracks FOUND = new MidiTracks(Optional.empty(), Optional.empty());
}
