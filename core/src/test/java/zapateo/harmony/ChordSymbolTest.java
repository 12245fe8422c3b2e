package zapateo.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.pitch.PitchClass;

class ChordSymbolTest {

    private static final List<String> ROOTS =
            List.of("C", "C♯", "D♭", "D", "D♯", "E♭", "E", "F", "F♯", "G♭", "G", "G♯", "A♭", "A", "B♭", "B", "C♭");

    private static final List<String> TONAL_ROOTS =
            List.of("C", "C♯", "D♭", "D", "E♭", "E", "F", "F♯", "G♭", "G", "A♭", "A", "B♭", "B");

    /**
     * Every symbol of the dictionary of npm tonal 6.4.3 on fourteen roots, but for those in tonal-debatable.csv; see
     * the README beside them.
     */
    @ParameterizedTest(name = "C{0}")
    @MethodSource("dictionary")
    void tones_agree_with_an_independent_dictionary_on_every_root(String alias, List<String> tones) {
        for (int i = 0; i < TONAL_ROOTS.size(); i++) {
            ChordSymbol chord = ChordSymbol.parse(TONAL_ROOTS.get(i) + alias);
            Set<PitchClass> theirs =
                    Stream.of(tones.get(i).split(" ")).map(PitchClass::parse).collect(Collectors.toSet());
            assertThat(Set.copyOf(chord.tones()))
                    .as(chord + " from " + TONAL_ROOTS.get(i) + alias)
                    .isEqualTo(theirs);
            assertThat(chord.chromas())
                    .as(chord + " as bits")
                    .isEqualTo(chord.tones().stream()
                            .mapToInt(tone -> 1 << tone.chroma())
                            .reduce(0, (one, other) -> one | other));
            assertThat(ChordSymbol.parse(chord.toString())).isEqualTo(chord);
        }
    }

    static Stream<Arguments> dictionary() throws IOException {
        Set<String> debatable =
                rows("tonal-debatable.csv").map(row -> row.split(";", -1)[0]).collect(Collectors.toSet());
        return rows("tonal-dictionary.csv")
                .map(row -> List.of(row.split(";", -1)))
                .filter(row -> !debatable.contains(row.get(0)))
                .map(row -> Arguments.of(row.get(0), row.subList(1, row.size())));
    }

    @Test
    void of_the_dictionary_few_are_debatable_and_each_says_why() throws IOException {
        assertThat(dictionary().count()).isGreaterThan(180);
        assertThat(rows("tonal-debatable.csv"))
                .allSatisfy(row -> assertThat(row.split(";", -1)[1]).hasSizeGreaterThan(10));
    }

    private static Stream<String> rows(String file) throws IOException {
        try (InputStream in = ChordSymbolTest.class.getResourceAsStream("/zapateo/harmony/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines().filter(line -> !line.startsWith("# ")).toList().stream();
        }
    }

    /** HANDBOOK §3, in semitones from the root. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "C, 0 4 7",
        "Cm, 0 3 7",
        "Cdim, 0 3 6",
        "Caug, 0 4 8",
        "C5, 0 7",
        "Csus2, 0 2 7",
        "Csus4, 0 5 7",
        "C6, 0 4 7 9",
        "Cm6, 0 3 7 9",
        "C7, 0 4 7 10",
        "Cmaj7, 0 4 7 11",
        "Cm7, 0 3 7 10",
        "Cm(maj7), 0 3 7 11",
        "Cø, 0 3 6 10",
        "Cm7b5, 0 3 6 10",
        "Cdim7, 0 3 6 9",
        "C7sus4, 0 5 7 10",
        "Caug7, 0 4 8 10",
        "C6/9, 0 4 7 9 14",
        "C9, 0 4 7 10 14",
        "C11, 0 7 10 14 17",
        "Cm11, 0 3 7 10 14 17",
        "C13, 0 4 7 10 14 21",
        "Cadd9, 0 4 7 14",
        "Calt, 0 4 8 10 15"
    })
    void qualities_are_the_handbooks(String symbol, String semitones) {
        assertThat(ChordSymbol.parse(symbol).quality().tones().stream()
                        .map(tone -> String.valueOf(tone.semitones()))
                        .collect(Collectors.joining(" ")))
                .isEqualTo(semitones);
    }

    /** Habits that differ from player to player are decided once; the in-app help lists them. */
    @ParameterizedTest(name = "{0} is {1}")
    @CsvSource({
        "C2, Csus2",
        "C(9), Cadd9",
        "C7(9), C9",
        "C6(9), C6/9",
        "C(♭9), C7♭9",
        "Cm(11), Cmadd11",
        "C7(♭5 ♯9), C7♭5♯9",
        "'C7(b9,b13)', C7♭9♭13",
        "C7alt, Calt",
        "C+7, C7♯5",
        "C9+, C9♯5",
        "C9♭9, C7♭9",
        "C13♯11, C13♯11",
        "Cm7♭5, Cø",
        "Cm9♭5, Cø9",
        "C+maj7, Cmaj7♯5",
        "Cm(#5), Cm♯5",
        "C7omit3, C7no3",
        "CM7#11, Cmaj7♯11",
        "C△♯11, Cmaj7♯11",
        "C-△, Cm(maj7)",
        "C7sus, C7sus4",
        "Cadd4, Cadd11",
        "Csus4add9, Csus4add9",
        "C7♯5♭9♯11, C7♯5♭9♯11",
        "C67, C7add13",
        "Cmb6, Cmadd♭6",
        "Cdim(maj7), C°maj7",
        "C(♭5), C(♭5)",
        "C6/9/E, C6/9/E"
    })
    void every_chord_has_one_spelling(String typed, String canonical) {
        assertThat(ChordSymbol.parse(typed)).hasToString(canonical);
        assertThat(ChordSymbol.parse(canonical)).isEqualTo(ChordSymbol.parse(typed));
    }

    @ParameterizedTest(name = "{0}: {1} at {2}")
    @CsvSource(
            delimiter = ';',
            value = {
                "C4;quartal;1",
                "Cquartal;quartal;1",
                "H7;root;0",
                "'';root;0",
                "c;root;0",
                "Cfoo;unknown;1",
                "C7foo;unknown;2",
                "C7♭9foo;unknown;4",
                "C/;bass;2",
                "C/H;bass;2",
                "C7/e;bass;3",
                "C(♭9;parentheses;1",
                "C7b9b9;unknown;4",
                "C9x;unknown;2"
            })
    void what_is_no_chord_is_refused_with_the_reason_and_the_place(String text, String reason, int position) {
        assertThatThrownBy(() -> ChordSymbol.parse(text)).isInstanceOfSatisfying(ChordUnreadException.class, unread -> {
            assertThat(unread.reason()).isEqualTo(reason);
            assertThat(unread.position()).isEqualTo(position);
        });
    }

    @Test
    void ten_thousand_random_strings_throw_nothing_but_the_parse_error() {
        String alphabet = "CDEFGABHcmMbbb##♭♯𝄫𝄪x°oø+-△Δ0123456789/()susaddnomajindltø ,🎹";
        for (int seed = 0; seed < 10_000; seed++) {
            Random random = new Random(seed);
            String text = random.ints(random.nextInt(9), 0, alphabet.length())
                    .mapToObj(i -> alphabet.substring(i, i + 1))
                    .collect(Collectors.joining());
            String symbol = random.nextBoolean() ? "ABCDEFG".charAt(random.nextInt(7)) + text : text;
            try {
                ChordSymbol chord = ChordSymbol.parse(symbol);
                assertThat(ChordSymbol.parse(chord.toString()))
                        .as("seed " + seed + ": " + symbol)
                        .isEqualTo(chord);
            } catch (ChordUnreadException unread) {
                assertThat(unread.position()).as("seed " + seed + ": " + symbol).isBetween(0, symbol.length());
            }
        }
    }

    @Test
    void every_quality_with_any_two_modifiers_reads_back() {
        for (Quality quality : Qualities.all()) {
            for (Modifier one : Qualities.allModifiers()) {
                for (Modifier two : Qualities.allModifiers()) {
                    ChordSymbol chord =
                            ChordSymbol.of(PitchClass.parse("D"), Qualities.with(Qualities.with(quality, one), two));
                    assertThat(ChordSymbol.parse(chord.toString())).isEqualTo(chord);
                }
            }
        }
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"B°7, B D F A♭", "C♯°7, C♯ E G B♭", "E♭°7, E♭ G♭ A C", "C°7, C E♭ G♭ A", "G♭m7, G♭ A D♭ F♭"})
    void double_flats_can_be_written_simply(String symbol, String tones) {
        assertThat(ChordSymbol.parse(symbol).simpleTones().stream()
                        .map(PitchClass::toString)
                        .collect(Collectors.joining(" ")))
                .isEqualTo(tones);
    }

    @ParameterizedTest(name = "{0} is {1}")
    @CsvSource({
        "B°7, B D F A♭", // HANDBOOK §3
        "G♯dim7, G♯ B D F", // HANDBOOK §3
        "C♯m, C♯ E G♯", // HANDBOOK §3
        "Csus4, C F G",
        "Fø, F A♭ C♭ E♭",
        "D♭add9, D♭ F A♭ E♭",
        "A♭6, A♭ C E♭ F",
        "E+, E G♯ B♯"
    })
    void tones_are_spelled_by_thirds(String symbol, String tones) {
        assertThat(names(ChordSymbol.parse(symbol))).isEqualTo(tones);
    }

    /** The usual spellings of one thing (HANDBOOK §3). */
    @ParameterizedTest(name = "{0}")
    @ValueSource(
            strings = {
                "Cmaj7 C△7 CM7 CΔ CΔ7 CMaj7",
                "Cm C- Cmin Cmi",
                "C° Co Cdim",
                "Cø Cm7b5 Cm7♭5 C-7b5 Cmin7b5",
                "C+ Caug",
                "Cm7 C-7 Cmin7",
                "C°7 Co7 Cdim7",
                "Csus4 Csus",
                "Csus2 C2",
                "C6 Cmaj6",
                "Cm6 C-6 Cmin6",
                "C Cmaj CM",
                "C7 Cdom7",
                "Bb/D B♭/D",
                "Cadd9 C(add9)"
            })
    void many_spellings_read_the_same(String spellings) {
        Stream<ChordSymbol> read = Stream.of(spellings.split(" ")).map(ChordSymbol::parse);
        assertThat(read.collect(Collectors.toSet())).hasSize(1);
    }

    @Test
    void writing_and_reading_gives_the_same_chord_for_every_root_quality_and_bass() {
        for (String root : ROOTS) {
            for (Quality quality : Qualities.all()) {
                for (String bass : ROOTS) {
                    ChordSymbol chord =
                            new ChordSymbol(PitchClass.parse(root), quality, Optional.of(PitchClass.parse(bass)));
                    assertThat(ChordSymbol.parse(chord.toString())).isEqualTo(chord);
                }
            }
        }
    }

    @Test
    void every_spelling_in_the_table_is_read_as_its_quality() {
        Qualities.spellings()
                .forEach((sign, quality) -> assertThat(
                                ChordSymbol.parse("G" + sign).quality())
                        .as("G" + sign)
                        .isEqualTo(quality));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "c", "H", "C/", "C/H", "C/e", "C//E", "Cfoo", "C7/", "/C", "♭", "🎹", "am", "C4", "C7/G7"})
    void what_is_no_chord_is_not_guessed(String text) {
        assertThat(ChordSymbol.read(text)).isEmpty();
    }

    @ParameterizedTest(name = "the bass of {0} is {1}, its tone {2}")
    @CsvSource({
        "C, C, 1",
        "C/E, E, 3",
        "A♭/C, C, 3",
        "D♭/A♭, A♭, 5",
        "F7/E♭, E♭, 7",
        "B♭/E♭, E♭, ",
        "C/C, C, 1",
        "Gsus4/C, C, 4",
        "F6/D, D, 6"
    })
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
