package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.UUID;

/**
 * One state a song was saved in.
 *
 * @param figure chosen for the whole song; null where none was
 * @param name the player's own for it, null for none
 */
public record VersionRow(
        int version,
        String title,
        String arrangement,
        String figure,
        String name,
        UUID chartHash,
        UUID choicesHash,
        OffsetDateTime savedAt) {}
