package zapateo.server.arrangements;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
 * An arrangement as two hands play it. Ticks count from the start of the first written bar, a written pick-up included;
 * what sounds before it lies below zero.
 *
 * @param timeline when ticks come at the song's own tempos, fermatas counted
 * @param leadInTicks how far what sounds first lies before tick 0
 * @param swingRatio long to short eighth, 1 for straight
 * @param difficulty of the whole, 0 to 100, for the hands it was made for
 * @param parts the same by what makes it hard; empty where it was not asked for
 * @param maxTempo the slowest of its bars' fastest tempos, in the song's beats a minute; 400 where nothing limits it
 * @param limits the bars that set it, the slowest first
 * @param firstStroke the place of the first one that is told among all: 0 where all are
 * @param reasons why strokes are there; they name one by its place
 */
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
        int firstStroke,
        List<StrokeView> strokes,
        List<ReasonView> reasons,
        List<PedalView> pedal,
        double difficulty,
        List<PartView> parts,
        double maxTempo,
        List<LimitView> limits,
        List<ProblemView> problems) {

    /**
     * A bar that cannot be played faster.
     *
     * @param bar by index
     * @param stroke place of the one that sets it
     * @param why and what would help, in a sentence
     */
    public record LimitView(int bar, double maxTempo, int stroke, String why) {}

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
        List<String> ids = arrangement.ids();
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
                0,
                IntStream.range(0, strokes.size())
                        .mapToObj(i -> StrokeView.of(
                                ids.get(i),
                                strokes.get(i),
                                reasonOf.get(strokes.get(i).reason()),
                                arrangement,
                                pianist))
                        .toList(),
                reasons.keySet().stream().map(ReasonView::of).toList(),
                arrangement.pedal().stream()
                        .map(pedal -> new PedalView(pedal.down(), pedal.up()))
                        .toList(),
                Told.tenth(arrangement.play().song().total()),
                withParts ? PartView.of(arrangement.play().song(), part -> List.of()) : List.of(),
                Told.tenth(arrangement.maxTempo()),
                limits(arrangement, places, words),
                problems);
    }

    /**
     * With the strokes of some bars only, by index. They are in the order of time, so that those of one bar stand
     * together but for what comes early.
     */
    ArrangementView strokesOf(int from, int to) {
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
                timeline,
                bars,
                first,
                strokes.subList(first, end),
                reasons,
                pedal,
                difficulty,
                parts,
                maxTempo,
                limits,
                problems);
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
                    why));
        }
        return limits;
    }
}
