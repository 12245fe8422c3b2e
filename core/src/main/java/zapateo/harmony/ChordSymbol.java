package zapateo.harmony;

import java.util.ArrayList;
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

    public static ChordSymbol of(PitchClass root, Quality quality) {
        return new ChordSymbol(root, quality, Optional.empty());
    }

    /** The chord without an exception: empty when the text is none. */
    public static Optional<ChordSymbol> read(String symbol) {
        try {
            return Optional.of(parse(symbol));
        } catch (ChordUnreadException unread) {
            return Optional.empty();
        }
    }

    /**
     * Reads {@code B♭m7/A♭}, {@code Bbmin7/Ab} and the like.
     *
     * @throws ChordUnreadException with the reason and the place where it stops being a chord
     */
    public static ChordSymbol parse(String symbol) {
        if (symbol.isEmpty() || !Character.isUpperCase(symbol.charAt(0))) {
            throw new ChordUnreadException("root", 0);
        }
        PitchClass.Prefix root = PitchClass.prefixOf(symbol).orElseThrow(() -> new ChordUnreadException("root", 0));
        String rest = symbol.substring(root.length());
        int slash = rest.lastIndexOf('/');
        Optional<PitchClass> over = slash < 0 ? Optional.empty() : bassIn(rest.substring(slash + 1));
        try {
            return new ChordSymbol(
                    root.pitchClass(), Qualities.parse(over.isPresent() ? rest.substring(0, slash) : rest), over);
        } catch (ChordUnreadException unread) {
            boolean atSlash = slash >= 0 && over.isEmpty() && unread.position() >= slash;
            throw atSlash ? new ChordUnreadException("bass", root.length() + slash + 1) : unread.later(root.length());
        }
    }

    private static Optional<PitchClass> bassIn(String text) {
        return PitchClass.prefixOf(text)
                .filter(read -> read.length() == text.length() && Character.isUpperCase(text.charAt(0)))
                .map(PitchClass.Prefix::pitchClass);
    }

    public ChordSymbol root(PitchClass other) {
        return new ChordSymbol(other, quality, over);
    }

    public ChordSymbol quality(Quality other) {
        return new ChordSymbol(root, other, over);
    }

    public ChordSymbol over(PitchClass bass) {
        return new ChordSymbol(root, quality, Optional.of(bass));
    }

    public ChordSymbol inRootPosition() {
        return new ChordSymbol(root, quality, Optional.empty());
    }

    /** The lowest sounding note: what stands after the slash, else the root. */
    public PitchClass bass() {
        return over.orElse(root);
    }

    /**
     * The chord's tones from the root up, spelled by thirds; a slash bass is not among them unless it belongs to the
     * chord.
     */
    public List<PitchClass> tones() {
        List<PitchClass> tones = new ArrayList<>(quality.tones().size());
        for (Interval tone : quality.tones()) {
            tones.add(root.plus(tone));
        }
        return List.copyOf(tones);
    }

    /** A bit for each chroma among them. */
    public int chromas() {
        int chromas = 0;
        for (Interval tone : quality.tones()) {
            chromas |= 1 << Math.floorMod(root.chroma() + tone.semitones(), 12);
        }
        return chromas;
    }

    /** The same with double sharps and flats written as the plain key they lie on. */
    public List<PitchClass> simpleTones() {
        return tones().stream().map(PitchClass::simple).toList();
    }

    public PitchClass tone(Interval interval) {
        return root.plus(interval);
    }

    /** Which of the chord's own tones its bass is: 1, 3, 5, 7 … ; empty when the bass is foreign to the chord. */
    public Optional<Integer> bassDegree() {
        for (Interval tone : quality.tones()) {
            if (root.plus(tone).chroma() == bass().chroma()) {
                return Optional.of(tone.number());
            }
        }
        return Optional.empty();
    }

    @Override
    public String toString() {
        return root + quality.written() + over.map(bass -> "/" + bass).orElse("");
    }
}
