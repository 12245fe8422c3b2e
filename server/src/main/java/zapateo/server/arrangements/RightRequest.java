package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.arrangement.RightHand;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.righthand.RightChoice;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.ShortText;
import zapateo.server.problems.Refusal;

/**
 * What the right hand does.
 *
 * @param licks small devices in place of what it plays in some bars; of two in one bar the later
 * @param sections by a section's name, where it does otherwise there
 * @param values by the names of {@link Choice}'s table; {@code style} is needed
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RightRequest(
        @Size(max = 2000, message = "expected at most 2000") List<@NotNull @Valid LickRequest> licks,
        @Size(max = 200, message = "expected at most 200") Map<String, @NotNull @Valid MannerRequest> sections,

        @JsonProperty(ChosenValues.NO_FIELD) @JsonAnySetter @JsonAnyGetter
        Map<String, Object> values) {

    /** @param bar as numbered in the chart; @param lick its id */
    public record LickRequest(
            @NotNull(message = "expected a bar's number") @BarNumber
            Integer bar,

            @NotNull(message = "expected a lick's id") @ShortText
            String lick) {}

    /**
     * How it plays in a section; what is absent is as usual.
     *
     * @param values by the names of {@link Choice}'s table; {@code style} is needed
     */
    public record MannerRequest(
            @JsonProperty(ChosenValues.NO_FIELD) @JsonAnySetter @JsonAnyGetter
            Map<String, Object> values) {

        private Options manner(String path) {
            return read(Choice.Place.RIGHT_SECTION, path, values);
        }
    }

    private static Options read(Choice.Place place, String path, Map<String, Object> values) {
        Options manner = ChosenValues.read(place, path, values);
        if (manner.get(RightChoice.STYLE).isEmpty()) {
            throw Refusal.unusable(
                    path + "style: expected " + RightChoice.STYLE.range().expected());
        }
        return manner;
    }

    RightHand right(String path) {
        Map<String, Options> bySection = new HashMap<>();
        Optional.ofNullable(sections)
                .ifPresent(all -> all.forEach(
                        (name, manner) -> bySection.put(name, manner.manner(path + "sections." + name + "."))));
        return new RightHand(
                read(Choice.Place.RIGHT, path, values),
                bySection,
                Optional.ofNullable(licks).orElse(List.of()).stream()
                        .map(each -> new RightHand.PlacedLick(each.bar(), each.lick()))
                        .toList());
    }
}
