package zapateo.server.charts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;

/** Reads chart text. */
@RestController
@RequestMapping("/api/charts")
public class ChartController {

    private final ProblemWords words;

    ChartController(ProblemWords words) {
        this.words = words;
    }

    /** @param text the chart */
    public record ParseRequest(@NotNull(message = "expected the chart's text") String text) {
    }

    /** The song as far as it can be read, with all problems; 422 when not one bar can. */
    @PostMapping("/parse")
    public ChartView parse(@Valid @RequestBody ParseRequest request) {
        ChartReading reading = ChartParser.parse(request.text());
        return reading.song().map(song -> ChartView.of(song, words.of(reading.problems())))
                .orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
    }
}
