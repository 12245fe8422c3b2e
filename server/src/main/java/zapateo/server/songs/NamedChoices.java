package zapateo.server.songs;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import zapateo.server.arrangements.ChoicesRequest;

/**
 * An arrangement's name and its choices.
 *
 * @param id lasts, whatever it is called; absent is that of the song's arrangement of this name, or a new one
 */
public record NamedChoices(
        UUID id,

        @NotBlank(message = "expected a name") @Size(max = 60, message = "expected at most 60 characters")
        String name,

        @NotNull(message = "expected choices, {} for none") @Valid
        ChoicesRequest choices) {}
