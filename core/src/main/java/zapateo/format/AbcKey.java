package zapateo.format;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.Key;
import zapateo.harmony.Mode;
import zapateo.pitch.Letter;
import zapateo.pitch.PitchClass;

/**
 * A key as ABC 2.1 writes it: {@code Gm}, {@code D mix}, {@code Edor}; Phrygian, Lydian and Locrian keep their
 * signature and count as the minor or major key they are nearest to.
 *
 * @param key empty for none
 * @param signs sharps above zero that the signature gives the notes
 * @param exact whether the mode is one of a song's
 */
record AbcKey(Optional<Key> key, int signs, boolean exact) {

    private static final Pattern WRITTEN = Pattern.compile("([A-G])([#b]?)\\s*([A-Za-z]*).*");
    private static final Map<String, Mode> MODES = Map.of(
            "",
            Mode.MAJOR,
            "maj",
            Mode.MAJOR,
            "ion",
            Mode.MAJOR,
            "m",
            Mode.MINOR,
            "min",
            Mode.MINOR,
            "aeo",
            Mode.MINOR,
            "mix",
            Mode.MIXOLYDIAN,
            "dor",
            Mode.DORIAN);
    private static final Map<String, Integer> OTHERS = Map.of("phr", -4, "lyd", 1, "loc", -5);

    static final AbcKey NONE = new AbcKey(Optional.empty(), 0, true);

    static Optional<AbcKey> read(String text) {
        String plain = text.strip();
        if (plain.isEmpty() || plain.startsWith("none")) {
            return Optional.of(NONE);
        }
        if (plain.startsWith("HP") || plain.startsWith("Hp")) {
            return Optional.of(new AbcKey(Optional.of(Key.of(PitchClass.parse("A"), Mode.MIXOLYDIAN)), 2, true));
        }
        Matcher match = WRITTEN.matcher(plain);
        if (!match.matches()) {
            return Optional.empty();
        }
        PitchClass tonic = PitchClass.parse(match.group(1) + match.group(2));
        String word = match.group(3).toLowerCase(Locale.ROOT);
        String mode = word.length() > 3 ? word.substring(0, 3) : word;
        boolean exact = MODES.containsKey(mode);
        if (!exact && !OTHERS.containsKey(mode)) {
            // What is no mode is a clef or a style: "G treble".
            mode = "";
            exact = true;
        }
        int signs = tonic.fifths() + (exact ? MODES.get(mode).fifthsFromMajor() : OTHERS.get(mode));
        Mode nearest = exact ? MODES.get(mode) : OTHERS.get(mode) > 0 ? Mode.MAJOR : Mode.MINOR;
        boolean signable = Math.abs(tonic.fifths() + nearest.fifthsFromMajor()) <= 7 && Math.abs(signs) <= 7;
        return signable ? Optional.of(new AbcKey(Optional.of(Key.of(tonic, nearest)), signs, exact)) : Optional.empty();
    }

    /** What the signature does to a letter. */
    int alterationOf(Letter letter) {
        int place = PitchClass.of(letter, 0).fifths();
        return signs > 0 ? place + 1 < signs ? 1 : 0 : 5 - place < -signs ? -1 : 0;
    }

    static String write(Key key) {
        String tonic = key.tonic().toString().replace('♯', '#').replace('♭', 'b');
        return tonic
                + switch (key.mode()) {
                    case MAJOR -> "";
                    case MINOR -> "m";
                    case DORIAN -> "dor";
                    case MIXOLYDIAN -> "mix";
                };
    }
}
