package zapateo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zapateo.server.Await;
import zapateo.server.FreePort;

/** A folder with the script and the application as they were built, as a person has it, and that person's commands. */
final class Folder {

    private static final Path BUILT = Path.of(System.getenv()
                    .getOrDefault(
                            "ZAPATEO_SCRIPT",
                            Path.of("../zapateo").toAbsolutePath().normalize().toString()))
            .getParent();
    private static final JsonMapper JSON = new JsonMapper();

    /** The application as one start unpacked and archived it. */
    private static Path unpacked;

    private final HttpClient client =
            HttpClient.newBuilder().connectTimeout(Await.PATIENCE).build();
    private final String taken;
    final Path root;
    final int port;

    Folder(Path root) throws Exception {
        this(root, unpacked().toString());
    }

    private Folder(Path root, String taken) throws IOException {
        this.root = root;
        this.taken = taken;
        // The database runs as another user, who has to be let in.
        Files.setPosixFilePermissions(root, PosixFilePermissions.fromString("rwxr-xr-x"));
        Files.copy(BUILT.resolve("zapateo"), root.resolve("zapateo"), java.nio.file.StandardCopyOption.COPY_ATTRIBUTES);
        copy("scripts");
        copy("server/src/main/resources/db/migration");
        Files.createDirectories(root.resolve("server/target"));
        Files.createSymbolicLink(root.resolve("server/target").resolve(jar().getFileName()), jar());
        port = FreePort.next();
    }

    /** Made once for all processes of a run, and for the next one of the same build. */
    private static synchronized Path unpacked() throws Exception {
        if (unpacked == null) {
            Path target = Path.of("target").toAbsolutePath();
            Path made = target.resolve(
                    "unpacked-" + Files.getLastModifiedTime(jar()).toMillis());
            try (FileChannel turn = FileChannel.open(
                            target.resolve("unpacked.turn"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock held = turn.lock()) {
                if (!Files.exists(made)) {
                    try (DirectoryStream<Path> older = Files.newDirectoryStream(target, "unpacked-*")) {
                        for (Path each : older) {
                            FileSystemUtils.deleteRecursively(each);
                        }
                    }
                    Folder first = new Folder(Files.createTempDirectory(target, "unpacked"), "1");
                    first.started();
                    first.run("stop");
                    first.expectNothingRuns();
                    Files.move(first.home().resolve("app"), made);
                    first.run("database", "discard", first.home().toString());
                }
            }
            unpacked = made;
        }
        return unpacked;
    }

    private static Path jar() throws IOException {
        try (Stream<Path> built = Files.list(BUILT.resolve("server/target"))) {
            return built.filter(each -> each.toString().endsWith("-exec.jar"))
                    .findFirst()
                    .orElseThrow();
        }
    }

    private void copy(String folder) throws IOException {
        Files.createDirectories(root.resolve(folder));
        try (Stream<Path> files = Files.list(BUILT.resolve(folder))) {
            for (Path each : files.toList()) {
                Files.copy(each, root.resolve(folder).resolve(each.getFileName()));
            }
        }
    }

    Path home() {
        return root.resolve(".zapateo");
    }

    /** What a command said, and how it ended. */
    record Said(int status, String text) {}

    /** One that goes on. */
    record Running(Process process, Path out) {

        String text() throws IOException {
            return Files.readString(out);
        }

        /** Waits until it says something. */
        Running says(String expected) throws Exception {
            Await.until(expected, () -> {
                // Asked first: what it said last is there once it has ended.
                boolean alive = process.isAlive();
                boolean said = text().contains(expected);
                assertThat(alive || said).as(text()).isTrue();
                return said;
            });
            return this;
        }

        Said ended() throws Exception {
            assertThat(process.waitFor(Await.PATIENCE.toSeconds(), TimeUnit.SECONDS))
                    .as("still running: " + text())
                    .isTrue();
            return new Said(process.exitValue(), text());
        }
    }

    Running begin(String... words) throws IOException {
        return begin(List.of(), words);
    }

    /** @param before words that stand before the script, such as another user's */
    Running begin(List<String> before, String... words) throws IOException {
        List<String> command = new ArrayList<>(before);
        command.add(root.resolve("zapateo").toString());
        command.addAll(Arrays.asList(words));
        Path out = Files.createTempFile("said", ".txt");
        ProcessBuilder builder = new ProcessBuilder(command)
                .directory(root.toFile())
                .redirectErrorStream(true)
                .redirectOutput(out.toFile());
        builder.environment().put("ZAPATEO_BUILT", taken);
        // What is started here is soon ended.
        builder.environment().put("ZAPATEO_JAVA_FLAGS", "-XX:TieredStopAtLevel=1");
        builder.environment().remove("ZAPATEO_HOME");
        return new Running(builder.start(), out);
    }

    Said run(String... words) throws Exception {
        return begin(words).ended();
    }

    Running start() throws Exception {
        return begin("start", "--port", String.valueOf(port));
    }

    Running started() throws Exception {
        return start().says("Zapateo is ready");
    }

    /** Everything of it that runs. */
    List<ProcessHandle> processes() {
        return ProcessHandle.allProcesses()
                .filter(each -> {
                    try {
                        String cwd = Files.readSymbolicLink(Path.of("/proc", String.valueOf(each.pid()), "cwd"))
                                .toString();
                        return cwd.startsWith(home().resolve("data").toString())
                                || cwd.startsWith(home().resolve("app").toString());
                    } catch (IOException gone) {
                        return false;
                    }
                })
                .toList();
    }

    void expectNothingRuns() {
        assertThat(processes()).as("what still runs of " + root).isEmpty();
    }

    ProcessHandle database() throws IOException {
        return ProcessHandle.of(Long.parseLong(Files.readAllLines(home().resolve("data/postmaster.pid"))
                        .get(0)
                        .strip()))
                .orElseThrow();
    }

    HttpResponse<String> ask(String method, String path, String body) throws Exception {
        return client.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .timeout(Await.PATIENCE)
                        .header("Content-Type", "application/json")
                        .method(
                                method,
                                body.isEmpty()
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    JsonNode get(String path) throws Exception {
        HttpResponse<String> answer = ask("GET", path, "");
        assertThat(answer.statusCode()).as(path + ": " + answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body());
    }

    String keep(String chart) throws Exception {
        HttpResponse<String> answer =
                ask("POST", "/api/songs", JSON.writeValueAsString(java.util.Map.of("chart", chart)));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        return JSON.readTree(answer.body()).path("id").asString();
    }
}
