package zapateo.server;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.concurrent.ThreadLocalRandom;

/**
 * A port for a process that is started with it: none of those that connections going out are given, which come and go
 * beside the tests.
 */
public final class FreePort {

    private static final int FIRST = 10_000;
    private static final int COUNT = 10_000;

    private FreePort() {}

    public static int next() {
        for (int tries = 0; tries < COUNT; tries++) {
            int port = FIRST + ThreadLocalRandom.current().nextInt(COUNT);
            try (ServerSocket free = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
                return free.getLocalPort();
            } catch (IOException taken) {
                // Another one.
            }
        }
        throw new IllegalStateException("no port is free");
    }
}
