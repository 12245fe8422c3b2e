package zapateo.server;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The real application on a free port before the real database, started once for all tests, and a client that talks
 * HTTP to it.
 */
public final class RealServer implements BeforeAllCallback {

    static final String DATABASE_WITHIN = "--spring.datasource.hikari.connection-timeout=";
    private static final JsonMapper JSON = new JsonMapper();
    private static RealServer running;

    private final HttpClient client =
            HttpClient.newBuilder().connectTimeout(Await.PATIENCE).build();
    private TestDatabase database;
    private ConfigurableApplicationContext context;
    private String address;

    /** For an extension field; the server itself is shared. */
    public static RealServer shared() {
        if (running == null) {
            running = new RealServer();
        }
        return running;
    }

    /** One of its own before a database of its own, to be treated badly. */
    public static RealServer on(TestDatabase database, String... arguments) {
        RealServer server = new RealServer();
        server.database = database;
        server.boot(arguments);
        return server;
    }

    @Override
    public void beforeAll(ExtensionContext junit) {
        if (context == null) {
            database = new TestDatabase(Path.of("target/test-database" + System.getProperty("zapateo.fork", ""))
                    .toAbsolutePath());
            database.discard();
            String complaint = database.start("-c", "fsync=off");
            if (!complaint.isEmpty()) {
                throw new IllegalStateException(complaint);
            }
            boot();
            Runtime.getRuntime().addShutdownHook(new Thread(() -> database.discard()));
        }
    }

    private void boot(String... more) {
        List<String> arguments = new ArrayList<>(database.springArguments());
        arguments.add("--server.port=0");
        // How long a database may take to let somebody in is nobody's subject, but where a test says so.
        if (Arrays.stream(more).noneMatch(each -> each.startsWith(DATABASE_WITHIN))) {
            arguments.add(DATABASE_WITHIN + Await.PATIENCE.toMillis());
        }
        arguments.addAll(List.of(more));
        context = new SpringApplicationBuilder(ZapateoServer.class).run(arguments.toArray(String[]::new));
        address = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    public void stop() {
        context.close();
    }

    /** A part of the running application. */
    public <T> T part(Class<T> kind) {
        return context.getBean(kind);
    }

    public String address() {
        return address;
    }

    public TestDatabase database() {
        return database;
    }

    /** An answer with its body read as JSON, or as a missing node. */
    public record Answer(int status, String type, String text, String retryAfter) {

        public JsonNode json() {
            return JSON.readTree(text);
        }

        public String problem() {
            return json().path("detail").asString("");
        }
    }

    public Answer get(String path) {
        return send(request(path).GET().build());
    }

    public Answer post(String path, Object body) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(text(body)))
                .build());
    }

    /** A file as a form sends it. */
    public Answer upload(String path, byte[] file) {
        String border = "zapateo-test-border";
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        body.writeBytes(("--" + border + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a\"\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(file);
        body.writeBytes(("\r\n--" + border + "--\r\n").getBytes(StandardCharsets.UTF_8));
        return send(request(path)
                .header("Content-Type", "multipart/form-data; boundary=" + border)
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                .build());
    }

    public Answer put(String path, Object body) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(text(body)))
                .build());
    }

    public Answer delete(String path) {
        return send(request(path).DELETE().build());
    }

    /** @param headers names and values in turn */
    public byte[] bytes(String path, String... headers) {
        try {
            HttpRequest.Builder request = request(path);
            return client.send(
                            (headers.length == 0 ? request : request.headers(headers))
                                    .GET()
                                    .build(),
                            HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    public HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).timeout(Await.PATIENCE);
    }

    public Answer send(HttpRequest request) {
        try {
            HttpResponse<String> answer =
                    client.send(request, HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
            return new Answer(
                    answer.statusCode(),
                    answer.headers().firstValue("Content-Type").orElse(""),
                    answer.body(),
                    answer.headers().firstValue("Retry-After").orElse(""));
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String text(Object body) {
        return body instanceof String text ? text : JSON.writeValueAsString(body);
    }
}
