package zapateo.server.arrangements;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choice;
import zapateo.arrangement.ReadOver;
import zapateo.critic.Fault;
import zapateo.server.problems.ReasonWords;
import zapateo.song.Bar;

/** An arrangement read over as a strict reader does. */
@RestController
@RequestMapping("/api/arrangements")
public class ReadOverController {

    private final Arranging arranging;
    private final ReasonWords words;

    ReadOverController(Arranging arranging, ReasonWords words) {
        this.arranging = arranging;
        this.words = words;
    }

    /**
     * @param bars   how many were read
     * @param faults in the order of the list they are marked by
     */
    public record ReadView(int bars, List<FaultView> faults) {
    }

    /**
     * Something a strict reader marks.
     *
     * @param id      of the row of the list of faults
     * @param bar     by index
     * @param number  as the chart counts it
     * @param strokes by their places
     * @param found   what is wrong, in a sentence
     * @param better  what would be right, in a sentence
     * @param waved   whether it is meant so, as the choices say
     */
    public record FaultView(String id, int bar, int number, List<Integer> strokes, String found, String better, boolean waved) {
    }

    /** What a strict reader would mark, bar by bar. */
    @PostMapping("/read-over")
    public ReadView readOver(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Result result = arranging.arrange(request);
        Arrangement arrangement = result.arrangement();
        List<Bar> bars = arrangement.song().bars();
        List<Fault> faults = ReadOver.of(arrangement, result.pianist());
        List<String> waved = request.choices() == null ? List.of() : request.choices().choices("choices.").song().orUsual(Choice.WAVED_OFF);
        return new ReadView(bars.size(), faults.stream().map(fault -> {
            int number = bars.get(fault.bar()).number();
            return new FaultView(fault.id(), fault.bar(), number, fault.strokes(), words.of(fault.found()), words.of(fault.better()), waved.contains(fault.id() + "@" + number));
        }).toList());
    }
}
