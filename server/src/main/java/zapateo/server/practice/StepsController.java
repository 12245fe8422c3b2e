package zapateo.server.practice;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.PlausibleDate;
import zapateo.server.bounds.ShortText;
import zapateo.server.players.Player;

/** How long each step took where nothing moves until the right keys are down. */
@RestController
@RequestMapping("/api/practice/steps")
public class StepsController {

    private final Practising practising;

    StepsController(Practising practising) {
        this.practising = practising;
    }

    /**
     * Once through.
     *
     * @param id of the page's making, so that it is kept once however often it is sent
     * @param day the player's own; absent is the server's
     * @param ms milliseconds of each step
     */
    public record RoundRequest(
            @NotNull(message = "expected an id") UUID id,
            @NotNull(message = "expected a song") UUID song,
            @PlausibleDate LocalDate day,

            @NotNull(message = "expected a bar's number") @BarNumber
            Integer first,

            @NotNull(message = "expected a bar's number") @BarNumber
            Integer last,

            @NotNull(message = "expected a layer") @ShortText
            String layer,

            @NotEmpty(message = "expected milliseconds of each step")
            @Size(max = 5_000, message = "expected at most 5,000 steps")
            List<
                            @NotNull(message = "expected milliseconds") @Min(value = 0, message = "expected 0 or more")
                            @Max(value = 3_600_000, message = "expected an hour at most") Integer>
                    ms) {}

    public record RoundView(UUID id, OffsetDateTime at, List<Integer> ms) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public RoundView keep(@Valid @RequestBody RoundRequest request) {
        OffsetDateTime at = OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MICROS);
        StepRow row = new StepRow(
                request.id(),
                Player.ONLY.id(),
                request.song(),
                at,
                request.day() == null ? LocalDate.now() : request.day(),
                request.first(),
                request.last(),
                request.layer(),
                request.ms().stream().map(String::valueOf).collect(Collectors.joining(" ")));
        practising.keep(Player.ONLY, row);
        return view(row);
    }

    /** The last times through a place, the latest first. */
    @GetMapping("/{song}")
    public List<RoundView> rounds(
            @PathVariable UUID song,
            @RequestParam @BarNumber int first,
            @RequestParam @BarNumber int last,
            @RequestParam @ShortText String layer) {
        return practising.steps(Player.ONLY, song, first, last, layer).stream()
                .map(StepsController::view)
                .toList();
    }

    private static RoundView view(StepRow row) {
        return new RoundView(
                row.id(),
                row.steppedAt(),
                Stream.of(row.ms().split(" ")).map(Integer::valueOf).toList());
    }
}
