package zapateo.server.arrangements;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.server.figures.Figures;
import zapateo.server.players.Player;
import zapateo.server.problems.ProblemView;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;
import zapateo.song.Song;

/** From what was sent to the core and back. */
@Service
public class Arranging {

    private final Figures figures;
    private final ProblemWords words;

    Arranging(Figures figures, ProblemWords words) {
        this.figures = figures;
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
        List<Figure> drafts = request.figures() == null ? List.of() : request.figures().stream().map(figures::checked).toList();
        return arrange(request.chart(), request.choices(), left, drafts);
    }

    /** The song of a chart; a refusal with its problems where there is none. */
    public Song read(String chart) {
        ChartReading reading = ChartParser.parse(chart);
        return reading.song().orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
    }

    public Result arrange(String chart, ChoicesRequest choices, Hand left) {
        return arrange(chart, choices, left, List.of());
    }

    private Result arrange(String chart, ChoicesRequest choices, Hand left, List<Figure> drafts) {
        ChartReading reading = ChartParser.parse(chart);
        Song song = reading.song().orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
        Choices chosen = choices == null ? Choices.OPEN : choices.choices();
        Set<String> named = new HashSet<>(chosen.figures());
        drafts.forEach(draft -> named.remove(draft.id()));
        FigureBook book = figures.bookFor(Player.ONLY, named).with(drafts);
        Arrangement arrangement = new Arranger(book).arrange(song, chosen, left);
        List<ProblemView> problems = new ArrayList<>(words.of(reading.problems()));
        arrangement.notices().forEach(notice -> problems.add(words.of(notice)));
        return new Result(arrangement, problems);
    }
}
