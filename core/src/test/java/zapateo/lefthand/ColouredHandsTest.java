package zapateo.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.colour.ColourStyle;
import zapateo.colour.KeptColour;
import zapateo.colour.WholeSong;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.part.Stroke;
import zapateo.rhythm.Side;
import zapateo.righthand.RightChoices;
import zapateo.song.Bar;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/** What is coloured is played: by small hands, at every level, in the right hand too. */
class ColouredHandsTest {

    private static final List<String> FIGURES = List.of(
            "held",
            "stride-tenths",
            "spread-eighths",
            "walking",
            "four-part-hymn",
            "gospel-octave-walk",
            "bass-and-two",
            "tango-marked");

    static Stream<Integer> seeds() {
        return IntStream.range(0, 40).boxed();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void no_hand_is_asked_for_more_than_it_has(int seed) {
        Song song = SeededCharts.song(seed);
        List<KeptColour> kept = WholeSong.of(song, ColourStyle.values()[seed % 11], WholeSong.RICHEST, 0);
        Hand hand = Hand.of(170 + seed % 4 * 20);
        Choices choices = Choices.figure(FIGURES.get(seed % FIGURES.size()))
                .right(RightHand.of(RightChoices.Style.COMPING))
                .colours(kept);
        Arrangement arrangement =
                Played.ARRANGER.arrange(song, seed % 3 == 0 ? choices : choices.level(1 + seed % 5), hand);
        for (Stroke stroke : arrangement.left().strokes()) {
            assertThat(stroke.roll().isPresent() || hand.easeOf(stroke.keys()) != Ease.OUT_OF_REACH)
                    .as("seed %d: %s", seed, stroke)
                    .isTrue();
        }
        assertThat(arrangement.coloured().borrowed()).isEqualTo(song);
        assertThat(arrangement.song().ticks()).isEqualTo(song.ticks());
    }

    /** A passing chord is struck where it comes, and the right hand has its tones. */
    @ParameterizedTest
    @MethodSource("styles")
    void both_hands_play_the_coloured_chords(ColourStyle style) {
        Song song = Played.song("key: C~| C | Am | F | G7 | C | Am | Dm G7 | C |");
        Arrangement arrangement = Played.ARRANGER.arrange(
                song,
                Choices.figure("held")
                        .right(RightHand.of(RightChoices.Style.COMPING))
                        .colours(WholeSong.of(song, style, 3, 0)),
                Played.LARGE);
        for (Bar bar : arrangement.song().bars()) {
            bar.chords()
                    .forEach(span -> arrangement.strokes().stream()
                            .filter(stroke -> stroke.hand() == Side.RIGHT
                                    && stroke.written().tick() >= bar.tick() + span.tick()
                                    && stroke.written().end() <= bar.tick() + span.end())
                            .flatMap(stroke -> stroke.notes().stream())
                            .forEach(note -> assertThat(span.chord().orElseThrow().tones().stream()
                                            .map(tone -> tone.chroma())
                                            .toList())
                                    .as("%s in bar %d, %s", note, bar.number(), span.written())
                                    .contains(note.pitch().pitchClass().chroma())));
        }
    }

    static Stream<ColourStyle> styles() {
        return Stream.of(ColourStyle.HYMN, ColourStyle.GOSPEL, ColourStyle.POP);
    }
}
