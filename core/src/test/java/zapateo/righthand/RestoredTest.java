package zapateo.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.ReadOver;
import zapateo.arrangement.RightHand;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.EssentialTones;
import zapateo.lefthand.LeftChoice;
import zapateo.part.Stroke;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Side;
import zapateo.righthand.RightChoices.Style;
import zapateo.righthand.RightChoices.Under;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * What a tune takes from a chord (FAULTS L9), what one hand leaves to the other (B2), what lies under a tune by the
 * chord (R1).
 */
class RestoredTest {

    /** What a chord cannot do without, by its length in beats of a quarter; worked by hand from FAULTS L9. */
    @ParameterizedTest
    @CsvSource({
        "Cm7,3840,3 7",
        "C7sus4,1920,4 7",
        "C6,960,3",
        "C6,1440,3 6",
        "C7b9,1920,3 7 9",
        "C7b9,960,3 7",
        "Cm7b5,1920,3 5 7",
        "C9,3840,3 7 9",
        "C,960,3",
        "C5,3840,",
        "Cmaj7#11,3840,3 7 11"
    })
    void what_makes_a_chord_what_it_is(String chord, int ticks, String numbers) {
        List<String> wanted = numbers == null ? List.of() : List.of(numbers.split(" "));
        assertThat(EssentialTones.stating(ChordSymbol.parse(chord), ticks, 960).stream()
                        .map(tone -> String.valueOf(tone.number()))
                        .toList())
                .containsExactlyInAnyOrderElementsOf(wanted);
    }

    /**
     * A figure that has its chords in the right hand leaves bare basses under a tune: third and seventh go under it.
     */
    @ParameterizedTest
    @EnumSource(
            value = Under.class,
            names = {"CLOSE", "THIRDS", "SIXTHS", "BLOCK", "OPEN"})
    void thirds_and_sevenths_sound_in_one_of_the_hands(Under under) {
        Song song = song(
                "Key: Eb\nMeter: 6/8\n| Eb | Fm7 | Bb7 | Eb |\nTune: | Bb4/4. G4/4. | Ab4/4. C5/4. | D5/4. F5/4. | "
                        + "Eb5/2. |");
        Arrangement both = arranged(song, "gospel-twelve", under);
        for (var place : song.chords().toList()) {
            Set<Integer> heard = both.strokes().stream()
                    .filter(stroke -> stroke.written().tick() < place.end()
                            && stroke.written().end() > place.tick())
                    .flatMap(stroke -> stroke.notes().stream())
                    .map(note -> note.pitch().pitchClass().chroma())
                    .collect(Collectors.toCollection(TreeSet::new));
            ChordSymbol chord = place.chord().orElseThrow();
            assertThat(heard)
                    .as("%s under %s", chord, both.strokes())
                    .containsAll(EssentialTones.stating(chord, place.span().ticks(), 1440).stream()
                            .map(tone -> chord.tone(tone).chroma())
                            .toList());
        }
        assertThat(tops(both)).containsExactly("B♭4", "G4", "A♭4", "C5", "D5", "F5", "E♭5");
    }

    @Test
    void a_tune_that_is_to_go_alone_stays_alone_over_a_left_hand_of_its_own() {
        Song song = song("Key: C\n| Cmaj7 | Dm7 |\nTune: | E5/2 D5/2 | F5/1 |");
        assertThat(arranged(song, "two-feel", Under.ALONE).strokes().stream()
                        .filter(stroke -> stroke.hand() == Side.RIGHT))
                .allSatisfy(stroke -> assertThat(stroke.notes()).hasSize(1));
    }

    /**
     * Under a tone of the chord nothing but tones of the chord, at least a third below; a sus chord has no third
     * (FAULTS R1).
     */
    @ParameterizedTest
    @CsvSource({
        "A7sus4,E5,THIRDS",
        "E7,B4,THIRDS",
        "D7sus4,A4,SIXTHS",
        "E7,G#4,THIRDS",
        "Bdim7,D5,THIRDS",
        "C6,A4,SIXTHS"
    })
    void thirds_and_sixths_take_what_the_chord_has(String chord, String note, Under under) {
        Song song = song("Key: C\n| " + chord + " |\nTune: | " + note + "/1 |");
        Stroke stroke = arranged(song, "held", under).strokes().stream()
                .filter(each -> each.hand() == Side.RIGHT)
                .findFirst()
                .orElseThrow();
        ChordSymbol symbol = ChordSymbol.parse(chord);
        assertThat(stroke.notes())
                .hasSizeGreaterThan(1)
                .allSatisfy(each -> assertThat(symbol.tones().stream().map(tone -> tone.chroma()))
                        .contains(each.pitch().pitchClass().chroma()));
        assertThat(stroke.highest().midi()
                        - stroke.notes().get(stroke.notes().size() - 2).pitch().midi())
                .isGreaterThanOrEqualTo(3);
    }

    /** Where another place is as good no key goes from one hand to the other within a beat. */
    @Test
    void keys_are_not_handed_over() {
        Song song = song("Key: C\n| C | Am7 | Dm7 | G7 | Em7 | A7 | Dm7 | G7 | C | F | C | G7 | Am7 | D7 | G7 | C |");
        for (String figure :
                List.of("stride-root-chord", "bass-and-chop", "march", "spread-eighths", "broken-tenths")) {
            Arrangement both = new Arranger(FigureBook.open())
                    .arrange(
                            song,
                            Choices.OPEN.right(RightHand.of(Style.COMPING)).with(LeftChoice.FIGURE, figure),
                            Pianist.USUAL);
            assertThat(ReadOver.of(both, Pianist.USUAL))
                    .as(figure)
                    .noneMatch(fault -> fault.id().equals("B2"));
        }
    }

    private static Song song(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    private static Arrangement arranged(Song song, String figure, Under under) {
        return new Arranger(FigureBook.open())
                .arrange(
                        song,
                        Choices.OPEN
                                .right(RightHand.of(Style.MELODY).with(RightChoice.UNDER, under))
                                .with(LeftChoice.FIGURE, figure),
                        Pianist.USUAL);
    }

    private static List<String> tops(Arrangement both) {
        return both.right().strokes().stream()
                .filter(stroke -> stroke.nature().origin().isTune())
                .map(stroke -> stroke.highest().toString())
                .toList();
    }
}
