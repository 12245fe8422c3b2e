package zapateo.server.righthand;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.colour.Harmonising;
import zapateo.names.Names;
import zapateo.pitch.Pitch;
import zapateo.righthand.Take;
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.NameOf;
import zapateo.server.players.Measures;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.server.work.Dear;
import zapateo.song.ChartText;
import zapateo.song.Song;
import zapateo.song.TuneReader;

/** A melody that is there or was just played: first chords for it, and how a take is written. */
@Computes
@RestController
@RequestMapping("/api/right-hand")
public class TuneController {

    private final Arranging arranging;

    TuneController(Arranging arranging) {
        this.arranging = arranging;
    }

    /**
     * @param pace how often a chord may change: bar, half or beat; @param style a taste: usual, plain, colourful,
     *     sevenths or hymn (basses too); absent is usual
     */
    public record HarmoniseRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,

            @NotNull(message = "expected bar, half or beat") @NameOf(Harmonising.Pace.class)
            String pace,

            @Schema(allowableValues = {"usual", "plain", "colourful", "sevenths", "hymn"})
            String style) {}

    public record HarmonisedView(String chart) {}

    /** First chords for the melody of a chart, in place of those it has; nothing is kept by it. */
    @Dear
    @PostMapping("/harmonise")
    public HarmonisedView harmonise(@Valid @RequestBody HarmoniseRequest request) {
        Song song = arranging.read(request.chart());
        if (!song.hasTune()) {
            throw Refusal.unusable(
                    "the chart has no melody to find chords for: expected a line Melody: under a row of bars");
        }
        Harmonising.Pace pace = Names.find(Harmonising.Pace.class, request.pace())
                .orElseThrow(() -> Refusal.unusable("pace \"" + request.pace() + "\": expected bar, half or beat"));
        Harmonising.Style style = request.style() == null
                ? Harmonising.Style.USUAL
                : Harmonising.Style.named(request.style())
                        .orElseThrow(() -> Refusal.unusable("style \"" + request.style() + "\": expected one of "
                                + String.join(
                                        ", ",
                                        Harmonising.Style.all().stream()
                                                .map(Harmonising.Style::id)
                                                .toList())));
        return new HarmonisedView(ChartText.write(Harmonising.of(song, pace, style)));
    }

    /**
     * What was played against the metronome.
     *
     * @param chart its key, metres and tempo hold
     * @param bar index of the bar as played that the take begins with; absent is the first
     * @param bpm the metronome's beats a minute in the song's own beats, where it was another than the chart's
     */
    public record TakeRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,
            @BarNumber Integer bar,

            @DecimalMin(value = "20", message = "expected 20 to 400")
            @DecimalMax(value = "400", message = "expected 20 to 400")
            Double bpm,

            @NotNull(message = "expected what was played") @Size(max = 5000, message = "expected at most 5000 notes")
            List<@NotNull @Valid StruckRequest> notes) {}

    /**
     * @param ms from the first beat; @param held how long it was down, in milliseconds; @param midi the key, 21 to 108
     */
    public record StruckRequest(
            @NotNull(message = "expected milliseconds")
            @DecimalMin(value = "-2000", message = "expected -2000 to 3600000")
            @DecimalMax(value = "3600000", message = "expected -2000 to 3600000")
            Double ms,

            @NotNull(message = "expected milliseconds")
            @DecimalMin(value = "0", message = "expected 0 to 3600000")
            @DecimalMax(value = "3600000", message = "expected 0 to 3600000")
            Double held,

            @NotNull(message = "expected 21 to 108")
            @Min(value = 21, message = "expected 21 to 108")
            @Max(value = 108, message = "expected 21 to 108")
            Integer midi) {}

    /** @param bars the melody bar by bar, as a Tune line has it between its bar lines */
    public record TakeView(List<String> bars) {}

    /** The rhythm a take was meant in, as it can be written under a row of bars; nothing is kept by it. */
    @PostMapping("/take")
    public TakeView take(@Valid @RequestBody TakeRequest request) {
        Song song = arranging.read(request.chart());
        int first = request.bar() == null ? 0 : request.bar();
        if (first >= song.bars().size()) {
            throw Refusal.unusable(
                    "bar " + first + ": expected 0 to " + (song.bars().size() - 1));
        }
        double faster = request.bpm() == null ? 1 : request.bpm() / song.tempo().bpm();
        List<Take.Struck> struck = request.notes().stream()
                .map(note -> new Take.Struck(
                        note.ms(),
                        note.held(),
                        Pitch.onKey(note.midi(), song.key().spellTone(note.midi() % 12))))
                .toList();
        return new TakeView(Take.of(struck, song, first, faster).bars().stream()
                .map(TuneReader::write)
                .toList());
    }
}
