package zapateo.song;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;

/**
 * In which keys a song lies easiest under the hand, by reasons a pianist accepts: few signs in the signature, chords
 * whose roots and tones are white keys, and, all else equal, near to where it was.
 */
public final class EasyKeys {

    private static final double SIGN = 1;
    private static final double BLACK_ROOT = 6;
    private static final double BLACK_TONE = 5;
    private static final double FAR = 0.15;

    private EasyKeys() {}

    /**
     * A key and why it stands where it does.
     *
     * @param signs sharps above zero, flats below
     * @param blackRoots share of the song's chord time over a black root, 0 to 1
     * @param blackTones share of all chord tones that are black keys, 0 to 1
     * @param effort the weighed sum, for the order; the weights are the project's own
     */
    public record Ranked(Key key, Transposition way, int signs, double blackRoots, double blackTones, double effort) {}

    /** The twelve keys, the easiest first; the song's own among them. */
    public static List<Ranked> of(Song song) {
        List<Ranked> ranked = new ArrayList<>();
        for (int semitones = -6; semitones < 6; semitones++) {
            ranked.add(rank(song, semitones == 0 ? new Transposition(0, 0) : Transposition.by(semitones, song.key())));
        }
        ranked.sort(Comparator.comparingDouble(Ranked::effort));
        return ranked;
    }

    private static Ranked rank(Song song, Transposition way) {
        double time = 0;
        double roots = 0;
        double tones = 0;
        double black = 0;
        for (WrittenBar bar : song.writtenBars()) {
            for (ChordSpan span : bar.chords()) {
                if (span.chord().isEmpty()) {
                    continue;
                }
                ChordSymbol chord = way.of(span.chord().get());
                time += span.ticks();
                roots += isBlack(chord.bass().chroma()) ? span.ticks() : 0;
                tones += (double) span.ticks() * chord.tones().size();
                black += (double) span.ticks()
                        * chord.tones().stream()
                                .filter(tone -> isBlack(tone.chroma()))
                                .count();
            }
        }
        Key key = way.of(song.key());
        double blackRoots = time == 0 ? 0 : roots / time;
        double blackTones = tones == 0 ? 0 : black / tones;
        double effort = SIGN * Math.abs(key.fifths())
                + BLACK_ROOT * blackRoots
                + BLACK_TONE * blackTones
                + FAR * Math.abs(way.semitones());
        return new Ranked(key, way, key.fifths(), blackRoots, blackTones, effort);
    }

    private static boolean isBlack(int chroma) {
        return "010100101010".charAt(chroma) == '1';
    }
}
