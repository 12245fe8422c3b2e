package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Choices;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;

/**
 * What leads from one bass into the next, against pairs of chords worked by hand (HANDBOOK §6 and §6a, FAULTS.md L6;
 * common practice).
 */
class ApproachTest {

    private static final int LOWEST = 21;
    /** Each pair also in these keys, so many semitones up. */
    private static final List<Interval> UP =
            Stream.of("1", "b3", "4", "b6").map(Interval::parse).toList();
    /**
     * Key, the chord that sounds, the chord that comes, its bass, the bass it goes to, what may stand before that, and
     * what never may.
     */
    private static final List<String> PAIRS = List.of(
            "C;C;F;C2;F2;E2 G2 G♭2 C3",
            "C;C;G;C2;G2;F♯2 F2 A2 A♭2 E2 D2",
            "C;G7;C;G1;C2;B1 D2 D♭2;B♭1 A1 F♯1",
            "C;D7;G;D2;G2;F♯2 A2 A♭2 D3;F2",
            "C;A7;Dm;A1;D2;C♯2 E2 E♭2;C2",
            "C;Dm7;G7;D2;G2;F♯2 F2 A2 A♭2 D3",
            "C;Am;F;A1;F1;G1 E1 G♭1 C2",
            "C;C;Am;C2;A1;B1 G1 G♯1 B♭1 E2",
            "C;F;C;F2;C2;D2 B1 D♭2 G2",
            "C;Em;Am;E2;A1;B1 G1 G♯1 B♭1",
            "C;E7;Am;E2;A1;B1 G♯1 B♭1;G1",
            "C;C7;F;C2;F2;E2 G2 G♭2 C3;E♭2 B2",
            "C;F;Dm;F2;D2;E2 C2 C♯2 E♭2 A1",
            "C;Fm;G7;F2;G2;F♯2 A♭2 F2;A2",
            "C;G;Em;G2;E2;F2 D2 D♯2 B1 B2",
            "C;B♭;F;B♭1;F1;G1 E1 G♭1 C2",
            "C;C;E7;C2;E2;D2 F2 D♯2 G2 B1",
            "C;Am;E7;A1;E1;F1 D1 D♯1 C1 B1",
            "C;Dm;C/E;D2;E2;F2 D♯2 D2",
            "C;C;F/A;C2;A1;B1 G1 G♯1 B♭1 C2",
            "C;F;G/B;F2;B1;C2 A1 A♯1",
            "C;G7;Am;G1;A1;B1 G♯1 B♭1 G1",
            "C;F♯°7;G7;F♯2;G2;F♯2 A2 A♭2",
            "Am;Am;D7;A1;D2;C2 E2 C♯2 E♭2 A1",
            "Am;E7;Am;E2;A2;G♯2 B2 B♭2 E2 E3",
            "Am;Dm;E7;D2;E2;D♯2 F2 D2;F♯2",
            "Am;F;E7;F2;E2;D2 D♯2 F2",
            "Am;G;C;G1;C2;B1 D2 D♭2",
            "C;Cmaj7;C7;C2;C2;B1 D2 D♭2",
            "C;C;D7;C2;D2;E2 C♯2 E♭2 C2");

    private record Pair(
            String name,
            Key key,
            ChordSymbol sounding,
            ChordSymbol next,
            Pitch from,
            Pitch target,
            List<Integer> allowed,
            List<Integer> never) {

        static Stream<Pair> of(String written) {
            String[] parts = written.split(";");
            return UP.stream().map(up -> {
                return new Pair(
                        parts[1] + " to " + parts[2] + ", " + up.semitones() + " up",
                        ApproachTest.key(
                                ApproachTest.key(parts[0]).tonic().plus(up).simple()
                                        + (parts[0].endsWith("m") ? "m" : "")),
                        up(parts[1], up),
                        up(parts[2], up),
                        up(Pitch.parse(parts[3]), up),
                        up(Pitch.parse(parts[4]), up),
                        keys(parts[5], up),
                        parts.length > 6 ? keys(parts[6], up) : List.of());
            });
        }

        private static List<Integer> keys(String notes, Interval up) {
            return Arrays.stream(notes.split(" "))
                    .map(note -> Pitch.parse(note).midi() + up.semitones())
                    .toList();
        }

        private static Pitch up(Pitch pitch, Interval up) {
            return Pitch.onKey(
                    pitch.midi() + up.semitones(), pitch.pitchClass().plus(up).simple());
        }

        private static ChordSymbol up(String chord, Interval up) {
            ChordSymbol symbol = ChordSymbol.parse(chord);
            ChordSymbol moved =
                    symbol.inRootPosition().root(symbol.root().plus(up).simple());
            return symbol.over().map(over -> moved.over(over.plus(up).simple())).orElse(moved);
        }

        Approach.Ends ends() {
            return new Approach.Ends(from, sounding, target, next, key);
        }

        @Override
        public String toString() {
            return name;
        }
    }

    private static Key key(String text) {
        return Key.read(text).orElseThrow();
    }

    static Stream<Pair> pairs() {
        return PAIRS.stream().flatMap(Pair::of);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("pairs")
    void one_note_that_is_free_is_one_a_player_would_take(Pair pair) {
        List<Pitch> found = Approach.between(pair.ends(), List.of(Optional.empty()), LOWEST);
        assertThat(found).hasSize(1).allMatch(pitch -> pair.allowed().contains(pitch.midi()));
    }

    /**
     * A wish is kept where it is right; what contradicts the chord that sounds, or leads nowhere, gives way to what is
     * right.
     */
    @ParameterizedTest(name = "{0}")
    @MethodSource("pairs")
    void a_wish_is_kept_where_it_is_right_and_gives_way_where_it_is_not(Pair pair) {
        pair.allowed().stream()
                .filter(key -> key != pair.from().midi())
                .forEach(key -> assertThat(wished(pair, key)).isEqualTo(key));
        pair.never()
                .forEach(key -> assertThat(wished(pair, key)).isNotEqualTo(key).isIn(pair.allowed()));
    }

    private static int wished(Pair pair, int key) {
        return Approach.between(
                        pair.ends(),
                        List.of(Optional.of(Pitch.onKey(key, Key.C_MAJOR.spell(Math.floorMod(key, 12))))),
                        LOWEST)
                .get(0)
                .midi();
    }

    /**
     * Runs step into their target; in a run a note may contradict the chord where it passes by semitones (HANDBOOK
     * §6a).
     */
    @ParameterizedTest(name = "{0} {1}: {4}")
    @CsvSource(
            delimiter = ';',
            value = {
                "Dm7;G7;D2;G2;E2 F2 F♯2",
                "C;F;C2;F2;D2 E♭2 E2",
                "G7;C;G1;C2;A1 B1",
                "C;Am;C2;A1;B1",
                "Dm7;G7;D2;G2;A2 F♯2"
            })
    void a_run_that_was_asked_for_is_played(String sounding, String next, String from, String target, String run) {
        List<Optional<Pitch>> wishes = Arrays.stream(run.split(" "))
                .map(note -> Optional.of(Pitch.parse(note)))
                .toList();
        List<Pitch> found = Approach.between(
                new Approach.Ends(
                        Pitch.parse(from),
                        ChordSymbol.parse(sounding),
                        Pitch.parse(target),
                        ChordSymbol.parse(next),
                        Key.C_MAJOR),
                wishes,
                LOWEST);
        assertThat(found.stream().map(Pitch::toString).collect(Collectors.joining(" ")))
                .isEqualTo(run);
    }

    /** The country walk of HANDBOOK §6a, by how far the bass goes; a step needs none. */
    @ParameterizedTest(name = "{0} to {1}")
    @CsvSource(
            delimiter = ';',
            value = {
                "C;F;C2 c D2 E2 | F2",
                "C;G;C2 c B1 A1 | G1",
                "G;C;G1 c A1 B1 | C2",
                "C;Am;C2 c G1 B1 | A1",
                "C;D;C2 c G1 c | D2",
                "F;G;F2 c C2 c | G2"
            })
    void the_country_walk_has_as_many_notes_as_the_distance_asks(String from, String to, String expected) {
        String played = Played.arrange(
                        "Key: C~| " + from + " | " + to + " |",
                        Choices.figure("country").endsHeld(false))
                .left()
                .strokes()
                .stream()
                .filter(stroke -> stroke.bar() == 0 || stroke.written().tick() == 3840)
                .map(stroke -> (stroke.written().tick() == 3840 ? "| " : "")
                        + (stroke.notes().size() > 1 ? "c" : stroke.lowest().toString()))
                .collect(Collectors.joining(" "));
        assertThat(classes(played)).isEqualTo(classes(expected));
    }

    /** Octaves may differ. */
    private static String classes(String line) {
        return line.replaceAll("[0-9]", "");
    }

    /**
     * 1 2 ♭3 3 │ 4 with the chords above it sliding: dominants D7 E♭7 E7, or I ii7 ♯ii°7 I/3 in tenths (HANDBOOK §6 and
     * §10).
     */
    @ParameterizedTest(name = "{0}: {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "walk-up-sevenths;C F;C2+B♭2 D2+C3 E♭2+D♭3 E2+D3",
                "walk-up-tenths;C F;C2+E3 D2+F3 E♭2+G♭3 E2+G3",
                "walk-up-tenths;G C;G1+B2 A1+C3 B♭1+D♭3 B1+D3"
            })
    void a_walk_up_may_have_its_chords(String leadIn, String chart, String expected) {
        String played = Played.arrange(
                        "Key: " + chart.charAt(0) + "~| " + chart.replace(" ", " | ") + " |",
                        Choices.figure("two-feel").endsHeld(false).with(LeftChoice.LEAD_IN, leadIn))
                .left()
                .strokes()
                .stream()
                .filter(stroke -> stroke.bar() == 0)
                .map(stroke -> stroke.notes().stream()
                        .map(note -> String.valueOf(note.pitch().midi()))
                        .collect(Collectors.joining("+")))
                .collect(Collectors.joining(" "));
        assertThat(played)
                .isEqualTo(Arrays.stream(expected.split(" "))
                        .map(stroke -> Arrays.stream(stroke.split("\\+"))
                                .map(note -> String.valueOf(Pitch.parse(note).midi()))
                                .collect(Collectors.joining("+")))
                        .collect(Collectors.joining(" ")));
    }

    /**
     * Falling into the next bass a tenth has the seventh of the chord it leaves over it, not a thirteenth that the
     * minor chord denies (common practice).
     */
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = ';',
            value = {"A♭maj7 G7 Cm7;Cm;D♭2+F3", "E♭maj7 D7 Gm7;Gm;A♭2+C4"})
    void a_tenth_that_falls_by_a_semitone_has_the_chords_own_tone(String chart, String key, String expected) {
        String played = Played.arrange(
                        "Key: " + key + "~| " + chart.replace(" ", " | ") + " |",
                        Choices.figure("walking-tenths").endsHeld(false))
                .left()
                .strokes()
                .stream()
                .filter(stroke -> stroke.bar() == 1)
                .reduce((first, second) -> second)
                .orElseThrow()
                .notes()
                .stream()
                .map(note -> note.pitch().toString())
                .collect(Collectors.joining("+"));
        assertThat(played).isEqualTo(expected);
    }

    /** A step apart nothing is added of itself; a lead-in that was asked for is played (HANDBOOK §6a). */
    @Test
    void basses_that_step_are_led_into_only_where_that_was_asked_for() {
        Choices figure = Choices.figure("gospel-one-five").endsHeld(false);
        assertThat(notes("B♭ | F/A", Choices.figure("stride-root-chord").endsHeld(false)))
                .doesNotContain("L");
        assertThat(notes("C | D♭", figure)).contains("L");
        assertThat(notes("C | D", Choices.figure("two-feel").endsHeld(false).with(LeftChoice.LEAD_IN, "scale")))
                .contains("L");
    }

    private static List<String> notes(String chart, Choices choices) {
        return Played.arrange("Key: C~| " + chart + " |", choices).left().strokes().stream()
                .flatMap(stroke -> stroke.notes().stream())
                .map(note -> note.role().toString())
                .toList();
    }
}
