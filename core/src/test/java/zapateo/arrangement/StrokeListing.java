package zapateo.arrangement;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.hand.Hand;
import zapateo.hand.Pianist;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices;
import zapateo.righthand.SeededTunes;
import zapateo.song.Bar;
import zapateo.song.ChartParser;
import zapateo.song.SeededCharts;
import zapateo.song.Song;

/**
 * Every key that is struck in the nine demo songs and thirty seeded ones (all metres, pick-ups, changes of tempo and
 * key, melodies) with every figure and both hands, in coordinates that do not depend on how an arrangement counts its
 * ticks: part, bar as written, pass, tick inside the bar (below zero before its line), hand, key, length and finger.
 * {@code StrokeFixturesTest} keeps their hashes.
 *
 * <p>To see what a change did: {@code main} with a folder writes the listing, one file for each song, before and after;
 * {@code diff -r} shows the differences.
 */
public final class StrokeListing {

    private static final Path DEMO = Path.of("../server/src/main/resources/demo");
    private static final int SEEDED = 10;
    private static final Arranger ARRANGER = new Arranger(FigureBook.open());

    private StrokeListing() {}

    /** @param arguments the folder to write to */
    public static void main(String[] arguments) throws IOException {
        Path folder = Files.createDirectories(Path.of(arguments[0]));
        for (Map.Entry<String, Song> song : songs().entrySet()) {
            List<String> all = new ArrayList<>();
            for (Figure figure : FigureBook.open().figures()) {
                lines(song.getKey(), song.getValue(), figure).forEach(line -> all.add(figure.id() + " " + line));
            }
            Files.write(folder.resolve(song.getKey() + ".txt"), all);
        }
    }

    /** By their names, in the order they are listed in. */
    static Map<String, Song> songs() throws IOException {
        Map<String, Song> songs = new LinkedHashMap<>();
        try (Stream<Path> demo = Files.list(DEMO)) {
            for (Path chart : demo.sorted().toList()) {
                songs.put(chart.getFileName().toString().replace(".txt", ""), read(Files.readString(chart)));
            }
        }
        for (int seed = 0; seed < SEEDED; seed++) {
            songs.put("chart-" + seed, SeededCharts.song(seed));
            songs.put("full-" + seed, read(SeededCharts.full(seed)));
            songs.put("tune-" + seed, SeededTunes.song(seed));
        }
        return songs;
    }

    private static Song read(String chart) {
        return ChartParser.parse(chart).song().orElseThrow();
    }

    /** Eight hexadecimal digits for all keys of a song with a figure. */
    static String hash(String name, Song song, Figure figure) {
        return hash(lines(name, song, figure));
    }

    /** Eight hexadecimal digits for some lines. */
    public static String hash(List<String> lines) {
        try {
            byte[] all = String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(all), 0, 4);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static List<String> lines(String name, Song song, Figure figure) {
        int variety = Math.floorMod(name.hashCode(), 1000);
        RightHand right = song.hasTune()
                ? RightHand.of(RightChoices.Style.MELODY)
                        .with(
                                RightChoice.UNDER,
                                RightChoices.Under.values()[variety % RightChoices.Under.values().length])
                : RightHand.of(RightChoices.Style.COMPING)
                        .with(
                                RightChoice.SHAPES,
                                RightChoices.Shapes.values()[variety % RightChoices.Shapes.values().length]);
        return lines(ARRANGER.arrange(
                song, Choices.figure(figure.id()).right(right), Pianist.of(Hand.of(180 + variety % 3 * 21))));
    }

    /** Every key that is struck. */
    public static List<String> lines(Arrangement arrangement) {
        List<Bar> bars = arrangement.song().bars();
        return arrangement.strokes().stream()
                .sorted(Comparator.comparingInt(Stroke::bar))
                .flatMap(stroke -> stroke.notes().stream().map(note -> line(bars.get(stroke.bar()), stroke, note)))
                .collect(Collectors.toList());
    }

    private static String line(Bar bar, Stroke stroke, PartNote note) {
        return "chart %d.%d %d %s %d %d %d"
                .formatted(
                        bar.number(),
                        bar.pass(),
                        stroke.sounding().tick() + note.delayTicks() - bar.tick(),
                        stroke.hand().letter(),
                        note.pitch().midi(),
                        stroke.sounding().ticks() - note.delayTicks(),
                        note.finger());
    }
}
