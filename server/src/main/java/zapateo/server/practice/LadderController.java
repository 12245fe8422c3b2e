package zapateo.server.practice;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.practice.Ladder;
import zapateo.server.bounds.BeatsPerMinute;

/** Which tempo comes next; nothing is kept here. */
@RestController
@RequestMapping("/api/practice")
public class LadderController {

    /**
     * @param stops tempos of one's own; absent are small steps
     * @param last the tempo that was clean last; absent where none was
     * @param rung where one stands; absent is the beginning
     * @param clean how the pass went; absent is no pass
     */
    public record LadderRequest(
            @NotNull(message = "expected a goal") @BeatsPerMinute
            Double goal,

            @Size(max = 20, message = "expected at most 20") List<@NotNull @BeatsPerMinute Double> stops,
            @BeatsPerMinute Double last,
            @Valid RungRequest rung,
            Boolean clean) {}

    public record RungRequest(
            @NotNull(message = "expected a tempo") @BeatsPerMinute
            Double tempo,

            @NotNull(message = "expected a number")
            @Min(value = 0, message = "expected 0 to 10000")
            @Max(value = 10000, message = "expected 0 to 10000")
            Integer clean,

            @NotNull(message = "expected a number")
            @Min(value = 0, message = "expected 0 to 10000")
            @Max(value = 10000, message = "expected 0 to 10000")
            Integer failed) {}

    /** @param rungs all tempos from where it begins to the goal */
    public record LadderView(double tempo, int clean, int failed, List<Double> rungs) {}

    /** Which tempo comes next. */
    @PostMapping("/ladder")
    public LadderView ladder(@Valid @RequestBody LadderRequest request) {
        Ladder ladder = new Ladder(request.goal(), request.stops() == null ? List.of() : request.stops());
        Ladder.Rung start = ladder.start(Optional.ofNullable(request.last()));
        Ladder.Rung rung = request.rung() == null
                ? start
                : new Ladder.Rung(
                        request.rung().tempo(),
                        request.rung().clean(),
                        request.rung().failed());
        Ladder.Rung next = request.clean() == null ? rung : ladder.after(rung, request.clean());
        List<Double> rungs = new ArrayList<>(ladder.rungs(
                Math.min(next.tempo(), ladder.start(Optional.empty()).tempo())));
        rungs.add(ladder.goal());
        return new LadderView(next.tempo(), next.clean(), next.failed(), rungs);
    }
}
