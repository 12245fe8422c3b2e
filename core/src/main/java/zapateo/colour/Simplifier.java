package zapateo.colour;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;
import zapateo.pitch.Interval;

/** Says a chord with chords one knows: without its extensions or its bass, or by its relative (HANDBOOK §4). */
public final class Simplifier {

    private static final Set<String> SEVENTHS =
            Set.of("major", "minor", "dominant-seventh", "minor-seventh", "major-seventh", "diminished-seventh");

    private final Predicate<ChordSymbol> known;

    private Simplifier(Predicate<ChordSymbol> known) {
        this.known = known;
    }

    /** For one who plays major and minor triads. */
    public static Simplifier triads() {
        return new Simplifier(chord -> chord.over().isEmpty()
                && chord.quality().modifiers().isEmpty()
                && SEVENTHS.contains(chord.quality().id())
                && chord.quality().tones().size() == 3);
    }

    /** For one who plays triads and plain sevenths. */
    public static Simplifier sevenths() {
        return new Simplifier(chord ->
                chord.over().isEmpty() && SEVENTHS.contains(chord.quality().id()));
    }

    /** For one who plays just these, in root position or with any of their own tones in the bass. */
    public static Simplifier only(List<ChordSymbol> chords) {
        Set<String> names = Set.copyOf(chords.stream().map(Simplifier::blind).toList());
        return new Simplifier(chord -> names.contains(blind(chord)));
    }

    private static String blind(ChordSymbol chord) {
        return chord.root().chroma()
                + chord.quality().id()
                + chord.over().map(bass -> "/" + bass.chroma()).orElse("");
    }

    /** How a chord was made plainer. */
    public enum How {
        BASS,
        EXTENSION,
        RELATIVE,
        DOMINANT
    }

    public record Change(ChordSymbol to, How how) {}

    public boolean knows(ChordSymbol chord) {
        return known.test(chord);
    }

    /** The known chord that says most of this one; empty where it is known already or nothing known comes near. */
    public Optional<Change> of(ChordSymbol chord) {
        if (known.test(chord)) {
            return Optional.empty();
        }
        ChordSymbol plain = chord.inRootPosition();
        return Stream.of(
                        Stream.of(new Change(plain, How.BASS)),
                        plainer(plain).map(each -> new Change(each, How.EXTENSION)),
                        leading(plain).map(each -> new Change(each, How.DOMINANT)),
                        plainer(plain).flatMap(Simplifier::relatives).map(each -> new Change(each, How.RELATIVE)))
                .flatMap(each -> each)
                .filter(each -> known.test(each.to()))
                .findFirst();
    }

    private static Stream<ChordSymbol> plainer(ChordSymbol chord) {
        Quality quality = chord.quality();
        Stream<String> sevenths = Stream.of("dominant-seventh", "minor-seventh", "major-seventh", "diminished-seventh")
                .filter(id ->
                        same(quality, Qualities.of(id, List.of()), 3) && same(quality, Qualities.of(id, List.of()), 7))
                .filter(id -> !(quality.isMinor() && quality.has(5, 6))
                        || Qualities.of(id, List.of()).has(5, 6));
        boolean suspended = !quality.isMinor() && !quality.isMajor();
        String triad = quality.isMinor() ? "minor" : "major";
        return Stream.concat(
                        suspended && quality.has(7, 10) ? Stream.of("dominant-seventh") : sevenths,
                        quality.isMinor() && quality.has(5, 6) ? Stream.of() : Stream.of(triad))
                .map(id -> chord.quality(Qualities.of(id, List.of())));
    }

    private static boolean same(Quality one, Quality other, int degree) {
        return one.tone(degree)
                        .map(Interval::semitones)
                        .equals(other.tone(degree).map(Interval::semitones))
                && one.tone(degree).isPresent();
    }

    /** A diminished chord is the upper part of the dominant a major third below it: B° of G7. */
    private static Stream<ChordSymbol> leading(ChordSymbol chord) {
        if (chord.quality().has(7, 10) && chord.quality().has(5, 6)) {
            // A half-diminished chord is the minor triad on its third with a bass below: Bø is Dm over B.
            return chord.quality().isMinor()
                    ? Stream.of(ChordSymbol.of(
                            chord.root().plus(Interval.parse("b3")).simple(), Qualities.of("minor", List.of())))
                    : Stream.of();
        }
        if (!chord.quality().has(5, 6)
                || !chord.quality().isMinor()
                || chord.quality().has(7, 10)) {
            return Stream.of();
        }
        return Stream.of("dominant-seventh", "major")
                .map(id ->
                        ChordSymbol.of(chord.root().plus(Interval.parse("b6")).simple(), Qualities.of(id, List.of())));
    }

    private static Stream<ChordSymbol> relatives(ChordSymbol chord) {
        if (chord.quality().isMinor() && chord.quality().has(5, 6)) {
            return Stream.empty();
        }
        boolean minor = chord.quality().isMinor();
        Stream<Interval> away =
                Stream.of(minor ? "b3" : "6", minor ? "b6" : "3").map(Interval::parse);
        return away.map(each ->
                ChordSymbol.of(chord.root().plus(each).simple(), Qualities.of(minor ? "major" : "minor", List.of())));
    }
}
