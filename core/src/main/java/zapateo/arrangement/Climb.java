package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import zapateo.hand.Pianist;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * Which way each level takes in one song. The first of each where difficulty rises with them; else all ways are measured and the exact search finds those that
 * let it rise, nearest to the first. A song longer than {@link #LONGEST} bars is not measured.
 *
 * @param ways by level, the easiest first
 */
record Climb(List<Integer> ways) {

    static final Climb FIRST = new Climb(Level.all().stream().map(level -> 0).toList());

    /** Each level is harder than the one below by at least this share of the highest. */
    private static final double STEP = 0.05;
    /** A section may seem easier at a higher level by no more than this. */
    private static final double ROUNDING = 0.5;
    private static final double MARGIN = 0.1;
    private static final int LONGEST = 256;
    /** What a broken rule weighs against the ways there are, and each point it is broken by. */
    private static final double BROKEN = 100;
    private static final double POINT = 10;

    /** One way of one level, as hard as it is. */
    private record Tried(int way, double total, List<Double> sections) {
    }

    int at(Level level) {
        return ways.get(level.number() - 1);
    }

    /** @param choices whatever level they name is left aside */
    static Climb of(Arranger arranger, Song song, Choices choices, Pianist pianist) {
        if (song.bars().size() > LONGEST) {
            return FIRST;
        }
        Choices plain = choices.withoutLevels();
        List<Tried> first = Level.all().stream().map(level -> tried(arranger, song, plain, pianist, level, 0)).toList();
        if (broken(first) == 0) {
            return FIRST;
        }
        List<List<Tried>> all = new ArrayList<>();
        for (Level level : Level.all()) {
            List<Tried> ways = new ArrayList<>(List.of(first.get(level.number() - 1)));
            IntStream.range(1, level.ways().size()).forEach(way -> ways.add(tried(arranger, song, plain, pianist, level, way)));
            all.add(ways);
        }
        return new Climb(best(all).stream().map(Tried::way).toList());
    }

    private static Tried tried(Arranger arranger, Song song, Choices choices, Pianist pianist, Level level, int way) {
        List<Integer> ways = new ArrayList<>(FIRST.ways);
        ways.set(level.number() - 1, way);
        Arrangement arrangement = arranger.arrange(song, choices.level(level.number()), pianist, new Climb(ways));
        List<Double> sections = new ArrayList<>();
        for (Section section : song.sections()) {
            sections.add(arrangement.play().of(section.bars().stream().map(Bar::index).toList()).total());
        }
        return new Tried(way, arrangement.play().song().total(), sections);
    }

    /** The highest level decides how far apart all are, so each of its ways is searched by itself. */
    private static List<Tried> best(List<List<Tried>> all) {
        Optional<ShortestPath<Tried>> best = Optional.empty();
        for (Tried top : all.get(all.size() - 1)) {
            List<List<Tried>> layers = new ArrayList<>(all.subList(0, all.size() - 1));
            layers.add(List.of(top));
            ShortestPath<Tried> path = ShortestPath.through(layers, List.of(CostTerm.own("another-way", 1, Tried::way), CostTerm.step("rise", 1, (from, to) -> broken(from, to, top.total))));
            best = best.filter(other -> other.total() <= path.total()).or(() -> Optional.of(path));
        }
        return best.orElseThrow().steps();
    }

    private static double broken(List<Tried> levels) {
        double sum = 0;
        for (int i = 1; i < levels.size(); i++) {
            sum += broken(levels.get(i - 1), levels.get(i), levels.get(levels.size() - 1).total);
        }
        return sum;
    }

    private static double broken(Tried easier, Tried harder, double top) {
        double sum = weigh(STEP * top + MARGIN - (harder.total - easier.total));
        for (int i = 0; i < easier.sections.size(); i++) {
            sum += weigh(easier.sections.get(i) - ROUNDING + MARGIN - harder.sections.get(i));
        }
        return sum;
    }

    private static double weigh(double points) {
        return points <= 0 ? 0 : BROKEN + POINT * points;
    }
}
