package zapateo.song;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.Quality;

/** Random charts for rules that hold for all songs; the same seed writes the same chart. */
public final class SeededCharts {

    private static final List<String> METERS = List.of("2/4", "3/4", "4/4", "6/8", "9/8", "12/8", "5/4", "7/8");
    private static final List<String> ROOTS = List.of("C", "C♯", "D♭", "D", "E♭", "E", "F", "F♯", "G♭", "G", "A♭", "A", "B♭", "B", "C♭");
    private static final List<String> KEYS = List.of("C", "G", "D♭", "Em", "B♭", "A♭", "F♯m", "E mixolydian", "D dorian", "C♭");
    private static final List<String> FEELS = List.of("straight", "swing", "shuffle");

    private SeededCharts() {
    }

    public static Song song(int seed) {
        return ChartParser.parse(text(seed)).song().orElseThrow();
    }

    public static String text(int seed) {
        Random random = new Random(seed);
        String meter = pick(random, METERS);
        StringBuilder chart = new StringBuilder("Title: Seed " + seed + "\nKey: " + pick(random, KEYS) + "\nMeter: " + meter
                + "\nTempo: " + (40 + random.nextInt(160)) + "\nFeel: " + pick(random, FEELS) + "\n");
        for (int section = 0; section <= random.nextInt(3); section++) {
            chart.append("[Part ").append(section + 1).append("]\n");
            int bars = 1 + random.nextInt(12);
            chart.append(IntStream.range(0, bars).mapToObj(bar -> bar(random, bar > 0)).collect(Collectors.joining(" | ", "| ", " |\n")));
        }
        return chart.toString();
    }

    private static String bar(Random random, boolean later) {
        int kind = random.nextInt(12);
        if (kind == 0 && later) {
            return "%";
        }
        if (kind == 1) {
            return "N.C.";
        }
        if (kind == 2) {
            return "(4/4) " + chord(random) + " . " + chord(random) + " " + chord(random);
        }
        if (kind == 3) {
            return "(6/8) " + chord(random) + " " + chord(random);
        }
        return chord(random);
    }

    private static String chord(Random random) {
        String plain = pick(random, ROOTS) + pick(random, Quality.all()).written();
        return random.nextInt(4) == 0 ? plain + "/" + pick(random, ROOTS) : plain;
    }

    private static <T> T pick(Random random, List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}
