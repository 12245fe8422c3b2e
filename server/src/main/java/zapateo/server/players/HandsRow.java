package zapateo.server.players;

import java.time.OffsetDateTime;
import java.util.UUID;

/** Somebody's hands as they are kept. */
public record HandsRow(
        UUID id,
        UUID owner,
        String name,
        Measures measures,
        boolean inUse,
        int version,
        OffsetDateTime createdAt,
        OffsetDateTime updatedAt) {}
