package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.colour.Harmonising;
import zapateo.colour.Harmonising.Pace;
import zapateo.critic.Critic;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.song.ChartParser;
import zapateo.song.ChartText;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/** Chords for a melody, against those printed over traditional tunes among the examples of Debian's abcmidi. */
class HarmonisingTest {

    private static final Path EXAMPLES = Path.of("/usr/share/doc/abcmidi/examples");
    private static final List<String> TUNES = List.of(
            "coleraine:Coleraine",
            "demo:The Friendly Visit",
            "demo:Roddy McCawley",
            "demo:Heights of Alma",
            "demo:Cuckoo's Nest",
            "dergasn:der Gasn Nigun");

    /**
     * Chords of the same function (tonic I iii vi, subdominant ii IV, dominant V vii°) as the printed ones on at least
     * 80 % of the bars.
     */
    @Test
    void traditional_tunes_get_chords_of_the_printed_function() {
        int bars = 0;
        int same = 0;
        StringBuilder told = new StringBuilder();
        for (String tune : TUNES) {
            Song song = read(tune);
            List<WrittenBar> printed = song.writtenBars();
            List<WrittenBar> found = Harmonising.of(song, Pace.BAR).writtenBars();
            int own = 0;
            int all = 0;
            for (int i = 0; i < printed.size(); i++) {
                if (printed.get(i).chords().get(0).chord().isPresent()
                        && !printed.get(i).tune().isEmpty()) {
                    all++;
                    own += function(printed.get(i).chords().get(0).chord().get(), song.key())
                                    == function(
                                            found.get(i).chords().get(0).chord().orElseThrow(), song.key())
                            ? 1
                            : 0;
                }
            }
            told.append(String.format("%s %d of %d; ", tune, own, all));
            bars += all;
            same += own;
        }
        assertThat(bars).isGreaterThan(80);
        assertThat(same / (double) bars).as(told.toString()).isGreaterThanOrEqualTo(0.8);
    }

    /**
     * 0 tonic, 1 subdominant, 2 dominant, by the root's degree; of a minor key VII counts as dominant and VI with the
     * tonic (common practice).
     */
    private static int function(ChordSymbol chord, Key key) {
        return switch (Math.floorMod(chord.root().chroma() - key.tonic().chroma(), 12)) {
            case 0, 3, 4, 8, 9 -> 0;
            case 2, 5 -> 1;
            default -> 2;
        };
    }

    @ParameterizedTest
    @EnumSource(Pace.class)
    void a_melody_begins_and_ends_at_home_and_its_notes_are_carried(Pace pace) {
        Song song = ChartParser.parse(
                        "Key: C\n| N.C. | N.C. | N.C. | N.C. |\nTune: | C5/4 E5/4 G5/2 | A5/4 F5/4 C5/2 | B4/4 D5/4 "
                                + "F5/4 G4/4 | C5/1 |")
                .song()
                .orElseThrow();
        Song harmonised = Harmonising.of(song, pace);
        assertThat(harmonised.writtenBars().get(0).chords().get(0).written()).isEqualTo("C");
        assertThat(harmonised.writtenBars().get(3).chords().get(0).written()).isEqualTo("C");
        if (pace == Pace.BAR) {
            assertThat(harmonised.writtenBars().stream()
                            .map(bar -> bar.chords().get(0).written())
                            .toList())
                    .isEqualTo(List.of("C", "F", "G7", "C"));
        }
        assertThat(ChartParser.parse(ChartText.write(harmonised)).song()).contains(harmonised);
        assertThat(harmonised.writtenBars().stream().map(WrittenBar::tune).toList())
                .isEqualTo(song.writtenBars().stream().map(WrittenBar::tune).toList());
    }

    /**
     * In minor the diminished triad stands on the second degree (HANDBOOK §4: i ii° ♭III iv v/V ♭VI ♭VII), never on the
     * third.
     */
    @ParameterizedTest
    @ValueSource(strings = "colourful")
    void the_diminished_chord_of_minor_is_its_second(String taste) {
        Song song = ChartParser.parse(
                        "Key: Am\n| N.C. | N.C. | N.C. | N.C. |\nTune: | A4/4 C5/4 E5/2 | B4/2 F5/2 | G#4/4 B4/4 "
                                + "E5/2 | A4/1 |")
                .song()
                .orElseThrow();
        Song harmonised =
                Harmonising.of(song, Pace.BAR, Harmonising.Style.named(taste).orElseThrow());
        assertThat(harmonised
                        .chords()
                        .flatMap(place -> place.chord().stream())
                        .filter(chord -> chord.quality().has(5, 6))
                        .map(chord -> chord.root().toString()))
                .as(harmonised.toString())
                .containsOnly("B");
        assertThat(Critic.harmonisation(harmonised, false)).isEmpty();
    }

    /**
     * Tastes: with sevenths every chord has one, of the key only borrows nothing, colourful borrows more than usual and
     * no taste loses the function of the printed chords.
     */
    @Test
    void a_taste_is_kept_to() {
        Map<String, Integer> borrowed = new HashMap<>();
        for (Harmonising.Style style : Harmonising.Style.all()) {
            int strange = 0;
            for (String tune : TUNES) {
                Song song = read(tune);
                List<ChordSymbol> chords = Harmonising.of(song, Pace.BAR, style)
                        .chords()
                        .flatMap(place -> place.chord().stream())
                        .toList();
                assertThat(chords)
                        .isNotEmpty()
                        .allSatisfy(chord -> assertThat(chord.quality().tone(7).isPresent()
                                        || chord.quality().tone(6).isPresent())
                                .as("%s %s", style.id(), chord)
                                .isEqualTo(style.sevenths() || chord.quality().isDominant()));
                strange += (int) chords.stream()
                        .filter(chord -> !song.key().mode().isMinor()
                                && chord.tones().stream()
                                        .limit(3)
                                        .anyMatch(tone -> song.key().scale().stream()
                                                .noneMatch(own -> own.chroma() == tone.chroma())))
                        .count();
            }
            borrowed.put(style.id(), strange);
        }
        assertThat(borrowed.get("plain")).isZero();
        assertThat(borrowed.get("colourful")).isGreaterThan(borrowed.get("usual"));
    }

    private static Song read(String name) {
        String[] parts = name.split(":");
        try {
            String tune = Arrays.stream(FileText.of(Files.readAllBytes(EXAMPLES.resolve(parts[0] + ".abc")))
                            .split("(?m)^(?=X:)"))
                    .filter(each -> each.contains(parts[1]))
                    .findFirst()
                    .orElseThrow();
            return SongReader.read(tune.getBytes(StandardCharsets.UTF_8)).song().orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException("the examples of abcmidi are needed: apt-get install abcmidi", e);
        }
    }
}
