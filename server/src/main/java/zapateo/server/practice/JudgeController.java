package zapateo.server.practice;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.names.Names;
import zapateo.part.Reason;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.practice.Judge;
import zapateo.practice.Judgement;
import zapateo.practice.Layer;
import zapateo.practice.Passage;
import zapateo.practice.Take;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.bounds.BeatsPerMinute;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.NameOf;
import zapateo.server.bounds.ShortText;
import zapateo.server.players.Measures;
import zapateo.server.problems.ReasonWords;
import zapateo.server.work.Computes;

/** What is asked of a player and how a take went; nothing is kept here. */
@Computes
@RestController
@RequestMapping("/api/practice")
public class JudgeController {

    private final Arranging arranging;
    private final ReasonWords words;

    JudgeController(Arranging arranging, ReasonWords words) {
        this.arranging = arranging;
        this.words = words;
    }

    /**
     * @param bars by index as played, as in 0-3
     * @param layer basses, chords, left, tune, right or both
     * @param tempo beats a minute, as the song counts them
     */
    public record AskedRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,

            @Size(max = 4, message = "expected at most 4")
            List<@NotNull @Size(max = 20_000, message = "expected at most 20,000 characters") String> figures,

            @NotNull(message = "expected bars by index, as in 0-3") @ShortText
            String bars,

            @NotNull(message = "expected a layer") @ShortText
            String layer,

            @NotNull(message = "expected beats a minute") @BeatsPerMinute
            Double tempo) {}

    /**
     * A note to be played.
     *
     * @param id the stroke's lasting one; @param stroke its index among the arrangement's strokes
     * @param note which of its notes, from low
     * @param ms from the first asked beat; @param held how long
     */
    public record AskedNoteView(
            String id,
            int stroke,
            int note,
            String hand,
            int midi,
            String name,
            int finger,
            int bar,
            int tick,
            double ms,
            double held) {}

    public record PedalSpanView(double down, double up) {}

    public record AskedView(List<AskedNoteView> notes, List<PedalSpanView> pedal, double beatMs) {}

    /** The notes of a layer in the order of time. */
    @PostMapping("/asked")
    public AskedView asked(@Valid @RequestBody AskedRequest request) {
        Arrangement arrangement = arrangement(request.chart(), request.choices(), request.hand(), request.figures());
        Passage passage = passage(arrangement, request.bars(), request.layer(), request.tempo());
        List<String> ids = arrangement.ids();
        return new AskedView(
                passage.notes().stream()
                        .map(note -> new AskedNoteView(
                                ids.get(note.stroke()),
                                note.stroke(),
                                note.note(),
                                String.valueOf(note.hand().letter()),
                                note.midi(),
                                name(arrangement, note.stroke(), note.note()),
                                note.finger(),
                                note.bar(),
                                note.tick(),
                                Tenths.of(note.ms()),
                                Tenths.of(note.held())))
                        .toList(),
                passage.pedal().stream()
                        .map(span -> new PedalSpanView(Tenths.of(span.down()), Tenths.of(span.up())))
                        .toList(),
                Tenths.of(passage.beatMs()));
    }

    private static String name(Arrangement arrangement, int stroke, int note) {
        return arrangement.strokes().get(stroke).notes().get(note).pitch().toString();
    }

    /** @param ms from when the first asked beat was due, as scheduled; @param held how long the key was down */
    public record TakenNoteRequest(
            @NotNull(message = "expected milliseconds")
            @DecimalMin(value = "-3600000", message = "expected -3600000 to 36000000")
            @DecimalMax(value = "36000000", message = "expected -3600000 to 36000000")
            Double ms,

            @NotNull(message = "expected milliseconds")
            @DecimalMin(value = "0", message = "expected 0 to 36000000")
            @DecimalMax(value = "36000000", message = "expected 0 to 36000000")
            Double held,

            @NotNull(message = "expected a MIDI note number")
            @Min(value = 0, message = "expected 0 to 127")
            @Max(value = 127, message = "expected 0 to 127")
            Integer midi,

            @Min(value = 1, message = "expected 1 to 127") @Max(value = 127, message = "expected 1 to 127")
            Integer velocity) {}

    public record PedalMoveRequest(
            @NotNull(message = "expected milliseconds")
            @DecimalMin(value = "-3600000", message = "expected -3600000 to 36000000")
            @DecimalMax(value = "36000000", message = "expected -3600000 to 36000000")
            Double ms,

            @NotNull(message = "expected whether it goes down")
            Boolean down) {}

    /** @param notes keys that were struck; @param pedal absent where none was heard of */
    public record JudgeRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,

            @Size(max = 4, message = "expected at most 4")
            List<@NotNull @Size(max = 20_000, message = "expected at most 20,000 characters") String> figures,

            @NotNull(message = "expected bars by index, as in 0-3") @ShortText
            String bars,

            @NotNull(message = "expected a layer") @ShortText
            String layer,

            @NotNull(message = "expected beats a minute") @BeatsPerMinute
            Double tempo,

            @NotNull(message = "expected notes") @Size(max = 20_000, message = "expected at most 20,000")
            List<@NotNull @Valid TakenNoteRequest> notes,

            @Size(max = 5_000, message = "expected at most 5,000")
            List<@NotNull @Valid PedalMoveRequest> pedal) {}

    /**
     * @param id the stroke's lasting one
     * @param verdict right, early, late, wrong, missed or octave
     * @param ms after its time, below zero before it
     * @param played the key that was struck
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record HeardView(
            String id,
            int stroke,
            int note,
            @NameOf(Judgement.Verdict.class) String verdict,
            double ms,

            @Schema(description = "absent where it was missed")
            Integer played) {}

    public record AddedView(double ms, int midi, int bar) {}

    public record StopView(int bar, double ms) {}

    public record AgainView(int from, int to) {}

    /** @param bars by index, to be looped; @param text as a teacher would say it */
    public record FindingView(String code, List<Integer> bars, String text) {}

    /**
     * @param pace how many times as long as asked it took; @param right share of the notes that came when they
     *     should; @param clean whether it counts
     */
    public record JudgementView(
            List<HeardView> notes,
            List<AddedView> added,
            double delayMs,
            double pace,
            boolean clean,
            double right,
            double unevenMs,
            List<StopView> stops,
            List<AgainView> again,
            List<OfHandView> hands,
            List<FindingView> mend,
            List<FindingView> good) {}

    /** @param swing the long over the short part of its beats, @param askedSwing as it was asked */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record OfHandView(
            String hand,
            double unevenMs,

            @Schema(description = "absent where too few beats tell")
            Double swing,

            @Schema(description = "absent where too few beats tell")
            Double askedSwing) {}

    private static OfHandView view(Judgement.OfHand hand) {
        return new OfHandView(
                String.valueOf(hand.hand().letter()),
                Tenths.of(hand.unevenMs()),
                hand.swing().map(swung -> Tenths.of(swung.ratio())).orElse(null),
                hand.swing().map(swung -> Tenths.of(swung.asked())).orElse(null));
    }

    /** What was played against what was asked. */
    @PostMapping("/judge")
    public JudgementView judge(@Valid @RequestBody JudgeRequest request) {
        Arrangement arrangement = arrangement(request.chart(), request.choices(), request.hand(), request.figures());
        Passage passage = passage(arrangement, request.bars(), request.layer(), request.tempo());
        List<Take.Key> keys = request.notes().stream()
                .map(key ->
                        new Take.Key(key.ms(), key.held(), key.midi(), key.velocity() == null ? 64 : key.velocity()))
                .toList();
        List<Take.PedalMove> pedal = request.pedal() == null
                ? List.of()
                : request.pedal().stream()
                        .map(move -> new Take.PedalMove(move.ms(), move.down()))
                        .toList();
        Take take = new Take(keys, pedal);
        Judgement found = Judge.of(passage, take);
        List<String> ids = arrangement.ids();
        List<HeardView> notes = found.notes().stream()
                .map(each -> new HeardView(
                        ids.get(each.asked().stroke()),
                        each.asked().stroke(),
                        each.asked().note(),
                        Names.of(each.verdict()),
                        Tenths.of(each.off()),
                        each.key().map(key -> take.keys().get(key).midi()).orElse(null)))
                .toList();
        return new JudgementView(
                notes,
                found.added().stream()
                        .map(each -> new AddedView(Tenths.of(each.ms()), each.midi(), each.bar()))
                        .toList(),
                Tenths.of(found.delayMs()),
                Math.round(1000 * found.pace()) / 1000.0,
                found.clean(),
                Math.round(1000 * found.right()) / 1000.0,
                Tenths.of(found.unevenMs()),
                found.stops().stream()
                        .map(stop -> new StopView(stop.bar(), Tenths.of(stop.ms())))
                        .toList(),
                found.again().stream()
                        .map(each -> new AgainView(each.from(), each.to()))
                        .toList(),
                found.hands().stream().map(JudgeController::view).toList(),
                views(arrangement, found.mend()),
                views(arrangement, found.good()));
    }

    private List<FindingView> views(Arrangement arrangement, List<Judgement.Finding> findings) {
        List<FindingView> views = new ArrayList<>();
        for (Judgement.Finding finding : findings) {
            Map<String, String> args = new HashMap<>(finding.args());
            args.computeIfPresent(
                    "asked", (name, midi) -> midi.matches("\\d+") ? key(arrangement, Integer.parseInt(midi)) : midi);
            args.computeIfPresent("played", (name, midi) -> key(arrangement, Integer.parseInt(midi)));
            args.computeIfPresent("hand", (name, hand) -> hand.equals("L") ? "left" : "right");
            args.put("bars", bars(arrangement, finding.bars()));
            boolean one = "1".equals(args.get("count"));
            views.add(new FindingView(
                    finding.code(),
                    finding.bars(),
                    words.of(Reason.of(
                            "practice-" + finding.code()
                                    + (one && words.has("practice-" + finding.code() + "-one") ? "-one" : ""),
                            args))));
        }
        return views;
    }

    private static String key(Arrangement arrangement, int midi) {
        return Pitch.onKey(
                        midi,
                        arrangement.song().key().scale().stream()
                                .filter(step -> step.chroma() == midi % 12)
                                .findFirst()
                                .orElse(PitchClass.simplest(midi % 12)))
                .toString();
    }

    /** Their numbers in the chart, the first few. */
    private static String bars(Arrangement arrangement, List<Integer> bars) {
        List<Integer> numbers = bars.stream()
                .map(bar -> arrangement.song().bars().get(bar).number())
                .distinct()
                .toList();
        boolean run = numbers.size() > 2 && numbers.get(numbers.size() - 1) - numbers.get(0) == numbers.size() - 1;
        String text = run
                ? numbers.get(0) + "–" + numbers.get(numbers.size() - 1)
                : String.join(
                                ", ",
                                numbers.stream().limit(4).map(String::valueOf).toList())
                        + (numbers.size() > 4 ? " …" : "");
        return (numbers.size() == 1 ? "bar " : "bars ") + text;
    }

    private Arrangement arrangement(String chart, ChoicesRequest choices, Measures hand, List<String> figures) {
        return arranging
                .arrange(new ArrangeRequest(chart, choices, hand, figures))
                .arrangement();
    }

    private static Passage passage(Arrangement arrangement, String bars, String layer, double tempo) {
        Choices.Run run = Choices.Run.parse(bars);
        return Passage.of(arrangement, run.first(), run.last(), Layer.of(layer), tempo);
    }
}
