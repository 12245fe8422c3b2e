package zapateo.server.practice;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;

/** What a song is practised for. */
public record GoalRow(
        UUID songId,
        UUID owner,
        String title,
        double tempo,
        LocalDate until,
        int level,
        double seconds,
        Pieces pieces,
        OffsetDateTime updatedAt) {

    /** What there is to practise in a song, as it was when the goal was set. */
    record Pieces(List<PieceRow> all) {}

    record PieceRow(int first, int last, String layer, double difficulty, String asks, String from, String to) {}
}
