package zapateo.lefthand;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.AsBefore;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.arrangement.SongChoice;
import zapateo.arrangement.StrokeListing;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices;
import zapateo.righthand.SeededTunes;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/**
 * No left hand changes unseen whatever is chosen for it and whatever it makes room for: seeded songs and tunes with
 * figures, voicings, bass lines, lead-ins and all other choices drawn, for hands of four sizes, what each stroke plays
 * and why. Where a change is meant, {@code -Dlaid.write=true} writes the hashes anew.
 */
class LaidFixturesTest {

    private static final int SONGS = 160;
    private static final double[] SPANS = {150, 185, 201, 235};
    private static final List<Figure> BOOK = FigureBook.open().figures().stream()
            .filter(figure -> !figure.isOfRightHand())
            .toList();
    private static final Map<String, List<String>> NAMED = Map.of(
            "voicing",
            List.of(
                    "auto",
                    "single",
                    "octave",
                    "open-fifth",
                    "fifth-octave",
                    "tenth",
                    "spread",
                    "close",
                    "guide-tones",
                    "rooted-shell",
                    "rootless"),
            "bassLine",
            List.of("auto", "root", "five-finger", "alternating", "octave", "rocking", "smooth", "pedal", "walking"),
            "leadIn",
            List.of("auto", "none", "scale", "below", "above", "fifth", "run", "walk-up", "cadence"));
    /** What is drawn for one song in so many. */
    private static final int SELDOM = 3;

    @Test
    void every_left_hand_is_laid_as_before() throws IOException {
        AsBefore.expect(
                "laid",
                IntStream.range(0, SONGS).mapToObj(LaidFixturesTest::row).toList(),
                "left hands that are laid otherwise");
    }

    private static String row(int seed) {
        Random random = new Random(seed * 0x9E3779B97F4A7C15L);
        Song song = switch (seed % 4) {
            case 0 -> SeededCharts.song(seed);
            case 1 -> ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow();
            default -> SeededTunes.song(seed);
        };
        Map<String, Object> drawn = new LinkedHashMap<>();
        drawn.put("figure", BOOK.get(seed % BOOK.size()).id());
        for (Choice<?> choice : List.of(
                LeftChoice.VOICING,
                LeftChoice.REGISTER,
                LeftChoice.BASS_LINE,
                LeftChoice.WITH_BASS,
                LeftChoice.LEAD_IN,
                LeftChoice.TENTHS,
                LeftChoice.OCTAVES,
                LeftChoice.VARIATIONS,
                LeftChoice.LIVELINESS,
                LeftChoice.WITH_BASS_PLAYER,
                LeftChoice.KEEP_TOP,
                LeftChoice.PEDAL,
                SongChoice.ENDING)) {
            List<String> values = NAMED.getOrDefault(choice.id(), choice.range().values());
            if (random.nextInt(SELDOM) == 0) {
                drawn.put(
                        choice.id(),
                        values.isEmpty() ? (Object) random.nextBoolean() : values.get(random.nextInt(values.size())));
            }
        }
        return seed + ","
                + StrokeListing.hash(listed(
                        song, drawn, over(song, random), Pianist.of(Hand.of(SPANS[random.nextInt(SPANS.length)]))));
    }

    /** What the left hand makes room for. */
    private static RightHand over(Song song, Random random) {
        RightChoices.Under[] under = RightChoices.Under.values();
        RightChoices.Shapes[] shapes = RightChoices.Shapes.values();
        return song.hasTune()
                ? RightHand.of(RightChoices.Style.MELODY).with(RightChoice.UNDER, under[random.nextInt(under.length)])
                : random.nextBoolean()
                        ? RightHand.of(RightChoices.Style.COMPING)
                                .with(RightChoice.SHAPES, shapes[random.nextInt(shapes.length)])
                        : RightHand.NONE;
    }

    private static List<String> listed(Song song, Map<String, Object> drawn, RightHand over, Pianist pianist) {
        List<String> all = new ArrayList<>();
        try {
            Arrangement arrangement = Played.ARRANGER.arrange(
                    song,
                    Choices.OPEN
                            .song(Options.read(SongChoice.in(Choice.Place.SONG), "", drawn))
                            .right(over),
                    pianist);
            all.addAll(StrokeListing.lines(arrangement));
            for (Stroke stroke : arrangement.left().strokes()) {
                all.add(stroke.written() + " " + stroke.mark() + " " + stroke.accent() + " "
                        + stroke.nature().origin() + " " + stroke.nature().roles() + " " + stroke.roll() + " "
                        + stroke.nature().mended().size() + " "
                        + stroke.reason().code());
            }
            arrangement.notices().forEach(notice -> all.add(notice.code()));
            arrangement.pedal().forEach(pedal -> all.add(pedal.toString()));
            arrangement.laid().chords().forEach(chord -> all.add(chord.tick() + " " + chord.end()));
        } catch (Refused refused) {
            all.add(Optional.ofNullable(refused.getMessage()).orElse(""));
        }
        return all;
    }
}
