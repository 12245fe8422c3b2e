package zapateo.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.harmony.ChordSymbol;

/** Every example of the in-app help is read as the help says; the page and this test read one file. */
class HelpTest {

    private static final Path HELP = Path.of("../web/src/song/signs.ts");
    private static final Pattern ENTRY = Pattern.compile(
            "\\[\\s*((?:\"(?:[^\"\\\\]|\\\\.)*\"|'[^']*')(?:,\\s*(?:\"(?:[^\"\\\\]|\\\\.)*\"|'[^']*'))+),?\\s*\\]");
    private static final Pattern TEXT = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"|'([^']*)'");

    private static List<List<String>> entries() throws IOException {
        return ENTRY.matcher(Files.readString(HELP))
                .results()
                .map(MatchResult::group)
                .map(entry -> TEXT.matcher(entry)
                        .results()
                        .map(text -> text.group(1) != null ? text.group(1).replace("\\\"", "\"") : text.group(2))
                        .toList())
                .toList();
    }

    static Stream<String> signs() throws IOException {
        return entries().stream().filter(entry -> entry.size() == 2).map(entry -> entry.get(0));
    }

    static Stream<Arguments> habits() throws IOException {
        return entries().stream()
                .filter(entry -> entry.size() == 3)
                .map(entry -> Arguments.of(entry.get(0), entry.get(1)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("signs")
    void every_sign_of_the_help_is_read_without_a_word(String sign) {
        // A header or a heading needs bars below it, a line of words or tune bars above it, a form its sections.
        boolean under = sign.startsWith("Words:") || sign.startsWith("Tune:") || sign.startsWith("Melody:");
        boolean above = sign.contains(":") && Character.isLetter(sign.charAt(0))
                || sign.startsWith("[")
                || sign.startsWith("//");
        String sections = sign.startsWith("Form:")
                ? "[Verse]\n| C |\n[Chorus]\n| F |"
                : sign.contains("again") ? "" : "| C | F |";
        String text = under
                ? "| C | F |\n" + sign
                : sign.contains("again") ? "[Verse]\n| C | F |\n" + sign + "\n" : above ? sign + "\n" + sections : sign;
        ChartReading reading = ChartParser.parse(text);
        assertThat(reading.problems().stream()
                        .filter(problem -> !problem.code().equals("tune-short"))
                        .toList())
                .as(text)
                .isEmpty();
        assertThat(reading.song()).isPresent();
    }

    @ParameterizedTest(name = "{0} is {1}")
    @MethodSource("habits")
    void every_habit_of_the_help_is_read_as_it_says(String typed, String read) {
        assertThat(ChordSymbol.read(typed).map(ChordSymbol::toString).orElse(""))
                .isEqualTo(read);
    }
}
