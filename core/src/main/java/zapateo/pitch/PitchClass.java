package zapateo.pitch;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.refusal.Refused;

/**
 * A spelled note without an octave: F♯ and G♭ are two of them. Up to two sharps or flats are written; a third appears
 * only in theory and is refused.
 *
 * @param alteration semitones above the plain letter, -2 to 2
 */
public record PitchClass(Letter letter, int alteration) {

    private static final PitchClass[] ALL = Stream.of(Letter.values())
            .flatMap(letter -> IntStream.rangeClosed(-2, 2).mapToObj(alteration -> new PitchClass(letter, alteration)))
            .toArray(PitchClass[]::new);
    private static final String[] SIGNS = {"𝄫", "♭", "", "♯", "𝄪"};
    private static final String[] NAMES =
            Stream.of(ALL).map(each -> each.letter + SIGNS[each.alteration + 2]).toArray(String[]::new);
    /** Where the plain letters lie on the line of fifths. */
    private static final int[] NATURAL = {0, 2, 4, -1, 1, 3, 5};

    private static final List<PitchClass> USUAL = Stream.of(
                    "C", "C♯", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B")
            .map(PitchClass::parse)
            .toList();

    /** @throws Refused naming what was given and what was expected */
    public PitchClass {
        if (alteration < -2 || alteration > 2) {
            throw new Refused("alteration " + alteration + " of " + letter + ": expected -2 to 2");
        }
    }

    public static PitchClass of(Letter letter, int alteration) {
        return alteration >= -2 && alteration <= 2
                ? ALL[letter.ordinal() * 5 + alteration + 2]
                : new PitchClass(letter, alteration);
    }

    /**
     * Reads a whole name such as {@code B♭}, {@code Bb}, {@code F##} or {@code fx}; the letter may be small.
     *
     * @throws Refused naming what was given and what was expected
     */
    public static PitchClass parse(String name) {
        return prefixOf(name)
                .filter(read -> read.length() == name.length())
                .map(Prefix::pitchClass)
                .orElseThrow(() -> new Refused("note \"" + name + "\": expected a letter A to G with ♯ or ♭"));
    }

    /** The note name at the start of {@code text} and how many characters it takes, or empty when there is none. */
    public static Optional<Prefix> prefixOf(String text) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        int letter = "CDEFGAB".indexOf(Character.toUpperCase(text.charAt(0)));
        if (letter < 0) {
            return Optional.empty();
        }
        Accidental accidental = Accidental.at(text, 1);
        return Optional.of(new Prefix(of(Letter.values()[letter], accidental.alteration()), 1 + accidental.length()));
    }

    /** Semitones above C, 0 to 11, blind to spelling. */
    public int chroma() {
        return Math.floorMod(letter.semitones() + alteration, 12);
    }

    /** The note {@code interval} above this one, spelled by letters: C♯ plus a major third is E♯. */
    public PitchClass plus(Interval interval) {
        Letter target = letter.plus(interval.steps());
        int distance = Math.floorMod(chroma() + interval.semitones() - target.semitones(), 12);
        int wanted = distance > 6 ? distance - 12 : distance;
        if (wanted < -2 || wanted > 2) {
            return simplest(chroma() + interval.semitones());
        }
        return of(target, wanted);
    }

    /** The usual name of a piano key out of any context: C C♯ D E♭ E F F♯ G A♭ A B♭ B. */
    public static PitchClass simplest(int chroma) {
        return USUAL.get(Math.floorMod(chroma, 12));
    }

    /** Without a double sign: B𝄫 is A. Everything else stays as it is. */
    public PitchClass simple() {
        return Math.abs(alteration) < 2 ? this : onLine(fifths() - 12 * Integer.signum(alteration));
    }

    /** The note at a place on the line of fifths, as {@link #fifths()} counts; the doubles lie at -15 and 19. */
    public static PitchClass onLine(int fifths) {
        int natural = Math.floorMod(fifths + 1, 7);
        return of("FCGDAEB".charAt(natural), Math.floorDiv(fifths + 1, 7));
    }

    private static PitchClass of(char letter, int alteration) {
        return of(Letter.valueOf(String.valueOf(letter)), alteration);
    }

    /** Place on the line of fifths: F -1, C 0, G 1 … ; flats lie left of F, sharps right of B. */
    public int fifths() {
        return NATURAL[letter.ordinal()] + 7 * alteration;
    }

    /** The sign alone: {@code ♭}, {@code ♯} or nothing. */
    public static String sign(int alteration) {
        return SIGNS[alteration + 2];
    }

    @Override
    public String toString() {
        return NAMES[letter.ordinal() * 5 + alteration + 2];
    }

    /** A note name found at the start of a longer text. */
    public record Prefix(PitchClass pitchClass, int length) {}
}
