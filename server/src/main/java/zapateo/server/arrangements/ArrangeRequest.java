package zapateo.server.arrangements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/**
 * A chart to arrange, with whatever the player chose.
 *
 * @param figures files of figures that are not kept yet: their ids can be chosen in this request
 */
public record ArrangeRequest(@NotNull(message = "expected the chart's text") String chart, @Valid ChoicesRequest choices, @Valid HandsRequest hand,
                             @Size(max = 4, message = "expected at most 4") List<@NotNull @Size(max = 20_000, message = "expected at most 20,000 characters") String> figures) {

    /** Both hands; an absent one is taken as usual. */
    public record HandsRequest(@Valid HandRequest left, @Valid HandRequest right) {
    }

    /** @param spanMm thumb tip to little-finger tip, stretched, 120 to 300 mm */
    public record HandRequest(@NotNull(message = "expected millimetres, 120 to 300") Double spanMm) {
    }
}
