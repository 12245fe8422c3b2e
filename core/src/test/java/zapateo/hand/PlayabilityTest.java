package zapateo.hand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** How fast, how hard, and which fingers can take what. */
class PlayabilityTest {

    private static final int QUARTER = 960;

    private static Stroke stroke(int tick, int ticks, String... pitches) {
        List<PartNote> notes = Arrays.stream(pitches)
                .map(pitch -> PartNote.of(Pitch.parse(pitch), Role.BASS))
                .toList();
        return new Stroke(
                Side.LEFT,
                tick / (4 * QUARTER),
                0,
                TickSpan.of(tick, ticks),
                TickSpan.of(tick, ticks),
                Mark.HEEL,
                false,
                notes,
                Optional.empty(),
                zapateo.part.Nature.of(zapateo.part.Origin.FIGURE),
                Reason.of("figure-stroke", java.util.Map.of()));
    }

    private static Playability play(Hand hand, double bpm, Stroke... strokes) {
        List<BarTime> bars = IntStream.rangeClosed(0, strokes[strokes.length - 1].bar())
                .mapToObj(bar -> new BarTime(bar * 4 * QUARTER, 4 * QUARTER, QUARTER, bpm))
                .toList();
        Fingering fingering = FingerSearch.of(List.of(strokes), Side.LEFT, hand, i -> 400, Fingering.Locks.NONE);
        return Playability.of(bars, List.of(new Playability.Played(Side.LEFT, hand, List.of(strokes), fingering)));
    }

    /**
     * Fitts 1954: log₂(2·distance/width) bits, at 17 a second in practised jumps (own estimate, see Jumps); the
     * distance is what lies beyond 0.9 of the span, white keys are 23.5 mm and black ones 13.7 mm wide (HANDBOOK §8).
     */
    @ParameterizedTest(name = "{0} to {1} in a hand of {2} mm: {3} s")
    @CsvSource({
        "C2,C3,200,0.08",
        "C2,G2,200,0.08",
        "C2,C2,200,0.14",
        "C1,C3,200,0.2156",
        "C1,C4,200,0.2787",
        "C2,D♭4,200,0.2671"
    })
    void a_jump_takes_its_time(String from, String to, double span, double seconds) {
        assertThat(new Jumps(Hand.of(span)).seconds(stroke(0, QUARTER, from), stroke(QUARTER, QUARTER, to)))
                .isCloseTo(seconds, within(0.005));
    }

    @Test
    void a_larger_hand_jumps_less_far() {
        Stroke low = stroke(0, QUARTER, "C1");
        Stroke high = stroke(QUARTER, QUARTER, "C4");
        double before = Double.POSITIVE_INFINITY;
        for (int span = 150; span <= 250; span += 5) {
            double distance = new Jumps(Hand.of(span)).distance(low, high);
            assertThat(distance).isLessThan(before);
            before = distance;
        }
    }

    /** At the fastest tempo the jump takes just the time there is. */
    @Test
    void the_fastest_tempo_is_that_of_the_slowest_jump() {
        Hand hand = Hand.of(200);
        Playability.BarPlay bar = play(
                        hand,
                        100,
                        stroke(0, QUARTER, "C1"),
                        stroke(QUARTER, QUARTER, "C3"),
                        stroke(2 * QUARTER, QUARTER, "C2"))
                .bars()
                .get(0);
        double seconds = new Jumps(hand).seconds(stroke(0, QUARTER, "C1"), stroke(QUARTER, QUARTER, "C3"));
        assertThat(bar.maxTempo()).isCloseTo(60 / seconds, within(0.01));
        assertThat(bar.slowest()).contains(new Playability.Spot(Side.LEFT, 1));
        assertThat(bar.jumpMm()).isCloseTo(2 * 164.5 - 180, within(0.01));
        assertThat(bar.spots().get(Difficulty.Part.JUMPS)).containsExactly(new Playability.Spot(Side.LEFT, 1));
    }

    @Test
    void what_lies_under_the_hand_limits_nothing_slow() {
        Playability play = play(Hand.USUAL, 60, stroke(0, 2 * QUARTER, "C3"), stroke(2 * QUARTER, 2 * QUARTER, "G3"));
        assertThat(play.bars().get(0).maxTempo()).isEqualTo(Playability.NO_LIMIT);
        assertThat(play.song().jumps()).isZero();
        assertThat(play.song().reach()).isZero();
    }

    @ParameterizedTest(name = "{0} is harder than {1}")
    @CsvSource({"C2+C3 G2+G3,C2 G2", "C1 C4,C3 E3", "C2 D2 E2 F2 G2 A2 B2 C3,C2", "C3+E3+G3+B3,C3+G3"})
    void more_to_do_is_harder(String hard, String easy) {
        assertThat(line(hard).song().total()).isGreaterThan(line(easy).song().total());
    }

    private static Playability line(String keys) {
        String[] strokes = keys.split(" ");
        int each = 4 * QUARTER / strokes.length;
        return play(
                Hand.USUAL,
                100,
                IntStream.range(0, strokes.length)
                        .mapToObj(i -> stroke(i * each, each, strokes[i].split("\\+")))
                        .toArray(Stroke[]::new));
    }

    @Test
    void parts_lie_between_0_and_100_and_their_shares_are_the_whole() {
        assertThat(Arrays.stream(Difficulty.Part.values())
                        .mapToDouble(Difficulty.Part::share)
                        .sum())
                .isCloseTo(1, within(1e-9));
        assertThat(new Difficulty(100, 100, 100, 100, 100, 100).total()).isCloseTo(100, within(1e-9));
        assertThat(Difficulty.NONE.total()).isZero();
        for (Difficulty.Part part : Difficulty.Part.values()) {
            assertThat(line("C1+C2 C4+C5 C1+C2 C4+C5 D1+D2 C♯4+C♯5 B0 C5")
                            .song()
                            .part(part))
                    .isBetween(0.0, 100.0);
        }
        assertThat(line("C2 G2 C3 G2").of(List.of(0)).total())
                .isCloseTo(line("C2 G2 C3 G2").song().total(), within(1e-9));
    }

    /** Chords a hand of 201 mm takes, and those its inner fingers forbid (project's own limits on HANDBOOK §8). */
    @ParameterizedTest(name = "{0} in a hand of {1} mm: {2}")
    @CsvSource({
        "C3+E3+G3,150,COMFORTABLE",
        "C3+E3+G3+B3,201,COMFORTABLE",
        "C2+G2+E3,230,STRETCH",
        "C2+G2+E3,190,OUT_OF_REACH",
        "C2+G2+C3,201,COMFORTABLE",
        "C3+C4,165,STRETCH",
        "C2+D2+E2+F2+G2+A2,250,OUT_OF_REACH"
    })
    void inner_fingers_count(String chord, double span, Ease ease) {
        int[] keys = Arrays.stream(chord.split("\\+"))
                .mapToInt(pitch -> Pitch.parse(pitch).midi())
                .toArray();
        assertThat(Hand.of(span).easeOf(keys)).isEqualTo(ease);
    }

    @Test
    void a_hand_whose_index_opens_little_cannot_spread() {
        Hand stiff = Hand.of(230, Optional.of(95.0), Optional.of(80.0));
        int[] spread = {
            Pitch.parse("C2").midi(),
            Pitch.parse("G2").midi(),
            Pitch.parse("E3").midi()
        };
        assertThat(Hand.of(230).easeOf(spread)).isNotEqualTo(Ease.OUT_OF_REACH);
        assertThat(stiff.easeOf(spread)).isEqualTo(Ease.OUT_OF_REACH);
        assertThat(stiff.opens(2, 1)).isEqualTo(95);
        assertThat(stiff.opens(2, 5)).isEqualTo(80);
        assertThat(stiff.opens(3, 4)).isLessThan(stiff.opens(2, 4));
    }

    @Test
    void measures_no_hand_has_are_refused_with_their_value() {
        assertThatThrownBy(() -> Hand.of(200, Optional.of(220.0), Optional.empty()))
                .hasMessageContaining("thumb to index of 220.0 mm");
        assertThatThrownBy(() -> Hand.of(400)).hasMessageContaining("400").hasMessageContaining("120 to 300");
        assertThatThrownBy(() -> new Instrument(52, 164.5, true)).hasMessageContaining("52 keys");
        assertThatThrownBy(() -> new Instrument(88, 50, true)).hasMessageContaining("50.0 mm");
    }

    /** Common practice: 61 keys are C2 to C7, 76 are E1 to G7, 88 are A0 to C8. */
    @ParameterizedTest
    @CsvSource({"49,C2,C6", "61,C2,C7", "73,E1,E7", "76,E1,G7", "88,A0,C8"})
    void instruments_begin_and_end_where_they_do(int keys, String lowest, String highest) {
        Instrument instrument = new Instrument(keys, 164.5, true);
        assertThat(instrument.lowest()).isEqualTo(Pitch.parse(lowest).midi());
        assertThat(instrument.highest()).isEqualTo(Pitch.parse(highest).midi());
    }
}
