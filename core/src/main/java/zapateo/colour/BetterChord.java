package zapateo.colour;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.PitchClass;
import zapateo.song.Song;
import zapateo.song.ToneFit;

/**
 * A chord that the melody over it points away from, and one of the key that more of its notes belong to.
 *
 * @param bar index of its bar
 * @param tick where the chord begins, from the start of the song
 * @param hits how many of the notes the other chord has
 * @param notes how many there are
 */
public record BetterChord(int bar, int tick, ChordSymbol now, ChordSymbol better, int hits, int notes) {

    private static final int FEWEST_NOTES = 3;
    private static final double POINTS_AT = 0.75;
    private static final double FITS = 0.5;
    private static final String[] TRIADS = {"", "m", "dim"};

    /** Everywhere in a song that it can be said; bars played again are named once. */
    public static List<BetterChord> of(Song song) {
        List<ToneFit.Heard> heard = ToneFit.of(song);
        List<BetterChord> found = new ArrayList<>();
        Set<List<Object>> seen = new LinkedHashSet<>();
        song.chords().filter(place -> place.chord().isPresent()).forEach(place -> {
            List<ToneFit.Heard> over = heard.stream()
                    .filter(note -> note.tick() >= place.tick()
                            && note.tick() < place.tick() + place.span().ticks())
                    .toList();
            ChordSymbol now = place.chord().orElseThrow();
            int own = hits(now, over);
            if (over.size() >= FEWEST_NOTES
                    && own <= FITS * over.size()
                    && seen.add(List.of(place.bar().number(), place.span().tick(), now))) {
                candidates(place.bar().key()).stream()
                        .filter(other -> hits(other, over) >= POINTS_AT * over.size() && hits(other, over) >= own + 2)
                        .max(java.util.Comparator.comparingInt(other -> hits(other, over)))
                        .ifPresent(other -> found.add(new BetterChord(
                                place.bar().index(), place.tick(), now, other, hits(other, over), over.size())));
            }
        });
        return found;
    }

    private static int hits(ChordSymbol chord, List<ToneFit.Heard> notes) {
        return (int) notes.stream()
                .filter(note -> ToneFit.holds(chord, note.pitch()))
                .count();
    }

    /** The key's own triads, the plainest first, its seventh chord on V, and the dominants of its degrees. */
    static List<ChordSymbol> candidates(Key key) {
        List<ChordSymbol> all = new ArrayList<>();
        List<PitchClass> scale = key.scale();
        for (int degree : new int[] {0, 4, 3, 5, 1, 2, 6}) {
            for (String sign : TRIADS) {
                ChordSymbol chord = ChordSymbol.parse(scale.get(degree) + sign);
                if (chord.tones().stream().allMatch(key::holds)) {
                    all.add(chord);
                }
            }
        }
        ChordSymbol dominant = ChordSymbol.parse(scale.get(4) + "7");
        all.add(1, dominant);
        for (int degree : new int[] {1, 5, 2}) {
            all.add(ChordSymbol.parse(scale.get(degree) + "7"));
        }
        return all;
    }
}
