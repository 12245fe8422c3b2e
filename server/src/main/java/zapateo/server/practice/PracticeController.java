package zapateo.server.practice;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.bounds.BarNumber;
import zapateo.server.bounds.BeatsPerMinute;
import zapateo.server.bounds.PlausibleDate;
import zapateo.server.bounds.ShortText;
import zapateo.server.bounds.VersionNumber;
import zapateo.server.players.Player;

/** What is practised for, what was done, what to do today. Only its player sees it. */
@RestController
@RequestMapping("/api/practice")
public class PracticeController {

    private final Practising practising;

    PracticeController(Practising practising) {
        this.practising = practising;
    }

    /**
     * @param tempo beats a minute
     * @param until the day it has to be ready; absent is no day
     * @param level 0 is off
     * @param arrangement what is practised: its hard places are found now
     */
    public record GoalRequest(
            @NotNull(message = "expected beats a minute") @BeatsPerMinute
            Double tempo,

            @PlausibleDate LocalDate until,

            @Min(value = 0, message = "expected 0 to 5") @Max(value = 5, message = "expected 0 to 5")
            Integer level,

            @NotNull(message = "expected what was arranged") @Valid
            ArrangeRequest arrangement) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record GoalView(
            UUID song,
            String title,
            double tempo,

            @Schema(description = "absent where there is no day")
            LocalDate until,

            int level,
            double seconds,
            int pieces,
            double known,
            int due) {}

    /**
     * What is practised for: {@code known} is the share of its places that are clean at their goal, {@code due} how
     * many come back by the day.
     */
    @GetMapping("/goals")
    public List<GoalView> goals(@RequestParam(required = false) @PlausibleDate LocalDate day) {
        return practising.goals(Player.ONLY, today(day));
    }

    @PutMapping("/goals/{song}")
    public GoalView set(@PathVariable UUID song, @Valid @RequestBody GoalRequest request) {
        practising.set(
                Player.ONLY,
                song,
                request.tempo(),
                request.until(),
                request.level() == null ? 0 : request.level(),
                request.arrangement());
        return practising.goals(Player.ONLY, today(null)).stream()
                .filter(goal -> goal.song().equals(song))
                .findFirst()
                .orElseThrow();
    }

    @DeleteMapping("/goals/{song}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void drop(@PathVariable UUID song) {
        practising.drop(Player.ONLY, song);
    }

    private static LocalDate today(LocalDate day) {
        return day == null ? LocalDate.now() : day;
    }

    /**
     * A pass to be kept.
     *
     * @param id of the page's making, so that it is kept once however often it is sent
     * @param day the player's own; absent is the server's
     * @param first number of the first bar in the chart
     * @param right share of the notes that came when they should; absent where nobody listened
     * @param hurt what hurt, in the player's words
     */
    public record PassRequest(
            @NotNull(message = "expected an id") UUID id,
            @NotNull(message = "expected a song") UUID song,
            UUID arrangementId,

            @Size(max = 80, message = "expected at most 80 characters")
            String arrangement,

            @VersionNumber Integer version,
            @PlausibleDate OffsetDateTime at,
            @PlausibleDate LocalDate day,

            @NotNull(message = "expected a bar's number") @BarNumber
            Integer first,

            @NotNull(message = "expected a bar's number") @BarNumber
            Integer last,

            @NotNull(message = "expected a layer") @ShortText
            String layer,

            @NotNull(message = "expected beats a minute") @BeatsPerMinute
            Double tempo,

            @NotNull(message = "expected whether it was clean")
            Boolean clean,

            @DecimalMin(value = "0", message = "expected 0 to 1") @DecimalMax(value = "1", message = "expected 0 to 1")
            Double right,

            @DecimalMin(value = "0", message = "expected 0 to 3600000")
            @DecimalMax(value = "3600000", message = "expected 0 to 3600000")
            Double unevenMs,

            @NotNull(message = "expected seconds")
            @Min(value = 0, message = "expected 0 to 7200")
            @Max(value = 7200, message = "expected 0 to 7200")
            Integer seconds,

            @Size(max = 500, message = "expected at most 500 characters")
            String word,

            @Size(max = 500, message = "expected at most 500 characters")
            String hurt) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record PassView(
            UUID id,
            UUID song,
            String title,

            @Schema(description = "absent where it had none")
            UUID arrangementId,

            String arrangement,
            int version,
            OffsetDateTime at,
            LocalDate day,
            int first,
            int last,
            String layer,
            double tempo,
            boolean clean,

            @Schema(description = "absent where nobody listened")
            Double right,

            @Schema(description = "absent where nobody listened")
            Double unevenMs,

            int seconds,
            String word,
            String hurt) {

        static PassView of(PassRow row) {
            return new PassView(
                    row.id(),
                    row.songId(),
                    row.title(),
                    row.arrangementId(),
                    row.arrangement(),
                    row.songVersion(),
                    row.playedAt(),
                    row.playedOn(),
                    row.firstBar(),
                    row.lastBar(),
                    row.layer(),
                    row.tempo(),
                    row.clean(),
                    row.rightShare(),
                    row.unevenMs(),
                    row.seconds(),
                    row.word(),
                    row.hurt());
        }
    }

    /** The log since a day, the latest first; a year where none is named, 5,000 passes at the most. */
    @GetMapping("/log")
    public List<PassView> log(@RequestParam(required = false) @PlausibleDate LocalDate since) {
        return practising.log(Player.ONLY, since).stream().map(PassView::of).toList();
    }

    @PostMapping("/log")
    @ResponseStatus(HttpStatus.CREATED)
    public PassView keep(@Valid @RequestBody PassRequest request) {
        OffsetDateTime at = (request.at() == null ? OffsetDateTime.now(ZoneOffset.UTC) : request.at())
                .truncatedTo(ChronoUnit.MICROS);
        PassRow row = new PassRow(
                request.id(),
                Player.ONLY.id(),
                request.song(),
                "",
                request.arrangementId(),
                said(request.arrangement()),
                request.version() == null ? 0 : request.version(),
                at,
                today(request.day()),
                request.first(),
                request.last(),
                request.layer(),
                request.tempo(),
                request.clean(),
                request.right(),
                request.unevenMs(),
                request.seconds(),
                said(request.word()),
                said(request.hurt()));
        practising.keep(Player.ONLY, row);
        return PassView.of(row);
    }

    private static String said(String text) {
        return text == null ? "" : text.strip();
    }

    @DeleteMapping("/log/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void forget(@PathVariable UUID id) {
        practising.forget(Player.ONLY, id);
    }

    /** The log to take away, as a table. */
    @GetMapping(value = "/log/export/csv", produces = "text/csv;charset=UTF-8")
    public ResponseEntity<byte[]> csv() {
        return file(
                "practice-log.csv",
                "text/csv;charset=UTF-8",
                LogTable.of(practising.log(Player.ONLY, LocalDate.EPOCH)).getBytes(StandardCharsets.UTF_8));
    }

    /** The same as {@code GET /api/practice/log} has it. */
    @GetMapping("/log/export/json")
    public ResponseEntity<List<PassView>> json() {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attached("practice-log.json"))
                .body(practising.log(Player.ONLY, LocalDate.EPOCH).stream()
                        .map(PassView::of)
                        .toList());
    }

    private static ResponseEntity<byte[]> file(String name, String type, byte[] content) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header(HttpHeaders.CONTENT_DISPOSITION, attached(name))
                .body(content);
    }

    private static String attached(String name) {
        return ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString();
    }

    /**
     * One thing to do.
     *
     * @param what spot, join, due, run-through or pause
     * @param tempo beats a minute
     * @param why in a sentence
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record PlanItemView(
            String what,
            @Schema(description = "absent in a pause") UUID song,
            @Schema(description = "absent in a pause") String title,
            int first,
            int last,
            String layer,
            double tempo,
            int minutes,
            String why) {}

    /** @param lower a tempo that can be reached by the day; @param text in a sentence */
    public record PlanWarningView(UUID song, int days, int left, double lower, boolean lowerLevel, String text) {}

    public record PlanView(List<PlanItemView> items, int minutes, List<PlanWarningView> warnings) {}

    /** What to practise on a day, in its order. */
    @GetMapping("/plan")
    public PlanView plan(
            @RequestParam
                    @Min(value = 1, message = "expected 1 to 600")
                    @Max(value = 600, message = "expected 1 to 600")
                    int minutes,
            @RequestParam(required = false) @PlausibleDate LocalDate day) {
        return practising.plan(Player.ONLY, today(day), minutes);
    }

    /** Share of the passes of a song that were not clean, by the bar's number in the chart. */
    @GetMapping("/failed/{song}")
    public Map<Integer, Double> failed(@PathVariable UUID song) {
        return practising.failed(Player.ONLY, song);
    }
}
