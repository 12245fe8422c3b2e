package zapateo.server.charts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import zapateo.server.bounds.LongText;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;

/** Reads chart text and says what it means. */
@Computes
@RestController
@RequestMapping("/api/charts")
public class ChartController {

    private final ProblemWords words;

    ChartController(ProblemWords words) {
        this.words = words;
    }

    /**
     * @param text the chart
     * @param doubles {@code thirds} spells chord tones by thirds, {@code simple} writes double flats and sharps as
     *     plain keys; absent means thirds
     */
    public record ParseRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String text,

            Doubles doubles) {

        /** How chord tones are spelled. */
        public enum Doubles {
            thirds,
            simple
        }
    }

    /**
     * The song as far as it can be read, with all problems; 422 when not one bar can.
     *
     * @param sections whether it is told as it is played too, not only as it is written
     */
    @PostMapping("/parse")
    public ChartView parse(
            @Valid @RequestBody ParseRequest request, @RequestParam(defaultValue = "true") boolean sections) {
        ChartReading reading = ChartParser.parse(request.text());
        return reading.song()
                .map(song -> ChartView.of(
                        reading,
                        song,
                        words.of(reading.problems()),
                        request.doubles() == ParseRequest.Doubles.simple,
                        sections))
                .orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
    }
}
