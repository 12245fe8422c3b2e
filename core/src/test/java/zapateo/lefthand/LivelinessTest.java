package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.arrangement.ReadOver;
import zapateo.arrangement.SongChoice;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.hand.Pianist;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * A song, not a bar. Source: HANDBOOK §7 (end), FAULTS M1 and M2; what each device plays was worked by hand, common
 * practice.
 */
class LivelinessTest {

    private static final String EIGHT = "| C | Am | F | G | C | Am | Dm | G7 |";
    /** Thirty-two bars: a verse twice, a bridge, the verse once more. */
    private static final Song SONG = Played.song("Key: C~Tempo: 100~[Verse]~" + EIGHT + "~[Verse]~" + EIGHT
            + "~[Bridge]~| F | F | C | C | D7 | D7 | G7 | G7 |~[Verse]~| C | Am | F | G | C | Am | G7 | C |");

    private static Choices lively(String figure, Liveliness much) {
        return Choices.figure(figure).with(LeftChoice.LIVELINESS, much);
    }

    private static Arrangement played(Song song, Choices choices) {
        return Played.ARRANGER.arrange(song, choices, Pianist.USUAL);
    }

    /** The left hand's bar: from its bar line, how long, which keys. */
    private static String bar(Arrangement arrangement, int index) {
        Bar bar = arrangement.song().bars().get(index);
        return arrangement.strokes().stream()
                .filter(stroke -> stroke.hand() == Side.LEFT && stroke.bar() == index)
                .map(stroke -> (stroke.written().tick() - bar.tick()) + ":"
                        + stroke.written().ticks() + " "
                        + stroke.notes().stream()
                                .map(note -> note.pitch().toString())
                                .collect(Collectors.joining("+")))
                .collect(Collectors.joining(" | "));
    }

    private static Map<Integer, String> spices(Arrangement arrangement) {
        Map<Integer, String> all = new TreeMap<>();
        for (int i = 0; i < arrangement.holding().size(); i++) {
            int at = i;
            arrangement.holding().get(i).spice().ifPresent(spice -> all.put(at, spice.id()));
        }
        return all;
    }

    @Test
    void every_section_ends_otherwise_and_the_song_does_not() {
        int ends = 0;
        int figures = 0;
        for (Figure figure : FigureBook.open().figures()) {
            if (!figure.bars().containsKey(Meter.COMMON) || figure.isHeld()) {
                continue;
            }
            Arrangement arrangement = played(SONG, lively(figure.id(), Liveliness.SOME));
            Map<Integer, String> some = spices(arrangement);
            assertThat(some).as(figure.id()).doesNotContainKey(31).hasSizeLessThan(19);
            assertThat(spices(played(SONG, lively(figure.id(), Liveliness.MUCH)))
                            .size())
                    .as(figure.id())
                    .isGreaterThanOrEqualTo(some.size());
            // The figure's own bar for a section's end, or what a lively player does.
            ends += (int) java.util.stream.Stream.of(7, 15, 23)
                    .filter(bar -> some.containsKey(bar)
                            || arrangement.strokes().stream()
                                    .anyMatch(stroke -> stroke.bar() == bar
                                            && stroke.nature().origin() == Origin.VARIATION))
                    .count();
            figures++;
        }
        assertThat(ends).as("of %d", 3 * figures).isGreaterThan(3 * figures * 9 / 10);
    }

    /**
     * FAULTS M7: never in the first two bars of a section's first time, in the bar before the last, nor in two bars
     * running.
     */
    @ParameterizedTest
    @EnumSource(
            value = Liveliness.class,
            names = {"SOME", "MUCH"})
    void nothing_is_changed_without_a_reason(Liveliness much) {
        for (Figure figure : FigureBook.open().figures()) {
            if (!figure.bars().containsKey(Meter.COMMON) || figure.isHeld()) {
                continue;
            }
            Arrangement arrangement = played(SONG, lively(figure.id(), much));
            java.util.Set<Integer> changed =
                    new java.util.TreeSet<>(spices(arrangement).keySet());
            arrangement.strokes().stream()
                    .filter(stroke -> stroke.nature().origin() == Origin.VARIATION)
                    .forEach(stroke -> changed.add(stroke.bar()));
            assertThat(changed).as(figure.id()).doesNotContain(0, 1, 16, 17, 30, 31);
            assertThat(changed).as(figure.id()).noneMatch(bar -> changed.contains(bar + 1));
            assertThat(changed).as(figure.id()).hasSizeLessThanOrEqualTo(much == Liveliness.MUCH ? 8 : 4);
        }
    }

    /** The song's own content is in the dice: songs of one form are not changed in the same way. */
    @Test
    void other_songs_are_changed_otherwise() {
        java.util.Set<Map<Integer, String>> all = new java.util.HashSet<>();
        for (String line : List.of(
                "| C | Am | F | G | C | Am | Dm | G7 |",
                "| G | C | D7 | G | Em | C | D7 | D7 |",
                "| F | B♭ | F | C7 | Dm | B♭ | C7 | C7 |",
                "| Dm | Gm | A7 | Dm | B♭ | Gm | A7 | A7 |")) {
            all.add(spices(played(
                    Played.song("[Verse]~" + line + "~[Bridge]~" + line + "~[Verse]~" + line),
                    lively("stride-root-chord", Liveliness.MUCH))));
        }
        assertThat(all).hasSizeGreaterThanOrEqualTo(3);
    }

    /** What one bar gets hangs on its own stretch of the song alone. */
    @Test
    void the_same_seed_plays_the_same_and_an_edit_elsewhere_changes_nothing() {
        Choices choices = lively("stride-root-chord", Liveliness.MUCH);
        assertThat(spices(played(SONG, choices))).isEqualTo(spices(played(SONG, choices)));
        assertThat(spices(played(SONG, choices.with(SongChoice.SEED, 5L)))).isNotEqualTo(spices(played(SONG, choices)));
        Song edited = Played.song("Key: C~Tempo: 100~[Verse]~| C | Em | F | G | C | Am | Dm | G7 |~[Verse]~" + EIGHT
                + "~[Bridge]~| F | F | C | C | D7 | D7 | G7 | G7 |~[Verse]~| C | Am | F | G | C | Am | G7 | C |");
        Map<Integer, String> before = spices(played(SONG, choices));
        Map<Integer, String> after = spices(played(edited, choices));
        IntStream.range(3, 32)
                .forEach(bar -> assertThat(after.get(bar)).as("bar %d", bar + 1).isEqualTo(before.get(bar)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"stride-root-chord", "spread-eighths", "pulse-quarters", "bass-and-two", "country"})
    void with_none_nothing_is_otherwise_nor_at_the_two_easiest_levels(String figure) {
        Song song =
                figure.equals("bass-and-two") ? Played.song("Key: C~Meter: 3/4~[A]~" + EIGHT + "~[B]~" + EIGHT) : SONG;
        assertThat(spices(played(song, Choices.figure(figure)))).isEmpty();
        assertThat(spices(played(song, lively(figure, Liveliness.MUCH).with(SongChoice.LEVEL, 2))))
                .isEmpty();
        assertThat(ReadOver.of(played(song, Choices.figure(figure)), Pianist.USUAL))
                .noneMatch(fault -> fault.id().equals("M2"));
    }

    /** FAULTS M1, for every figure of four quarters: at most 90 % copies of the first bar with some, 80 % with much. */
    @ParameterizedTest
    @EnumSource(
            value = Liveliness.class,
            names = {"SOME", "MUCH"})
    void no_figure_is_mechanical(Liveliness much) {
        List<String> mechanical = FigureBook.open().figures().stream()
                .filter(figure -> figure.bars().containsKey(Meter.COMMON) && !figure.isHeld())
                .map(Figure::id)
                .filter(id -> ReadOver.of(played(SONG, lively(id, much)), Pianist.USUAL).stream()
                        .anyMatch(fault -> fault.id().equals("M1")))
                .toList();
        assertThat(mechanical).isEmpty();
    }

    /** Bars as they are wished for one by one, against the same without liveliness. */
    @ParameterizedTest(name = "{0} in bar {1} of {2}: {3}")
    @CsvSource(
            delimiter = ';',
            value = {
                "break; 8; stride-root-chord; 0:960 G2",
                "octave; 2; stride-root-chord; 0:960 A1+A2 | 960:960 C4+E4+A4 | 1920:960 E2 | 2880:960 C4+E4+A4",
                "hold; 4; spread-eighths; 0:480 G2 | 480:480 D3 | 960:480 B3 | 1440:2400 D3",
                "plain; 8; stride-root-chord; as ever"
            })
    void a_device_plays_so(String spice, int number, String figure, String expected) {
        Arrangement arrangement =
                played(SONG, lively(figure, Liveliness.SOME).with(SongChoice.SPICES, List.of(spice + "@" + number)));
        String plain = bar(played(SONG, Choices.figure(figure)), number - 1);
        String told = bar(arrangement, number - 1);
        assertThat(shape(told)).isEqualTo(expected.equals("as ever") ? shape(plain) : shape(expected));
        assertThat(told.equals(plain)).isEqualTo(expected.equals("as ever"));
    }

    /** Onsets, lengths and how many keys; where they lie is the search's. */
    private static String shape(String bar) {
        return java.util.Arrays.stream(bar.split(" \\| "))
                .map(stroke -> stroke.split(" ")[0] + "x" + stroke.split(" ")[1].split("\\+").length)
                .collect(Collectors.joining(" "));
    }

    @Test
    void an_early_chord_is_struck_an_eighth_before_its_bar_and_not_again_on_it() {
        Arrangement arrangement =
                played(SONG, lively("pulse-quarters", Liveliness.SOME).with(SongChoice.SPICES, List.of("early@3")));
        int bar = SONG.bars().get(2).tick();
        List<Stroke> left = arrangement.strokes().stream()
                .filter(stroke -> stroke.hand() == Side.LEFT)
                .toList();
        Stroke early = left.stream()
                .filter(stroke -> stroke.written().tick() == bar - 480)
                .findFirst()
                .orElseThrow();
        assertThat(early.lowest().pitchClass()).hasToString("F");
        assertThat(early.written().end()).isEqualTo(bar + 960);
        assertThat(left).noneMatch(stroke -> stroke.written().tick() == bar);
        assertThat(early.reason().code()).isEqualTo("lively-early");
    }

    @Test
    void a_walk_up_steps_into_the_next_chord_and_says_so() {
        Arrangement arrangement = played(
                SONG, lively("stride-root-chord", Liveliness.SOME).with(SongChoice.SPICES, List.of("walk-up@8")));
        List<Stroke> walk = arrangement.strokes().stream()
                .filter(stroke -> stroke.bar() == 7 && stroke.reason().code().equals("lively-walk-up"))
                .toList();
        assertThat(walk).isNotEmpty();
        int target = arrangement.strokes().stream()
                .filter(stroke -> stroke.bar() == 8 && stroke.hand() == Side.LEFT)
                .findFirst()
                .orElseThrow()
                .lowest()
                .midi();
        assertThat(Math.abs(walk.get(walk.size() - 1).lowest().midi() - target)).isLessThanOrEqualTo(2);
    }

    /** Kept, it stays whatever the dice give. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void what_is_kept_stays_with_other_dice(long seed) {
        Arrangement arrangement = played(
                SONG,
                lively("stride-root-chord", Liveliness.SOME)
                        .with(SongChoice.SEED, seed)
                        .with(SongChoice.SPICES, List.of("octave@2", "plain@8")));
        assertThat(spices(arrangement)).containsEntry(1, "octave").doesNotContainKey(7);
    }

    @Test
    void what_is_written_wrongly_is_refused_with_what_was_expected() {
        assertThatThrownBy(() ->
                        Options.read(SongChoice.in(Choice.Place.SONG), "choices", Map.of("spices", List.of("walk up"))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("walk-up@8");
    }

    /**
     * Every figure over charts of all kinds: nothing breaks, no stroke is empty, none sounds before the song but a
     * roll.
     */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7})
    void any_chart_can_be_played_lively(int part) {
        List<Figure> figures = FigureBook.open().figures();
        for (int i = part; i < figures.size(); i += 8) {
            Song song = zapateo.song.SeededCharts.song(i);
            Arrangement arrangement =
                    played(song, lively(figures.get(i).id(), Liveliness.MUCH).with(SongChoice.SEED, (long) i));
            assertThat(arrangement.strokes())
                    .as("%s, chart %d", figures.get(i).id(), i)
                    .allMatch(stroke ->
                            stroke.written().ticks() > 0 && !stroke.notes().isEmpty());
        }
    }

    @Test
    void every_device_is_told_in_the_table_and_named_once() {
        assertThat(Spice.all()).extracting(Spice::id).doesNotHaveDuplicates().hasSizeGreaterThanOrEqualTo(10);
        assertThat(Spice.all())
                .allMatch(spice -> spice.some() <= spice.much()
                        && spice.much() <= 100
                        && !spice.where().isEmpty());
        List<String> families = FigureBook.open().figures().stream()
                .map(Figure::family)
                .distinct()
                .toList();
        assertThat(Spice.all().stream().flatMap(spice -> spice.families().stream()))
                .isSubsetOf(families);
    }
}
