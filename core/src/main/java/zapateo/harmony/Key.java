package zapateo.harmony;

import java.util.Optional;
import zapateo.pitch.Letter;
import zapateo.pitch.PitchClass;

/** A key: a tonic and a mode, with at most seven sharps or flats in its signature. */
public record Key(PitchClass tonic, Mode mode) {

    public static final Key C_MAJOR = new Key(PitchClass.of(Letter.C, 0), Mode.MAJOR);

    private static final int[] MAJOR_SCALE = {0, 2, 4, 5, 7, 9, 11};

    public Key {
        int fifths = tonic.fifths() + mode.fifthsFromMajor();
        if (fifths < -7 || fifths > 7) {
            throw new IllegalArgumentException(tonic + " " + mode.id() + ": expected at most seven sharps or flats");
        }
    }

    public static Key of(PitchClass tonic, Mode mode) {
        return new Key(tonic, mode);
    }

    /** Reads {@code B♭}, {@code Gm}, {@code G minor}, {@code E mixolydian}; empty when it is no key that can be signed. */
    public static Optional<Key> read(String text) {
        String plain = text.strip();
        return PitchClass.prefixOf(plain).flatMap(tonic -> Mode.named(plain.substring(tonic.length()))
                .filter(mode -> Math.abs(tonic.pitchClass().fifths() + mode.fifthsFromMajor()) <= 7)
                .map(mode -> of(tonic.pitchClass(), mode)));
    }

    /** Sharps in the signature; flats count below zero. */
    public int fifths() {
        return tonic.fifths() + mode.fifthsFromMajor();
    }

    /** The alteration the signature gives a letter. */
    public int alterationOf(Letter letter) {
        int place = PitchClass.of(letter, 0).fifths();
        if (fifths() > 0) {
            return place + 1 < fifths() ? 1 : 0;
        }
        return 5 - place < -fifths() ? -1 : 0;
    }

    /** How far {@code note} lies from the tonic's scale degree of the same letter in a major scale, in semitones. */
    int alterationAgainstMajor(PitchClass note) {
        int steps = stepsTo(note);
        int distance = Math.floorMod(note.chroma() - tonic.chroma() - MAJOR_SCALE[steps] + 6, 12) - 6;
        return distance;
    }

    /** Letters from the tonic up to {@code note}, 0 to 6. */
    int stepsTo(PitchClass note) {
        return Math.floorMod(note.letter().ordinal() - tonic.letter().ordinal(), 7);
    }

    /** As a player writes it: {@code B♭}, {@code Gm}, {@code E mixolydian}. */
    @Override
    public String toString() {
        return switch (mode) {
            case MAJOR -> tonic.toString();
            case MINOR -> tonic + "m";
            default -> tonic + " " + mode.id();
        };
    }
}
