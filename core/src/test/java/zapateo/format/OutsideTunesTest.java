package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.KeyFinder;
import zapateo.pitch.PitchClass;
import zapateo.song.Bar;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;
import zapateo.song.Problem;
import zapateo.song.SeededCharts;
import zapateo.song.Song;
import zapateo.song.Tune;
import zapateo.song.TuneNote;

/**
 * Against tunes and a reader from outside: the traditional tunes among the examples of Debian's abcmidi and abcm2ps,
 * and abc2midi, which knows nothing of Zapateo.
 */
class OutsideTunesTest {

    private static final Path EXAMPLES = Path.of("/usr/share/doc");

    @TempDir
    private Path folder;

    /**
     * The tunes with a stated major or minor key. Left out: songs by living or named composers, tunes in other modes
     * (Araber tants, Baym Rebin's Sude, the pipe tunes), and sheets that only show notation.
     */
    private static final List<String> TUNES = List.of(
            "abcmidi/boys:The Boys of Carrigallen",
            "abcmidi/coleraine:Coleraine",
            "abcmidi/demo:Horses Branle",
            "abcmidi/demo:Trumpet Hornpipe",
            "abcmidi/demo:Smash the Windows",
            "abcmidi/demo:Candlemas Eve",
            "abcmidi/demo:Oh You New York Girls",
            "abcmidi/demo:The Friendly Visit",
            "abcmidi/demo:Roddy McCawley",
            "abcmidi/demo:Heights of Alma",
            "abcmidi/demo:Cuckoo's Nest",
            "abcmidi/dergasn:der Gasn Nigun",
            "abcm2ps/accordion:Andro à Patrice Corbel",
            "abcm2ps/accordion:Jeune fille de quinze ans");

    @Test
    void the_key_of_nine_in_ten_traditional_tunes_is_found() {
        List<String> wrong = TUNES.stream()
                .filter(tune -> {
                    Song song = read(tune(tune));
                    KeyFinder.Guess found =
                            KeyFinder.find(sounding(song), melody(song)).get(0);
                    return !found.key().equals(song.key());
                })
                .toList();
        assertThat(wrong).as("of " + TUNES.size()).hasSizeLessThanOrEqualTo(TUNES.size() / 10);
    }

    private static List<KeyFinder.Sounding> sounding(Song song) {
        return song.writtenBars().stream()
                .flatMap(bar -> bar.chords().stream())
                .flatMap(span -> span.chord().map(chord -> new KeyFinder.Sounding(chord, span.ticks())).stream())
                .toList();
    }

    private static List<KeyFinder.Tone> melody(Song song) {
        return song.writtenBars().stream()
                .flatMap(bar -> bar.tune().stream())
                .flatMap(note ->
                        note.pitch().map(pitch -> new KeyFinder.Tone(pitch.midi() % 12, note.ticks())).stream())
                .toList();
    }

    /** abc2midi plays a sus4 as a fourth without a fifth: that is left out, as none of these tunes has one. */
    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "abcmidi/coleraine:Coleraine",
        "abcmidi/demo:The Friendly Visit",
        "abcmidi/demo:Roddy McCawley",
        "abcmidi/demo:Heights of Alma",
        "abcmidi/demo:Cuckoo's Nest",
        "abcmidi/dergasn:der Gasn Nigun",
        "abcm2ps/accordion:Andro à Patrice Corbel",
        "abcm2ps/accordion:Jeune fille de quinze ans"
    })
    void chords_are_read_as_abc2midi_reads_them(String name) throws Exception {
        // Read as written: one of the tunes closes its last ending with a repeat sign, which players and abc2midi take
        // differently.
        String tune = tune(name).replace("|:", "|").replace(":|", "|").replaceAll("\\|[12]", "|");
        Song song = read(tune);
        assertThat(sounding(song)).isNotEmpty();
        String strummed =
                tune.replaceAll("(?m)^%%MIDI.*$\\R?", "").replaceFirst("(?m)^(K:.*)$", "$1\n%%MIDI gchord cccccccc");
        Map<Integer, Set<Integer>> theirs = new TreeMap<>();
        List<String> rows = midi(strummed);
        int quarter = quarter(rows);
        int track = rows.stream()
                .filter(row -> row.contains("\"gchord track\""))
                .map(row -> Integer.parseInt(row.split(", ")[0]))
                .findFirst()
                .orElseThrow();
        rows.stream()
                .map(row -> row.split(", "))
                .filter(row -> Integer.parseInt(row[0]) == track
                        && row[2].equals("Note_on_c")
                        && !row[5].equals("0")
                        && !row[4].equals("0"))
                .forEach(row -> theirs.computeIfAbsent(
                                (int) Math.round(960.0 * (Integer.parseInt(row[1]) / 10 * 10) / quarter),
                                tick -> new TreeSet<>())
                        .add(Integer.parseInt(row[4]) % 12));
        assertThat(theirs).hasSizeGreaterThan(20);
        int compared = 0;
        for (Map.Entry<Integer, Set<Integer>> each : theirs.entrySet()) {
            ChordSymbol ours = chordAt(song, each.getKey());
            if (ours != null) {
                Set<Integer> chromas =
                        ours.tones().stream().map(PitchClass::chroma).collect(Collectors.toCollection(TreeSet::new));
                chromas.add(ours.bass().chroma());
                assertThat(each.getValue()).as(ours + " at " + each.getKey()).isEqualTo(chromas);
                compared++;
            }
        }
        assertThat(compared).isGreaterThan(20);
    }

    private static ChordSymbol chordAt(Song song, int tick) {
        return song.chords()
                .filter(place -> place.tick() <= tick
                        && tick < place.tick() + place.span().ticks())
                .flatMap(place -> place.chord().stream())
                .findFirst()
                .orElse(null);
    }

    static IntStream seeds() {
        return IntStream.range(0, 60);
    }

    /** What we write as ABC sounds in abc2midi as our own tune does, repeats and endings played out. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void our_abc_is_played_by_abc2midi_as_the_song_is(int seed) throws Exception {
        Song song = Holding.ABC.reduce(
                ChartParser.parse(SeededCharts.full(seed)).song().orElseThrow());
        if (!song.hasTune()) {
            return;
        }
        // Chords of more tones than it knows by name, and fermatas, which it plays longer, would only disturb it.
        List<String> rows = midi(AbcWriter.write(song)
                .replaceAll("(?m)^w:.*\\R", "")
                .replaceAll("\"[^\"\\n]*\"", "")
                .replace("!fermata!", ""));
        int quarter = quarter(rows);
        Set<String> theirs = rows.stream()
                .map(row -> row.split(", "))
                .filter(row -> row[2].equals("Note_on_c") && !row[5].equals("0"))
                .map(row -> Math.round(960.0 * Integer.parseInt(row[1]) / quarter / 20) + ":" + row[4])
                .collect(Collectors.toCollection(TreeSet::new));
        Set<String> ours = new TreeSet<>();
        boolean tied = false;
        for (Bar bar : song.bars()) {
            for (TuneNote note : bar.tune()) {
                if (note.pitch().isPresent() && !tied) {
                    ours.add(Math.round((bar.tick() + note.tick()) / 20.0) + ":"
                            + note.pitch().get().midi());
                }
                tied = note.tied();
            }
        }
        assertThat(theirs).as(AbcWriter.write(song)).isEqualTo(ours);
    }

    /**
     * A Melody line of a chart sounds as the same notes do to abc2midi, which knows the standard's pitches, lengths,
     * accidentals, ties and tuplets.
     */
    @ParameterizedTest
    @CsvSource(delimiter = '!', textBlock = """
            C  ! 4/4  ! C2 D E F G A B ! c d e f g a b c'
            E♭ ! 4/4  ! E2 ^F F =B,4 ! B, b' e,2 z4
            Gm ! 3/4  ! G3/2 A/ B> c d2 ! (3ABc d2 e2
            D  ! 6/8  ! F2 A d3- ! d2 c BAF
            F  ! 4/4  ! (3:2:2d2e FGAB (3efg ! c2 B/4 A/4 G/ E < D A//B//c z3/2
            A  ! 9/8  ! _e2 e __e3 ^^c3 ! x3 c6
            """)
    void a_line_of_melody_sounds_as_abc2midi_plays_it(String key, String meter, String first, String second)
            throws Exception {
        ChartReading read = ChartParser.parse(
                "Key: " + key + "\nMeter: " + meter + "\n| C | C |\nMelody: | " + first + " | " + second + " |\n");
        assertThat(read.problems())
                .filteredOn(problem -> problem.severity() == Problem.Severity.ERROR)
                .isEmpty();
        List<String> rows = midi("X:1\nM:" + meter + "\nL:1/8\nQ:1/4=100\nK:" + key.replace('♭', 'b') + "\n" + first
                + " | " + second + " |]\n");
        int quarter = quarter(rows);
        Map<Long, Integer> theirs = new TreeMap<>();
        rows.stream()
                .map(row -> row.split(", "))
                .filter(row -> row[2].equals("Note_on_c") && !row[5].equals("0"))
                .forEach(row -> theirs.merge(
                        Math.round(960.0 * Integer.parseInt(row[1]) / quarter / 20),
                        Integer.valueOf(row[4]),
                        Math::max));
        Map<Long, Integer> ours = new TreeMap<>();
        Tune.of(read.song().orElseThrow())
                .forEach(note ->
                        ours.put(Math.round(note.tick() / 20.0), note.pitch().midi()));
        assertThat(ours).isEqualTo(theirs);
    }

    private static int quarter(List<String> rows) {
        return Integer.parseInt(rows.get(0).split(", ")[5]);
    }

    private List<String> midi(String abc) throws IOException, InterruptedException {
        Path file = Files.writeString(folder.resolve("tune.abc"), abc);
        Path midi = folder.resolve("tune.mid");
        run("abc2midi", file.toString(), "-o", midi.toString());
        return run("midicsv", midi.toString());
    }

    private static List<String> run(String... command) throws IOException, InterruptedException {
        try {
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            List<String> lines =
                    new ArrayList<>(new String(process.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1)
                            .lines()
                            .toList());
            process.waitFor();
            return lines;
        } catch (IOException missing) {
            throw new IOException(command[0] + " is needed: apt-get install abcmidi abcm2ps midicsv", missing);
        }
    }

    private static String tune(String name) {
        String[] parts = name.split(":");
        Path file = EXAMPLES.resolve(parts[0].replace("/", "/examples/") + ".abc");
        try {
            return Arrays.stream(FileText.of(Files.readAllBytes(file)).split("(?m)^(?=X:)"))
                    .filter(tune -> tune.contains(parts[1]))
                    .findFirst()
                    .orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException(
                    "the examples of abcmidi and abcm2ps are needed: apt-get install abcmidi abcm2ps", e);
        }
    }

    private static Song read(String tune) {
        return SongReader.read(tune.getBytes(StandardCharsets.UTF_8)).song().orElseThrow();
    }
}
