package zapateo.server.charts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Arrays;
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
import zapateo.harmony.ChordUnreadException;
import zapateo.harmony.Degree;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.Refusal;
import zapateo.song.BarMoves;
import zapateo.song.ChartEdit;
import zapateo.song.ChartReading;
import zapateo.song.NoteEdit;
import zapateo.song.Song;
import zapateo.song.Understanding;
import zapateo.song.WrittenBar;

/** Changes chart text where its bars stand: what comes back is the whole text, with everything else as it was typed. */
@RestController
@RequestMapping("/api/charts")
public class EditController {

    private final ProblemWords words;

    EditController(ProblemWords words) {
        this.words = words;
    }

    /** What to do with bars, chords or sections. */
    public enum EditKind {
        set, insert, delete, copy, move, moveChord, replaceChords, section, join, confirmGuesses, tune, note, key
    }

    /** @param bar written bar from 0; @param chord place in the bar from 0 */
    public record ChordChange(@NotNull(message = "expected a bar") Integer bar, @NotNull(message = "expected a chord's place") Integer chord,
                              @NotNull(message = "expected a chord") String symbol) {
    }

    /**
     * One change. Bars are written bars counted from 0.
     *
     * @param bar     set, insert, moveChord: the bar; join: it and the next; delete, copy, move, tune: the first
     * @param to      delete, copy, move: the last bar, both included
     * @param before  copy, move: the bar they go before; one more than the last bar for the end
     * @param content set, insert: what would be typed between two bar lines; tune: the melody of the bars from there on, parted by bar lines; key: the song's key,
     *                blank to have it found from the chords
     * @param chord   moveChord: its place in the bar from 0
     * @param beat    moveChord: the beat it goes to, from 0
     * @param changes replaceChords: all of them
     * @param section section: its place from 0
     * @param change  section: COPY, DELETE, EARLIER or LATER
     * @param pass    note: the time the bar is played, from 1; absent is 1
     * @param tick    note: where it begins, from the bar line
     * @param note    note: what is done with it
     * @param pitch   note: the one it is to have, as E♭5 or as a MIDI key's number, with pitch and, where it is given, with add
     */
    public record Edit(@NotNull(message = "expected a kind") EditKind kind, Integer bar, Integer to, Integer before, String content, Integer chord, Integer beat,
                       @Valid List<ChordChange> changes, Integer section, ChartEdit.SectionChange change, Integer pass, Integer tick,
                       @Schema(allowableValues = {"up", "down", "sharper", "flatter", "octave-up", "octave-down", "longer", "shorter", "earlier", "later", "delete", "add", "pitch"}) String note,
                       String pitch) {
    }

    public record EditRequest(@NotNull(message = "expected the chart's text") String text, @NotNull(message = "expected an edit") @Valid Edit edit) {
    }

    /**
     * @param at    where the note is now, for a note's edit; null for others
     * @param moved bars that have another number now, as the chart counts them, so that what hangs on a bar can go with it
     */
    public record TextView(String text, @Schema(types = {"object", "null"}) NoteAtView at, List<MovedView> moved) {
    }

    /** @param to null where the bar is gone */
    public record MovedView(int from, @Schema(types = {"integer", "null"}) Integer to) {
    }

    /** @param bar written bar from 0; @param tick from its bar line */
    public record NoteAtView(int bar, int tick) {
    }

    /** The text with one change made; nothing that was not named is touched. */
    @PostMapping("/edit")
    public TextView edit(@Valid @RequestBody EditRequest request) {
        ChartEdit chart = open(request.text());
        Edit edit = request.edit();
        if (edit.kind() == EditKind.note) {
            NoteEdit.Edited edited = chart.note(new NoteEdit(need(edit.bar(), "bar"), edit.pass() == null ? 1 : Math.max(1, edit.pass()), need(edit.tick(), "tick"), noteChange(need(edit.note(), "note")),
                    Optional.ofNullable(edit.pitch()).map(pitch -> pitch(pitch, chart))));
            return new TextView(edited.text(), new NoteAtView(edited.bar(), edited.tick()), List.of());
        }
        String text = switch (edit.kind()) {
            case set -> chart.set(need(edit.bar(), "bar"), need(edit.content(), "content"));
            case insert -> chart.insert(need(edit.bar(), "bar"), need(edit.content(), "content"));
            case delete -> chart.delete(need(edit.bar(), "bar"), need(edit.to(), "to"));
            case copy -> chart.copy(need(edit.bar(), "bar"), need(edit.to(), "to"), need(edit.before(), "before"));
            case move -> chart.move(need(edit.bar(), "bar"), need(edit.to(), "to"), need(edit.before(), "before"));
            case moveChord -> chart.moveChord(need(edit.bar(), "bar"), need(edit.chord(), "chord"), need(edit.beat(), "beat"));
            case replaceChords -> chart.replaceChords(need(edit.changes(), "changes").stream()
                    .map(each -> new ChartEdit.Replacement(each.bar(), each.chord(), chord(each.symbol()))).toList());
            case section -> chart.section(need(edit.section(), "section"), need(edit.change(), "change"));
            case join -> chart.join(need(edit.bar(), "bar"));
            case confirmGuesses -> chart.confirmGuesses();
            case tune -> chart.tune(need(edit.bar(), "bar"), List.of(need(edit.content(), "content").split("\\|", -1)));
            case key -> chart.key(Optional.of(need(edit.content(), "content")).filter(name -> !name.isBlank()).map(name -> Key.read(name)
                    .orElseThrow(() -> Refusal.unusable("key \"" + name + "\": expected a key such as B♭, Gm or E mixolydian"))));
            case note -> throw new IllegalStateException("a note's edit is made above");
        };
        return new TextView(text, null, moved(edit, song(chart), ChartEdit.of(text).reading().song()));
    }

    private static List<MovedView> moved(Edit edit, Song before, Optional<Song> after) {
        List<WrittenBar> was = before.writtenBars();
        List<WrittenBar> is = after.map(Song::writtenBars).orElse(List.of());
        BarMoves moves = switch (edit.kind()) {
            case insert -> BarMoves.inserted(was.size(), edit.bar(), is.size() - was.size());
            case delete -> BarMoves.deleted(was.size(), edit.bar(), edit.to());
            case copy -> BarMoves.inserted(was.size(), edit.before(), edit.to() - edit.bar() + 1);
            case move -> BarMoves.moved(was.size(), edit.bar(), edit.to(), edit.before());
            case join -> BarMoves.deleted(was.size(), edit.bar() + 1, edit.bar() + 1);
            case section -> BarMoves.section(before.written(), edit.section(), edit.change());
            default -> BarMoves.between(was, is);
        };
        return views(moves, was, is);
    }

    private static List<MovedView> views(BarMoves moves, List<WrittenBar> was, List<WrittenBar> is) {
        return moves.byNumber(was, is).stream().map(move -> new MovedView(move.from(), move.to().orElse(null))).toList();
    }

    /** @param before the text as it was; @param after as it was typed */
    public record MovesRequest(@NotNull(message = "expected the chart's text as it was") String before, @NotNull(message = "expected the chart's text as it is") String after) {
    }

    /** @param moved as an edit tells it */
    public record MovesView(List<MovedView> moved) {
    }

    /** Where the bars of a chart went while its text was typed: what is alike from the start and from the end stays with its bar. */
    @PostMapping("/moves")
    public MovesView moves(@Valid @RequestBody MovesRequest request) {
        List<WrittenBar> is = song(open(request.after())).writtenBars();
        List<WrittenBar> was = ChartEdit.of(request.before()).reading().song().map(Song::writtenBars).orElse(List.of());
        return new MovesView(views(BarMoves.between(was, is), was, is));
    }

    private static NoteEdit.Change noteChange(String id) {
        return Arrays.stream(NoteEdit.Change.values()).filter(change -> change.id().equals(id)).findFirst()
                .orElseThrow(() -> Refusal.unusable("note \"" + id + "\": expected one of " + String.join(", ", Arrays.stream(NoteEdit.Change.values()).map(NoteEdit.Change::id).toList())));
    }

    /** By its name, or by its key as the song's key spells it. */
    private static Pitch pitch(String name, ChartEdit chart) {
        try {
            return name.matches("[0-9]{1,3}") ? Pitch.onKey(Integer.parseInt(name), song(chart).key().spellTone(Integer.parseInt(name) % 12)) : Pitch.parse(name);
        } catch (Refused refused) {
            throw Refusal.unusable(refused.getMessage());
        }
    }

    /** @param semitones up, or down below zero, -11 to 11; @param key to this key the shortest way, where it is given */
    public record TransposeRequest(@NotNull(message = "expected the chart's text") String text, Integer semitones, String key) {
    }

    /** @param semitones the way it went */
    public record TransposedView(String text, String key, int semitones) {
    }

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
            Key goal = Key.read(request.key()).orElseThrow(() -> Refusal.unusable("key \"" + request.key() + "\": expected a key such as B♭, Gm or E mixolydian"));
            boolean plain = goal.mode() == zapateo.harmony.Mode.MAJOR && !request.key().toLowerCase(Locale.ROOT).contains("maj");
            // "To E♭" said of a minor song means E♭ minor.
            Key same = plain && home.mode() != goal.mode() ? Key.nearest(goal.tonic().chroma(), home.mode(), goal.fifths()) : goal;
            return Transposition.between(home, same);
        }
        int semitones = need(request.semitones(), "semitones");
        if (Math.abs(semitones) > 11) {
            throw Refusal.unusable("semitones " + semitones + ": expected -11 to 11");
        }
        return Transposition.by(semitones, home);
    }

    /** @param bar written bar from 0; @param chord place in the bar from 0 */
    public record ReadingsRequest(@NotNull(message = "expected the chart's text") String text, @NotNull(message = "expected a bar") Integer bar,
                                  @NotNull(message = "expected a chord's place") Integer chord) {
    }

    /** @param why quality, relative, borrowed, bass, dominant or suspended; @param text the chart with this reading in place */
    public record ReadingView(String symbol, String why, String degree, List<String> tones, String text) {
    }

    /** What the ear would try in the place of a doubtful chord, at most nine. */
    @PostMapping("/readings")
    public List<ReadingView> readings(@Valid @RequestBody ReadingsRequest request) {
        ChartEdit chart = open(request.text());
        Song song = song(chart);
        List<WrittenBar> bars = song.writtenBars();
        if (request.bar() < 0 || request.bar() >= bars.size() || request.chord() < 0 || request.chord() >= bars.get(request.bar()).chords().size()) {
            throw Refusal.unusable("bar " + request.bar() + ", chord " + request.chord() + ": expected a chord of the song");
        }
        Optional<Understanding.Place> place = Understanding.degrees(song).place(bars.get(request.bar()), request.chord());
        return place.map(each -> ByEar.of(each.chord(), each.key(), each.next()).stream().map(reading -> new ReadingView(reading.chord().toString(),
                reading.why().name().toLowerCase(Locale.ROOT), Degree.of(reading.chord(), each.key(), each.next()).roman(),
                reading.chord().tones().stream().map(Object::toString).toList(),
                chart.replaceChord(request.bar(), request.chord(), reading.chord()))).toList()).orElse(List.of());
    }

    /** What a player knows. */
    public enum Knows {
        triads, sevenths, these
    }

    /** @param chords with {@code these}: the chords one knows */
    public record SimplifyRequest(@NotNull(message = "expected the chart's text") String text, @NotNull(message = "expected what you know") Knows knows, List<String> chords) {
    }

    /** @param how bass, extension, relative or dominant */
    public record SimplerView(int bar, int number, int chord, String from, String to, String how) {
    }

    /** @param changes each can be taken or left by a replaceChords edit; @param text with all of them; @param left chords nothing known comes near */
    public record SimplifiedView(String text, List<SimplerView> changes, List<String> left) {
    }

    /** The song with chords one knows. */
    @PostMapping("/simplify")
    public SimplifiedView simplify(@Valid @RequestBody SimplifyRequest request) {
        ChartEdit chart = open(request.text());
        Simplifier simplifier = switch (request.knows()) {
            case triads -> Simplifier.triads();
            case sevenths -> Simplifier.sevenths();
            case these -> Simplifier.only(need(request.chords(), "chords").stream().map(EditController::chord).toList());
        };
        Simplifying simpler = Simplifying.of(song(chart), simplifier);
        return new SimplifiedView(chart.replaceChords(simpler.changes().stream().map(each -> new ChartEdit.Replacement(each.bar(), each.chord(), each.change().to())).toList()),
                simpler.changes().stream().map(each -> new SimplerView(each.bar(), each.number(), each.chord(), each.from().toString(), each.change().to().toString(),
                        each.change().how().name().toLowerCase(Locale.ROOT))).toList(),
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

    private static ChordSymbol chord(String symbol) {
        try {
            return ChordSymbol.parse(symbol == null ? "" : symbol.strip());
        } catch (ChordUnreadException unread) {
            throw Refusal.unusable("chord \"" + symbol + "\": expected a chord such as C, Am7 or B♭/D");
        }
    }

    private static <T> T need(T value, String name) {
        if (value == null) {
            throw Refusal.unusable(name + ": expected for this kind of edit");
        }
        return value;
    }
}
