package zapateo.harmony;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
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

    private KeyFinder() {
    }

    /** A chord and how long it lasts, in any one unit. */
    public record Sounding(ChordSymbol chord, double length) {
    }

    /** A key with its correlation, -1 to 1. */
    public record Guess(Key key, double correlation) {
    }

    /** All 24 keys, the likeliest first; empty for no chords at all. */
    public static List<Guess> rank(List<Sounding> chords) {
        if (chords.isEmpty()) {
            return List.of();
        }
        double[] weights = weigh(chords);
        int sharpward = chords.stream().mapToInt(each -> Integer.signum(each.chord().root().alteration())).sum();
        return IntStream.range(0, 12).boxed()
                .flatMap(tonic -> Stream.of(guess(tonic, Mode.MAJOR, MAJOR, weights, sharpward), guess(tonic, Mode.MINOR, MINOR, weights, sharpward)))
                .sorted(Comparator.comparingDouble(Guess::correlation).reversed()).toList();
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

    private static Guess guess(int tonic, Mode mode, double[] profile, double[] weights, int sharpward) {
        double[] turned = IntStream.range(0, 12).mapToDouble(i -> weights[(i + tonic) % 12]).toArray();
        return new Guess(Key.of(spell(tonic, mode, sharpward), mode), correlation(profile, turned));
    }

    /** The signature with fewer signs; on a tie (six of either) the side the chart's own roots lean to. */
    private static PitchClass spell(int chroma, Mode mode, int sharpward) {
        return Arrays.stream(new String[] {"C", "C♯", "D♭", "D", "D♯", "E♭", "E", "F", "F♯", "G♭", "G", "G♯", "A♭", "A", "A♯", "B♭", "B", "C♭"})
                .map(PitchClass::parse).filter(name -> name.chroma() == chroma)
                .filter(name -> Math.abs(name.fifths() + mode.fifthsFromMajor()) <= 7)
                .min(Comparator.comparingInt((PitchClass name) -> Math.abs(name.fifths() + mode.fifthsFromMajor()))
                        .thenComparingInt(name -> -Integer.signum(name.alteration()) * sharpward))
                .orElseThrow();
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
