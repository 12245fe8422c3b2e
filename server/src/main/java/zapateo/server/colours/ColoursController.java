package zapateo.server.colours;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Choices;
import zapateo.colour.ColourRule;
import zapateo.colour.ColourStyle;
import zapateo.colour.KeptColour;
import zapateo.colour.Offer;
import zapateo.colour.Offers;
import zapateo.colour.WholeSong;
import zapateo.colour.WrittenOut;
import zapateo.part.Reason;
import zapateo.pitch.PitchClass;
import zapateo.refusal.Refused;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.arrangements.ChoicesRequest.ColourRequest;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.ShortText;
import zapateo.server.charts.EditController;
import zapateo.server.players.Measures;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.server.work.Dear;
import zapateo.song.ChartEdit;
import zapateo.song.ChartText;
import zapateo.song.Song;

/** Other chords worth hearing, each with its reason; nothing is kept here. */
@Computes
@RestController
@RequestMapping("/api/colours")
public class ColoursController {

    /** Of more bars than these not everything is told. */
    private static final int MOST_WHOLE = 24;

    private static final int MOST_BEST = 400;
    private static final String AS_THEY_ARE = "as-they-are";
    private static final String WRITTEN_OUT = "written-out";

    private final Arranging arranging;
    private final ReasonWords words;

    ColoursController(Arranging arranging, ReasonWords words) {
        this.arranging = arranging;
        this.words = words;
    }

    /** @param text as a player says it */
    public record ColourStyleView(String id, String text) {}

    /** @param kind what sort of colour it is; @param styles how well each style takes it, 1 to 3 */
    public record ColourRuleView(String id, String name, String kind, String why, Map<String, Integer> styles) {}

    /** The styles and all rules there are. */
    public record ColourBookView(List<ColourStyleView> styles, List<ColourRuleView> rules) {}

    @GetMapping
    public ColourBookView book() {
        return new ColourBookView(
                Arrays.stream(ColourStyle.values())
                        .map(style -> new ColourStyleView(
                                style.id(), words.of(Reason.of("colour-style-" + style.id(), Map.of()))))
                        .toList(),
                ColourRule.all().stream()
                        .map(rule -> new ColourRuleView(rule.id(), rule.name(), rule.kind(), rule.why(), byId(rule)))
                        .toList());
    }

    private static Map<String, Integer> byId(ColourRule rule) {
        Map<String, Integer> styles = new java.util.TreeMap<>();
        rule.styles().forEach((style, weight) -> styles.put(style.id(), weight));
        return styles;
    }

    /**
     * @param choices colours they keep are no part of what is offered for
     * @param bars as numbered in the chart: 5 or 5-8
     * @param style only what it takes; absent is all there is
     */
    public record ColourOffersRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,

            @Size(max = 4, message = "expected at most 4")
            List<@NotNull @Size(max = 20_000, message = "expected at most 20,000 characters") String> figures,

            @NotNull(message = "expected bars, as in 5-8") @ShortText
            String bars,

            @ShortText String style) {}

    public record ColourOffersView(List<ColourOfferView> offers) {}

    /** @param bars by index, as played */
    public record ColourPlacesView(List<Integer> bars) {}

    /** In which bars there is something worth hearing. */
    @PostMapping("/places")
    public ColourPlacesView places(@Valid @RequestBody ColourOffersRequest request) {
        Choices.Run bars = run(request.bars());
        return new ColourPlacesView(
                offers(arranging.read(request.chart()), request).in(bars.first(), bars.last()).stream()
                        .filter(offer -> offer.rule().voicing().isEmpty())
                        .map(Offer::bar)
                        .distinct()
                        .toList());
    }

    private static Offers offers(Song song, ColourOffersRequest request) {
        return new Offers(song, Optional.ofNullable(request.style()).map(ColoursController::style));
    }

    public record ColourSoundingView(String symbol, int tick, int ticks) {}

    /** @param keys of four voices, low to high */
    public record VoicesView(String symbol, List<Integer> keys) {}

    /** Without it and with it. */
    public record WithoutWithView(double without, double with) {

        private static WithoutWithView of(Offer.Pair pair) {
            return new WithoutWithView(Math.round(pair.without() * 10) / 10.0, Math.round(pair.with() * 10) / 10.0);
        }
    }

    /**
     * A colour for one place.
     *
     * @param bar by index, as played; @param number as the chart counts it
     * @param before the chords that stand there
     * @param after what is heard instead
     * @param keeps tones that stay in all of it
     * @param moves semitones the voices travel more than without it
     * @param basses from the chord before to the one after
     * @param clash notes of the melody that clash or should not be held around it
     * @param tension of what stands there, and the highest of what is heard instead
     * @param reason why, in a sentence
     * @param without four voices from the chord before to the one after; @param with the same with it
     * @param colour what is to be kept when it is taken
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record ColourOfferView(
            int bar,
            int number,
            int pass,
            int tick,
            int ticks,
            String rule,
            String variant,
            String name,
            String kind,

            @Schema(description = "the styles that take it, the surest first")
            List<String> styles,

            List<String> before,
            List<ColourSoundingView> after,
            List<String> keeps,
            double moves,
            List<String> basses,
            WithoutWithView clash,
            WithoutWithView tension,
            String reason,
            List<VoicesView> without,
            List<VoicesView> with,
            ColourRequest colour) {}

    /**
     * What is worth hearing in some bars, best first at each place; of more than 24 bars the best of each place alone,
     * of the first 400 places.
     */
    @PostMapping("/offers")
    public ColourOffersView offers(@Valid @RequestBody ColourOffersRequest request) {
        Song song = arranging.read(request.chart());
        Choices.Run bars = run(request.bars());
        Offers offers = offers(song, request);
        List<Offer> found = offers.in(bars.first(), bars.last());
        if (bars.last() - bars.first() >= MOST_WHOLE) {
            // Of many bars the best of each place, as many as a person looks at.
            Set<Integer> places = new HashSet<>();
            found = found.stream()
                    .filter(offer -> places.add(offer.tick()))
                    .limit(MOST_BEST)
                    .toList();
        }
        return new ColourOffersView(found.stream()
                .map(offers::drawn)
                .map(offer -> view(song, offer))
                .toList());
    }

    private static ColourOfferView view(Song song, Offer offer) {
        List<String> styles = offer.rule().styles().entrySet().stream()
                .sorted((one, other) -> other.getValue() - one.getValue())
                .map(each -> each.getKey().id())
                .toList();
        return new ColourOfferView(
                offer.bar(),
                offer.colour().bar(),
                song.bars().get(offer.bar()).pass(),
                offer.tick(),
                offer.ticks(),
                offer.rule().id(),
                offer.colour().variant(),
                offer.rule().name(),
                offer.rule().kind(),
                styles,
                offer.before().stream().map(Object::toString).toList(),
                offer.after().stream()
                        .map(each -> new ColourSoundingView(each.chord().toString(), each.tick(), each.ticks()))
                        .toList(),
                offer.keeps().stream().map(PitchClass::toString).toList(),
                offer.moves(),
                offer.basses().stream().map(PitchClass::toString).toList(),
                WithoutWithView.of(offer.clash()),
                WithoutWithView.of(offer.tension()),
                offer.rule().why(),
                voices(offer.voices().without()),
                voices(offer.voices().with()),
                ColourRequest.of(offer.colour()));
    }

    private static List<VoicesView> voices(List<Offer.Row> rows) {
        List<VoicesView> views = new ArrayList<>();
        rows.forEach(row -> views.add(new VoicesView(row.chord().toString(), row.keys())));
        return views;
    }

    /**
     * @param amount 1, a little, to 4, rich
     * @param seed another reading of the same song; absent is the first
     * @param from index of the first bar as played, and to of the last, where only these are coloured and what is kept
     *     elsewhere stays; absent is the whole song
     */
    public record ColourSongRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,

            @Size(max = 4, message = "expected at most 4")
            List<@NotNull @Size(max = 20_000, message = "expected at most 20,000 characters") String> figures,

            @NotNull(message = "expected a style") @ShortText
            String style,

            @NotNull(message = "expected 1 to 4")
            @Min(value = WholeSong.LEAST, message = "expected 1 to 4")
            @Max(value = WholeSong.RICHEST, message = "expected 1 to 4")
            Integer amount,

            @Min(Long.MIN_VALUE) @Max(Long.MAX_VALUE) Long seed,
            @BarNumber Integer from,
            @BarNumber Integer to) {}

    /** @param choices the same with these colours in place of those they had */
    public record ColouredView(ChoicesRequest choices) {}

    /** The best set of colours for the whole song. */
    @Dear
    @PostMapping("/song")
    public ColouredView song(@Valid @RequestBody ColourSongRequest request) {
        Song song = arranging.read(request.chart());
        int from = request.from() == null ? 0 : request.from();
        int to = request.to() == null ? song.bars().size() - 1 : request.to();
        ChoicesRequest choices = request.choices() == null ? ChoicesRequest.NONE : request.choices();
        List<KeptColour> found = WholeSong.of(
                song, style(request.style()), request.amount(), request.seed() == null ? 0 : request.seed(), from, to);
        List<KeptColour> kept = from == 0 && to >= song.bars().size() - 1
                ? found
                : WholeSong.beside(song, choices.kept(), found, from, to);
        return new ColouredView(kept(choices, kept));
    }

    /**
     * @param chart with the colours in it
     * @param choices without those that are in the chart now
     * @param left how many stay with the arrangement: those of one time where repeats are not written out, and those
     *     that wait
     * @param moved where bars went, once for each time they are played; empty where no repeat was written out
     */
    public record WrittenOutView(
            String chart, ChoicesRequest choices, int left, List<EditController.MovedView> moved) {}

    /**
     * The chart with the colours that the choices keep written into it, as far as a chart can say them.
     *
     * @param repeats {@code as-they-are}, or {@code written-out}: then every bar is written as it is played, and what
     *     is heard one time only with it
     */
    @PostMapping("/write")
    public WrittenOutView write(
            @Valid @RequestBody ArrangeRequest request,
            @RequestParam(defaultValue = AS_THEY_ARE) @ShortText String repeats) {
        Arranging.Asked asked = arranging.asked(request);
        ChoicesRequest choices = request.choices() == null ? ChoicesRequest.NONE : request.choices();
        if (repeats.equals(WRITTEN_OUT)) {
            WrittenOut.Unfolded unfolded =
                    WrittenOut.unfolded(asked.song(), asked.choices().colours());
            return new WrittenOutView(
                    ChartText.write(unfolded.song()),
                    kept(choices, unfolded.left()),
                    unfolded.left().size(),
                    unfolded.moves().stream()
                            .map(move -> new EditController.MovedView(
                                    move.from(),
                                    move.to().orElse(null),
                                    move.pass().orElse(null)))
                            .toList());
        }
        if (!repeats.equals(AS_THEY_ARE)) {
            throw Refusal.unusable("repeats \"" + repeats + "\": expected " + AS_THEY_ARE + " or " + WRITTEN_OUT);
        }
        WrittenOut written = WrittenOut.of(asked.song(), asked.choices().colours());
        return new WrittenOutView(
                ChartEdit.of(request.chart()).chords(written.chords()),
                kept(choices, written.left()),
                written.left().size(),
                List.of());
    }

    private static ChoicesRequest kept(ChoicesRequest choices, List<KeptColour> colours) {
        return choices.colours(colours.stream().map(ColourRequest::of).toList());
    }

    /** How hard the song is for the hands without and with a colour. */
    public record ColourHandView(double before, double after, double barBefore, double barAfter) {}

    /** @param colour that is looked at */
    public record ColourHandRequest(
            @NotNull(message = "expected what was arranged") @Valid
            ArrangeRequest arrangement,

            @NotNull(message = "expected a colour") @Valid ColourRequest colour) {}

    /** What a colour costs the hands. */
    @PostMapping("/hand")
    public ColourHandView hand(@Valid @RequestBody ColourHandRequest request) {
        Arranging.Weighed weighed = arranging.weighed(request.arrangement(), request.colour());
        return new ColourHandView(weighed.before(), weighed.after(), weighed.barBefore(), weighed.barAfter());
    }

    private static Choices.Run run(String bars) {
        try {
            return Choices.Run.parse(bars);
        } catch (Refused refused) {
            throw Refusal.unusable("bars " + refused.getMessage());
        }
    }

    private static ColourStyle style(String id) {
        try {
            return ColourStyle.of(id);
        } catch (Refused refused) {
            throw Refusal.unusable(refused.getMessage());
        }
    }
}
