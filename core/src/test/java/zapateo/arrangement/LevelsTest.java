package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IntSummaryStatistics;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.choice.Options;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Played;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureFile;
import zapateo.song.Bar;
import zapateo.song.ChartParser;
import zapateo.song.Section;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/**
 * The five levels of HANDBOOK §11: measured difficulty rises from each to the next, the harmony stays, the hand is
 * never asked for more than it has.
 */
class LevelsTest {

    private static final FigureBook BOOK = FigureBook.open();
    private static final Arranger ARRANGER = new Arranger(BOOK);
    private static final LevelLadder LADDER = new LevelLadder(ARRANGER);
    private static final Map<List<Object>, List<LevelLadder.Rung>> BUILT = new ConcurrentHashMap<>();
    private static final Path DEMO = Path.of("../server/src/main/resources/demo");
    /** Each step is at least this share of the highest level. */
    private static final double STEP = 0.05;

    private static final double ROUNDING = 0.5;
    private static final int FIVE_FINGERS = 7;

    /** Every demo song with its own figure, fifty seeded songs with the figure worth trying first. */
    static Stream<Arguments> songs() {
        Stream<Arguments> seeded = IntStream.range(0, 50).mapToObj(seed -> {
            Song song = SeededCharts.song(seed);
            return Arguments.of(
                    "seed " + seed,
                    song,
                    Suggestions.of(song, BOOK.figures(), 1).get(0).figure().id());
        });
        return Stream.concat(
                demo().map(text -> Arguments.of(
                        text.lines()
                                .filter(line -> line.startsWith("Title:"))
                                .findFirst()
                                .orElseThrow(),
                        ChartParser.parse(text).song().orElseThrow(),
                        text.lines()
                                .findFirst()
                                .orElseThrow()
                                .replace("// figure:", "")
                                .strip())),
                seeded);
    }

    private static Stream<String> demo() {
        try (Stream<Path> files = Files.list(DEMO)) {
            return files.sorted().map(LevelsTest::text).toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The ladder of a song is built once for all that is asked of it. */
    private static List<LevelLadder.Rung> rungs(Song song, String figure) {
        return BUILT.computeIfAbsent(
                List.of(song, figure), each -> LADDER.rungs(song, Choices.figure(figure), Pianist.USUAL));
    }

    /** Until a level has the chosen figure itself each step is felt; from there on it never falls. */
    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("songs")
    void every_level_is_harder_than_the_one_below(String name, Song song, String figure) {
        List<LevelLadder.Rung> rungs = rungs(song, figure);
        double top = rungs.get(4).difficulty().total();
        for (int i = 1; i < rungs.size(); i++) {
            boolean carried =
                    rungs.get(i - 1).level().carries(BOOK.figure(figure).orElseThrow());
            assertThat(rungs.get(i).difficulty().total()
                            - rungs.get(i - 1).difficulty().total())
                    .as("%s, %s from level %d to %d of %.1f", name, figure, i, i + 1, top)
                    .isGreaterThanOrEqualTo(carried ? -ROUNDING : STEP * top);
        }
    }

    /**
     * What is chosen is heard from the level that its file claims; below it the same with fewer notes, or a figure that
     * claims no more than the level.
     */
    @ParameterizedTest
    @MethodSource("figures")
    void a_figure_is_carried_at_the_level_it_claims_and_above(Figure figure) {
        for (LevelLadder.Rung rung : rungs(styleSong(figure), figure.id())) {
            int level = rung.level().number();
            Set<Figure> heard = heard(rung);
            if (level >= figure.suits().level()) {
                assertThat(heard).as("%s at level %d", figure.id(), level).containsExactly(figure);
            } else if (level <= 2) {
                assertThat(heard).doesNotContain(figure);
            }
            assertThat(heard)
                    .filteredOn(other -> !other.id().equals(figure.id()))
                    .allSatisfy(other ->
                            assertThat(other.suits().level()).as(other.id()).isLessThanOrEqualTo(level));
        }
    }

    /** FAULTS L34: a figure keeps its style where its own could be thinned (level 1 aside). */
    @Test
    void a_level_keeps_the_style() {
        Map<Integer, List<String>> lost = new TreeMap<>();
        for (Figure figure : BOOK.figures()) {
            for (LevelLadder.Rung rung : rungs(styleSong(figure), figure.id())) {
                lost.computeIfAbsent(rung.level().number(), level -> new ArrayList<>());
                if (heard(rung).stream().anyMatch(other -> !other.family().equals(figure.family()))) {
                    lost.get(rung.level().number()).add(figure.id());
                }
            }
        }
        assertThat(lost.get(2)).as("level 2: %s", lost.get(2)).hasSizeLessThan(12);
        assertThat(lost.get(3)).as("level 3: %s", lost.get(3)).hasSizeLessThan(10);
        assertThat(lost.get(4)).as("level 4: %s", lost.get(4)).hasSizeLessThan(4);
        assertThat(lost.get(5)).isEmpty();
    }

    private static Song styleSong(Figure figure) {
        return Played.song("Meter: " + figure.bars().keySet().iterator().next()
                + "~Key: G~| G | Em | C | D7 | G | D/F♯ | C/E | G |");
    }

    private static Set<Figure> heard(LevelLadder.Rung rung) {
        return rung.arrangement().holding().stream()
                .map(bar -> bar.heard().figure())
                .collect(Collectors.toSet());
    }

    static Stream<Figure> figures() {
        return BOOK.figures().stream();
    }

    /** Ways that are named are kept while the ladder stands on them, and given up when it breaks. */
    @Test
    void a_way_changes_only_when_the_ladder_breaks() {
        Song song = Played.song("Key: G~| G | Em | C | D7 |");
        Choices tenths = Choices.figure("stride-tenths");
        List<Integer> usual = LADDER.ways(song, tenths, Pianist.USUAL);
        int kept = 0;
        for (int way = 0; way < Level.of(3).ways(BOOK.figure("stride-tenths").orElseThrow()); way++) {
            List<Integer> held = new ArrayList<>(usual);
            held.set(2, way);
            List<Integer> found = LADDER.ways(song, tenths.with(SongChoice.WAYS, held), Pianist.USUAL);
            kept += found.equals(held) ? 1 : 0;
            assertThat(LADDER.ways(song, tenths.with(SongChoice.WAYS, found), Pianist.USUAL))
                    .isEqualTo(found);
        }
        assertThat(kept).isBetween(2, 13);
        assertThatThrownBy(() -> Options.OPEN.with(SongChoice.WAYS, List.of(0, 1)))
                .hasMessageContaining("ways [0, 1]: expected one number");
    }

    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("songs")
    void no_section_gets_easier_as_the_level_rises(String name, Song song, String figure) {
        List<LevelLadder.Rung> rungs = rungs(song, figure);
        for (Section section : song.sections()) {
            List<Integer> bars = section.bars().stream().map(Bar::index).toList();
            for (int i = 1; i < rungs.size(); i++) {
                Arrangement easier = rungs.get(i - 1).arrangement();
                Arrangement harder = rungs.get(i).arrangement();
                assertThat(harder.play().of(bars).total())
                        .as("%s, from level %d to %d", section.name(), i, i + 1)
                        .isGreaterThanOrEqualTo(easier.play().of(bars).total() - ROUNDING);
            }
        }
    }

    /**
     * Songs and metres that nobody had in mind when the rows were written: fresh seeds, and every figure in the last of
     * its metres.
     */
    static Stream<Arguments> otherSongs() {
        Stream<Arguments> seeded = IntStream.range(1000, 1060)
                .mapToObj(seed -> Arguments.of(
                        SeededCharts.song(seed),
                        Suggestions.of(SeededCharts.song(seed), BOOK.figures(), 1)
                                .get(0)
                                .figure()
                                .id()));
        return Stream.concat(seeded, BOOK.figures().stream().map(figure -> {
            String meter = figure.bars().keySet().stream()
                    .map(Object::toString)
                    .sorted()
                    .reduce((first, second) -> second)
                    .orElseThrow();
            return Arguments.of(
                    Played.song("Meter: " + meter
                            + "~Key: G~[A]~| G | Em | C | D7 |~| G/B | Am7 | D7 | G |~[B]~| C | Cm6 | G/D D7 | G |"),
                    figure.id());
        }));
    }

    @ParameterizedTest(name = "{index}: {1}")
    @MethodSource("otherSongs")
    void other_songs_climb_too(Song song, String figure) {
        every_level_is_harder_than_the_one_below("", song, figure);
        no_section_gets_easier_as_the_level_rises("", song, figure);
    }

    @Test
    void one_level_asked_for_by_itself_is_the_one_of_the_ladder() {
        Song song = SeededCharts.song(1029);
        List<LevelLadder.Rung> rungs = LADDER.rungs(song, Choices.figure("two-feel"), Pianist.USUAL);
        assertThat(rungs)
                .allSatisfy(rung -> assertThat(ARRANGER.arrange(
                                        song,
                                        LADDER.settled(
                                                song,
                                                Choices.figure("two-feel")
                                                        .level(rung.level().number()),
                                                Pianist.USUAL),
                                        Pianist.USUAL)
                                .strokes())
                        .isEqualTo(rung.arrangement().strokes()));
    }

    /** Where something sounds before bar 1 the bars lie one further on. */
    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("songs")
    void the_harmony_stays_and_every_stroke_is_within_the_hand(String name, Song song, String figure) {
        for (Hand hand : List.of(Hand.of(170), Hand.USUAL)) {
            for (LevelLadder.Rung rung : LADDER.rungs(song, Choices.figure(figure), Pianist.of(hand))) {
                assertThat(rung.arrangement()
                                .song()
                                .chords()
                                .filter(place -> place.chord().isPresent())
                                .map(place -> place.span().written())
                                .toList())
                        .isEqualTo(song.chords()
                                .filter(place -> place.chord().isPresent())
                                .map(place -> place.span().written())
                                .toList());
                assertThat(rung.arrangement().left().strokes())
                        .filteredOn(stroke -> stroke.roll().isEmpty())
                        .allSatisfy(
                                stroke -> assertThat(hand.easeOf(stroke.keys())).isNotEqualTo(Ease.OUT_OF_REACH));
            }
        }
    }

    static Stream<Song> linesOfRoots() {
        String[] roots = {"C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"};
        Stream<String> seeded = IntStream.range(0, 200).mapToObj(seed -> {
            Random random = new Random(seed);
            int low = random.nextInt(12);
            List<String> five = IntStream.rangeClosed(0, FIVE_FINGERS)
                    .mapToObj(up -> roots[(low + up) % 12])
                    .toList();
            return random.ints(4 + random.nextInt(12), 0, five.size())
                    .mapToObj(five::get)
                    .collect(Collectors.joining(" | "));
        });
        return Stream.concat(
                        Stream.of(
                                "C | F | G | C",
                                "Am | F | G | E",
                                "E | A | C♯m | B",
                                "Dm | A | B♭ | F",
                                "Gm | E♭ | F | D"),
                        seeded)
                .map(chords -> Played.song("| " + chords + " |"));
    }

    /**
     * Level 1 stays as close together as its roots let it: under five fingers on neighbouring keys where they fit
     * there.
     */
    @ParameterizedTest
    @MethodSource("linesOfRoots")
    void level_one_lies_under_one_hand_position_whenever_the_roots_allow_it(Song song) {
        Arrangement arrangement =
                ARRANGER.arrange(song, Choices.figure("stride-root-chord").level(1), Pianist.USUAL);
        IntSummaryStatistics keys = arrangement.left().strokes().stream()
                .mapToInt(stroke -> stroke.lowest().midi())
                .summaryStatistics();
        assertThat(keys.getMax() - keys.getMin())
                .isEqualTo(narrowest(arrangement.left().strokes()));
        assertThat(arrangement.left().strokes())
                .allSatisfy(stroke -> assertThat(stroke.notes()).hasSize(1));
    }

    /** The fewest semitones that hold one key of each name. */
    private static int narrowest(List<Stroke> strokes) {
        List<Integer> names = strokes.stream()
                .map(stroke -> stroke.lowest().midi() % 12)
                .distinct()
                .sorted()
                .toList();
        return IntStream.range(0, names.size())
                .map(i -> i == 0 ? names.get(names.size() - 1) - names.get(0) : 12 + names.get(i - 1) - names.get(i))
                .min()
                .orElseThrow();
    }

    @Test
    void what_a_level_names_is_there() {
        Set<String> named =
                new HashSet<>(BOOK.figures().stream().map(Figure::id).toList());
        for (Figure figure : BOOK.figures()) {
            for (Level level : Level.all()) {
                for (int way = 0; way < level.ways(figure); way++) {
                    Options there = level.on(Options.OPEN.with(LeftChoice.FIGURE, figure.id()), figure, way);
                    assertThat(named).contains(there.get(LeftChoice.FIGURE).orElseThrow());
                    there.get(LeftChoice.VOICING)
                            .ifPresent(voicing -> assertThat(BOOK.figure(
                                                    there.get(LeftChoice.FIGURE).get())
                                            .orElseThrow()
                                            .manner()
                                            .voicings())
                                    .contains(voicing));
                }
            }
        }
        assertThat(Level.all()).extracting(Level::number).containsExactly(1, 2, 3, 4, 5);
        assertThat(Level.all()).allSatisfy(level -> assertThat(level.use()).endsWith("."));
    }

    @Test
    void a_figure_of_ones_own_stays_from_level_three_on() {
        Figure own = FigureFile.parse(
                "mine.yaml",
                FigureFile.write(BOOK.figure("walking").orElseThrow()).replace("id: walking", "id: mine-2"));
        Options chosen = Options.OPEN
                .with(LeftChoice.FIGURE, "mine-2")
                .with(LeftChoice.VOICING, "tenth")
                .with(LeftChoice.BASS_LINE, "walking")
                .with(LeftChoice.LEAD_IN, "below");
        assertThat(Level.of(2).on(chosen, own, 0).get(LeftChoice.FIGURE)).contains("strong-beats");
        assertThat(Level.of(3).on(chosen, own, 0).get(LeftChoice.FIGURE)).contains("mine-2");
        assertThat(Level.of(3).on(chosen, own, 0).get(LeftChoice.LEAD_IN)).contains("none");
        assertThat(Level.of(4).on(chosen, own, 0).get(LeftChoice.VOICING)).isEmpty();
        assertThat(Level.of(4).on(chosen, own, 0).get(LeftChoice.BASS_LINE)).isEmpty();
        assertThat(Level.of(5).on(chosen, own, 0).get(LeftChoice.BASS_LINE)).contains("walking");
        assertThat(Level.of(5).on(chosen, own, 0).get(LeftChoice.LEAD_IN)).contains("below");
    }

    @Test
    void a_level_there_is_not_is_refused() {
        assertThatThrownBy(() -> Options.OPEN.with(SongChoice.LEVEL, 6)).hasMessage("level 6: expected 1 to 5");
    }

    @Test
    void a_bar_is_made_easier_in_place_and_says_what_that_costs() {
        Song song = Played.song("Tempo: 200~Feel: swing~| E♭6 | G°7 | A♭6 | C7/G | Fm7 | B♭7 | E♭6 | B♭7 |");
        Easier.Way way = Easier.in(
                        new Choices.Run(3, 4), ARRANGER, song, Choices.figure("stride-tenths"), Pianist.USUAL)
                .orElseThrow();
        assertThat(way.after().total()).isLessThan(way.before().total());
        assertThat(way.won()).extracting(reason -> reason.code()).startsWith("easier-difficulty");
        assertThat(way.lost()).isNotEmpty();
        Choices easier = Choices.figure("stride-tenths")
                .override(new Choices.Override(
                        new Choices.Run(3, 4),
                        java.util.Optional.empty(),
                        java.util.Optional.empty(),
                        Options.OPEN.with(SongChoice.LEVEL, way.level().number())));
        List<Stroke> before = ARRANGER.arrange(song, Choices.figure("stride-tenths"), Pianist.USUAL)
                .left()
                .strokes();
        List<Stroke> after =
                ARRANGER.arrange(song, easier, Pianist.USUAL).left().strokes();
        assertThat(after.stream()
                        .filter(stroke -> stroke.bar() == 0)
                        .map(Stroke::written)
                        .toList())
                .isEqualTo(before.stream()
                        .filter(stroke -> stroke.bar() == 0)
                        .map(Stroke::written)
                        .toList());
        assertThat(Easier.in(
                        new Choices.Run(1, 8),
                        ARRANGER,
                        song,
                        Choices.figure("held").level(1),
                        Pianist.USUAL))
                .isEmpty();
        assertThatThrownBy(() -> Easier.in(new Choices.Run(30, 31), ARRANGER, song, Choices.OPEN, Pianist.USUAL))
                .hasMessageContaining("30-31");
    }

    @Test
    void the_easiest_keys_are_measured() {
        List<EasiestKeys.Measured> keys = EasiestKeys.of(
                zapateo.song.ChartEdit.of("Key: B\n| B | E | F♯7 | B |"),
                ARRANGER,
                Choices.figure("spread-eighths"),
                Pianist.USUAL);
        assertThat(keys).hasSize(12);
        assertThat(keys.get(0).difficulty().total())
                .isLessThanOrEqualTo(keys.get(11).difficulty().total());
        assertThat(keys)
                .extracting(each -> Math.round(each.difficulty().total() * 2))
                .isSorted();
    }
}
