package zapateo.bench;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zapateo.format.Shapes;
import zapateo.format.SongReader;
import zapateo.song.ChartParser;

/**
 * Files of just under a megabyte, shaped to be hard, through every reader. Wanted: the worst under a second of
 * processor time.
 */
public final class Readers {

    private static final int SHAPES = 400;
    private static final int BYTES = 900_000;
    private static final int TOLD = 5;
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

    private Readers() {}

    private record Read(int seed, double seconds) {}

    public static void main(String[] arguments) {
        List<Read> all = new ArrayList<>();
        for (int seed = 0; seed < SHAPES; seed++) {
            byte[] file = Shapes.of(seed, BYTES);
            long before = THREADS.getCurrentThreadCpuTime();
            if (Shapes.isChart(seed)) {
                ChartParser.parse(new String(file, StandardCharsets.UTF_8));
            } else {
                SongReader.read(file);
            }
            all.add(new Read(seed, (THREADS.getCurrentThreadCpuTime() - before) / 1e9));
        }
        all.sort(Comparator.comparingDouble(Read::seconds).reversed());
        System.out.printf(
                "readers, %d shapes of %d bytes: median %.3f s of processor time, worst %.2f s (wanted under 1)%n",
                SHAPES, BYTES, all.get(SHAPES / 2).seconds(), all.get(0).seconds());
        all.stream()
                .limit(TOLD)
                .forEach(each -> System.out.printf(
                        "  seed %d: %.2f s  %s%n",
                        each.seed(),
                        each.seconds(),
                        new String(Shapes.of(each.seed(), 120), StandardCharsets.UTF_8)
                                .replaceAll("\\p{Cntrl}+", " ")));
    }
}
