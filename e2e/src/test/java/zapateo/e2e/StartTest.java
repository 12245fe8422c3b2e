package zapateo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import zapateo.server.Await;

/**
 * The script: two starts at once, killed in every phase, a database that is slow to answer; and what it leaves behind,
 * which is nothing.
 */
class StartTest {

    private static final int KILLS = Boolean.getBoolean("zapateo.endure") ? 20 : 3;
    private static final int PARALLEL = Boolean.getBoolean("zapateo.endure") ? 50 : 3;

    @TempDir(cleanup = CleanupMode.NEVER)
    Path temporary;

    private Folder folder;

    @BeforeEach
    void make() throws Exception {
        folder = new Folder(temporary);
    }

    @AfterEach
    void nothing_is_left() throws Exception {
        folder.run("stop");
        folder.expectNothingRuns();
        folder.run("database", "discard", folder.home().toString());
    }

    @Test
    void of_starts_at_once_one_starts_and_the_others_say_where() throws Exception {
        List<Folder.Running> all = new ArrayList<>();
        for (int i = 0; i < PARALLEL; i++) {
            all.add(folder.start());
        }
        AtomicReference<Folder.Running> winner = new AtomicReference<>();
        Await.until("one that is ready", () -> {
            for (Folder.Running each : all) {
                if (each.text().contains("is ready")) {
                    winner.set(each);
                }
            }
            return winner.get() != null;
        });
        for (Folder.Running each : all) {
            if (each != winner.get()) {
                assertThat(each.ended())
                        .satisfies(said -> assertThat(said.status()).isZero())
                        .satisfies(said -> assertThat(said.text())
                                .contains("running already")
                                .contains("http://127.0.0.1:" + folder.port));
            }
        }
        assertThat(folder.get("/api/songs"))
                .as("the others took nothing down with them")
                .isNotEmpty();
        assertThat(folder.run("stop").text()).contains("Zapateo is stopped");
        assertThat(winner.get().ended().status()).isNotNegative();
        assertThat(folder.run("stop").text()).contains("was not running");
    }

    @Test
    void killed_in_any_phase_it_starts_again_and_keeps_what_was_kept() throws Exception {
        Folder.Running first = folder.started();
        String song = folder.keep("| C | F |");
        first.process().destroyForcibly();
        Random random = new Random(20);
        for (int i = 0; i < KILLS; i++) {
            Folder.Running start = folder.start();
            long before = 50 + random.nextInt(3000);
            TimeUnit.MILLISECONDS.sleep(before);
            start.process().destroyForcibly().waitFor();
            if (i % 2 == 0) {
                folder.run("stop");
                folder.expectNothingRuns();
            }
        }
        folder.run("stop");
        folder.started();
        assertThat(folder.get("/api/songs/" + song).path("chart").asString()).isEqualTo("| C | F |");
    }

    /**
     * A live server that does not answer is waited for: it is neither ended nor is a second one tried on its folder.
     */
    @Test
    void a_database_that_is_slow_to_answer_is_waited_for() throws Exception {
        Folder.Running first = folder.started();
        ProcessHandle database = folder.database();
        first.process().destroyForcibly().waitFor();
        folder.processes().stream()
                .filter(each -> each.info().command().orElse("").endsWith("java"))
                .forEach(ProcessHandle::destroyForcibly);
        signal("STOP", database);
        Folder.Running second = folder.start().says("waiting for it");
        assertThat(folder.database().pid()).as("its pid file is its own").isEqualTo(database.pid());
        signal("CONT", database);
        second.says("Zapateo is ready");
        assertThat(folder.database().pid()).isEqualTo(database.pid());
    }

    @Test
    void a_killed_database_recovers_under_the_next_start() throws Exception {
        Folder.Running first = folder.started();
        String song = folder.keep("| G | D |");
        folder.database().destroyForcibly();
        first.process().destroyForcibly().waitFor();
        Folder.Running second = folder.start();
        second.says("running already").ended();
        folder.run("stop");
        folder.started();
        assertThat(folder.get("/api/songs/" + song).path("chart").asString()).isEqualTo("| G | D |");
    }

    @Test
    void garbage_in_its_files_does_no_harm() throws Exception {
        folder.started();
        folder.run("stop");
        Files.write(folder.home().resolve("data/postmaster.pid"), new byte[] {0, 1, 2, '\n', 'x'});
        Files.writeString(folder.home().resolve("app.port"), "rm -rf /");
        Files.writeString(folder.home().resolve("db-port"), "$(touch /tmp/never)");
        Files.writeString(folder.home().resolve("turn"), "1 start 8080\n");
        folder.started();
        Files.writeString(folder.home().resolve("turn"), "\u0000\u0000-9 stop");
        assertThat(folder.run("stop").text()).contains("Zapateo is stopped");
    }

    /** Whatever it is at, it ends as it was asked to, says nothing of its own and leaves nothing. */
    @Test
    void a_stop_ends_a_start_that_is_under_way() throws Exception {
        for (int after : List.of(200, 500, 800, 1100, 1400)) {
            Folder.Running start = folder.start();
            Await.until("a turn", () -> Files.exists(folder.home().resolve("turn")));
            TimeUnit.MILLISECONDS.sleep(after);
            assertThat(folder.run("stop").text()).contains("Zapateo is stopped");
            assertThat(start.ended()).as("after %d ms", after).isEqualTo(new Folder.Said(130, ""));
            folder.expectNothingRuns();
        }
    }

    @Test
    void what_cannot_be_is_told_in_a_sentence() throws Exception {
        assertThat(folder.run("start", "--port", "99999999999").text()).contains("a number from 1 to 65535");
        assertThat(folder.run("start", "--upside-down").text()).contains("takes --port N and --empty");
        assertThat(folder.run("backup").text()).contains("nothing is kept");
        assertThat(folder.run("restore", "nowhere.tar").text()).contains("there is no file nowhere.tar");
        Files.createDirectories(folder.home().resolve("data"));
        Files.writeString(folder.home().resolve("data/PG_VERSION"), "9\n", StandardCharsets.UTF_8);
        Folder.Said said = folder.run("start", "--port", String.valueOf(folder.port));
        assertThat(said.text()).contains("made by PostgreSQL 9").contains("apt-get install postgresql-9");
        assertThat(said.status()).isEqualTo(1);
    }

    private static void signal(String name, ProcessHandle process) throws Exception {
        new ProcessBuilder("kill", "-" + name, String.valueOf(process.pid()))
                .start()
                .waitFor();
    }
}
