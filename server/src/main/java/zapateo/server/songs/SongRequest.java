package zapateo.server.songs;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.VersionNumber;

/**
 * A song to keep. The chart may have mistakes in it, or nothing yet: what was typed is never refused for that.
 *
 * @param title absent takes the chart's own
 * @param arrangement the name of the arrangement that is open, whose choices these are; absent keeps it
 * @param arrangementId lasts, whatever the arrangement is called; absent keeps it
 * @param others the song's other arrangements; absent keeps them
 * @param version the one that was loaded; needed when a song is changed
 */
public record SongRequest(
        @Size(max = SongRequest.LONGEST_TITLE, message = "expected at most 200 characters")
        String title,

        @NotNull(message = "expected the chart's text") @LongText
        String chart,

        @Valid ChoicesRequest choices,
        UUID arrangementId,

        @Size(min = 1, max = SongRequest.LONGEST_NAME, message = "expected 1 to 60 characters")
        String arrangement,

        @Size(max = SongRequest.MOST_OTHERS, message = "expected at most 30")
        List<@NotNull @Valid NamedChoices> others,

        @VersionNumber Integer version) {

    static final int LONGEST_TITLE = 200;
    static final int LONGEST_NAME = 60;
    static final int MOST_OTHERS = 30;
}
