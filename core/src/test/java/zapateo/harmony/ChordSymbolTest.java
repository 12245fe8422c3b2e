package zapateo.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.pitch.PitchClass;

class ChordSymbolTest {

    private static final List<String> ROOTS = List.of("C", "C♯", "D♭", "D", "D♯", "E♭", "E", "F", "F♯", "G♭", "G", "G♯", "A♭", "A", "B♭", "B", "C♭");

    /** Against the table printed by npm tonal 6.4.3; see the README beside it. */
    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvFileSource(resources = "/zapateo/harmony/tonal-chord-tones.csv", delimiter = ';', numLinesToSkip = 1)
    void tones_agree_with_an_independent_table_in_all_twelve_keys(String root, String qualityId, String tones) {
        Quality quality = Quality.all().stream().filter(each -> each.id().equals(qualityId)).findFirst().orElseThrow();
        ChordSymbol chord = new ChordSymbol(PitchClass.parse(root), quality, Optional.empty());
        assertThat(chord.tones()).containsExactlyElementsOf(Stream.of(tones.split(" ")).map(PitchClass::parse).toList());
    }

    @Test
    void the_independent_table_covers_every_quality() {
        assertThat(Quality.all()).hasSize(15);
    }

    @ParameterizedTest(name = "{0} is {1}")
    @CsvSource({
        "B°7, B D F A♭",        // HANDBOOK §3
        "G♯dim7, G♯ B D F",     // HANDBOOK §3
        "C♯m, C♯ E G♯",         // HANDBOOK §3
        "Csus4, C F G", "Fø, F A♭ C♭ E♭", "D♭add9, D♭ F A♭ E♭", "A♭6, A♭ C E♭ F", "E+, E G♯ B♯"})
    void tones_are_spelled_by_thirds(String symbol, String tones) {
        assertThat(names(ChordSymbol.parse(symbol))).isEqualTo(tones);
    }

    /** The usual spellings of one thing (HANDBOOK §3). */
    @ParameterizedTest(name = "{0}")
    @ValueSource(strings = {
        "Cmaj7 C△7 CM7 CΔ CΔ7 CMaj7", "Cm C- Cmin Cmi", "C° Co Cdim", "Cø Cm7b5 Cm7♭5 C-7b5 Cmin7b5", "C+ Caug", "Cm7 C-7 Cmin7", "C°7 Co7 Cdim7",
        "Csus4 Csus", "Csus2 C2", "C6 Cmaj6", "Cm6 C-6 Cmin6", "C Cmaj CM", "C7 Cdom7", "Bb/D B♭/D", "Cadd9 C(add9)"})
    void many_spellings_read_the_same(String spellings) {
        Stream<ChordSymbol> read = Stream.of(spellings.split(" ")).map(ChordSymbol::parse);
        assertThat(read.collect(Collectors.toSet())).hasSize(1);
    }

    @Test
    void writing_and_reading_gives_the_same_chord_for_every_root_quality_and_bass() {
        for (String root : ROOTS) {
            for (Quality quality : Quality.all()) {
                for (String bass : ROOTS) {
                    ChordSymbol chord = new ChordSymbol(PitchClass.parse(root), quality, Optional.of(PitchClass.parse(bass)));
                    assertThat(ChordSymbol.parse(chord.toString())).isEqualTo(chord);
                }
            }
        }
    }

    @Test
    void every_spelling_in_the_table_is_read_as_its_quality() {
        Quality.spellings().forEach((sign, quality) -> assertThat(ChordSymbol.parse("G" + sign).quality()).as("G" + sign).isEqualTo(quality));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "c", "H", "C13", "Calt", "C/", "C/H", "C/e", "C//E", "Cfoo", "C7/", "/C", "♭", "Cm7b9", "C5", "🎹", "am"})
    void what_is_not_known_yet_is_not_guessed(String text) {
        assertThat(ChordSymbol.read(text)).isEmpty();
        assertThatThrownBy(() -> ChordSymbol.parse(text)).hasMessage("chord \"" + text + "\": not known yet");
    }

    @ParameterizedTest(name = "the bass of {0} is {1}, its tone {2}")
    @CsvSource({"C, C, 1", "C/E, E, 3", "A♭/C, C, 3", "D♭/A♭, A♭, 5", "F7/E♭, E♭, 7", "B♭/E♭, E♭, ", "C/C, C, 1", "Gsus4/C, C, 4", "F6/D, D, 6"})
    void a_slash_bass_is_known_for_what_it_is(String symbol, String bass, Integer degree) {
        ChordSymbol chord = ChordSymbol.parse(symbol);
        assertThat(chord.bass()).hasToString(bass);
        assertThat(chord.bassDegree()).isEqualTo(Optional.ofNullable(degree));
    }

    @Test
    void a_slash_with_the_root_itself_is_no_slash_chord() {
        assertThat(ChordSymbol.parse("C/C")).isEqualTo(ChordSymbol.parse("C"));
    }

    /** HANDBOOK §3: third and seventh of a dominant are a tritone apart, the seventh a whole tone below the root. */
    @ParameterizedTest
    @MethodSource("dominants")
    void a_dominant_holds_its_tritone(ChordSymbol chord) {
        assertThat(chord.quality().isDominant()).isTrue();
        int third = chord.tones().get(1).chroma();
        int seventh = chord.tones().get(3).chroma();
        assertThat(Math.floorMod(seventh - third, 12)).isEqualTo(6);
        assertThat(Math.floorMod(chord.root().chroma() - seventh, 12)).isEqualTo(2);
    }

    static Stream<ChordSymbol> dominants() {
        return ROOTS.stream().map(root -> ChordSymbol.parse(root + "7"));
    }

    private static String names(ChordSymbol chord) {
        return chord.tones().stream().map(PitchClass::toString).collect(Collectors.joining(" "));
    }
}
