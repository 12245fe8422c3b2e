package zapateo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zapateo.server.Await;

/** A copy of everything put back gives the same answers; one that is not whole changes nothing. */
class CopiesTest {

    private static final int KILLS = Boolean.getBoolean("zapateo.endure") ? 20 : 3;
    private static final int WRITERS = 4;
    private static final int RESTORES = Boolean.getBoolean("zapateo.endure") ? 10 : 2;

    /** All that is kept is asked for twice in the end. */
    private static final int SAVED_EVERY_MS = 40;

    @TempDir(cleanup = CleanupMode.NEVER)
    Path temporary;

    @TempDir(cleanup = CleanupMode.NEVER)
    Path elsewhere;

    private Folder folder;
    private Folder other;

    @BeforeEach
    void make() throws Exception {
        folder = new Folder(temporary);
        other = new Folder(elsewhere);
    }

    @AfterEach
    void nothing_is_left() throws Exception {
        for (Folder each : List.of(folder, other)) {
            each.run("stop");
            each.expectNothingRuns();
            each.run("database", "discard", each.home().toString());
        }
    }

    /** Every answer there is to a GET about what is kept. */
    private static Map<String, String> answers(Folder folder) throws Exception {
        Map<String, String> all = new TreeMap<>();
        for (String path : List.of(
                "/api/songs",
                "/api/sets",
                "/api/hands",
                "/api/figures",
                "/api/practice/goals?day=2026-11-29",
                "/api/practice/log?day=2026-11-29")) {
            all.put(path, folder.ask("GET", path, "").body());
        }
        for (JsonNode song : folder.get("/api/songs")) {
            String path = "/api/songs/" + song.path("id").asString();
            for (String more : List.of("", "/versions", "/versions/1", "/arrangement", "/export/txt", "/export/abc")) {
                all.put(path + more, folder.ask("GET", path + more, "").body());
            }
        }
        for (JsonNode set : folder.get("/api/sets")) {
            all.put(
                    "/api/sets/" + set.path("id").asString(),
                    folder.get("/api/sets/" + set.path("id").asString()).toString());
        }
        return all;
    }

    @Test
    void a_copy_made_under_load_gives_the_same_answers_in_an_empty_folder() throws Exception {
        folder.started();
        AtomicBoolean busy = new AtomicBoolean(true);
        Thread load = new Thread(() -> {
            for (int i = 0; busy.get(); i++) {
                try {
                    folder.keep("Title: Under way " + i + "\n| C | F |");
                    TimeUnit.MILLISECONDS.sleep(SAVED_EVERY_MS);
                } catch (Exception e) {
                    throw new IllegalStateException(e);
                }
            }
        });
        load.start();
        Path copy = temporary.resolve("copy.tar");
        Folder.Said said = folder.run("backup", copy.toString());
        assertThat(said.text()).contains("Everything is in " + copy);
        busy.set(false);
        load.join();
        // What the copy holds is one state: here it is put back over what came after it.
        assertThat(folder.run("restore", copy.toString()).text()).contains("songs are back");
        Map<String, String> expected = answers(folder);
        assertThat(other.run("restore", copy.toString()).text()).contains("songs are back");
        other.started();
        assertThat(answers(other)).isEqualTo(expected).hasSizeGreaterThan(60);
        try (Stream<Path> kept = Files.list(folder.home().resolve("copies"))) {
            assertThat(kept.map(each -> each.getFileName().toString()))
                    .anyMatch(name -> name.startsWith("before-restore-"))
                    .anyMatch(name -> name.startsWith("daily-"))
                    .anyMatch(name -> name.startsWith("weekly-"));
        }
    }

    @Test
    void a_restore_killed_in_the_middle_leaves_old_or_new() throws Exception {
        folder.started();
        folder.keep("Title: In the copy\n| C |");
        int inCopy = folder.get("/api/songs").size();
        Path copy = temporary.resolve("copy.tar");
        folder.run("backup", copy.toString());
        folder.keep("Title: After it\n| F |");
        Random random = new Random(21);
        for (int i = 0; i < KILLS; i++) {
            Folder.Running restore = folder.begin("restore", copy.toString());
            TimeUnit.MILLISECONDS.sleep(random.nextInt(1400));
            restore.process().destroyForcibly().waitFor();
            assertThat(folder.get("/api/songs").size()).isIn(inCopy, inCopy + 1);
        }
        assertThat(folder.run("restore", copy.toString()).status()).isZero();
        assertThat(folder.get("/api/songs")).hasSize(inCopy);
    }

    /**
     * Four write while copies are put back: each save that was acknowledged is among what is kept, or in one of the
     * copies that were set aside.
     */
    @Test
    void every_save_that_was_acknowledged_is_in_the_one_or_the_other() throws Exception {
        folder.started();
        Path copy = temporary.resolve("copy.tar");
        folder.run("backup", copy.toString());
        Set<String> acknowledged = ConcurrentHashMap.newKeySet();
        Set<Integer> refused = ConcurrentHashMap.newKeySet();
        AtomicBoolean busy = new AtomicBoolean(true);
        List<Thread> writers = new ArrayList<>();
        for (int writer = 0; writer < WRITERS; writer++) {
            int number = writer;
            writers.add(new Thread(() -> {
                for (int i = 0; busy.get(); i++) {
                    String title = "By " + number + " the " + i;
                    try {
                        HttpResponse<String> answer =
                                folder.ask("POST", "/api/songs", "{\"title\":\"" + title + "\",\"chart\":\"| C |\"}");
                        if (answer.statusCode() == 201) {
                            acknowledged.add(title);
                        } else {
                            refused.add(answer.statusCode());
                        }
                    } catch (Exception broken) {
                        throw new IllegalStateException(broken);
                    }
                }
            }));
        }
        writers.forEach(Thread::start);
        for (int i = 0; i < RESTORES; i++) {
            int before = acknowledged.size();
            Await.until("saves between restores", () -> acknowledged.size() > before + WRITERS);
            assertThat(folder.run("restore", copy.toString()).text()).contains("songs are back");
        }
        busy.set(false);
        for (Thread each : writers) {
            each.join();
        }
        assertThat(refused).as("what a save may be told meanwhile").isSubsetOf(503);
        Set<String> found = new HashSet<>();
        folder.get("/api/songs").forEach(song -> found.add(song.path("title").asString()));
        for (String aside : names(folder.home().resolve("copies"))) {
            if (aside.startsWith("before-restore-")) {
                assertThat(other.run(
                                        "restore",
                                        folder.home()
                                                .resolve("copies")
                                                .resolve(aside)
                                                .toString())
                                .status())
                        .isZero();
                other.started();
                other.get("/api/songs")
                        .forEach(song -> found.add(song.path("title").asString()));
                other.run("stop");
            }
        }
        assertThat(found).containsAll(acknowledged);
        assertThat(folder.keep("Title: Afterwards\n| C |"))
                .as("it is written again")
                .isNotEmpty();
    }

    @Test
    void what_is_no_whole_copy_changes_nothing() throws Exception {
        folder.started();
        Path copy = temporary.resolve("copy.tar");
        folder.run("backup", copy.toString());
        Map<String, String> before = answers(folder);
        byte[] whole = Files.readAllBytes(copy);
        byte[] bent = whole.clone();
        bent[whole.length / 2] ^= 1;
        Files.write(temporary.resolve("bent.tar"), bent);
        Files.write(temporary.resolve("cut.tar"), java.util.Arrays.copyOf(whole, whole.length / 2));
        Files.writeString(temporary.resolve("foreign.tar"), "this is no copy");
        String text = new String(whole, java.nio.charset.StandardCharsets.ISO_8859_1);
        Files.writeString(
                temporary.resolve("newer.tar"),
                text.replaceFirst("zapateo-copy: 1", "zapateo-copy: 7"),
                java.nio.charset.StandardCharsets.ISO_8859_1);
        Map<String, String> refusals = Map.of(
                "bent.tar",
                "its checksum is not",
                "cut.tar",
                "no whole copy|cannot be unpacked",
                "foreign.tar",
                "no whole copy",
                "newer.tar",
                "made by a newer Zapateo");
        for (Map.Entry<String, String> each : refusals.entrySet()) {
            Folder.Said said =
                    folder.run("restore", temporary.resolve(each.getKey()).toString());
            assertThat(said.status()).isEqualTo(1);
            assertThat(said.text()).containsPattern(each.getValue()).contains("Nothing was changed");
        }
        assertThat(answers(folder)).isEqualTo(before);
    }

    /** Seven days and four weeks stay, those made by hand and before something always. */
    @Test
    void old_copies_make_room_and_an_upgrade_has_one_of_its_own() throws Exception {
        folder.started();
        folder.run("stop");
        Path copies = folder.home().resolve("copies");
        try (Stream<Path> made = Files.list(copies)) {
            for (Path each : made.toList()) {
                Files.delete(each);
            }
        }
        for (int day = 10; day < 20; day++) {
            Files.writeString(copies.resolve("daily-2026-01-" + day + ".tar"), "old");
        }
        for (int week = 1; week < 8; week++) {
            Files.writeString(copies.resolve("weekly-2026-W0" + week + ".tar"), "old");
        }
        Files.writeString(copies.resolve("before-restore-2026-01-01-000000.tar"), "old");
        // As an older Zapateo left it.
        folder.run("database", "start", folder.home().toString());
        sql(
                folder,
                "drop table evening_set; alter table song drop column figure; "
                        + "delete from flyway_schema_history where version in ('8', '9', '10')");
        String upgrade = "before-upgrade-7-to-10.tar";
        folder.started().says(upgrade);
        Await.until(
                "a copy of today",
                () -> names(copies).stream()
                        .filter(each -> each.startsWith("daily"))
                        .anyMatch(each -> !each.contains("2026-01-")));
        Await.until(
                "room made among the weekly ones",
                () -> names(copies).stream()
                                .filter(each -> each.startsWith("weekly"))
                                .count()
                        == 4);
        assertThat(names(copies).stream().filter(each -> each.startsWith("daily-")))
                .hasSize(7)
                .contains("daily-2026-01-19.tar")
                .doesNotContain("daily-2026-01-13.tar");
        assertThat(names(copies).stream().filter(each -> each.startsWith("weekly-")))
                .hasSize(4);
        assertThat(names(copies)).contains("before-restore-2026-01-01-000000.tar", upgrade);
        assertThat(folder.get("/api/keeping").path("folder").asString()).isEqualTo(copies.toString());
    }

    private static List<String> names(Path folder) throws Exception {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(each -> each.getFileName().toString())
                    .filter(each -> each.endsWith(".tar"))
                    .toList();
        }
    }

    private static void sql(Folder folder, String statements) throws Exception {
        String address = "jdbc:postgresql://127.0.0.1:"
                + Files.readString(folder.home().resolve("db-port")).strip() + "/zapateo";
        try (var connection = java.sql.DriverManager.getConnection(
                        address,
                        "zapateo",
                        Files.readString(folder.home().resolve("password")).strip());
                var statement = connection.createStatement()) {
            statement.execute(statements);
        }
    }
}
