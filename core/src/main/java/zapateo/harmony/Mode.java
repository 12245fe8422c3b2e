package zapateo.harmony;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import zapateo.names.Names;

/**
 * The modes a key may be in.
 *
 * @see #fifthsFromMajor()
 */
public enum Mode {
    MAJOR(0, "", "maj", "major", "ionian"),
    MINOR(-3, "m", "min", "minor", "aeolian", "-"),
    DORIAN(-2, "dorian", "dor"),
    MIXOLYDIAN(-1, "mixolydian", "mixo", "mix");

    private final int fifthsFromMajor;
    private final String[] names;

    Mode(int fifthsFromMajor, String... names) {
        this.fifthsFromMajor = fifthsFromMajor;
        this.names = names;
    }

    /** Reads what stands after a key's tonic: {@code m}, {@code minor}, {@code mixolydian} …; nothing means major. */
    public static Optional<Mode> named(String name) {
        String plain = name.strip();
        // A capital M alone is a habit for major, everything else is read without case.
        String wanted = plain.equals("M") ? "" : plain.toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(mode -> Arrays.asList(mode.names).contains(wanted))
                .findFirst();
    }

    /** How many fifths to the flat side of the major signature this mode's signature lies (minor: 3). */
    public int fifthsFromMajor() {
        return fifthsFromMajor;
    }

    /** Whether the chord on the tonic has a minor third. */
    public boolean isMinor() {
        return this == MINOR || this == DORIAN;
    }

    /** Lower-case field name: {@code major}, {@code minor}, {@code dorian}, {@code mixolydian}. */
    public String id() {
        return Names.of(this);
    }
}
