package zapateo.server.arrangements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Choices;
import zapateo.arrangement.Easier;
import zapateo.arrangement.EasiestKeys;
import zapateo.arrangement.SingersKeys;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.server.bounds.ShortText;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.server.work.Computes;
import zapateo.server.work.Dear;
import zapateo.song.ChartEdit;
import zapateo.song.VoiceRange;

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
    public record LevelView(int level, String name, String use, double difficulty, double maxTempo) {}

    /** The five versions of a song, measured; the easiest first. */
    @Dear
    @PostMapping("/levels")
    public List<LevelView> levels(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        return arranging.ladder(asked).rungs(asked.song(), asked.choices(), asked.pianist()).stream()
                .map(rung -> new LevelView(
                        rung.level().number(),
                        rung.level().name(),
                        rung.level().use(),
                        Told.tenth(rung.difficulty().total()),
                        Told.tenth(rung.maxTempo())))
                .toList();
    }

    /** @param ways by level, the easiest first: which of its ways it takes */
    public record WaysView(List<Integer> ways) {}

    /** Which way each level takes: the ones the choices name as long as the levels rise with them, else others. */
    @PostMapping("/ways")
    public WaysView ways(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        return new WaysView(arranging.ways(asked));
    }

    /** @param bars as numbered in the chart: 5 or 5-8 */
    public record EasierRequest(
            @NotNull(message = "expected what was arranged") @Valid
            ArrangeRequest arrangement,

            @NotNull(message = "expected bars, as in 5-8") @ShortText
            String bars) {}

    /**
     * A way to make some bars easier.
     *
     * @param found whether there is one; the rest is empty where the bars are as easy as they get
     * @param level to be chosen for these bars
     * @param lost what is not played any more, in sentences
     * @param won what is easier, in sentences
     */
    public record EasierView(
            boolean found, int level, String name, double before, double after, List<String> lost, List<String> won) {}

    /** What would make some bars easier, with what is lost and what is won; nothing is changed by it. */
    @Computes
    @PostMapping("/easier")
    public EasierView easier(@Valid @RequestBody EasierRequest request) {
        Arranging.Asked asked = arranging.asked(request.arrangement());
        Optional<Easier.Way> way = Easier.in(
                Choices.Run.parse(request.bars()), asked.arranger(), asked.song(), asked.choices(), asked.pianist());
        return way.map(found -> new EasierView(
                        true,
                        found.level().number(),
                        found.level().name(),
                        Told.tenth(found.before().total()),
                        Told.tenth(found.after().total()),
                        found.lost().stream().map(words::of).toList(),
                        found.won().stream().map(words::of).toList()))
                .orElseGet(() -> new EasierView(false, 0, "", 0, 0, List.of(), List.of()));
    }

    /**
     * @param signs sharps above zero, flats below; shares are 0 to 1 of the song's chord time; @param difficulty 0 to
     *     100; @param maxTempo in the song's beats a minute
     */
    public record EasyKeyView(
            String key,
            int semitones,
            int signs,
            double blackRoots,
            double blackTones,
            double difficulty,
            double maxTempo) {}

    /** The twelve keys for this arrangement, the easiest to play first, each measured for the hands that play it. */
    @Dear
    @PostMapping("/easiest-keys")
    public List<EasyKeyView> easiestKeys(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        return EasiestKeys.of(ChartEdit.of(request.chart()), asked.arranger(), asked.choices(), asked.pianist())
                .stream()
                .map(each -> new EasyKeyView(
                        each.key().key().toString(),
                        each.key().way().semitones(),
                        each.key().signs(),
                        hundredth(each.key().blackRoots()),
                        hundredth(each.key().blackTones()),
                        Told.tenth(each.difficulty().total()),
                        Told.tenth(each.maxTempo())))
                .toList();
    }

    /**
     * @param low the lowest note that sits well, such as G3
     * @param high the highest one
     * @param lowest the lowest there is at all; absent is a tone beyond {@code low}
     * @param highest the same above
     * @param turn where the voice breaks, if it does
     */
    public record VoiceRequest(
            @NotNull(message = "expected a note such as G3") @ShortText
            String low,

            @NotNull(message = "expected a note such as C5") @ShortText
            String high,

            @ShortText String lowest,
            @ShortText String highest,
            @ShortText String turn) {

        private VoiceRange range() {
            VoiceRange usual = VoiceRange.of(Pitch.parse(low), Pitch.parse(high));
            return new VoiceRange(
                    usual.low(),
                    usual.high(),
                    lowest == null ? usual.lowest() : Pitch.parse(lowest),
                    highest == null ? usual.highest() : Pitch.parse(highest),
                    Optional.ofNullable(turn).map(Pitch::parse));
        }
    }

    /**
     * @param part how many semitones above what sounds the singer's or player's part is written: 2 for B♭, 9 for E♭,
     *     below zero for a capo; absent is 0
     */
    public record SingersKeyRequest(
            @NotNull(message = "expected what was arranged") @Valid
            ArrangeRequest arrangement,

            @NotNull(message = "expected a range of notes") @Valid
            VoiceRequest voice,

            @Min(value = -11, message = "expected -11 to 11") @Max(value = 11, message = "expected -11 to 11")
            Integer part) {}

    /**
     * A key as it suits a voice and the hands.
     *
     * @param part the key the part is written in
     * @param octaves how many octaves higher than written it is sung, below zero lower
     * @param inside the share of the melody that sits well, 0 to 1
     * @param beyond by how many semitones it lies outside on the average
     * @param onTurn the share that is held on the break
     * @param lowest the lowest note as it is sung
     * @param reached whether nothing lies beyond the extremes
     */
    public record SingersKeyView(
            String key,
            int semitones,
            String part,
            int octaves,
            double inside,
            double beyond,
            double onTurn,
            String lowest,
            String highest,
            boolean reached,
            double difficulty) {}

    /**
     * The twelve keys, the ones first in which the melody sits well, among those the ones that lie best under the
     * hands.
     */
    @Computes
    @PostMapping("/singers-key")
    public List<SingersKeyView> singersKey(@Valid @RequestBody SingersKeyRequest request) {
        VoiceRange voice;
        try {
            voice = request.voice().range();
        } catch (Refused refused) {
            throw Refusal.unusable("voice: " + refused.getMessage());
        }
        Arranging.Asked asked = arranging.asked(request.arrangement());
        if (!asked.song().hasTune()) {
            throw Refusal.unusable(
                    "the chart has no melody to find a key for: expected a line Melody: under a row of bars");
        }
        int part = request.part() == null ? 0 : request.part();
        return SingersKeys.of(
                        ChartEdit.of(request.arrangement().chart()),
                        asked.arranger(),
                        asked.choices(),
                        asked.pianist(),
                        voice)
                .stream()
                .map(each -> {
                    Key key = each.measured().key().key();
                    VoiceRange.Fit fit = each.fit();
                    return new SingersKeyView(
                            key.toString(),
                            each.measured().key().way().semitones(),
                            part == 0
                                    ? key.toString()
                                    : Transposition.by(part, key).of(key).toString(),
                            fit.octaves(),
                            hundredth(fit.inside()),
                            hundredth(fit.beyond()),
                            hundredth(fit.onTurn()),
                            fit.lowest().toString(),
                            fit.highest().toString(),
                            fit.reached(),
                            Told.tenth(each.measured().difficulty().total()));
                })
                .toList();
    }

    private static double hundredth(double value) {
        return Math.round(100 * value) / 100.0;
    }
}
