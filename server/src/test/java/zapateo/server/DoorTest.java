package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Who gets in: the server's own names and its own pages. Host: RFC 9110, 7.2 and 15.5.20; Origin: RFC 6454;
 * Sec-Fetch-Site: Fetch Metadata (W3C).
 */
class DoorTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static String ask(String method, String path, String... headers) throws IOException {
        URI address = URI.create(SERVER.address());
        String body = method.equals("GET") ? "" : "{\"title\":\"x\",\"items\":[]}";
        StringBuilder request = new StringBuilder(method + " " + path
                + " HTTP/1.1\r\nConnection: close\r\nContent-Type: application/json\r\nContent-Length: " + body.length()
                + "\r\n");
        for (String header : headers) {
            request.append(header.replace("PORT", String.valueOf(address.getPort())))
                    .append("\r\n");
        }
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            socket.getOutputStream().write((request + "\r\n" + body).getBytes(StandardCharsets.UTF_8));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static int status(String answer) {
        return Integer.parseInt(answer.substring(9, 12));
    }

    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource({
        "GET,Host: localhost:PORT,200",
        "GET,Host: 127.0.0.1:PORT,200",
        "GET,Host: 127.0.0.1,200",
        "GET,Host: [::1]:PORT,200",
        "GET,Host: LOCALHOST:PORT,200",
        "GET,Host: ferry.example:PORT,421",
        "GET,Host: localhost.ferry.example,421",
        "GET,Host: 127.0.0.1.ferry.example,421",
        "GET,Host: 10.0.0.7:PORT,421",
        "POST,Host: ferry.example,421"
    })
    void only_its_own_names_are_answered(String method, String host, int status) throws IOException {
        String answer = ask(method, "/api/sets", host);
        assertThat(status(answer)).as(answer).isEqualTo(status);
        if (status == 421) {
            assertThat(answer)
                    .contains("application/problem+json", "/problems/wrong-host")
                    .doesNotContain("Aurora");
        }
    }

    @ParameterizedTest(name = "{0} {1} {2}: {3}")
    @CsvSource({
        "POST,X-None: x,X-None: x,201",
        "POST,Origin: http://localhost:PORT,Sec-Fetch-Site: same-origin,201",
        "POST,Origin: http://localhost:PORT,X-None: x,201",
        "POST,Sec-Fetch-Site: none,X-None: x,201",
        "POST,Origin: http://ferry.example,X-None: x,403",
        "POST,Origin: null,X-None: x,403",
        "POST,Origin: https://localhost:PORT,X-None: x,403",
        "POST,Origin: http://localhost:1,X-None: x,403",
        "POST,Sec-Fetch-Site: cross-site,X-None: x,403",
        "POST,Sec-Fetch-Site: same-site,Origin: http://localhost:PORT,403",
        "DELETE,Origin: http://ferry.example,X-None: x,403",
        "PUT,Origin: http://ferry.example,X-None: x,403",
        "GET,Origin: http://ferry.example,X-None: x,200"
    })
    void what_changes_something_comes_from_its_own_pages_or_no_browser(
            String method, String one, String two, int status) throws IOException {
        int before = SERVER.get("/api/sets").json().size();
        String answer = ask(method, "/api/sets", "Host: localhost:PORT", one, two);
        assertThat(status(answer)).as(answer).isEqualTo(status);
        assertThat(SERVER.get("/api/sets").json().size()).isEqualTo(status == 201 ? before + 1 : before);
        if (status == 403) {
            assertThat(answer).contains("/problems/other-origin", "Nothing was changed.");
        }
        assertThat(answer)
                .contains("Cross-Origin-Resource-Policy: same-origin", "Cross-Origin-Opener-Policy: same-origin");
    }

    /** Every error is a problem document (RFC 9457), the container's own too, and says nothing of the machine. */
    @ParameterizedTest
    @CsvSource({
        "GET,/error,404",
        "GET,/api/%00,400",
        "GET,/nothing,404",
        "GET,/api/songs/../../etc/passwd,4",
        "PATCH,/api/songs,405",
        "GET,/api/songs/not-an-id,4",
        "GET,/actuator/env,404",
        "BREW,/api/songs,4",
        "GET,/%zz,400"
    })
    void every_error_is_a_problem_document(String method, String path, String status) throws IOException {
        String answer = ask(method, path, "Host: localhost:PORT");
        assertThat(String.valueOf(status(answer))).as(answer).startsWith(status);
        assertThat(answer)
                .contains("application/problem+json")
                .doesNotContainIgnoringCase("tomcat")
                .doesNotContain("<html", "java.", "at org.", "\"timestamp\"");
    }

    /** A form of another page sends its files without asking first; it changes nothing either. */
    @Test
    void a_cross_site_file_is_not_kept() throws IOException {
        int before = SERVER.get("/api/songs").json().size();
        String body = "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.txt\"\r\n\r\n| C | F "
                + "|\r\n--x--\r\n";
        URI address = URI.create(SERVER.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            socket.getOutputStream()
                    .write(("POST /api/songs/import HTTP/1.1\r\nHost: localhost:" + address.getPort()
                                    + "\r\nOrigin: http://ferry.example\r\nConnection: close\r\nContent-Type: "
                                    + "multipart/form-data; boundary=x\r\nContent-Length: "
                                    + body.length() + "\r\n\r\n" + body)
                            .getBytes(StandardCharsets.UTF_8));
            assertThat(status(new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8)))
                    .isEqualTo(403);
        }
        assertThat(SERVER.get("/api/songs").json().size()).isEqualTo(before);
        assertThat(SERVER.post("/api/sets", Map.of("title", "Open", "items", java.util.List.of()))
                        .status())
                .isEqualTo(201);
    }

    /**
     * A picture of another page would start what is dear; a person's link leads to a view. Fetch Metadata (W3C):
     * Sec-Fetch-Site, -Mode, -Dest.
     */
    @ParameterizedTest(name = "{0} {1} {2}: {3}")
    @CsvSource({
        "/api/keeping/everything,cross-site,no-cors,image,403",
        "/api/sets,same-site,cors,empty,403",
        "/api/sets,cross-site,navigate,document,403",
        "/api/sets,same-origin,cors,empty,200",
        "/api/sets,none,navigate,document,200",
        "/hands,cross-site,navigate,document,",
        "/hands,cross-site,navigate,iframe,403",
        "/,same-site,navigate,document,",
        "/actuator/health,cross-site,no-cors,image,403",
        "/actuator/health,none,navigate,document,200"
    })
    void a_page_of_elsewhere_may_link_to_a_view_and_ask_for_nothing_else(
            String path, String site, String mode, String dest, Integer status) throws IOException {
        String answer = ask(
                "GET",
                path,
                "Host: localhost:PORT",
                "Sec-Fetch-Site: " + site,
                "Sec-Fetch-Mode: " + mode,
                "Sec-Fetch-Dest: " + dest);
        // Whether the page is built is another matter.
        assertThat(status(answer)).as(answer).isIn(status == null ? List.of(200, 404) : List.of(status));
    }

    @ParameterizedTest
    @CsvSource({
        "GET,/api/sets,Host: ferry.example",
        "POST,/api/sets,Origin: http://ferry.example",
        "GET,/api/nothing,X-None: x",
        "GET,/api/sets,X-None: x",
        "GET,/actuator/health,X-None: x"
    })
    void refusals_have_the_headers_of_answers(String method, String path, String header) throws IOException {
        String answer = header.startsWith("Host")
                ? ask(method, path, header)
                : ask(method, path, "Host: localhost:PORT", header);
        assertThat(answer)
                .contains(
                        "Content-Security-Policy: default-src 'self'",
                        "X-Content-Type-Options: nosniff",
                        "Referrer-Policy: no-referrer");
        if (path.startsWith("/api")) {
            assertThat(answer).contains("Cache-Control: no-store").containsOnlyOnce("Cache-Control");
        }
    }

    @Test
    void nothing_but_health_is_told_of_the_machine() throws IOException {
        assertThat(status(ask("GET", "/actuator", "Host: localhost:PORT"))).isEqualTo(404);
        assertThat(status(ask("GET", "/actuator/", "Host: localhost:PORT"))).isEqualTo(404);
        assertThat(ask("GET", "/actuator/health", "Host: localhost:PORT")).contains("\"status\":\"UP\"");
    }
}
