package zapateo.server.arrangements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;

/** A chart to arrange, with whatever the player chose. */
public record ArrangeRequest(@NotNull(message = "expected the chart's text") String chart, @Valid ChoicesRequest choices, @Valid HandsRequest hand) {

    /** Both hands; an absent one is taken as usual. */
    public record HandsRequest(@Valid HandRequest left, @Valid HandRequest right) {
    }

    /** @param spanMm thumb tip to little-finger tip, stretched, 120 to 300 mm */
    public record HandRequest(@NotNull(message = "expected millimetres, 120 to 300") Double spanMm) {
    }
}
