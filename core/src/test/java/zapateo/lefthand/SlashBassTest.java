package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;

/** What stands over a bass that is not the root: the table of HANDBOOK §5a, column by column. */
class SlashBassTest {

    private static Arrangement arrange(String chart, Choices choices) {
        return Played.arrange("Key: C~" + chart, choices);
    }

    private static String held(String chord, String voicing) {
        return Played.notes(arrange(chord, Choices.figure("held").with(LeftChoice.VOICING, voicing)));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "C/E,E2+C3",
        "Am/C,C2+A2",
        "C/G,G2+E3",
        "C/B♭,B♭2+G3",
        "C/D,D2+C3",
        "C/F,F2+C3",
        "C/A,A1+E2",
        "C/C♯,C♯2+C♯3"
    })
    void pairs(String chord, String notes) {
        assertThat(held(chord, "open-fifth")).isEqualTo(notes);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"C/E,E2+G3", "C/G,G2+E3", "C/B♭,B♭2+G3", "C/D,D2+E3", "C/F,F2+E3", "C/A,A1+C3"})
    void tenths(String chord, String notes) {
        assertThat(held(chord, "tenth")).isEqualTo(notes);
    }

    /**
     * Over a fifth the root is said, rolled (FAULTS L22). Over a fourth the table's root gives way to the third, so
     * that the chord says what it is.
     */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"C/E,E2+C3+G3", "C/G,G2+E3+C4", "C/D,D2+C3+E3", "C/F,F2+E3+G3"})
    void spreads(String chord, String notes) {
        assertThat(held(chord, "spread")).isEqualTo(notes);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "C/E,E2 C3 G3 C3",
        "C7/E,E2 C3 B♭3 C3",
        "C/G,G2 C3 E3 C3",
        "C/B♭,B♭1 C3 E3 C3",
        "C/D,D2 C3 E3 C3",
        "C/A,A1 E2 C3 E2"
    })
    void arpeggios(String chord, String half) {
        assertThat(Played.notes(arrange(chord, Choices.figure("spread-eighths"))))
                .isEqualTo(half + " " + half);
    }

    /** The third beat of a stride bar. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"C/E,E2 C2", "C/G,G2 C2", "C/B♭,B♭1 G1", "C/D,D2 A1", "C/F,F2 C2", "C/A,A1 E2", "D/F♯,F♯2 D2"})
    void alternation(String chord, String basses) {
        List<Stroke> strokes = arrange("| " + chord + " |", Choices.figure("stride-root-chord"))
                .left()
                .strokes();
        assertThat(strokes.stream()
                        .filter(stroke -> stroke.notes().size() == 1)
                        .map(stroke -> stroke.lowest().toString())
                        .collect(Collectors.joining(" ")))
                .isEqualTo(basses);
    }

    /** A stepping bass in a tenth style gives walking tenths: C+E, B+D (G/B), A+C, G+B, F+A. */
    @Test
    void a_stepping_bass_gives_walking_tenths() {
        Arrangement walked = arrange(
                "| C G/B Am G | F G C C |",
                Choices.figure("held").with(LeftChoice.VOICING, "tenth").endsHeld(false));
        assertThat(Played.notes(walked)).matches("C.\\+E. B.\\+D. A.\\+C. G.\\+B. \\| F.\\+A. .*");
    }

    /** No second, no unison, no bare octave arises over any bass, in any figure that states chords. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "C/E", "C/G", "C/B♭", "C/D", "C/F", "C/A", "Am/G", "Cmaj7/B", "Fsus4/G", "A♭/G♭", "Dm7/C", "C7/G",
                "Bø/A", "G7/F"
            })
    void nothing_rubs(String chord) {
        for (Figure figure : FigureBook.open().figures()) {
            boolean rocks = figure.family().matches("shuffle|boogie|rock|riff|pulse|rumba|bossa|gospel");
            for (Stroke stroke : arrange("| " + chord + " |", Choices.figure(figure.id()))
                    .left()
                    .strokes()) {
                List<Integer> keys =
                        stroke.notes().stream().map(note -> note.pitch().midi()).toList();
                assertThat(keys).as(figure.id() + " " + stroke.notes()).doesNotHaveDuplicates();
                if (stroke.hand() == Side.LEFT && keys.size() > 1 && keys.get(0) < 48) {
                    assertThat(keys.get(1) - keys.get(0))
                            .as(figure.id() + " over " + chord + ": " + stroke.notes())
                            .isGreaterThan(2);
                    assertThat(keys.size() == 2
                                    && keys.get(1) - keys.get(0) == 12
                                    && !rocks
                                    && !figure.id().matches("stop-time|octave-rag"))
                            .as(figure.id() + " over " + chord + ": " + stroke.notes())
                            .isFalse();
                }
            }
        }
    }
}
