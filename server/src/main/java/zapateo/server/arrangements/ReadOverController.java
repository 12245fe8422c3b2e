package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.ReadOver;
import zapateo.arrangement.Repairs;
import zapateo.arrangement.SongChoice;
import zapateo.critic.Fault;
import zapateo.lefthand.BassLine;
import zapateo.lefthand.LeadIn;
import zapateo.lefthand.Voicing;
import zapateo.part.Reason;
import zapateo.server.problems.ChoiceWords;
import zapateo.server.problems.ReasonWords;
import zapateo.server.work.Computes;
import zapateo.song.Bar;

/** An arrangement read over as a strict reader does. */
@Computes
@RestController
@RequestMapping("/api/arrangements")
public class ReadOverController {

    private static final int LONGEST_TRIED = 100;
    private static final int MOST_TRIED = 6;

    private final Arranging arranging;
    private final ReasonWords words;
    private final ChoiceWords choiceWords;

    ReadOverController(Arranging arranging, ReasonWords words, ChoiceWords choiceWords) {
        this.choiceWords = choiceWords;
        this.arranging = arranging;
        this.words = words;
    }

    /**
     * @param bars how many were read
     * @param faults in the order of the list they are marked by
     */
    public record ReadView(int bars, List<FaultView> faults) {}

    /**
     * Something a strict reader marks.
     *
     * @param id of the row of the list of faults
     * @param bar by index
     * @param number as the chart counts it
     * @param strokes by their places
     * @param found what is wrong, in a sentence
     * @param better what would be right, in a sentence
     * @param waved whether it is meant so, as the choices say
     * @param repair a choice for its bar that is known to mend it
     */
    public record FaultView(
            String id,
            int bar,
            int number,
            List<Integer> strokes,
            String found,
            String better,
            boolean waved,

            @JsonInclude(JsonInclude.Include.NON_NULL) @Schema(description = "absent where none is known")
            RepairView repair) {}

    /**
     * A choice for one bar, tried and found to help.
     *
     * @param choice its id; locks where what is locked in the bar is to go
     * @param value as it is written
     * @param text what it is, in words
     */
    public record RepairView(String choice, String value, String text) {}

    /** What a strict reader would mark, bar by bar. */
    @PostMapping("/read-over")
    public ReadView readOver(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Result result = arranging.arrange(request);
        Arrangement arrangement = result.arrangement();
        List<Bar> bars = arrangement.song().bars();
        List<Fault> faults = ReadOver.of(arrangement, result.pianist());
        List<String> waved = request.choices() == null
                ? List.of()
                : request.choices().choices("choices.").song().orUsual(SongChoice.WAVED_OFF);
        Repairs repairs = arranging.repairs(request, faults);
        List<FaultView> views = new ArrayList<>();
        int tried = 0;
        for (Fault fault : faults) {
            int number = bars.get(fault.bar()).number();
            boolean off = waved.contains(fault.id() + "@" + number);
            // Each is arranged again: as many as a person reads at a time.
            boolean looks = !off && bars.size() <= LONGEST_TRIED && tried++ < MOST_TRIED;
            views.add(new FaultView(
                    fault.id(),
                    fault.bar(),
                    number,
                    fault.strokes(),
                    words.of(fault.found()),
                    words.of(fault.better()),
                    off,
                    looks ? repairs.of(fault).map(this::view).orElse(null) : null));
        }
        return new ReadView(bars.size(), views);
    }

    private RepairView view(Repairs.Repair repair) {
        String value = String.valueOf(repair.value());
        String name = Voicing.named(value)
                .map(Voicing::name)
                .or(() -> BassLine.named(value).map(BassLine::name))
                .or(() -> LeadIn.named(value).map(LeadIn::name))
                .orElse(value);
        String code = repair.choice().equals("locks")
                ? "repair-locks"
                : repair.choice().equals("pedal") ? "repair-pedal" : "repair";
        return new RepairView(
                repair.choice(),
                value,
                words.of(Reason.of(code, Map.of("choice", choiceWords.name(repair.choice()), "value", name))));
    }
}
