package zapateo.answers;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import zapateo.arrangement.Arrangement;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;
import zapateo.song.Bar;

/**
 * A passage as a fine player would write it, see README.md beside the answers.
 *
 * @param bars strokes bar by bar
 * @param also what is as good, by the bar's index
 * @param bothHands whether the right hand is in it
 * @param changed which bars a lively player changes, by their rank, the best reason first
 */
record Answer(
        String id,
        String figure,
        String chart,
        boolean ends,
        List<List<Struck>> bars,
        Map<Integer, List<Struck>> also,
        boolean bothHands,
        Map<Integer, Integer> changed) {

    /**
     * @param at from the bar line, as it is written
     * @param keys low to high
     */
    record Struck(int at, List<Integer> keys) {

        private static final List<String> NAMES =
                List.of("C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B");

        @Override
        public String toString() {
            return at + ":"
                    + keys.stream()
                            .map(key -> NAMES.get(key % 12) + (key / 12 - 1))
                            .collect(Collectors.joining("+"));
        }
    }

    /** All of a file. */
    static List<Answer> of(String file) {
        try (InputStream in = Answer.class.getResourceAsStream("/zapateo/answers/" + file)) {
            LoaderOptions options = new LoaderOptions();
            options.setCodePointLimit(10_000_000);
            Yaml yaml = new Yaml(options);
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(line -> of(yaml.<Map<String, Object>>load(line)))
                    .toList();
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }

    private static Answer of(Map<String, Object> line) {
        List<List<Struck>> bars = Answer.<List<Object>>list(line.get("bars")).stream()
                .map(Answer::bar)
                .toList();
        Map<Integer, List<Struck>> also = new HashMap<>();
        Answer.<String, List<Object>>map(line.get("alt"))
                .forEach((number, strokes) -> also.put(Integer.parseInt(number) - 1, bar(strokes)));
        boolean both = Answer.<List<Object>>list(line.get("bars")).stream()
                .flatMap(List::stream)
                .anyMatch(stroke -> Answer.<String, Object>map(stroke).containsKey("hand"));
        Map<Integer, Integer> changed = new TreeMap<>();
        if (line.containsKey("changed")) {
            Answer.<Object>list(line.get("changed")).stream()
                    .map(Answer::<String, Integer>map)
                    .forEach(each -> changed.put(each.get("rank"), each.get("bar") - 1));
        }
        return new Answer(
                (String) line.get("id"),
                (String) line.get("figure"),
                (String) line.get("chart"),
                !Boolean.FALSE.equals(line.get("ends")),
                bars,
                also,
                both,
                changed);
    }

    private static List<Struck> bar(List<Object> strokes) {
        return strokes.stream()
                .map(Answer::<String, Object>map)
                .map(stroke -> new Struck(
                        (Integer) stroke.get("at"),
                        Answer.<String>list(stroke.get("keys")).stream()
                                .map(name -> Pitch.parse(name).midi())
                                .sorted()
                                .toList()))
                .toList();
    }

    /** Ours as it is written, bar by bar; what is struck early stands in the bar where it is struck. */
    static List<List<Struck>> ours(Arrangement arrangement, boolean both) {
        List<Bar> bars = arrangement.song().bars();
        List<List<Struck>> ours = new ArrayList<>();
        bars.forEach(bar -> ours.add(new ArrayList<>()));
        for (Stroke stroke : arrangement.strokes()) {
            if (both || stroke.hand() == Side.LEFT) {
                int tick = stroke.written().tick();
                int bar = Math.max(
                        0,
                        (int) bars.stream().filter(each -> each.tick() <= tick).count() - 1);
                ours.get(bar)
                        .add(new Struck(
                                tick - bars.get(bar).tick(),
                                stroke.notes().stream()
                                        .map(note -> note.pitch().midi())
                                        .sorted()
                                        .toList()));
            }
        }
        return ours;
    }

    @SuppressWarnings("unchecked")
    private static <T> List<T> list(Object value) {
        return (List<T>) value;
    }

    @SuppressWarnings("unchecked")
    private static <K, V> Map<K, V> map(Object value) {
        return value == null ? Map.of() : (Map<K, V>) value;
    }
}
