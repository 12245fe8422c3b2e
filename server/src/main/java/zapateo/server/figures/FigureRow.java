package zapateo.server.figures;

import java.time.OffsetDateTime;
import java.util.UUID;

/** A figure of a player's own, as the text of its file. */
public record FigureRow(
        UUID owner, String id, String file, int version, OffsetDateTime createdAt, OffsetDateTime updatedAt) {}
