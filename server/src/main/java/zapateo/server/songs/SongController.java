package zapateo.server.songs;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
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
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Suggestions;
import zapateo.colour.WrittenOut;
import zapateo.format.FingersShown;
import zapateo.format.Hands;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.server.arrangements.ArrangementView;
import zapateo.server.arrangements.Arranging;
import zapateo.server.bounds.ShortText;
import zapateo.server.bounds.VersionNumber;
import zapateo.server.figures.Figures;
import zapateo.server.players.PeoplesHands;
import zapateo.server.players.Player;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.song.ChartParser;

/** The repertoire: songs that are kept, and the files they leave as. */
@RestController
@RequestMapping("/api/songs")
public class SongController {

    private static final String LEAD = "lead";
    private static final String BASS = "bass";
    private static final int MOST_VERSIONS = 200;

    private final Songs songs;
    private final Figures figures;
    private final ReasonWords words;
    private final Arranging arranging;
    private final PeoplesHands hands;
    private final Packages packages;

    SongController(
            Songs songs,
            Figures figures,
            ReasonWords words,
            Arranging arranging,
            PeoplesHands hands,
            Packages packages) {
        this.songs = songs;
        this.figures = figures;
        this.words = words;
        this.arranging = arranging;
        this.hands = hands;
        this.packages = packages;
    }

    @GetMapping
    public List<SongView.SongLineView> all() {
        FigureBook book = figures.bookOf(Player.ONLY);
        return songs.lines(Player.ONLY).stream()
                .map(row -> SongView.SongLineView.of(row, book))
                .toList();
    }

    /**
     * A song and how a figure fits it.
     *
     * @param score the higher the better; comparable between songs
     * @param reasons what speaks for it, then what speaks against it
     */
    public record FittingView(UUID id, String title, double score, boolean fits, List<String> reasons) {}

    /** The songs of the repertoire in the order a figure fits them. */
    @Computes
    @GetMapping("/fitting")
    public List<FittingView> fitting(@RequestParam @ShortText String figure) {
        Figure wanted =
                figures.bookOf(Player.ONLY).figure(figure).orElseThrow(() -> Refusal.notFound("The figure " + figure));
        return songs.all(Player.ONLY).stream()
                .flatMap(row -> ChartParser.parse(row.chart())
                        .song()
                        .map(song -> {
                            Suggestions.Suggestion fit = Suggestions.fit(song, wanted);
                            return new FittingView(
                                    row.id(),
                                    row.title(),
                                    Math.round(10 * fit.score()) / 10.0,
                                    fit.reasons().stream()
                                            .noneMatch(reason -> reason.code().endsWith("-against")),
                                    fit.reasons().stream().map(words::of).toList());
                        })
                        .stream())
                .sorted(Comparator.comparingDouble((FittingView each) -> -each.score())
                        .thenComparing(FittingView::title))
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public SongView create(@Valid @RequestBody SongRequest request) {
        return view(songs.create(Player.ONLY, request));
    }

    @GetMapping("/{id}")
    public SongView get(@PathVariable UUID id) {
        return view(songs.get(Player.ONLY, id));
    }

    @PutMapping("/{id}")
    public SongView change(@PathVariable UUID id, @Valid @RequestBody SongRequest request) {
        return view(songs.change(Player.ONLY, id, request));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void delete(@PathVariable UUID id) {
        songs.delete(Player.ONLY, id);
    }

    /** Takes back a deletion. */
    @PostMapping("/{id}/restore")
    public SongView restore(@PathVariable UUID id) {
        return view(songs.restore(Player.ONLY, id));
    }

    private SongView view(SongRow song) {
        return songs.view(Player.ONLY, song);
    }

    /**
     * The states it was saved in, the present one first: all of the last hour, then the last of each hour, then of each
     * day; those with a name always. Every other one can be had by its number.
     *
     * @param before only states before this one; absent begins with the present one
     * @param most 1 to 200
     */
    @GetMapping("/{id}/versions")
    public List<SongView.VersionView> versions(
            @PathVariable UUID id,
            @RequestParam(required = false) @VersionNumber Integer before,
            @RequestParam(defaultValue = "50")
                    @Min(value = 1, message = "expected 1 to 200")
                    @Max(value = 200, message = "expected 1 to 200")
                    int most) {
        if (most < 1 || most > MOST_VERSIONS) {
            throw Refusal.unusable("most " + most + ": expected 1 to " + MOST_VERSIONS);
        }
        return songs.versions(Player.ONLY, id, before == null ? Integer.MAX_VALUE : before, most).stream()
                .map(SongView.VersionView::of)
                .toList();
    }

    @GetMapping("/{id}/versions/{version}")
    public SongView.StateView version(@PathVariable UUID id, @PathVariable @VersionNumber int version) {
        return SongView.StateView.of(songs.version(Player.ONLY, id, version));
    }

    /** @param name blank takes it away */
    public record VersionName(
            @NotNull(message = "expected a name, blank for none")
            @Size(max = 60, message = "expected at most 60 characters")
            String name) {}

    /** Gives a state a name of its own, so that it is always found. */
    @PutMapping("/{id}/versions/{version}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void nameVersion(
            @PathVariable UUID id, @PathVariable @VersionNumber int version, @Valid @RequestBody VersionName request) {
        songs.nameVersion(
                Player.ONLY,
                id,
                version,
                request.name().isBlank() ? null : request.name().strip());
    }

    @GetMapping("/{id}/arrangement")
    public ArrangementView arrangement(@PathVariable UUID id) {
        return arrange(songs.get(Player.ONLY, id)).view(false);
    }

    /**
     * The song as a file.
     *
     * @param format {@code mid}, {@code musicxml}, {@code abc} or {@code txt}
     * @param parts {@code left}, {@code both}, {@code lead} for the chords and the tune, {@code lead-left} for the tune
     *     over the left hand, or {@code bass} for a bass player
     * @param fingers {@code few}, {@code all} or {@code none} over the notes of MusicXML
     */
    @GetMapping("/{id}/export/{format}")
    public ResponseEntity<byte[]> export(
            @PathVariable UUID id,
            @PathVariable @ShortText String format,
            @RequestParam(defaultValue = "both") @ShortText String parts,
            @RequestParam(defaultValue = "few") @ShortText String fingers) {
        SongFile file = SongFile.named(format)
                .orElseThrow(() -> Refusal.unusable("format \"" + format + "\": expected mid, musicxml, abc or txt"));
        SongRow song = songs.get(Player.ONLY, id);
        byte[] content = parts.equals(BASS)
                ? file.bass(() -> bass(song))
                : parts.equals(LEAD)
                        ? file.lead(WrittenOut.of(arrange(song).arrangement().coloured()))
                        : file.write(song.chart(), () -> arrange(song).arrangement(), wanted(parts, fingers));
        String name = Packages.fileName(song.title()) + "." + file.extension();
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header(HttpHeaders.CONTENT_TYPE, file.mediaType())
                .body(content);
    }

    /**
     * Everything of a song in one file, to be brought in again: a zip of chart, MusicXML, MIDI and a JSON of its
     * choices and own figures.
     */
    @GetMapping(
            path = {"/{id}/package", "/{id}/export/zip"},
            produces = "application/zip")
    public ResponseEntity<byte[]> packed(@PathVariable UUID id) {
        SongRow song = songs.get(Player.ONLY, id);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Packages.fileName(song.title()) + ".zip", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header(HttpHeaders.CONTENT_TYPE, "application/zip")
                .body(packages.of(Player.ONLY, song));
    }

    private static SongFile.Wanted wanted(String parts, String fingers) {
        return new SongFile.Wanted(
                Hands.named(parts)
                        .orElseThrow(() -> Refusal.unusable(
                                "parts \"" + parts + "\": expected left, both, lead, lead-left or bass")),
                FingersShown.named(fingers)
                        .orElseThrow(() -> Refusal.unusable("fingers \"" + fingers + "\": expected few, all or none")));
    }

    private Arrangement bass(SongRow song) {
        return arranging.bassPart(song.chart(), songs.playable(Player.ONLY, song), hands.pianist(Player.ONLY));
    }

    private Arranging.Result arrange(SongRow song) {
        return arranging.arrange(song.chart(), songs.playable(Player.ONLY, song), hands.pianist(Player.ONLY));
    }
}
