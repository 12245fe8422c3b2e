package zapateo.lefthand;

import java.util.Optional;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.PitchClass;

/**
 * What a note between two basses is called: as the chord that sounds has it, else the key, else the chord that comes; a
 * chromatic one by what it leads to.
 */
final class Naming {

    private Naming() {}

    /** @param away semitones from the note it leads to, below zero where it lies under it */
    static PitchClass of(int chroma, ChordSymbol sounding, ChordSymbol next, Key key, PitchClass target, int away) {
        return tone(chroma, sounding)
                .or(() -> inKey(chroma, key) ? Optional.of(key.spell(chroma)) : Optional.empty())
                .or(() -> tone(chroma, next))
                .orElseGet(() -> chromatic(target, chroma, away, key));
    }

    static boolean inKey(int chroma, Key key) {
        return key.scale().stream().anyMatch(step -> step.chroma() == chroma);
    }

    static Optional<PitchClass> tone(int chroma, ChordSymbol chord) {
        return Stream.concat(chord.over().stream(), chord.tones().stream())
                .filter(tone -> tone.chroma() == chroma)
                .findFirst();
    }

    /** A semitone below is written a letter lower, one above a letter higher, where a plain sign is enough. */
    static PitchClass chromatic(PitchClass target, int chroma, int away, Key key) {
        PitchClass natural = PitchClass.of(target.letter().plus(Integer.signum(away)), 0);
        int alteration = Math.floorMod(chroma - natural.chroma() + 6, 12) - 6;
        return Math.abs(alteration) <= 1 && Math.abs(away) <= 2
                ? PitchClass.of(natural.letter(), alteration)
                : key.spell(chroma);
    }
}
