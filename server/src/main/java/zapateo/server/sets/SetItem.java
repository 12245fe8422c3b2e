package zapateo.server.sets;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.util.UUID;

/**
 * A song of an evening as it is played that night, or a break.
 *
 * @param song absent for a break
 * @param arrangement the id of one of its arrangements; absent for the open one
 * @param semitones it is moved by from the key it is kept in, -11 to 11
 * @param tempo in the song's beats a minute; absent is its own
 * @param minutes of a break
 * @param note for the player
 * @param remark that is spoken
 * @param who plays and sings
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record SetItem(
        @Schema(description = "absent for a break") UUID song,
        @Schema(description = "absent for the open one") UUID arrangement,

        @Min(value = -11, message = "expected -11 to 11") @Max(value = 11, message = "expected -11 to 11")
        Integer semitones,

        @DecimalMin(value = "20", message = "expected 20 to 400")
        @DecimalMax(value = "400", message = "expected 20 to 400")
        Double tempo,

        @DecimalMin(value = "0", message = "expected 0 to 600")
        @DecimalMax(value = "600", message = "expected 0 to 600")
        Double minutes,

        @Size(max = 500, message = "expected at most 500 characters")
        String note,

        @Size(max = 1000, message = "expected at most 1000 characters")
        String remark,

        @Size(max = 200, message = "expected at most 200 characters")
        String who) {

    boolean isBreak() {
        return song == null;
    }

    int moved() {
        return semitones == null ? 0 : semitones;
    }
}
