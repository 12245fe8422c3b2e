package zapateo.format;

import java.util.Arrays;
import zapateo.harmony.Key;
import zapateo.pitch.Letter;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;

/**
 * A note as a player reads it: by one accidental at the most, a white key by its own name unless the key has it
 * otherwise. What it is to its chord is told elsewhere, by thirds.
 */
final class PlainSpelling {

    private PlainSpelling() {}

    /** The same key of the piano, by the name it is read by in a key. */
    static Pitch of(Pitch pitch, Key key) {
        PitchClass name = pitch.pitchClass();
        boolean ofKey = key.scale().stream().anyMatch(tone -> tone.equals(name));
        boolean white = name.alteration() != 0
                && Arrays.stream(Letter.values())
                        .anyMatch(letter -> PitchClass.of(letter, 0).chroma() == name.chroma());
        boolean strange = Math.abs(name.alteration()) > 1 || white && !ofKey;
        return strange ? Pitch.onKey(pitch.midi(), key.spellTone(name.chroma())) : pitch;
    }
}
