package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.colour.ColourRule;
import zapateo.colour.KeptColour;
import zapateo.lefthand.Lock;
import zapateo.lefthand.Weights;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.server.arrangements.RightRequest.LickRequest;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.PassNumber;
import zapateo.server.bounds.ShortText;
import zapateo.server.bounds.TicksInBar;
import zapateo.server.problems.Refusal;

/**
 * What a player may choose; everything may be absent. It is kept with the song as it is sent.
 *
 * @param sections by a section's name
 * @param overrides by bars; the later goes before the earlier
 * @param locks what is kept on single chords
 * @param costs how many times as much a cost counts, 0 to 10, by its id
 * @param fingers the player's own on single notes
 * @param right what the right hand does; absent is nothing
 * @param colours other chords that are kept for places of the song
 * @param parked what hung on bars that are gone, kept aside by the bars' old numbers; it does nothing
 * @param values for the whole song, by the names of {@link Choice}'s table
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ChoicesRequest(
        @Size(max = 200, message = "expected at most 200") Map<String, @NotNull @Valid OptionsRequest> sections,
        @Size(max = 500, message = "expected at most 500") List<@NotNull @Valid OverrideRequest> overrides,
        @Size(max = 2000, message = "expected at most 2000") List<@NotNull @Valid LockRequest> locks,

        @Size(max = 50, message = "expected at most 50")
        Map<
                        String,
                        @NotNull @DecimalMin(value = "0", message = "expected 0 to 10")
                        @DecimalMax(value = "10", message = "expected 0 to 10") Double>
                costs,

        @Size(max = 5000, message = "expected at most 5000") List<@NotNull @Valid FingerRequest> fingers,
        @Valid RightRequest right,
        @Size(max = 2000, message = "expected at most 2000") List<@NotNull @Valid ColourRequest> colours,
        @Valid ParkedRequest parked,

        @JsonProperty(ChosenValues.NO_FIELD) @JsonAnySetter @JsonAnyGetter
        Map<String, Object> values) {

    public static final ChoicesRequest NONE = of(Options.OPEN);

    public static ChoicesRequest of(Options options) {
        return new ChoicesRequest(null, null, null, null, null, null, null, null, options.written());
    }

    /**
     * Choices for some bars.
     *
     * @param bars as numbered in the chart: 5 or 5-8
     * @param pass which time they are played, from 1; absent is every time
     * @param beats of each of these bars: 3 or 3-4; absent is the whole bar
     * @param values by the names of {@link Choice}'s table
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record OverrideRequest(
            @NotNull(message = "expected bars, as in 5-8") @ShortText
            String bars,

            @PassNumber Integer pass,
            @ShortText String beats,

            @JsonProperty(ChosenValues.NO_FIELD) @JsonAnySetter @JsonAnyGetter
            Map<String, Object> values) {

        private Choices.Override override(String path) {
            return new Choices.Override(
                    run("bars", bars),
                    Optional.ofNullable(pass),
                    Optional.ofNullable(beats).map(text -> beats(run("beats", text))),
                    ChosenValues.read(Choice.Place.BARS, path, values));
        }

        private static Choices.Run beats(Choices.Run run) {
            if (run.first() == 0) {
                throw Refusal.unusable("beats " + run + ": expected them counted from 1");
            }
            return run;
        }

        private static Choices.Run run(String what, String text) {
            try {
                return Choices.Run.parse(text);
            } catch (Refused refused) {
                throw Refusal.unusable(what + " " + refused.getMessage());
            }
        }
    }

    /**
     * A lock on the chord that sounds at a beat.
     *
     * @param bar as numbered in the chart
     * @param pass which time it is played; absent is every time
     * @param beat from 1; absent is 1
     * @param bass the key of its bass, as E♭2
     * @param bottom the chord tone its close chord stands on: 1, 3, 5, 7
     * @param top the key of its highest tone, as G4
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record LockRequest(
            @NotNull(message = "expected a bar's number") @BarNumber
            Integer bar,

            @PassNumber Integer pass,

            @DecimalMin(value = "1", message = "expected 1 to 64")
            @DecimalMax(value = "64", message = "expected 1 to 64")
            Double beat,

            @ShortText String bass,

            @Min(value = 1, message = "expected 1 to 13") @Max(value = 13, message = "expected 1 to 13")
            Integer bottom,

            @ShortText String top) {

        private Choices.PlacedLock lock() {
            if (beat != null && !(beat >= 1 && beat <= 64)) {
                throw Refusal.unusable("beat " + beat + " of a lock: expected 1 to 64");
            }
            return new Choices.PlacedLock(
                    bar,
                    Optional.ofNullable(pass),
                    beat == null ? 1 : beat,
                    new Lock(
                            Optional.ofNullable(bass).map(LockRequest::pitch),
                            Optional.ofNullable(bottom),
                            Optional.ofNullable(top).map(LockRequest::pitch)));
        }

        private static Pitch pitch(String name) {
            try {
                return Pitch.parse(name);
            } catch (Refused refused) {
                throw Refusal.unusable("lock: " + refused.getMessage());
            }
        }
    }

    /**
     * A finger the player wants on a note.
     *
     * @param hand L or R
     * @param bar as numbered in the chart
     * @param pass which time it is played; absent is every time
     * @param tick where its stroke is written, from the bar line
     * @param note the key, as E♭2
     * @param finger 1, the thumb, to 5
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record FingerRequest(
            @NotNull(message = "expected L or R") @Schema(allowableValues = {"L", "R"})
            String hand,

            @NotNull(message = "expected a bar's number") @BarNumber
            Integer bar,

            @PassNumber Integer pass,

            @NotNull(message = "expected ticks from the bar line") @TicksInBar
            Integer tick,

            @NotNull(message = "expected a key such as E♭2") @ShortText
            String note,

            @NotNull(message = "expected 1 to 5")
            @Min(value = 1, message = "expected 1, the thumb, to 5")
            @Max(value = 5, message = "expected 1, the thumb, to 5")
            Integer finger) {

        private Choices.PlacedFinger placed() {
            if (!hand.equals("L") && !hand.equals("R")) {
                throw Refusal.unusable("hand \"" + hand + "\" of a finger: expected L or R");
            }
            return new Choices.PlacedFinger(
                    hand.equals("L") ? Side.LEFT : Side.RIGHT,
                    bar,
                    Optional.ofNullable(pass),
                    tick,
                    LockRequest.pitch(note).midi(),
                    finger);
        }
    }

    /**
     * A colour that is kept.
     *
     * @param bar as numbered in the chart
     * @param pass which time it is played; absent is every time
     * @param tick from the bar line
     * @param over the chords it stands over; where others stand it waits
     * @param variant of the rule
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record ColourRequest(
            @NotNull(message = "expected a bar's number") @BarNumber
            Integer bar,

            @PassNumber Integer pass,

            @NotNull(message = "expected ticks from the bar line") @TicksInBar
            Integer tick,

            @NotNull(message = "expected the chords it stands over")
            @Size(min = 1, max = 8, message = "expected 1 to 8")
            List<@NotNull @ShortText String> over,

            @NotNull(message = "expected a rule's id") @ShortText
            String rule,

            @NotNull(message = "expected a variant of the rule") @ShortText
            String variant) {

        public static ColourRequest of(KeptColour colour) {
            return new ColourRequest(
                    colour.bar(),
                    colour.pass().orElse(null),
                    colour.tick(),
                    colour.over(),
                    colour.rule(),
                    colour.variant());
        }

        KeptColour kept() {
            ColourRule known = ColourRule.named(rule)
                    .orElseThrow(
                            () -> Refusal.unusable("rule \"" + rule + "\" of a colour: there is none of that name"));
            if (!known.makes().containsKey(variant)) {
                throw Refusal.unusable("variant \"" + variant + "\" of the colour \"" + rule + "\": expected one of "
                        + String.join(", ", known.makes().keySet()));
            }
            return new KeptColour(bar, Optional.ofNullable(pass), tick, over, rule, variant);
        }
    }

    /** What hung on bars that are gone. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record ParkedRequest(
            @Size(max = 500, message = "expected at most 500")
            List<@NotNull @Valid OverrideRequest> overrides,

            @Size(max = 2000, message = "expected at most 2000")
            List<@NotNull @Valid LockRequest> locks,

            @Size(max = 5000, message = "expected at most 5000")
            List<@NotNull @Valid FingerRequest> fingers,

            @Size(max = 2000, message = "expected at most 2000")
            List<@NotNull @Valid ColourRequest> colours,

            @Size(max = 2000, message = "expected at most 2000")
            List<@NotNull @Valid LickRequest> licks,

            @Size(max = 2000, message = "expected at most 2000")
            List<@NotNull @BarNumber Integer> plain,

            @Size(max = 2000, message = "expected at most 2000")
            List<@NotNull @BarNumber Integer> asTheyAre) {

        int count() {
            return Stream.of(overrides, locks, fingers, colours, licks, plain, asTheyAre)
                    .filter(Objects::nonNull)
                    .mapToInt(List::size)
                    .sum();
        }
    }

    /** The colours it keeps. */
    public List<KeptColour> kept() {
        return orNone(colours).stream().map(ColourRequest::kept).toList();
    }

    /** With other colours; none are left out. */
    /** With other ones for the whole song. */
    public ChoicesRequest song(Options options) {
        return new ChoicesRequest(
                sections, overrides, locks, costs, fingers, right, colours, parked, options.written());
    }

    public ChoicesRequest colours(List<ColourRequest> others) {
        return new ChoicesRequest(
                sections, overrides, locks, costs, fingers, right, others.isEmpty() ? null : others, parked, values);
    }

    /** The ids of all figures of the left hand that are named. */
    public Set<String> figures() {
        return choices("").figures();
    }

    /** How many choices wait for bars that are gone. */
    int waiting() {
        return parked == null ? 0 : parked.count();
    }

    /**
     * @param path to them, for what is refused
     * @param books one that has the figures that are named, as far as there are such
     * @throws Refused naming a choice there is not, a value it may not have, or a thing that is not there
     */
    public ChoicesRequest checked(String path, Function<Set<String>, FigureBook> books) {
        Choices chosen = choices(path);
        chosen.requireThings(path, books.apply(chosen.figures()));
        return this;
    }

    /** @param path to them, for what is refused */
    Choices choices(String path) {
        Map<String, Options> bySection = new HashMap<>();
        orNone(sections)
                .forEach((name, options) -> bySection.put(name, options.options(path + "sections." + name + ".")));
        List<OverrideRequest> byBars = orNone(overrides);
        return new Choices(
                ChosenValues.read(Choice.Place.SONG, path, values),
                bySection,
                IntStream.range(0, byBars.size())
                        .mapToObj(at -> byBars.get(at).override(path + "overrides[" + at + "]."))
                        .toList(),
                orNone(locks).stream().map(LockRequest::lock).toList(),
                costs == null ? Weights.USUAL : new Weights(costs),
                orNone(fingers).stream().map(FingerRequest::placed).toList(),
                right == null ? RightHand.NONE : right.right(path + "right."),
                kept());
    }

    private static <T> List<T> orNone(List<T> list) {
        return list == null ? List.of() : list;
    }

    private static <T> Map<String, T> orNone(Map<String, T> map) {
        return map == null ? Map.of() : map;
    }
}
