package zapateo.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** A throw-away PostgreSQL cluster of the tests' own, set up by the same script that sets up the application's. */
public final class TestDatabase {

    private final Path folder;

    public TestDatabase(Path folder) {
        this.folder = folder;
    }

    /**
     * Starts it, a new one if there is none; answers what the script complained of. That it has to wait, on a busy
     * machine, is none.
     */
    public String start(String... options) {
        List<String> words = new ArrayList<>(List.of("start", folder.toString()));
        words.addAll(List.of(options));
        return script(words);
    }

    public void stop() {
        script(List.of("stop", folder.toString()));
    }

    /** Ends it and deletes all it holds, so that nothing of one run is there in the next. */
    public void discard() {
        script(List.of("discard", folder.toString()));
    }

    /** The server's process number. */
    public long pid() {
        return Long.parseLong(read("data/postmaster.pid").lines().findFirst().orElseThrow());
    }

    public List<String> springArguments() {
        return List.of(
                "--spring.datasource.url=jdbc:postgresql://127.0.0.1:" + read("db-port") + "/zapateo",
                "--spring.datasource.username=zapateo",
                "--spring.datasource.password=" + read("password"));
    }

    public Connection connect() throws SQLException {
        return DriverManager.getConnection(
                "jdbc:postgresql://127.0.0.1:" + read("db-port") + "/zapateo", "zapateo", read("password"));
    }

    /** All that was kept is gone, as in a place where nothing was ever kept; the application goes on. */
    public void empty() throws SQLException {
        try (Connection connection = connect();
                Statement statement = connection.createStatement()) {
            String tables;
            try (ResultSet row = statement.executeQuery(
                    "select string_agg(tablename, ', ') from pg_tables where schemaname = 'public' and tablename "
                            + "not in ('player', 'flyway_schema_history')")) {
                row.next();
                tables = row.getString(1);
            }
            statement.execute("truncate " + tables);
        }
    }

    private String read(String file) {
        try {
            return Files.readString(folder.resolve(file)).strip();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String script(List<String> words) {
        try {
            List<String> command =
                    new ArrayList<>(List.of(root().resolve("zapateo").toString(), "database"));
            command.addAll(words);
            Path out = Files.createTempFile("database", ".out");
            Process process = new ProcessBuilder(command)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .redirectError(out.toFile())
                    .start();
            process.waitFor();
            String said = Files.readString(out);
            Files.delete(out);
            return said;
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    static Path root() {
        Path here = Path.of("").toAbsolutePath();
        return Files.exists(here.resolve("zapateo")) ? here : here.getParent();
    }
}
