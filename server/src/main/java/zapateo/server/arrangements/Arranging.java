package zapateo.server.arrangements;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.server.problems.ProblemView;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;
import zapateo.song.Song;

/** From what was sent to the core and back. */
@Service
public class Arranging {

    private final Arranger arranger;
    private final ProblemWords words;

    Arranging(Arranger arranger, ProblemWords words) {
        this.arranger = arranger;
        this.words = words;
    }

    /** An arrangement and all that was wrong or adapted on the way. */
    public record Result(Arrangement arrangement, List<ProblemView> problems) {

        public ArrangementView view() {
            return ArrangementView.of(arrangement, problems);
        }
    }

    public Result arrange(ArrangeRequest request) {
        Hand left = request.hand() == null || request.hand().left() == null ? Hand.USUAL : Hand.of(request.hand().left().spanMm());
        if (request.hand() != null && request.hand().right() != null) {
            Hand.of(request.hand().right().spanMm());
        }
        return arrange(request.chart(), request.choices(), left);
    }

    /** The song of a chart; a refusal with its problems where there is none. */
    public Song read(String chart) {
        ChartReading reading = ChartParser.parse(chart);
        return reading.song().orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
    }

    public Result arrange(String chart, ChoicesRequest choices, Hand left) {
        ChartReading reading = ChartParser.parse(chart);
        Song song = reading.song().orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
        Arrangement arrangement = arranger.arrange(song, choices == null ? Choices.OPEN : choices.choices(), left);
        List<ProblemView> problems = new ArrayList<>(words.of(reading.problems()));
        arrangement.notices().forEach(notice -> problems.add(words.of(notice)));
        return new Result(arrangement, problems);
    }
}
