package zapateo.bench;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Eight clients at once ask for the arrangement of a 64-bar chart. Wanted: 95 of 100 answers within 50 ms. */
public final class HttpLoad {

    private static final int CLIENTS = 8;
    private static final int WARM_UP = 400;
    private static final int COUNTED = 250;

    private final HttpClient client = HttpClient.newHttpClient();
    private final HttpRequest request;

    private HttpLoad(String address) {
        String body = "{\"chart\":\"" + LongChart.TEXT.replace("\n", "\\n") + "\",\"choices\":{\"figure\":\"spread-eighths\"}}";
        request = HttpRequest.newBuilder(URI.create(address + "/api/arrangements")).header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build();
    }

    /** @param arguments the server's address */
    public static void main(String[] arguments) throws Exception {
        HttpLoad load = new HttpLoad(arguments[0]);
        load.round(WARM_UP);
        for (int round = 1; round <= 3; round++) {
            double[] times = load.round(COUNTED);
            System.out.printf("arrange 64 bars over HTTP, %d clients, round %d of 3: median %.1f ms, 95th percentile %.1f ms, slowest %.1f ms (%d requests)%n",
                    CLIENTS, round, times[times.length / 2], times[times.length * 95 / 100], times[times.length - 1], times.length);
        }
    }

    private double[] round(int each) throws Exception {
        ExecutorService clients = Executors.newFixedThreadPool(CLIENTS);
        Callable<List<Double>> work = () -> {
            List<Double> times = new ArrayList<>();
            for (int i = 0; i < each; i++) {
                long start = System.nanoTime();
                HttpResponse<byte[]> answer = client.send(request, HttpResponse.BodyHandlers.ofByteArray());
                if (answer.statusCode() != 200) {
                    throw new IllegalStateException("answered " + answer.statusCode());
                }
                times.add((System.nanoTime() - start) / 1e6);
            }
            return times;
        };
        List<Double> all = new ArrayList<>();
        for (Future<List<Double>> times : clients.invokeAll(Collections.nCopies(CLIENTS, work))) {
            all.addAll(times.get());
        }
        clients.shutdown();
        double[] sorted = all.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        return sorted;
    }
}
