package zapateo.server.songs;

import jakarta.validation.Valid;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zapateo.format.Hands;
import zapateo.server.arrangements.ArrangementView;
import zapateo.arrangement.Suggestions;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.server.arrangements.Arranging;
import zapateo.server.figures.Figures;
import zapateo.server.problems.ReasonWords;
import zapateo.song.ChartParser;
import zapateo.server.players.PeoplesHands;
import zapateo.server.players.Player;
import zapateo.server.problems.Refusal;

/** The repertoire: songs that are kept, and the files they leave as. */
@RestController
@RequestMapping("/api/songs")
public class SongController {

    private static final String LEAD = "lead";

    private final Songs songs;
    private final Figures figures;
    private final ReasonWords words;
    private final Arranging arranging;
    private final PeoplesHands hands;

    SongController(Songs songs, Figures figures, ReasonWords words, Arranging arranging, PeoplesHands hands) {
        this.songs = songs;
        this.figures = figures;
        this.words = words;
        this.arranging = arranging;
        this.hands = hands;
    }

    @GetMapping
    public List<SongView.SongLineView> all() {
        FigureBook book = figures.bookOf(Player.ONLY);
        return songs.lines(Player.ONLY).stream().map(row -> SongView.SongLineView.of(row, book)).toList();
    }

    /**
     * A song and how a figure fits it.
     *
     * @param score   the higher the better; comparable between songs
     * @param reasons what speaks for it, then what speaks against it
     */
    public record FittingView(UUID id, String title, double score, boolean fits, List<String> reasons) {
    }

    /** The songs of the repertoire in the order a figure fits them. */
    @GetMapping("/fitting")
    public List<FittingView> fitting(@RequestParam String figure) {
        Figure wanted = figures.bookOf(Player.ONLY).figure(figure).orElseThrow(() -> Refusal.notFound("The figure " + figure));
        return songs.all(Player.ONLY).stream().flatMap(row -> ChartParser.parse(row.chart()).song().map(song -> {
            Suggestions.Suggestion fit = Suggestions.fit(song, wanted);
            return new FittingView(row.id(), row.title(), Math.round(10 * fit.score()) / 10.0, fit.reasons().stream().noneMatch(reason -> reason.code().endsWith("-against")),
                    fit.reasons().stream().map(words::of).toList());
        }).stream()).sorted(Comparator.comparingDouble((FittingView each) -> -each.score()).thenComparing(FittingView::title)).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public SongView create(@Valid @RequestBody SongRequest request) {
        return SongView.of(songs.create(Player.ONLY, request));
    }

    @GetMapping("/{id}")
    public SongView get(@PathVariable UUID id) {
        return SongView.of(songs.get(Player.ONLY, id));
    }

    @PutMapping("/{id}")
    public SongView change(@PathVariable UUID id, @Valid @RequestBody SongRequest request) {
        return SongView.of(songs.change(Player.ONLY, id, request));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void delete(@PathVariable UUID id) {
        songs.delete(Player.ONLY, id);
    }

    /** Takes back a deletion. */
    @PostMapping("/{id}/restore")
    public SongView restore(@PathVariable UUID id) {
        return SongView.of(songs.restore(Player.ONLY, id));
    }

    /** Every state it was saved in, the present one first. */
    @GetMapping("/{id}/versions")
    public List<SongView.VersionView> versions(@PathVariable UUID id) {
        return songs.versions(Player.ONLY, id).stream().map(SongView.VersionView::of).toList();
    }

    @GetMapping("/{id}/arrangement")
    public ArrangementView arrangement(@PathVariable UUID id) {
        return arrange(songs.get(Player.ONLY, id)).view(false);
    }

    /**
     * The song as a file.
     *
     * @param format {@code mid}, {@code musicxml}, {@code abc} or {@code txt}
     * @param parts  {@code left}, {@code both}, or {@code lead} for the chords and the tune
     */
    @GetMapping("/{id}/export/{format}")
    public ResponseEntity<byte[]> export(@PathVariable UUID id, @PathVariable String format, @RequestParam(defaultValue = "both") String parts) {
        SongFile file = SongFile.named(format).orElseThrow(() -> Refusal.unusable("format \"" + format + "\": expected mid, musicxml, abc or txt"));
        SongRow song = songs.get(Player.ONLY, id);
        byte[] content = parts.equals(LEAD) ? file.lead(arranging.read(song.chart()))
                : file.write(song.chart(), () -> arrange(song).arrangement(), Hands.named(parts).orElseThrow(() -> Refusal.unusable("parts \"" + parts + "\": expected left, both, lead or lead-left")));
        String name = song.title().replaceAll("[\\p{Cntrl}/\\\\:*?\"<>|]", "_") + "." + file.extension();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .header(HttpHeaders.CONTENT_TYPE, file.mediaType()).body(content);
    }

    private Arranging.Result arrange(SongRow song) {
        return arranging.arrange(song.chart(), song.choices(), hands.pianist(Player.ONLY));
    }
}
