package zapateo.server.figures;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.arrangement.Level;
import zapateo.choice.Choice;
import zapateo.lefthand.LeftChoice;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.server.bounds.NameOf;
import zapateo.server.bounds.ShortText;
import zapateo.server.problems.ChoiceWords;

/**
 * A figure.
 *
 * @param accepts ids of the voicings that can fill it, the usual one first
 * @param choices what it has of the left hand's choices that are not the same for all figures, by their ids
 * @param chords how many chords a bar it carries well
 * @param suits what harmony it goes with
 * @param hands L, or L and R
 * @param strokes its bars in each metre it is written for
 * @param atLevels ids of the figures that are usually heard in its place at levels 1 to 5; where it is heard itself,
 *     its own
 * @param version of a figure of one's own, to be sent back when it is changed; null for those that ship
 */
public record FigureView(
        String id,
        String name,
        String family,
        String use,
        List<String> meters,
        List<String> feel,
        int level,
        int minTempo,
        int maxTempo,
        int chords,
        List<String> suits,
        List<String> accepts,
        Map<String, OfferView> choices,
        List<String> registers,
        List<String> hands,
        List<FigureBarView> strokes,
        MannerView manner,
        List<VariationView> variations,
        List<String> atLevels,
        @Schema(types = {"integer", "null"}) Integer version) {

    static FigureView of(Figure figure, Integer version) {
        return new FigureView(
                figure.id(),
                figure.name(),
                figure.family(),
                figure.use(),
                figure.bars().keySet().stream().map(Meter::toString).toList(),
                figure.suits().feels().stream().map(Feel::id).toList(),
                figure.suits().level(),
                figure.suits().minTempo(),
                figure.suits().maxTempo(),
                figure.suits().chords(),
                figure.suits().tags(),
                figure.manner().voicings(),
                offers(figure),
                figure.manner().registers().stream().map(Register::id).toList(),
                figure.hands().stream().map(side -> side.letter()).toList(),
                figure.bars().entrySet().stream()
                        .flatMap(each -> each.getValue().stream().map(bar -> FigureBarView.of(each.getKey(), bar)))
                        .toList(),
                MannerView.of(figure),
                figure.variations().stream()
                        .flatMap(each -> each.bars().entrySet().stream()
                                .map(bar -> new VariationView(
                                        each.when().toString(), FigureBarView.of(bar.getKey(), bar.getValue()))))
                        .toList(),
                Level.all().stream().map(level -> level.usually(figure)).toList(),
                version);
    }

    /**
     * @param values the ids of those it takes; null for all
     * @param usual what is heard where it is left open; null where the choice's own usual is
     */
    public record OfferView(
            @Schema(types = {"array", "null"}) List<String> values,
            @Schema(types = {"string", "null"}) String usual) {

        private static <T> Optional<OfferView> of(Choice<T> choice, Figure figure) {
            Optional<List<String>> values = choice.offered().apply(figure);
            Optional<T> usual = choice.usualOf().apply(figure);
            return values.isEmpty() && usual.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new OfferView(
                            values.orElse(null),
                            usual.map(value -> ChoiceWords.written(choice, value))
                                    .orElse(null)));
        }
    }

    private static Map<String, OfferView> offers(Figure figure) {
        Map<String, OfferView> offers = new LinkedHashMap<>();
        LeftChoice.all()
                .forEach(choice -> OfferView.of(choice, figure).ifPresent(offer -> offers.put(choice.id(), offer)));
        return offers;
    }

    /**
     * How it is laid on the keys, as its file says it.
     *
     * @param lifts when the pedal comes up: change, chord, third or half
     * @param turns whether its bars take turns by the song's bars (bar) or as long as a chord stays (chord)
     * @param hasLine whether bass lines and lead-ins have a place in it
     */
    public record MannerView(
            @ShortText String spacing,
            boolean pedal,
            @ShortText String lifts,

            @Size(max = 40, message = "expected at most 40")
            List<@NotNull(message = "expected a role") @ShortText String> line,

            @ShortText String cut,
            @ShortText String roll,
            boolean bass,
            @Schema(types = {"string", "null"}) @ShortText String leadIn,
            @ShortText String times,
            @ShortText String turns,
            boolean hasLine) {

        private static MannerView of(Figure figure) {
            Figure.Manner manner = figure.manner();
            return new MannerView(
                    manner.spacing(),
                    manner.pedal(),
                    manner.lifts().id(),
                    manner.line().stream().map(Role::toString).sorted().toList(),
                    manner.keeps() ? "keep" : "restart",
                    manner.rolling().id(),
                    !manner.bassless(),
                    manner.leadIn().orElse(null),
                    manner.times().id(),
                    manner.phrased() ? "bar" : "chord",
                    figure.hasLine());
        }
    }

    /** @param when every 4, section or last */
    public record VariationView(String when, FigureBarView bar) {}

    /**
     * One bar of a figure in a metre; a metre may have several bars, played in turn.
     *
     * @param count what a player counts for its strokes
     */
    public record FigureBarView(
            String meter, int barTicks, int beatTicks, String count, List<FigureStrokeView> strokes) {

        static FigureBarView of(Meter meter, List<FigureStroke> strokes) {
            return new FigureBarView(
                    meter.toString(),
                    meter.barTicks(),
                    meter.beatTicks(),
                    zapateo.rhythm.Count.of(
                            meter, strokes.stream().map(FigureStroke::tick).toList()),
                    strokes.stream()
                            .map(stroke -> FigureStrokeView.of(stroke, meter))
                            .toList());
        }
    }

    /**
     * @param roles what is struck, in the handbook's signs
     * @param ticks inside the bar; {@code toEnd} lasts as long as the chord, and what comes early for the next chord
     *     may ring beyond the bar
     * @param mark heel for a bass, toe for what lies above it, lead for a note that leads on
     * @param length ticks as they are written, null where it lasts as long as the chord
     */
    public record FigureStrokeView(
            @Schema(allowableValues = {"L", "R"}) String hand,
            String roles,
            int tick,
            int ticks,

            @NameOf(Mark.class) String mark,

            boolean rolled,
            boolean accent,
            @Schema(types = {"integer", "null"}) Integer length) {

        static FigureStrokeView of(FigureStroke stroke, Meter meter) {
            return new FigureStrokeView(
                    stroke.hand().letter(),
                    String.join("+", stroke.roles().stream().map(Role::toString).toList()),
                    stroke.tick(),
                    Math.min(stroke.length(), meter.barTicks() - stroke.tick()),
                    stroke.mark().id(),
                    stroke.rolled(),
                    stroke.accent(),
                    stroke.length() == FigureStroke.TO_THE_END ? null : stroke.length());
        }
    }
}
