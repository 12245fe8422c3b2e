package zapateo.server.problems;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import java.util.ResourceBundle;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.critic.Critic;
import zapateo.lefthand.Spice;

/** What the core gives as a reason has words on the page. */
class ReasonWordsTest {

    static Stream<String> codes() {
        return Stream.concat(
                Spice.all().stream().map(spice -> "lively-" + spice.id()),
                Critic.ids().stream().flatMap(row -> Stream.of("fault-" + row, "better-" + row)));
    }

    @ParameterizedTest
    @MethodSource("codes")
    void every_reason_has_words(String code) {
        ResourceBundle words = ResourceBundle.getBundle("reasons", Locale.ROOT);
        assertThat(words.containsKey(code)).as(code).isTrue();
        assertThat(words.getString(code)).endsWith(".");
    }
}
