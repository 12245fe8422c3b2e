package zapateo.harmony;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.pitch.PitchClass;

/**
 * Finds a progression's key by correlating how long each pitch class sounds with the key profiles of Krumhansl &amp;
 * Kessler 1982 (HANDBOOK §4). The first and last chords weigh more, and a root more than the tones above it.
 */
public final class KeyFinder {

    private static final double[] MAJOR = {6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88};
    private static final double[] MINOR = {6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17};
    private static final double FRAME_WEIGHT = 1.5;
    private static final double ROOT_WEIGHT = 1.5;
    /** A tune comes home: its last tone speaks for its tonic. */
    private static final double FINAL_WEIGHT = 3;
    /** What it weighs that chords are of the key's own tones, against their correlation; the project's own choice. */
    private static final double HELD = 6;
    /** How sharply a better correlation wins; the project's own choice. */
    private static final double DECISION = 22;

    private KeyFinder() {}

    /** A chord and how long it lasts, in any one unit. */
    public record Sounding(ChordSymbol chord, double length) {}

    /**
     * A key with its correlation, -1 to 1.
     *
     * @param confidence this key's share of all that speaks for any of the 24, 0 to 1
     */
    public record Guess(Key key, double correlation, double confidence) {}

    /** A tone of a melody and how long it lasts, in the unit of the chords. */
    public record Tone(int chroma, double length) {}

    /** All 24 keys, the likeliest first; empty for no chords at all. */
    public static List<Guess> rank(List<Sounding> chords) {
        return rank(chords, List.of());
    }

    /** The same with a melody, or for a melody alone; its first and last tones weigh more too. */
    public static List<Guess> rank(List<Sounding> chords, List<Tone> melody) {
        if (chords.isEmpty() && melody.isEmpty()) {
            return List.of();
        }
        double[] weights = weigh(chords);
        for (int i = 0; i < melody.size(); i++) {
            boolean last = i == melody.size() - 1;
            weights[melody.get(i).chroma()] +=
                    melody.get(i).length() * (last ? FINAL_WEIGHT : i == 0 ? FRAME_WEIGHT : 1);
        }
        int sharpward = chords.stream()
                .mapToInt(each -> Integer.signum(each.chord().root().alteration()))
                .sum();
        Map<Key, Double> correlations = new LinkedHashMap<>();
        for (int chroma = 0; chroma < 12; chroma++) {
            correlations.put(Key.nearest(chroma, Mode.MAJOR, sharpward), correlation(MAJOR, turned(weights, chroma)));
            correlations.put(Key.nearest(chroma, Mode.MINOR, sharpward), correlation(MINOR, turned(weights, chroma)));
        }
        // A song has few chords, many times over.
        Map<ChordSymbol, Double> lasting = new LinkedHashMap<>();
        chords.forEach(each -> lasting.merge(each.chord(), each.length(), Double::sum));
        Map<Key, Double> speaking = new LinkedHashMap<>();
        correlations.forEach((key, correlation) ->
                speaking.put(key, Math.exp(DECISION * correlation + HELD * held(key, lasting))));
        double all = speaking.values().stream().mapToDouble(each -> each).sum();
        return correlations.entrySet().stream()
                .map(each -> new Guess(each.getKey(), each.getValue(), speaking.get(each.getKey()) / all))
                .sorted(Comparator.comparingDouble(Guess::confidence).reversed())
                .toList();
    }

    /** How much of the chords' time is of a key's own tones, 0 to 1; in minor the leading tone is one of them. */
    private static double held(Key key, Map<ChordSymbol, Double> lasting) {
        double all = lasting.values().stream().mapToDouble(each -> each).sum();
        int leading = Math.floorMod(key.tonic().chroma() - 1, 12);
        return all == 0
                ? 0
                : lasting.entrySet().stream()
                                .filter(each -> each.getKey().tones().stream()
                                        .allMatch(tone ->
                                                key.holds(tone) || key.mode().isMinor() && tone.chroma() == leading))
                                .mapToDouble(Map.Entry::getValue)
                                .sum()
                        / all;
    }

    /**
     * Like {@link #rank}, with the mode named where the chords leave no doubt: Mixolydian has a ♭VII and no leading
     * tone, Dorian a minor third with a major sixth; both begin or end on their tonic (HANDBOOK §4).
     */
    public static List<Guess> find(List<Sounding> chords, List<Tone> melody) {
        List<Guess> ranked = rank(chords, melody);
        Optional<Key> modal = modal(chords);
        if (modal.isEmpty()) {
            return ranked;
        }
        List<Key> same = List.of(
                modal.get().parallel(), Key.of(PitchClass.onLine(modal.get().fifths()), Mode.MAJOR), modal.get());
        double confidence = ranked.stream()
                .filter(each ->
                        each.key().tonic().chroma() == modal.get().tonic().chroma()
                                || same.stream().anyMatch(key -> key.equals(each.key())))
                .mapToDouble(Guess::confidence)
                .sum();
        List<Guess> found = new ArrayList<>(
                List.of(new Guess(modal.get(), ranked.get(0).correlation(), Math.min(0.95, confidence))));
        found.addAll(ranked);
        return found;
    }

    private static Optional<Key> modal(List<Sounding> chords) {
        if (chords.size() < 3) {
            return Optional.empty();
        }
        ChordSymbol first = chords.get(0).chord();
        ChordSymbol last = chords.get(chords.size() - 1).chord();
        return Stream.of(Mode.MIXOLYDIAN, Mode.DORIAN)
                .filter(mode -> first.quality().isMinor() == mode.isMinor()
                        && (first.quality().isMinor() || first.quality().isMajor()))
                .filter(mode -> Math.abs(first.root().fifths() + mode.fifthsFromMajor()) <= 7
                        && Math.abs(first.root().alteration()) < 2)
                .map(mode -> Key.of(first.root(), mode))
                .filter(key -> last.root().equals(first.root()) || heavy(chords, first))
                .filter(key -> chords.stream()
                                .allMatch(each -> each.chord().tones().stream().allMatch(key::holds))
                        && shows(chords, key))
                .findFirst();
    }

    private static boolean heavy(List<Sounding> chords, ChordSymbol tonic) {
        double all = chords.stream().mapToDouble(Sounding::length).sum();
        return chords.stream()
                        .filter(each -> each.chord().root().equals(tonic.root()))
                        .mapToDouble(Sounding::length)
                        .sum()
                >= 0.4 * all;
    }

    /**
     * The tone that makes the mode sounds: ♭7 as the root of a ♭VII, or the major sixth over a minor third in a IV or a
     * ii.
     */
    private static boolean shows(List<Sounding> chords, Key key) {
        int above = key.mode() == Mode.MIXOLYDIAN ? 10 : 5;
        return chords.stream()
                .anyMatch(each ->
                        Math.floorMod(each.chord().root().chroma() - key.tonic().chroma(), 12) == above
                                && each.chord().quality().isMajor());
    }

    private static double[] weigh(List<Sounding> chords) {
        double[] weights = new double[12];
        for (int i = 0; i < chords.size(); i++) {
            Sounding each = chords.get(i);
            double weight = each.length() * (i == 0 || i == chords.size() - 1 ? FRAME_WEIGHT : 1);
            each.chord().tones().forEach(tone -> weights[tone.chroma()] += weight);
            weights[each.chord().root().chroma()] += weight * (ROOT_WEIGHT - 1);
        }
        return weights;
    }

    private static double[] turned(double[] weights, int tonic) {
        return IntStream.range(0, 12)
                .mapToDouble(i -> weights[(i + tonic) % 12])
                .toArray();
    }

    private static double correlation(double[] a, double[] b) {
        double meanA = Arrays.stream(a).average().orElseThrow();
        double meanB = Arrays.stream(b).average().orElseThrow();
        double both = 0;
        double squaresA = 0;
        double squaresB = 0;
        for (int i = 0; i < a.length; i++) {
            both += (a[i] - meanA) * (b[i] - meanB);
            squaresA += (a[i] - meanA) * (a[i] - meanA);
            squaresB += (b[i] - meanB) * (b[i] - meanB);
        }
        return squaresB == 0 ? 0 : both / Math.sqrt(squaresA * squaresB);
    }
}
