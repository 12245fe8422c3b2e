package zapateo.server.arrangements;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Preset;
import zapateo.arrangement.Suggestions;
import zapateo.arrangement.ToldApart;
import zapateo.choice.Choice;
import zapateo.hand.Pianist;
import zapateo.lefthand.Realised;
import zapateo.lefthand.Spacing;
import zapateo.lefthand.Weights;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.PlaceInSong;
import zapateo.server.figures.Figures;
import zapateo.server.players.Measures;
import zapateo.server.players.Player;
import zapateo.server.problems.ChoiceWords;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.server.problems.StrokeWords;
import zapateo.song.Song;

/** Answers a player's questions: why this note, what to try, what there is. */
@Service
public class Asking {

    private static final int OTHER_WAYS = 2;
    private static final int SUGGESTED = 5;
    private final Arranging arranging;
    private final Figures figures;
    private final ReasonWords words;
    private final StrokeWords strokeWords;
    private final ChoiceWords choiceWords;

    Asking(Arranging arranging, Figures figures, ReasonWords words, StrokeWords strokeWords, ChoiceWords choiceWords) {
        this.choiceWords = choiceWords;
        this.arranging = arranging;
        this.figures = figures;
        this.words = words;
        this.strokeWords = strokeWords;
    }

    /**
     * @param stroke place among the strokes of the arrangement, from 0
     * @param note place in the stroke from below, from 0; absent is 0
     */
    public record WhyRequest(
            @NotNull(message = "expected what was arranged") @Valid
            ArrangeRequest arrangement,

            @NotNull(message = "expected a stroke's place") @PlaceInSong
            Integer stroke,

            @PlaceInSong Integer note) {}

    /**
     * @param rule what the note is, in a sentence
     * @param stroke why it is struck there, in a sentence
     * @param ways how the chord could be laid: the chosen way first, then the best others
     */
    public record WhyView(String name, String role, String chord, String rule, String stroke, List<WayView> ways) {}

    /**
     * @param notes low to high
     * @param more what the whole song would cost more; 0 for the chosen way
     * @param costs what of that is more or less
     */
    public record WayView(List<String> notes, double more, List<CostView> costs) {}

    /** @param value more than the chosen way where it is above zero, less below */
    public record CostView(String id, String name, double value) {}

    WhyView why(WhyRequest request) {
        Arrangement arrangement = arranging.arrange(request.arrangement()).arrangement();
        List<Stroke> strokes = arrangement.strokes();
        if (request.stroke() < 0 || request.stroke() >= strokes.size()) {
            throw Refusal.unusable("stroke " + request.stroke() + ": "
                    + (strokes.isEmpty() ? "nothing is played" : "expected 0 to " + (strokes.size() - 1)));
        }
        Stroke stroke = strokes.get(request.stroke());
        int place = request.note() == null ? 0 : request.note();
        if (place < 0 || place >= stroke.notes().size()) {
            throw Refusal.unusable(
                    "note " + place + ": expected 0 to " + (stroke.notes().size() - 1));
        }
        PartNote note = stroke.notes().get(place);
        // The other ways are those of the left hand's chord.
        List<WayView> ways = !stroke.nature().origin().isLaid()
                ? List.of()
                : arrangement.laid().ways(stroke.chord(), OTHER_WAYS).stream()
                        .map(way -> view(way, arrangement.laid().cost()))
                        .toList();
        return new WhyView(
                note.pitch().toString(),
                note.role().toString(),
                strokeWords.chord(stroke),
                strokeWords.rule(note, stroke),
                strokeWords.why(stroke),
                ways);
    }

    private static WayView view(Realised.Way way, double best) {
        List<Pitch> notes =
                way.bass().filter(bass -> !way.chord().contains(bass)).isPresent()
                        ? Stream.concat(way.bass().stream(), way.chord().stream())
                                .toList()
                        : way.chord();
        return new WayView(
                notes.stream().map(Pitch::toString).toList(),
                Math.round(100 * (way.total() - best)) / 100.0,
                way.here().entrySet().stream()
                        .map(each -> new CostView(
                                each.getKey(),
                                Weights.all().stream()
                                        .filter(cost -> cost.id().equals(each.getKey()))
                                        .map(Weights.Cost::name)
                                        .findFirst()
                                        .orElse(each.getKey()),
                                Math.round(100 * each.getValue()) / 100.0))
                        .toList());
    }

    /**
     * A chart that looks for figures.
     *
     * @param hand whose hands, on what; absent are usual ones on a full-size piano
     * @param level at which they are to be played; absent as they are
     * @param apart whether to tell what sets the figures apart, which takes laying the song with each of them
     */
    public record SuggestRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid Measures hand,

            @Min(value = 1, message = "expected 1 to 5") @Max(value = 5, message = "expected 1 to 5")
            Integer level,

            Boolean apart) {}

    /** @param common reasons that hold for all of the figures */
    public record SuggestView(List<SuggestionView> figures, List<String> common, List<PresetView> presets) {}

    /**
     * A figure worth trying.
     *
     * @param reasons what speaks for it, then what speaks against it
     * @param apart what it does to this song, in this hand, that the others do not; empty unless it was asked for
     */
    public record SuggestionView(String figure, String name, double score, List<String> reasons, List<String> apart) {}

    /** @param choices what it sets on this song; the rest is left as it was */
    public record PresetView(String id, String name, String use, OptionsRequest choices) {}

    SuggestView suggest(SuggestRequest request) {
        Song song = arranging.read(request.chart());
        FigureBook book = figures.bookOf(Player.ONLY);
        List<Suggestions.Suggestion> found = Suggestions.of(song, book.figures(), SUGGESTED);
        List<List<Reason>> apart = Boolean.TRUE.equals(request.apart())
                ? ToldApart.of(
                        new Arranger(book),
                        song,
                        found.stream().map(Suggestions.Suggestion::figure).toList(),
                        Optional.ofNullable(request.level()),
                        request.hand() == null ? Pianist.USUAL : request.hand().pianist())
                : found.stream().map(each -> List.<Reason>of()).toList();
        List<SuggestionView> views = new ArrayList<>();
        for (int i = 0; i < found.size(); i++) {
            Suggestions.Suggestion each = found.get(i);
            views.add(new SuggestionView(
                    each.figure().id(),
                    each.figure().name(),
                    Math.round(10 * each.score()) / 10.0,
                    each.reasons().stream().map(words::of).toList(),
                    apart.get(i).stream().map(words::of).toList()));
        }
        List<String> common = views.isEmpty()
                ? List.of()
                : views.get(0).reasons().stream()
                        .filter(reason ->
                                views.stream().allMatch(view -> view.reasons().contains(reason)))
                        .toList();
        return new SuggestView(
                views,
                common,
                Preset.all().stream()
                        .map(preset -> new PresetView(
                                preset.id(), preset.name(), preset.use(), OptionsRequest.of(preset.options(song))))
                        .toList());
    }

    /** Something that can be chosen by its id. */
    public record NamedView(String id, String name, String use) {

        static NamedView of(Choice.Thing thing) {
            return new NamedView(thing.id(), thing.name(), thing.use());
        }
    }

    /** @param weight how much one unit counts as it ships; costs multiply it */
    public record WeighedView(String id, String name, String unit, double weight) {}

    /**
     * What a stroke of a figure can play.
     *
     * @param id in the handbook's signs
     * @param brief how it stands over its step
     * @param alone whether it is struck without others
     */
    public record RoleView(
            String id, @Schema(allowableValues = {"L", "R"}) String hand, String name, String brief, boolean alone) {}

    /**
     * What there is to choose from.
     *
     * @param spacings how strokes can be spaced
     * @param roles of the left hand and of the right, as one steps through them
     */
    public record ThereIsView(
            List<ChoiceView> choices, List<WeighedView> costs, List<String> spacings, List<RoleView> roles) {}

    ThereIsView thereIs() {
        return new ThereIsView(
                ChoiceView.all(choiceWords),
                Weights.all().stream()
                        .map(each -> new WeighedView(each.id(), each.name(), each.unit(), each.weight()))
                        .toList(),
                Spacing.names(),
                Stream.of(Side.LEFT, Side.RIGHT)
                        .flatMap(hand -> Role.offered(hand).stream().map(role -> {
                            ReasonWords.Step said = words.step(hand, role);
                            return new RoleView(
                                    role.toString(), hand.letter(), said.name(), said.brief(), role.isAlone());
                        }))
                        .toList());
    }
}
