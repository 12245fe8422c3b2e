package zapateo.harmony;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import zapateo.pitch.PitchClass;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/**
 * Where a song changes key: the run of keys that explains all its chords at the least cost, where a chord costs what it
 * has that its key has not and a change of key costs as much as several strange chords. Short excursions, borrowed
 * chords and secondary dominants stay in the key.
 */
public final class KeyRegions {

    /** The project's own choice: about four bars of strange chords outweigh a change of key and back. */
    private static final double CHANGE = 5;

    private static final double RELATIVE = 0.4;
    private static final double START = 3;
    private static final double AWAY = 0.02;
    private static final double LONGEST = 1.5;
    private static final int STRETCH = 6;
    private static final double STRANGE_ROOT = 1;
    private static final double STRANGE_TONE = 0.4;
    /**
     * A verse in the minor key and a chorus in its relative major share every chord: what tells them apart is where
     * they come home.
     */
    private static final double OWN_TONIC = -0.35;

    private static final double OWN_DOMINANT = -0.3;

    private KeyRegions() {}

    /** A key that begins to rule with the chord {@code from}. */
    public record Region(Key key, int from) {}

    /** A key of the few that may rule at all, and what a chord costs in it. */
    private record State(int key, double cost) {}

    /**
     * The keys a progression goes through; one region for a song that stays at home.
     *
     * @param home the key the song is in as a whole; among equals it wins
     * @param named whether the chart says so; then a song that does not begin at home has to be far from it
     * @param chords lengths in bars
     */
    public static List<Region> of(Key home, boolean named, List<KeyFinder.Sounding> chords) {
        if (chords.isEmpty()) {
            return List.of(new Region(home, 0));
        }
        List<Key> all = keys(home);
        double[][] costs = costs(all, named ? START : 0, chords);
        List<Integer> able = able(costs, all.size());
        List<List<State>> layers = Arrays.stream(costs)
                .map(of -> able.stream().map(key -> new State(key, of[key])).toList())
                .toList();
        double[][] changes = changes(all);
        List<State> path = ShortestPath.through(
                        layers,
                        List.of(
                                CostTerm.own("strange to the key", 1, State::cost),
                                CostTerm.step(
                                        "change of key",
                                        CHANGE,
                                        (before, after) -> changes[before.key()][after.key()])))
                .steps();
        List<Region> regions = new ArrayList<>();
        for (int i = 0; i < path.size(); i++) {
            if (i == 0 || path.get(i).key() != path.get(i - 1).key()) {
                regions.add(new Region(all.get(path.get(i).key()), i));
            }
        }
        return regions;
    }

    /** The home key first, then the other major and minor keys. */
    private static List<Key> keys(Key home) {
        List<Key> keys = new ArrayList<>(List.of(home));
        for (int chroma = 0; chroma < 12; chroma++) {
            for (Mode mode : List.of(Mode.MAJOR, Mode.MINOR)) {
                if (chroma != home.tonic().chroma()
                        || mode.isMinor() != home.mode().isMinor()) {
                    keys.add(Key.nearest(chroma, mode, home.fifths()));
                }
            }
        }
        return keys;
    }

    private static double[][] changes(List<Key> keys) {
        double[][] changes = new double[keys.size()][keys.size()];
        for (int from = 0; from < keys.size(); from++) {
            for (int to = 0; to < keys.size(); to++) {
                changes[from][to] = from == to ? 0 : keys.get(from).relative().equals(keys.get(to)) ? RELATIVE : 1;
            }
        }
        return changes;
    }

    private static double[][] costs(List<Key> keys, double start, List<KeyFinder.Sounding> chords) {
        Map<List<Object>, double[]> known = new HashMap<>();
        int[] own = keys.stream().mapToInt(KeyRegions::chromas).toArray();
        double[][] costs = new double[chords.size()][];
        for (int i = 0; i < costs.length; i++) {
            ChordSymbol chord = chords.get(i).chord();
            Optional<ChordSymbol> next =
                    i + 1 < costs.length ? Optional.of(chords.get(i + 1).chord()) : Optional.empty();
            double length = Math.min(LONGEST, chords.get(i).length());
            costs[i] = known.computeIfAbsent(
                    List.of(chord, next, length),
                    same -> IntStream.range(0, keys.size())
                            .mapToDouble(key ->
                                    length * (cost(chord, keys.get(key), own[key], next) + (key == 0 ? 0 : AWAY)))
                            .toArray());
        }
        costs[0] = costs[0].clone();
        for (int key = 1; key < keys.size(); key++) {
            costs[0][key] += start;
        }
        return costs;
    }

    /**
     * The keys that explain some stretch of the song as well as any other, and the home key: no other can be worth a
     * change.
     */
    private static List<Integer> able(double[][] costs, int keys) {
        Set<Integer> able = new TreeSet<>(Set.of(0));
        double[] running = new double[keys];
        for (int i = 0; i < costs.length; i++) {
            for (int key = 0; key < keys; key++) {
                running[key] += costs[i][key] - (i >= STRETCH ? costs[i - STRETCH][key] : 0);
            }
            if (i >= STRETCH - 1 || i == costs.length - 1) {
                able.add(IntStream.range(0, keys)
                        .boxed()
                        .min(Comparator.comparingDouble(key -> running[key]))
                        .orElseThrow());
            }
        }
        return List.copyOf(able);
    }

    /** @param own the key's chromas, a bit each */
    private static double cost(ChordSymbol chord, Key key, int own, Optional<ChordSymbol> next) {
        int above = Math.floorMod(chord.root().chroma() - key.tonic().chroma(), 12);
        if (Functions.isOwn(chord, key)) {
            return above == 0 ? OWN_TONIC : above == 7 ? OWN_DOMINANT : 0;
        }
        if (Functions.dominantOf(chord, key, next).isPresent()) {
            return STRANGE_TONE;
        }
        double tones = chord.tones().stream().filter(tone -> !holds(own, tone)).count() * STRANGE_TONE;
        return tones + (holds(own, chord.root()) ? 0 : STRANGE_ROOT);
    }

    private static int chromas(Key key) {
        return key.scale().stream().mapToInt(note -> 1 << note.chroma()).reduce(0, (all, note) -> all | note);
    }

    private static boolean holds(int own, PitchClass note) {
        return (own >> note.chroma() & 1) == 1;
    }
}
