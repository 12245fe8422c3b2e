package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Map;
import zapateo.choice.Choice;
import zapateo.choice.Options;

/**
 * What may be chosen for a section; everything may be absent.
 *
 * @param values by the names of {@link Choice}'s table
 */
public record OptionsRequest(
        @JsonProperty(ChosenValues.NO_FIELD) @JsonAnySetter @JsonAnyGetter
        Map<String, Object> values) {

    Options options(String path) {
        return ChosenValues.read(Choice.Place.SECTION, path, values);
    }

    static OptionsRequest of(Options options) {
        return new OptionsRequest(options.written());
    }
}
