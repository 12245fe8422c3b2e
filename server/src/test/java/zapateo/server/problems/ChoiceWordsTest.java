package zapateo.server.problems;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zapateo.arrangement.SongChoice;
import zapateo.choice.Choice;
import zapateo.choice.Range;

/** A row of the table of choices is on the screen with its words alone. */
class ChoiceWordsTest {

    private final ChoiceWords words = new ChoiceWords();

    static List<Choice<?>> table() {
        return SongChoice.table();
    }

    @ParameterizedTest
    @MethodSource("table")
    void each_row_and_each_of_its_values_has_words(Choice<?> choice) {
        assertThat(words.name(choice.id())).isNotBlank();
        assertThat(words.values(choice))
                .allSatisfy(value -> assertThat(value.name())
                        .as("%s.%s", choice.id(), value.id())
                        .isNotBlank())
                .extracting(Choice.Thing::id)
                .containsAll(choice.range().values());
        if (choice.range().form() == Range.Form.YES_NO && !choice.apart()) {
            assertThat(words.on(choice)).isPresent();
        }
    }

    @Test
    void no_word_is_left_over() {
        Set<String> known = new HashSet<>(Set.of("locks"));
        for (Choice<?> choice : table()) {
            known.add(choice.id());
            List.of("open", "says", "none", "true", "each").forEach(kind -> known.add(choice.id() + "." + kind));
            words.values(choice).forEach(value -> known.add(choice.id() + "." + value.id()));
        }
        assertThat(ResourceBundle.getBundle("choices", Locale.ROOT).keySet()).isSubsetOf(known);
    }
}
