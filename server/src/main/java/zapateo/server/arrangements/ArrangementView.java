package zapateo.server.arrangements;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Meeting;
import zapateo.hand.Pianist;
import zapateo.hand.Playability;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.server.charts.ChartView.TempoView;
import zapateo.server.problems.ProblemView;
import zapateo.song.Song;
import zapateo.song.Understanding;

/**
 * An arrangement as two hands play it. What is said of each bar, stroke and note again and again is left out where it
 * is as its description says. Ticks count from the start of the first written bar, a written pick-up included; what
 * sounds before it lies below zero.
 *
 * @param timeline when ticks come at the song's own tempos, fermatas counted
 * @param leadInTicks how far what sounds first lies before tick 0
 * @param swingRatio long to short eighth, 1 for straight
 * @param difficulty of the whole, 0 to 100, for the hands it was made for
 * @param parts the same by what makes it hard
 * @param maxTempo the slowest of its bars' fastest tempos, in the song's beats a minute; 400 where nothing limits it
 * @param limits the bars that set it, the slowest first
 * @param firstStroke where only those of some bars are told, the place of the first one among all
 * @param marks how those strokes are drawn, a letter each: h a heel, t a toe, l a lead-in
 * @param velocities how hard each note of those strokes is struck, 1 to 127, in their order
 * @param reasons why strokes are there; they name one by its place
 * @param notes of the strokes, each once; they name theirs by their places
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ArrangementView(
        int ticksPerQuarter,
        int leadInTicks,
        String title,
        String key,
        String feel,
        double swingRatio,
        TempoView tempo,
        List<PieceView> timeline,
        List<ArrangedBarView> bars,
        @Schema(description = "absent where all are told") Integer firstStroke,
        List<StrokeView> strokes,
        String marks,
        List<Integer> velocities,
        List<ReasonView> reasons,
        List<PedalView> pedal,
        double difficulty,

        @Schema(description = "absent where it was not asked for")
        List<PartView> parts,

        double maxTempo,
        List<LimitView> limits,
        List<ProblemView> problems,

        @Schema(description = "absent where each stroke tells its own")
        List<StrokeView.NoteView> notes) {

    /**
     * A bar that cannot be played faster.
     *
     * @param bar by index
     * @param stroke place of the one that sets it
     * @param why and what would help, in a sentence
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record LimitView(
            int bar,
            double maxTempo,
            int stroke,

            @Schema(description = "absent where it is that of the one before")
            String why) {}

    /**
     * From {@code tick} on, which comes {@code ms} milliseconds after tick 0, a tick lasts {@code pace} milliseconds.
     */
    public record PieceView(int tick, double ms, double pace) {}

    public record ReasonView(String code, Map<String, String> args) {

        private static ReasonView of(Reason reason) {
            return new ReasonView(reason.code(), reason.args());
        }
    }

    public record PedalView(int down, int up) {}

    private static final int LIMITS = 5;

    /** @param withParts whether it is told what makes bars hard */
    static ArrangementView of(
            Arrangement arrangement,
            Pianist pianist,
            boolean withParts,
            List<ProblemView> problems,
            Function<Reason, String> words) {
        List<Stroke> strokes = arrangement.strokes();
        List<Optional<String>> ids = arrangement.ids();
        Map<Playability.Spot, Integer> places = places(strokes);
        Song song = arrangement.song();
        List<ArrangedBarView> bars = new ArrayList<>();
        Understanding understanding = Understanding.degrees(song);
        List<Meeting> meetings = Meeting.of(arrangement);
        song.sections()
                .forEach(section -> section.bars()
                        .forEach(bar -> bars.add(ArrangedBarView.of(
                                bar,
                                section,
                                arrangement,
                                understanding,
                                places,
                                withParts,
                                meetings.get(bar.index())))));
        // Strokes that do the same share their reason, so that most are known without being compared.
        Map<Reason, Integer> reasons = new LinkedHashMap<>();
        Map<Reason, Integer> reasonOf = new IdentityHashMap<>();
        strokes.forEach(stroke -> reasonOf.computeIfAbsent(
                stroke.reason(), reason -> reasons.computeIfAbsent(reason, first -> reasons.size())));
        StringBuilder marks = new StringBuilder();
        List<Integer> velocities = new ArrayList<>();
        for (Stroke stroke : strokes) {
            marks.append(stroke.mark().id().charAt(0));
            stroke.notes().forEach(note -> velocities.add(note.velocity()));
        }
        Map<StrokeView.NoteView, StrokeView.NoteView> told = new HashMap<>();
        return new ArrangementView(
                Ticks.PER_QUARTER,
                arrangement.leadInTicks(),
                song.title(),
                song.key().toString(),
                song.feel().id(),
                arrangement.swing().ratio(),
                TempoView.of(song.tempo()),
                arrangement.timeline().pieces().stream()
                        .map(piece -> new PieceView(piece.tick(), piece.ms(), piece.pace()))
                        .toList(),
                bars,
                null,
                IntStream.range(0, strokes.size())
                        .mapToObj(i -> StrokeView.of(
                                ids.get(i),
                                strokes.get(i),
                                reasonOf.get(strokes.get(i).reason()),
                                arrangement,
                                pianist,
                                told))
                        .toList(),
                marks.toString(),
                velocities,
                reasons.keySet().stream().map(ReasonView::of).toList(),
                arrangement.pedal().stream()
                        .map(pedal -> new PedalView(pedal.down(), pedal.up()))
                        .toList(),
                Told.tenth(arrangement.play().song().total()),
                withParts ? PartView.of(arrangement.play().song(), part -> List.of()) : null,
                Told.tenth(arrangement.maxTempo()),
                limits(arrangement, places, words),
                problems,
                null);
    }

    /** With each note told once. */
    ArrangementView notesOnce() {
        Map<StrokeView.NoteView, Integer> places = new IdentityHashMap<>();
        List<StrokeView.NoteView> once = new ArrayList<>();
        for (StrokeView stroke : strokes) {
            for (StrokeView.NoteView note : stroke.notes()) {
                if (places.putIfAbsent(note, once.size()) == null) {
                    once.add(note);
                }
            }
        }
        return new ArrangementView(
                ticksPerQuarter,
                leadInTicks,
                title,
                key,
                feel,
                swingRatio,
                tempo,
                timeline,
                bars,
                firstStroke,
                strokes.stream().map(stroke -> stroke.naming(places::get)).toList(),
                marks,
                velocities,
                reasons,
                pedal,
                difficulty,
                parts,
                maxTempo,
                limits,
                problems,
                once);
    }

    /**
     * With the strokes of some bars only, by index. They are in the order of time, so that those of one bar stand
     * together but for what comes early.
     */
    ArrangementView strokesOf(int from, int to, boolean bare) {
        int first = IntStream.range(0, strokes.size())
                .filter(i -> strokes.get(i).bar() >= from)
                .findFirst()
                .orElse(strokes.size());
        int end = IntStream.range(first, strokes.size())
                        .filter(i -> strokes.get(i).bar() <= to)
                        .reduce((one, other) -> other)
                        .orElse(first - 1)
                + 1;
        return new ArrangementView(
                ticksPerQuarter,
                leadInTicks,
                title,
                key,
                feel,
                swingRatio,
                tempo,
                bare ? List.of() : timeline,
                bare ? List.of() : bars,
                first,
                strokes.subList(first, end),
                marks.substring(first, end),
                velocities.subList(notesBefore(first), notesBefore(end)),
                bare ? List.of() : reasons,
                bare ? List.of() : pedal,
                difficulty,
                bare ? null : parts,
                maxTempo,
                bare ? List.of() : limits,
                problems,
                null);
    }

    /** How many notes the strokes before one have. */
    private int notesBefore(int stroke) {
        return strokes.subList(0, stroke).stream()
                .mapToInt(each -> each.notes().size())
                .sum();
    }

    /** Each stroke's place among those of its hand and among all. */
    private static Map<Playability.Spot, Integer> places(List<Stroke> strokes) {
        Map<Playability.Spot, Integer> places = new HashMap<>();
        int[] count = new int[Side.values().length];
        for (int i = 0; i < strokes.size(); i++) {
            places.put(
                    new Playability.Spot(
                            strokes.get(i).hand(), count[strokes.get(i).hand().ordinal()]++),
                    i);
        }
        return places;
    }

    private static List<LimitView> limits(
            Arrangement arrangement, Map<Playability.Spot, Integer> places, Function<Reason, String> words) {
        List<Playability.BarPlay> bars = arrangement.play().bars();
        List<Integer> slowest = IntStream.range(0, bars.size())
                .boxed()
                .filter(bar -> bars.get(bar).slowest().isPresent())
                .sorted(Comparator.comparingDouble(arrangement::maxTempo))
                .limit(LIMITS)
                .toList();
        List<LimitView> limits = new ArrayList<>();
        String before = null;
        for (int bar : slowest) {
            Playability.BarPlay play = bars.get(bar);
            String why = words.apply(Reason.of(
                    play.jumpMm() > 0 ? "limit-jump" : "limit-quick",
                    Map.of(
                            "mm",
                            String.valueOf(Math.round(play.jumpMm())),
                            "tempo",
                            String.valueOf(Math.round(arrangement.maxTempo(bar))))));
            limits.add(new LimitView(
                    bar,
                    Told.tenth(arrangement.maxTempo(bar)),
                    places.get(play.slowest().get()),
                    why.equals(before) ? null : why));
            before = why;
        }
        return limits;
    }
}
