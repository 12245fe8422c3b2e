package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.Optional;
import zapateo.arrangement.Options;
import zapateo.hand.TooWide;
import zapateo.rhythm.Register;
import zapateo.server.problems.Refusal;

/** What may be chosen for a section; absent is as the song has it. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record OptionsRequest(String figure, String voicing, @Schema(allowableValues = {"deep", "middle"}) String register, String bassLine, String leadIn,
                             @Schema(allowableValues = {"play", "roll", "pedal", "omit"}) String tenths, Boolean variations, Boolean withBassPlayer, Boolean keepTop, Boolean pedal,
                             @Schema(allowableValues = {"play", "roll", "pedal", "omit"}) String octaves, Integer level) {

    private static final String AUTO = "auto";

    Options options() {
        return new Options(Optional.ofNullable(figure), Optional.ofNullable(voicing).filter(id -> !id.equals(AUTO)), Optional.ofNullable(register).map(OptionsRequest::register),
                Optional.ofNullable(bassLine).filter(id -> !id.equals(AUTO)), Optional.ofNullable(leadIn).filter(id -> !id.equals(AUTO)), Optional.ofNullable(tenths).map(way -> way("tenths", way)),
                Optional.ofNullable(variations), Optional.ofNullable(withBassPlayer), Optional.ofNullable(keepTop), Optional.ofNullable(pedal),
                Optional.ofNullable(octaves).map(way -> way("octaves", way)), Optional.ofNullable(level));
    }

    static OptionsRequest of(Options options) {
        return new OptionsRequest(options.figure().orElse(null), options.voicing().orElse(null), options.register().map(Register::id).orElse(null), options.bassLine().orElse(null),
                options.leadIn().orElse(null), options.tenths().map(TooWide::id).orElse(null), options.variations().orElse(null), options.withBassPlayer().orElse(null),
                options.keepTop().orElse(null), options.pedal().orElse(null), options.octaves().map(TooWide::id).orElse(null), options.level().orElse(null));
    }

    private static Register register(String name) {
        return Arrays.stream(Register.values()).filter(register -> register.id().equals(name)).findFirst()
                .orElseThrow(() -> Refusal.unusable("register \"" + name + "\": expected deep or middle"));
    }

    private static TooWide way(String what, String name) {
        return TooWide.named(name).orElseThrow(() -> Refusal.unusable(what + " \"" + name + "\": expected play, roll, pedal or omit"));
    }
}
