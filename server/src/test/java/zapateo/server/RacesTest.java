package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The same thing sent at the same moment: kept, or told as overtaken; only a database that is away is said to be. */
class RacesTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final int AT_ONCE = 8;

    private static List<RealServer.Answer> atOnce(Callable<RealServer.Answer> ask) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(AT_ONCE);
        try {
            List<Future<RealServer.Answer>> asked = new ArrayList<>();
            for (int i = 0; i < AT_ONCE; i++) {
                asked.add(threads.submit(ask));
            }
            List<RealServer.Answer> answers = new ArrayList<>();
            for (Future<RealServer.Answer> each : asked) {
                answers.add(each.get());
            }
            return answers;
        } finally {
            threads.shutdownNow();
        }
    }

    @RepeatedTest(3)
    void hands_that_come_at_once_are_kept_or_overtaken() throws Exception {
        List<RealServer.Answer> answers = atOnce(() -> SERVER.post(
                "/api/hands",
                Map.of(
                        "name",
                        "Race",
                        "measures",
                        Map.of("left", Map.of("spanMm", 190), "right", Map.of("spanMm", 190)))));
        assertThat(answers)
                .allSatisfy(
                        answer -> assertThat(answer.status()).as(answer.text()).isIn(201, 409))
                .anyMatch(answer -> answer.status() == 201);
        assertThat(answers).noneMatch(answer -> answer.text().contains("does not answer"));
    }

    @RepeatedTest(3)
    void figures_that_come_at_once_are_kept_or_overtaken() throws Exception {
        String file = "{\"id\":\"race\",\"name\":\"Race " + System.nanoTime()
                + "\",\"family\":\"pulse\",\"use\":\"For a "
                + "race.\",\"feel\":[\"straight\"],\"level\":\"2\",\"tempo\":\"50-120\","
                + "\"spacing\":\"open\",\"pedal\":\"yes\",\"bars\":{\"4/4\":[\"1@0:1920 5@1920:1920\"]}}";
        List<RealServer.Answer> answers = atOnce(() -> SERVER.post("/api/figures", Map.of("file", file)));
        assertThat(answers)
                .allSatisfy(
                        answer -> assertThat(answer.status()).as(answer.text()).isIn(201, 409))
                .anyMatch(answer -> answer.status() == 201)
                .noneMatch(answer -> answer.text().contains("does not answer"));
    }

    @RepeatedTest(3)
    void sets_that_are_changed_at_once_are_kept_once() throws Exception {
        String id = SERVER.post("/api/sets", Map.of("title", "Race", "items", List.of()))
                .json()
                .path("id")
                .asString();
        List<RealServer.Answer> answers =
                atOnce(() -> SERVER.put("/api/sets/" + id, Map.of("title", "Raced", "items", List.of(), "version", 1)));
        assertThat(answers.stream().filter(answer -> answer.status() == 200)).hasSize(1);
        assertThat(answers.stream().filter(answer -> answer.status() == 409)).hasSize(AT_ONCE - 1);
    }
}
