package zapateo.server.righthand;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Choices;
import zapateo.colour.BetterChord;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Reason;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Count;
import zapateo.righthand.ChordScale;
import zapateo.righthand.Improvising;
import zapateo.righthand.Licks;
import zapateo.righthand.OneShape;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.NameOf;
import zapateo.server.bounds.ShortText;
import zapateo.server.players.Measures;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.song.Bar;
import zapateo.song.Monotone;
import zapateo.song.Song;
import zapateo.song.ToneFit;

/** What there is to know for the right hand: how the melody fits, what to improvise on, one shape for some bars. */
@Computes
@RestController
@RequestMapping("/api/right-hand")
public class RightHandController {

    private final Arranging arranging;
    private final ReasonWords words;

    RightHandController(Arranging arranging, ReasonWords words) {
        this.arranging = arranging;
        this.words = words;
    }

    /**
     * @param better chords that more of the melody's notes belong to than to those that stand there; @param same where
     *     it stays on one key
     */
    public record FitView(List<FitNoteView> notes, List<BetterView> better, List<SameView> same) {}

    /** @param bar by index, where it begins; @param times in a row */
    public record SameView(int bar, String name, int times) {}

    /**
     * A note of the melody over one chord; one that is held over a change stands here again.
     *
     * @param bar by index
     * @param tick from the start of the song
     * @param avoid whether it should not be held as long as it is
     * @param why in a sentence
     */
    public record FitNoteView(
            int bar,
            int tick,
            int ticks,
            int midi,
            String name,

            @NameOf(ToneFit.Kind.class) String kind,

            boolean avoid,
            String why) {}

    /** @param hits how many of the melody's {@code notes} over the chord the other one has */
    public record BetterView(int bar, int tick, String now, String better, int hits, int notes) {}

    /** What each note of the melody is to the chord under it. */
    @PostMapping("/fit")
    public FitView fit(@Valid @RequestBody ArrangeRequest request) {
        Song song = arranging.heard(request.chart(), request.choices());
        return new FitView(
                ToneFit.of(song).stream()
                        .map(note -> new FitNoteView(
                                note.bar(),
                                note.tick(),
                                note.ticks(),
                                note.pitch().midi(),
                                note.pitch().toString(),
                                note.kind().id(),
                                note.avoid(),
                                words.of(why(note))))
                        .toList(),
                BetterChord.of(arranging.read(request.chart())).stream()
                        .map(each -> new BetterView(
                                each.bar(),
                                each.tick(),
                                each.now().toString(),
                                each.better().toString(),
                                each.hits(),
                                each.notes()))
                        .toList(),
                Monotone.of(song).stream()
                        .map(each -> new SameView(each.bar(), each.pitch().toString(), each.times()))
                        .toList());
    }

    private static Reason why(ToneFit.Heard note) {
        return Reason.of(
                note.avoid() ? "avoid-fourth" : "fit-" + note.kind().id(),
                Map.of(
                        "chord",
                        note.chord().map(ChordSymbol::toString).orElse("N.C."),
                        "note",
                        note.pitch().pitchClass().toString(),
                        "against",
                        note.against().map(PitchClass::toString).orElse("")));
    }

    /** @param pentatonic five notes that are safe over the whole song; @param blues the blues scale of its key */
    public record NotesView(List<String> pentatonic, List<String> blues, List<OverView> chords) {}

    /**
     * @param bar by index
     * @param scale the chord's scale by its name, empty where there is none
     */
    public record OverView(int bar, int tick, int ticks, String chord, String scale, List<ScaleNoteView> notes) {}

    /**
     * @param chroma semitones above C; @param kind guide (a third or a seventh, to aim at), chord, scale, or avoid (to
     *     pass through, not to hold)
     */
    public record ScaleNoteView(
            String name,
            int chroma,

            @Schema(allowableValues = {"guide", "chord", "scale", "avoid"})
            String kind) {}

    /** What to improvise on, chord by chord. */
    @PostMapping("/notes")
    public NotesView notes(@Valid @RequestBody ArrangeRequest request) {
        Song song = arranging.heard(request.chart(), request.choices());
        return new NotesView(
                names(song.key().pentatonic()),
                names(Improvising.blues(song.key())),
                Improvising.of(song).stream()
                        .map(over -> new OverView(
                                over.bar(),
                                over.tick(),
                                over.ticks(),
                                over.chord().toString(),
                                over.scale().map(ChordScale::name).orElse(""),
                                over.notes().stream()
                                        .map(note -> new ScaleNoteView(
                                                note.name().toString(),
                                                note.name().chroma(),
                                                note.kind().id()))
                                        .toList()))
                        .toList());
    }

    /** @param bar by index, as arranged */
    public record LicksRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,

            @NotNull(message = "expected a bar's index") @BarNumber
            Integer bar) {}

    /**
     * A small device made for a bar.
     *
     * @param practise how to practise it
     * @param count when it strikes, as a player says it
     * @param notes in order
     */
    public record LickView(String id, String name, String practise, String count, List<LickNoteView> notes) {}

    /** @param tick from the bar line; @param names low to high; @param midi the same as keys */
    public record LickNoteView(int tick, int ticks, List<String> names, List<Integer> midi) {}

    /** What suits the chord of a bar, its tempo and the hand; a choice {@code right.licks} puts one in. */
    @PostMapping("/licks")
    public List<LickView> licks(@Valid @RequestBody LicksRequest request) {
        Arranging.Result result = arranging.arrange(
                request.chart(),
                request.choices(),
                request.hand() == null ? Pianist.USUAL : request.hand().pianist());
        List<Bar> bars = result.arrangement().song().bars();
        if (request.bar() >= bars.size()) {
            throw Refusal.unusable("bar " + request.bar() + ": expected 0 to " + (bars.size() - 1));
        }
        Bar bar = bars.get(request.bar());
        return new Licks(
                        result.arrangement().song(),
                        result.arrangement().left().strokes(),
                        result.pianist().rightOnKeys())
                .over(bar).stream()
                        .map(offered -> new LickView(
                                offered.lick().id(),
                                offered.lick().name(),
                                offered.lick().practise(),
                                offered.strokes().stream()
                                        .map(stroke -> Count.at(
                                                bar.meter(), stroke.written().tick() - bar.tick()))
                                        .distinct()
                                        .collect(Collectors.joining(" ")),
                                offered.strokes().stream()
                                        .map(stroke -> new LickNoteView(
                                                stroke.written().tick() - bar.tick(),
                                                stroke.written().ticks(),
                                                stroke.notes().stream()
                                                        .map(note ->
                                                                note.pitch().toString())
                                                        .toList(),
                                                stroke.notes().stream()
                                                        .map(note ->
                                                                note.pitch().midi())
                                                        .toList()))
                                        .toList()))
                        .toList();
    }

    /** @param bars as numbered in the chart: 5 or 5-8 */
    public record ShapeRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String chart,

            @Valid ChoicesRequest choices,
            @Valid Measures hand,

            @NotNull(message = "expected bars, as in 5-8") @ShortText
            String bars) {}

    /** @param notes low to high */
    public record ShapeView(List<String> notes, List<ShapeOverView> over) {}

    /**
     * @param states tones of the chord that sound, its bass among them; @param loses those that do not; @param adds
     *     what is no tone of it
     */
    public record ShapeOverView(String chord, List<String> states, List<String> loses, List<String> adds) {}

    /** One shape to hold over some bars while the bass moves. */
    @PostMapping("/one-shape")
    public ShapeView oneShape(@Valid @RequestBody ShapeRequest request) {
        Song song = arranging.heard(request.chart(), request.choices());
        Choices.Run run = Choices.Run.parse(request.bars());
        List<ChordSymbol> chords = song.chords()
                .filter(place -> run.holds(place.bar().number()) && place.bar().pass() == 1)
                .flatMap(place -> place.chord().stream())
                .toList();
        return OneShape.of(chords)
                .map(shape -> new ShapeView(
                        shape.notes().stream().map(Pitch::toString).toList(),
                        shape.over().stream()
                                .map(over -> new ShapeOverView(
                                        over.chord().toString(),
                                        names(over.states()),
                                        names(over.loses()),
                                        names(over.adds())))
                                .toList()))
                .orElseThrow(() -> Refusal.unusable(
                        "bars \"" + request.bars() + "\": expected bars of the song with a chord in them"));
    }

    private static List<String> names(List<PitchClass> notes) {
        return notes.stream().map(PitchClass::toString).toList();
    }
}
