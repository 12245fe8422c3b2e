package zapateo.harmony;

import java.util.List;
import java.util.Optional;
import zapateo.pitch.Interval;
import zapateo.pitch.PitchClass;

/**
 * A chord as it is written over a bar: a root, a quality and, after a slash, another bass. {@code parse(toString())}
 * gives the same chord again.
 *
 * @param over the bass after the slash; never equal to the root
 */
public record ChordSymbol(PitchClass root, Quality quality, Optional<PitchClass> over) {

    public ChordSymbol {
        over = over.filter(bass -> !bass.equals(root));
    }

    /** Reads {@code B♭m7/A♭}, {@code Bbmin7/Ab} and the like. */
    public static ChordSymbol parse(String symbol) {
        return read(symbol).orElseThrow(() -> new IllegalArgumentException("chord \"" + symbol + "\": not known yet"));
    }

    /** The same without an exception: empty when the text is no chord that is known yet. */
    public static Optional<ChordSymbol> read(String symbol) {
        if (symbol.isEmpty() || !Character.isUpperCase(symbol.charAt(0))) {
            return Optional.empty();
        }
        return PitchClass.prefixOf(symbol).flatMap(root -> readAfter(root.pitchClass(), symbol.substring(root.length())));
    }

    private static Optional<ChordSymbol> readAfter(PitchClass root, String rest) {
        int slash = rest.lastIndexOf('/');
        if (slash < 0) {
            return Quality.spelled(rest).map(quality -> new ChordSymbol(root, quality, Optional.empty()));
        }
        String bass = rest.substring(slash + 1);
        Optional<PitchClass> over = PitchClass.prefixOf(bass).filter(read -> read.length() == bass.length())
                .filter(read -> Character.isUpperCase(bass.charAt(0))).map(PitchClass.Prefix::pitchClass);
        return over.flatMap(note -> Quality.spelled(rest.substring(0, slash))
                .map(quality -> new ChordSymbol(root, quality, Optional.of(note))));
    }

    /** The lowest sounding note: what stands after the slash, else the root. */
    public PitchClass bass() {
        return over.orElse(root);
    }

    /** The chord's tones from the root up, spelled by thirds; a slash bass is not among them unless it belongs to the chord. */
    public List<PitchClass> tones() {
        return quality.tones().stream().map(root::plus).toList();
    }

    public PitchClass tone(Interval interval) {
        return root.plus(interval);
    }

    /** Which of the chord's own tones its bass is: 1, 3, 5, 7 … ; empty when the bass is foreign to the chord. */
    public Optional<Integer> bassDegree() {
        return quality.tones().stream().filter(tone -> root.plus(tone).chroma() == bass().chroma())
                .map(Interval::number).findFirst();
    }

    @Override
    public String toString() {
        return root + quality.written() + over.map(bass -> "/" + bass).orElse("");
    }
}
