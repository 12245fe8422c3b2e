package zapateo.server.sets;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;

/**
 * A set to be kept.
 *
 * @param version that was loaded; needed to change one
 */
public record SetRequest(@NotNull(message = "expected a title") @Size(max = 200, message = "expected at most 200 characters") String title, LocalDate playedOn, @Size(max = 200, message = "expected at most 200 characters") String place,
                         @NotNull(message = "expected the songs in their order") @Size(max = 200, message = "expected at most 200") List<@NotNull(message = "expected a song or a break") @Valid SetItem> items, Integer version) {
}
