package zapateo.rhythm;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** The figure book against the table of HANDBOOK §7, and figures as files. */
class FigureBookTest {

    private static final FigureBook BOOK = FigureBook.open();

    static Stream<Figure> figures() {
        return BOOK.figures().stream();
    }

    /** Every row of the table that is written out; the metre is 4/4 unless it is said. */
    @ParameterizedTest(name = "{0} in {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "held; 4/4; v@0:*",
                "pulse-quarters; 4/4; v@0:960 v@960:960 v@1920:960 v@2880:960",
                "push; 4/4; v@0:3360 >v@3360:3840",
                "push-full; 4/4; v@0:1440 v@1440:1920 >v@3360:1920",
                "driving-octaves; 4/4; 1@0:480 8@480:480 1@960:480 8@1440:480 1@1920:480 8@2400:480 1@2880:480 "
                        + "8@3360:480",
                "stacked; 4/4; 1@0:* 5@480:* 10@960:*",
                "low-high-middle-high; 4/4; 1@0:480 5@480:480 3@960:480 5@1440:480 1@1920:480 5@2400:480 3@2880:480 "
                        + "5@3360:480",
                "spread-eighths; 4/4; 1@0:480 5@480:480 10@960:480 5@1440:480 1@1920:480 5@2400:480 10@2880:480 "
                        + "5@3360:480",
                "sixes; 6/8; 1@0:480 5@480:480 8@960:480 10@1440:480 8@1920:480 5@2400:480",
                "three-four-eighths; 3/4; 1@0:480 5@480:480 10@960:480 12@1440:480 10@1920:480 5@2400:480",
                "three-four-quarters; 3/4; 1@0:960 5@960:960 10@1920:960",
                "relay; 12/8; 1@0:480 3@480:480 5@960:480 R:8@1440:480 R:10@1920:480 R:12@2400:480 1@2880:480 "
                        + "3@3360:480 5@3840:480 R:8@4320:480 R:10@4800:480 R:12@5280:480",
                "open-ninth-hold; 4/4; 1@0:* 5@480:* 9@960:* 10@1440:*",
                "bass-and-two; 3/4; 1@0:960 c@960:960 c@1920:960",
                "stride-root-chord; 4/4; 1@0:960 c@960:960 5_@1920:960 c@2880:960",
                "stride-tenths; 4/4; 1+10@0:960 c@960:960 5_@1920:960 c@2880:960",
                "rolled-tenths; 4/4; ~1+10@0:960 c@960:960 5_@1920:960 c@2880:960",
                "two-feel; 4/4; 1@0:1920 5_@1920:1920",
                "walking; 4/4; w@0:960 w@960:960 w@1920:960 w@2880:960",
                "charleston; 4/4; s@0:1440 s@1440:2400",
                "shuffle-fifth-sixth; 4/4; 1+5@0:480 1+5@480:480 1+6@960:480 1+6@1440:480 1+5@1920:480 1+5@2400:480 "
                        + "1+6@2880:480 1+6@3360:480",
                "shuffle-full; 4/4; 1+5@0:480 1+5@480:480 1+6@960:480 1+6@1440:480 1+♭7@1920:480 1+♭7@2400:480 "
                        + "1+6@2880:480 1+6@3360:480",
                "boogie-rocking; 4/4; 1@0:960 5@960:960 1@1920:960 6@2880:960",
                "boogie-climbing; 4/4; 1@0:480 3@480:480 5@960:480 6@1440:480 ♭7@1920:480 6@2400:480 5@2880:480 "
                        + "3@3360:480",
                "three-three-two; 4/4; 1@0:1440 5@1440:1440 8@2880:960",
                "habanera; 4/4; 1@0:720 5@720:240 8@960:480 5@1440:480 1@1920:720 5@2640:240 8@2880:480 5@3360:480",
                "habanera; 2/4; 1@0:720 5@720:240 8@960:480 5@1440:480",
                "anticipated-bass; 4/4; 1@0:1440 5_@1440:1440 >1@2880:2400",
                "slow-rumba; 4/4; 1@0:1440 5@1440:480 8@1920:960 5@2880:960",
                "hand-split; 4/4; 1@0:480 R:c@480:480 5@960:480 8@1440:480 R:c@1920:480 R:c@2400:480 5@2880:480 "
                        + "R:c@3360:480",
                "bossa; 4/4; 1@0:1440 5_@1440:480 5_@1920:1440 >1@3360:480",
                "tango-marked; 4/4; 1@0:480! c@960:480 c@1920:480! c@2880:480",
                "tango-slipped; 4/4; 1@0:480 c@480:960! c@1440:480 5_@1920:960 c@2880:960",
                "bass-and-chop; 4/4; 1@0:960 c@960:240 c@2880:240",
                "gospel-one-five; 4/4; 1@0:1440 ♯4@1440:480 5@1920:1440 L@3360:480",
                "lilt; 6/8; 1@0:480 c@480:480 c@960:480 5_@1440:480 c@1920:480 c@2400:480",
                "march; 2/4; 1@0:480 c@480:480 5_@960:480 c@1440:480",
                "country; 4/4; 1@0:960 c@960:960 5_@1920:960 c@2880:960",
                "rock-eighths; 4/4; 1+5@0:480 1+5@480:480 1+5@960:480! 1+5@1440:480 1+5@1920:480 1+5@2400:480 "
                        + "1+5@2880:480! 1+5@3360:480"
            })
    void the_handbook_s_strokes(String id, String meter, String strokes) {
        assertThat(text(BOOK.figure(id)
                        .orElseThrow()
                        .bars()
                        .get(Meter.parse(meter))
                        .get(0)))
                .isEqualTo(strokes);
    }

    /**
     * The rhythms of named styles as the trade describes them, in ticks: where basses and where chords are struck,
     * accents with {@code !}. Samba and baião are HANDBOOK §7's rows, the others common practice: the three-two of the
     * Caribbean basses, the big four of a second line, cha-cha-cha's two quick chords, one drop and bubble, the tango's
     * slipped accent, three sixteenths at a time.
     */
    @ParameterizedTest(name = "{0} in {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "samba; 2/4; 0 720 960! 1680;",
                "samba; 4/4; 0 1440 1920! 3360;",
                "baiao; 2/4; 0 720; 1440",
                "anticipated-bass; 4/4; 0 1440 2880;",
                "montuno-over-tumbao; 4/4; 0 1440 2880; 0 960 1440 2400 3360",
                "tumbao-with-chord; 4/4; 0 1440 2880; 960 2400",
                "cha-cha; 4/4; 0 1920; 960 2880 3360!",
                "partido; 4/4; 0 1920; 480! 1440! 2880",
                "bossa; 4/4; 0 1440 1920 3360;",
                "bossa-with-chords; 4/4; 0 1920; 960 1440! 3360",
                "second-line; 4/4; 0 1440 2880; 960 2400",
                "habanera; 2/4; 0 720 960 1440;",
                "milonga; 2/4; 0 720 960; 1440",
                "tango-slipped; 4/4; 0 1920; 480! 1440 2880",
                "tango-marked; 4/4; 0!; 960 1920! 2880",
                "three-three-two; 4/4; 0 1440 2880;",
                "charleston; 4/4; ; 0 1440",
                "charleston-pushed; 4/4; ; 480 1920",
                "charleston-late; 4/4; ; 960 2400",
                "pop-sixteenths; 4/4; 0 1920; 720 1440 2640 3360",
                "reggae-bubble; 4/4; 0 960 1440 1920 2880; 480 1440 2400 3360",
                "rock-six-eight; 6/8; 0 960; 1440!",
                "march-after-beats; 6/8; 0 1440; 960 2400",
                "slow-drag; 4/4; 0 1920; 1440 2880",
                "backward-stride; 4/4; 0 2880; 960 1920",
                "octave-rag; 2/4; 0 960; 480 1440",
                "musette-waltz; 3/4; 0; 960 1920",
                "four-part-hymn; 3/4; 0 960 1920; 0 960 1920"
            })
    void rhythms_of_named_styles(String id, String meter, String basses, String chords) {
        List<FigureStroke> bar =
                BOOK.figure(id).orElseThrow().bars().get(Meter.parse(meter)).get(0);
        assertThat(onsets(bar, true)).isEqualTo(basses == null ? "" : basses);
        assertThat(onsets(bar, false)).isEqualTo(chords == null ? "" : chords);
    }

    private static String onsets(List<FigureStroke> bar, boolean basses) {
        return bar.stream()
                .filter(stroke -> (stroke.mark() == Mark.HEEL
                                || stroke.roles().equals(List.of(Role.tone(5))) && stroke.length() > 960
                                || isTop(bar, stroke))
                        == basses)
                .map(stroke -> stroke.tick() + (stroke.accent() ? "!" : ""))
                .distinct()
                .collect(Collectors.joining(" "));
    }

    /** A fifth or an octave that belongs to a figure of basses alone. */
    private static boolean isTop(List<FigureStroke> bar, FigureStroke stroke) {
        return stroke.roles().size() == 1
                && stroke.roles().get(0).kind() == Role.Kind.TONE
                && bar.stream()
                        .allMatch(each -> each.roles().size() == 1
                                && (each.roles().get(0).degree() == 1
                                        || each.roles().get(0).degree() == 5
                                        || each.roles().get(0).degree() == 8));
    }

    /** Every figure has two variations and a fill, which wait for liveliness, in a metre it is written for. */
    @ParameterizedTest
    @MethodSource("figures")
    void every_figure_has_two_variations_and_a_fill(Figure figure) {
        assertThat(figure.variations())
                .extracting(each -> each.when().toString())
                .containsExactly("lively section", "lively every 8", "lively every 4");
        figure.variations()
                .forEach(variation -> variation.bars().forEach((meter, bar) -> {
                    assertThat(figure.bars()).containsKey(meter);
                    assertThat(figure.bars().get(meter)).doesNotContain(bar);
                }));
        Meter meter = figure.variations().get(0).bars().keySet().iterator().next();
        assertThat(figure.variation(meter, 4, false, false, Liveliness.NONE)).isEmpty();
        assertThat(figure.variation(meter, 4, false, false, Liveliness.SOME))
                .contains(figure.variations().get(2).bars().get(meter));
        assertThat(figure.variation(meter, 8, true, false, Liveliness.SOME))
                .contains(figure.variations().get(0).bars().get(meter));
    }

    /** The sixteenth circle: the cell five times, then 1 on the sixteenth. */
    @Test
    void the_sixteenth_circle() {
        List<FigureStroke> bar = BOOK.figure("sixteenth-circle")
                .orElseThrow()
                .bars()
                .get(Meter.COMMON)
                .get(0);
        assertThat(bar).hasSize(16).allMatch(stroke -> stroke.length() == 240);
        assertThat(bar.stream().map(stroke -> stroke.roles().get(0).toString()).collect(Collectors.joining(" ")))
                .isEqualTo("1 5 10 ".repeat(5) + "1");
    }

    @Test
    void there_are_enough_of_them_in_all_families_and_metres() {
        assertThat(BOOK.figures()).hasSizeGreaterThanOrEqualTo(83);
        assertThat(BOOK.figures().stream().map(Figure::family).collect(Collectors.toSet()))
                .contains(
                        "hold",
                        "pulse",
                        "riff",
                        "lilt",
                        "march",
                        "broken",
                        "arpeggio",
                        "waltz",
                        "stride",
                        "swing",
                        "shuffle",
                        "boogie",
                        "blues",
                        "rumba",
                        "bossa",
                        "tango",
                        "off-beat",
                        "gospel",
                        "country",
                        "rock",
                        "hits");
        Set<String> meters = BOOK.figures().stream()
                .flatMap(figure -> figure.bars().keySet().stream())
                .map(Meter::toString)
                .collect(Collectors.toSet());
        assertThat(meters).contains("2/4", "3/4", "4/4", "6/8", "9/8", "12/8", "5/4", "2+3/4", "7/8", "3+2+2/8");
    }

    @ParameterizedTest
    @MethodSource("figures")
    void a_figure_written_to_a_file_is_read_as_the_same(Figure figure) {
        assertThat(FigureFile.parse("again.yaml", FigureFile.write(figure))).isEqualTo(figure);
    }

    @ParameterizedTest(name = "{0} in {1}: {2}")
    @CsvSource({
        "spread-eighths, 4/4, 1 1& 2 2& 3 3& 4 4&",
        "habanera, 2/4, 1 1a 2 2&",
        "sixes, 6/8, 1 2 3 4 5 6",
        "relay, 4/4, 1 1trip 1let 2 2trip 2let 3 3trip 3let 4 4trip 4let",
        "three-three-two, 4/4, 1 2& 4",
        "seven-in-two-two-three, 7/8, 1 2 3 4 5 6 7"
    })
    void the_count(String id, String meter, String count) {
        assertThat(BOOK.figure(id).orElseThrow().count(Meter.parse(meter))).isEqualTo(count);
    }

    /** Beats divided otherwise: triplets in 4/4 for twelve eighths, long and short in 12/8 for plain eighths. */
    @Test
    void a_figure_keeps_its_beats_in_a_metre_that_divides_them_otherwise() {
        assertThat(text(BOOK.figure("shuffle-fifth-sixth").orElseThrow().bar(Meter.parse("12/8"), 0)))
                .startsWith("1+5@0:960 1+5@960:480 1+6@1440:960 1+6@2400:480");
        assertThat(text(BOOK.figure("relay").orElseThrow().bar(Meter.COMMON, 0)))
                .startsWith("1@0:320 3@320:320 5@640:320 R:8@960:320");
    }

    @ParameterizedTest(name = "{0} -> {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "chords: 4 | chords: 9 | chords a bar \"9\": expected 1 to 4",
                "suits: [] | suits: [loud] | suits \"loud\": expected one of blues",
                "roll: beat | roll: later | roll \"later\": expected beat, before or broken",
                "cut: restart | cut: maybe | \"maybe\": expected restart or keep",
                "id: held | id: Held! | id \"Held!\": expected small letters",
                "v@0:* | 1+>5@0:960 | expected all of its roles from one chord",
                "v@0:* | 25@0:960 | role \"25\": expected a tone 1, 3 to 24",
                "use: \"One | use: \"\\u0007One | use: expected 1 to 200 characters on one line"
            })
    void what_a_file_may_not_say(String good, String bad, String message) {
        String text = FigureFile.write(BOOK.figure("held").orElseThrow());
        assertThat(text).contains(good);
        assertThatThrownBy(() -> FigureFile.parse("mine.yaml", text.replace(good, bad)))
                .hasMessageContaining("mine.yaml:")
                .hasMessageContaining(message);
    }

    @ParameterizedTest
    @CsvSource({
        "every 4, true",
        "every 16, true",
        "section, true",
        "last, true",
        "lively every 4, true",
        "lively section, true",
        "lively, false",
        "every 1, false",
        "sometimes, false"
    })
    void when_a_variation_comes(String when, boolean known) {
        String text = FigureFile.write(BOOK.figure("two-feel").orElseThrow()).replaceAll("(?s)variations:.*", "")
                + "variations:\n  \"" + when + "\":\n    4/4: 1@0:960\n";
        if (known) {
            assertThat(FigureFile.parse("mine.yaml", text).variations()).hasSize(1);
        } else {
            assertThatThrownBy(() -> FigureFile.parse("mine.yaml", text))
                    .hasMessageContaining(
                            "variation \"" + when + "\": expected every 2 to every 16, section or last, with lively");
        }
    }

    /** HANDBOOK §7 and common practice: 5/4 is 3+2 or 2+3, 7/8 is 2+2+3 or as the song says. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "5/4; 2880 1920; 5/4",
                "2+3/4; 1920 2880; 2+3/4",
                "7/8; 960 960 1440; 7/8",
                "3+2+2/8; 1440 960 960; 3+2+2/8",
                "(2+3)/4; 1920 2880; 2+3/4",
                "3+2/4; 2880 1920; 5/4"
            })
    void uneven_metres(String written, String groups, String name) {
        Meter meter = Meter.parse(written);
        assertThat(meter.groups()).extracting(String::valueOf).isEqualTo(List.of(groups.split(" ")));
        assertThat(meter).hasToString(name);
        assertThat(Meter.parse(meter.toString())).isEqualTo(meter);
    }

    private static String text(List<FigureStroke> strokes) {
        return strokes.stream().map(FigureStroke::toString).collect(Collectors.joining(" "));
    }
}
