package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.json.JsonMapper;
import zapateo.server.work.Works;

/** Dear requests wait in a short queue or are asked to come again; what reads and saves never waits behind them. */
class WorkTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final String LEVELS = "/api/arrangements/levels";
    private static final int MOST_CLIENTS = 400;

    /** Another song each time, so that nothing of it is there already. */
    private static Map<String, Object> longSong(int number, int bars) {
        StringBuilder chart = new StringBuilder("Title: Long ").append(number).append("\nKey: C\n");
        String[] roots = {"C", "Am7", "F/A", "G7", "E7", "Dm", "B♭", "D7"};
        for (int i = 0; i < bars; i++) {
            chart.append("| ")
                    .append(roots[(i * 5 + number + i / 7) % roots.length])
                    .append(i % 4 == 3 ? " |\n" : " ");
        }
        return Map.of(
                "chart",
                chart.toString(),
                "choices",
                Map.of("figure", "stride-tenths", "right", Map.of("style", "comping")));
    }

    private static HttpRequest named(String name, Object body) {
        return SERVER.request(LEVELS)
                .header("Content-Type", "application/json")
                .header("Zapateo-Work", name)
                .POST(HttpRequest.BodyPublishers.ofString(new JsonMapper().writeValueAsString(body)))
                .build();
    }

    @Test
    void of_many_dear_ones_at_once_each_is_answered_or_asked_to_come_again() throws Exception {
        ExecutorService many = Executors.newFixedThreadPool(16);
        List<Future<RealServer.Answer>> dear = new ArrayList<>();
        for (int i = 0; i < 14; i++) {
            int number = i;
            dear.add(many.submit(() -> SERVER.post(LEVELS, longSong(number, 300))));
        }
        int saved = 0;
        while (dear.stream().anyMatch(each -> !each.isDone())) {
            RealServer.Answer song = SERVER.post("/api/songs", Map.of("chart", "| C |"));
            assertThat(song.status()).isEqualTo(201);
            assertThat(SERVER.get("/api/songs").status()).isEqualTo(200);
            assertThat(SERVER.delete("/api/songs/" + song.json().path("id").asString())
                            .status())
                    .isEqualTo(204);
            saved++;
        }
        assertThat(saved).isPositive();
        List<RealServer.Answer> answers = new ArrayList<>();
        for (Future<RealServer.Answer> each : dear) {
            answers.add(each.get());
        }
        assertThat(answers)
                .allSatisfy(each -> assertThat(each.status()).isIn(200, 422, 503))
                .anySatisfy(each -> assertThat(each.status()).isEqualTo(200));
        assertThat(answers)
                .filteredOn(each -> each.status() == 503)
                .isNotEmpty()
                .allSatisfy(each -> {
                    assertThat(each.json().path("type").asString()).isEqualTo("/problems/busy");
                    assertThat(each.problem()).contains("ask again in a second");
                    assertThat(each.retryAfter()).isEqualTo("1");
                });
        many.shutdown();
        assertThat(SERVER.post(LEVELS, longSong(99, 8)).status())
                .as("there is a place again")
                .isEqualTo(200);
    }

    /** What a page waits for no longer is given up in the layer it has come to. */
    @Test
    void what_nobody_waits_for_is_given_up() throws Exception {
        ExecutorService other = Executors.newSingleThreadExecutor();
        Future<RealServer.Answer> asked = other.submit(() -> SERVER.send(named("page-1.7", longSong(200, 1500))));
        while (!asked.isDone()) {
            assertThat(SERVER.send(SERVER.request("/api/computing/page-1.7/stop")
                                    .POST(HttpRequest.BodyPublishers.noBody())
                                    .build())
                            .status())
                    .isEqualTo(204);
            TimeUnit.MILLISECONDS.sleep(20);
        }
        assertThat(asked.get().status()).isEqualTo(422);
        assertThat(asked.get().json().path("type").asString()).isEqualTo("/problems/too-much");
        other.shutdown();
        assertThat(SERVER.send(SERVER.request("/api/computing/nobody/stop")
                                .POST(HttpRequest.BodyPublishers.noBody())
                                .build())
                        .status())
                .isEqualTo(204);
    }

    /** An arrangement that is asked for by a client that does not read the answer. */
    private static Socket asked(URI address, Object request) {
        try {
            byte[] body = new JsonMapper().writeValueAsBytes(request);
            Socket socket = new Socket(address.getHost(), address.getPort());
            socket.getOutputStream()
                    .write(("POST /api/arrangements HTTP/1.1\r\nHost: localhost:" + address.getPort()
                                    + "\r\nContent-Type: application/json\r\nContent-Length: " + body.length
                                    + "\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            socket.getOutputStream().write(body);
            socket.getOutputStream().flush();
            return socket;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Who hangs up frees its place: tens that compute for long are asked and left, and the next one is answered. What
     * is there already is answered meanwhile too.
     */
    @Test
    void who_went_away_holds_nothing_up_and_what_is_there_waits_for_nobody() throws Exception {
        Map<String, Object> known =
                Map.of("chart", "Title: Known\n| C | F | G7 | C |", "choices", Map.of("figure", "held"));
        assertThat(SERVER.post("/api/arrangements", known).status()).isEqualTo(200);
        URI address = URI.create(SERVER.address());
        List<Socket> clients = new ArrayList<>();
        Works works = SERVER.part(Works.class);
        // On a busy machine the first are through, or have waited for long enough, before the last is read: more come
        // then.
        Await.until("three that compute and others that wait", () -> {
            if (clients.size() < MOST_CLIENTS) {
                clients.add(asked(address, longSong(1000 + clients.size(), 1900)));
            }
            return works.computing() == 3 && works.waiting() > 10;
        });
        assertThat(SERVER.post("/api/arrangements", known).status())
                .as("known, with all places taken")
                .isEqualTo(200);
        for (Socket each : clients) {
            each.close();
        }
        Await.until("places that are free again", () -> works.computing() == 0 && works.waiting() == 0);
        assertThat(SERVER.post("/api/arrangements", longSong(2000, 8)).status()).isEqualTo(200);
    }

    @Test
    void a_song_of_too_many_chords_is_told_how_many_there_may_be() {
        RealServer.Answer refused =
                SERVER.post("/api/arrangements", Map.of("chart", "Meter: 5/4\n" + "| C F G Am F ".repeat(1601) + "|"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("more than 8000 chords as played").contains("at most 8000 chords");
        assertThat(SERVER.post("/api/charts/parse", Map.of("chart", "| C F G Am ".repeat(2000) + "|"))
                        .json()
                        .path("problems"))
                .isEmpty();
    }
}
