package zapateo.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.harmony.ChordSymbol;
import zapateo.refusal.Refused;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * Every rule, worked in three keys (colour/rules.csv: by hand in C or A minor, after HANDBOOK §10 and common practice).
 */
class ColourRulesTest {

    static Song song(String key, String chart) {
        return ChartParser.parse("key: " + key + "\n" + chart.replace('~', '\n'))
                .song()
                .orElseThrow();
    }

    /** The chords of each bar, with where it begins in its bar. */
    static String beats(Song song) {
        List<String> bars = new ArrayList<>();
        for (var bar : song.bars()) {
            StringBuilder text = new StringBuilder();
            for (var span : bar.chords()) {
                text.append(span.written()).append('@').append(span.tick()).append(' ');
            }
            bars.add(text.toString().strip());
        }
        return String.join(" | ", bars);
    }

    @ParameterizedTest(name = "{0} in {1}")
    @CsvFileSource(resources = "/zapateo/colour/rules.csv", delimiter = ';')
    void a_rule_makes_what_the_table_says(String id, String key, String chart, String heard) {
        Song song = song(key, chart);
        String[] names = id.split("/");
        List<Offer> offers = new Offers(song, Optional.empty())
                .in(0, 100).stream()
                        .filter(offer -> offer.rule().id().equals(names[0])
                                && offer.colour().variant().equals(names[1]))
                        .toList();
        assertThat(offers).as("offers of %s", id).isNotEmpty();
        Offer first = offers.get(0);
        KeptColour once = new KeptColour(
                first.colour().bar(),
                Optional.of(song.bars().get(first.bar()).pass()),
                first.colour().tick(),
                first.colour().over(),
                names[0],
                names[1]);
        Coloured coloured = Coloured.of(song, List.of(once));
        assertThat(beats(coloured.song())).isEqualTo(beats(song(key, heard)));
        assertThat(coloured.parked()).isEmpty();
        assertThat(coloured.borrowed()).isSameAs(song);
    }

    @Test
    void every_variant_of_every_rule_stands_in_the_table() throws Exception {
        Set<String> told;
        try (Stream<String> lines = new java.io.BufferedReader(new java.io.InputStreamReader(
                        ColourRulesTest.class.getResourceAsStream("/zapateo/colour/rules.csv"),
                        java.nio.charset.StandardCharsets.UTF_8))
                .lines()) {
            told = lines.filter(line -> !line.startsWith("#"))
                    .map(line -> line.split(";")[0])
                    .collect(Collectors.toCollection(TreeSet::new));
        }
        Set<String> there = ColourRule.all().stream()
                .flatMap(rule -> rule.makes().keySet().stream().map(variant -> rule.id() + "/" + variant))
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(told).isEqualTo(there);
        assertThat(ColourRule.all()).hasSizeGreaterThanOrEqualTo(45).allSatisfy(rule -> {
            assertThat(rule.styles()).isNotEmpty();
            assertThat(rule.why()).endsWith(".");
        });
    }

    /**
     * Source: HANDBOOK §10, its last sentence; the chords by hand: a diminished seventh a semitone below each chord of
     * the scale, a third apart in its letters.
     */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "C: C C♯°7 Dm D♯°7 Em|F F♯°7 G G♯°7 Am",
                "G: G G♯°7 Am A♯°7 Bm|C C♯°7 D D♯°7 Em",
                "D: D D♯°7 Em E♯°7 F♯m|G G♯°7 A A♯°7 Bm",
                "A: A A♯°7 Bm B♯°7 C♯m|D D♯°7 E E♯°7 F♯m",
                "E: E E♯°7 F♯m G°7 G♯m|A A♯°7 B B♯°7 C♯m",
                "B: B B♯°7 C♯m D°7 D♯m|E E♯°7 F♯ G°7 G♯m",
                "F: F F♯°7 Gm G♯°7 Am|B♭ B°7 C C♯°7 Dm",
                "B♭: B♭ B°7 Cm C♯°7 Dm|E♭ E°7 F F♯°7 Gm",
                "E♭: E♭ E°7 Fm F♯°7 Gm|A♭ A°7 B♭ B°7 Cm",
                "A♭: A♭ A°7 B♭m B°7 Cm|D♭ D°7 E♭ E°7 Fm",
                "D♭: D♭ D°7 E♭m E°7 Fm|G♭ G°7 A♭ A°7 B♭m",
                "G♭: G♭ G°7 A♭m A°7 B♭m|C♭ C°7 D♭ D°7 E♭m"
            })
    void the_scale_with_a_diminished_seventh_before_each_chord(String row) {
        String key = row.substring(0, row.indexOf(':'));
        for (String run : row.substring(row.indexOf(':') + 2).split("\\|")) {
            String[] chords = run.split(" ");
            Song song = song(key, "| " + chords[0] + " | " + chords[2] + " | " + chords[4] + " |");
            List<KeptColour> kept = List.of(
                    passing(1, chords[0], "passing-diminished-up"), passing(2, chords[2], "passing-diminished-up"));
            assertThat(beats(Coloured.of(song, kept).song()))
                    .isEqualTo(beats(song(
                            key,
                            "| " + chords[0] + " " + chords[1] + " | " + chords[2] + " " + chords[3] + " | " + chords[4]
                                    + " |")));
        }
    }

    /** The same from above, down from the third degree; source as above. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "C: Em E♭°7 Dm",
                "G: Bm B♭°7 Am",
                "D: F♯m F°7 Em",
                "A: C♯m C°7 Bm",
                "E: G♯m G°7 F♯m",
                "B: D♯m D°7 C♯m",
                "F: Am A♭°7 Gm",
                "B♭: Dm D♭°7 Cm",
                "E♭: Gm G♭°7 Fm",
                "A♭: Cm C♭°7 B♭m",
                "D♭: Fm F♭°7 E♭m",
                "G♭: B♭m A°7 A♭m"
            })
    void and_from_above(String row) {
        String[] words = row.split(":? ");
        Song song = song(words[0], "| " + words[1] + " | " + words[3] + " |");
        assertThat(beats(Coloured.of(song, List.of(passing(1, words[1], "passing-diminished-down")))
                        .song()))
                .isEqualTo(beats(song(words[0], "| " + words[1] + " " + words[2] + " | " + words[3] + " |")));
    }

    private static KeptColour passing(int bar, String over, String rule) {
        return new KeptColour(bar, Optional.empty(), 0, List.of(over), rule, "half");
    }

    /** Spelled by thirds (common practice): the tones of a passing chord are named letter by letter. */
    @ParameterizedTest
    @CsvSource({"C♯°7,C♯ E G B♭", "F♯°7,F♯ A C E♭", "D♯°7,D♯ F♯ A C", "E♭°7,E♭ G♭ B𝄫 D𝄫"})
    void a_diminished_seventh_is_spelled_by_thirds(String chord, String tones) {
        assertThat(ChordSymbol.parse(chord).tones().stream()
                        .map(Object::toString)
                        .collect(Collectors.joining(" ")))
                .isEqualTo(tones);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "makes: {a: c1 m7 1/x};1/x",
                "makes: {a: x1 m7};expected c, n or k",
                "makes: {a: c1 blue};expected a chord's sign",
                "makes: {a: c1 m7}\\n  is: [m]\\n  colour: red;unknown field"
            })
    void a_mistake_in_a_rule_is_told_with_its_file_and_line(String lines, String told) {
        String yaml = "mine:\n  name: Mine\n  " + lines.replace("\\n", "\n") + "\n  styles: {jazz: 2}\n  why: Because.";
        assertThatThrownBy(() -> ColourRule.parse("mine", yaml))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("mine.yaml:")
                .hasMessageContaining(told);
    }

    @Test
    void a_weight_of_no_style_or_too_much_is_refused() {
        assertThatThrownBy(() -> ColourRule.parse(
                        "mine", "mine:\n  name: M\n  makes: {a: c1 7}\n  styles: {disco: 1}\n  why: B."))
                .hasMessageContaining("style \"disco\"");
        assertThatThrownBy(() -> ColourRule.parse(
                        "mine", "mine:\n  name: M\n  makes: {a: c1 7}\n  styles: {jazz: 4}\n  why: B."))
                .hasMessageContaining("expected 1 to 3");
        assertThat(ColourRule.parse("mine", "mine:\n  name: M\n  makes: {a: c1 7}\n  styles: {jazz: 1}\n  why: B.")
                        .get(0)
                        .styles())
                .isEqualTo(Map.of(ColourStyle.JAZZ, 1));
    }
}
