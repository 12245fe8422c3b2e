package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import zapateo.arrangement.RightHand;
import zapateo.righthand.RightChoices.Shapes;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Top;
import zapateo.righthand.RightChoices.Under;
import zapateo.server.problems.Refusal;

/**
 * What the right hand does.
 *
 * @param style     none, comping, melody or improvise
 * @param figure    id of a right-hand figure, for comping; absent is as usual for the song
 * @param top       nearest, smooth or third: what the highest notes of its chords do; absent is nearest
 * @param under     alone, close, open, thirds, sixths, octaves, block or third: what lies under a melody; absent is alone
 * @param shapes    each, held or turn: each chord, one shape for four bars, or two shapes in turn over a bass that stays; absent is each
 * @param chorus    seed of an improvised chorus; absent is 1
 * @param fills     seed of what is played where the melody rests; absent leaves its rests
 * @param plain     numbers of bars whose rests stay rests
 * @param unison    whether both hands go up the chord together before a section begins
 * @param licks     small devices in place of what it plays in some bars; of two in one bar the later
 * @param asTheyAre numbers of bars in which the hands may run together as they are
 * @param sections  by a section's name, where it does otherwise there
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RightRequest(@NotNull(message = "expected none, comping, melody or improvise") @Schema(allowableValues = {"none", "comping", "melody", "improvise"}) String style, String figure,
                           @Schema(allowableValues = {"nearest", "smooth", "third"}) String top,
                           @Schema(allowableValues = {"alone", "close", "open", "thirds", "sixths", "octaves", "block", "third"}) String under,
                           @Schema(allowableValues = {"each", "held", "turn"}) String shapes, Long chorus, Long fills,
                           @Size(max = 2000, message = "expected at most 2000") List<@NotNull Integer> plain, Boolean unison,
                           @Size(max = 2000, message = "expected at most 2000") List<@NotNull @Valid LickRequest> licks,
                           @Size(max = 2000, message = "expected at most 2000") List<@NotNull Integer> asTheyAre,
                           @Size(max = 200, message = "expected at most 200") Map<String, @NotNull @Valid MannerRequest> sections) {

    /** @param bar as numbered in the chart; @param lick its id */
    public record LickRequest(@NotNull(message = "expected a bar's number") Integer bar, @NotNull(message = "expected a lick's id") String lick) {
    }

    /** How it plays in a section; what is absent is as usual. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record MannerRequest(@NotNull(message = "expected none, comping, melody or improvise") @Schema(allowableValues = {"none", "comping", "melody", "improvise"}) String style, String figure,
                                @Schema(allowableValues = {"nearest", "smooth", "third"}) String top,
                                @Schema(allowableValues = {"alone", "close", "open", "thirds", "sixths", "octaves", "block", "third"}) String under,
                                @Schema(allowableValues = {"each", "held", "turn"}) String shapes) {

        private RightHand.Manner manner() {
            return new RightHand.Manner(named("style", style, Style.values(), Style::id), Optional.ofNullable(figure), top == null ? Top.NEAREST : named("top", top, Top.values(), Top::id),
                    under == null ? Under.ALONE : named("under", under, Under.values(), Under::id), shapes == null ? Shapes.EACH : named("shapes", shapes, Shapes.values(), Shapes::id));
        }
    }

    RightHand right() {
        Map<String, RightHand.Manner> bySection = new HashMap<>();
        Optional.ofNullable(sections).ifPresent(all -> all.forEach((name, manner) -> bySection.put(name, manner.manner())));
        return new RightHand(new MannerRequest(style, figure, top, under, shapes).manner(), bySection, chorus == null ? 1 : chorus, Optional.ofNullable(fills), orNone(plain),
                Boolean.TRUE.equals(unison), orNone(licks).stream().map(each -> new RightHand.PlacedLick(each.bar(), each.lick())).toList(), orNone(asTheyAre));
    }

    private static <T> List<T> orNone(List<T> list) {
        return list == null ? List.of() : list;
    }

    private static <E> E named(String what, String text, E[] values, Function<E, String> id) {
        return Arrays.stream(values).filter(value -> id.apply(value).equals(text)).findFirst()
                .orElseThrow(() -> Refusal.unusable("right " + what + " \"" + text + "\": expected " + String.join(", ", Arrays.stream(values).map(id).toList())));
    }
}
