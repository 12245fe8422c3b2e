package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.song.Song;

/** Which strokes could not be struck as they were meant, and where: one word for each way they were mended. */
final class Altered {

    private static final int MOST_NAMED = 12;

    private Altered() {
    }

    static List<Reason> said(Song song, List<Stroke> strokes) {
        Map<String, TreeSet<Integer>> bars = new TreeMap<>();
        Map<String, Integer> counts = new TreeMap<>();
        strokes.forEach(stroke -> stroke.altered().ifPresent(way -> {
            bars.computeIfAbsent(way, each -> new TreeSet<>()).add(song.bars().get(stroke.bar()).number());
            counts.merge(way, 1, Integer::sum);
        }));
        List<Reason> said = new ArrayList<>();
        counts.forEach((way, count) -> said.add(Reason.of("altered-" + way, Map.of("count", String.valueOf(count), "bars", named(bars.get(way))))));
        return said;
    }

    private static String named(TreeSet<Integer> numbers) {
        String all = String.join(", ", numbers.stream().limit(MOST_NAMED).map(String::valueOf).toList());
        return numbers.size() > MOST_NAMED ? all + " and " + (numbers.size() - MOST_NAMED) + " more" : all;
    }
}
