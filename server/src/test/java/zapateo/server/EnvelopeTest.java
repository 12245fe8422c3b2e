package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What stands round a body may be as broken as the body: every answer is a problem document that says what was wrong,
 * none is of 5xx. Sent over bare sockets, which send what no client would.
 */
class EnvelopeTest {

    private static final int REQUESTS = Boolean.getBoolean("zapateo.endure") ? 20_000 : 1_500;
    private static final String LONG = "n".repeat(3000);
    private static final List<String> BODIES = List.of(
            "",
            "{}",
            "[]",
            "null",
            "\"a\"",
            "{\"chart\":\"| C |\"}",
            "{\"chart\":",
            "a=b&c=%zz",
            "a=%ff%fe",
            "%",
            "=&=&",
            "<a/>",
            "\u0000\u0001",
            "{\"chart\":\"\\u0000\"}",
            "{\"a\":{\"a\":{\"a\":1}}}",
            "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a\"\r\n\r\nX:1\r\n--x--\r\n",
            "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a\u0000b\"\r\n\r\nX\r\n--x--\r\n",
            "--x\r\nContent-Disposition: form-data; name=\"file\"\r\n\r\ncut off",
            "--x\r\n\r\n\r\n--x--\r\n",
            "--x\r\nContent-Disposition: form-data; name=\"" + LONG + "\"; filename=\"" + LONG
                    + "\"\r\n\r\nX\r\n--x--\r\n",
            "--x\r\nContent-Disposition: nonsense\r\nno header\r\n\r\nX\r\n--x--",
            "--x--\r\n",
            "--y\r\n--x");
    private static final List<String> TYPES = List.of(
            "",
            "application/json",
            "application/json; charset=utf-16",
            "application/json; charset=nonsense",
            "application/x-www-form-urlencoded",
            "multipart/form-data; boundary=x",
            "multipart/form-data",
            "multipart/form-data; boundary=",
            "multipart/form-data; boundary=\"x",
            "multipart/mixed; boundary=x",
            "text/plain",
            "application/xml",
            "application/octet-stream",
            "nonsense",
            "a/b/c",
            "*/*",
            ";",
            "application/json;;;",
            "image/png");
    private static final List<String> ENCODINGS = List.of(
            "",
            "",
            "",
            "",
            "Content-Encoding: gzip\r\n",
            "Accept: nonsense\r\n",
            "Accept: image/png\r\n",
            "Accept-Language: ;;;\r\n",
            "If-None-Match: \"\r\n",
            "Range: bytes=a-b\r\n",
            "Expect: nonsense\r\n",
            "Zapateo-Work: " + LONG + "\r\n");
    private static final List<String> NAMES = List.of(
            "1",
            "00000000-0000-0000-0000-000000000000",
            "%00",
            "%ff",
            "a%2fb",
            "%25",
            "..%2f..",
            LONG,
            "♭".repeat(5).replace("♭", "%E2%99%AD"),
            "%0d%0a",
            "-1",
            "NaN",
            "é".replace("é", "%C3"),
            "a;b=c",
            "a%3bb");

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    /** An answer off the wire. */
    private record Raw(int status, String type, String body) {}

    private static Raw send(String head, byte[] body) throws IOException {
        URI server = URI.create(SERVER.address());
        try (Socket socket = new Socket(server.getHost(), server.getPort())) {
            socket.setSoTimeout((int) Await.PATIENCE.toMillis());
            ByteArrayOutputStream request = new ByteArrayOutputStream();
            request.writeBytes((head + "Host: 127.0.0.1:" + server.getPort()
                            + "\r\nConnection: close\r\nContent-Length: " + body.length + "\r\n\r\n")
                    .getBytes(StandardCharsets.ISO_8859_1));
            request.writeBytes(body);
            socket.getOutputStream().write(request.toByteArray());
            socket.getOutputStream().flush();
            InputStream in = socket.getInputStream();
            String answer = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            int end = Math.max(0, answer.indexOf("\r\n\r\n"));
            String[] lines = answer.substring(0, end).split("\r\n");
            String type = List.of(lines).stream()
                    .filter(line -> line.toLowerCase().startsWith("content-type:"))
                    .map(line -> line.substring(13).strip())
                    .findFirst()
                    .orElse("");
            return new Raw(
                    lines[0].split(" ").length < 2 ? 0 : Integer.parseInt(lines[0].split(" ")[1]),
                    type,
                    answer.substring(Math.min(answer.length(), end + 4)));
        }
    }

    private static Raw post(String path, String type, byte[] body) throws IOException {
        return send("POST " + path + " HTTP/1.1\r\nContent-Type: " + type + "\r\n", body);
    }

    private static void expectRefusal(Raw answer, int status) {
        assertThat(answer.status()).as(answer.body()).isEqualTo(status);
        assertThat(answer.type()).startsWith("application/problem+json");
        assertThat(answer.body())
                .contains("\"detail\":\"")
                .doesNotContain("Exception")
                .doesNotContain("zapateo.server")
                .doesNotContain("org.");
    }

    static List<String> brokenForms() {
        return BODIES.stream().filter(body -> body.startsWith("--")).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/api/songs/import", "/api/sets/import", "/api/keeping/everything"})
    void a_form_without_its_border_is_told(String path) throws IOException {
        for (String type : List.of(
                "multipart/form-data",
                "multipart/form-data; boundary=",
                "multipart/form-data; boundary=" + "b".repeat(3000))) {
            expectRefusal(post(path, type, BODIES.get(15).getBytes(StandardCharsets.UTF_8)), 400);
        }
    }

    @ParameterizedTest
    @MethodSource("brokenForms")
    void a_broken_form_is_told(String body) throws IOException {
        Raw answer =
                post("/api/songs/import", "multipart/form-data; boundary=x", body.getBytes(StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.body()).isBetween(200, 422);
        assertThat(answer.type()).contains("json");
    }

    @Test
    void a_body_of_a_form_is_no_json_and_says_so() throws IOException {
        expectRefusal(
                post("/api/songs", "application/x-www-form-urlencoded", "a=%zz&b=%ff".getBytes(StandardCharsets.UTF_8)),
                400);
        expectRefusal(
                post(
                        "/api/songs/00000000-0000-0000-0000-000000000000/restore",
                        "application/x-www-form-urlencoded",
                        "a=%zz".getBytes(StandardCharsets.UTF_8)),
                404);
        expectRefusal(send("GET /api/songs/fitting?figure=%zz HTTP/1.1\r\n", new byte[0]), 400);
    }

    @Test
    void what_the_connector_refuses_is_a_problem_document_too() throws IOException {
        expectRefusal(send("GET /api/songs/%zz HTTP/1.1\r\n", new byte[0]), 400);
        expectRefusal(send("GET /api/songs/%00 HTTP/1.1\r\n", new byte[0]), 400);
        expectRefusal(send("BREW /api/songs HTTP/1.1\r\n", new byte[0]), 405);
    }

    /** Every path of the documented surface with every envelope, drawn by seed. */
    @Test
    void no_request_is_answered_with_a_fault_of_ours() throws IOException {
        List<String> operations = operations();
        Map<Integer, Integer> statuses = new TreeMap<>();
        for (int seed = 0; seed < REQUESTS; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            String head = head(operations.get(random.nextInt(operations.size())), random);
            byte[] body = head.startsWith("GET")
                    ? new byte[0]
                    : BODIES.get(random.nextInt(BODIES.size())).getBytes(StandardCharsets.UTF_8);
            Raw answer = send(head, body);
            statuses.merge(answer.status(), 1, Integer::sum);
            assertThat(answer.status())
                    .as("seed %d: %s%n%s", seed, head.substring(0, Math.min(300, head.length())), answer.body())
                    .isBetween(200, 499);
            if (answer.status() >= 400) {
                assertThat(answer.type())
                        .as("seed %d: %s", seed, head.substring(0, Math.min(300, head.length())))
                        .startsWith("application/problem+json");
            }
        }
        assertThat(statuses).containsKeys(200, 400, 404, 415, 422);
    }

    private static List<String> operations() {
        List<String> all = new ArrayList<>();
        JsonNode paths =
                new JsonMapper().readTree(SERVER.get("/api/openapi").text()).path("paths");
        // What takes everything away and back is tried elsewhere: it takes its time.
        paths.properties()
                .forEach(path -> path.getValue().properties().stream()
                        .filter(each -> !path.getKey().contains("everything"))
                        .forEach(each -> all.add(each.getKey().toUpperCase() + " " + path.getKey())));
        assertThat(all).hasSizeGreaterThan(60);
        return all;
    }

    private static String head(String operation, SplittableRandom random) {
        StringBuilder path = new StringBuilder(Pattern.compile("\\{[^}]*\\}")
                .matcher(operation)
                .replaceAll(gap -> java.util.regex.Matcher.quoteReplacement(NAMES.get(random.nextInt(NAMES.size())))));
        for (int i = random.nextInt(3); i > 0; i--) {
            path.append(path.indexOf("?") < 0 ? '?' : '&')
                    .append(List.of(
                                    "bars", "parts", "figure", "day", "most", "before", "preview", "with", "melody",
                                    "%zz", "a")
                            .get(random.nextInt(11)))
                    .append('=')
                    .append(NAMES.get(random.nextInt(NAMES.size())));
        }
        String type = TYPES.get(random.nextInt(TYPES.size()));
        return path + " HTTP/1.1\r\n" + (type.isEmpty() ? "" : "Content-Type: " + type + "\r\n")
                + ENCODINGS.get(random.nextInt(ENCODINGS.size()));
    }
}
