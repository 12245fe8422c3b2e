package zapateo.critic;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Quality;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/** Rows about where a line of single basses goes from one chord to the next. */
final class WalkRows {

    private static final int FOURTH = 5;
    private static final int FIFTH = 7;
    private static final int SECOND = 2;
    private static final int SIXTH = 9;
    private static final int LOWERED_SIXTH = 8;
    private static final int LOWERED_SEVENTH = 10;

    private WalkRows() {}

    /** A chord and the next one, with the single notes of the left hand from the first's bass to the second's. */
    private record Way(ChordSymbol chord, ChordSymbol next, Bar bar, List<Stroke> line, List<Integer> places) {

        int key(int at) {
            return line.get(at).lowest().midi();
        }

        int goal() {
            return key(line.size() - 1);
        }
    }

    /** All ways of the bars of a trait; the last note of each is the next chord's first. */
    private static List<Way> ways(Score score, Trait... traits) {
        List<Way> ways = new ArrayList<>();
        List<Song.Placed> chords = score.chords();
        for (int i = 0; i + 1 < chords.size(); i++) {
            Song.Placed place = chords.get(i);
            Song.Placed next = chords.get(i + 1);
            List<Integer> places = new ArrayList<>(single(score, place.tick(), place.end()));
            List<Integer> first = single(score, next.tick(), next.tick() + 1);
            Asked asked = score.asked().get(place.bar().index());
            boolean fits = List.of(traits).stream().anyMatch(asked::is);
            if (fits && places.size() > 1 && !first.isEmpty() && next.tick() == place.end()) {
                places.add(first.get(0));
                List<Stroke> line = places.stream().map(score.strokes()::get).toList();
                ways.add(new Way(place.chord().orElseThrow(), next.chord().orElseThrow(), place.bar(), line, places));
            }
        }
        return ways;
    }

    private static List<Integer> single(Score score, int from, int to) {
        return score.within(from, to).stream()
                .filter(at -> score.strokes().get(at).hand() == Side.LEFT
                        && score.strokes().get(at).notes().size() == 1)
                .toList();
    }

    /** L24: between basses a semitone apart the line goes past its goal, or fills with other chromatic notes. */
    static void semitone(Score score, Marks marks) {
        for (Way way : ways(score, Trait.WALKS)) {
            int from = way.key(0);
            int step = way.goal() - from;
            if (Math.abs(step) != 1) {
                continue;
            }
            for (int i = 1; i + 1 < way.line().size(); i++) {
                int key = way.key(i);
                int past = (key - from) * step;
                boolean over = past >= 1 && past <= 3 && !Tones.isOf(way.chord(), key);
                boolean chromatic = !Tones.isOf(way.chord(), key)
                        && way.bar().key().scale().stream().noneMatch(note -> note.chroma() == Math.floorMod(key, 12));
                if (over || chromatic) {
                    marks.add(
                            way.line().get(i).bar(),
                            List.of(way.places().get(i)),
                            Map.of(
                                    "note",
                                    way.line().get(i).lowest().toString(),
                                    "goal",
                                    way.line()
                                            .get(way.line().size() - 1)
                                            .lowest()
                                            .toString()));
                }
            }
        }
    }

    /** L25: on a beat the natural of a tone the chord alters. */
    static void altered(Score score, Marks marks) {
        for (Way way : ways(score, Trait.WALKS, Trait.BASS_ONLY)) {
            for (int i = 1; i + 1 < way.line().size(); i++) {
                Stroke now = way.line().get(i);
                Bar bar = score.song().bars().get(now.bar());
                boolean beat = (now.written().tick() - bar.tick()) % bar.meter().beatTicks() == 0;
                int above = Tones.above(way.chord(), way.key(i));
                if (beat && isNatural(way.chord().quality(), above) && !raised(way, i)) {
                    marks.add(
                            now.bar(),
                            List.of(way.places().get(i)),
                            Map.of(
                                    "note",
                                    now.lowest().toString(),
                                    "chord",
                                    way.chord().toString()));
                }
            }
        }
    }

    private static boolean isNatural(Quality quality, int above) {
        boolean fifth = above == FIFTH
                && quality.tone(FOURTH)
                        .map(Interval::semitones)
                        .filter(fifth5 -> fifth5 != FIFTH)
                        .isPresent();
        boolean ninth = above == SECOND
                && (quality.has(9, SECOND + 11)
                        || quality.has(9, SECOND + 13)
                        || quality.has(2, 1)
                        || quality.has(2, 3));
        boolean thirteenth = above == SIXTH && (quality.has(13, 20) || quality.has(6, LOWERED_SIXTH));
        return fifth || ninth || thirteenth;
    }

    /** The raised sixth and seventh on the way up to a minor tonic. */
    private static boolean raised(Way way, int at) {
        return way.next().quality().isMinor()
                && Math.floorMod(way.next().root().chroma() - way.chord().root().chroma(), 12) == FOURTH
                && at + 2 < way.line().size()
                && way.key(at + 1) == way.goal() - 1
                && way.key(at) < way.key(at + 1);
    }

    /** L26: up from V to a minor tonic by the lowered sixth or seventh, or by a neighbour that is repeated. */
    static void minorWalkUp(Score score, Marks marks) {
        for (Way way : ways(score, Trait.values())) {
            boolean toTonic = way.chord().quality().isMajor()
                    && way.next().quality().isMinor()
                    && way.next().over().isEmpty()
                    && Math.floorMod(
                                    way.next().root().chroma()
                                            - way.chord().root().chroma(),
                                    12)
                            == FOURTH;
            int last = way.line().size() - 2;
            if (!toTonic || last < 1) {
                continue;
            }
            int before = Math.floorMod(way.key(last) - way.goal(), 12);
            int earlier = Math.floorMod(way.key(last - 1) - way.goal(), 12);
            boolean up = way.key(last) < way.goal() && way.goal() - way.key(last) <= FIFTH;
            boolean lowered = before == LOWERED_SEVENTH || before == FIFTH && earlier == LOWERED_SIXTH;
            if (up && lowered) {
                marks.add(
                        way.line().get(last).bar(),
                        List.of(way.places().get(last)),
                        Map.of(
                                "note",
                                way.line().get(last).lowest().toString(),
                                "goal",
                                way.line().get(last + 1).lowest().toString()));
            }
        }
    }
}
