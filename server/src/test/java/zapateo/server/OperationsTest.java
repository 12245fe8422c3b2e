package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What is true of each operation there is. */
class OperationsTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static final String SMALL =
            "Title: Small\nKey: C\n| C | F | G7 | C |\nMelody: | c4 e4 | f4 a4 | g4 f4 | e8 |";
    private static final Map<String, Object> CHOICES = Map.of(
            "figure",
            "stride-root-chord",
            "right",
            Map.of("style", "comping", "licks", List.of()),
            "overrides",
            List.of(Map.of("bars", "1-2", "beats", "1-2", "voicing", "close", "pass", 1)),
            "fingers",
            List.of(Map.of("hand", "L", "bar", 1, "tick", 0, "note", "C2", "finger", 5)),
            "costs",
            Map.of("room", 2.0),
            "sections",
            Map.of("A", Map.of("level", 3)));
    /**
     * Seconds of processor time; a computation is looked at in each layer of its searches, and what is found is written
     * down after that.
     */
    private static final double LIMIT = 5;

    private static final double LIMIT_OF_MANY = 120;
    private static final double TO_WRITE_IT = 3;
    private static final boolean ENDURE = Boolean.getBoolean("zapateo.endure");
    private static final int ROWS = ENDURE ? 250 : 50;
    private static final int SONGS = ENDURE ? 200 : 40;

    @Test
    void each_has_a_request_that_is_taken() {
        List<Operations.Operation> all = new Operations(SERVER, SMALL, CHOICES).all();
        Set<String> documented = new TreeSet<>();
        SERVER.get("/api/openapi")
                .json()
                .path("paths")
                .properties()
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(operation -> documented.add(operation.getKey() + " " + path.getKey())));
        assertThat(all.stream().map(Operations.Operation::name))
                .as("all of them, and no others")
                .containsExactlyInAnyOrderElementsOf(documented);
        Map<String, String> refused = new LinkedHashMap<>();
        for (Operations.Operation each : all) {
            RealServer.Answer answer = each.request().get().send(SERVER);
            if (answer.status() / 100 != 2 && !each.name().equals("get /api/computing/{name}")) {
                refused.put(each.name(), answer.status() + " " + answer.text());
            }
        }
        clear();
        assertThat(refused).isEmpty();
    }

    /**
     * A song of as many bars as there may be (a fifth of that but under {@code ./zapateo endure}), four chords in each,
     * a note on each, no two bars alike nearby.
     */
    private static String longest() {
        String[] roots = {"C", "Dm7", "E♭maj7", "F♯m7♭5", "G7", "A♭", "B♭9", "E7", "Am7", "D13"};
        return "Title: Longest\nKey: C\n"
                + IntStream.range(0, ROWS)
                        .mapToObj(row -> IntStream.range(0, 8)
                                        .mapToObj(bar -> IntStream.range(0, 4)
                                                .mapToObj(beat -> roots[
                                                        (row * 7 + bar * 3 + beat * (1 + row % 3)) % roots.length])
                                                .collect(Collectors.joining(" ")))
                                        .collect(Collectors.joining(" | ", "| ", " |"))
                                + "\nMelody: "
                                + IntStream.range(0, 8)
                                        .mapToObj(bar -> "c2 e2 g2 " + "abcd".charAt(bar % 4) + "2")
                                        .collect(Collectors.joining(" | ", "| ", " |")))
                        .collect(Collectors.joining("\n"));
    }

    /** What was made for it is taken away again: others ask for all there is. */
    private static void clear() {
        SERVER.get("/api/songs").json().forEach(song -> {
            if (Set.of("Operated on", "Kept", "Longest", "Small")
                    .contains(song.path("title").asString())) {
                SERVER.delete("/api/songs/" + song.path("id").asString());
            }
        });
        SERVER.get("/api/sets")
                .json()
                .forEach(set -> SERVER.delete("/api/sets/" + set.path("id").asString()));
        SERVER.get("/api/hands")
                .json()
                .forEach(hands -> SERVER.delete("/api/hands/" + hands.path("id").asString()));
    }

    /** What the threads that answer have computed so far: nothing else asks meanwhile. */
    private static double answering() {
        ThreadMXBean threads = ManagementFactory.getThreadMXBean();
        double all = 0;
        for (java.lang.management.ThreadInfo each : threads.getThreadInfo(threads.getAllThreadIds())) {
            if (each != null && each.getThreadName().startsWith("http-nio")) {
                all += Math.max(0, threads.getThreadCpuTime(each.getThreadId())) / 1e9;
            }
        }
        return all;
    }

    @Test
    void each_is_stopped_within_its_limit_however_much_it_is_given() {
        Map<String, Object> choices =
                Map.of("figure", "stride-tenths", "right", Map.of("style", "melody", "under", "block"));
        Map<String, Double> over = new LinkedHashMap<>();
        Map<String, String> failed = new LinkedHashMap<>();
        List<String> told = new ArrayList<>();
        for (Operations.Operation each : new Operations(SERVER, longest(), choices).all()) {
            Operations.Request request = each.request().get();
            double before = answering();
            RealServer.Answer answer = request.send(SERVER);
            double spent = answering() - before;
            told.add(String.format("%.2f s %d %s", spent, answer.status(), each.name()));
            if (spent > (isOfMany(each.name()) ? LIMIT_OF_MANY : LIMIT) + TO_WRITE_IT) {
                over.put(each.name(), spent);
            }
            boolean given = answer.status() == 422
                    && answer.json().path("type").asString("").equals("/problems/too-much");
            if (answer.status() / 100 != 2 && !given && !each.name().equals("get /api/computing/{name}")) {
                failed.put(
                        each.name(),
                        answer.status() + " "
                                + answer.text()
                                        .substring(
                                                0, Math.min(200, answer.text().length())));
            }
        }
        System.out.println(String.join("\n", told));
        clear();
        assertThat(over).isEmpty();
        assertThat(failed).as("neither done nor told to be too much").isEmpty();
    }

    private static boolean isOfMany(String name) {
        return name.contains("/everything")
                || name.equals("get /api/sets/{id}/export/zip")
                || name.equals("post /api/sets/import");
    }

    /**
     * An evening of as many songs as there may be opens, however long they are: what was not counted in time is told,
     * and counted when it is asked for again.
     */
    @Test
    void an_evening_of_long_songs_opens() {
        String chart = longest();
        List<Map<String, Object>> items = new ArrayList<>();
        for (int i = 0; i < SONGS; i++) {
            String song = SERVER.post(
                            "/api/songs",
                            Map.of("title", "Long " + i, "chart", chart.replace("Title: Longest", "Title: Long " + i)))
                    .json()
                    .path("id")
                    .asString();
            items.add(Map.of("song", song));
        }
        String set = SERVER.post("/api/sets", Map.of("title", "Long", "items", items))
                .json()
                .path("id")
                .asString();
        int uncounted = items.size();
        while (uncounted > 0) {
            double before = answering();
            RealServer.Answer answer = SERVER.get("/api/sets/" + set);
            assertThat(answering() - before).isLessThan(LIMIT + TO_WRITE_IT);
            assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            JsonNode evening = answer.json();
            assertThat(evening.path("uncounted").asInt(0)).as("fewer each time").isLessThan(uncounted);
            uncounted = evening.path("uncounted").asInt(0);
            assertThat(evening.path("items").get(0).path("ms").asLong()).isPositive();
        }
        items.forEach(item -> SERVER.delete("/api/songs/" + item.get("song")));
        SERVER.delete("/api/sets/" + set);
    }
}
