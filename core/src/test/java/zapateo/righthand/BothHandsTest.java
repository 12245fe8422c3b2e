package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.Meeting;
import zapateo.arrangement.RightHand;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.Lock;
import zapateo.part.Mending;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Side;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** Rules that hold for every right hand over every left hand. */
class BothHandsTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final FigureBook RIGHT = FigureBook.ofTheRightHand();
    private static final List<String> LEFT = List.of(
            "held",
            "spread-eighths",
            "stride-root-chord",
            "low-high-middle-high",
            "bass-and-two",
            "walking",
            "three-three-two",
            "nearest-inversions",
            "shuffle-fifth-sixth",
            "stride-tenths");
    private static final int SONGS = 200;

    static List<Figure> figures() {
        return RIGHT.figures();
    }

    /**
     * Two hundred songs with melodies, ten figures: nothing out of reach, at most one bar in a hundred keeps a
     * collision, and it is told.
     */
    @Test
    void hands_keep_apart_and_within_their_reach() {
        int bars = 0;
        int kept = 0;
        for (int seed = 0; seed < SONGS; seed++) {
            Song song = SeededTunes.song(seed);
            RightChoices.Under under = RightChoices.Under.values()[seed % RightChoices.Under.values().length];
            Hand hand = Hand.of(165 + seed % 6 * 15);
            for (String figure : LEFT) {
                RightHand right = seed % 3 == 2
                        ? RightHand.of(RightChoices.Style.COMPING)
                                .with(
                                        RightChoice.FIGURE,
                                        RIGHT.figures()
                                                .get(seed % RIGHT.figures().size())
                                                .id())
                                .with(
                                        RightChoice.SHAPES,
                                        RightChoices.Shapes.values()[seed / 3 % RightChoices.Shapes.values().length])
                        : RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNDER, under);
                Arrangement arrangement =
                        ARRANGER.arrange(song, Choices.figure(figure).right(right), Pianist.of(hand));
                assertThat(arrangement.right().strokes())
                        .isNotEmpty()
                        .allSatisfy(
                                stroke -> assertThat(hand.easeOf(stroke.keys())).isNotEqualTo(Ease.OUT_OF_REACH));
                Set<Integer> clashing = new HashSet<>();
                Crossing.between(
                                arrangement.left().strokes(),
                                arrangement.right().strokes())
                        .forEach(crossing -> clashing.add(arrangement
                                .right()
                                .strokes()
                                .get(crossing.right())
                                .bar()));
                bars += song.bars().size();
                kept += clashing.size();
                assertThat(arrangement.notices().stream()
                                .anyMatch(notice -> notice.code().equals("crossing-kept")))
                        .isEqualTo(!clashing.isEmpty());
            }
        }
        assertThat(kept).as("of %d bars", bars).isLessThanOrEqualTo(bars / 100);
    }

    /**
     * Every rhythm of the right hand in every metre, over chords of any kind and length: inside the bar, nothing struck
     * while it is held, the same again.
     */
    @ParameterizedTest
    @MethodSource("figures")
    void every_figure_fills_its_bars(Figure figure) {
        for (int seed = 0; seed < 20; seed++) {
            Song song = SeededCharts.song(seed);
            Choices choices = Choices.figure("held")
                    .right(RightHand.of(RightChoices.Style.COMPING).with(RightChoice.FIGURE, figure.id()));
            Arrangement arrangement = ARRANGER.arrange(song, choices, Pianist.USUAL);
            int[] held = new int[128];
            for (Stroke stroke : arrangement.right().strokes()) {
                assertThat(stroke.written().tick())
                        .isGreaterThanOrEqualTo(
                                arrangement.song().bars().get(stroke.bar()).tick());
                assertThat(stroke.written().end())
                        .isLessThanOrEqualTo(
                                arrangement.song().bars().get(stroke.bar()).end());
                stroke.notes().forEach(note -> {
                    assertThat(held[note.pitch().midi()])
                            .as("%s at %d", note.pitch(), stroke.written().tick())
                            .isLessThanOrEqualTo(stroke.written().tick());
                    held[note.pitch().midi()] = stroke.written().end();
                });
            }
            assertThat(ARRANGER.arrange(song, choices, Pianist.USUAL)).isEqualTo(arrangement);
        }
    }

    @Test
    void sixteen_figures_at_least_are_read_with_what_a_card_needs() {
        assertThat(RIGHT.figures()).hasSizeGreaterThanOrEqualTo(16);
        assertThat(RIGHT.figures()).allSatisfy(figure -> {
            assertThat(figure.hands()).containsExactly(Side.RIGHT);
            assertThat(figure.use()).endsWith(".");
            assertThat(figure.count(figure.bars().keySet().iterator().next())).isNotBlank();
        });
    }

    /**
     * Chords move to the nearest inversion (HANDBOOK §9 and EXAMPLES 5): common tones stay, the others go a step or
     * two.
     */
    @Test
    void inversions_are_near_and_clear_of_the_left_hand() {
        Song song = ChartParser.parse("Key: B♭\n| B♭ | E♭ | F | Gm |").song().orElseThrow();
        List<Stroke> right = ARRANGER.arrange(
                        song,
                        Choices.figure("two-feel")
                                .endsHeld(false)
                                .right(RightHand.of(RightChoices.Style.COMPING)
                                        .with(RightChoice.FIGURE, "held-chords")),
                        Pianist.USUAL)
                .right()
                .strokes();
        for (int i = 1; i < right.size(); i++) {
            int moved = 0;
            for (int voice = 0; voice < 3; voice++) {
                moved += Math.abs(right.get(i).keys()[voice] - right.get(i - 1).keys()[voice]);
            }
            assertThat(moved).isLessThanOrEqualTo(6);
        }
        assertThat(right).allSatisfy(stroke -> assertThat(stroke.notes()).hasSize(3));
    }

    private static List<Stroke> right(String chart, String left, RightHand right) {
        return ARRANGER.arrange(
                        ChartParser.parse(chart).song().orElseThrow(),
                        Choices.figure(left).endsHeld(false).right(right),
                        Pianist.USUAL)
                .right()
                .strokes();
    }

    private static List<String> chords(List<Stroke> strokes) {
        return strokes.stream()
                .map(stroke -> stroke.written().tick() + ":"
                        + stroke.notes().stream()
                                .map(note -> note.pitch().pitchClass().toString())
                                .sorted()
                                .collect(Collectors.joining(" ")))
                .toList();
    }

    /** A power chord has two notes to hold. */
    @Test
    void a_power_chord_is_one_shape_too() {
        OneShape shape = OneShape.of(List.of(ChordSymbol.parse("C5"))).orElseThrow();
        assertThat(shape.notes()).extracting(Object::toString).containsExactly("C4", "G4");
        Choices held = Choices.figure("held")
                .right(RightHand.of(RightChoices.Style.COMPING).with(RightChoice.SHAPES, RightChoices.Shapes.HELD));
        Song song = ChartParser.parse("| C5 | D5/G | N.C. | F |").song().orElseThrow();
        assertThat(ARRANGER.arrange(song, held, Pianist.USUAL).right().strokes())
                .hasSize(3);
    }

    /** EXAMPLES 26: B♭ C F over B♭, E♭, G and C, held while the bass moves; the same keys for four bars. */
    @Test
    void one_shape_is_held_while_the_bass_moves() {
        List<Stroke> held = right(
                "Key: B♭\n| B♭ | E♭ | Gm | F | E♭ | E♭ | F | F |",
                "two-feel",
                RightHand.of(RightChoices.Style.COMPING)
                        .with(RightChoice.FIGURE, "held-chords")
                        .with(RightChoice.SHAPES, RightChoices.Shapes.HELD));
        assertThat(held).hasSize(8);
        assertThat(held.subList(0, 4))
                .allSatisfy(stroke ->
                        assertThat(stroke.keys()).isEqualTo(held.get(0).keys()));
        assertThat(held.subList(4, 8))
                .allSatisfy(stroke ->
                        assertThat(stroke.keys()).isEqualTo(held.get(4).keys()));
        assertThat(held).allSatisfy(stroke -> assertThat(stroke.reason().code()).isEqualTo("comping-held"));
        OneShape shape = OneShape.of(List.of("B♭", "E♭", "Gm", "F").stream()
                        .map(ChordSymbol::parse)
                        .toList())
                .orElseThrow();
        assertThat(held.get(0).notes())
                .extracting(note -> note.pitch().pitchClass())
                .containsExactlyInAnyOrderElementsOf(
                        shape.notes().stream().map(note -> note.pitchClass()).toList());
    }

    /**
     * HANDBOOK §9: two shapes, I and IV, in turn over a still bass; a chord of one beat, and one that is no triad with
     * a plain fifth, stays itself; so does A minor, whose fourth would lie a ninth over the E below it (FAULTS B6).
     */
    @Test
    void two_shapes_take_turns_over_a_bass_that_stays() {
        List<Stroke> turns = right(
                "Key: C\n| C7 | Am | G7 . . C | G° | Dsus4 |",
                "two-feel",
                RightHand.of(RightChoices.Style.COMPING)
                        .with(RightChoice.FIGURE, "held-chords")
                        .with(RightChoice.SHAPES, RightChoices.Shapes.TURN));
        assertThat(chords(turns))
                .containsExactly(
                        "0:C E G",
                        "1920:A C F",
                        "3840:A C E",
                        "7680:B D G",
                        "9600:C E G",
                        "10560:C E G",
                        "11520:B♭ D♭ G",
                        "15360:A D G");
        // Each a step or two from the other: the hand rocks.
        assertThat(turns.get(1).lowest().midi() - turns.get(0).lowest().midi()).isBetween(-2, 2);
    }

    @Test
    void chords_between_the_left_hands_notes_never_strike_with_it() {
        RightHand between = RightHand.of(RightChoices.Style.COMPING).with(RightChoice.FIGURE, "between-the-left");
        for (String left : List.of("stride-root-chord", "hand-split", "habanera", "three-three-two", "tango-marked")) {
            Arrangement arrangement = ARRANGER.arrange(
                    ChartParser.parse("Key: C\n| C | Am | Dm | G7 |").song().orElseThrow(),
                    Choices.figure(left).endsHeld(false).right(between),
                    Pianist.USUAL);
            Set<Integer> struck = new HashSet<>(arrangement.left().strokes().stream()
                    .map(stroke -> stroke.written().tick())
                    .toList());
            assertThat(arrangement.right().strokes())
                    .isNotEmpty()
                    .allSatisfy(stroke ->
                            assertThat(struck).doesNotContain(stroke.written().tick()));
        }
        assertThat(chords(right("Key: C\n| C |", "stride-root-chord", between)))
                .extracting(each -> each.split(":")[0])
                .containsExactly("480", "1440", "2400", "3360");
    }

    @Test
    void a_section_has_a_right_hand_of_its_own() {
        String chart =
                "Key: C\n[A]\n| C | F |\nMelody: | c4 e4 | a8 |\n[B]\n| C | G |\nMelody: | e8 | d8 |\n[A] again\n";
        RightHand right = RightHand.of(RightChoices.Style.MELODY)
                .section("B", RightHand.manner(RightChoices.Style.COMPING))
                .section("C", RightHand.manner(RightChoices.Style.NONE));
        List<Stroke> strokes = right(chart, "held", right);
        assertThat(strokes)
                .filteredOn(stroke -> stroke.bar() < 2)
                .extracting(stroke -> stroke.reason().code())
                .containsOnly("tune")
                .hasSize(3);
        assertThat(strokes)
                .filteredOn(stroke -> stroke.bar() == 2 || stroke.bar() == 3)
                .extracting(stroke -> stroke.reason().code())
                .containsOnly("comping");
        assertThat(strokes)
                .filteredOn(stroke -> stroke.bar() > 3)
                .extracting(stroke -> stroke.reason().code())
                .containsOnly("tune")
                .hasSize(3);
    }

    /** HANDBOOK §9: before a section both hands in unison up the chord. */
    @Test
    void both_hands_go_up_the_chord_together_before_a_section() {
        String chart =
                "Key: C\nTempo: 100\n[A]\n| C | G7 |\nMelody: | c4 e4 | d4 z4 |\n[B]\n| C | F |\nMelody: | e8 | c8 "
                        + "|\n[C]\n| C |\n";
        Arrangement arrangement = ARRANGER.arrange(
                ChartParser.parse(chart).song().orElseThrow(),
                Choices.figure("spread-eighths")
                        .right(RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNISON, true)),
                Pianist.USUAL);
        assertThat(names(arrangement.left().strokes(), 1, 1920))
                .containsExactly("5760:G3", "6240:B3", "6720:D4", "7200:F4");
        assertThat(names(arrangement.right().strokes(), 1, 1920))
                .containsExactly("5760:G4", "6240:B4", "6720:D5", "7200:F5");
        // Before [C] the melody has a note: nothing is put over it.
        assertThat(arrangement.right().strokes())
                .filteredOn(stroke -> stroke.bar() == 3)
                .hasSize(1);
        assertThat(Crossing.between(
                        arrangement.left().strokes(), arrangement.right().strokes()))
                .isEmpty();
    }

    private static List<String> names(List<Stroke> strokes, int bar, int fromTick) {
        return strokes.stream()
                .filter(stroke -> stroke.bar() == bar && stroke.written().tick() % 3840 >= fromTick)
                .map(stroke -> stroke.written().tick() + ":" + stroke.highest())
                .toList();
    }

    /** EXAMPLES 25 under a melody: the whole chord hangs under what is its third, the other notes stand alone. */
    @Test
    void the_third_of_a_chord_on_top_carries_all_of_it() {
        List<Stroke> strokes = right(
                "Key: E♭\n| E♭6 | Fm7 |\nMelody: | G4 B4 | A4 F4 |",
                "two-feel",
                RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNDER, RightChoices.Under.THIRD));
        assertThat(strokes)
                .extracting(stroke -> stroke.notes().stream()
                        .map(note -> note.pitch().toString())
                        .toList())
                .containsExactly(
                        List.of("B♭3", "C4", "E♭4", "G4"),
                        List.of("B♭4"),
                        List.of("C4", "E♭4", "F4", "A♭4"),
                        List.of("F4"));
    }

    /**
     * EXAMPLES 28: the melody's G3 runs into the tenth; the left hand gives way, is left as it is where the player
     * wants it so, and the bar says which.
     */
    @Test
    void a_bar_says_how_its_hands_meet_and_what_was_mended() {
        Song song = ChartParser.parse("Key: E♭\n| E♭ | E♭ |\nMelody: | G,8 | B4 z4 |")
                .song()
                .orElseThrow();
        Choices choices = Choices.figure("held").endsHeld(false).with(LeftChoice.VOICING, "spread");
        Arrangement mended =
                ARRANGER.arrange(song, choices.right(RightHand.of(RightChoices.Style.MELODY)), Pianist.USUAL);
        List<Meeting> meetings = Meeting.of(mended);
        assertThat(meetings.get(0).mended()).containsExactly("left-thinned");
        assertThat(meetings.get(0).kept()).isEmpty();
        assertThat(meetings.get(0).order()).isEqualTo("1 LR");
        assertThat(meetings.get(1).mended()).isEmpty();
        Arrangement as = ARRANGER.arrange(
                song,
                choices.right(RightHand.of(RightChoices.Style.MELODY).with(RightChoice.AS_THEY_ARE, List.of(1))),
                Pianist.USUAL);
        assertThat(Meeting.of(as).get(0).mended()).isEmpty();
        assertThat(Meeting.of(as).get(0).kept()).containsExactly(Crossing.Kind.SAME_KEY);
        assertThat(as.notices()).extracting(notice -> notice.code()).contains("crossing-kept");
    }

    static List<String> tenths() {
        return List.of("broken-tenths", "rolled-tenths", "stride-tenths");
    }

    /**
     * The melody has the tenth: the bass keeps a partner, on the beat where that was, the melody stays where it is, and
     * the bar says what was done.
     */
    @ParameterizedTest
    @MethodSource("tenths")
    void a_tenth_that_meets_the_melody_becomes_another_voicing(String figure) {
        Song song = ChartParser.parse("Key: E♭\n| E♭ | E♭ |\nMelody: | G,8 | z8 |")
                .song()
                .orElseThrow();
        Choices choices = Choices.figure(figure);
        Arrangement arrangement =
                ARRANGER.arrange(song, choices.right(RightHand.of(RightChoices.Style.MELODY)), Pianist.USUAL);
        Stroke first = arrangement.left().strokes().get(0);
        assertThat(first.notes()).extracting(note -> note.pitch().toString()).containsExactly("E♭2", "B♭2");
        assertThat(first.notes().get(1).delayTicks()).isZero();
        assertThat(arrangement.right().strokes())
                .extracting(stroke -> stroke.lowest().toString())
                .containsExactly("G3");
        assertThat(Meeting.of(arrangement).get(0).mended()).containsExactly("left-revoiced", "left-thinned");
        // Where nothing is sung the tenth is whole, in the same place.
        Stroke second = arrangement.left().strokes().stream()
                .filter(stroke -> stroke.bar() == 1)
                .findFirst()
                .orElseThrow();
        assertThat(second.notes())
                .extracting(note -> note.pitch().toString())
                .startsWith("E♭2")
                .endsWith("G3");
        assertThat(Meeting.of(arrangement).get(1).mended()).isEmpty();
    }

    /**
     * Common practice, as a rule for every song: room is made without leaving a rolled, caught or stretched bass alone,
     * and only in bars where something is sung.
     */
    @Test
    void what_is_opened_keeps_its_partner() {
        int made = 0;
        for (int seed = 0; seed < SONGS; seed++) {
            Song song = SeededTunes.song(1000 + seed);
            Choices choices = Choices.figure(tenths().get(seed % 3)).endsHeld(seed % 2 == 0);
            Pianist pianist = Pianist.of(Hand.of(165 + seed % 6 * 15));
            Arrangement alone = ARRANGER.arrange(song, choices, pianist);
            Arrangement both = ARRANGER.arrange(song, choices.right(RightHand.of(RightChoices.Style.MELODY)), pianist);
            assertThat(both.left().strokes()).hasSameSizeAs(alone.left().strokes());
            for (int i = 0; i < alone.left().strokes().size(); i++) {
                Stroke before = alone.left().strokes().get(i);
                Stroke after = both.left().strokes().get(i);
                assertThat(after.written().tick()).isEqualTo(before.written().tick());
                assertThat(before.roll().isPresent() && after.notes().size() == 1)
                        .as("%s at %s", song.title(), after)
                        .isFalse();
                made += after.mended(Mending.Cause.ROOM).isPresent() ? 1 : 0;
            }
        }
        assertThat(made).isPositive();
    }

    @Test
    void what_is_locked_stays_and_the_melody_goes_up() {
        Song song = ChartParser.parse("Key: E♭\n| E♭ | B♭ |\nMelody: | G,4 B,4 | z4 B,4 |")
                .song()
                .orElseThrow();
        Choices locked = Choices.figure("held")
                .with(LeftChoice.VOICING, "tenth")
                .endsHeld(false)
                .lock(new Choices.PlacedLock(
                        1,
                        Optional.empty(),
                        1,
                        new Lock(Optional.of(Pitch.parse("E♭2")), Optional.empty(), Optional.empty())));
        Arrangement arrangement = ARRANGER.arrange(
                song,
                locked.right(RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNDER, RightChoices.Under.CLOSE)),
                Pianist.USUAL);
        assertThat(arrangement.left().strokes().get(0).notes())
                .extracting(note -> note.pitch().toString())
                .containsExactly("E♭2", "G3");
        // The phrase up to the rest, with its chords under it where they are clear of the tenth; what comes after the
        // rest stays.
        assertThat(arrangement.right().strokes())
                .extracting(stroke -> stroke.highest().toString())
                .containsExactly("G4", "B♭4", "B♭3");
        assertThat(arrangement.right().strokes().get(0).notes()).hasSizeGreaterThan(1);
        assertThat(Meeting.of(arrangement).get(0).mended()).containsExactly("right-raised");
        assertThat(Meeting.of(arrangement).get(0).kept()).isEmpty();
    }

    /** A hand that plays a run until the bar line has no time for a bass before it. */
    @Test
    void a_tenth_after_a_run_is_opened_on_the_beat() {
        Song song = ChartParser.parse(
                        "Key: C\nTempo: 100\n[A]\n| C | G7 |\nMelody: | c4 e4 | d4 z4 |\n[B]\n| C | F |\nMelody: | "
                                + "e8 | c8 |\n")
                .song()
                .orElseThrow();
        List<Stroke> left = ARRANGER.arrange(
                        song,
                        Choices.figure("broken-tenths")
                                .right(RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNISON, true)),
                        Pianist.USUAL)
                .left()
                .strokes();
        assertThat(left)
                .filteredOn(stroke -> stroke.written().tick() == 2 * 3840)
                .singleElement()
                .satisfies(stroke -> {
                    assertThat(stroke.notes())
                            .hasSize(2)
                            .allSatisfy(note -> assertThat(note.delayTicks()).isNotNegative());
                });
        assertThat(left)
                .filteredOn(stroke -> stroke.written().tick() == 3 * 3840 - 1920)
                .allSatisfy(
                        stroke -> assertThat(stroke.notes().get(0).delayTicks()).isNegative());
    }

    /**
     * Where a figure has both hands, a run before a section takes the place of what it would play, and nothing is there
     * twice.
     */
    @ParameterizedTest
    @MethodSource("ofBothHands")
    void a_run_is_played_once_in_figures_of_both_hands(String figure) {
        Song song = ChartParser.parse("Key: C\nTempo: 100\n[A]\n| C | Am7 | G7 | G7 |\n[B]\n| C | F | G7 | C |\n")
                .song()
                .orElseThrow();
        Arrangement arrangement = ARRANGER.arrange(
                song,
                Choices.figure(figure)
                        .right(RightHand.of(RightChoices.Style.NONE).with(RightChoice.UNISON, true)),
                Pianist.USUAL);
        List<String> there = arrangement.strokes().stream()
                .map(stroke -> stroke.hand() + "@" + stroke.written().tick() + " "
                        + stroke.notes().stream()
                                .map(note -> note.pitch().toString())
                                .toList())
                .toList();
        assertThat(there).doesNotHaveDuplicates();
        assertThat(arrangement.strokes())
                .filteredOn(stroke ->
                        stroke.written().tick() >= 13440 && stroke.written().tick() < 15360)
                .hasSize(8)
                .allSatisfy(stroke -> assertThat(stroke.nature().origin()).isEqualTo(zapateo.part.Origin.UNISON));
    }

    static List<String> ofBothHands() {
        return FigureBook.open().figures().stream()
                .filter(figure -> figure.hands().size() > 1)
                // What comes early for the next chord leaves no room for a run.
                .filter(figure -> figure.written().noneMatch(FigureStroke::ofNext))
                .map(Figure::id)
                .toList();
    }

    /** The count of HANDBOOK §2 and who strikes on it, as the hands of EXAMPLES 14 interlock. */
    @Test
    void the_hands_are_counted_through_a_bar() {
        Song song = ChartParser.parse("Key: Am\n| Am | Am |\nMelody: | z8 | e3 e2 c3 |")
                .song()
                .orElseThrow();
        List<Meeting> alone =
                Meeting.of(ARRANGER.arrange(song, Choices.figure("hand-split").endsHeld(false), Pianist.USUAL));
        assertThat(alone.get(0).order()).isEqualTo("1 L, 1& R, 2 L, 2& L, 3 R, 3& R, 4 L, 4& R");
        List<Meeting> sung = Meeting.of(ARRANGER.arrange(
                song,
                Choices.figure("two-feel").endsHeld(false).right(RightHand.of(RightChoices.Style.MELODY)),
                Pianist.USUAL));
        assertThat(sung.get(0).order()).isEmpty();
        assertThat(sung.get(1).order()).isEqualTo("1 LR, 2& R, 3 L, 3& R");
    }

    @Test
    void a_figure_there_is_not_is_refused_by_name() {
        Song song = ChartParser.parse("| C |").song().orElseThrow();
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> ARRANGER.arrange(
                        song,
                        Choices.OPEN.right(
                                RightHand.of(RightChoices.Style.COMPING).with(RightChoice.FIGURE, "stomp")),
                        Pianist.USUAL)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("stomp")
                .hasMessageContaining("held-chords");
    }
}
