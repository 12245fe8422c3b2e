package zapateo.song;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordNames;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Degree;
import zapateo.harmony.Key;
import zapateo.harmony.KeyFinder;
import zapateo.harmony.KeyRegions;
import zapateo.harmony.Mode;
import zapateo.harmony.VoiceLeading;

/**
 * What a song's chords mean: the keys it may be in, where it changes key, and each written chord's place in the key
 * that rules there. A key the chart names rules until it names another; without one the keys found do.
 */
public final class Understanding {

    private static final int MOST_KEYS = 3;

    private final List<KeyFinder.Guess> keys;
    private final List<Region> regions;
    private final Map<WrittenBar, List<Optional<Place>>> places = new IdentityHashMap<>();

    /** A key that begins to rule with a written bar, counted from 0. */
    public record Region(Key key, int bar) {}

    /**
     * A chord in its place.
     *
     * @param key the key that rules
     * @param next the next other chord as written; empty where none follows
     */
    public record Place(ChordSymbol chord, Key key, Degree degree, Optional<ChordSymbol> next) {

        /** What it shares with that chord and how far the voices go; empty where none follows. */
        public Optional<VoiceLeading> leading() {
            return next.map(other -> VoiceLeading.between(chord, other));
        }

        /** Its name from another of its tones. */
        public Optional<ChordSymbol> otherName() {
            return ChordNames.other(chord);
        }

        /** The key's own spelling where the chart's stands against it. */
        public Optional<ChordSymbol> respelled() {
            return key.respelled(chord);
        }
    }

    private record Standing(int bar, int span, ChordSymbol chord, double bars) {}

    private Understanding(List<KeyFinder.Guess> keys, List<Region> regions) {
        this.keys = keys;
        this.regions = regions;
    }

    /** Everything, the keys and their changes too. */
    public static Understanding of(Song song) {
        List<KeyFinder.Guess> keys =
                KeyFinder.find(KeyEvidence.sounding(song.written()), KeyEvidence.melody(song.written())).stream()
                        .limit(MOST_KEYS)
                        .toList();
        return read(song, keys, regions(song, standing(song)));
    }

    /** The degrees alone, which is quicker where the chart names its key. */
    public static Understanding degrees(Song song) {
        return read(
                song, List.of(), song.keyGiven() ? List.of(new Region(song.key(), 0)) : regions(song, standing(song)));
    }

    private static Understanding read(Song song, List<KeyFinder.Guess> keys, List<Region> regions) {
        Understanding understanding = new Understanding(keys, regions);
        List<WrittenBar> bars = song.writtenBars();
        List<Standing> standing = standing(song);
        Key[] ruling = ruling(song, bars, regions);
        // A song has few places, many times over: the same one is the same object.
        Map<List<Object>, Optional<Place>> known = new HashMap<>();
        List<Optional<ChordSymbol>> following = following(standing);
        for (int i = 0; i < standing.size(); i++) {
            Standing each = standing.get(i);
            Key key = ruling[each.bar()];
            Optional<ChordSymbol> next = following.get(i);
            List<Optional<Place>> ofBar =
                    understanding.places.computeIfAbsent(bars.get(each.bar()), bar -> new ArrayList<>());
            while (ofBar.size() < each.span()) {
                ofBar.add(Optional.empty());
            }
            ofBar.add(known.computeIfAbsent(
                    List.of(each.chord(), key, next),
                    same -> Optional.of(new Place(each.chord(), key, Degree.of(each.chord(), key, next), next))));
        }
        return understanding;
    }

    /** What each chord goes on to: the next one that is another. */
    private static List<Optional<ChordSymbol>> following(List<Standing> standing) {
        LinkedList<Optional<ChordSymbol>> following = new LinkedList<>();
        Optional<ChordSymbol> next = Optional.empty();
        for (int i = standing.size() - 1; i >= 0; i--) {
            if (i + 1 < standing.size()
                    && !standing.get(i + 1).chord().equals(standing.get(i).chord())) {
                next = Optional.of(standing.get(i + 1).chord());
            }
            following.addFirst(next);
        }
        return new ArrayList<>(following);
    }

    /** The key in each written bar: the last one the chart named, else the region's. */
    private static Key[] ruling(Song song, List<WrittenBar> bars, List<Region> regions) {
        Key[] ruling = new Key[bars.size()];
        Optional<Key> named = song.keyGiven() ? Optional.of(song.key()) : Optional.empty();
        int region = 0;
        for (int bar = 0; bar < ruling.length; bar++) {
            while (region + 1 < regions.size() && regions.get(region + 1).bar() <= bar) {
                region++;
            }
            if (bars.get(bar).marks().key().isPresent()) {
                named = bars.get(bar).marks().key();
            }
            ruling[bar] = named.orElse(regions.get(region).key());
        }
        return ruling;
    }

    private static List<Standing> standing(Song song) {
        List<Standing> all = new ArrayList<>();
        List<WrittenBar> bars = song.writtenBars();
        for (int bar = 0; bar < bars.size(); bar++) {
            List<ChordSpan> spans = bars.get(bar).chords();
            for (int span = 0; span < spans.size(); span++) {
                Optional<ChordSymbol> chord = spans.get(span).chord();
                if (chord.isPresent()) {
                    all.add(new Standing(
                            bar,
                            span,
                            chord.get(),
                            spans.get(span).ticks()
                                    / (double) bars.get(bar).meter().barTicks()));
                }
            }
        }
        return all;
    }

    private static List<Region> regions(Song song, List<Standing> standing) {
        List<Region> found = KeyRegions.of(
                        song.key(),
                        song.keyGiven(),
                        standing.stream()
                                .map(each -> new KeyFinder.Sounding(each.chord(), each.bars()))
                                .toList())
                .stream()
                .map(region -> new Region(
                        region.key(),
                        standing.isEmpty() || region.from() == 0
                                ? 0
                                : standing.get(region.from()).bar()))
                .toList();
        return song.keyGiven() ? found : atHome(song.key(), found);
    }

    /**
     * A song that stays in one key is in the one that was found for it; where it moves, what has the tones of the mode
     * it was found in is that mode.
     */
    private static List<Region> atHome(Key home, List<Region> found) {
        boolean modal = home.mode() != Mode.MAJOR && home.mode() != Mode.MINOR;
        List<Region> regions = new ArrayList<>();
        for (Region region : found) {
            Key key = found.size() == 1 || modal && region.key().fifths() == home.fifths() ? home : region.key();
            if (regions.isEmpty() || !regions.get(regions.size() - 1).key().equals(key)) {
                regions.add(new Region(key, region.bar()));
            }
        }
        return regions;
    }

    /** The likeliest first, at most three; also where the chart names its key. */
    public List<KeyFinder.Guess> keys() {
        return keys;
    }

    /** Where the chords move to another key, the first at the first bar. */
    public List<Region> regions() {
        return regions;
    }

    /** A chord of a written bar in its place; empty for silence and for what could not be read. */
    public Optional<Place> place(WrittenBar bar, int span) {
        List<Optional<Place>> ofBar = places.getOrDefault(bar, List.of());
        return span < ofBar.size() ? ofBar.get(span) : Optional.empty();
    }
}
