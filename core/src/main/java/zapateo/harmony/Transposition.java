package zapateo.harmony;

import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;

/**
 * Moving music to another key by a distance on the line of fifths, so that every name keeps its place in the key; what
 * would need a double sharp or flat is written as the plain key it lies on.
 *
 * @param fifths places on the line of fifths
 * @param semitones the way up or down on the keyboard
 */
public record Transposition(int fifths, int semitones) {

    public Transposition {
        if (Math.floorMod(7 * fifths - semitones, 12) != 0) {
            throw new IllegalArgumentException(fifths + " fifths do not make " + semitones + " semitones");
        }
    }

    /**
     * From one key to another of the same or another mode, the shortest way: at most six semitones down or up; an
     * augmented fourth goes down.
     */
    public static Transposition between(Key from, Key to) {
        int up = Math.floorMod(to.tonic().chroma() - from.tonic().chroma(), 12);
        return new Transposition(to.tonic().fifths() - from.tonic().fifths(), up >= 6 ? up - 12 : up);
    }

    /** Up or down by semitones, to the key there with the fewest signs. */
    public static Transposition by(int semitones, Key from) {
        Key to = Key.nearest(
                Math.floorMod(from.tonic().chroma() + semitones, 12),
                from.mode(),
                from.fifths() == 0 ? -1 : from.fifths());
        return new Transposition(to.tonic().fifths() - from.tonic().fifths(), semitones);
    }

    public PitchClass of(PitchClass note) {
        int place = note.fifths() + fifths;
        return place < -15 || place > 19
                ? PitchClass.onLine(place - 12 * Integer.signum(place)).simple()
                : PitchClass.onLine(place).simple();
    }

    public ChordSymbol of(ChordSymbol chord) {
        ChordSymbol moved = chord.root(of(chord.root()));
        return chord.over().isEmpty() ? moved : moved.over(of(chord.bass()));
    }

    /** The key moved, spelled anew where its signature would need more than seven signs. */
    public Key of(Key key) {
        int signs = key.fifths() + fifths;
        return Math.abs(signs) <= 7
                ? Key.of(PitchClass.onLine(key.tonic().fifths() + fifths), key.mode())
                : Key.nearest(Math.floorMod(key.tonic().chroma() + semitones, 12), key.mode(), -signs);
    }

    public Pitch of(Pitch pitch) {
        return Pitch.onKey(pitch.midi() + semitones, of(pitch.pitchClass()));
    }
}
