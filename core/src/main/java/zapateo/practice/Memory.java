package zapateo.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What is known of one passage from all its passes: the tempo that was clean last, when it comes back.
 *
 * @param step which of the growing spaces it is in, from 0
 * @param lastDay the last day it was played, counted from anywhere, as all days are here
 * @param due the day it comes back
 * @param clean the fastest tempo that was clean on the last day it was, empty where none ever was
 * @param well whether the last day ended well
 * @param share how many of its passes were clean
 */
public record Memory(
        String song,
        int first,
        int last,
        Layer layer,
        int step,
        int lastDay,
        int due,
        Optional<Double> clean,
        boolean well,
        double share) {

    /**
     * A pass as the log has it.
     *
     * @param first number of its first bar in the chart
     */
    public record Pass(int day, String song, int first, int last, Layer layer, double tempo, boolean clean) {}

    /** A place of a song in one layer. */
    public record Place(String song, int first, int last, Layer layer) {

        static Place of(Pass pass) {
            return new Place(pass.song(), pass.first(), pass.last(), pass.layer());
        }

        /** Whether who plays the other plays all of this. */
        boolean isIn(Place other) {
            return song.equals(other.song) && first >= other.first && last <= other.last && layer.isIn(other.layer);
        }
    }

    Place place() {
        return new Place(song, first, last, layer);
    }

    /**
     * One for each passage in the log, in the order they were first played. A day is well when its last passes were:
     * two in a row, or the only one.
     */
    public static List<Memory> of(List<Pass> log) {
        return of(log, Set.of());
    }

    /**
     * The same, with places that may never have been played by themselves: what was played clean as part of a wider
     * passage was played, where it was not practised by itself that day. A wider passage that failed says nothing of
     * its parts.
     */
    public static List<Memory> of(List<Pass> log, Set<Place> more) {
        List<Pass> sorted =
                log.stream().sorted(Comparator.comparingInt(Pass::day)).toList();
        Set<Place> places = new LinkedHashSet<>();
        sorted.forEach(pass -> places.add(Place.of(pass)));
        places.addAll(more);
        Map<Place, List<Pass>> byPlace =
                sorted.stream().collect(Collectors.groupingBy(Place::of, LinkedHashMap::new, Collectors.toList()));
        return places.stream()
                .flatMap(place -> {
                    List<Pass> within = byPlace.entrySet().stream()
                            .filter(wider -> !wider.getKey().equals(place) && place.isIn(wider.getKey()))
                            .flatMap(wider -> wider.getValue().stream())
                            .filter(Pass::clean)
                            .toList();
                    List<Pass> own = byPlace.getOrDefault(place, List.of());
                    return own.isEmpty() && within.isEmpty() ? Stream.empty() : Stream.of(of(place, own, within));
                })
                .toList();
    }

    private static Memory of(Place place, List<Pass> own, List<Pass> within) {
        Map<Integer, List<Pass>> days = new TreeMap<>(own.stream().collect(Collectors.groupingBy(Pass::day)));
        Set<Integer> alone = Set.copyOf(days.keySet());
        within.forEach(pass -> {
            if (!alone.contains(pass.day())) {
                days.computeIfAbsent(pass.day(), day -> new ArrayList<>()).add(pass);
            }
        });
        int start = days.keySet().iterator().next();
        int step = 0;
        boolean last = false;
        int lastDay = start;
        int due = start;
        Optional<Double> clean = Optional.empty();
        for (Map.Entry<Integer, List<Pass>> day : days.entrySet()) {
            List<Pass> row = day.getValue();
            boolean well = row.subList(Math.max(0, row.size() - Numbers.CLEAN), row.size()).stream()
                    .allMatch(Pass::clean);
            last = well;
            boolean early = day.getKey() < due;
            // What went well before it was due stays where it is; what failed begins again.
            step = !well
                    ? 0
                    : early || due == start && day.getKey() == due
                            ? step
                            : Math.min(Numbers.SPACING.size() - 1, step + 1);
            lastDay = day.getKey();
            due = lastDay + Numbers.SPACING.get(step);
            clean = alone.contains(day.getKey())
                    ? after(clean, row)
                    : Stream.concat(clean.stream(), row.stream().map(Pass::tempo))
                            .max(Comparator.naturalOrder());
        }
        double share =
                own.isEmpty() ? 1 : (double) own.stream().filter(Pass::clean).count() / own.size();
        return new Memory(
                place.song(), place.first(), place.last(), place.layer(), step, lastDay, due, clean, last, share);
    }

    /** The fastest that was clean that day; none lowers it to what was tried. */
    private static Optional<Double> after(Optional<Double> clean, List<Pass> day) {
        Optional<Double> best =
                day.stream().filter(Pass::clean).map(Pass::tempo).max(Comparator.naturalOrder());
        return best.isPresent()
                ? best
                : clean.map(tempo -> Math.min(
                        tempo, day.stream().mapToDouble(Pass::tempo).min().orElseThrow()));
    }

    /** Of a song by the chart's bars: how many of their passes were not clean. */
    public static Map<Integer, Double> failed(List<Pass> log, String song) {
        Map<Integer, int[]> counts = new LinkedHashMap<>();
        for (Pass pass : log) {
            for (int bar = pass.first(); pass.song().equals(song) && bar <= pass.last(); bar++) {
                int[] count = counts.computeIfAbsent(bar, each -> new int[2]);
                count[0]++;
                count[1] += pass.clean() ? 0 : 1;
            }
        }
        Map<Integer, Double> shares = new LinkedHashMap<>();
        counts.forEach((bar, count) -> shares.put(bar, (double) count[1] / count[0]));
        return shares;
    }
}
