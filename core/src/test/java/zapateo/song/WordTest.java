package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Text apart at white space, remarks and signs kept whole, each word with its column. */
class WordTest {

    private static final Pattern SLOWLY = Pattern.compile("\"[^\"]*\"?|\\([^)\"]*\\)|\\S+");

    private static Word word(String text) {
        return new Word(text, 3, 5);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '\'',
            value = {
                "C . F;C@5|.@7|F@9",
                "'C \"big leap\" F';'C@5|\"big leap\"@7|F@18'",
                "(4/4) C;(4/4)@5|C@11",
                "( C;(@5|C@7",
                "'( a \" b ) \"';'(@5|a@7|\" b ) \"@9'",
                "'C \"open end';'C@5|\"open end@7'",
                "C(4/4) (fermata);C(4/4)@5|(fermata)@12",
                "'  x2  ';x2@7"
            })
    void words_stand_where_they_stand(String text, String words) {
        assertThat(word(text).words().stream()
                        .map(each -> each.text() + "@" + each.column())
                        .collect(Collectors.joining("|")))
                .isEqualTo(words);
    }

    /**
     * As a pattern would find them, which looks for each closing sign anew: 2,000 texts of quotes, signs and letters
     * drawn by seed.
     */
    @Test
    void they_are_what_a_pattern_finds() {
        List<String> pieces = List.of("C", " ", "\"", "(", ")", "  ", "x2", "\t", ".", "♭");
        for (int seed = 0; seed < 2000; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < 30; i++) {
                text.append(pieces.get(random.nextInt(pieces.size())));
            }
            List<String> wanted = SLOWLY.matcher(text)
                    .results()
                    .map(match -> match.group() + "@" + (5 + match.start()))
                    .toList();
            assertThat(word(text.toString()).words().stream()
                            .map(each -> each.text() + "@" + each.column())
                            .toList())
                    .as("seed %d: %s", seed, text)
                    .isEqualTo(wanted);
            assertThat(word(text.toString()).firstWord(0).map(each -> each.text() + "@" + each.column()))
                    .as("seed %d", seed)
                    .isEqualTo(wanted.stream().findFirst());
        }
    }
}
