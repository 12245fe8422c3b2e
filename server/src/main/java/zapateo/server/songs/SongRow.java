package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.UUID;
import zapateo.server.arrangements.ChoicesRequest;

/** A song as it is kept. */
record SongRow(UUID id, UUID owner, String title, String chart, ChoicesRequest choices, String arrangement, OtherArrangements others, int version, OffsetDateTime createdAt, OffsetDateTime updatedAt) {
}
