package zapateo.arrangement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.choice.Range;
import zapateo.hand.Pianist;
import zapateo.lefthand.LeftChoice;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Liveliness;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** The one table of choices. */
class ChoiceTest {

    static List<Choice<?>> choices() {
        return SongChoice.table();
    }

    @ParameterizedTest
    @EnumSource(Choice.Place.class)
    void names_are_unique_where_they_stand(Choice.Place place) {
        Set<String> names = new HashSet<>();
        assertThat(SongChoice.in(place)).isNotEmpty().allSatisfy(choice -> {
            assertThat(names.add(choice.id())).as(choice.id()).isTrue();
            assertThat(choice.use()).isNotBlank().doesNotEndWith(".");
        });
    }

    /** What is written by a pattern of its own. */
    private static final Map<Choice<?>, List<String>> PATTERNS = Map.of(
            SongChoice.SPICES,
            List.of("walk-up@8", "plain@12"),
            SongChoice.WAVED_OFF,
            List.of("L6@5", "B1@12"),
            SongChoice.TIMES,
            List.of("2@3", "1@2"),
            SongChoice.BREAKS,
            List.of("8", "12@2"),
            SongChoice.VAMP,
            List.of("5-8"),
            SongChoice.KEY_UP,
            List.of("3@2"),
            LeftChoice.STROKES,
            List.of("1@0:960 3+5@960:960 >1@3360:480!"));

    /**
     * All it may be, written and read, is the same; what is usual is one of it; anything else is refused by its name,
     * with what was expected.
     */
    @ParameterizedTest
    @MethodSource("choices")
    void what_is_written_is_read_again(Choice<?> choice) {
        assertThat(choice.falls().map(Choice::places).orElse(choice.places())).containsAll(choice.places());
        Choice.Place place = choice.places().iterator().next();
        for (Object written : examples(choice)) {
            Options read = Options.read(SongChoice.in(place), "", Map.of(choice.id(), written));
            assertThat(read.get(choice)).isPresent();
            assertThat(read.written()).isEqualTo(Map.of(choice.id(), written));
            assertThat(Options.read(SongChoice.in(place), "", read.written()))
                    .isEqualTo(read)
                    .hasSameHashCodeAs(read);
        }
        for (Object wrong : List.of(Map.of(), List.of("x"), new Object[0])) {
            assertThatThrownBy(() -> Options.read(SongChoice.in(place), "choices.", Map.of(choice.id(), wrong)))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("choices." + choice.id())
                    .hasMessageContaining("expected " + choice.range().expected());
        }
        Map<String, Object> open = new HashMap<>();
        open.put(choice.id(), null);
        assertThat(Options.read(SongChoice.in(place), "", open)).isEqualTo(Options.OPEN);
        assertThat(Options.read(SongChoice.in(place), "", choice.auto() ? Map.of(choice.id(), "auto") : Map.of()))
                .isEqualTo(Options.OPEN);
    }

    private static List<?> examples(Choice<?> choice) {
        Range<?> range = choice.range();
        return switch (range.form()) {
            case TEXT ->
                range.values().isEmpty()
                        ? List.of(PATTERNS.getOrDefault(choice, List.of("some-id"))
                                .get(0))
                        : range.values();
            case WHOLE -> range.most() > 100 ? List.of(7L) : List.of((int) range.least(), (int) range.most());
            case NUMBER -> List.of(range.least(), range.most());
            case YES_NO -> List.of(true, false);
            case TEXTS -> List.of(PATTERNS.get(choice), List.of());
            case WHOLES ->
                List.of(
                        Collections.nCopies(Math.max(2, range.lengths().fewest()), 1),
                        Collections.nCopies(range.lengths().fewest(), 0));
        };
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '"',
            value = {
                "SONG;level;6;choices.level 6: expected 1 to 5",
                "SECTION;register;low;choices.register \"low\": expected deep, medium or middle",
                "SONG;swingRatio;9;choices.swingRatio 9: expected 1 to 4",
                "BARS;seed;4;choices.seed: there is no such choice, expected one of figure, bassLine",
                "BARS;strokes;1-0;choices.strokes stroke \"1-0\": expected roles@tick:length, as in 1+10@0:960",
                "SONG;strokes;1@0:960;choices.strokes: there is no such choice",
                "RIGHT;style;loud;choices.style \"loud\": expected none, comping, melody or improvise",
                "SONG;liveliness;very;choices.liveliness \"very\": expected none, some or much"
            })
    void what_cannot_be_chosen_is_refused_with_its_place(
            Choice.Place place, String name, String written, String message) {
        Object value = written.matches("[0-9]+") ? (Object) Integer.valueOf(written) : written;
        assertThatThrownBy(() -> Options.read(SongChoice.in(place), "choices.", Map.of(name, value)))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith(message);
    }

    @Test
    void what_belongs_to_another_choice_falls_with_it() {
        Options song = Options.OPEN
                .with(LeftChoice.FIGURE, "held")
                .with(LeftChoice.VOICING, "octave")
                .with(LeftChoice.PEDAL, false);
        assertThat(Options.OPEN.with(LeftChoice.FIGURE, "two-feel").over(song).get(LeftChoice.VOICING))
                .isEmpty();
        assertThat(Options.OPEN.with(LeftChoice.FIGURE, "two-feel").over(song).get(LeftChoice.PEDAL))
                .contains(false);
        assertThat(Options.OPEN.with(LeftChoice.FIGURE, "held").over(song).get(LeftChoice.VOICING))
                .contains("octave");
        assertThat(Options.OPEN.with(SongChoice.LEVEL, 2).over(song).get(LeftChoice.VOICING))
                .contains("octave");
        assertThat(song.standingAt(1)).isEqualTo(song);
        assertThat(song.with(LeftChoice.LIVELINESS, Liveliness.MUCH).standingAt(2))
                .isEqualTo(song);
        assertThat(song.with(LeftChoice.LIVELINESS, Liveliness.MUCH)
                        .standingAt(3)
                        .get(LeftChoice.LIVELINESS))
                .contains(Liveliness.MUCH);
    }

    /**
     * The later goes before the earlier, bars before sections, sections before the song; a bar says what was asked for
     * there and what is heard.
     */
    @Test
    void each_bar_says_what_holds_in_it() {
        Song song = ChartParser.parse("[Verse]\n| C | F |\n[Chorus]\n| G | C |\n")
                .song()
                .orElseThrow();
        Choices.Override last = new Choices.Override(
                new Choices.Run(4, 4),
                Optional.empty(),
                Optional.empty(),
                Options.OPEN.with(LeftChoice.FIGURE, "habanera").with(SongChoice.LEVEL, 2));
        Choices choices = Choices.figure("held")
                .with(LeftChoice.VOICING, "octave")
                .section("Chorus", Options.OPEN.with(LeftChoice.FIGURE, "two-feel"))
                .override(last);
        List<Holding> holding = new Arranger(FigureBook.open())
                .arrange(song, choices, Pianist.USUAL)
                .holding();
        assertThat(holding)
                .extracting(each -> each.chosen().orUsual(LeftChoice.FIGURE))
                .containsExactly("held", "held", "two-feel", "habanera");
        assertThat(holding)
                .extracting(each -> each.heard().figure().id())
                .containsExactly("held", "held", "two-feel", "habanera");
        // At level 2 it is thinned.
        assertThat(holding.get(3).heard().figure())
                .isNotEqualTo(FigureBook.open().figure("habanera").orElseThrow());
        assertThat(holding.get(0).heard().voicing().id()).isEqualTo("octave");
        assertThat(holding.get(2).chosen().get(LeftChoice.VOICING)).isEmpty();
    }
}
