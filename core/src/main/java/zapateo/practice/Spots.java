package zapateo.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zapateo.arrangement.Arrangement;
import zapateo.hand.Difficulty;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;

/** The places of a song that want practice, the hardest first. */
public final class Spots {

    private static final double FAILED = 0.8;
    private static final int PHRASE = 4;
    private static final int MOST = 12;

    private Spots() {}

    public enum Kind {
        CHANGE,
        BAR,
        PHRASE
    }

    /**
     * A run of bars to loop.
     *
     * @param first index of its first bar as played
     * @param difficulty 0 to 100
     * @param asks what makes it hard most
     * @param fastest the tempo its jumps and repeated notes allow, in the song's beats
     * @param from the chord it comes from, empty where it is no change
     * @param to the chord it comes to
     * @param rank difficulty, more where it failed before
     */
    public record Spot(
            Kind kind,
            int first,
            int last,
            double difficulty,
            Difficulty.Part asks,
            double fastest,
            String from,
            String to,
            double rank) {}

    /**
     * Changes and bars by how hard they are and how they went, none inside of a harder one.
     *
     * @param failed share of the passes that were not clean, by the bar's number in the chart
     */
    public static List<Spot> of(Arrangement arrangement, Map<Integer, Double> failed) {
        List<Spot> all = new ArrayList<>();
        List<Bar> bars = arrangement.song().bars();
        String before = "";
        int barBefore = 0;
        for (Bar bar : bars) {
            for (ChordSpan span : bar.chords()) {
                String chord = span.chord().map(Object::toString).orElse("");
                double change = chord.isEmpty() || before.isEmpty()
                        ? 0
                        : arrangement.changeAt(bar.tick() + span.tick(), bar.tick() + span.end());
                if (bar.pass() == 1 && change > 0 && !chord.equals(before)) {
                    all.add(spot(
                            arrangement,
                            Kind.CHANGE,
                            Math.max(barBefore, bar.index() - 1),
                            bar.index(),
                            change,
                            before,
                            chord,
                            failed));
                }
                before = chord.isEmpty() ? before : chord;
                barBefore = chord.isEmpty() ? barBefore : bar.index();
            }
            if (bar.pass() == 1) {
                all.add(spot(
                        arrangement,
                        Kind.BAR,
                        bar.index(),
                        bar.index(),
                        arrangement.play().bars().get(bar.index()).difficulty().total(),
                        "",
                        "",
                        failed));
            }
        }
        all.sort(Comparator.comparingDouble(Spot::rank).reversed());
        List<Spot> kept = new ArrayList<>();
        Set<Integer> taken = new HashSet<>();
        for (Spot spot : all) {
            if (kept.size() < MOST && !taken.contains(spot.last())) {
                kept.add(spot);
                taken.add(spot.last());
            }
        }
        return List.copyOf(kept);
    }

    /** The song in phrases, each to be gone through as a whole. */
    public static List<Spot> phrases(Arrangement arrangement) {
        List<Spot> all = new ArrayList<>();
        arrangement.song().sections().forEach(section -> {
            List<Bar> bars = section.bars();
            for (int at = 0; at < bars.size(); at += PHRASE) {
                int end = bars.size() - at < 2 * PHRASE - 1 ? bars.size() : at + PHRASE;
                if (bars.get(at).pass() == 1) {
                    all.add(spot(
                            arrangement,
                            Kind.PHRASE,
                            bars.get(at).index(),
                            bars.get(end - 1).index(),
                            0,
                            "",
                            "",
                            Map.of()));
                }
                at = end == bars.size() ? bars.size() : at;
            }
        });
        return all;
    }

    private static Spot spot(
            Arrangement arrangement,
            Kind kind,
            int first,
            int last,
            double known,
            String from,
            String to,
            Map<Integer, Double> failed) {
        Difficulty whole = arrangement
                .play()
                .of(java.util.stream.IntStream.rangeClosed(first, last).boxed().toList());
        Difficulty here = kind == Kind.PHRASE
                ? whole
                : arrangement.play().bars().get(last).difficulty();
        Difficulty.Part asks = java.util.Arrays.stream(Difficulty.Part.values())
                .max(Comparator.comparingDouble(part -> part.share() * here.part(part)))
                .orElseThrow();
        double difficulty = kind == Kind.PHRASE ? whole.total() : known;
        double fastest = java.util.stream.IntStream.rangeClosed(first, last)
                .mapToDouble(arrangement::maxTempo)
                .min()
                .orElseThrow();
        double went = failed.getOrDefault(arrangement.song().bars().get(last).number(), 0.0);
        return new Spot(kind, first, last, difficulty, asks, fastest, from, to, difficulty * (1 + FAILED * went));
    }
}
