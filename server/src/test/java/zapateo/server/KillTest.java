package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Killed with SIGKILL while songs are being saved, two hundred times under {@code ./zapateo endure}, the server loses
 * no save that it acknowledged.
 */
class KillTest {

    private static final int ROUNDS = Boolean.getBoolean("zapateo.endure") ? 100 : 2;
    private static final int SERVERS = 2;
    /** So many saves are acknowledged before a server may be killed. */
    private static final int FIRST = 3;

    private static final JsonMapper JSON = new JsonMapper();

    private final HttpClient client =
            HttpClient.newBuilder().connectTimeout(Await.PATIENCE).build();
    /** Acknowledged saves: song and version, with the chart they hold. */
    private final Map<String, String> acknowledged = new ConcurrentHashMap<>();

    @Test
    void no_acknowledged_save_is_lost() throws Exception {
        TestDatabase database = new TestDatabase(Path.of("target/kill-database").toAbsolutePath());
        database.discard();
        database.start();
        RealServer witness = RealServer.on(database, "--zapateo.demo=false");
        ExecutorService servers = Executors.newFixedThreadPool(SERVERS);
        List<Callable<Integer>> work = new ArrayList<>();
        for (int i = 0; i < SERVERS; i++) {
            int number = i;
            work.add(() -> killAgainAndAgain(database, number));
        }
        int kills = 0;
        for (Future<Integer> each : servers.invokeAll(work)) {
            kills += each.get();
        }
        servers.shutdown();
        assertThat(kills).isEqualTo(ROUNDS * SERVERS);
        assertThat(acknowledged.size()).isGreaterThanOrEqualTo(FIRST * ROUNDS * SERVERS);
        acknowledged.forEach((save, chart) -> {
            String id = save.split(" ")[0];
            int version = Integer.parseInt(save.split(" ")[1]);
            assertThat(witness.get("/api/songs/" + id + "/versions/" + version)
                            .json()
                            .path("chart")
                            .asString())
                    .isEqualTo(chart);
        });
        witness.stop();
        database.discard();
    }

    private int killAgainAndAgain(TestDatabase database, int number) throws Exception {
        int kills = 0;
        for (int round = 0; round < ROUNDS; round++) {
            int port = FreePort.next();
            Process server = boot(database, port);
            try {
                String address = "http://127.0.0.1:" + port;
                awaitUp(address, server);
                CountDownLatch first = new CountDownLatch(FIRST);
                Thread writer = new Thread(() -> saveUntilItBreaks(address, first));
                writer.start();
                // On a busy machine the first saves take their time; there have to be some that could be lost.
                assertThat(first.await(Await.PATIENCE.toSeconds(), TimeUnit.SECONDS))
                        .as("first saves")
                        .isTrue();
                Thread.sleep(150 + 17L * ((round * 7 + number) % 20));
                server.destroyForcibly().waitFor();
                kills++;
                writer.join();
            } finally {
                server.destroyForcibly();
            }
        }
        return kills;
    }

    private void saveUntilItBreaks(String address, CountDownLatch first) {
        try {
            while (true) {
                JsonNode song = send(address + "/api/songs", "POST", Map.of("chart", "| C |"));
                first.countDown();
                for (int i = 0; i < 5; i++) {
                    song = send(
                            address + "/api/songs/" + song.path("id").asString(),
                            "PUT",
                            Map.of(
                                    "chart",
                                    "| C | " + "F ".repeat(i),
                                    "version",
                                    song.path("version").asInt()));
                    first.countDown();
                }
            }
        } catch (IOException broken) {
            // The server is dead, as it should be.
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private JsonNode send(String address, String method, Map<String, Object> body)
            throws IOException, InterruptedException {
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(address))
                        .timeout(Await.PATIENCE)
                        .header("Content-Type", "application/json")
                        .method(method, HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() / 100 != 2) {
            throw new IOException("answered " + answer.statusCode());
        }
        JsonNode song = JSON.readTree(answer.body());
        acknowledged.put(
                song.path("id").asString() + " " + song.path("version").asInt(),
                song.path("chart").asString());
        return song;
    }

    private static Process boot(TestDatabase database, int port) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Xshare:auto",
                "-cp",
                System.getProperty("java.class.path"),
                "zapateo.server.ZapateoServer",
                "--server.port=" + port,
                "--zapateo.demo=false",
                "--spring.main.lazy-initialization=true",
                "--spring.datasource.hikari.maximum-pool-size=3",
                "--springdoc.api-docs.enabled=false"));
        command.addAll(database.springArguments());
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(Path.of("target/kill-server.log").toFile())
                .start();
    }

    private void awaitUp(String address, Process server) throws Exception {
        Await.until("the server, see target/kill-server.log", () -> {
            assertThat(server.isAlive()).as("see target/kill-server.log").isTrue();
            try {
                return client.send(
                                        HttpRequest.newBuilder(URI.create(address + "/api/figures"))
                                                .build(),
                                        HttpResponse.BodyHandlers.discarding())
                                .statusCode()
                        == 200;
            } catch (IOException notYet) {
                return false;
            }
        });
    }
}
