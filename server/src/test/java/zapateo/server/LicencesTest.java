package zapateo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/**
 * The documented list of what ships is the one the build makes; written anew with {@code -Dlicences.write=true} after a
 * change of dependencies.
 */
class LicencesTest {

    private static final Path LIST = TestDatabase.root().resolve("docs/LICENCES.md");
    private static final Pattern BUNDLED = Pattern.compile("^## (\\S+) - (\\S+) \\((.+)\\)$", Pattern.MULTILINE);
    private static final String HEAD = """
            # What ships of other people's work

            Made by the build (license-maven-plugin for the server, Vite for the page); the same lists, those of the \
            page with the texts of the licences, are served under
            `/licences/SERVER.md` and `/licences/PAGE.md`. Fonts, sounds, the engraver: see the README.

            ## In the server

            """;

    private static String built(String file) throws IOException {
        try (InputStream in = LicencesTest.class.getResourceAsStream("/static/licences/" + file)) {
            assertThat(in).as(file + " as the build makes it").isNotNull();
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static String list() throws IOException {
        List<MatchResult> page = BUNDLED.matcher(built("PAGE.md")).results().toList();
        return HEAD + built("SERVER.md").strip() + "\n\n## In the page\n\n| what | version | licence |\n|---|---|---|\n"
                + page.stream()
                        .map(each -> "| `" + each.group(1) + "` | " + each.group(2) + " | " + each.group(3) + " |\n")
                        .collect(Collectors.joining());
    }

    @Test
    void the_list_is_what_the_build_makes() throws IOException {
        if (Boolean.getBoolean("licences.write")) {
            Files.writeString(LIST, list());
        }
        assertThat(Files.readString(LIST)).isEqualTo(list());
    }

    /** What is known to ship, and once was missing from the list. */
    @Test
    void it_names_what_ships() throws IOException {
        assertThat(list())
                .contains(
                        "tomcat-embed-core",
                        "jackson-databind",
                        "HikariCP",
                        "logback-classic",
                        "postgresql",
                        "caffeine",
                        "`react`",
                        "`tone`",
                        "`jspdf`");
        assertThat(list().lines().filter(line -> line.startsWith("| ") && line.endsWith("|  |")))
                .as("none without its licence")
                .isEmpty();
    }
}
