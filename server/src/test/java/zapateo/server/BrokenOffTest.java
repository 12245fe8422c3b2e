package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.slf4j.LoggerFactory;

/** A client that breaks off is no fault of ours: it is told in a line that nobody sees who does not look for it. */
class BrokenOffTest {

    @RegisterExtension
    static final RealServer SERVER = RealServer.shared();

    private static void breakOff(String head, byte[] body) throws IOException {
        URI address = URI.create(SERVER.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            // What is still to come finds nobody: the connection is reset.
            socket.setSoLinger(true, 0);
            socket.setReceiveBufferSize(1024);
            socket.getOutputStream()
                    .write((head + " HTTP/1.1\r\nHost: localhost:" + address.getPort()
                                    + "\r\nContent-Type: application/json\r\nContent-Length: " + body.length
                                    + "\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            socket.getOutputStream().write(body);
            socket.getOutputStream().flush();
            assertThat(socket.getInputStream().read()).isEqualTo('H');
        }
    }

    @Test
    void it_is_logged_for_those_who_look() throws Exception {
        Logger root = (Logger) LoggerFactory.getLogger("ROOT");
        ListAppender<ILoggingEvent> log = new ListAppender<>();
        log.start();
        root.addAppender(log);
        Logger ours = (Logger) LoggerFactory.getLogger("zapateo.server.problems");
        Level before = ours.getLevel();
        ours.setLevel(Level.DEBUG);
        try {
            Map<String, Object> song =
                    Map.of("chart", "| C F G Am ".repeat(1500) + "|", "choices", Map.of("figure", "spread-eighths"));
            // Those that do not hear their answer to the end, and one that does not even say all of its request.
            String id = SERVER.post("/api/songs", song).json().path("id").asString();
            breakOff("GET /api/songs/" + id + "/export/musicxml", new byte[0]);
            breakOff("POST /api/arrangements", Operations.text(song).getBytes(StandardCharsets.UTF_8));
            URI address = URI.create(SERVER.address());
            try (Socket socket = new Socket(address.getHost(), address.getPort())) {
                socket.setSoLinger(true, 0);
                socket.getOutputStream()
                        .write(("POST /api/arrangements HTTP/1.1\r\nHost: localhost:" + address.getPort()
                                        + "\r\nContent-Type: application/json\r\nContent-Length: "
                                        + "1000\r\n\r\n{\"chart\":")
                                .getBytes(StandardCharsets.US_ASCII));
                socket.getOutputStream().flush();
            }
            Await.until(
                    "a line for those who look",
                    () -> List.copyOf(log.list).stream()
                            .anyMatch(each -> each.getLevel() == Level.DEBUG
                                    && each.getFormattedMessage().startsWith("the client went away")));
            assertThat(SERVER.get("/api/songs").status()).isEqualTo(200);
            // A pool of connections tells of a machine that stood still.
            assertThat(List.copyOf(log.list).stream()
                            .filter(each -> each.getLevel().isGreaterOrEqual(Level.WARN)
                                    && !each.getLoggerName().startsWith("com.zaxxer"))
                            .map(ILoggingEvent::getFormattedMessage))
                    .isEmpty();
        } finally {
            ours.setLevel(before);
            root.detachAppender(log);
        }
    }
}
