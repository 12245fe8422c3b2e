package zapateo.server.arrangements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Choices;
import zapateo.arrangement.EasiestKeys;
import zapateo.arrangement.Easier;
import zapateo.refusal.Refused;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.song.ChartEdit;

/** How hard a song is for the hands that play it, and what would make it easier. */
@RestController
@RequestMapping("/api/arrangements")
public class PlayabilityController {

    private final Arranging arranging;
    private final ReasonWords words;

    PlayabilityController(Arranging arranging, ReasonWords words) {
        this.arranging = arranging;
        this.words = words;
    }

    /** @param difficulty 0 to 100; @param maxTempo the fastest all bars allow, in the song's beats a minute */
    public record LevelView(int level, String name, String use, double difficulty, double maxTempo) {
    }

    /** The five versions of a song, measured; the easiest first. */
    @PostMapping("/levels")
    public List<LevelView> levels(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        return arranging.ladder(asked).rungs(asked.song(), asked.choices(), asked.pianist()).stream()
                .map(rung -> new LevelView(rung.level().number(), rung.level().name(), rung.level().use(), tenth(rung.difficulty().total()), tenth(rung.maxTempo()))).toList();
    }

    /** @param ways by level, the easiest first: which of its ways it takes */
    public record WaysView(List<Integer> ways) {
    }

    /** Which way each level takes: the ones the choices name as long as the levels rise with them, else others. */
    @PostMapping("/ways")
    public WaysView ways(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        return new WaysView(arranging.ways(asked));
    }

    /** @param bars as numbered in the chart: 5 or 5-8 */
    public record EasierRequest(@NotNull(message = "expected what was arranged") @Valid ArrangeRequest arrangement, @NotNull(message = "expected bars, as in 5-8") String bars) {
    }

    /**
     * A way to make some bars easier.
     *
     * @param found whether there is one; the rest is empty where the bars are as easy as they get
     * @param level to be chosen for these bars
     * @param lost  what is not played any more, in sentences
     * @param won   what is easier, in sentences
     */
    public record EasierView(boolean found, int level, String name, double before, double after, List<String> lost, List<String> won) {
    }

    /** What would make some bars easier, with what is lost and what is won; nothing is changed by it. */
    @PostMapping("/easier")
    public EasierView easier(@Valid @RequestBody EasierRequest request) {
        Arranging.Asked asked = arranging.asked(request.arrangement());
        Optional<Easier.Way> way;
        try {
            way = Easier.in(Choices.Run.parse(request.bars()), asked.arranger(), asked.song(), asked.choices(), asked.pianist());
        } catch (Refused refused) {
            throw Refusal.unusable(refused.getMessage());
        }
        return way.map(found -> new EasierView(true, found.level().number(), found.level().name(), tenth(found.before().total()), tenth(found.after().total()),
                found.lost().stream().map(words::of).toList(), found.won().stream().map(words::of).toList())).orElseGet(() -> new EasierView(false, 0, "", 0, 0, List.of(), List.of()));
    }

    /** @param signs sharps above zero, flats below; shares are 0 to 1 of the song's chord time; @param difficulty 0 to 100; @param maxTempo in the song's beats a minute */
    public record EasyKeyView(String key, int semitones, int signs, double blackRoots, double blackTones, double difficulty, double maxTempo) {
    }

    /** The twelve keys for this arrangement, the easiest to play first, each measured for the hands that play it. */
    @PostMapping("/easiest-keys")
    public List<EasyKeyView> easiestKeys(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        return EasiestKeys.of(ChartEdit.of(request.chart()), asked.arranger(), asked.choices(), asked.pianist()).stream()
                .map(each -> new EasyKeyView(each.key().key().toString(), each.key().way().semitones(), each.key().signs(), hundredth(each.key().blackRoots()), hundredth(each.key().blackTones()),
                        tenth(each.difficulty().total()), tenth(each.maxTempo()))).toList();
    }

    private static double tenth(double value) {
        return Math.round(10 * value) / 10.0;
    }

    private static double hundredth(double value) {
        return Math.round(100 * value) / 100.0;
    }
}
