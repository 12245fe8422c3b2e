package zapateo.hand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Side;

class FingeringTest {

    /**
     * Fingers as textbooks and HANDBOOK §8 have them; lines and chords, low to high. The last column names the source.
     */
    @ParameterizedTest(name = "{0}: {1} is {2} ({3})")
    @CsvSource({
        "R, C4 D4 E4 F4 G4, 1 2 3 4 5, five fingers: common practice",
        "L, C3 D3 E3 F3 G3, 5 4 3 2 1, five fingers: common practice",
        "L, A2 B2 C♯3 E3, 5 4 3 1, EXAMPLES 21",
        "R, C4 D4 E4 F4 G4 A4 B4 C5, 1 2 3 1 2 3 4 5, scale of C: common practice",
        "R, C4 D4 E4 F4 G4 A4 B4 C5 D5 E5 F5 G5 A5 B5 C6, 1 2 3 1 2 3 4 1 2 3 1 2 3 4 5, scale of C over two "
                + "octaves: common practice",
        "R, C6 B5 A5 G5 F5 E5 D5 C5 B4 A4 G4 F4 E4 D4 C4, 5 4 3 2 1 3 2 1 4 3 2 1 3 2 1, the same downward: common "
                + "practice",
        "L, C2 D2 E2 F2 G2 A2 B2 C3 D3 E3 F3 G3 A3 B3 C4, 5 4 3 2 1 3 2 1 4 3 2 1 3 2 1, scale of C over two "
                + "octaves: common practice",
        "L, C4 B3 A3 G3 F3 E3 D3 C3 B2 A2 G2 F2 E2 D2 C2, 1 2 3 1 2 3 4 1 2 3 1 2 3 4 5, the same downward: common "
                + "practice",
        "L, C3 D3 E3 F3 G3 A3 B3 C4, 5 4 3 2 1 3 2 1, scale of C: common practice",
        "L, C4 B3 A3 G3 F3 E3 D3 C3, 1 2 3 1 2 3 4 5, the same downward: common practice",
        "R, G4 A4 B4 C5 D5 E5 F♯5 G5, 1 2 3 1 2 3 4 5, scale of G: common practice",
        "R, F4 G4 A4 B♭4 C5 D5 E5 F5, 1 2 3 4 1 2 3 4, scale of F: common practice",
        "L, C2 C3 D2 D3 E2 E3 F2 F3, 5 1 5 1 5 1 5 1, broken octaves: common practice",
        "L, C2 G2 E3 G2 C2 G2 E3 G2, 5 2 1 2 5 2 1 2, 1-5-10: HANDBOOK 8",
        "L, E♭2 B♭2 G3 B♭2 E♭2 B♭2 G3 B♭2, 5 2 1 2 5 2 1 2, EXAMPLES 1",
        "L, D2 A2 D3 A2 D2 A2 D3 A2, 5 2 1 2 5 2 1 2, habanera with root fifth octave: common practice",
        "L, C2+C3, 5-1, octave: HANDBOOK 8",
        "L, C2+G2+E3, 5-2-1, spread: HANDBOOK 8",
        "L, C3+E3+G3, 5-3-1, close triad: HANDBOOK 8",
        "L, E3+G3+C4, 5-3-1, first inversion: common practice",
        "L, G3+C4+E4, 5-2-1, second inversion: HANDBOOK 8",
        "R, C4+E4+G4, 1-3-5, close triad: common practice",
        "R, E4+G4+C5, 1-2-5, first inversion: common practice",
        "R, G4+C5+E5, 1-3-5, second inversion: common practice",
        "L, C3+E3+G3+B3, 5-3-2-1, close seventh: common practice",
        "L, F2+C3 F2+C3 F2+D3 F2+D3, 5-2 5-2 5-1 5-1, shuffle on fifth and sixth: common practice",
        "L, F2+C3 F2+C3 G2+D3 G2+D3, 5-1 5-1 5-1 5-1, open fifths: FAULTS F1",
        "L, E♭2+B♭2, 5-1, open fifth on black keys: FAULTS F1",
        "L, C3+F♯3+A3, 5-2-1, second inversion of a diminished triad: common practice",
        "R, A4+C5+F♯5, 1-2-5, first inversion of a diminished triad: common practice",
        "R, C4+E4+G4 D4+F4+A4 E4+G4+B4, 1-3-5 1-3-5 1-3-5, triads by step: common practice",
        "R, E4+G4+C5 D4+F4+B♭4 E4+G4+C5, 1-2-5 1-2-5 1-2-5, first inversions side by side: common practice",
        "L, C2+C3 D2+D3 E2+E3, 5-1 5-1 5-1, octaves on white keys: common practice",
        "L, C3 C3 C3 B2, 1 1 1 2, the same key again: FAULTS F5",
        "R, C4 E4 G4 C5, 1 2 3 5, broken triad: common practice"
    })
    void the_usual_fingers(String hand, String line, String fingers, String source) {
        assertThat(fingers(side(hand), keys(line), Hand.USUAL, Fingering.Locks.NONE))
                .isEqualTo(fingers);
    }

    /** The twelve rules by themselves (Parncutt et al. 1997, from memory): points for a usual hand. */
    @ParameterizedTest(name = "{0} from {1} to {2} over {3}: {4}")
    @CsvSource({
        "stretch, 1, 2, 8, 0",
        "stretch, 1, 2, 10, 4",
        "stretch, 2, 3, 5, 4",
        "stretch, 2, 1, 5, 4",
        "small, 1, 3, 1, 2",
        "small, 2, 5, 3, 4",
        "small, 1, 2, 1, 0",
        "large, 1, 5, 12, 2",
        "large, 3, 5, 5, 2",
        "large, 1, 2, 5, 0"
    })
    void spans_cost_what_the_rules_say(String rule, int from, int to, int semitones, double points) {
        FingerRules rules = new FingerRules(Hand.USUAL);
        double cost = switch (rule) {
            case "stretch" -> rules.stretch(from, to, semitones);
            case "small" -> rules.smallSpan(from, to, semitones);
            default -> rules.largeSpan(from, to, semitones);
        };
        assertThat(cost).isCloseTo(points, within(1e-9));
    }

    @Test
    void a_thumb_under_is_a_full_change_of_position() {
        FingerRules rules = new FingerRules(Hand.USUAL);
        // E F G with 3 1 2: the thumb lies between, the second finger beyond the third.
        assertThat(rules.positionChanges(3, 1, 2, 64, 65, 67)).isEqualTo(2);
        assertThat(rules.positionChangeSize(3, 2, 64, 67)).isEqualTo(4);
        assertThat(rules.positionChanges(1, 2, 3, 60, 62, 64)).isZero();
    }

    @Test
    void single_fingers_cost_what_the_rules_say() {
        assertThat(FingerRules.weakFinger(4)).isEqualTo(1);
        assertThat(FingerRules.weakFinger(3)).isZero();
        assertThat(FingerRules.threeFourFive(4, 3, 5)).isEqualTo(1);
        assertThat(FingerRules.threeFourFive(3, 4, 3)).isZero();
        assertThat(FingerRules.threeToFour(3, 4)).isEqualTo(1);
        assertThat(FingerRules.threeToFour(4, 3)).isZero();
        assertThat(FingerRules.fourOnBlack(3, 4, false, true)).isEqualTo(1);
        assertThat(FingerRules.fourOnBlack(3, 4, true, false)).isZero();
        assertThat(FingerRules.thumbOnBlack(1, true, true, true)).isEqualTo(5);
        assertThat(FingerRules.thumbOnBlack(1, true, false, false)).isEqualTo(1);
        assertThat(FingerRules.fiveOnBlack(5, true, true, false)).isEqualTo(2);
        assertThat(FingerRules.fiveOnBlack(5, true, false, false)).isZero();
        assertThat(FingerRules.thumbPassing(3, 1, 1, false, false)).isEqualTo(1);
        assertThat(FingerRules.thumbPassing(3, 1, 1, false, true)).isEqualTo(3);
        assertThat(FingerRules.thumbPassing(3, 1, 1, true, false)).isZero();
    }

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    /** Lines and chords of up to seven strokes against every way to finger them. */
    @ParameterizedTest
    @MethodSource("seeds")
    void no_fingering_is_cheaper(int seed) {
        Random random = new Random(seed * 7919L);
        Side side = random.nextBoolean() ? Side.LEFT : Side.RIGHT;
        int length = seed % 50 == 1 ? 7 : 2 + random.nextInt(4);
        boolean chords = seed % 4 == 0;
        List<List<Integer>> strokes = IntStream.range(0, chords ? Math.min(4, length) : length)
                .mapToObj(i -> random.ints(chords ? 1 + random.nextInt(3) : 1, 45, 60)
                        .distinct()
                        .sorted()
                        .boxed()
                        .toList())
                .toList();
        Hand hand = Hand.of(150 + 5 * random.nextInt(20));
        assertThat(FingerSearch.ofKeys(strokes, side, hand, Fingering.Locks.NONE)
                        .total())
                .isCloseTo(cheapest(strokes, side, hand, new ArrayList<>()), within(1e-6));
    }

    private static double cheapest(List<List<Integer>> strokes, Side side, Hand hand, List<int[]> fingers) {
        if (fingers.size() == strokes.size()) {
            return FingerSearch.costOf(strokes, fingers, side, hand);
        }
        double best = Double.POSITIVE_INFINITY;
        for (int[] grip : Grip.of(strokes.get(fingers.size()).size())) {
            int[] lowToHigh = side == Side.RIGHT
                    ? grip
                    : IntStream.range(0, grip.length)
                            .map(i -> grip[grip.length - 1 - i])
                            .toArray();
            fingers.add(lowToHigh);
            best = Math.min(best, cheapest(strokes, side, hand, fingers));
            fingers.remove(fingers.size() - 1);
        }
        return best;
    }

    @Test
    void a_players_own_finger_stays_and_the_others_follow() {
        String line = "C2 G2 E3 G2";
        assertThat(fingers(Side.LEFT, keys(line), Hand.USUAL, stroke -> stroke == 1 ? new int[] {3} : new int[0]))
                .isEqualTo("5 3 1 3");
        assertThat(fingers(Side.LEFT, keys("C3+E3+G3"), Hand.USUAL, stroke -> new int[] {0, 2, 0}))
                .contains("-2-");
    }

    @Test
    void fingers_that_cannot_stand_so_are_passed_over() {
        assertThat(fingers(Side.LEFT, keys("C3+E3+G3"), Hand.USUAL, stroke -> new int[] {1, 2, 3}))
                .isEqualTo("5-3-1");
    }

    /** Common practice: a key that two chords share keeps its finger. */
    @Test
    void a_shared_key_keeps_its_finger() {
        String[] fingers = fingers(Side.LEFT, keys("C3+E3+G3 C3+F3+A3"), Hand.USUAL, Fingering.Locks.NONE)
                .split(" ");
        assertThat(fingers[1]).startsWith("5-").startsWith(fingers[0].substring(0, 1));
    }

    @Test
    void a_larger_hand_never_pays_more() {
        Random random = new Random(5);
        for (int round = 0; round < 60; round++) {
            List<List<Integer>> strokes =
                    random.ints(20, 36, 62).mapToObj(List::of).toList();
            double before = Double.POSITIVE_INFINITY;
            for (int span = 150; span <= 250; span += 5) {
                double cost = FingerSearch.ofKeys(strokes, Side.LEFT, Hand.of(span), Fingering.Locks.NONE)
                        .total();
                assertThat(cost).as("round %d, span %d", round, span).isLessThanOrEqualTo(before + 1e-9);
                before = cost;
            }
        }
    }

    @Test
    void costs_add_up_by_rule_and_by_stroke() {
        Fingering found = FingerSearch.ofKeys(
                keys("E♭2 E♭3+G3+B♭3+C4 B♭1 E♭3+G3+B♭3+C4 A2 B♭2 C3"), Side.LEFT, Hand.USUAL, Fingering.Locks.NONE);
        assertThat(found.byRule().values().stream().mapToDouble(each -> each).sum())
                .isCloseTo(found.total(), within(1e-6));
        assertThat(Arrays.stream(found.costs()).sum()).isCloseTo(found.total(), within(1e-6));
    }

    @Test
    void more_keys_than_fingers_have_none() {
        assertThat(fingers(Side.LEFT, keys("C2 C2+E2+G2+C3+E3+G3 G2"), Hand.USUAL, Fingering.Locks.NONE))
                .contains("0-0-0-0-0-0");
    }

    private static Side side(String hand) {
        return hand.equals("L") ? Side.LEFT : Side.RIGHT;
    }

    private static List<List<Integer>> keys(String line) {
        return Arrays.stream(line.split(" "))
                .map(stroke -> Arrays.stream(stroke.split("\\+"))
                        .map(pitch -> Pitch.parse(pitch).midi())
                        .toList())
                .toList();
    }

    /**
     * The player's finger is for one stroke: the same key before and behind it keeps what it had, in both hands, for a
     * note, a chord and an alternation.
     */
    @ParameterizedTest
    @CsvSource({
        "RIGHT,67 67 67 67",
        "LEFT,48 48 48 48",
        "RIGHT,60+64+67 60+64+67 60+64+67",
        "LEFT,41 48 41 48 41",
        "RIGHT,64 67 67 67 72 67 60"
    })
    void ones_own_finger_on_a_repeated_note_changes_no_neighbour(Side side, String line) {
        List<List<Integer>> keys = Arrays.stream(line.split(" "))
                .map(each ->
                        Arrays.stream(each.split("\\+")).map(Integer::valueOf).toList())
                .toList();
        List<int[]> before =
                FingerSearch.ofKeys(keys, side, Hand.USUAL, i -> new int[0]).fingers();
        int own = 2;
        for (int finger = 1; finger <= 5; finger++) {
            int wanted = finger;
            if (keys.get(own).size() > 1 && wanted > 3) {
                continue;
            }
            List<int[]> after = FingerSearch.ofKeys(
                            keys,
                            side,
                            Hand.USUAL,
                            i -> i == own
                                    ? new int[] {
                                        side == Side.RIGHT || keys.get(own).size() == 1 ? wanted : 0
                                    }
                                    : new int[0])
                    .fingers();
            for (int i = 0; i < keys.size(); i++) {
                if (i != own && keys.get(i).equals(keys.get(own))) {
                    assertThat(after.get(i))
                            .as("stroke %d with %d on stroke %d", i, wanted, own)
                            .isEqualTo(before.get(i));
                }
            }
            assertThat(after.get(own)[0]).isEqualTo(wanted);
        }
    }

    /**
     * What a hand has played before, in the same part or in another one, says nothing about the fingers of what it
     * plays now.
     */
    @Test
    void fingers_do_not_depend_on_what_was_played_before() {
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(seed);
            Hand hand = Hand.of(170 + random.nextInt(60));
            List<List<List<Integer>>> parts = Stream.generate(
                            () -> Stream.generate(() -> List.of(40 + random.nextInt(20)))
                                    .limit(12)
                                    .toList())
                    .limit(6)
                    .toList();
            List<String> first = parts.stream()
                    .map(part -> fingers(Side.LEFT, part, hand, Fingering.Locks.NONE))
                    .toList();
            for (int other = 0; other < 5; other++) {
                fingers(Side.RIGHT, parts.get(0), Hand.of(240 + other), Fingering.Locks.NONE);
            }
            for (int part = parts.size() - 1; part >= 0; part--) {
                assertThat(fingers(Side.LEFT, parts.get(part), hand, Fingering.Locks.NONE))
                        .as("seed %d, part %d: %s", seed, part, parts.get(part))
                        .isEqualTo(first.get(part));
            }
        }
    }

    private static String fingers(Side side, List<List<Integer>> keys, Hand hand, Fingering.Locks locks) {
        return FingerSearch.ofKeys(keys, side, hand, locks).fingers().stream()
                .map(each -> IntStream.of(each).mapToObj(String::valueOf).collect(Collectors.joining("-")))
                .collect(Collectors.joining(" "));
    }
}
