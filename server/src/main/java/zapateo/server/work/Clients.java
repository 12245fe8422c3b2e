package zapateo.server.work;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/**
 * Sees which clients went away while they waited for an answer. A servlet hears of it only when it writes, and while it
 * computes it has nothing to write; Linux knows: the connection is no longer an established one in
 * {@code /proc/net/tcp} (proc(5)). Where there is no such table, or a proxy stands between, nobody is seen to go, and
 * what is computed ends by its limit.
 */
@Component
class Clients {

    private static final List<Path> TABLES = List.of(Path.of("/proc/net/tcp"), Path.of("/proc/net/tcp6"));
    private static final String ESTABLISHED = "01";
    private static final long LOOK_MILLIS = 250;

    private final Map<Connection, Runnable> watched = new ConcurrentHashMap<>();
    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "clients");
        thread.setDaemon(true);
        return thread;
    });

    Clients() {
        watch.scheduleWithFixedDelay(this::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** @param here the server's port; @param there the client's */
    record Connection(int here, int there) {}

    void watch(Connection connection, Runnable gone) {
        watched.put(connection, gone);
    }

    void forget(Connection connection) {
        watched.remove(connection);
    }

    private void look() {
        if (watched.isEmpty()) {
            return;
        }
        // Taken first: who comes while the table is read is not in it.
        Map<Connection, Runnable> now = Map.copyOf(watched);
        Set<Connection> established = established();
        if (!established.isEmpty()) {
            now.forEach((connection, gone) -> {
                if (!established.contains(connection)) {
                    gone.run();
                }
            });
        }
    }

    private static Set<Connection> established() {
        Set<Connection> all = new HashSet<>();
        for (Path table : TABLES) {
            // The head of the table has no state of that name.
            try (Stream<String> lines = Files.lines(table)) {
                lines.map(line -> line.strip().split("\\s+"))
                        .filter(columns -> columns[3].equals(ESTABLISHED))
                        .forEach(columns -> all.add(new Connection(port(columns[1]), port(columns[2]))));
            } catch (IOException | RuntimeException notHere) {
                return Set.of();
            }
        }
        return all;
    }

    private static int port(String address) {
        return Integer.parseInt(address.substring(address.lastIndexOf(':') + 1), 16);
    }

    @PreDestroy
    void end() {
        watch.shutdownNow();
    }
}
