package zapateo.harmony;

import zapateo.pitch.PitchClass;

/**
 * A chord's place in its key as a Roman numeral: capital for a major or augmented third, small for a minor one, the
 * quality behind it, a figure after a slash for the chord tone in the bass ({@code I/3}). A root outside the major
 * scale of the tonic carries ♭ or ♯, so the minor key's own third degree reads ♭III (HANDBOOK §4).
 */
public record Degree(String numeral) {

    private static final String[] ROMAN = {"I", "II", "III", "IV", "V", "VI", "VII"};

    public static Degree of(ChordSymbol chord, Key key) {
        boolean small = chord.quality().isMinor();
        String roman = ROMAN[key.stepsTo(chord.root())];
        String numeral = PitchClass.sign(clamp(key.alterationAgainstMajor(chord.root()))) + (small ? roman.toLowerCase() : roman);
        return new Degree(numeral + suffix(chord.quality()) + bassFigure(chord));
    }

    private static int clamp(int alteration) {
        return Math.max(-2, Math.min(2, alteration));
    }

    private static String suffix(Quality quality) {
        String written = quality.written();
        return quality.isMinor() && written.startsWith("m") ? written.substring(1) : written;
    }

    private static String bassFigure(ChordSymbol chord) {
        if (chord.over().isEmpty()) {
            return "";
        }
        return "/" + chord.bassDegree().map(String::valueOf).orElseGet(() -> chord.bass().toString());
    }

    @Override
    public String toString() {
        return numeral;
    }
}
