package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import zapateo.hand.Difficulty;
import zapateo.hand.Pianist;
import zapateo.rhythm.Figure;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;
import zapateo.song.Bar;
import zapateo.song.Section;
import zapateo.song.Song;

/**
 * Which way each level takes in one song, measured on the left hand alone and without any level: the ways that are held
 * as long as difficulty rises with them; else all are measured and the exact search finds those that let it rise and
 * change the least. A song longer than {@link #LONGEST} bars is not measured.
 */
public final class LevelLadder {

    /** The first way of each level. */
    private static final List<Integer> FIRST =
            Level.all().stream().map(level -> 0).toList();
    /**
     * Each level is harder than the one below by at least this share of the highest, until it has the figure that was
     * chosen.
     */
    private static final double STEP = 0.05;
    /** A section may seem easier at a higher level by no more than this. */
    private static final double ROUNDING = 0.5;

    private static final double MARGIN = 0.1;
    private static final int LONGEST = 256;
    /** What a broken rule weighs against the ways there are, and each point it is broken by. */
    private static final double BROKEN = 100;

    private static final double POINT = 10;
    /** What it weighs that a level leaves the style. */
    private static final double LEFT = 12;

    private final Arranger arranger;
    private final Arranges arranges;

    /** Who makes arrangements; one that knows them already may answer. */
    public interface Arranges {
        Arrangement of(Song song, Choices choices, Pianist pianist);
    }

    public LevelLadder(Arranger arranger) {
        this(arranger, arranger::arrange);
    }

    public LevelLadder(Arranger arranger, Arranges arranges) {
        this.arranger = arranger;
        this.arranges = arranges;
    }

    /** @param maxTempo the slowest of its bars' fastest tempos, in the song's beats a minute */
    public record Rung(Level level, Arrangement arrangement, Difficulty difficulty, double maxTempo) {}

    /**
     * One way of one level, as hard as it is.
     *
     * @param held whether it is the one that was held
     * @param leaves whether it has another figure than the chosen one
     */
    private record Tried(int way, boolean held, boolean leaves, double total, List<Double> sections) {}

    /** The five versions of a song, the easiest first, each measured with both hands. */
    public List<Rung> rungs(Song song, Choices choices, Pianist pianist) {
        Choices plain = choices.withoutLevels().with(SongChoice.WAYS, ways(song, choices, pianist));
        return Level.all().stream()
                .map(level -> {
                    Arrangement arrangement = arranges.of(song, plain.level(level.number()), pianist);
                    return new Rung(level, arrangement, arrangement.play().song(), arrangement.maxTempo());
                })
                .toList();
    }

    /** Choices with the ways their levels take; as they are where they name no level, or the ways. */
    public Choices settled(Song song, Choices choices, Pianist pianist) {
        return choices.wantsWays() ? choices.with(SongChoice.WAYS, ways(song, choices, pianist)) : choices;
    }

    /**
     * By level, the easiest first.
     *
     * @param choices whatever level they name is left aside; the ways they name are held while the ladder does not
     *     break
     */
    public List<Integer> ways(Song song, Choices choices, Pianist pianist) {
        List<Integer> held = choices.song().get(SongChoice.WAYS).orElse(FIRST);
        if (song.bars().size() > LONGEST) {
            return held;
        }
        Choices plain = choices.leftAlone();
        List<Figure> figures = arranger.figures(choices);
        List<Tried> there = Level.all().stream()
                .map(level -> tried(song, plain, pianist, level, held.get(level.number() - 1), true))
                .toList();
        if (broken(there, figures) == 0) {
            return held;
        }
        List<List<Tried>> all = new ArrayList<>();
        for (Level level : Level.all()) {
            Tried known = there.get(level.number() - 1);
            int ways = figures.stream().mapToInt(level::ways).max().orElse(1);
            all.add(IntStream.range(0, ways)
                    .mapToObj(way -> way == known.way() ? known : tried(song, plain, pianist, level, way, false))
                    .toList());
        }
        return best(all, figures).stream().map(Tried::way).toList();
    }

    private Tried tried(Song song, Choices choices, Pianist pianist, Level level, int way, boolean held) {
        boolean leaves = level.number() > Level.EASIEST
                && arranger.figures(choices).stream().anyMatch(figure -> level.leaves(figure, way));
        List<Integer> ways = new ArrayList<>(FIRST);
        ways.set(level.number() - 1, way);
        Arrangement arrangement =
                arranges.of(song, choices.with(SongChoice.WAYS, ways).level(level.number()), pianist);
        List<Double> sections = new ArrayList<>();
        for (Section section : song.sections()) {
            sections.add(arrangement
                    .play()
                    .of(section.bars().stream().map(Bar::index).toList())
                    .total());
        }
        return new Tried(way, held, leaves, arrangement.play().song().total(), sections);
    }

    /** The highest level decides how far apart all are, so each of its ways is searched by itself. */
    private static List<Tried> best(List<List<Tried>> all, List<Figure> figures) {
        Optional<ShortestPath<Tried>> best = Optional.empty();
        for (Tried top : all.get(all.size() - 1)) {
            List<List<Tried>> layers = new ArrayList<>(all.subList(0, all.size() - 1));
            layers.add(List.of(top));
            List<Double> steps = steps(figures, top.total);
            ShortestPath<Tried> path = ShortestPath.through(
                    layers,
                    List.of(
                            CostTerm.own("another-way", 1, each -> each.held ? 0 : 1 + each.way),
                            CostTerm.own("another-style", LEFT, each -> each.leaves ? 1 : 0),
                            CostTerm.step("rise", 1, (from, to) -> broken(from, to, steps.get(layerOf(layers, to))))));
            best = best.filter(other -> other.total() <= path.total()).or(() -> Optional.of(path));
        }
        return best.orElseThrow().steps();
    }

    private static int layerOf(List<List<Tried>> layers, Tried sought) {
        return IntStream.range(0, layers.size())
                .filter(i -> layers.get(i).stream().anyMatch(each -> each == sought))
                .findFirst()
                .orElseThrow();
    }

    /** By how much each level has to be harder than the one below: nothing more where that had all that was chosen. */
    private static List<Double> steps(List<Figure> figures, double top) {
        return Level.all().stream()
                .map(level -> level.number() > Level.EASIEST
                                && figures.stream().allMatch(Level.of(level.number() - 1)::carries)
                        ? -ROUNDING
                        : STEP * top + MARGIN)
                .toList();
    }

    private static double broken(List<Tried> levels, List<Figure> figures) {
        List<Double> steps = steps(figures, levels.get(levels.size() - 1).total);
        double sum = 0;
        for (int i = 1; i < levels.size(); i++) {
            sum += broken(levels.get(i - 1), levels.get(i), steps.get(i));
        }
        return sum;
    }

    private static double broken(Tried easier, Tried harder, double step) {
        double sum = weigh(step - (harder.total - easier.total));
        for (int i = 0; i < easier.sections.size(); i++) {
            sum += weigh(easier.sections.get(i) - ROUNDING + MARGIN - harder.sections.get(i));
        }
        return sum;
    }

    private static double weigh(double points) {
        return points <= 0 ? 0 : BROKEN + POINT * points;
    }
}
