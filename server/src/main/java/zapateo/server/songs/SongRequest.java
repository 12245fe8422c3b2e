package zapateo.server.songs;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import zapateo.server.arrangements.ChoicesRequest;

/**
 * A song to keep. The chart may have mistakes in it, or nothing yet: what was typed is never refused for that.
 *
 * @param title   absent takes the chart's own
 * @param version the one that was loaded; needed when a song is changed
 */
record SongRequest(@Size(max = 200, message = "expected at most 200 characters") String title, @NotNull(message = "expected the chart's text") String chart,
                   @Valid ChoicesRequest choices, Integer version) {
}
