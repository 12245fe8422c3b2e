package zapateo.server.sets;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import zapateo.server.bounds.PlausibleDate;
import zapateo.server.bounds.VersionNumber;

/**
 * A set to be kept.
 *
 * @param version that was loaded; needed to change one
 */
public record SetRequest(
        @NotNull(message = "expected a title")
        @Size(max = SetRequest.LONGEST_TEXT, message = "expected at most 200 characters")
        String title,

        @PlausibleDate LocalDate playedOn,

        @Size(max = SetRequest.LONGEST_TEXT, message = "expected at most 200 characters")
        String place,

        @NotNull(message = "expected the songs in their order")
        @Size(max = SetRequest.MOST_ITEMS, message = "expected at most 200")
        List<@NotNull(message = "expected a song or a break") @Valid SetItem> items,

        @VersionNumber Integer version) {

    static final int LONGEST_TEXT = 200;
    static final int MOST_ITEMS = 200;
}
