package zapateo.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;

/**
 * The arrangement of a 64-bar chart over HTTP. <i>Cold</i>: every request has another chord, so that nothing is known
 * of it; wanted: of eight clients 95 of 100 answers within 80 ms, one client 15 ms. <i>Unlike</i>: every request a song
 * of its own with a figure of its own, nothing in common with any before; wanted: 11 ms of processor time each, of
 * eight clients a median of 45 ms and 95 of 100 within 100 ms. <i>Warm</i>: the same again and again; wanted: at most
 * three times the floor of the same run, which is a file of the same size from the same server. And the repertoire: 500
 * songs within 100 ms. Java compiles what it runs often for a minute and more, beside what it runs: what comes in that
 * time is told by itself, the rounds begin after it.
 */
public final class HttpLoad {

    private static final int CLIENTS = 8;
    private static final int WARM_UP = 300;
    /**
     * Rounds before those that count: some ten thousand requests, after which the compiler takes a twentieth of what
     * they take.
     */
    private static final int BEFORE = 8;

    private static final int COUNTED = 150;
    private static final int ROUNDS = 3;
    private static final int SONGS = 500;
    private static final List<String> ROOTS = List.of("C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B");
    private static final List<String> KINDS =
            List.of("", "m", "7", "m7", "maj7", "6", "m6", "9", "sus4", "°7", "ø", "+");

    // No offer of another protocol in each request.
    private final HttpClient client =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    /** What the kernel counts processor time in (proc(5)): a hundredth of a second. */
    private static final double TICKS_A_SECOND = 100;

    private static final List<String> FIGURES = List.of(
            "stride-tenths",
            "spread-eighths",
            "walking",
            "bossa",
            "held",
            "stride-root-chord",
            "low-high-middle-high",
            "pulse-quarters");

    private final String address;
    private final Path process;
    private final AtomicInteger next = new AtomicInteger();

    private HttpLoad(String address, String process) {
        this.address = address;
        this.process = Path.of("/proc", process, "stat");
    }

    /** @param arguments the server's address, the folder that it serves files from, its process number */
    public static void main(String[] arguments) throws Exception {
        HttpLoad load = new HttpLoad(arguments[0], arguments[2]);
        HttpRequest same = load.arrange(LongChart.TEXT, "spread-eighths");
        Files.write(Path.of(arguments[1], "floor.json"), load.bytes(same));
        HttpRequest floor =
                HttpRequest.newBuilder(URI.create(load.address + "/floor.json")).build();
        Supplier<HttpRequest> cold = () -> load.arrange(another(load.next.incrementAndGet()), "spread-eighths");
        for (String figure : List.of("spread-eighths", "stride-root-chord")) {
            System.out.printf(
                    "answer for 64 bars of %s: %d bytes%n",
                    figure, load.bytes(load.arrange(LongChart.TEXT, figure)).length);
        }
        load.round(1, WARM_UP, cold);
        say(
                "every request another chord (cold), 8 clients, the server just started",
                load.round(CLIENTS, COUNTED / 2, cold));
        for (int round = 1; round <= BEFORE; round++) {
            load.round(CLIENTS, COUNTED, cold);
            load.round(CLIENTS, COUNTED, () -> same);
            load.round(CLIENTS, COUNTED, () -> floor);
            load.round(CLIENTS, COUNTED / 2, load::unlike);
        }
        for (int round = 1; round <= ROUNDS; round++) {
            say("floor, a file of that size, 8 clients" + of(round), load.round(CLIENTS, COUNTED, () -> floor));
            say("arranged before (warm), 8 clients" + of(round), load.round(CLIENTS, COUNTED, () -> same));
            say("every request another chord (cold), 8 clients" + of(round), load.round(CLIENTS, COUNTED / 2, cold));
            say("every request another chord (cold), 1 client" + of(round), load.round(1, COUNTED, cold));
            double before = load.processorMillis();
            double[] unlike = load.round(CLIENTS, COUNTED / 2, load::unlike);
            say("every request a song of its own (unlike), 8 clients" + of(round), unlike);
            System.out.printf("  of processor time %.1f ms each%n", (load.processorMillis() - before) / unlike.length);
        }
        load.repertoire();
    }

    /** A song and a figure that have nothing in common with those before but the names of chords. */
    private HttpRequest unlike() {
        int seed = next.incrementAndGet();
        SplittableRandom chance = new SplittableRandom(seed);
        StringBuilder chart =
                new StringBuilder("Title: Unlike " + seed + "\nTempo: " + (60 + chance.nextInt(140)) + "\n");
        for (int bar = 0; bar < 64; bar++) {
            for (int chord = 0; chord <= chance.nextInt(3) / 2; chord++) {
                chart.append(chord == 0 ? "| " : "")
                        .append(ROOTS.get(chance.nextInt(ROOTS.size())))
                        .append(KINDS.get(chance.nextInt(KINDS.size())))
                        .append(' ');
            }
            chart.append(bar % 8 == 7 ? "|\n" : "");
        }
        return arrange(chart.toString(), FIGURES.get(seed % FIGURES.size()));
    }

    /** What the server has computed so far, all its threads together. */
    private double processorMillis() throws IOException {
        String[] fields = Files.readString(process).replaceFirst(".*\\) ", "").split(" ");
        return (Long.parseLong(fields[11]) + Long.parseLong(fields[12])) * 1000 / TICKS_A_SECOND;
    }

    private static String of(int round) {
        return ", round " + round + " of " + ROUNDS;
    }

    private static void say(String what, double[] times) {
        System.out.printf(
                "64 bars over HTTP, %s: median %.1f ms, 95th percentile %.1f ms, slowest %.1f ms (%d requests)%n",
                what, times[times.length / 2], times[times.length * 95 / 100], times[times.length - 1], times.length);
    }

    /** The chart with one bar that no other has. */
    private static String another(int number) {
        String chord = ROOTS.get(number % 12)
                + KINDS.get(number / 12 % 12)
                + (number / 144 % 2 == 0 ? "" : "/" + ROOTS.get((number + 5) % 12));
        return LongChart.TEXT + "| " + chord + " | " + ROOTS.get(number / 288 % 12) + KINDS.get(number / 3456 % 12)
                + " |\n";
    }

    private HttpRequest arrange(String chart, String figure) {
        return post(
                "/api/arrangements",
                "{\"chart\":\"" + chart.replace("\n", "\\n") + "\",\"choices\":{\"figure\":\"" + figure + "\"}}");
    }

    private HttpRequest post(String path, String body) {
        return HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    private byte[] bytes(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<byte[]> answer = client.send(request, HttpResponse.BodyHandlers.ofByteArray());
        if (answer.statusCode() / 100 != 2) {
            throw new IllegalStateException("answered " + answer.statusCode());
        }
        return answer.body();
    }

    private void repertoire() throws Exception {
        for (int song = 0; song < SONGS; song++) {
            bytes(post(
                    "/api/songs",
                    "{\"chart\":\"Title: Song " + song + "\\n| C | F | G7 | C |\",\"choices\":{\"figure\":\"held\"}}"));
        }
        double[] times = round(
                1,
                20,
                () -> HttpRequest.newBuilder(URI.create(address + "/api/songs")).build());
        System.out.printf(
                "the list of %d songs: median %.1f ms, slowest %.1f ms%n",
                SONGS, times[times.length / 2], times[times.length - 1]);
    }

    private double[] round(int count, int each, Supplier<HttpRequest> request) throws Exception {
        ExecutorService clients = Executors.newFixedThreadPool(count);
        Callable<List<Double>> work = () -> {
            List<Double> times = new ArrayList<>();
            for (int i = 0; i < each; i++) {
                HttpRequest asked = request.get();
                long start = System.nanoTime();
                bytes(asked);
                times.add((System.nanoTime() - start) / 1e6);
            }
            return times;
        };
        List<Double> all = new ArrayList<>();
        for (Future<List<Double>> times : clients.invokeAll(Collections.nCopies(count, work))) {
            all.addAll(times.get());
        }
        clients.shutdown();
        double[] sorted = all.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        return sorted;
    }
}
