package zapateo.server.practice;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.UUID;

/** Once through a place step by step: milliseconds of each step, with spaces between. */
public record StepRow(
        UUID id,
        UUID owner,
        UUID songId,
        OffsetDateTime steppedAt,
        LocalDate steppedOn,
        int firstBar,
        int lastBar,
        String layer,
        String ms) {}
