package zapateo.server.songs;

import java.util.UUID;

/**
 * A text that versions of a song say.
 *
 * @param base the one it leans on; null for none
 * @param packed null where it stands plain
 */
public record ContentRow(UUID hash, UUID base, byte[] packed, String plain) {}
