package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;

/** The database gone, the disk full: a sentence, and nothing that was acknowledged is lost. */
class HardTimesTest {

    @TempDir(cleanup = CleanupMode.NEVER)
    static Path temporary;

    /**
     * The subject: how long a database that is away is waited for; one that is there is not away for so long on the
     * slowest machine.
     */
    private static final String AWAY_AFTER = RealServer.DATABASE_WITHIN + "20000";

    private TestDatabase database;
    private RealServer server;
    private Path mounted;

    @AfterEach
    void tidy() throws Exception {
        if (server != null) {
            server.stop();
        }
        if (database != null) {
            database.discard();
        }
        if (mounted != null) {
            run("umount", "-l", mounted.toString());
        }
    }

    @Test
    void a_killed_database_is_answered_with_a_sentence_and_its_return_is_noticed() throws Exception {
        openFolder(temporary);
        database = new TestDatabase(Files.createDirectory(temporary.resolve("killed")));
        assertThat(database.start()).isEmpty();
        server = RealServer.on(database, "--zapateo.demo=false", AWAY_AFTER);
        String path = "/api/songs/"
                + server.post("/api/songs", Map.of("chart", "| C |"))
                        .json()
                        .path("id")
                        .asString();
        ProcessHandle.of(database.pid()).orElseThrow().destroyForcibly();
        RealServer.Answer refused = server.put(path, Map.of("chart", "| F |", "version", 1));
        assertThat(refused.status()).isEqualTo(503);
        assertThat(refused.problem()).contains("The database does not answer").contains("safe");
        assertThat(server.post("/api/arrangements", Map.of("chart", "C")).status())
                .as("music needs no database")
                .isEqualTo(200);
        assertThat(database.start()).as("started again over its stale pid file").isEmpty();
        server.stop();
        server = RealServer.on(database);
        assertThat(server.get(path).json().path("chart").asString()).isEqualTo("| C |");
        assertThat(server.get("/api/songs").json())
                .as("what was started empty stays without demo songs")
                .hasSize(1);
    }

    /**
     * While a copy is put in the place of what is kept, saves are told to come again and reads go on (docs/COPIES.md).
     */
    @Test
    void what_may_not_be_written_at_the_moment_is_asked_to_come_again() throws Exception {
        openFolder(temporary);
        database = new TestDatabase(Files.createDirectory(temporary.resolve("still")));
        assertThat(database.start()).isEmpty();
        server = RealServer.on(database, "--zapateo.demo=false");
        String path = "/api/songs/"
                + server.post("/api/songs", Map.of("chart", "| C |"))
                        .json()
                        .path("id")
                        .asString();
        try (Connection connection = database.connect();
                Statement statement = connection.createStatement()) {
            statement.execute("alter database zapateo set default_transaction_read_only = on");
            statement.execute(
                    "select pg_terminate_backend(pid) from pg_stat_activity where datname = 'zapateo' and pid <> "
                            + "pg_backend_pid()");
        }
        // A connection that was ended under it may be told first.
        Await.until(
                "a save that is asked to come again",
                () -> server.put(path, Map.of("chart", "| F |", "version", 1))
                        .problem()
                        .contains("in the place of what is kept"));
        RealServer.Answer refused = server.put(path, Map.of("chart", "| F |", "version", 1));
        assertThat(refused.status()).isEqualTo(503);
        assertThat(refused.retryAfter()).isEqualTo("1");
        assertThat(server.get(path).json().path("chart").asString()).isEqualTo("| C |");
        assertThat(server.get("/api/songs").status()).isEqualTo(200);
        try (Connection connection = database.connect();
                Statement statement = connection.createStatement()) {
            statement.execute("begin read write");
            statement.execute("alter database zapateo reset default_transaction_read_only");
            statement.execute("commit");
            statement.execute(
                    "select pg_terminate_backend(pid) from pg_stat_activity where datname = 'zapateo' and pid <> "
                            + "pg_backend_pid()");
        }
        Await.until(
                "a save that is kept",
                () -> server.put(path, Map.of("chart", "| F |", "version", 1)).status() == 200);
    }

    @Test
    void a_full_disk_ends_in_a_sentence_and_not_in_a_damaged_database() throws Exception {
        mounted = Files.createDirectory(temporary.resolve("small"));
        openFolder(temporary);
        assumeTrue(
                run("mount", "-t", "tmpfs", "-o", "size=90m,mode=755", "tmpfs", mounted.toString()) == 0,
                "this machine lets no small disk be mounted");
        Path folder = Files.createDirectory(mounted.resolve("database"));
        openFolder(folder);
        database = new TestDatabase(folder);
        assertThat(database.start()).isEmpty();
        server = RealServer.on(database, "--zapateo.demo=false", AWAY_AFTER);
        List<String> kept = new ArrayList<>();
        RealServer.Answer last = null;
        for (int i = 0; i < 200 && (last == null || last.status() == 201); i++) {
            String noise = new Random(i)
                    .ints(600_000, 'a', 'z')
                    .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                    .toString();
            last = server.post("/api/songs", Map.of("chart", "// " + noise + "\n| C |"));
            if (last.status() == 201) {
                kept.add(last.json().path("id").asString());
            }
        }
        assertThat(last.status())
                .as(last.text().substring(0, Math.min(300, last.text().length())))
                .isIn(503, 507);
        assertThat(last.problem()).contains("What was saved before is safe");
        server.stop();
        server = null;
        database.stop();
        assertThat(run("mount", "-o", "remount,size=300m", mounted.toString())).isZero();
        assertThat(database.start()).isEmpty();
        server = RealServer.on(database, "--zapateo.demo=false");
        assertThat(kept)
                .isNotEmpty()
                .allSatisfy(id -> assertThat(server.get("/api/songs/" + id)
                                .json()
                                .path("chart")
                                .asString())
                        .hasSize(600_009)
                        .endsWith("| C |"));
        assertThat(server.post("/api/songs", Map.of("chart", "| F |")).status()).isEqualTo(201);
    }

    @Test
    void a_disk_too_small_for_a_new_database_is_told_and_leaves_nothing_half_made() throws Exception {
        mounted = Files.createDirectory(temporary.resolve("tiny"));
        openFolder(temporary);
        assumeTrue(
                run("mount", "-t", "tmpfs", "-o", "size=10m,mode=755", "tmpfs", mounted.toString()) == 0,
                "this machine lets no small disk be mounted");
        TestDatabase tiny = new TestDatabase(mounted.resolve("database"));
        assertThat(tiny.start()).contains("the disk is full");
        assertThat(mounted.resolve("database/data")).doesNotExist();
        assertThat(mounted.resolve("database/data.new")).doesNotExist();
    }

    /** The database runs as another user, who has to be let in. */
    private static void openFolder(Path folder) throws Exception {
        run("chmod", "755", folder.toString());
    }

    private static int run(String... command) throws Exception {
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start()
                .waitFor();
    }
}
