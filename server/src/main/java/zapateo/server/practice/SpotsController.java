package zapateo.server.practice;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Arrangement;
import zapateo.names.Names;
import zapateo.part.Reason;
import zapateo.practice.Spots;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.arrangements.Arranging;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.NameOf;
import zapateo.server.problems.ReasonWords;
import zapateo.server.work.Computes;

/** Where a song is hard. */
@Computes
@RestController
@RequestMapping("/api/practice")
public class SpotsController {

    private final Arranging arranging;
    private final ReasonWords words;

    SpotsController(Arranging arranging, ReasonWords words) {
        this.arranging = arranging;
        this.words = words;
    }

    /** @param failed share of the passes that were not clean, by the bar's number in the chart */
    public record SpotsRequest(
            @NotNull(message = "expected what was arranged") @Valid
            ArrangeRequest arrangement,

            @Size(max = 10000, message = "expected at most 10000")
            Map<
                            @BarNumber Integer,
                            @NotNull(message = "expected a share") @DecimalMin(value = "0", message = "expected 0 to 1")
                            @DecimalMax(value = "1", message = "expected 0 to 1") Double>
                    failed) {}

    /**
     * A place to practise.
     *
     * @param kind change, bar or phrase
     * @param first index of its first bar as played; @param from its number in the chart
     * @param asks what makes it hard most: reach, jumps, fingers, rhythm, together or reading
     */
    public record SpotView(
            @NameOf(Spots.Kind.class) String kind,
            int first,
            int last,
            int from,
            int to,
            double difficulty,
            String asks,
            double fastest,
            String text) {}

    public record SpotsView(List<SpotView> spots, List<SpotView> phrases) {}

    /** Where a song is hard, the hardest first, and its phrases. */
    @PostMapping("/spots")
    public SpotsView spots(@Valid @RequestBody SpotsRequest request) {
        Arrangement arrangement = arranging.arrange(request.arrangement()).arrangement();
        return new SpotsView(
                Spots.of(arrangement, request.failed() == null ? Map.of() : request.failed()).stream()
                        .map(spot -> view(arrangement, spot))
                        .toList(),
                Spots.phrases(arrangement).stream()
                        .map(spot -> view(arrangement, spot))
                        .toList());
    }

    private SpotView view(Arrangement arrangement, Spots.Spot spot) {
        String kind = Names.of(spot.kind());
        int from = arrangement.song().bars().get(spot.first()).number();
        int to = arrangement.song().bars().get(spot.last()).number();
        String text = words.of(Reason.of(
                "practice-spot-" + kind,
                Map.of(
                        "from",
                        spot.from(),
                        "to",
                        spot.to(),
                        "asks",
                        words.of(Reason.of("practice-asks-" + spot.asks().id(), Map.of())))));
        return new SpotView(
                kind,
                spot.first(),
                spot.last(),
                from,
                to,
                Tenths.of(spot.difficulty()),
                spot.asks().id(),
                Tenths.of(spot.fastest()),
                text);
    }
}
