package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.UUID;

/**
 * A song as the repertoire lists it.
 *
 * @param figure chosen for the whole song; null where none is
 * @param summary null where none is kept yet
 */
public record LineRow(UUID id, String title, String figure, Summary summary, int version, OffsetDateTime updatedAt) {}
