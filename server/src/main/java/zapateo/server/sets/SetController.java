package zapateo.server.sets;

import jakarta.validation.Valid;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import zapateo.server.players.Player;
import zapateo.server.songs.Packages;
import zapateo.server.work.Computes;
import zapateo.server.work.Dear;

/** Evenings: songs in their order. */
@RestController
@RequestMapping("/api/sets")
public class SetController {

    private final Sets sets;
    private final SetPackages packages;

    SetController(Sets sets, SetPackages packages) {
        this.sets = sets;
        this.packages = packages;
    }

    @GetMapping
    public List<SetView.SetLineView> all() {
        return sets.all(Player.ONLY);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public SetView create(@Valid @RequestBody SetRequest request) {
        return sets.view(Player.ONLY, sets.create(Player.ONLY, request));
    }

    @GetMapping("/{id}")
    public SetView get(@PathVariable UUID id) {
        return sets.view(Player.ONLY, sets.get(Player.ONLY, id));
    }

    @PutMapping("/{id}")
    public SetView change(@PathVariable UUID id, @Valid @RequestBody SetRequest request) {
        return sets.view(Player.ONLY, sets.change(Player.ONLY, id, request));
    }

    /** A song of an evening as it is played that night. */
    @Computes
    @PostMapping("/tonight")
    public SetView.TonightView tonight(@Valid @RequestBody SetItem item) {
        return sets.tonight(Player.ONLY, item);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void delete(@PathVariable UUID id) {
        sets.delete(Player.ONLY, id);
    }

    /** Takes back a deletion. */
    @PostMapping("/{id}/restore")
    public SetView restore(@PathVariable UUID id) {
        return sets.view(Player.ONLY, sets.restore(Player.ONLY, id));
    }

    /** For the next evening. */
    @PostMapping("/{id}/copy")
    @ResponseStatus(HttpStatus.CREATED)
    public SetView copy(@PathVariable UUID id) {
        return sets.view(Player.ONLY, sets.copy(Player.ONLY, id));
    }

    /** Everything of an evening in one file: a zip of its order and of each song's own package (docs/PACKAGE.md). */
    @Dear(seconds = 120)
    @GetMapping(path = "/{id}/export/zip", produces = "application/zip")
    public ResponseEntity<byte[]> packed(@PathVariable UUID id) {
        SetRow set = sets.get(Player.ONLY, id);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Packages.fileName(set.title()) + ".zip", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header(HttpHeaders.CONTENT_TYPE, "application/zip")
                .body(packages.of(Player.ONLY, set));
    }

    /** Brings an evening in with all its songs, as it was taken away. */
    @Dear(seconds = 120)
    @PostMapping(path = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public SetView bring(@RequestPart("file") MultipartFile file) throws IOException {
        return packages.bring(Player.ONLY, file.getBytes());
    }
}
