package zapateo.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.pitch.Letter;
import zapateo.pitch.PitchClass;

class KeyTest {

    /** Signatures: common practice. */
    @ParameterizedTest(name = "{0} has {2} sharps (flats below zero)")
    @CsvSource({
        "C, C, 0",
        "G, G, 1",
        "F♯, F♯, 6",
        "C♯, C♯, 7",
        "F, F, -1",
        "Bb, B♭, -2",
        "E♭ major, E♭, -3",
        "D♭, D♭, -5",
        "C♭, C♭, -7",
        "Am, Am, 0",
        "A minor, Am, 0",
        "em, Em, 1",
        "Dm, Dm, -1",
        "Gm, Gm, -2",
        "C♯m, C♯m, 4",
        "A♭m, A♭m, -7",
        "E mixolydian, E mixolydian, 3",
        "G Mixolydian, G mixolydian, 0",
        "D dorian, D dorian, 0",
        "C dorian, C dorian, -2",
        "FM, F, -1",
        "B♭ maj, B♭, -2"
    })
    void keys_are_read_and_signed(String written, String canonical, int fifths) {
        Key key = Key.read(written).orElseThrow();
        assertThat(key).hasToString(canonical);
        assertThat(key.fifths()).isEqualTo(fifths);
        assertThat(Key.read(key.toString())).contains(key);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "H", "G♯", "D♭m", "C lydian-ish", "F♭", "🎹", "minor", "B♯"})
    void what_cannot_be_signed_is_no_key(String written) {
        assertThat(Key.read(written)).isEmpty();
    }

    @Test
    void a_key_with_eight_sharps_is_refused() {
        assertThatThrownBy(() -> Key.of(PitchClass.parse("G♯"), Mode.MAJOR)).hasMessageContaining("at most seven");
    }

    /** Order of flats B E A D G C F, of sharps F C G D A E B: common practice. */
    @ParameterizedTest(name = "{0} alters {1}")
    @CsvSource({"B♭, E B", "D♭, D E G A B", "C♭, C D E F G A B", "D, C F", "B, C D F G A", "C♯, C D E F G A B", "C, ''"
    })
    void the_signature_alters_its_letters(String written, String letters) {
        Key key = Key.read(written).orElseThrow();
        List<String> altered = Arrays.stream(Letter.values())
                .filter(letter -> key.alterationOf(letter) != 0)
                .map(Letter::name)
                .toList();
        assertThat(String.join(" ", altered)).isEqualTo(letters);
    }

    /** C D E F G A B are bits 0, 2, 4, 5, 7, 9, 11; every other key and mode against its scale, note by note. */
    @Test
    void the_notes_of_a_key_as_bits() {
        assertThat(Key.C_MAJOR.chromas()).isEqualTo(0b1010_1011_0101);
        for (Mode mode : Mode.values()) {
            for (int fifths = -7; fifths <= 7; fifths++) {
                Key key = Key.of(PitchClass.onLine(fifths - mode.fifthsFromMajor()), mode);
                assertThat(key.chromas())
                        .as(key.toString())
                        .isEqualTo(key.scale().stream()
                                .mapToInt(note -> 1 << note.chroma())
                                .sum());
            }
        }
    }

    /** HANDBOOK §4; further rows common practice. */
    @ParameterizedTest(name = "{0} in {1} is {2}")
    @CsvSource({
        "C, C, I",
        "Dm, C, ii",
        "Em7, C, iii7",
        "F, C, IV",
        "G7, C, V7",
        "Am, C, vi",
        "B°, C, vii°",
        "C/E, C, I/3",
        "C/G, C, I/5",
        "G7/F, C, V7/7",
        "B♭, C, ♭VII",
        "F♯°7, C, ♯iv°7",
        "A♭maj7, C, ♭VImaj7",
        "Fm6, C, iv6",
        "Am, Am, i",
        "B°, Am, ii°",
        "C, Am, ♭III",
        "E7, Am, V7",
        "F, Am, ♭VI",
        "G, Am, ♭VII",
        "G♯°7, Am, vii°7",
        "Dø, Cm, iiø",
        "E♭+, E♭, I+",
        "G♭, D♭, IV",
        "C/D, C, I/D",
        "Csus4, F, Vsus4",
        "D, E mixolydian, ♭VII"
    })
    void degrees_are_named_in_their_key(String chord, String key, String degree) {
        assertThat(Degree.of(ChordSymbol.parse(chord), Key.read(key).orElseThrow()))
                .hasToString(degree);
    }

    /** Progressions that state their key beyond doubt, in every transposition (common practice). */
    @ParameterizedTest(name = "{0} is in {1}")
    @CsvSource({
        "C F G7 C, C",
        "Am Dm E7 Am, Am",
        "C Am F G, C",
        "Dm7 G7 Cmaj7 Cmaj7, C",
        "Em Am B7 Em, Em",
        "F B♭ C7 F, F",
        "E♭ A♭ B♭7 E♭, E♭"
    })
    void the_key_is_found_from_the_chords(String chords, String key) {
        List<KeyFinder.Sounding> sounding = Arrays.stream(chords.split(" "))
                .map(ChordSymbol::parse)
                .map(chord -> new KeyFinder.Sounding(chord, 4))
                .toList();
        assertThat(KeyFinder.rank(sounding).get(0).key()).hasToString(key);
    }

    @Test
    void a_transposed_progression_has_a_transposed_key() {
        for (int shift = 0; shift < 12; shift++) {
            int by = shift;
            List<KeyFinder.Sounding> moved = List.of("C", "F", "G7", "C").stream()
                    .map(ChordSymbol::parse)
                    .map(chord -> new ChordSymbol(
                            PitchClass.simplest(chord.root().chroma() + by), chord.quality(), chord.over()))
                    .map(chord -> new KeyFinder.Sounding(chord, 4))
                    .toList();
            Key found = KeyFinder.rank(moved).get(0).key();
            assertThat(found.tonic().chroma()).isEqualTo(shift);
            assertThat(found.mode()).isEqualTo(Mode.MAJOR);
        }
    }

    @Test
    void no_chords_have_no_key_and_all_24_are_ranked_else() {
        assertThat(KeyFinder.rank(List.of())).isEmpty();
        assertThat(KeyFinder.rank(List.of(new KeyFinder.Sounding(ChordSymbol.parse("C"), 1))))
                .hasSize(24);
    }
}
