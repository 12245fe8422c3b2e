package zapateo.bench;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.LevelLadder;
import zapateo.arrangement.ReadOver;
import zapateo.arrangement.RightHand;
import zapateo.arrangement.SongChoice;
import zapateo.colour.Harmonising;
import zapateo.critic.Critic;
import zapateo.format.Hands;
import zapateo.format.MusicXmlWriter;
import zapateo.format.PageRows;
import zapateo.hand.Pianist;
import zapateo.lefthand.LeftChoice;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Liveliness;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices.Shapes;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Top;
import zapateo.righthand.RightChoices.Under;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * What a strict reader marks in a hundred bars, by figure and by row: on songs of many kinds and on some whose seeds
 * are drawn at the run, with default choices, levels off and at 3.
 */
public final class Faults {

    private static final int SONGS = 400;
    private static final int DRAWN = 100;
    private static final int LEVEL = 3;
    /** Rows that count once a song or figure, outside the measure. */
    private static final Set<String> WHOLE = Set.of("L15", "B2", "R7", "R8", "M1", "M2", "M3", "M6");

    private Faults() {}

    /** @param arguments how many of the songs to read; none is all */
    public static void main(String[] arguments) {
        int songs = arguments.length > 0 ? Integer.parseInt(arguments[0]) : SONGS;
        List<Song> seeded = LongStream.range(0, songs).mapToObj(Faults::song).toList();
        long draw = new Random().nextInt(1_000_000);
        List<Song> drawn = LongStream.range(draw, draw + Math.min(DRAWN, songs))
                .mapToObj(Faults::song)
                .toList();
        measure(songs + " seeded songs, levels off", seeded, 0);
        measure(songs + " seeded songs, level 3", seeded, LEVEL);
        measure("songs drawn from seed " + draw + ", levels off", drawn, 0);
        measured(
                songs + " seeded songs, levels off, some liveliness",
                seeded,
                figures -> Choices.figure(figures.id()).with(LeftChoice.LIVELINESS, Liveliness.SOME));
        List<Song> byHand = byHand();
        ways(seeded, byHand);
        measure(byHand.size() + " charts written by hand, levels off", byHand, 0);
        harmonised(byHand.stream().filter(Song::hasTune).toList());
        pages(byHand);
    }

    /** R8: first chords for the tunes, as a church organist reads them. */
    private static void harmonised(List<Song> tunes) {
        Map<String, Integer> what = new TreeMap<>();
        tunes.forEach(tune -> Critic.harmonisation(Harmonising.of(tune, Harmonising.Pace.BAR), false)
                .forEach(fault -> what.merge(fault.found().args().get("what"), 1, Integer::sum)));
        System.out.printf("%n%d tunes given chords, R8: %s%n", tunes.size(), what);
    }

    /** The page rows: each chart with the first figure that fits it. */
    private static void pages(List<Song> songs) {
        Arranger arranger = new Arranger(FigureBook.open());
        Map<String, Integer> marks = new TreeMap<>();
        songs.forEach(song -> PageRows.read(
                        MusicXmlWriter.write(arranger.arrange(song, Choices.OPEN, Pianist.USUAL), Hands.BOTH))
                .forEach(mark -> marks.merge(mark.id(), 1, Integer::sum)));
        System.out.printf(
                "%d pages of %d bars, page rows: %s%n",
                songs.size(),
                songs.stream().mapToInt(song -> song.bars().size()).sum(),
                marks);
    }

    /** Half of them with melodies; the last ten were written when the reader was finished. */
    private static List<Song> byHand() {
        try (InputStream charts = Faults.class.getResourceAsStream("by-hand.txt")) {
            return Arrays.stream(new String(charts.readAllBytes(), StandardCharsets.UTF_8).split("\n---\n"))
                    .map(text -> ChartParser.parse(text).song().orElseThrow())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Song song(long seed) {
        return ChartParser.parse(GenreCharts.of(seed)).song().orElseThrow();
    }

    private static void measure(String what, List<Song> songs, int level) {
        LevelLadder ladder = new LevelLadder(new Arranger(FigureBook.open()));
        Counted counted = new Counted();
        each(
                songs,
                (song, figure) -> counted.read(
                        figure.id(),
                        song,
                        level == 0
                                ? Choices.figure(figure.id())
                                : ladder.settled(
                                        song,
                                        Choices.figure(figure.id()).with(SongChoice.LEVEL, level),
                                        Pianist.USUAL)));
        counted.tell(what, "figures");
    }

    private static void measured(String what, List<Song> songs, Function<Figure, Choices> choices) {
        Counted counted = new Counted();
        each(songs, (song, figure) -> counted.read(figure.id(), song, choices.apply(figure)));
        counted.tell(what, "figures");
    }

    /**
     * Every way of the right hand in turn: over the seeded songs, with and without a tune, and those of them and of the
     * charts by hand that have one.
     */
    private static void ways(List<Song> seeded, List<Song> byHand) {
        Map<String, Choices> chords = new TreeMap<>();
        for (Figure figure : FigureBook.ofTheRightHand().figures()) {
            chords.put(
                    "comping " + figure.id(), right(RightHand.of(Style.COMPING).with(RightChoice.FIGURE, figure.id())));
        }
        for (Shapes shapes : Shapes.values()) {
            chords.put(
                    "shapes " + shapes.id(), right(RightHand.of(Style.COMPING).with(RightChoice.SHAPES, shapes)));
        }
        for (Top top : Top.values()) {
            chords.put("top " + top.id(), right(RightHand.of(Style.COMPING).with(RightChoice.TOP, top)));
        }
        chords.put("chorus", right(RightHand.of(Style.IMPROVISE)));
        Map<String, Choices> sung = new TreeMap<>();
        for (Under under : Under.values()) {
            sung.put("under " + under.id(), right(RightHand.of(Style.MELODY).with(RightChoice.UNDER, under)));
        }
        sung.put("fills", right(RightHand.of(Style.MELODY).with(RightChoice.FILLS, 3L)));
        sung.put("unison", right(RightHand.of(Style.MELODY).with(RightChoice.UNISON, true)));
        Counted counted = new Counted();
        int[] turn = new int[1];
        each(seeded, (song, figure) -> {
            List<Map.Entry<String, Choices>> all = new ArrayList<>(chords.entrySet());
            Map.Entry<String, Choices> way = all.get(turn[0]++ % all.size());
            counted.read(way.getKey(), song, way.getValue().with(LeftChoice.FIGURE, figure.id()));
        });
        List<Song> tunes = Stream.concat(seeded.stream(), byHand.stream())
                .filter(Song::hasTune)
                .toList();
        each(tunes, (song, figure) -> {
            sung.forEach((name, way) -> counted.read(name, song, way.with(LeftChoice.FIGURE, figure.id())));
        });
        counted.tell("ways of the right hand", "ways");
    }

    private static Choices right(RightHand hand) {
        return Choices.OPEN.right(hand);
    }

    /** Each song with four of the figures that are written for its metre, so that all figures and all songs come. */
    private static void each(List<Song> songs, BiConsumer<Song, Figure> read) {
        List<Figure> figures = FigureBook.open().figures();
        for (int i = 0; i < songs.size(); i++) {
            Song song = songs.get(i);
            List<Figure> fitting = figures.stream()
                    .filter(figure -> figure.bars().containsKey(song.meter()))
                    .toList();
            List<Figure> taken = fitting.isEmpty() ? figures : fitting;
            for (int nth = 0; nth < Math.min(4, taken.size()); nth++) {
                read.accept(song, taken.get((i * 4 + nth) % taken.size()));
            }
        }
    }

    /** Faults by figure or way and by row. */
    private static final class Counted {

        private final Arranger arranger = new Arranger(FigureBook.open());
        private final Map<String, Map<String, Integer>> counts = new TreeMap<>();
        private final Map<String, Integer> bars = new HashMap<>();
        private final Map<String, Integer> whole = new TreeMap<>();
        private int readings;

        private void read(String name, Song song, Choices choices) {
            Arrangement arrangement = arranger.arrange(song, choices, Pianist.USUAL);
            bars.merge(name, song.bars().size(), Integer::sum);
            ReadOver.of(arrangement, Pianist.USUAL).forEach(fault -> {
                if (WHOLE.contains(fault.id())) {
                    whole.merge(fault.id(), 1, Integer::sum);
                } else {
                    counts.computeIfAbsent(name, id -> new TreeMap<>()).merge(fault.id(), 1, Integer::sum);
                }
            });
            readings++;
        }

        private void tell(String what, String of) {
            int allBars = bars.values().stream().mapToInt(Integer::intValue).sum();
            Map<String, Integer> byRow = new TreeMap<>();
            counts.values().forEach(rows -> rows.forEach((id, count) -> byRow.merge(id, count, Integer::sum)));
            System.out.printf(
                    "%n%s: %.1f faults per 100 bars over %d bars, %d %s, %d rows read%n",
                    what,
                    100.0 * byRow.values().stream().mapToInt(Integer::intValue).sum() / allBars,
                    allBars,
                    bars.size(),
                    of,
                    Critic.ids().size());
            System.out.printf("  once a song, of %d readings: %s%n", readings, whole);
            byRow.entrySet().stream()
                    .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
                    .forEach(
                            row -> System.out.printf("  %-4s %6.2f%n", row.getKey(), 100.0 * row.getValue() / allBars));
            List<String> worst = new ArrayList<>(bars.keySet());
            worst.sort(Comparator.comparingDouble(id -> -perHundred(counts, bars, id)));
            worst.forEach(id -> System.out.printf(
                    "  %-26s %6.1f  %s%n", id, perHundred(counts, bars, id), counts.getOrDefault(id, Map.of())));
        }
    }

    private static double perHundred(
            Map<String, Map<String, Integer>> counts, Map<String, Integer> bars, String figure) {
        return 100.0
                * counts.getOrDefault(figure, Map.of()).values().stream()
                        .mapToInt(Integer::intValue)
                        .sum()
                / bars.get(figure);
    }
}
