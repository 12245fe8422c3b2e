package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.UUID;

/** A song as it is kept. */
public record SongRow(
        UUID id,
        UUID owner,
        String title,
        String chart,
        StoredChoices choices,
        UUID arrangementId,
        String arrangement,
        StoredArrangement.Others others,
        int version,
        OffsetDateTime createdAt,
        OffsetDateTime updatedAt) {}
