package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import zapateo.part.Mending;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.righthand.Crossing;
import zapateo.song.Song;

/**
 * Which strokes could not be struck as they were meant, because of the hand or of the other hand, and where: one word
 * for each way they were mended.
 */
final class Altered {

    private static final int MOST_NAMED = 12;

    private Altered() {}

    static List<Reason> said(Song song, List<Stroke> strokes) {
        List<Reason> said = new ArrayList<>();
        List<Stroke> mended = strokes.stream()
                .filter(stroke -> !stroke.nature().mended().isEmpty())
                .toList();
        for (Mending.Cause why : Mending.Cause.values()) {
            Map<String, TreeSet<Integer>> bars = new TreeMap<>();
            Map<String, Integer> counts = new TreeMap<>();
            mended.forEach(stroke -> stroke.mended(why).map(Mending::id).ifPresent(way -> {
                bars.computeIfAbsent(way, each -> new TreeSet<>())
                        .add(song.bars().get(stroke.bar()).number());
                counts.merge(way, 1, Integer::sum);
            }));
            counts.forEach((way, count) -> said.add(Reason.of(
                    why.code() + "-" + way, Map.of("count", String.valueOf(count), "bars", named(bars.get(way))))));
        }
        return said;
    }

    /** What still runs together after all that was tried. */
    static List<Reason> kept(Song song, List<Stroke> right, List<Crossing> crossings) {
        TreeSet<Integer> bars = new TreeSet<>();
        crossings.forEach(crossing ->
                bars.add(song.bars().get(right.get(crossing.right()).bar()).number()));
        return bars.isEmpty() ? List.of() : List.of(Reason.of("crossing-kept", Map.of("bars", named(bars))));
    }

    private static String named(TreeSet<Integer> numbers) {
        String all = String.join(
                ", ", numbers.stream().limit(MOST_NAMED).map(String::valueOf).toList());
        return numbers.size() > MOST_NAMED ? all + " and " + (numbers.size() - MOST_NAMED) + " more" : all;
    }
}
