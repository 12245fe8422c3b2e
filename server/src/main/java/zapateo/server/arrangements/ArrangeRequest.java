package zapateo.server.arrangements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import zapateo.server.bounds.LongText;
import zapateo.server.players.Measures;

/**
 * A chart to arrange, with whatever the player chose.
 *
 * @param hand whose hands, on what; absent are usual ones on a full-size piano
 * @param figures files of figures that are not kept yet: their ids can be chosen in this request
 */
public record ArrangeRequest(
        @NotNull(message = "expected the chart's text") @LongText
        String chart,

        @Valid ChoicesRequest choices,
        @Valid Measures hand,

        @Size(max = 4, message = "expected at most 4")
        List<@NotNull @Size(max = 20_000, message = "expected at most 20,000 characters") String> figures) {}
