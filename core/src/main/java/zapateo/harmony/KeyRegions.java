package zapateo.harmony;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import zapateo.pitch.PitchClass;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/**
 * Where a song changes key: the run of keys that explains all its chords at the least cost, where a chord costs what it has that its key has
 * not and a change of key costs as much as several strange chords. Short excursions, borrowed chords and secondary dominants stay in the key.
 */
public final class KeyRegions {

    /** The project's own choice: about four bars of strange chords outweigh a change of key and back. */
    private static final double CHANGE = 5;
    private static final double STRANGE_ROOT = 1;
    private static final double STRANGE_TONE = 0.4;
    /** A verse in the minor key and a chorus in its relative major share every chord: what tells them apart is where they come home. */
    private static final double OWN_TONIC = -0.35;
    private static final double OWN_DOMINANT = -0.3;

    private KeyRegions() {
    }

    /** A key that begins to rule with the chord {@code from}. */
    public record Region(Key key, int from) {
    }

    private record State(Key key, double cost) {
    }

    /**
     * The keys a progression goes through; one region for a song that stays at home.
     *
     * @param home   the key the song is in as a whole; among equals it wins
     * @param chords lengths in bars
     */
    public static List<Region> of(Key home, List<KeyFinder.Sounding> chords) {
        if (chords.isEmpty()) {
            return List.of(new Region(home, 0));
        }
        List<List<State>> layers = IntStream.range(0, chords.size()).mapToObj(i -> states(home, chords, i)).toList();
        List<State> path = ShortestPath.through(layers, List.of(
                CostTerm.own("strange to the key", 1, State::cost),
                CostTerm.step("change of key", CHANGE, (before, after) -> before.key().equals(after.key()) ? 0 : before.key().relative().equals(after.key()) ? 0.4 : 1))).steps();
        List<Region> regions = new ArrayList<>();
        for (int i = 0; i < path.size(); i++) {
            if (i == 0 || !path.get(i).key().equals(path.get(i - 1).key())) {
                regions.add(new Region(path.get(i).key(), i));
            }
        }
        return regions;
    }

    private static List<State> states(Key home, List<KeyFinder.Sounding> chords, int at) {
        KeyFinder.Sounding each = chords.get(at);
        Optional<ChordSymbol> next = at + 1 < chords.size() ? Optional.of(chords.get(at + 1).chord()) : Optional.empty();
        List<State> states = new ArrayList<>();
        states.add(new State(home, Math.min(1.5, each.length()) * cost(each.chord(), home, next)));
        for (int chroma = 0; chroma < 12; chroma++) {
            for (Mode mode : List.of(Mode.MAJOR, Mode.MINOR)) {
                Key key = Key.nearest(chroma, mode, home.fifths());
                if (chroma != home.tonic().chroma() || mode.isMinor() != home.mode().isMinor()) {
                    states.add(new State(key, Math.min(1.5, each.length()) * (cost(each.chord(), key, next) + 0.02)));
                }
            }
        }
        return states;
    }

    private static double cost(ChordSymbol chord, Key key, Optional<ChordSymbol> next) {
        int above = Math.floorMod(chord.root().chroma() - key.tonic().chroma(), 12);
        if (Functions.isOwn(chord, key)) {
            return above == 0 ? OWN_TONIC : above == 7 ? OWN_DOMINANT : 0;
        }
        if (Functions.dominantOf(chord, key, next).isPresent()) {
            return STRANGE_TONE;
        }
        double tones = chord.tones().stream().filter(tone -> !holds(key, tone)).count() * STRANGE_TONE;
        return tones + (holds(key, chord.root()) ? 0 : STRANGE_ROOT);
    }

    private static boolean holds(Key key, PitchClass note) {
        return key.scale().stream().anyMatch(own -> own.chroma() == note.chroma());
    }
}
