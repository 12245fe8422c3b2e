package zapateo.harmony;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import zapateo.pitch.Letter;
import zapateo.pitch.PitchClass;
import zapateo.refusal.Refused;

/** A key: a tonic and a mode, with at most seven sharps or flats in its signature. */
public record Key(PitchClass tonic, Mode mode) {

    public static final Key C_MAJOR = new Key(PitchClass.of(Letter.C, 0), Mode.MAJOR);

    private static final int[] MAJOR_SCALE = {0, 2, 4, 5, 7, 9, 11};

    /** @throws Refused naming what was given and what was expected */
    public Key {
        int fifths = tonic.fifths() + mode.fifthsFromMajor();
        if (fifths < -7 || fifths > 7) {
            throw new Refused(tonic + " " + mode.id() + ": expected at most seven sharps or flats");
        }
    }

    public static Key of(PitchClass tonic, Mode mode) {
        return new Key(tonic, mode);
    }

    /**
     * Reads {@code B♭}, {@code Gm}, {@code G minor}, {@code E mixolydian}; empty when it is no key that can be signed.
     */
    public static Optional<Key> read(String text) {
        String plain = text.strip();
        return PitchClass.prefixOf(plain)
                .flatMap(tonic -> Mode.named(plain.substring(tonic.length()))
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

    /** The seven notes of the key from its tonic up; in a minor key those of the signature. */
    public List<PitchClass> scale() {
        List<PitchClass> scale = new ArrayList<>(MAJOR_SCALE.length);
        for (int step = 0; step < MAJOR_SCALE.length; step++) {
            Letter letter = tonic.letter().plus(step);
            scale.add(PitchClass.of(letter, alterationOf(letter)));
        }
        return List.copyOf(scale);
    }

    /** The notes of its scale, a bit for each chroma: seven neighbours on the line of fifths. */
    public int chromas() {
        int chromas = 0;
        for (int place = fifths() - 1; place <= fifths() + 5; place++) {
            chromas |= 1 << Math.floorMod(7 * place, 12);
        }
        return chromas;
    }

    /**
     * Five notes that are safe over the whole song: 1 2 3 5 6 of a major key, 1 ♭3 4 5 ♭7 of a minor one (common
     * practice).
     */
    public List<PitchClass> pentatonic() {
        List<PitchClass> scale = scale();
        return IntStream.of(mode.isMinor() ? new int[] {0, 2, 3, 4, 6} : new int[] {0, 1, 2, 4, 5})
                .mapToObj(scale::get)
                .toList();
    }

    /**
     * The major and the minor key that share this signature: of C it is Am, of Dm it is F; of a mode, the major or
     * minor key it is nearest to.
     */
    public Key relative() {
        return mode.isMinor()
                ? of(PitchClass.onLine(fifths()), Mode.MAJOR)
                : of(PitchClass.onLine(fifths() + 3), Mode.MINOR);
    }

    /**
     * The same tonic with the other third, spelled anew where its signature would need more than seven signs: of C it
     * is Cm.
     */
    public Key parallel() {
        Mode other = mode.isMinor() ? Mode.MAJOR : Mode.MINOR;
        return nearest(tonic.chroma(), other, Integer.signum(tonic.alteration()));
    }

    /**
     * The key on a piano key with the fewest signs in its signature.
     *
     * @param lean on a tie (six sharps or six flats) above zero chooses sharps, below it flats
     */
    public static Key nearest(int chroma, Mode mode, int lean) {
        return IntStream.rangeClosed(-7, 7)
                .mapToObj(sign -> PitchClass.onLine(sign - mode.fifthsFromMajor()))
                .filter(name -> name.chroma() == chroma)
                .map(name -> of(name, mode))
                .min(Comparator.comparingInt((Key key) -> Math.abs(key.fifths()))
                        .thenComparingInt(key -> -Integer.signum(key.fifths()) * Integer.signum(lean)))
                .orElseThrow();
    }

    /** Whether a note is one of the key's own. */
    public boolean holds(PitchClass note) {
        return alterationOf(note.letter()) == note.alteration();
    }

    /**
     * How this key spells a note: seven of its own, and of the others the ♭II, ♭III, ♯IV, ♭VI and ♭VII of the major key
     * with its signature. In B♭ a D♯ is E♭.
     */
    public PitchClass spell(int chroma) {
        return IntStream.rangeClosed(fifths() - 5, fifths() + 6)
                .mapToObj(PitchClass::onLine)
                .filter(name -> name.chroma() == Math.floorMod(chroma, 12))
                .map(PitchClass::simple)
                .findFirst()
                .orElseThrow();
    }

    /**
     * How it spells a note of a melody: as {@link #spell}, but a white key that is none of its own by its plain name,
     * so E♮ and not F♭ in E♭.
     */
    public PitchClass spellTone(int chroma) {
        PitchClass spelled = spell(chroma);
        boolean own = scale().stream().anyMatch(note -> note.chroma() == chroma);
        return own
                ? spelled
                : Arrays.stream(Letter.values())
                        .map(letter -> PitchClass.of(letter, 0))
                        .filter(plain -> plain.chroma() == chroma)
                        .findFirst()
                        .orElse(spelled);
    }

    /** The key's own spelling of a chord whose root or bass is spelled against it; empty where it stands well. */
    public Optional<ChordSymbol> respelled(ChordSymbol chord) {
        PitchClass root = strange(chord.root(), chord.quality().has(5, 6))
                ? spell(chord.root().chroma())
                : chord.root();
        ChordSymbol better = chord.root(root);
        boolean foreignBass = chord.over().isPresent()
                && (chord.bassDegree().isPresent() ? !root.equals(chord.root()) : strange(chord.bass(), true));
        if (foreignBass) {
            better = better.over(better.tones().stream()
                    .filter(tone -> tone.chroma() == chord.bass().chroma())
                    .map(PitchClass::simple)
                    .findFirst()
                    .orElseGet(() -> spell(chord.bass().chroma())));
        }
        return Optional.of(better).filter(other -> !other.equals(chord));
    }

    /**
     * A leading tone may be raised as far as the ♯II of the key; other roots lie between its ♭V and its ♯IV on the line
     * of fifths.
     */
    private boolean strange(PitchClass note, boolean leading) {
        int away = note.fifths() - fifths();
        return away < -6 || away > (leading ? 9 : 6);
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
