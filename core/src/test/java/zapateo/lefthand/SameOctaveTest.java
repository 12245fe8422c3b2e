package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;

/** FAULTS L31: what comes again has the octave it had; growling basses stay under C3. */
class SameOctaveTest {

    private static final int C3 = 48;

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "shuffle-fifth-sixth, G7 C7 G7 G7 C7 C7 G7 E7 Am7 D7 G7 D7",
        "boogie-rocking, F7 B♭7 F7 F7 B♭7 B♭7 F7 D7 Gm7 C7 F7 C7",
        "stride-root-chord, B♭7 E♭7 B♭7 B♭7 E♭7 E♭7 B♭7 G7 Cm7 F7 B♭7 F7",
        "rock-eighths, A7 D7 A7 A7 D7 D7 A7 A7 E7 D7 A7 E7"
    })
    void the_tonic_of_a_blues_has_one_octave(String figure, String bars) {
        List<String> chords = List.of(bars.split(" "));
        Arrangement arrangement = played(figure, "[A]~| " + String.join(" | ", chords) + " |");
        Map<String, Set<Integer>> basses = new TreeMap<>();
        arrangement.strokes().stream()
                .filter(stroke -> isFirstBass(arrangement, stroke))
                .filter(stroke -> stroke.bar() < chords.size() - 1)
                .forEach(stroke -> basses.computeIfAbsent(chords.get(stroke.bar()), chord -> new TreeSet<>())
                        .add(stroke.lowest().midi()));
        assertThat(basses.get(chords.get(0))).hasSize(1);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "pulse-quarters, Am F C G",
        "rock-ballad, D A Bm G",
        "spread-eighths, E♭ Cm A♭ B♭",
        "pop-held-fifth, G D Em C"
    })
    void a_loop_goes_round_in_the_same_place(String figure, String bars) {
        String loop = "| " + bars.replace(" ", " | ") + " |";
        Arrangement arrangement = played(figure, "[A]~" + loop + "~" + loop + "~" + loop + "~" + loop);
        Map<Integer, Set<Integer>> basses = new TreeMap<>();
        arrangement.strokes().stream()
                .filter(stroke -> isFirstBass(arrangement, stroke))
                .filter(stroke -> stroke.bar() > 0 && stroke.bar() < 15)
                .forEach(stroke -> basses.computeIfAbsent(stroke.bar() % 4, place -> new TreeSet<>())
                        .add(stroke.lowest().midi()));
        assertThat(basses.values()).allSatisfy(keys -> assertThat(keys).hasSize(1));
    }

    @ParameterizedTest
    @CsvSource({"shuffle-fifth-sixth, D", "shuffle-full, C♯", "boogie-double-notes, E♭", "rock-eighths, E"})
    void a_growling_bass_lies_no_higher_than_c3(String figure, String root) {
        assertThat(played(figure, "| " + root + "7 | A7 | B7 | " + root + "7 |").strokes())
                .allMatch(stroke -> stroke.lowest().midi() <= C3);
    }

    private static Arrangement played(String figure, String chart) {
        return Played.ARRANGER.arrange(Played.song(chart), Choices.figure(figure), Pianist.USUAL);
    }

    private static boolean isFirstBass(Arrangement arrangement, Stroke stroke) {
        return stroke.hand() == Side.LEFT
                && stroke.mark() == Mark.HEEL
                && stroke.written().tick()
                        == arrangement.song().bars().get(stroke.bar()).tick();
    }
}
