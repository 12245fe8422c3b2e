package zapateo.colour;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Functions;
import zapateo.harmony.Key;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;
import zapateo.harmony.VoiceLeading;
import zapateo.pitch.PitchClass;

/**
 * The likely readings of a doubtful symbol: what an ear would try in its place (HANDBOOK §4). Borrowed charts are often
 * wrong in the third, in the seventh, in the bass, or by a relative.
 */
public final class ByEar {

    private static final int MOST = 9;
    /** So many other qualities come before readings of other kinds, the rest behind them. */
    private static final int NEAREST = 2;

    private static final List<String> OTHERS = List.of(
            "major",
            "minor",
            "dominant-seventh",
            "minor-seventh",
            "major-seventh",
            "diminished-seventh",
            "half-diminished");

    private ByEar() {}

    /** Why a reading is worth hearing. */
    public enum Why {
        QUALITY,
        RELATIVE,
        BORROWED,
        BASS,
        DOMINANT,
        SUSPENDED
    }

    public record Reading(ChordSymbol chord, Why why) {}

    /**
     * At most nine, the likeliest first, each once and none the chord itself.
     *
     * @param next what it goes on to
     */
    public static List<Reading> of(ChordSymbol chord, Key key, Optional<ChordSymbol> next) {
        Map<ChordSymbol, Why> found = new LinkedHashMap<>();
        ChordSymbol plain = chord.inRootPosition();
        List<ChordSymbol> others = qualities(plain, key).toList();
        others.subList(0, NEAREST).forEach(each -> found.putIfAbsent(each, Why.QUALITY));
        found.putIfAbsent(relative(chord, key), Why.RELATIVE);
        borrowed(chord, key).ifPresent(each -> found.putIfAbsent(each, Why.BORROWED));
        next.ifPresent(goal -> found.putIfAbsent(dominant(goal, key), Why.DOMINANT));
        basses(chord, next).limit(3).forEach(each -> found.putIfAbsent(each, Why.BASS));
        if (chord.quality().isMajor()) {
            found.putIfAbsent(
                    plain.quality(
                            Qualities.of(chord.quality().isDominant() ? "dominant-seventh" : "major", List.of("sus4"))),
                    Why.SUSPENDED);
        }
        others.subList(NEAREST, others.size()).forEach(each -> found.putIfAbsent(each, Why.QUALITY));
        found.remove(chord);
        return found.entrySet().stream()
                .limit(MOST)
                .map(each -> new Reading(each.getKey(), each.getValue()))
                .toList();
    }

    /** The same root with another quality: those of the key first, then the nearest. */
    private static Stream<ChordSymbol> qualities(ChordSymbol chord, Key key) {
        Stream<ChordSymbol> all = OTHERS.stream()
                .map(id -> chord.quality(Qualities.of(id, List.of())))
                .filter(each -> !each.equals(chord));
        return all.sorted((a, b) -> Double.compare(distance(chord, a, key), distance(chord, b, key)));
    }

    private static double distance(ChordSymbol chord, ChordSymbol other, Key key) {
        boolean sameThird = chord.quality().isMinor() == other.quality().isMinor();
        return VoiceLeading.between(chord, other).movement()
                + (Functions.isOwn(other, key) ? 0 : 2)
                + (sameThird ? 0 : 0.5);
    }

    /** I for vi, ii for IV and so on: a minor third away, sharing two of three notes. */
    private static ChordSymbol relative(ChordSymbol chord, Key key) {
        boolean minor = chord.quality().isMinor();
        int chroma = chord.root().chroma() + (minor ? 3 : 9);
        boolean seventh = chord.quality().tones().size() > 3;
        Quality quality = Qualities.of(
                minor ? seventh ? "major-seventh" : "major" : seventh ? "minor-seventh" : "minor", List.of());
        PitchClass root = chord.root().plus(zapateo.pitch.Interval.parse(minor ? "b3" : "6"));
        return ChordSymbol.of(root.chroma() == Math.floorMod(chroma, 12) ? root.simple() : key.spell(chroma), quality);
    }

    /** The parallel key's chord on this degree. */
    private static Optional<ChordSymbol> borrowed(ChordSymbol chord, Key key) {
        boolean minor = chord.quality().isMinor();
        ChordSymbol other = ChordSymbol.of(chord.root(), Qualities.of(minor ? "major" : "minor", List.of()));
        return Optional.of(other).filter(each -> Functions.isOwn(each, key.parallel()) && !Functions.isOwn(each, key));
    }

    private static ChordSymbol dominant(ChordSymbol goal, Key key) {
        return ChordSymbol.of(key.spell(goal.root().chroma() + 7), Qualities.of("dominant-seventh", List.of()));
    }

    /** Other basses: the chord's own tones, the one that steps to the next bass first. */
    private static Stream<ChordSymbol> basses(ChordSymbol chord, Optional<ChordSymbol> next) {
        ChordSymbol plain = chord.inRootPosition();
        Stream<ChordSymbol> all = chord.tones().stream()
                .limit(4)
                .map(PitchClass::simple)
                .map(tone -> tone.chroma() == chord.root().chroma() ? plain : plain.over(tone));
        return all.filter(each -> !each.equals(chord)).sorted((a, b) -> Integer.compare(leap(a, next), leap(b, next)));
    }

    private static int leap(ChordSymbol chord, Optional<ChordSymbol> next) {
        int away = next.map(goal ->
                        Math.floorMod(goal.bass().chroma() - chord.bass().chroma(), 12))
                .orElse(6);
        int least = Math.min(away, 12 - away);
        return least == 0 ? 3 : least;
    }
}
