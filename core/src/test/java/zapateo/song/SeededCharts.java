package zapateo.song;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;

/** Random charts for rules that hold for all songs; the same seed writes the same chart. */
public final class SeededCharts {

    private static final List<String> METERS = List.of("2/4", "3/4", "4/4", "6/8", "9/8", "12/8", "5/4", "7/8");
    private static final List<String> ROOTS =
            List.of("C", "C♯", "D♭", "D", "E♭", "E", "F", "F♯", "G♭", "G", "A♭", "A", "B♭", "B", "C♭");
    private static final List<String> KEYS =
            List.of("C", "G", "D♭", "Em", "B♭", "A♭", "F♯m", "E mixolydian", "D dorian", "C♭");
    private static final List<String> FEELS = List.of("straight", "swing", "shuffle");

    private SeededCharts() {}

    public static Song song(int seed) {
        return ChartParser.parse(text(seed)).song().orElseThrow();
    }

    public static String text(int seed) {
        return text(seed, false);
    }

    /**
     * A chart with every sign there is: repeats, endings, form, pick-up, changes of key and tempo, early and held
     * chords, pins, words, tune.
     */
    public static String full(int seed) {
        return text(seed, true);
    }

    private static String text(int seed, boolean full) {
        // Neighbouring seeds begin with the same draws; this sets them apart.
        Random random = new Random(seed * 0x9E3779B97F4A7C15L + 0x5DEECE66DL);
        String meter = full ? "4/4" : pick(random, METERS);
        StringBuilder chart = new StringBuilder("Title: Seed " + seed + "\nKey: " + pick(random, KEYS) + "\nMeter: "
                + meter + "\nTempo: " + (40 + random.nextInt(160)) + "\nFeel: " + pick(random, FEELS) + "\n");
        int sections = 1 + random.nextInt(3);
        if (full && random.nextInt(3) == 0) {
            chart.append(random.ints(1 + random.nextInt(4), 1, sections + 1)
                    .mapToObj(i -> "Part " + i)
                    .collect(Collectors.joining(", ", "Form: ", "\n")));
        }
        for (int section = 0; section < sections; section++) {
            chart.append("[Part ").append(section + 1).append("]\n");
            if (full) {
                chart.append(new FullRows(random, section == 0).write());
            } else {
                int bars = 1 + random.nextInt(12);
                chart.append(IntStream.range(0, bars)
                        .mapToObj(bar -> bar(random, bar > 0))
                        .collect(Collectors.joining(" | ", "| ", " |\n")));
            }
        }
        if (full && random.nextInt(4) == 0) {
            chart.append("[Part 1] again\n").append(random.nextBoolean() ? "| " + chord(random) + " |\n" : "");
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

    /** Rows in 4/4 and 6/8 with all signs. */
    private record FullRows(Random random, boolean opensSong) {

        private static final List<String> NOTES = List.of("C4", "E♭4", "F♯5", "G4", "A4", "B♭3", "D5");

        private String write() {
            StringBuilder rows = new StringBuilder();
            int count = 1 + random.nextInt(3);
            for (int row = 0; row < count; row++) {
                rows.append(row(opensSong && row == 0));
            }
            return rows.toString();
        }

        private String row(boolean first) {
            int bars = 2 + random.nextInt(3);
            boolean repeated = random.nextInt(3) == 0;
            boolean endings = repeated && random.nextBoolean();
            StringBuilder row = new StringBuilder(repeated ? "|: " : "| ");
            for (int bar = 0; bar < bars; bar++) {
                row.append(bar == 0 ? "" : endings && bar == bars - 1 ? " |1 " : " | ")
                        .append(
                                first && bar == 0 && random.nextInt(3) == 0
                                        ? "(4/4) (pickup 1) " + chord(random)
                                        : "(4/4) " + cell(first && bar == 0));
            }
            row.append(
                            !repeated
                                    ? " |"
                                    : endings
                                            ? " :|2 (4/4) " + chord(random) + " ||"
                                            : pick(random, List.of(" :|", " :| x3", " :| vamp")))
                    .append('\n');
            if (random.nextInt(3) == 0) {
                row.append("Words: ")
                        .append(IntStream.range(0, bars)
                                .mapToObj(i -> random.nextInt(4) == 0 ? "" : "night " + i)
                                .collect(Collectors.joining(" | ")))
                        .append(" |\n");
            }
            if (random.nextInt(2) == 0 && !row.toString().contains("pickup")) {
                row.append("Tune: ")
                        .append(IntStream.range(0, bars).mapToObj(i -> tune()).collect(Collectors.joining(" | ")))
                        .append(" |\n");
                if (repeated && random.nextBoolean()) {
                    row.append("Tune: ")
                            .append(IntStream.range(0, bars)
                                    .mapToObj(i -> random.nextInt(3) == 0 ? "" : tune())
                                    .collect(Collectors.joining(" | ")))
                            .append(" |\n");
                }
            }
            return row.toString();
        }

        private String cell(boolean first) {
            String signs = first
                    ? ""
                    : random.nextInt(9) == 0
                            ? "(key " + pick(random, KEYS) + ") "
                            : random.nextInt(9) == 0 ? "(tempo " + (50 + random.nextInt(100)) + ") " : "";
            String pin = random.nextInt(9) == 0 ? "\"" + (random.nextBoolean() ? "! " : "") + "mind the step\" " : "";
            String early = !first && random.nextInt(8) == 0 ? ">" : "";
            return signs
                    + pin
                    + switch (random.nextInt(6)) {
                        case 0 -> early + chord(random) + " " + chord(random);
                        case 1 -> early + chord(random) + " . " + chord(random) + " .";
                        case 2 -> "(eighths) " + chord(random) + " . . " + chord(random) + " . . . .";
                        case 3 -> "N.C.";
                        case 4 -> early + chord(random) + " (fermata)";
                        default -> early + chord(random);
                    };
        }

        private String tune() {
            return switch (random.nextInt(4)) {
                case 0 -> note() + "/1";
                case 1 -> note() + "/4 " + note() + "/8 " + note() + " r/2";
                case 2 -> note() + "/2. " + note() + "/4t " + note() + "/8t";
                default -> "r/8 " + note() + "/4. " + note() + "/16 " + note() + " " + note() + "/8 " + note() + "/4";
            };
        }

        private String note() {
            return pick(random, NOTES);
        }
    }

    private static String chord(Random random) {
        Quality quality = pick(random, Qualities.all());
        String plain = pick(random, ROOTS)
                + (random.nextInt(5) == 0
                                ? Qualities.with(quality, pick(random, List.copyOf(Qualities.allModifiers())))
                                : quality)
                        .written();
        return random.nextInt(4) == 0 ? plain + "/" + pick(random, ROOTS) : plain;
    }

    private static <T> T pick(Random random, List<T> from) {
        return from.get(random.nextInt(from.size()));
    }
}
