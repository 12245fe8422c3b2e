package zapateo.server.sets;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;

/** A set as it is kept. */
public record SetRow(
        UUID id,
        UUID owner,
        String title,
        LocalDate playedOn,
        String place,
        Items items,
        int version,
        OffsetDateTime createdAt,
        OffsetDateTime updatedAt) {

    /** In their order. */
    record Items(List<SetItem> all) {

        Items {
            all = List.copyOf(all);
        }
    }
}
