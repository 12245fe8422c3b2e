package zapateo.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is known of one passage from all its passes: the tempo that was clean last, when it comes back.
 *
 * @param step  which of the growing spaces it is in, from 0
 * @param lastDay the last day it was played, counted from anywhere, as all days are here
 * @param due   the day it comes back
 * @param clean the fastest tempo that was clean on the last day it was, empty where none ever was
 * @param well  whether the last day ended well
 * @param share how many of its passes were clean
 */
public record Memory(String song, int first, int last, Layer layer, int step, int lastDay, int due, Optional<Double> clean, boolean well, double share) {

    /**
     * A pass as the log has it.
     *
     * @param first number of its first bar in the chart
     */
    public record Pass(int day, String song, int first, int last, Layer layer, double tempo, boolean clean) {
    }

    /** A place of a song in one layer. */
    record Place(String song, int first, int last, Layer layer) {
    }

    Place place() {
        return new Place(song, first, last, layer);
    }

    /** One for each passage in the log, in the order they were first played. A day is well when its last passes were: two in a row, or the only one. */
    public static List<Memory> of(List<Pass> log) {
        Map<Place, List<Pass>> byPlace = new LinkedHashMap<>();
        log.stream().sorted(Comparator.comparingInt(Pass::day)).forEach(pass -> byPlace.computeIfAbsent(new Place(pass.song(), pass.first(), pass.last(), pass.layer()), place -> new ArrayList<>()).add(pass));
        List<Memory> all = new ArrayList<>();
        byPlace.forEach((place, passes) -> all.add(of(place, passes)));
        return all;
    }

    private static Memory of(Place place, List<Pass> passes) {
        Map<Integer, List<Pass>> days = new LinkedHashMap<>();
        passes.forEach(pass -> days.computeIfAbsent(pass.day(), day -> new ArrayList<>()).add(pass));
        int step = 0;
        boolean last = false;
        int due = passes.get(0).day();
        Optional<Double> clean = Optional.empty();
        for (Map.Entry<Integer, List<Pass>> day : days.entrySet()) {
            List<Pass> row = day.getValue();
            boolean well = row.subList(Math.max(0, row.size() - Numbers.CLEAN), row.size()).stream().allMatch(Pass::clean);
            last = well;
            boolean early = day.getKey() < due;
            // What went well before it was due stays where it is; what failed begins again.
            step = !well ? 0 : early || due == passes.get(0).day() && day.getKey() == due ? step : Math.min(Numbers.SPACING.size() - 1, step + 1);
            due = day.getKey() + Numbers.SPACING.get(step);
            Optional<Double> best = row.stream().filter(Pass::clean).map(Pass::tempo).max(Comparator.naturalOrder());
            clean = best.isPresent() ? best : clean.map(tempo -> Math.min(tempo, row.stream().mapToDouble(Pass::tempo).min().orElseThrow()));
        }
        double share = (double) passes.stream().filter(Pass::clean).count() / passes.size();
        return new Memory(place.song(), place.first(), place.last(), place.layer(), step, passes.get(passes.size() - 1).day(), due, clean, last, share);
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
