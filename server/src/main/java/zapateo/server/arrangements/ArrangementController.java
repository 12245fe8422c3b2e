package zapateo.server.arrangements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Arrangement;
import zapateo.format.FingersShown;
import zapateo.format.Hands;
import zapateo.format.MusicXmlWriter;
import zapateo.format.PageShown;
import zapateo.format.SheetLines;
import zapateo.server.bounds.NameOf;
import zapateo.server.bounds.ShortText;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.song.SongPart;

/** Arranges a chart that need not be saved. */
@RestController
@RequestMapping("/api/arrangements")
public class ArrangementController {

    private static final String MUSICXML = "application/vnd.recordare.musicxml+xml";
    private static final Pattern RUN = Pattern.compile("([0-9]{1,5})-([0-9]{1,5})");

    private final Arranging arranging;
    private final Asking asking;

    ArrangementController(Arranging arranging, Asking asking) {
        this.arranging = arranging;
        this.asking = asking;
    }

    /**
     * @param with {@code parts} for what makes each bar hard
     * @param bars first and last bar by index, both included, whose strokes are told; absent for all
     */
    @PostMapping
    public ArrangementView arrange(
            @Valid @RequestBody ArrangeRequest request,
            @RequestParam(required = false) @Size(max = 10, message = "expected at most 10") Set<With> with,
            @RequestParam(required = false) @ShortText String bars) {
        ArrangementView view = arranging.arrange(request).view(with != null && with.contains(With.parts));
        if (bars == null) {
            return view;
        }
        Matcher run = run(bars);
        return view.strokesOf(Integer.parseInt(run.group(1)), Integer.parseInt(run.group(2)));
    }

    private static FingersShown shown(String fingers) {
        return FingersShown.named(fingers)
                .orElseThrow(() -> Refusal.unusable("fingers \"" + fingers + "\": expected few, all or none"));
    }

    private static Matcher run(String bars) {
        Matcher run = RUN.matcher(bars);
        if (!run.matches()) {
            throw Refusal.unusable("bars \"" + bars + "\": expected first-last by index, as in 0-7");
        }
        return run;
    }

    /** What is told only where it is asked for. */
    public enum With {
        parts
    }

    /**
     * The same arrangement as a MusicXML page to engrave; its note ids count as the strokes do.
     *
     * @param bars first and last bar by index, both included; absent for all
     * @param fingers {@code few}, {@code all} or {@code none}
     * @param pins whether notes and warnings stand where they were pinned
     * @param degrees whether the chords' degrees stand over their symbols
     * @param parts {@code both} hands, {@code left}, or {@code lead-left}: the tune over the left hand
     */
    @PostMapping(path = "/score", produces = MUSICXML)
    public byte[] score(
            @Valid @RequestBody ArrangeRequest request,
            @RequestParam(required = false) @ShortText String bars,
            @RequestParam(defaultValue = "few") @ShortText String fingers,
            @RequestParam(defaultValue = "both") @ShortText String parts,
            @RequestParam(defaultValue = "false") boolean pins,
            @RequestParam(defaultValue = "false") boolean degrees) {
        Arrangement arrangement = arranging.arrange(request).arrangement();
        PageShown page = new PageShown(shown(fingers), pins, degrees);
        Hands hands = Hands.named(parts)
                .orElseThrow(() -> Refusal.unusable("parts \"" + parts + "\": expected both, left or lead-left"));
        if (bars == null) {
            return MusicXmlWriter.page(
                    arrangement, hands, page, 0, arrangement.song().bars().size() - 1);
        }
        Matcher run = run(bars);
        return MusicXmlWriter.page(
                arrangement, hands, page, Integer.parseInt(run.group(1)), Integer.parseInt(run.group(2)));
    }

    /**
     * A line of a page for the music stand.
     *
     * @param first index of its first bar
     * @param last and of its last
     * @param opens whether its section begins here
     * @param turn what it costs to turn the page behind it: 0 where a hand is free
     */
    public record SheetLineView(
            int first,
            int last,
            String section,

            @NameOf(SongPart.class) String part,

            int pass,
            boolean opens,
            boolean closes,
            int turn) {}

    /** @param bars in a line at most, 1 to 8 */
    @PostMapping("/lines")
    public List<SheetLineView> lines(
            @Valid @RequestBody ArrangeRequest request,
            @RequestParam(defaultValue = "4")
                    @Min(value = 1, message = "expected 1 to 8")
                    @Max(value = 8, message = "expected 1 to 8")
                    int bars) {
        if (bars < 1 || bars > 8) {
            throw Refusal.unusable("bars " + bars + ": expected 1 to 8 in a line");
        }
        return SheetLines.of(arranging.arrange(request).arrangement(), bars).lines().stream()
                .map(line -> new SheetLineView(
                        line.first(),
                        line.last(),
                        line.section(),
                        line.part().id(),
                        line.pass(),
                        line.opens(),
                        line.closes(),
                        line.turn()))
                .toList();
    }

    /** Why a note is what it is: its role, the rule, and what the best other ways would cost. */
    @Computes
    @PostMapping("/why")
    public Asking.WhyView why(@Valid @RequestBody Asking.WhyRequest request) {
        return asking.why(request);
    }

    /** The figures worth trying on a chart, each with its reasons, and what the presets would set. */
    @Computes
    @PostMapping("/suggest")
    public Asking.SuggestView suggest(@Valid @RequestBody Asking.SuggestRequest request) {
        return asking.suggest(request);
    }

    /** What there is to choose from. */
    @GetMapping("/choices")
    public Asking.ThereIsView choices() {
        return asking.thereIs();
    }
}
