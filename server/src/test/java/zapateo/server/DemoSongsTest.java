package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.format.Hands;
import zapateo.format.MusicXmlWriter;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Stroke;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.song.Bar;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * The demo set read bar by bar against HANDBOOK §5 to §7 with a written list of faults: a wrong bass, mud, a leap, a
 * doubled leading tone, a lost anticipation, a dead bar. Wanted: under one fault in a hundred bars. And each of its
 * files read by LilyPond's own reader of MusicXML.
 */
class DemoSongsTest {

    private static final FigureBook BOOK = FigureBook.open();
    private static final Path DEMO = Path.of("src/main/resources/demo");
    private static final int C3 = 48;

    static Stream<Path> songs() throws IOException {
        return Files.list(DEMO).sorted();
    }

    private static String text(Path song) {
        try {
            return Files.readString(song);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static String figureOf(Path song) {
        return text(song).lines().findFirst().orElseThrow().replace("// figure: ", "");
    }

    private static Arrangement arrange(Path song) {
        return new Arranger(BOOK)
                .arrange(
                        ChartParser.parse(text(song)).song().orElseThrow(), Choices.figure(figureOf(song)), Hand.USUAL);
    }

    @Test
    void every_song_uses_a_family_of_its_own_and_one_that_fits() throws IOException {
        List<Figure> figures =
                songs().map(song -> BOOK.figure(figureOf(song)).orElseThrow()).toList();
        assertThat(figures).extracting(Figure::family).doesNotHaveDuplicates().hasSizeGreaterThanOrEqualTo(9);
        songs().forEach(path -> {
            Song song = ChartParser.parse(text(path)).song().orElseThrow();
            Figure.Suits suits = BOOK.figure(figureOf(path)).orElseThrow().suits();
            assertThat(song.tempo().quartersPerMinute())
                    .as(path.toString())
                    .isBetween((double) suits.minTempo(), (double) suits.maxTempo());
            assertThat(suits.feels()).as(path.toString()).contains(song.feel());
        });
    }

    @Test
    void there_is_less_than_one_fault_in_a_hundred_bars() throws IOException {
        List<String> faults = new ArrayList<>();
        int bars = 0;
        for (Path path : songs().toList()) {
            Arrangement arrangement = arrange(path);
            bars += arrangement.song().bars().size();
            faults(arrangement).forEach(fault -> faults.add(path.getFileName() + ": " + fault));
        }
        assertThat(bars).isGreaterThan(200);
        assertThat(faults.size() * 100.0 / bars).as(String.join("\n", faults)).isLessThan(1);
    }

    private static List<String> faults(Arrangement arrangement) {
        List<String> faults = new ArrayList<>();
        List<Stroke> left = arrangement.left().strokes();
        Song song = arrangement.song();
        Optional<Song.Placed> before = Optional.empty();
        Integer lastBass = null;
        for (Song.Placed place :
                song.chords().filter(each -> each.chord().isPresent()).toList()) {
            ChordSymbol chord = place.chord().orElseThrow();
            boolean begins = before.filter(last -> last.chord().equals(place.chord())
                            && last.tick() + last.span().ticks() == place.tick())
                    .isEmpty();
            Optional<Stroke> first = left.stream()
                    .filter(stroke -> stroke.written().tick() <= place.tick()
                            && stroke.written().end() > place.tick())
                    .min((one, other) ->
                            Integer.compare(one.lowest().midi(), other.lowest().midi()));
            if (begins
                    && first.filter(stroke ->
                                    stroke.lowest().midi() % 12 == chord.bass().chroma())
                            .isEmpty()) {
                faults.add(
                        "wrong bass under " + chord + " in bar " + place.bar().number());
            }
            if (place.span().early()
                    && left.stream()
                            .noneMatch(stroke -> stroke.written().tick() == place.tick() - 480
                                    && stroke.written().end() > place.tick())) {
                faults.add("lost anticipation of " + chord + " in bar "
                        + place.bar().number());
            }
            int bass = first.map(stroke -> stroke.lowest().midi()).orElse(-1);
            if (lastBass != null && bass >= 0 && Math.abs(bass - lastBass) > 12) {
                faults.add("leap into " + chord + " in bar " + place.bar().number());
            }
            lastBass = bass < 0 ? lastBass : Integer.valueOf(bass);
            before = Optional.of(place);
        }
        for (Bar bar : song.bars()) {
            boolean sounds = bar.chords().stream().anyMatch(span -> span.chord().isPresent());
            if (sounds
                    && left.stream()
                            .noneMatch(stroke -> stroke.written().tick() < bar.end()
                                    && stroke.written().end() > bar.tick())) {
                faults.add("dead bar " + bar.number());
            }
            int leading = Math.floorMod(bar.key().tonic().chroma() - 1, 12);
            for (Stroke stroke :
                    left.stream().filter(each -> each.bar() == bar.index()).toList()) {
                if (stroke.notes().stream()
                                .filter(note -> note.pitch().midi() % 12 == leading)
                                .count()
                        > 1) {
                    faults.add("leading tone doubled in bar " + bar.number());
                }
                if (stroke.roll().isEmpty() && isMuddy(stroke)) {
                    faults.add("mud in bar " + bar.number() + ": " + stroke.notes());
                }
            }
        }
        return faults;
    }

    /** Seconds and thirds struck together below C3; pairs of a shuffle are exempt as fifths and sixths are none. */
    private static boolean isMuddy(Stroke stroke) {
        for (int i = 1; i < stroke.notes().size(); i++) {
            int low = stroke.notes().get(i - 1).pitch().midi();
            if (low < C3 && stroke.notes().get(i).pitch().midi() - low < 5) {
                return true;
            }
        }
        return false;
    }

    /** musicxml2ly of LilyPond 2.24, as Debian has it. */
    @ParameterizedTest
    @MethodSource("songs")
    void lilypond_reads_its_musicxml(Path song, @TempDir Path folder) throws Exception {
        Path file = folder.resolve("song.musicxml");
        Files.write(file, MusicXmlWriter.write(arrange(song), Hands.BOTH));
        Process reader = new ProcessBuilder(
                        "musicxml2ly", "-o", folder.resolve("song.ly").toString(), file.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(reader.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(reader.waitFor(Await.PATIENCE.toSeconds(), TimeUnit.SECONDS)).isTrue();
        assertThat(reader.exitValue()).as(said).isZero();
        assertThat(said.toLowerCase(java.util.Locale.ROOT))
                .doesNotContain("error")
                .doesNotContain("traceback");
        assertThat(Files.readString(folder.resolve("song.ly")))
                .contains("\\score")
                .contains("clef \"bass\"");
    }

    /** What a pianist would call the left hand of each song: its first bar, read aloud. */
    @Test
    void first_bars() throws IOException {
        Set<String> seen = new HashSet<>();
        for (Path path : songs().toList()) {
            Arrangement arrangement = arrange(path);
            String bar = arrangement.left().strokes().stream()
                    .filter(stroke ->
                            stroke.bar() == arrangement.left().strokes().get(0).bar())
                    .map(stroke -> stroke.notes().stream()
                            .map(note -> note.pitch().toString())
                            .toList()
                            .toString())
                    .toList()
                    .toString();
            assertThat(seen.add(bar))
                    .as(path + " begins as another does: " + bar)
                    .isTrue();
        }
    }
}
