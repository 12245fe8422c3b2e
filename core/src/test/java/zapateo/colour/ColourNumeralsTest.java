package zapateo.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Degree;
import zapateo.harmony.Key;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * What coloured songs are made of, by Roman numerals: wherever a chord that a colour put there stands in the table of
 * npm music21j 0.23.7 (its figure for the chord it builds itself, see the README), it has that table's numeral.
 */
class ColourNumeralsTest {

    private static final List<String> STEPS = List.of("i", "ii", "iii", "iv", "v", "vi", "vii");

    /** A line of the table: the chord a key's figure stands for, and how its numeral is written here. */
    private record Row(String key, String figure, String tones, String numeral) {

        /** Whether it is a chord of the key, or leads to what follows. */
        private boolean holds(Key at, Optional<ChordSymbol> next) {
            int slash = figure.indexOf('/');
            return slash < 0
                    || next.filter(chord -> chord.root().chroma()
                                    == at.scale()
                                            .get(STEPS.indexOf(
                                                    figure.substring(slash + 1).toLowerCase(java.util.Locale.ROOT)))
                                            .chroma())
                            .isPresent();
        }
    }

    private static List<Row> table() throws IOException {
        try (InputStream in = ColourNumeralsTest.class.getResourceAsStream("/zapateo/harmony/music21j-numerals.csv")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("key;"))
                    .map(line -> line.split(";"))
                    .map(row -> new Row(row[0], row[1], row[2], row[3]))
                    .toList();
        }
    }

    /** Sixteen bars of the key's own chords. */
    private static String chart(Key key, int seed) {
        Random random = new Random(seed);
        List<String> signs =
                key.mode().isMinor() ? List.of("m", "", "", "m", "7", "", "") : List.of("", "m", "m", "", "7", "m", "");
        int[] steps = key.mode().isMinor() ? new int[] {0, 2, 3, 4, 5} : new int[] {0, 1, 2, 3, 4, 5};
        StringBuilder chart = new StringBuilder("Key: " + key + "\n|");
        for (int bar = 0; bar < 16; bar++) {
            int step = bar % 8 == 7 ? 0 : bar % 8 == 6 ? 4 : steps[random.nextInt(steps.length)];
            chart.append(' ')
                    .append(key.scale().get(step))
                    .append(signs.get(step))
                    .append(" |");
        }
        return chart.toString();
    }

    @Test
    void chords_that_colours_make_have_the_numerals_of_an_independent_table() throws IOException {
        List<Row> table = table();
        List<String> keys = table.stream().map(Row::key).distinct().toList();
        List<String> unlike = new ArrayList<>();
        int compared = 0;
        for (int seed = 0; seed < 200; seed++) {
            Song song = ChartParser.parse(
                            chart(Key.read(keys.get(seed % keys.size())).orElseThrow(), seed))
                    .song()
                    .orElseThrow();
            Song coloured = Coloured.of(song, WholeSong.of(song, ColourStyle.values()[seed % 11], 4, seed))
                    .song();
            List<Song.Placed> all = coloured.chords().toList();
            for (int at = 0; at < all.size(); at++) {
                Optional<ChordSymbol> chord =
                        all.get(at).chord().filter(each -> each.over().isEmpty());
                Optional<ChordSymbol> next =
                        at + 1 < all.size() ? all.get(at + 1).chord() : Optional.empty();
                Key key = all.get(at).bar().key();
                if (chord.isPresent()) {
                    String tones =
                            chord.get().tones().stream().map(Object::toString).collect(Collectors.joining(" "));
                    List<String> expected = table.stream()
                            .filter(row -> row.key().equals(key.toString())
                                    && row.tones().equals(tones)
                                    && row.holds(key, next))
                            .map(Row::numeral)
                            .toList();
                    String found = Degree.of(chord.get(), key, next).roman();
                    compared += expected.isEmpty() ? 0 : 1;
                    if (!expected.isEmpty() && !expected.contains(found)) {
                        unlike.add("seed " + seed + " " + key + ": " + chord.get() + " before "
                                + next.map(Object::toString).orElse("-") + ": " + found + ", expected " + expected);
                    }
                }
            }
        }
        assertThat(compared).isGreaterThan(500);
        assertThat(unlike).isEmpty();
    }
}
