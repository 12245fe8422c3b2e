package zapateo.harmony;

import java.util.Optional;
import zapateo.pitch.PitchClass;

/**
 * A chord's place in its key: capital Roman numeral for a major or augmented third, small for a minor one, the quality
 * behind it, what it leads to after a slash ({@code V7/ii}), the chord tone in the bass after another ({@code I/3}). A
 * root outside the major scale of the tonic carries ♭ or ♯, so the minor key's own third degree reads ♭III (HANDBOOK
 * §4).
 *
 * @param role what the chord does there
 * @param step the numeral alone, e.g. {@code ♭III}; of a secondary dominant its V
 * @param sign the quality behind it
 * @param to the numeral it is the dominant of, empty for all others
 * @param bass the chord tone in the bass or the bass's name, empty in root position
 */
public record Degree(Functions.Role role, String step, String sign, Optional<String> to, Optional<String> bass) {

    private static final String[] ROMAN = {"I", "II", "III", "IV", "V", "VI", "VII"};
    private static final int FOURTH = 3;
    /** Semitones from each degree of the major scale to the next. */
    private static final int[] WIDTHS = {2, 2, 1, 2, 2, 2, 1};

    private static final String SUPERSCRIPTS = "⁰¹²³⁴⁵⁶⁷⁸⁹";

    /** The degree of a chord by itself. */
    public static Degree of(ChordSymbol chord, Key key) {
        return of(chord, key, Optional.empty());
    }

    /** The degree of a chord that goes on to {@code next}. */
    public static Degree of(ChordSymbol chord, Key key, Optional<ChordSymbol> next) {
        Optional<String> bass =
                chord.over().map(over -> chord.bassDegree().map(String::valueOf).orElse(over.toString()));
        Optional<Integer> target = Functions.dominantOf(chord, key, next);
        if (target.isPresent()) {
            return new Degree(
                    Functions.Role.SECONDARY_DOMINANT,
                    "V",
                    sign(chord.quality()),
                    target.map(chroma -> goal(chroma, key, next)),
                    bass);
        }
        return new Degree(
                Functions.role(chord, key, next),
                numeral(chord.root(), chord.quality().isMinor(), key),
                sign(chord.quality()),
                Optional.empty(),
                bass);
    }

    private static String goal(int chroma, Key key, Optional<ChordSymbol> next) {
        boolean small = next.filter(chord -> chord.root().chroma() == chroma && Functions.belongs(chord, key))
                .map(chord -> chord.quality().isMinor())
                .orElseGet(() -> Functions.isMinorOn(chroma, key));
        return numeral(key.spell(chroma), small, key);
    }

    /**
     * A chord with a major third over a raised degree comes from above, as a borrowed or a substituted one does: B9 in
     * E♭ is ♭VI9; raised stay those that lead up, the diminished, the minor, and the tritone.
     */
    private static String numeral(PitchClass root, boolean small, Key key) {
        int step = key.stepsTo(root);
        int away = Math.max(-2, Math.min(2, key.alterationAgainstMajor(root)));
        if (away > 0 && !small && step != FOURTH) {
            away -= WIDTHS[step];
            step = (step + 1) % ROMAN.length;
        }
        String roman = ROMAN[step];
        return PitchClass.sign(away) + (small ? roman.toLowerCase() : roman);
    }

    private static String sign(Quality quality) {
        String written = quality.written();
        return quality.isMinor() && written.startsWith("m") ? written.substring(1) : written;
    }

    /** As Roman numerals, e.g. {@code V7/ii}, {@code ♭VImaj7}, {@code I/3}. */
    public String roman() {
        return step + sign + to.map(goal -> "/" + goal).orElse("") + under();
    }

    /** As plain numbers, e.g. {@code 2m7}, {@code 5⁷}, {@code ♭7}, {@code 5⁷/2m}. */
    public String numbers() {
        return number(step)
                + raised(minor(step, sign) + sign)
                + to.map(goal -> "/" + number(goal) + minor(goal, "")).orElse("")
                + under();
    }

    /** The bass after a slash, or in a word where a slash stands there already: {@code V7/ii on 5}. */
    private String under() {
        return bass.map(tone -> (to.isPresent() ? " on " : "/") + tone).orElse("");
    }

    private static String minor(String numeral, String sign) {
        boolean small = numeral.equals(numeral.toLowerCase());
        return small && !sign.startsWith("°") && !sign.startsWith("ø") ? "m" : "";
    }

    private static String number(String numeral) {
        String plain = numeral.replaceAll("[♭♯𝄫𝄪]", "").toUpperCase();
        for (int i = 0; i < ROMAN.length; i++) {
            if (ROMAN[i].equals(plain)) {
                return numeral.substring(0, numeral.length() - plain.length()) + (i + 1);
            }
        }
        throw new IllegalStateException(numeral);
    }

    /** A sign that begins with digits would run into the number before it. */
    private static String raised(String sign) {
        StringBuilder raised = new StringBuilder(sign);
        for (int i = 0; i < sign.length() && (Character.isDigit(sign.charAt(i)) || sign.charAt(i) == '/'); i++) {
            raised.setCharAt(i, sign.charAt(i) == '/' ? '⁄' : SUPERSCRIPTS.charAt(sign.charAt(i) - '0'));
        }
        return raised.toString();
    }

    @Override
    public String toString() {
        return roman();
    }
}
