package zapateo.arrangement;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import zapateo.part.Mending;
import zapateo.part.Stroke;
import zapateo.rhythm.Count;
import zapateo.rhythm.Side;
import zapateo.righthand.Crossing;
import zapateo.song.Bar;

/**
 * How the hands meet in one bar.
 *
 * @param strikes what strikes when, in order; none where only one hand plays
 * @param mended how room was made where they would have run together: see {@link Mending}
 * @param kept what runs together still
 */
public record Meeting(List<Strike> strikes, List<String> mended, List<Crossing.Kind> kept) {

    /** @param count what a player says there, as in 2& */
    public record Strike(String count, Set<Side> hands) {

        private String letters() {
            return hands.stream().map(Side::letter).collect(Collectors.joining());
        }
    }

    /** As a player says it: {@code 1 LR, 1& L, 2 R}. */
    public String order() {
        return strikes.stream()
                .map(strike -> strike.count() + " " + strike.letters())
                .collect(Collectors.joining(", "));
    }

    /** For each bar as played. */
    public static List<Meeting> of(Arrangement arrangement) {
        List<Stroke> right = arrangement.right().strokes();
        List<Stroke> strokes = arrangement.strokes();
        List<List<Stroke>> byBar = new ArrayList<>();
        List<Set<Crossing.Kind>> kept = new ArrayList<>();
        arrangement.song().bars().forEach(bar -> {
            byBar.add(new ArrayList<>());
            kept.add(EnumSet.noneOf(Crossing.Kind.class));
        });
        strokes.forEach(stroke -> byBar.get(stroke.bar()).add(stroke));
        Crossing.between(arrangement.left().strokes(), right)
                .forEach(crossing -> kept.get(right.get(crossing.right()).bar()).add(crossing.kind()));
        return arrangement.song().bars().stream()
                .map(bar -> of(bar, byBar.get(bar.index()), kept.get(bar.index())))
                .toList();
    }

    private static Meeting of(Bar bar, List<Stroke> strokes, Set<Crossing.Kind> kept) {
        Set<Side> hands = EnumSet.noneOf(Side.class);
        TreeSet<String> mended = new TreeSet<>();
        for (Stroke stroke : strokes) {
            hands.add(stroke.hand());
            stroke.mended(Mending.Cause.ROOM).ifPresent(how -> mended.add(how.id()));
        }
        TreeMap<Integer, Set<Side>> struck = new TreeMap<>();
        if (hands.size() > 1) {
            strokes.forEach(stroke -> struck.computeIfAbsent(
                            Math.max(0, stroke.onPage().tick() - bar.tick()), tick -> EnumSet.noneOf(Side.class))
                    .add(stroke.hand()));
        }
        return new Meeting(
                struck.entrySet().stream()
                        .map(entry -> new Strike(Count.at(bar.meter(), entry.getKey()), entry.getValue()))
                        .toList(),
                List.copyOf(mended),
                List.copyOf(kept));
    }
}
