package zapateo.server.players;

import java.util.UUID;

/** Who owns what is kept. One player works on one machine for now; every row says so already. */
public record Player(UUID id) {

    public static final Player ONLY = new Player(UUID.fromString("00000000-0000-4000-8000-000000000001"));
}
