package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureFile;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.ChartEdit;
import zapateo.song.Song;

/** What makes a style itself besides its rhythm. Source of each: common practice, HANDBOOK §7 and §10. */
class IdiomTest {

    /**
     * Root or fifth, third and seventh inside a ninth, in the middle of the keyboard (FAULTS.md L32: nobody strikes
     * more than a ninth on every beat).
     */
    @ParameterizedTest(name = "{0} mm on {1}: {2}")
    @CsvSource({
        "230,C7,G3+B♭3+E4",
        "230,Dm7,A3+C4+F4",
        "230,E♭maj7,B♭3+D4+G4",
        "201,C7,G3+B♭3+E4",
        "170,C7,G3+B♭3+E4",
        "201,Am7,A3+C4+G4",
        "230,F,F3+A3+F4"
    })
    void four_in_a_bar_is_a_guitars_three_strings(double span, String chord, String keys) {
        Arrangement played = Played.ARRANGER.arrange(
                Played.song("Key: C~Feel: swing~| " + chord + " | " + chord + " | C |"),
                Choices.figure("four-in-a-bar"),
                Hand.of(span));
        assertThat(Played.notes(played).split(" \\| ")[0].split(" ")).hasSize(4).containsOnly(keys);
    }

    /** The rock ballad's chord lies on the back beats, its bass on 1, 2& and 3. */
    @Test
    void a_rock_ballad_leans_on_two_and_four() {
        Arrangement played = Played.arrange("Key: C~Tempo: 72~| C | Am7 | F | C |", Choices.figure("rock-ballad"));
        assertThat(Played.times(played)).startsWith("0:960 960:480 1440:480 1920:960 2880:960 | 0:960");
        assertThat(Played.notes(played)).startsWith("C2 E3+G3+C4 C2 C2 E3+G3+C4 | A1 E3+G3+C4 A1 A1 ");
    }

    /**
     * In every key: a bass a semitone under the next one bears the diminished seventh built on it, by thirds, and
     * nothing else does.
     */
    @ParameterizedTest
    @ValueSource(strings = {"C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"})
    void a_diminished_chord_passes_over_the_octave_that_leads(String key) {
        String chart = "Key: C~Tempo: 72~| C | C7/E | F | F#dim7 | C/G | A7 | Dm7 | G7 | C | C |".replace('~', '\n');
        Song song = ChartEdit.of(ChartEdit.of(chart)
                        .transpose(
                                Transposition.between(Key.C_MAJOR, Key.read(key).orElseThrow())))
                .reading()
                .song()
                .orElseThrow();
        Arrangement played = Played.ARRANGER.arrange(song, Choices.figure("gospel-octave-walk"), Played.LARGE);
        List<Stroke> passing = played.strokes().stream()
                .filter(stroke -> stroke.nature().roles().stream().anyMatch(role -> role.kind() == Role.Kind.PASSING))
                .toList();
        assertThat(passing).hasSizeGreaterThan(3);
        for (Stroke stroke : passing) {
            PartNote bass = octaveAt(played, stroke.written().tick());
            PartNote next = octaveAt(played, stroke.written().end());
            assertThat(next.pitch().midi()).isEqualTo(bass.pitch().midi() + 1);
            Map<Integer, Integer> thirds = Map.of(0, 0, 3, 2, 6, 4, 9, 6);
            List<Integer> above = new ArrayList<>();
            stroke.notes().forEach(note -> {
                int semitones = Math.floorMod(note.pitch().midi() - bass.pitch().midi(), 12);
                int letters = Math.floorMod(
                        note.pitch().pitchClass().letter().ordinal()
                                - bass.pitch().pitchClass().letter().ordinal(),
                        7);
                assertThat(thirds).containsEntry(semitones, letters);
                above.add(semitones);
            });
            assertThat(above).contains(3, 6, 9);
        }
    }

    private static PartNote octaveAt(Arrangement played, int tick) {
        return played.strokes().stream()
                .filter(stroke -> stroke.hand() == Side.LEFT && stroke.written().tick() == tick)
                .findFirst()
                .orElseThrow()
                .notes()
                .get(0);
    }

    /** A file that has one without its bass is told so. */
    @Test
    void a_passing_chord_needs_its_bass() {
        String text =
                FigureFile.write(FigureBook.open().figure("gospel-octave-walk").orElseThrow());
        assertThat(FigureCheck.of(FigureFile.parse("mine.yaml", text))).isEmpty();
        assertThat(FigureCheck.of(FigureFile.parse("mine.yaml", text.replaceFirst("w\\+8@2880:960", "1@2880:960"))))
                .extracting(Object::toString)
                .anyMatch(fault -> fault.contains("figure-passes-alone"));
    }
}
