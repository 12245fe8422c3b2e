package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.lefthand.Played;
import zapateo.pitch.Interval;

class ChordScaleTest {

    /** Every scale against tonal's dictionary, which counts 1P 2m 3M 4A; its signs are d m M P A. */
    @ParameterizedTest
    @CsvFileSource(resources = "/zapateo/righthand/tonal-scales.csv", delimiter = ';')
    void scales_are_those_of_the_dictionary(String name, String intervals) {
        ChordScale scale = ChordScale.all().stream()
                .filter(each -> each.id().equals(name))
                .findFirst()
                .orElseThrow();
        assertThat(scale.notes().stream().map(Interval::semitones).sorted().toList())
                .isEqualTo(Stream.of(intervals.split(" "))
                        .map(ChordScaleTest::semitones)
                        .sorted()
                        .toList());
    }

    private static int semitones(String tonal) {
        int number = Integer.parseInt(tonal.substring(0, 1));
        int plain = Interval.parse(String.valueOf(number)).semitones();
        boolean perfect = number == 1 || number == 4 || number == 5;
        return plain
                + switch (tonal.charAt(1)) {
                    case 'A' -> 1;
                    case 'm' -> -1;
                    case 'd' -> perfect ? -1 : -2;
                    default -> 0;
                };
    }

    @Test
    void every_scale_is_in_the_dictionary() {
        assertThat(ChordScale.all()).hasSize(18);
    }

    /**
     * Common practice: Dorian on ii, Mixolydian on dominants, Lydian on IV (HANDBOOK §9); a dominant of a minor chord
     * leans that way.
     */
    @ParameterizedTest
    @CsvSource({
        "C, C, ionian",
        "C, Cmaj7, ionian",
        "C, Dm7, dorian",
        "C, Em7, phrygian",
        "C, Fmaj7, lydian",
        "C, F, lydian",
        "C, G7, mixolydian",
        "C, G, mixolydian",
        "C, Am7, aeolian",
        "C, Bm7b5, locrian",
        "C, E7, phrygian dominant",
        "C, D7, mixolydian",
        "C, Fm, melodic minor",
        "C, B♭, lydian",
        "C, Bdim7, diminished",
        "C, G7alt, altered",
        "C, Caug7, whole tone",
        "E♭, Fm7, dorian",
        "E♭, B♭7, mixolydian",
        "Am, Am, aeolian",
        "Am, E7, phrygian dominant",
        "Am, Dm, dorian",
        "Am, G7, mixolydian",
        "F, B♭maj7, lydian"
    })
    void a_chord_has_the_scale_that_its_key_gives_it(String key, String chord, String scale) {
        assertThat(ChordScale.of(ChordSymbol.parse(chord), Key.read(key).orElseThrow())
                        .map(ChordScale::id))
                .contains(scale);
    }

    @Test
    void notes_are_told_apart_by_what_they_are_to_the_chord() {
        Improvising.Over over =
                Improvising.of(Played.song("Key: C~| C | G7 | Dm7 |")).get(0);
        assertThat(over.notes().stream()
                        .map(note -> note.name() + " " + note.kind().id())
                        .toList())
                .isEqualTo(List.of("C chord", "D scale", "E guide", "F avoid", "G chord", "A scale", "B scale"));
        Improvising.Over dominant =
                Improvising.of(Played.song("Key: C~| C | G7 | Dm7 |")).get(1);
        assertThat(dominant.notes().stream()
                        .filter(note -> note.kind() == Improvising.Kind.GUIDE)
                        .map(note -> note.name().toString())
                        .toList())
                .isEqualTo(List.of("B", "F"));
        assertThat(dominant.notes().stream()
                        .filter(note -> note.kind() == Improvising.Kind.AVOID)
                        .map(note -> note.name().toString())
                        .toList())
                .isEqualTo(List.of("C"));
        assertThat(Improvising.blues(Key.read("F").orElseThrow()).toString()).isEqualTo("[F, A♭, B♭, C♭, C, E♭]");
    }
}
