package zapateo.server.charts;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.colour.ByEar;
import zapateo.colour.Simplifier;
import zapateo.colour.Simplifying;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Degree;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.names.Names;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.LongText;
import zapateo.server.bounds.PlaceInBar;
import zapateo.server.bounds.ShortText;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.song.BarMoves;
import zapateo.song.ChartEdit;
import zapateo.song.ChartReading;
import zapateo.song.ChordReplacement;
import zapateo.song.Song;
import zapateo.song.Understanding;
import zapateo.song.WrittenBar;

/** Changes chart text where its bars stand: what comes back is the whole text, with everything else as it was typed. */
@Computes
@RestController
@RequestMapping("/api/charts")
public class EditController {

    private final ProblemWords words;

    EditController(ProblemWords words) {
        this.words = words;
    }

    public record EditRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String text,

            @NotNull(message = "expected an edit") @Valid Edit edit) {}

    /**
     * @param at where the note is now, for a note's edit; null for others
     * @param moved bars that have another number now, as the chart counts them, so that what hangs on a bar can go with
     *     it
     */
    public record TextView(
            String text, @Schema(types = {"object", "null"}) NoteAtView at, List<MovedView> moved) {}

    /**
     * @param to null where the bar is gone
     * @param pass where repeats were written out: which time the bar was played that stands there now
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record MovedView(
            int from,

            @JsonInclude(JsonInclude.Include.ALWAYS) @Schema(types = {"integer", "null"})
            Integer to,

            @Schema(description = "absent where no repeat was written out")
            Integer pass) {}

    /** @param bar written bar from 0; @param tick from its bar line */
    public record NoteAtView(int bar, int tick) {}

    /** The text with one change made; nothing that was not named is touched. */
    @PostMapping("/edit")
    public TextView edit(@Valid @RequestBody EditRequest request) {
        ChartEdit chart = open(request.text());
        Edit.Made made = request.edit().on(chart);
        Song before = song(chart);
        List<WrittenBar> is = ChartEdit.of(made.text())
                .reading()
                .song()
                .map(Song::writtenBars)
                .orElse(List.of());
        return new TextView(
                made.text(),
                made.note().map(note -> new NoteAtView(note.bar(), note.tick())).orElse(null),
                views(request.edit().moves(before, before.writtenBars(), is), before.writtenBars(), is));
    }

    private static List<MovedView> views(BarMoves moves, List<WrittenBar> was, List<WrittenBar> is) {
        return moves.byNumber(was, is).stream()
                .map(move -> new MovedView(move.from(), move.to().orElse(null), null))
                .toList();
    }

    /** @param before the text as it was; @param after as it was typed */
    public record MovesRequest(
            @NotNull(message = "expected the chart's text as it was") @LongText
            String before,

            @NotNull(message = "expected the chart's text as it is") @LongText
            String after) {}

    /** @param moved as an edit tells it */
    public record MovesView(List<MovedView> moved) {}

    /**
     * Where the bars of a chart went while its text was typed: what is alike from the start and from the end stays with
     * its bar.
     */
    @PostMapping("/moves")
    public MovesView moves(@Valid @RequestBody MovesRequest request) {
        List<WrittenBar> is = song(open(request.after())).writtenBars();
        List<WrittenBar> was = ChartEdit.of(request.before())
                .reading()
                .song()
                .map(Song::writtenBars)
                .orElse(List.of());
        return new MovesView(views(BarMoves.between(was, is), was, is));
    }

    /**
     * @param semitones up, or down below zero, -11 to 11; @param key to this key the shortest way, where it is given
     */
    public record TransposeRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String text,

            @Min(value = -24, message = "expected -24 to 24") @Max(value = 24, message = "expected -24 to 24")
            Integer semitones,

            @ShortText String key) {}

    /** @param semitones the way it went */
    public record TransposedView(String text, String key, int semitones) {}

    /** The chart in another key. */
    @PostMapping("/transpose")
    public TransposedView transpose(@Valid @RequestBody TransposeRequest request) {
        ChartEdit chart = open(request.text());
        Key home = song(chart).key();
        Transposition way = way(request, home);
        return new TransposedView(chart.transpose(way), way.of(home).toString(), way.semitones());
    }

    private static Transposition way(TransposeRequest request, Key home) {
        if (request.key() != null) {
            Key goal = Key.read(request.key())
                    .orElseThrow(() -> Refusal.unusable(
                            "key \"" + request.key() + "\": expected a key such as B♭, Gm or E mixolydian"));
            boolean plain = goal.mode() == zapateo.harmony.Mode.MAJOR
                    && !request.key().toLowerCase(Locale.ROOT).contains("maj");
            // "To E♭" said of a minor song means E♭ minor.
            Key same = plain && home.mode() != goal.mode()
                    ? Key.nearest(goal.tonic().chroma(), home.mode(), goal.fifths())
                    : goal;
            return Transposition.between(home, same);
        }
        int semitones = need(request.semitones(), "semitones");
        if (Math.abs(semitones) > 11) {
            throw Refusal.unusable("semitones " + semitones + ": expected -11 to 11");
        }
        return Transposition.by(semitones, home);
    }

    /** @param bar written bar from 0; @param chord place in the bar from 0 */
    public record ReadingsRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String text,

            @NotNull(message = "expected a bar") @BarNumber Integer bar,

            @NotNull(message = "expected a chord's place") @PlaceInBar
            Integer chord) {}

    /**
     * @param why quality, relative, borrowed, bass, dominant or suspended; @param text the chart with this reading in
     *     place
     */
    public record ReadingView(String symbol, String why, String degree, List<String> tones, String text) {}

    /** What the ear would try in the place of a doubtful chord, at most nine. */
    @PostMapping("/readings")
    public List<ReadingView> readings(@Valid @RequestBody ReadingsRequest request) {
        ChartEdit chart = open(request.text());
        Song song = song(chart);
        List<WrittenBar> bars = song.writtenBars();
        if (request.bar() < 0
                || request.bar() >= bars.size()
                || request.chord() < 0
                || request.chord() >= bars.get(request.bar()).chords().size()) {
            throw Refusal.unusable(
                    "bar " + request.bar() + ", chord " + request.chord() + ": expected a chord of the song");
        }
        Optional<Understanding.Place> place =
                Understanding.degrees(song).place(bars.get(request.bar()), request.chord());
        return place.map(each -> ByEar.of(each.chord(), each.key(), each.next()).stream()
                        .map(reading -> new ReadingView(
                                reading.chord().toString(),
                                Names.of(reading.why()),
                                Degree.of(reading.chord(), each.key(), each.next())
                                        .roman(),
                                reading.chord().tones().stream()
                                        .map(Object::toString)
                                        .toList(),
                                chart.replaceChord(request.bar(), request.chord(), reading.chord())))
                        .toList())
                .orElse(List.of());
    }

    /** What a player knows. */
    public enum Knows {
        triads,
        sevenths,
        these
    }

    /** @param chords with {@code these}: the chords one knows */
    public record SimplifyRequest(
            @NotNull(message = "expected the chart's text") @LongText
            String text,

            @NotNull(message = "expected what you know") Knows knows,

            @Size(max = 200, message = "expected at most 200")
            List<@NotNull(message = "expected a chord") @ShortText String> chords) {}

    /** @param how bass, extension, relative or dominant */
    public record SimplerView(int bar, int number, int chord, String from, String to, String how) {}

    /**
     * @param changes each can be taken or left by a replaceChords edit; @param text with all of them; @param left
     *     chords nothing known comes near
     */
    public record SimplifiedView(String text, List<SimplerView> changes, List<String> left) {}

    /** The song with chords one knows. */
    @PostMapping("/simplify")
    public SimplifiedView simplify(@Valid @RequestBody SimplifyRequest request) {
        ChartEdit chart = open(request.text());
        Simplifier simplifier = switch (request.knows()) {
            case triads -> Simplifier.triads();
            case sevenths -> Simplifier.sevenths();
            case these ->
                Simplifier.only(need(request.chords(), "chords").stream()
                        .map(Edit::chord)
                        .toList());
        };
        Simplifying simpler = Simplifying.of(song(chart), simplifier);
        return new SimplifiedView(
                chart.replaceChords(simpler.changes().stream()
                        .map(each -> new ChordReplacement(
                                each.bar(), each.chord(), each.change().to()))
                        .toList()),
                simpler.changes().stream()
                        .map(each -> new SimplerView(
                                each.bar(),
                                each.number(),
                                each.chord(),
                                each.from().toString(),
                                each.change().to().toString(),
                                Names.of(each.change().how())))
                        .toList(),
                simpler.left().stream().map(ChordSymbol::toString).toList());
    }

    private ChartEdit open(String text) {
        ChartEdit chart = ChartEdit.of(text);
        ChartReading reading = chart.reading();
        if (reading.song().isEmpty()) {
            throw Refusal.chart(words.of(reading.problems()));
        }
        return chart;
    }

    private static Song song(ChartEdit chart) {
        return chart.reading().song().orElseThrow();
    }

    private static <T> T need(T value, String name) {
        if (value == null) {
            throw Refusal.unusable(name + ": expected for this");
        }
        return value;
    }
}
