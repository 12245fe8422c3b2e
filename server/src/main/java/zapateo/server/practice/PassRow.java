package zapateo.server.practice;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.UUID;

/** A pass as the log has it; first and last bar as the chart numbers them. */
public record PassRow(
        UUID id,
        UUID owner,
        UUID songId,
        String title,
        UUID arrangementId,
        String arrangement,
        int songVersion,
        OffsetDateTime playedAt,
        LocalDate playedOn,
        int firstBar,
        int lastBar,
        String layer,
        double tempo,
        boolean clean,
        Double rightShare,
        Double unevenMs,
        int seconds,
        String word,
        String hurt) {}
