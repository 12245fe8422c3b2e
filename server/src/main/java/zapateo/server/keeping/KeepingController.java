package zapateo.server.keeping;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import zapateo.server.players.Player;
import zapateo.server.work.Dear;

/** Copies of everything: those the start script makes, and the one that is taken away from the page. */
@RestController
@RequestMapping("/api/keeping")
public class KeepingController {

    private final Everything everything;
    private final String copies;

    KeepingController(Everything everything, @Value("${zapateo.copies}") String copies) {
        this.everything = everything;
        this.copies = copies;
    }

    /** @param made when it was made */
    public record CopyView(String name, long bytes, Instant made) {}

    /**
     * @param folder where copies lie that are made once a day, empty where none are made
     * @param copies the newest first
     */
    public record KeepingView(String folder, List<CopyView> copies) {}

    /** Where copies lie, and which there are. */
    @GetMapping
    public KeepingView keeping() {
        if (copies.isBlank()) {
            return new KeepingView("", List.of());
        }
        try (Stream<Path> files = Files.list(Path.of(copies))) {
            return new KeepingView(
                    copies,
                    files.filter(file -> file.toString().endsWith(".tar"))
                            .flatMap(KeepingController::copy)
                            .sorted(Comparator.comparing(CopyView::made)
                                    .reversed()
                                    .thenComparing(CopyView::name))
                            .toList());
        } catch (IOException notYet) {
            return new KeepingView(copies, List.of());
        }
    }

    /** One that is thinned away meanwhile is none. */
    private static Stream<CopyView> copy(Path file) {
        try {
            return Stream.of(new CopyView(
                    file.getFileName().toString(),
                    Files.size(file),
                    Files.getLastModifiedTime(file).toInstant()));
        } catch (IOException gone) {
            return Stream.empty();
        }
    }

    /** All songs, evenings, own figures and hands in one zip of open formats. */
    @Dear(seconds = 120)
    @GetMapping(path = "/everything", produces = "application/zip")
    public ResponseEntity<byte[]> take() {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("zapateo.zip", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header(HttpHeaders.CONTENT_TYPE, "application/zip")
                .body(everything.of(Player.ONLY));
    }

    /** Adds what such a file holds to what is here. */
    @Dear(seconds = 120)
    @PostMapping(path = "/everything", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public Everything.Brought bring(@RequestPart("file") MultipartFile file) throws IOException {
        return everything.bring(Player.ONLY, file.getBytes());
    }
}
