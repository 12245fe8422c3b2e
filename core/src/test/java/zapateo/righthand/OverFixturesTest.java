package zapateo.righthand;

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
import zapateo.arrangement.Arranger;
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
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;
import zapateo.song.Tune;

/**
 * No right hand changes unseen whatever is chosen for it: seeded tunes and charts with manners, shapes, fills, choruses
 * and licks drawn, over four left hands and for three sizes of hand; what may be improvised on them, which one shape
 * goes over their chords, and how a take of them is written. Where a change is meant, {@code -Dover.write=true} writes
 * the hashes anew.
 */
class OverFixturesTest {

    private static final int SONGS = 120;
    private static final double[] SPANS = {170, 201, 235};
    private static final List<String> LEFT = List.of("held", "spread-eighths", "stride-root-chord", "two-feel");
    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final List<Choice<?>> DRAWN =
            List.of(RightChoice.TOP, RightChoice.UNDER, RightChoice.SHAPES, RightChoice.MANNER, RightChoice.UNISON);

    @Test
    void every_right_hand_plays_as_before() throws IOException {
        AsBefore.expect(
                "over",
                IntStream.range(0, SONGS).mapToObj(OverFixturesTest::row).toList(),
                "right hands that play otherwise");
    }

    private static Song song(int seed) {
        return switch (seed % 4) {
            case 0 -> SeededCharts.song(seed);
            case 1 -> ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow();
            default -> SeededTunes.song(seed);
        };
    }

    private static String row(int seed) {
        Random random = new Random(seed * 0x9E3779B97F4A7C15L);
        Song song = song(seed);
        Map<String, Object> drawn = new LinkedHashMap<>();
        List<String> styles = RightChoice.STYLE.range().values();
        drawn.put(
                "style", seed % 4 < 2 && random.nextBoolean() ? "comping" : styles.get(random.nextInt(styles.size())));
        for (Choice<?> choice : DRAWN) {
            List<String> values = choice.range().values();
            if (random.nextBoolean()) {
                drawn.put(
                        choice.id(),
                        values.isEmpty() ? (Object) random.nextBoolean() : values.get(random.nextInt(values.size())));
            }
        }
        if (random.nextInt(3) == 0) {
            drawn.put("fills", random.nextInt(50));
        }
        drawn.put("chorus", 1 + random.nextInt(50));
        List<String> all = new ArrayList<>();
        all.addAll(arranged(
                song,
                drawn,
                LEFT.get(random.nextInt(LEFT.size())),
                Pianist.of(Hand.of(SPANS[random.nextInt(SPANS.length)])),
                random));
        Improvising.of(song)
                .forEach(over -> all.add(over.bar() + " " + over.tick() + " " + over.ticks() + " " + over.chord() + " "
                        + over.scale().map(ChordScale::toString) + " " + over.notes()));
        all.add(OneShape.of(song.chords()
                        .limit(4)
                        .flatMap(place -> place.chord().stream())
                        .toList())
                .toString());
        all.add(Improvising.blues(song.key()).toString());
        all.add(taken(song, random));
        return seed + "," + StrokeListing.hash(all);
    }

    private static List<String> arranged(
            Song song, Map<String, Object> drawn, String left, Pianist pianist, Random random) {
        List<String> all = new ArrayList<>();
        try {
            RightHand right = new RightHand(
                    Options.read(SongChoice.in(Choice.Place.RIGHT), "", drawn),
                    Map.of(),
                    random.nextInt(3) == 0
                            ? List.of(new RightHand.PlacedLick(
                                    2,
                                    Lick.all()
                                            .get(random.nextInt(Lick.all().size()))
                                            .id()))
                            : List.of());
            Arrangement arrangement =
                    ARRANGER.arrange(song, Choices.figure(left).right(right), pianist);
            all.addAll(StrokeListing.lines(arrangement));
            for (Stroke stroke : arrangement.right().strokes()) {
                all.add(stroke.written() + " " + stroke.accent() + " "
                        + stroke.nature().origin() + " " + stroke.nature().grace() + " " + stroke.roll() + " "
                        + stroke.nature().mended().size() + " "
                        + stroke.reason().code());
            }
            arrangement.notices().forEach(notice -> all.add(notice.code()));
            Crossing.between(arrangement.left().strokes(), arrangement.right().strokes())
                    .forEach(crossing -> all.add(crossing.toString()));
        } catch (Refused refused) {
            all.add(Optional.ofNullable(refused.getMessage()).orElse(""));
        }
        return all;
    }

    /** The tune as somebody plays it, a little early, late, short and long. */
    private static String taken(Song song, Random random) {
        List<Take.Struck> struck = new ArrayList<>();
        double quarter = Tempo.of(100, 960).millisecondsOf(960);
        for (Tune.Sung note : Tune.of(song)) {
            struck.add(new Take.Struck(
                    note.tick() / 960.0 * quarter + random.nextInt(80) - 40,
                    note.ticks() / 960.0 * quarter * (0.6 + random.nextDouble() / 2),
                    note.pitch()));
        }
        return Take.of(struck, Tempo.of(100, 960), Meter.parse("4/4")).toString();
    }
}
