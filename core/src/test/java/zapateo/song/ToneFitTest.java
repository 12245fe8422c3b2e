package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.lefthand.Played;

class ToneFitTest {

    /**
     * Marked by hand as textbooks of harmony mark them (common practice): the classes of one melody note after another.
     * The tune is barred as the chords are.
     */
    @ParameterizedTest(name = "{0} | {1}: {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                // Passing: between two chord tones by steps the same way, on a weak beat and on a strong one, up and
                // down, chromatic, two in a row.
                "C;C5/4 D5/4 E5/2;chord-tone passing chord-tone",
                "C;G5/4 F5/4 E5/2;chord-tone passing chord-tone",
                "Am;C5/8 B4/8 A4/4 r/2;chord-tone passing chord-tone",
                "F;A4/2 B♭4/4 C5/4;chord-tone passing chord-tone",
                "C;E5/4 E♭5/4 D5/4 C5/4;chord-tone passing passing chord-tone",
                "G7;G4/8 A4/8 B4/8 C5/8 D5/2;chord-tone passing chord-tone passing chord-tone",
                "Dm;D5/4 E5/4 F5/4 r/4;chord-tone passing chord-tone",
                "C;C5/4. D5/8 E5/2;chord-tone passing chord-tone",
                // Neighbours: a step away and back, above and below, chromatic.
                "C;E5/4 F5/4 E5/2;chord-tone neighbour chord-tone",
                "C;C5/4 B4/4 C5/2;chord-tone neighbour chord-tone",
                "G;B4/8 C5/8 B4/4 r/2;chord-tone neighbour chord-tone",
                "Am;A4/4 G♯4/4 A4/2;chord-tone neighbour chord-tone",
                "F;C5/8 D5/8 C5/4 A4/2;chord-tone neighbour chord-tone chord-tone",
                "C;G4/4 F♯4/4 G4/2;chord-tone neighbour chord-tone",
                // Suspensions: held or repeated from a chord it belongs to, falling a step: 4-3, 9-8, 7-6, and a
                // retardation that rises.
                "C | G;C5/1 | C5/2 B4/2;chord-tone suspension chord-tone",
                "C | G;C5/1~ | C5/2 B4/2;chord-tone suspension chord-tone",
                "F | C;F5/1 | F5/4 E5/2.;chord-tone suspension chord-tone",
                "Dm | C;D5/1~ | D5/2 C5/2;chord-tone suspension chord-tone",
                "B♭ | F7;B♭4/1 | B♭4/2 A4/2;chord-tone suspension chord-tone",
                "G7 | C;B4/1~ | B4/2 C5/2;chord-tone suspension chord-tone",
                "G7 | C;F5/1 | F5/2 E5/2;chord-tone suspension chord-tone",
                "C F;E5/2 E5/4 F5/4;chord-tone suspension chord-tone",
                // Anticipations: the next chord's tone, early and short, struck again when it comes.
                "G | C;D5/2. C5/4 | C5/1;chord-tone anticipation chord-tone",
                "G7 | C;B4/2. C5/4 | C5/1;chord-tone anticipation chord-tone",
                "C | F;G5/2. A5/4 | A5/1;chord-tone anticipation chord-tone",
                "Dm | G;A4/2. B4/4 | B4/1;chord-tone anticipation chord-tone",
                // Appoggiaturas: leapt to, on a strong beat, resolved by a step.
                "C;F5/2 E5/2;appoggiatura chord-tone",
                "C;A4/4 G4/4 r/2;appoggiatura chord-tone",
                "F | C;A4/1 | F5/2 E5/2;chord-tone appoggiatura chord-tone",
                "Am;F5/2 E5/2;appoggiatura chord-tone",
                "G;F♯4/2 G4/2;appoggiatura chord-tone",
                "C | G7;C5/1 | E5/2 D5/2;chord-tone appoggiatura chord-tone",
                "Dm;G4/2 F4/2;appoggiatura chord-tone",
                // Escapes: a step from a chord tone, then a leap the other way.
                "C;C5/4 D5/4 G4/2;chord-tone escape chord-tone",
                "C;E5/4 F5/4 C5/2;chord-tone escape chord-tone",
                "G7;B4/4 C5/4 G4/2;chord-tone escape chord-tone",
                "F;C5/4 D5/4 A4/2;chord-tone escape chord-tone",
                "Am;E5/4 F5/4 C5/2;chord-tone escape chord-tone",
                // Pedals: one note over changing chords.
                "C | F | C;G4/1 | G4/1 | G4/1;chord-tone pedal chord-tone",
                "C | Dm | C;C5/1 | C5/1 | C5/1;chord-tone pedal chord-tone",
                "F | Gm | F;F4/1 | F4/1 | F4/1;chord-tone pedal chord-tone",
                // Clashes: a semitone over a tone of the chord on a strong beat, going nowhere. And what rubs against
                // nothing.
                "F7;B♭4/1;clash",
                "C;F5/2 C5/2;clash chord-tone",
                "Dm7;E♭5/1;clash",
                "G7;A♭4/2 D5/2;clash chord-tone",
                "C;D5/1;added",
                "Am7;B4/1;added",
                "C;A4/1;added",
                "F;C5/2 G4/2;chord-tone added"
            })
    void notes_are_what_textbooks_call_them(String chords, String tune, String kinds) {
        assertThat(
                        ToneFit.of(ChartParser.parse("| " + chords + " |\nTune: | " + tune + " |")
                                        .song()
                                        .orElseThrow())
                                .stream()
                                .map(heard -> heard.kind().id())
                                .toList())
                .isEqualTo(List.of(kinds.split(" ")));
    }

    /**
     * EXAMPLES 29: A over F7 is the third; B♭ held is the fourth against it, a suspension where it falls to A. HANDBOOK
     * §9: the natural fourth is not held.
     */
    @Test
    void a_fourth_that_is_held_over_a_major_chord_is_one_to_avoid() {
        List<ToneFit.Heard> held = ToneFit.of(Played.song("| F7 | F7 |~Tune: | B♭4/1 | A4/1 |"));
        assertThat(held.get(0).avoid()).isTrue();
        assertThat(held.get(0).against().map(Object::toString)).contains("A");
        assertThat(held.get(0).chord().map(Object::toString)).contains("F7");
        assertThat(ToneFit.of(Played.song("| F7 |~Tune: | B♭4/4 A4/2. |"))
                        .get(0)
                        .avoid())
                .isFalse();
        assertThat(ToneFit.of(Played.song("| Fm7 |~Tune: | B♭4/1 |")).get(0).avoid())
                .isFalse();
    }

    @Test
    void silence_fits_everything_and_a_song_without_a_tune_has_nothing_to_fit() {
        assertThat(ToneFit.of(Played.song("| N.C. |~Tune: | B♭4/1 |")))
                .extracting(ToneFit.Heard::kind)
                .containsExactly(ToneFit.Kind.CHORD_TONE);
        assertThat(ToneFit.of(Played.song("| C |"))).isEmpty();
    }
}
