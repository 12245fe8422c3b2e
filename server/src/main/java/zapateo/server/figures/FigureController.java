package zapateo.server.figures;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.lefthand.Voicing;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;

/** The figure book and the voicings that fill it. */
@RestController
@RequestMapping("/api/figures")
public class FigureController {

    private final List<FigureView> figures;

    FigureController(FigureBook book) {
        this.figures = book.figures().stream().map(FigureView::of).toList();
    }

    /**
     * @param accepts ids of the voicings that can fill it, the usual one first
     * @param strokes its bars in each metre it is written for
     */
    public record FigureView(String id, String name, String family, String use, List<String> meters, List<String> feel, int level, int minTempo,
                             int maxTempo, List<String> accepts, List<VoicingView> voicings, List<String> registers, List<String> hands, List<FigureBarView> strokes) {

        static FigureView of(Figure figure) {
            return new FigureView(figure.id(), figure.name(), figure.family(), figure.use(), figure.bars().keySet().stream().map(Meter::toString).toList(),
                    figure.feels().stream().map(Feel::id).toList(), figure.level(), figure.minTempo(), figure.maxTempo(),
                    figure.voicings(), figure.voicings().stream().flatMap(id -> Voicing.named(id).stream()).map(voicing -> new VoicingView(voicing.id(), voicing.name())).toList(),
                    figure.registers().stream().map(Register::id).toList(), List.of("L"),
                    figure.bars().entrySet().stream().flatMap(each -> each.getValue().stream().map(bar -> FigureBarView.of(each.getKey(), bar))).toList());
        }
    }

    public record VoicingView(String id, String name) {
    }

    /** One bar of a figure in a metre; a metre may have several bars, played in turn. */
    public record FigureBarView(String meter, int barTicks, int beatTicks, List<FigureStrokeView> strokes) {

        static FigureBarView of(Meter meter, List<FigureStroke> strokes) {
            return new FigureBarView(meter.toString(), meter.barTicks(), meter.beatTicks(), strokes.stream().map(stroke -> FigureStrokeView.of(stroke, meter)).toList());
        }
    }

    /**
     * @param roles what is struck, in the handbook's signs
     * @param mark  heel for a bass, toe for what lies above it
     */
    public record FigureStrokeView(String roles, int tick, int ticks, String mark) {

        static FigureStrokeView of(FigureStroke stroke, Meter meter) {
            return new FigureStrokeView(String.join("+", stroke.roles().stream().map(Role::toString).toList()), stroke.tick(),
                    Math.min(stroke.length(), meter.barTicks() - stroke.tick()), stroke.mark().id());
        }
    }

    @GetMapping
    public List<FigureView> figures() {
        return figures;
    }
}
