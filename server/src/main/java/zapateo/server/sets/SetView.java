package zapateo.server.sets;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import zapateo.server.arrangements.ChoicesRequest;

/**
 * A set with what comes of it: keys, tempos and lengths as they are played that night.
 *
 * @param ms songs and breaks together
 * @param tiring runs that an audience hears as one
 * @param version send that back when changing it
 * @param uncounted songs whose length was not found in time: it is when they are asked for again
 * @param leftOut what may not be kept of a file it was brought in from, a sentence each
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record SetView(
        UUID id,
        String title,
        @Schema(description = "absent where no day is set") LocalDate playedOn,
        String place,
        List<SetItemView> items,
        long ms,
        List<TiringView> tiring,
        int version,
        OffsetDateTime updatedAt,

        @Schema(description = "absent where all lengths were found")
        Integer uncounted,

        @Schema(description = "absent where it was not brought in from a file just now")
        List<String> leftOut) {

    /** @param what may not be kept of the file it came from */
    SetView leavingOut(List<String> what) {
        return new SetView(id, title, playedOn, place, items, ms, tiring, version, updatedAt, uncounted, what);
    }

    /**
     * @param item as it is kept
     * @param title of the song; empty for a break
     * @param key it is played in
     * @param bpm absent where it is not known
     * @param missing whether the song was taken out of the repertoire
     * @param arrangements there are of the song, the open one first
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record SetItemView(
            SetItem item,
            String title,
            String key,
            @Schema(description = "absent for a break") Double bpm,
            int beatTicks,
            long ms,
            boolean missing,
            List<ArrangementNameView> arrangements) {}

    /** An arrangement of a song. */
    public record ArrangementNameView(UUID id, String name) {}

    /** @param first by place from 0; @param text a sentence */
    public record TiringView(int first, int last, String text) {}

    /** A set in a list. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record SetLineView(
            UUID id,
            String title,

            @Schema(description = "absent where no day is set")
            LocalDate playedOn,

            String place,
            int songs,
            int version,
            OffsetDateTime updatedAt) {}

    /** @param tempo in the song's beats a minute; null for its own */
    public record TonightView(
            String chart,
            ChoicesRequest choices,
            @Schema(types = {"number", "null"}) Double tempo) {}
}
