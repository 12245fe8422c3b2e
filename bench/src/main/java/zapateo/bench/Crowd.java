package zapateo.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * 128 clients for a minute, each reading, saving and computing by turns. Wanted: no answer of 5xx but a 503 that says
 * when to come again, p95 of reading and saving under a second, memory that does not grow.
 */
public final class Crowd {

    private static final int CLIENTS = 128;
    private static final int SECONDS = 60;
    private static final Pattern ID = Pattern.compile("\"id\":\"([^\"]+)\"");
    private static final Pattern VERSION = Pattern.compile("\"version\":(\\d+)");
    private static final String[] ROOTS = {"C", "Am7", "F/A", "G7", "E7", "Dm", "B♭", "D7"};

    private final String address;
    private final HttpClient client =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(10)).build();
    private final Map<String, List<Long>> took = new ConcurrentHashMap<>();
    private final Map<String, Integer> statuses = new ConcurrentHashMap<>();
    private final long until;

    private Crowd(String address, int seconds) {
        this.address = address;
        this.until = System.nanoTime() + seconds * 1_000_000_000L;
    }

    /**
     * @param arguments the server's address, its process number, and perhaps for how many seconds in place of a minute
     */
    public static void main(String[] arguments) throws Exception {
        int seconds = arguments.length > 2 ? Integer.parseInt(arguments[2]) : SECONDS;
        List<Long> memory = new ArrayList<>(List.of(residentMegabytes(arguments[1])));
        Crowd crowd = new Crowd(arguments[0], seconds);
        List<Thread> all = new ArrayList<>();
        for (int i = 0; i < CLIENTS; i++) {
            int number = i;
            Thread each = new Thread(() -> crowd.work(new SplittableRandom(number)));
            each.start();
            all.add(each);
        }
        for (int quarter = 0; quarter < 4; quarter++) {
            Thread.sleep(seconds * 250L - 500);
            memory.add(residentMegabytes(arguments[1]));
        }
        for (Thread each : all) {
            each.join();
        }
        System.out.printf(
                "%d clients, %d s, memory of the server at the start and by quarters %s MB%n",
                CLIENTS, seconds, memory);
        new TreeMap<>(crowd.took).forEach((kind, times) -> {
            Collections.sort(times);
            System.out.printf(
                    "  %-8s %6d answers, median %5d ms, p95 %5d ms, longest %5d ms%n",
                    kind,
                    times.size(),
                    times.get(times.size() / 2),
                    times.get(times.size() * 95 / 100),
                    times.get(times.size() - 1));
        });
        System.out.println("  by status: " + new TreeMap<>(crowd.statuses));
    }

    private static long residentMegabytes(String process) throws IOException {
        for (String line : Files.readAllLines(Path.of("/proc", process, "status"))) {
            if (line.startsWith("VmRSS:")) {
                return Long.parseLong(line.replaceAll("\\D", "")) / 1024;
            }
        }
        return 0;
    }

    private void work(SplittableRandom random) {
        String song = send("save", "POST", "/api/songs", "{\"chart\":\"| C |\"}");
        Matcher id = ID.matcher(song);
        Matcher version = VERSION.matcher(song);
        int kept = version.find() ? Integer.parseInt(version.group(1)) : 1;
        String path = "/api/songs/" + (id.find() ? id.group(1) : "");
        while (System.nanoTime() < until) {
            int kind = random.nextInt(100);
            if (kind < 20) {
                send("read", "GET", "/api/songs", "");
            } else if (kind < 40) {
                send("read", "GET", path, "");
            } else if (kind < 65) {
                String answer = send(
                        "save",
                        "PUT",
                        path,
                        "{\"chart\":\"| C " + "| F ".repeat(random.nextInt(30)) + "|\",\"version\":" + kept + "}");
                Matcher now = VERSION.matcher(answer);
                kept = now.find() ? Integer.parseInt(now.group(1)) : kept;
            } else if (kind < 90) {
                send(
                        "compute",
                        "POST",
                        "/api/arrangements",
                        "{\"chart\":\"" + chart(random, 8 + random.nextInt(56)) + "\"}");
            } else {
                send(
                        "dear",
                        "POST",
                        "/api/arrangements/levels",
                        "{\"chart\":\"" + chart(random, 16 + random.nextInt(48))
                                + "\",\"choices\":{\"figure\":\"stride-tenths\"}}");
            }
        }
    }

    private static String chart(SplittableRandom random, int bars) {
        StringBuilder chart = new StringBuilder();
        for (int i = 0; i < bars; i++) {
            chart.append("| ").append(ROOTS[random.nextInt(ROOTS.length)]).append(' ');
        }
        return chart.append('|').toString();
    }

    private String send(String kind, String method, String path, String body) {
        long began = System.nanoTime();
        String status;
        String text = "";
        try {
            HttpResponse<String> answer = client.send(
                    HttpRequest.newBuilder(URI.create(address + path))
                            .timeout(Duration.ofSeconds(60))
                            .header("Content-Type", "application/json")
                            .method(method, HttpRequest.BodyPublishers.ofString(body))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            text = answer.body();
            boolean honest = answer.statusCode() == 503
                    && answer.headers().firstValue("Retry-After").isPresent();
            status = kind + " " + answer.statusCode() + (honest ? " come again" : "");
            if (honest) {
                Thread.sleep(1000);
            }
        } catch (IOException e) {
            status = kind + " " + e.getClass().getSimpleName();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            status = kind + " interrupted";
        }
        statuses.merge(status, 1, Integer::sum);
        if (!status.contains("come again")) {
            took.computeIfAbsent(kind, each -> Collections.synchronizedList(new ArrayList<>()))
                    .add((System.nanoTime() - began) / 1_000_000);
        }
        return text;
    }
}
