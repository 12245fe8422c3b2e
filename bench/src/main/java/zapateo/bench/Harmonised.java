package zapateo.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import zapateo.colour.Harmonising;
import zapateo.format.FileText;
import zapateo.format.SongReader;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/**
 * How many bars of the tunes with chords among the examples of Debian's abcmidi get a chord of the printed function: a
 * figure to be raised.
 */
public final class Harmonised {

    private static final Path EXAMPLES = Path.of("/usr/share/doc/abcmidi/examples");
    private static final String FUNCTIONS = "TDSTTSDDTTDD";

    private Harmonised() {}

    /** @param arguments none */
    public static void main(String[] arguments) throws IOException {
        int bars = 0;
        int same = 0;
        TreeSet<Path> files = new TreeSet<>();
        try (DirectoryStream<Path> found = Files.newDirectoryStream(EXAMPLES, "*.abc")) {
            found.forEach(files::add);
        }
        for (Path file : files) {
            for (String tune : FileText.of(Files.readAllBytes(file)).split("(?m)^(?=X:)")) {
                Song song = tune.startsWith("X:")
                        ? SongReader.read(tune.getBytes(StandardCharsets.UTF_8))
                                .song()
                                .orElse(null)
                        : null;
                if (song == null
                        || !song.hasTune()
                        || song.chords().noneMatch(place -> place.chord().isPresent())) {
                    continue;
                }
                List<WrittenBar> printed = song.writtenBars();
                List<WrittenBar> ours =
                        Harmonising.of(song, Harmonising.Pace.BAR).writtenBars();
                for (int i = 0; i < printed.size(); i++) {
                    ChordSymbol chord = printed.get(i).chords().get(0).chord().orElse(null);
                    if (chord != null && !printed.get(i).tune().isEmpty()) {
                        bars++;
                        same += function(chord, song.key())
                                        == function(
                                                ours.get(i)
                                                        .chords()
                                                        .get(0)
                                                        .chord()
                                                        .orElseThrow(),
                                                song.key())
                                ? 1
                                : 0;
                    }
                }
            }
        }
        System.out.printf(
                "melodies harmonised by the bar: %d of %d bars have a chord of the printed function (%.0f %%)%n",
                same, bars, 100.0 * same / Math.max(1, bars));
    }

    private static char function(ChordSymbol chord, Key key) {
        return FUNCTIONS.charAt(
                Math.floorMod(chord.root().chroma() - key.tonic().chroma(), FUNCTIONS.length()));
    }
}
