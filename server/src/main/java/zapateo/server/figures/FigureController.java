package zapateo.server.figures;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureFile;
import zapateo.server.bounds.ShortText;
import zapateo.server.bounds.VersionNumber;
import zapateo.server.players.Player;
import zapateo.server.problems.Refusal;

/** The figure book, and the figures of a player's own. */
@RestController
@RequestMapping("/api/figures")
public class FigureController {

    private static final String YAML = "application/yaml;charset=UTF-8";

    private final Figures figures;
    private final List<FigureView> shipped;
    private final List<FigureView> right;

    FigureController(Figures figures, FigureBook book) {
        this.figures = figures;
        this.shipped = views(book);
        this.right = views(FigureBook.ofTheRightHand());
    }

    private static List<FigureView> views(FigureBook book) {
        return book.figures().stream()
                .map(figure -> FigureView.of(figure, null))
                .toList();
    }

    /**
     * A figure to keep.
     *
     * @param file its file as text, YAML or JSON; the form is told in the documentation
     * @param version the one that was loaded; needed when a figure is changed
     */
    public record FigureRequest(
            @NotNull(message = "expected the figure's file as text")
            @Size(max = 20_000, message = "expected at most 20,000 characters")
            String file,

            @VersionNumber Integer version) {}

    /**
     * What is wrong with a figure's file.
     *
     * @param figure null where it cannot be read
     * @param problem empty where it can be kept
     */
    public record CheckView(
            @Schema(types = {"object", "null"}) FigureView figure, String problem) {}

    /** All of the left hand or both: those that ship in the order of the book, then the player's own. */
    @GetMapping
    public List<FigureView> figures() {
        return withOwn(shipped, false);
    }

    /** The rhythms of the right hand, then the player's own. */
    @GetMapping("/right")
    public List<FigureView> rightHand() {
        return withOwn(right, true);
    }

    private List<FigureView> withOwn(List<FigureView> known, boolean ofRightHand) {
        List<FigureView> all = new ArrayList<>(known);
        figures.own(Player.ONLY).forEach(row -> {
            Figure figure = FigureFile.parse(row.id(), row.file());
            if (figure.isOfRightHand() == ofRightHand) {
                all.add(FigureView.of(figure, row.version()));
            }
        });
        return all;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public FigureView keep(@Valid @RequestBody FigureRequest request) {
        return view(figures.keep(Player.ONLY, request.file()));
    }

    @PutMapping("/{id}")
    public FigureView change(@PathVariable @ShortText String id, @Valid @RequestBody FigureRequest request) {
        return view(figures.change(Player.ONLY, id, request.file(), request.version()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void delete(@PathVariable @ShortText String id) {
        figures.delete(Player.ONLY, id);
    }

    /** Whether a file can be kept; nothing is kept by it. */
    @PostMapping("/check")
    public CheckView check(@Valid @RequestBody FigureRequest request) {
        try {
            return new CheckView(FigureView.of(figures.checked(request.file()), null), "");
        } catch (Refusal refused) {
            return new CheckView(null, refused.getMessage());
        }
    }

    /**
     * A figure that is being written.
     *
     * @param id what it would be kept as, unless the name is taken
     * @param file its file; empty where it cannot be read
     * @param bar the strokes of its first bar, as the choice {@code strokes} of a bar has them
     * @param figure null where it cannot be read
     * @param problem empty where it can be kept
     */
    public record DraftView(
            String id,
            String file,
            String bar,
            @Schema(types = {"object", "null"}) FigureView figure,
            String problem) {}

    /** The file of a figure while it is written, and whether it can be kept; nothing is kept by it. */
    @PostMapping("/draft")
    public DraftView draft(@Valid @RequestBody FigureDraft request) {
        Figure figure;
        try {
            figure = FigureFile.parse("figure", request.file());
        } catch (Refused unread) {
            return new DraftView("", "", "", null, unread.getMessage());
        }
        String problem = figures.faults(figure).map(Refusal::getMessage).orElse("");
        return new DraftView(
                figure.id(),
                FigureFile.write(figure),
                FigureFile.write(figure.bars().values().iterator().next().get(0)),
                FigureView.of(figure, null),
                problem);
    }

    /** Its file, to be taken away, copied or changed. */
    @GetMapping(path = "/{id}/file", produces = YAML)
    public ResponseEntity<byte[]> file(@PathVariable @ShortText String id) {
        Figure figure = Stream.concat(
                        figures.shipped(id).stream(),
                        figures.own(Player.ONLY).stream()
                                .filter(row -> row.id().equals(id))
                                .map(row -> FigureFile.parse(id, row.file())))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("The figure " + id));
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(id + ".yaml", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header(HttpHeaders.CONTENT_TYPE, YAML)
                .body(FigureFile.write(figure).getBytes(StandardCharsets.UTF_8));
    }

    /** The file of an own figure as it once was, by the hash that a song names with it. */
    @GetMapping(path = "/texts/{hash}", produces = YAML)
    public ResponseEntity<byte[]> text(@PathVariable UUID hash) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, YAML)
                .body(figures.text(Player.ONLY, hash).getBytes(StandardCharsets.UTF_8));
    }

    private static FigureView view(FigureRow row) {
        return FigureView.of(FigureFile.parse(row.id(), row.file()), row.version());
    }
}
