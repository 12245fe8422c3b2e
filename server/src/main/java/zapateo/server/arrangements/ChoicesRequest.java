package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.Optional;
import zapateo.arrangement.Choices;
import zapateo.rhythm.Register;
import zapateo.server.problems.Refusal;

/**
 * What a player may choose; everything may be absent. It is kept with the song as it is sent.
 *
 * @param figure     id of a figure; {@code held} when absent
 * @param voicing    {@code auto} or a voicing's id
 * @param register   where the bass lies
 * @param swingRatio long to short eighth, 1 to 4; absent follows feel and tempo
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ChoicesRequest(String figure, String voicing, @Schema(allowableValues = {"deep", "middle"}) String register, Double swingRatio) {

    private static final String AUTO = "auto";

    public static final ChoicesRequest NONE = new ChoicesRequest(null, null, null, null);

    Choices choices() {
        return new Choices(Optional.ofNullable(figure), Optional.ofNullable(voicing).filter(id -> !id.equals(AUTO)),
                Optional.ofNullable(register).map(ChoicesRequest::register), Optional.ofNullable(swingRatio));
    }

    private static Register register(String name) {
        return Arrays.stream(Register.values()).filter(register -> register.id().equals(name)).findFirst()
                .orElseThrow(() -> Refusal.unusable("register \"" + name + "\": expected deep or middle"));
    }
}
