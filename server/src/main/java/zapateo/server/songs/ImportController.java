package zapateo.server.songs;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import zapateo.format.FileFormat;
import zapateo.format.FileReading;
import zapateo.format.FileText;
import zapateo.format.MidiTracks;
import zapateo.format.SongReader;
import zapateo.server.players.Player;
import zapateo.server.problems.ProblemView;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;
import zapateo.song.ChartText;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/** Brings a song in from a file of any kind that is known; the kind is told by the content. */
@Computes
@RestController
@RequestMapping("/api/songs/import")
public class ImportController {

    private static final int MOST_CHART = 900 * 1024;

    private final Songs songs;
    private final Packages packages;
    private final ProblemWords words;

    ImportController(Songs songs, Packages packages, ProblemWords words) {
        this.songs = songs;
        this.packages = packages;
        this.words = words;
    }

    /** @param number from 1; @param chordal whether most of its notes sound together */
    public record TrackView(int number, String name, int notes, boolean chordal) {}

    /**
     * What was understood.
     *
     * @param format chart, musicxml, compressed-musicxml, abc, midi, words-with-chords-above, words-with-chords-inside,
     *     or package for all of a song as it was taken away
     * @param chart the song as a chart
     * @param bars how many are written
     * @param guesses how many bars have a guessed length
     * @param problems what was not understood, each with its place in the file
     * @param tracks of a MIDI file, those to choose the melody and the chords from
     * @param leftOut what may not be kept of a package, a sentence each
     * @param song the song as it was kept, null for a preview
     */
    public record ImportView(
            String format,
            String title,
            String chart,
            int bars,
            long guesses,
            boolean hasTune,
            List<ProblemView> problems,
            List<TrackView> tracks,
            List<String> leftOut,
            @Schema(types = {"object", "null"}) SongView song) {}

    /**
     * Reads a file and keeps the song, or with {@code preview} only shows what was understood; 422 with the problems
     * where no song can be read.
     *
     * @param melody of a MIDI file the track that holds the melody, from 1; absent takes the likeliest
     * @param chords of a MIDI file the track that holds the chords, from 1; absent reads none
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    public ResponseEntity<ImportView> read(
            @RequestPart("file") MultipartFile file,
            @RequestParam(defaultValue = "false") boolean preview,
            @RequestParam(required = false)
                    @Min(value = 1, message = "expected 1 to 1000")
                    @Max(value = 1000, message = "expected 1 to 1000")
                    Integer melody,
            @RequestParam(required = false)
                    @Min(value = 1, message = "expected 1 to 1000")
                    @Max(value = 1000, message = "expected 1 to 1000")
                    Integer chords)
            throws IOException {
        byte[] content = file.getBytes();
        Optional<BroughtSong> packed = packages.read(content);
        if (packed.isPresent()) {
            return packed(packed.get(), preview);
        }
        FileReading reading =
                SongReader.read(content, new MidiTracks(Optional.ofNullable(melody), Optional.ofNullable(chords)));
        List<ProblemView> problems = words.of(reading.problems());
        Song song = reading.song().orElseThrow(() -> Refusal.file(problems));
        // A chart comes in as it was typed, remarks and all.
        String chart = reading.format() == FileFormat.CHART ? FileText.of(content) : ChartText.write(song);
        if (chart.getBytes(StandardCharsets.UTF_8).length > MOST_CHART) {
            throw Refusal.unusable("the song makes a chart of more than " + MOST_CHART / 1024 + " KiB: expected less");
        }
        SongView kept = preview
                ? null
                : songs.view(
                        Player.ONLY,
                        songs.create(Player.ONLY, new SongRequest(null, chart, null, null, null, null, null)));
        return ResponseEntity.status(preview ? HttpStatus.OK : HttpStatus.CREATED)
                .body(new ImportView(
                        reading.format().id(),
                        song.title(),
                        chart,
                        song.writtenBars().size(),
                        song.writtenBars().stream()
                                .map(WrittenBar::marks)
                                .filter(WrittenBar.Marks::guessed)
                                .count(),
                        song.hasTune(),
                        problems,
                        reading.tracks().stream()
                                .map(track ->
                                        new TrackView(track.number(), track.name(), track.notes(), track.chordal()))
                                .toList(),
                        List.of(),
                        kept));
    }

    /** All of a song, its choices and its own figures too. */
    private ResponseEntity<ImportView> packed(BroughtSong brought, boolean preview) {
        if (brought.chart().getBytes(StandardCharsets.UTF_8).length > MOST_CHART) {
            throw Refusal.unusable("the song makes a chart of more than " + MOST_CHART / 1024 + " KiB: expected less");
        }
        ChartReading reading = ChartParser.parse(brought.chart());
        Optional<Song> song = reading.song();
        Packages.Ready ready = packages.ready(Player.ONLY, brought);
        SongView kept = preview ? null : packages.keep(Player.ONLY, ready);
        return ResponseEntity.status(preview ? HttpStatus.OK : HttpStatus.CREATED)
                .body(new ImportView(
                        "package",
                        brought.title(),
                        brought.chart(),
                        song.map(each -> each.writtenBars().size()).orElse(0),
                        song.stream()
                                .flatMap(each -> each.writtenBars().stream())
                                .map(WrittenBar::marks)
                                .filter(WrittenBar.Marks::guessed)
                                .count(),
                        song.filter(Song::hasTune).isPresent(),
                        words.of(reading.problems()),
                        List.of(),
                        ready.leftOut().told(),
                        kept));
    }
}
