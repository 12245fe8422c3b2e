package zapateo.server.arrangements;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.BassPart;
import zapateo.arrangement.Building;
import zapateo.arrangement.Choices;
import zapateo.arrangement.LevelLadder;
import zapateo.arrangement.Repairs;
import zapateo.arrangement.SongChoice;
import zapateo.colour.Coloured;
import zapateo.colour.Formed;
import zapateo.colour.KeptColour;
import zapateo.critic.Fault;
import zapateo.hand.Pianist;
import zapateo.harmony.Key;
import zapateo.part.Reason;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureFile;
import zapateo.rhythm.Swing;
import zapateo.rhythm.Tempo;
import zapateo.server.figures.Figures;
import zapateo.server.kept.Content;
import zapateo.server.players.Player;
import zapateo.server.problems.ProblemView;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Works;
import zapateo.song.Bar;
import zapateo.song.ChartReading;
import zapateo.song.Song;
import zapateo.song.Timeline;

/** From what was sent to the core and back. */
@Service
public class Arranging {

    private final Figures figures;
    private final Computed computed;
    private final ProblemWords words;
    private final ReasonWords reasons;
    private final Works works;

    Arranging(Figures figures, Computed computed, ProblemWords words, ReasonWords reasons, Works works) {
        this.figures = figures;
        this.computed = computed;
        this.words = words;
        this.reasons = reasons;
        this.works = works;
    }

    /** An arrangement and all that was wrong or adapted on the way. */
    public record Result(
            Arrangement arrangement,
            Pianist pianist,
            Supplier<List<ProblemView>> problems,
            Function<Boolean, ArrangementView> views) {

        /** @param withParts whether it is told what makes bars hard */
        public ArrangementView view(boolean withParts) {
            return views.apply(withParts);
        }
    }

    public Result arrange(ArrangeRequest request) {
        return arrange(asked(request));
    }

    /**
     * A request that was understood: what to arrange, with which figures, for whom.
     *
     * @param texts of the figures that do not ship
     * @param waiting how many choices wait for bars that are gone
     */
    public record Asked(
            String chart,
            ChartReading reading,
            Song song,
            Choices choices,
            Arranger arranger,
            List<String> texts,
            Pianist pianist,
            int waiting) {

        private Computed.Key key(Choices others) {
            return new Computed.Key(chart, others, texts, pianist);
        }
    }

    /** A refusal with its problems where there is no song. */
    public Asked asked(ArrangeRequest request) {
        List<Figure> drafts = request.figures() == null
                ? List.of()
                : request.figures().stream().map(figures::checked).toList();
        return asked(
                request.chart(),
                request.choices(),
                request.hand() == null ? Pianist.USUAL : request.hand().pianist(),
                drafts);
    }

    /** The song of a chart; a refusal with its problems where there is none. */
    public Song read(String chart) {
        ChartReading reading = computed.reading(chart);
        return reading.song().orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
    }

    /** The song in its form with the colours that choices keep. */
    public Song heard(String chart, ChoicesRequest choices) {
        Song song = read(chart);
        if (choices == null) {
            return song;
        }
        Choices chosen = choices.choices("choices.");
        return Coloured.of(Formed.of(song, Building.of(chosen.song())).song(), chosen.colours())
                .song();
    }

    /**
     * How a song is told of where many are: no hand is laid for it.
     *
     * @param ms of all of it, in its own tempos
     */
    public record Length(Key key, Tempo tempo, double ms) {}

    /**
     * The length of a song in its form, found once for what it says. Swing moves what lies inside the beats and no bar
     * line.
     */
    public Length length(String chart, ChoicesRequest choices) {
        return computed.length(Content.hash(chart + "\n" + choices), () -> {
            Song played = heard(chart, choices);
            return new Length(
                    played.key(),
                    played.tempo(),
                    Timeline.of(played, Swing.NONE).ms(played.ticks()));
        });
    }

    public Result arrange(String chart, ChoicesRequest choices, Pianist pianist) {
        return arrange(asked(chart, choices, pianist, List.of()));
    }

    /** The line a bass player has. */
    public Arrangement bassPart(String chart, ChoicesRequest choices, Pianist pianist) {
        Asked asked = asked(chart, choices, pianist, List.of());
        FigureBook book = figures.bookFor(Player.ONLY, asked.choices().figures());
        works.enter();
        return new Arranger(book).arrange(asked.song(), BassPart.of(asked.song(), asked.choices(), book), pianist);
    }

    private Asked asked(String chart, ChoicesRequest choices, Pianist pianist, List<Figure> drafts) {
        ChartReading reading = computed.reading(chart);
        Song song = reading.song().orElseThrow(() -> Refusal.chart(words.of(reading.problems())));
        Choices chosen = choices == null ? Choices.OPEN : choices.choices("choices.");
        Set<String> named = new HashSet<>(chosen.figures());
        drafts.forEach(draft -> named.remove(draft.id()));
        FigureBook book = figures.bookFor(Player.ONLY, named).with(drafts);
        List<String> texts = chosen.figures().stream()
                .filter(id -> figures.shipped(id).isEmpty())
                .sorted()
                .flatMap(id -> book.figure(id).stream())
                .map(FigureFile::write)
                .toList();
        return new Asked(
                chart,
                reading,
                song,
                chosen,
                new Arranger(book),
                texts,
                pianist,
                choices == null ? 0 : choices.waiting());
    }

    private Result arrange(Asked asked) {
        Choices choices = settled(asked);
        Computed.Key key = asked.key(choices);
        Arrangement arrangement = arranged(asked, choices);
        Supplier<List<ProblemView>> problems = () -> problems(asked, arrangement);
        return new Result(
                arrangement,
                asked.pianist(),
                problems,
                withParts -> computed.view(
                        new Computed.ViewKey(key, withParts, asked.waiting()),
                        () -> ArrangementView.of(
                                arrangement, asked.pianist(), withParts, problems.get(), reasons::of)));
    }

    /** How hard a song is for the hands without and with a colour, and the bar it begins in. */
    public record Weighed(double before, double after, double barBefore, double barAfter) {}

    /** What a colour costs the hands that play it. */
    public Weighed weighed(ArrangeRequest request, ChoicesRequest.ColourRequest colour) {
        Asked asked = asked(request);
        Choices choices = settled(asked);
        KeptColour kept = colour.kept();
        List<KeptColour> others = choices.colours().stream()
                .filter(each -> !(each.bar() == kept.bar() && each.tick() == kept.tick()))
                .toList();
        Arrangement before = arranged(asked, choices.colours(others));
        Arrangement after = arranged(
                asked,
                choices.colours(Stream.concat(others.stream(), Stream.of(kept)).toList()));
        int bar = before.song().bars().stream()
                .filter(each -> each.number() == kept.bar())
                .findFirst()
                .map(Bar::index)
                .orElse(0);
        return new Weighed(
                Told.tenth(before.play().song().total()),
                Told.tenth(after.play().song().total()),
                Told.tenth(before.play().bars().get(bar).difficulty().total()),
                Told.tenth(after.play().bars().get(bar).difficulty().total()));
    }

    private Arrangement arranged(Asked asked, Choices choices) {
        return computed.arrangement(
                asked.key(choices), () -> asked.arranger().arrange(asked.song(), choices, asked.pianist()));
    }

    /** What may mend an arrangement that was read. */
    Repairs repairs(ArrangeRequest request, List<Fault> read) {
        Asked asked = asked(request);
        return new Repairs(asked.arranger(), asked.song(), settled(asked), asked.pianist(), read);
    }

    private List<ProblemView> problems(Asked asked, Arrangement arrangement) {
        List<ProblemView> problems = new ArrayList<>(words.of(asked.reading().problems()));
        arrangement.notices().forEach(notice -> problems.add(words.of(notice)));
        if (asked.waiting() > 0) {
            problems.add(words.of(Reason.of("parked", Map.of("count", String.valueOf(asked.waiting())))));
        }
        return problems;
    }

    /** Measures levels with what was computed before. */
    LevelLadder ladder(Asked asked) {
        return new LevelLadder(
                asked.arranger(),
                (song, choices, pianist) -> computed.arrangement(
                        asked.key(choices), () -> asked.arranger().arrange(song, choices, pianist)));
    }

    /** Which way each level takes; asked once for a song, a left hand and hands. */
    List<Integer> ways(Asked asked) {
        return computed.ways(
                asked.key(asked.choices().leftAlone()),
                () -> new LevelLadder(asked.arranger()).ways(asked.song(), asked.choices(), asked.pianist()));
    }

    private Choices settled(Asked asked) {
        return asked.choices().wantsWays() ? asked.choices().with(SongChoice.WAYS, ways(asked)) : asked.choices();
    }
}
