package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.arrangement.Choices;
import zapateo.arrangement.Options;
import zapateo.arrangement.RightHand;
import zapateo.lefthand.Lock;
import zapateo.lefthand.Weights;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.rhythm.Side;
import zapateo.server.arrangements.RightRequest.LickRequest;
import zapateo.server.problems.Refusal;

/**
 * What a player may choose; everything may be absent. It is kept with the song as it is sent.
 *
 * @param figure         id of a figure; {@code held} when absent
 * @param voicing        {@code auto} or a voicing's id
 * @param register       where the bass lies
 * @param bassLine       id of a bass line; absent leaves the figure's own
 * @param leadIn         id of a lead-in; absent leaves the figure's own way
 * @param tenths         what to do with what the hand cannot span; absent is as the player has it
 * @param variations     whether figures may vary their bars; true when absent
 * @param withBassPlayer whether someone else has the bass
 * @param keepTop        whether top notes should rather stay
 * @param pedal          whether the pedal is used; absent follows the figure
 * @param octaves        what to do with an octave the hand cannot span; absent is as the player has it
 * @param level          1 to 5: made easier or fuller by rule; absent is as chosen
 * @param swingRatio     long to short eighth, 1 to 4; absent follows feel and tempo
 * @param ending         held or figure; absent holds the last bar of a song that comes home
 * @param seed           of a gentle unevenness for listening; absent is even
 * @param sections       by a section's name
 * @param overrides      by bars; the later goes before the earlier
 * @param locks          what is kept on single chords
 * @param costs          how many times as much a cost counts, 0 to 10, by its id
 * @param fingers        the player's own on single notes
 * @param right          what the right hand does; absent is nothing
 * @param parked         what hung on bars that are gone, kept aside by the bars' old numbers; it does nothing
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ChoicesRequest(String figure, String voicing, @Schema(allowableValues = {"deep", "middle"}) String register, String bassLine, String leadIn,
                             @Schema(allowableValues = {"play", "roll", "pedal", "omit"}) String tenths, Boolean variations, Boolean withBassPlayer, Boolean keepTop, Boolean pedal,
                             @Schema(allowableValues = {"play", "roll", "pedal", "omit"}) String octaves, Integer level, Double swingRatio, @Schema(allowableValues = {"held", "figure"}) String ending, Long seed,
                             @Size(max = 200, message = "expected at most 200") Map<String, @NotNull @Valid OptionsRequest> sections,
                             @Size(max = 500, message = "expected at most 500") List<@NotNull @Valid OverrideRequest> overrides,
                             @Size(max = 2000, message = "expected at most 2000") List<@NotNull @Valid LockRequest> locks,
                             @Size(max = 50, message = "expected at most 50") Map<String, @NotNull Double> costs,
                             @Size(max = 5000, message = "expected at most 5000") List<@NotNull @Valid FingerRequest> fingers,
                             @Valid RightRequest right, @Valid ParkedRequest parked) {

    public static final ChoicesRequest NONE = of(new OptionsRequest(null, null, null, null, null, null, null, null, null, null, null, null));

    public static ChoicesRequest of(Options options) {
        return of(OptionsRequest.of(options));
    }

    private static ChoicesRequest of(OptionsRequest song) {
        return new ChoicesRequest(song.figure(), song.voicing(), song.register(), song.bassLine(), song.leadIn(), song.tenths(), song.variations(), song.withBassPlayer(), song.keepTop(), song.pedal(),
                song.octaves(), song.level(), null, null, null, null, null, null, null, null, null, null);
    }

    /**
     * Choices for some bars.
     *
     * @param bars  as numbered in the chart: 5 or 5-8
     * @param pass  which time they are played, from 1; absent is every time
     * @param beats of each of these bars: 3 or 3-4; absent is the whole bar
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record OverrideRequest(@NotNull(message = "expected bars, as in 5-8") String bars, Integer pass, String beats, String figure, String voicing,
                                  @Schema(allowableValues = {"deep", "middle"}) String register, String bassLine, String leadIn,
                                  @Schema(allowableValues = {"play", "roll", "pedal", "omit"}) String tenths, Boolean variations, Boolean withBassPlayer, Boolean keepTop, Boolean pedal,
                                  @Schema(allowableValues = {"play", "roll", "pedal", "omit"}) String octaves, Integer level) {

        private Choices.Override override() {
            Options options = new OptionsRequest(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, level).options();
            return new Choices.Override(run("bars", bars), Optional.ofNullable(pass), Optional.ofNullable(beats).map(text -> beats(run("beats", text))), options);
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
     * @param bar    as numbered in the chart
     * @param pass   which time it is played; absent is every time
     * @param beat   from 1; absent is 1
     * @param bass   the key of its bass, as E♭2
     * @param bottom the chord tone its close chord stands on: 1, 3, 5, 7
     * @param top    the key of its highest tone, as G4
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record LockRequest(@NotNull(message = "expected a bar's number") Integer bar, Integer pass, Double beat, String bass, Integer bottom, String top) {

        private Choices.PlacedLock lock() {
            if (beat != null && !(beat >= 1 && beat <= 64)) {
                throw Refusal.unusable("beat " + beat + " of a lock: expected 1 to 64");
            }
            return new Choices.PlacedLock(bar, Optional.ofNullable(pass), beat == null ? 1 : beat,
                    new Lock(Optional.ofNullable(bass).map(LockRequest::pitch), Optional.ofNullable(bottom), Optional.ofNullable(top).map(LockRequest::pitch)));
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
     * @param hand   L or R
     * @param bar    as numbered in the chart
     * @param pass   which time it is played; absent is every time
     * @param tick   where its stroke is written, from the bar line
     * @param note   the key, as E♭2
     * @param finger 1, the thumb, to 5
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record FingerRequest(@NotNull(message = "expected L or R") @Schema(allowableValues = {"L", "R"}) String hand, @NotNull(message = "expected a bar's number") Integer bar, Integer pass,
                                @NotNull(message = "expected ticks from the bar line") Integer tick, @NotNull(message = "expected a key such as E♭2") String note,
                                @NotNull(message = "expected 1 to 5") Integer finger) {

        private Choices.PlacedFinger placed() {
            if (!hand.equals("L") && !hand.equals("R")) {
                throw Refusal.unusable("hand \"" + hand + "\" of a finger: expected L or R");
            }
            return new Choices.PlacedFinger(hand.equals("L") ? Side.LEFT : Side.RIGHT, bar, Optional.ofNullable(pass), tick, LockRequest.pitch(note).midi(), finger);
        }
    }

    /** What hung on bars that are gone. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record ParkedRequest(@Size(max = 500, message = "expected at most 500") List<@NotNull @Valid OverrideRequest> overrides,
                                @Size(max = 2000, message = "expected at most 2000") List<@NotNull @Valid LockRequest> locks,
                                @Size(max = 5000, message = "expected at most 5000") List<@NotNull @Valid FingerRequest> fingers,
                                @Size(max = 2000, message = "expected at most 2000") List<@NotNull @Valid LickRequest> licks,
                                @Size(max = 2000, message = "expected at most 2000") List<@NotNull Integer> plain,
                                @Size(max = 2000, message = "expected at most 2000") List<@NotNull Integer> asTheyAre) {

        int count() {
            return Stream.of(overrides, locks, fingers, licks, plain, asTheyAre).filter(Objects::nonNull).mapToInt(List::size).sum();
        }
    }

    /** How many choices wait for bars that are gone. */
    int waiting() {
        return parked == null ? 0 : parked.count();
    }

    Choices choices() {
        Options song = new OptionsRequest(figure, voicing, register, bassLine, leadIn, tenths, variations, withBassPlayer, keepTop, pedal, octaves, level).options();
        Map<String, Options> bySection = new HashMap<>();
        Optional.ofNullable(sections).ifPresent(all -> all.forEach((name, options) -> bySection.put(name, options.options())));
        return new Choices(song, bySection, Optional.ofNullable(overrides).orElse(List.of()).stream().map(OverrideRequest::override).toList(),
                Optional.ofNullable(locks).orElse(List.of()).stream().map(LockRequest::lock).toList(), costs == null ? Weights.USUAL : new Weights(costs), Optional.ofNullable(swingRatio),
                Optional.ofNullable(ending).map(ChoicesRequest::held), Optional.ofNullable(seed),
                Optional.ofNullable(fingers).orElse(List.of()).stream().map(FingerRequest::placed).toList(),
                right == null ? RightHand.NONE : right.right());
    }

    private static boolean held(String name) {
        if (!name.equals("held") && !name.equals("figure")) {
            throw Refusal.unusable("ending \"" + name + "\": expected held or figure");
        }
        return name.equals("held");
    }
}
