package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.arrangement.Choices;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.rhythm.Mark;

/**
 * What basses and fixed tones become on chords that have not got them. Source: FAULTS L21, L29 and issue 40, 6 and 9.
 */
class AlteredBassTest {

    /** The root's octave or the seventh, never ♭5 or ♯5. */
    @ParameterizedTest(name = "{0}")
    @CsvSource({"F7alt, E♭", "E7alt, D", "A7alt, G", "G7alt, G", "C7alt, B♭"})
    void an_altered_dominant_has_no_fifth_for_a_second_bass(String chord, String second) {
        List<String> basses = basses("two-feel", "| " + chord + " | " + chord + " |");
        assertThat(basses.get(1).replaceAll("[0-9]", "")).isEqualTo(second);
        assertThat(basses.get(1)).isNotEqualTo(basses.get(0));
    }

    /** The sixth of a boogie or a shuffle is the chord's own seventh where its fifth is diminished. */
    @ParameterizedTest(name = "{0} on {1}")
    @CsvSource({
        "boogie-climbing, C♯°7, C♯ E G A♯ C♯",
        "boogie-climbing, A°7, A C D♯ F♯ A",
        "shuffle-full, D♯°7, D♯ C",
        "boogie-octaves, F♯°7, F♯ A C D♯"
    })
    void nothing_fixed_stands_against_a_diminished_chord(String figure, String chord, String tones) {
        List<Integer> own = List.of(tones.split(" ")).stream()
                .map(name -> zapateo.pitch.Pitch.parse(name + "2").midi() % 12)
                .toList();
        Played.ARRANGER
                .arrange(Played.song("Key: C~| " + chord + " | G7 | C | C |"), Choices.figure(figure), Pianist.USUAL)
                .strokes()
                .stream()
                .filter(stroke -> stroke.bar() == 0)
                .flatMap(stroke -> stroke.notes().stream())
                .forEach(note -> assertThat(note.pitch().midi() % 12)
                        .as("%s", note.pitch())
                        .isIn(own));
    }

    /** V to i by the raised sixth and seventh (FAULTS L26). */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"E7 Am, F♯ G♯", "B7♭9 Em, C♯ D♯", "G7 Cm6, A B", "D7 Gm7, E F♯"})
    void a_country_walk_rises_into_a_minor_tonic(String chords, String walk) {
        String[] two = chords.split(" ");
        List<String> lead = Played.ARRANGER
                .arrange(
                        Played.song("| " + two[0] + " | " + two[1] + " | " + two[0] + " | " + two[1] + " |"),
                        Choices.figure("country"),
                        Pianist.USUAL)
                .strokes()
                .stream()
                .filter(stroke -> stroke.bar() == 0 && stroke.mark() == Mark.LEAD)
                .map(stroke -> stroke.lowest().toString().replaceAll("[0-9]", ""))
                .toList();
        assertThat(lead).containsExactly(walk.split(" "));
    }

    private static List<String> basses(String figure, String chart) {
        return Played.ARRANGER
                .arrange(Played.song(chart), Choices.figure(figure).endsHeld(false), Pianist.USUAL)
                .strokes()
                .stream()
                .filter(stroke -> stroke.mark() == Mark.HEEL)
                .map(Stroke::lowest)
                .map(Object::toString)
                .toList();
    }
}
