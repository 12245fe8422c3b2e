package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Meter;
import zapateo.song.Bar;
import zapateo.song.ChartParser;
import zapateo.song.Monotone;
import zapateo.song.Song;

class LicksTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    static List<Lick> all() {
        return Lick.all();
    }

    private static Song song(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    private static String played(String lick, String chart) {
        Song song = song(chart);
        return new Licks(song, List.of(), Hand.USUAL)
                .of(Lick.named(lick).orElseThrow(), song.bars().get(0)).stream()
                        .map(stroke -> stroke.written().tick() + ":"
                                + stroke.notes().stream()
                                        .map(note -> note.pitch().toString())
                                        .collect(Collectors.joining("+")))
                        .collect(Collectors.joining(" "));
    }

    @Test
    void two_dozen_and_more_of_one_bar_with_how_to_practise_them() {
        assertThat(Lick.all()).hasSizeGreaterThanOrEqualTo(24);
        assertThat(Lick.all()).extracting(Lick::name).doesNotHaveDuplicates();
        assertThat(Lick.all()).allSatisfy(lick -> {
            assertThat(lick.steps(Meter.COMMON).stream()
                            .mapToInt(step -> step.grace() ? 0 : step.ticks())
                            .sum())
                    .as(lick.id())
                    .isBetween(2880, 3840);
            assertThat(lick.practise()).endsWith(".");
        });
    }

    /**
     * Devices of HANDBOOK §9 by the note, made for another chord by role: a minor third where the chord has one, the
     * seventh it has. Common practice.
     */
    @ParameterizedTest
    @CsvSource(delimiter = '!', textBlock = """
            second-to-third         ! Key: C/| C |          ! 0:D5 480:E5 1920:G5 2400:D5 2880:E5
            second-to-third         ! Key: E♭/| B♭7 |       ! 0:C5 480:D5 1920:F5 2400:C5 2880:D5
            grace-to-third          ! Key: C/| F |          ! 0:A♭4 120:A4 960:C5 1440:D5 1920:C5 2880:A4
            fixed-fourth            ! Key: C/| F |          ! 0:G4+C5 480:G4+C5 1440:G4+C5 2400:G4+C5 2880:G4+C5
            tremolo                 ! Key: Am/| Am |        ! 0:A4 240:C5 480:A4 720:C5 960:A4 1200:C5 1440:A4 \
            1680:C5 1920:A4 2160:C5 2400:A4 2640:C5 2880:A4 3120:C5 3360:A4 3600:C5
            thumb-slide             ! Key: G/| G |          ! 0:A4 320:B♭4 640:B4 960:D5 1920:G5 2400:E5 2880:D5
            struck-twice-and-rolled ! Key: E♭/| E♭6 |       ! 0:E♭4+G4+B♭4+C5 480:E♭4+G4+B♭4+C5 960:B♭4 1280:G4 \
            1600:E♭4 1920:E♭4+G4+B♭4+C5 2400:E♭4+G4+B♭4+C5 2880:B♭4 3200:G4 3520:E♭4
            two-guides              ! Key: B♭/| Cm7 |       ! 0:E♭4 1920:B♭4
            two-guides              ! Key: C/| Cmaj7 |      ! 0:E4 1920:B4
            minor-five-up           ! Key: Am/| Am |        ! 0:A4 480:C5 960:D5 1440:E5 1920:G5 2400:A5 2880:G5
            next-third-early        ! Key: C/| G7 | C |     ! 0:D5 960:B4 1920:A4 2400:G4 3360:E4
            two-guides              ! Key: F/| C7sus4 |     ! 0:F4 1920:B♭4
            """)
    void devices_are_made_for_the_chord_at_hand(String lick, String chart, String expected) {
        assertThat(played(lick, chart.replace("/|", "\n|"))).isEqualTo(expected);
    }

    /**
     * Over every kind of chord in every metre: inside the bar, one after another, on notes of the chord, its scale or
     * its neighbours; within the hand where it is offered.
     */
    @ParameterizedTest
    @MethodSource("all")
    void every_lick_over_every_chord(Lick lick) {
        for (String meter : List.of("4/4", "3/4", "6/8", "2/4", "5/4")) {
            for (String chord :
                    List.of("C", "F♯m7", "B♭7", "E♭maj7", "A♭6", "D°", "Gsus4", "Bø", "C7♯9", "Faug", "D♭maj9")) {
                Song song = song("Meter: " + meter + "\nTempo: 90\n| " + chord + " | " + chord + " F |");
                Licks licks = new Licks(song, List.of(), Hand.of(170));
                for (Bar bar : song.bars()) {
                    List<Stroke> strokes = licks.of(lick, bar);
                    assertThat(strokes).isNotEmpty();
                    int end = bar.tick();
                    for (Stroke stroke : strokes) {
                        assertThat(stroke.written().tick())
                                .isGreaterThanOrEqualTo(Math.max(bar.tick(), end - Lick.GRACE));
                        end = stroke.written().end();
                        assertThat(stroke.highest().midi()).isBetween(55, 96);
                    }
                    assertThat(end).isLessThanOrEqualTo(bar.end());
                    if (licks.suits(lick, bar)) {
                        assertThat(strokes)
                                .allSatisfy(stroke -> assertThat(Hand.of(170).easeOf(stroke.keys()))
                                        .isNotEqualTo(Ease.OUT_OF_REACH));
                    }
                }
            }
        }
    }

    /** FAULTS R6: in 3/4 and 6/8 a lick is made for the metre, no 4/4 lick with its tail cut. */
    @ParameterizedTest
    @MethodSource("all")
    void a_lick_is_made_for_three_and_for_six(Lick lick) {
        for (String text : List.of("3/4", "6/8")) {
            Meter meter = Meter.parse(text);
            List<Lick.Step> own = lick.steps(meter);
            assertThat(own.stream()
                            .mapToInt(step -> step.grace() ? 0 : step.ticks())
                            .sum())
                    .as("%s in %s fills its bar", lick.id(), text)
                    .isEqualTo(meter.barTicks());
            assertThat(own.get(own.size() - 1))
                    .as("%s in %s comes to rest", lick.id(), text)
                    .satisfies(last -> assertThat(last.tick() + last.ticks()).isEqualTo(meter.barTicks()));
        }
        assertThat(lick.steps(Meter.parse("12/8"))).as("counted as six is").isEqualTo(lick.steps(Meter.parse("6/8")));
        assertThat(lick.steps(Meter.parse("5/4"))).isEqualTo(lick.steps(Meter.COMMON));
    }

    @Test
    void a_chord_is_offered_what_suits_it_and_the_tempo() {
        Song song = song("Key: C\nTempo: 100\n| C | Am7 | G7 |");
        Licks licks = new Licks(song, List.of(), Hand.USUAL);
        List<Set<String>> offered = song.bars().stream()
                .map(bar -> (Set<String>) licks.over(bar).stream()
                        .map(each -> each.lick().id())
                        .collect(Collectors.toCollection(TreeSet::new)))
                .toList();
        assertThat(offered.get(0))
                .contains("second-to-third", "pentatonic-up")
                .doesNotContain("minor-five-up", "blues-turn");
        assertThat(offered.get(1)).contains("minor-five-up").doesNotContain("second-to-third");
        assertThat(offered.get(2)).contains("blues-turn", "blues-fall");
        Song fast = song("Key: C\nTempo: 240\n| C |");
        assertThat(new Licks(fast, List.of(), Hand.USUAL).over(fast.bars().get(0)))
                .extracting(each -> each.lick().id())
                .contains("two-guides")
                .doesNotContain("tremolo");
        assertThat(new Licks(song, List.of(), Hand.of(150)).over(song.bars().get(0)))
                .extracting(each -> each.lick().id())
                .doesNotContain("octave-call");
    }

    /**
     * A grace note is written as one (MusicXML 4.0, grace): it takes none of the bar's time, and what it leans on has
     * all of its own.
     */
    @Test
    void a_grace_note_takes_no_time_on_the_page_and_comes_first_to_the_ear() {
        Arrangement arrangement = ARRANGER.arrange(
                song("Key: C\n| C |"),
                Choices.figure("held")
                        .right(RightHand.NONE.licks(List.of(new RightHand.PlacedLick(1, "grace-to-third")))),
                Pianist.USUAL);
        List<Stroke> right = arrangement.right().strokes();
        assertThat(right.get(0).isGrace()).isTrue();
        assertThat(right.get(1).sounding().tick()).isEqualTo(120);
        assertThat(right.get(1).onPage()).isEqualTo(zapateo.part.TickSpan.of(0, 960));
        assertThat(zapateo.arrangement.Meeting.of(arrangement).get(0).order()).isEqualTo("1 LR, 2 R, 2& R, 3 R, 4 R");
        String xml = new String(
                zapateo.format.MusicXmlWriter.write(arrangement, zapateo.format.Hands.BOTH),
                java.nio.charset.StandardCharsets.UTF_8);
        String staff = xml.substring(xml.indexOf("<note"), xml.indexOf("<backup"));
        assertThat(staff.split("<grace").length).isEqualTo(2);
        assertThat(java.util.regex.Pattern.compile("<duration>(\\d+)")
                        .matcher(staff)
                        .results()
                        .mapToInt(match -> Integer.parseInt(match.group(1)))
                        .sum())
                .isEqualTo(3840);
    }

    /**
     * HANDBOOK §9: a tune that stays on one note sounds dull on a piano. Ties are one note, and another octave is
     * another key.
     */
    @Test
    void a_melody_that_stays_on_one_key_is_told() {
        assertThat(Monotone.of(song("Key: C\n| C | F | G | C |\nMelody: | G G G2 G2 G2 | G8- | G4 g4 | GGGG GGG2 |\n"
                        .replace("GGG2", "GGAA"))))
                .containsExactly(
                        new Monotone(0, zapateo.pitch.Pitch.parse("G4"), 6),
                        new Monotone(3, zapateo.pitch.Pitch.parse("G4"), 6));
    }

    @Test
    void a_lick_takes_the_place_of_what_was_there_in_its_bar_and_nowhere_else() {
        Song song = song("Key: C\n| C | F | G7 |\nMelody: | e4 c4- | c4 A4 | B8 |\n");
        Map<String, RightHand> ways =
                Map.of("melody", RightHand.of(RightChoices.Style.MELODY), "rests", RightHand.NONE);
        ways.forEach((name, way) -> {
            Arrangement with = ARRANGER.arrange(
                    song,
                    Choices.figure("stride-root-chord")
                            .right(way.licks(List.of(new RightHand.PlacedLick(2, "fixed-fourth")))),
                    Pianist.USUAL);
            List<Stroke> lick = with.right().strokes().stream()
                    .filter(stroke -> stroke.bar() == 1)
                    .toList();
            assertThat(lick)
                    .hasSize(5)
                    .allSatisfy(stroke -> assertThat(stroke.reason().code()).isEqualTo("lick"));
            assertThat(Crossing.between(with.left().strokes(), with.right().strokes()))
                    .isEmpty();
            if (name.equals("melody")) {
                assertThat(with.right().strokes())
                        .filteredOn(stroke -> stroke.bar() == 0)
                        .extracting(stroke -> stroke.written().ticks())
                        .containsExactly(1920, 1920);
                assertThat(with.right().strokes())
                        .filteredOn(stroke -> stroke.bar() == 2)
                        .hasSize(1);
            }
        });
        assertThatThrownBy(() -> ARRANGER.arrange(
                        song,
                        Choices.OPEN.right(RightHand.NONE.licks(List.of(new RightHand.PlacedLick(1, "shuffle-off")))),
                        Pianist.USUAL))
                .hasMessageContaining("lick \"shuffle-off\": expected one of")
                .hasMessageContaining("tremolo");
    }
}
