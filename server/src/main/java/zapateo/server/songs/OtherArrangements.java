package zapateo.server.songs;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import zapateo.server.arrangements.ChoicesRequest;

/** The arrangements of a song that are not open, each under its own name. */
record OtherArrangements(List<NamedChoices> all) {

    static final OtherArrangements NONE = new OtherArrangements(List.of());

    /** An arrangement's name and its choices. */
    public record NamedChoices(@NotBlank(message = "expected a name") @Size(max = 60, message = "expected at most 60 characters") String name,
                               @NotNull(message = "expected choices, {} for none") @Valid ChoicesRequest choices) {
    }

    OtherArrangements {
        all = List.copyOf(all);
    }
}
