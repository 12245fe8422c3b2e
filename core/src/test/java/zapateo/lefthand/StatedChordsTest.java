package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.harmony.ChordSymbol;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;

/**
 * A figure that states a chord states its third and its colour where the time allows (FAULTS.md L9, common practice),
 * in the register it is clear in.
 */
class StatedChordsTest {

    private static Arrangement arrange(String chart, Choices choices) {
        return Played.arrange("Key: C~" + chart, choices);
    }

    /** The fifth turns into the seventh or the sixth (EXAMPLES 1; FAULTS.md L9's own Alberti on Gm6). */
    @ParameterizedTest(name = "{1} on {0}: {2}")
    @CsvSource({
        "Gm6,low-high-middle-high,G3 E4 B♭3 E4",
        "Cmaj7,low-high-middle-high,C3 B3 E3 B3",
        "C9,low-high-middle-high,C3 B♭3 E3 D4",
        "C,low-high-middle-high,C3 G3 E3 G3",
        "B♭7,spread-eighths,B♭1 A♭2 D3 A♭2",
        "C6,spread-eighths,C2 A2 E3 A2",
        "Cm7♭5,spread-eighths,C2 G♭2 E♭3 B♭2",
        "C9,spread-eighths,C2 B♭2 E3 D3",
        "Csus4,spread-eighths,C2 G2 F3 G2"
    })
    void broken_chords_say_what_they_are(String chord, String figure, String half) {
        assertThat(Played.notes(arrange(chord, Choices.figure(figure)))).isEqualTo(half + " " + half);
    }

    @ParameterizedTest(name = "{1} on {0}: {2}")
    @CsvSource({"Em7,E2 B2 D3 G3 D3 B2", "C6,C2 G2 A2 E3 A2 G2", "C,C2 G2 C3 E3 C3 G2", "C9,C2 B♭2 D3 E3 D3 B♭2"})
    void in_sixes_the_octave_gives_way_first(String chord, String notes) {
        assertThat(Played.notes(arrange("Meter: 6/8~" + chord, Choices.figure("sixes"))))
                .isEqualTo(notes);
    }

    /**
     * Every quality for two beats or more, in every broken figure and in every held spread: third, seventh, sixth,
     * altered fifth.
     */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "C", "Cm", "C7", "Cm7", "Cmaj7", "C6", "Cm6", "Cø", "C°7", "C+", "Csus4", "C7sus4", "E♭7", "A♭maj7",
                "F♯m7", "Bø", "G7", "D♭6", "C/E", "C7/G", "Dm7/C"
            })
    void nothing_that_makes_a_chord_is_lost(String symbol) {
        ChordSymbol chord = ChordSymbol.parse(symbol);
        for (Figure figure : FigureBook.open().figures()) {
            if (!figure.family().matches("arpeggio|broken|hold|waltz|stride|march|country|lilt")
                    || figure.id().matches("hand-split|walking-tenths")) {
                continue;
            }
            Arrangement arrangement = arrange("| " + symbol + " |", Choices.figure(figure.id()));
            Set<Integer> heard = arrangement.strokes().stream()
                    .flatMap(stroke -> stroke.notes().stream())
                    .map(note -> note.pitch().pitchClass().chroma())
                    .collect(Collectors.toSet());
            chord.quality().tones().stream()
                    .filter(tone -> tone.number() != 1 && (tone.number() != 5 || tone.semitones() != 7))
                    .forEach(tone -> assertThat(heard)
                            .as(figure.id() + " on " + symbol + ": " + Played.notes(arrangement))
                            .contains(chord.tone(tone).chroma()));
        }
    }

    /** Four chords a bar: a shell on each beat, never a bare bass. */
    @Test
    void a_chord_of_one_beat_is_a_bass_with_a_shell() {
        String bar = Played.notes(arrange(
                "| Cmaj7 Am7 Dm7 G7 |", Choices.figure("stride-root-chord").endsHeld(false)));
        assertThat(bar).matches("C3\\+(E3\\+B3|B3\\+E4) A3\\+C4\\+G4 D3\\+(F3\\+C4|C4\\+F4) G3\\+B3\\+F4");
    }

    /**
     * HANDBOOK §7: a sixth a figure adds is the key's, and minor on the way to a minor chord; a flat seventh never
     * stands on a major one.
     */
    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "Em C,shuffle-fifth-sixth,C3",
        "C F,shuffle-fifth-sixth,A2",
        "Fmaj7 C,shuffle-full,D3",
        "E7 Am,boogie-rocking,C3"
    })
    void what_a_figure_adds_follows_the_key(String chart, String figure, String sixth) {
        String first = Played.notes(arrange(
                        "| " + chart.split(" ")[0] + " | " + chart.split(" ")[1] + " |",
                        Choices.figure(figure).endsHeld(false)))
                .split(" \\| ")[0];
        assertThat(first).contains(sixth).doesNotContain(chart.startsWith("Em") ? "C♯" : "E♭");
    }

    /**
     * A close chord keeps C3 to G4 whoever strikes it, a bass under it B♭2, a pedalled arpeggio A1, or G1 with a fifth
     * on it.
     */
    @ParameterizedTest
    @ValueSource(strings = {"C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"})
    void registers(String root) {
        for (String quality : new String[] {"", "m7", "7", "maj7"}) {
            for (String figure : new String[] {
                "bass-and-two", "stride-root-chord", "hits-with-the-tune", "chop-every-and", "tango-marked"
            }) {
                arrange(
                                "| " + root + quality + " |",
                                figure.startsWith("hits")
                                        ? Choices.figure(figure).with(LeftChoice.VOICING, "close")
                                        : Choices.figure(figure))
                        .left()
                        .strokes()
                        .forEach(stroke -> {
                            boolean chord = stroke.notes().size() > 2;
                            assertThat(stroke.lowest().midi())
                                    .as(figure + " " + stroke.notes())
                                    .isGreaterThanOrEqualTo(chord ? 48 : 28)
                                    .isLessThanOrEqualTo(chord ? 67 : 46);
                            assertThat(stroke.highest().midi())
                                    .as(figure + " " + stroke.notes())
                                    .isLessThanOrEqualTo(67);
                        });
            }
            int low = arrange("| " + root + quality + " |", Choices.figure("spread-eighths")).left().strokes().stream()
                    .mapToInt(stroke -> stroke.lowest().midi())
                    .min()
                    .orElseThrow();
            assertThat(low).isGreaterThanOrEqualTo(quality.isEmpty() ? 31 : 33);
        }
    }

    /** FAULTS.md L5: F2 C3 │ B♭1 is better F2 C2 │ B♭1; a fifth under D2 leads on to G1. */
    @Test
    void a_fifth_lies_where_it_leads_on() {
        assertThat(Played.notes(
                        arrange("| F | B♭ | F |", Choices.figure("two-feel").endsHeld(false))))
                .startsWith("F2 C2 | B♭1 F");
        assertThat(Played.notes(
                        arrange("| D | G | C |", Choices.figure("two-feel").endsHeld(false))))
                .startsWith("D2 A1 | G1 D2");
    }

    /** FAULTS.md L5: from C2 the fifth below would leap ten semitones to F2. */
    @Test
    void a_fifth_goes_above_where_from_below_it_would_leap() {
        assertThat(Played.notes(arrange(
                        "| C7 | Fm7 | B♭7 | E♭ |", Choices.figure("two-feel").endsHeld(false))))
                .startsWith("C2 G2 | F2");
    }

    /**
     * FAULTS.md L20 and L32: over its bass a chord of four tones leaves the root to it, and no semitone is struck; a
     * stride chord has the root again, but not on a dominant (EXAMPLES 6).
     */
    @ParameterizedTest
    @CsvSource({
        "bass-and-chop,A♭maj7,C G E♭",
        "tango-marked,E7,D G♯ B",
        "stride-root-chord,Dm7,D F A C",
        "stride-root-chord,E7,D G♯ B"
    })
    void three_tones_say_a_chord_over_its_bass(String figure, String chord, String tones) {
        Arrangement arrangement = arrange("| " + chord + " |", Choices.figure(figure));
        assertThat(arrangement.left().strokes().get(1).notes())
                .extracting(note -> note.pitch().pitchClass().toString())
                .containsExactlyInAnyOrder(tones.split(" "));
    }

    /** What is struck twice round a change is the new chord both times; a late rhythm is not struck on one. */
    @Test
    void early_basses_and_late_chords() {
        assertThat(Played.notes(arrange("| Cm7 F7 |", Choices.figure("bossa")))).isEqualTo("C2 F2 F2");
        assertThat(Played.times(arrange("| Dm7 G7 |", Choices.figure("charleston-late"))))
                .isEqualTo("960:960 2400:1440");
    }

    /** FAULTS.md L31: a hymn's written bass lies E2 to D4; up a sixth it goes rather than begin over the other hand. */
    @Test
    void a_hymns_bass_lies_under_its_three_voices() {
        Arrangement hymn =
                Played.arrange("Key: A~| A E/G♯ F♯m D | A/C♯ C°7 Bm7 E7 | A E A A |", Choices.figure("four-part-hymn"));
        assertThat(hymn.left().strokes().stream()
                        .filter(stroke -> stroke.hand() == Side.LEFT)
                        .limit(8)
                        .map(stroke -> stroke.lowest().toString()))
                .containsExactly("A2", "G♯2", "F♯2", "D3", "C♯3", "C3", "B2", "E3");
    }

    /** Common practice: the pairs of a shuffle lie low, on A1 as on D2. */
    @Test
    void a_shuffle_may_growl() {
        assertThat(Played.notes(Played.arrange("Key: A~| D7 | A7 |", Choices.figure("shuffle-fifth-sixth"))))
                .startsWith("D2+A2 D2+A2 D2+B2")
                .contains("| A1+E2 A1+E2 A1+F♯2");
    }

    /** Over one bass an alternation runs on (FAULTS.md L8: G7sus4 G7). */
    @Test
    void an_alternation_runs_on_over_one_bass() {
        assertThat(Played.notes(arrange(
                        "| G7sus4 G7 | C |",
                        Choices.figure("stride-root-chord")
                                .with(LeftChoice.VOICING, "guide-tones")
                                .endsHeld(false))))
                .matches("G. \\S+ D2 \\S+ \\| C2.*");
    }
}
