package zapateo.rhythm;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Swung eighths as LilyPond 2.24.1's own swing.ly plays them at 2:1 and 3:1, run once on {@code lilypond/swing.ly} and
 * kept. The written places of its notes: ten eighths, a quarter, two eighths, a rest of one and an eighth, a quarter.
 */
class SwingAgainstLilyPondTest {

    private static final int THEIRS = 384;
    private static final List<Integer> WRITTEN =
            List.of(0, 480, 960, 1440, 1920, 2400, 2880, 3360, 3840, 4800, 5280, 6240, 6720);
    private static final List<Integer> ENDS =
            List.of(480, 960, 1440, 1920, 2400, 2880, 3360, 3840, 4800, 5280, 5760, 6720, 7680);

    static Stream<Arguments> notes() {
        try {
            List<String> rows = Files.readAllLines(Path.of("src/test/resources/lilypond/swing.csv")).stream()
                    .filter(line -> !line.startsWith("#"))
                    .toList();
            return java.util.stream.IntStream.range(0, rows.size()).mapToObj(i -> {
                String[] cells = rows.get(i).split(";");
                return Arguments.of(
                        Integer.parseInt(cells[0]),
                        i % WRITTEN.size(),
                        Integer.parseInt(cells[2]),
                        Integer.parseInt(cells[3]));
            });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @ParameterizedTest(name = "{0}:1, note {1}")
    @MethodSource("notes")
    void a_swung_pair_lies_where_it_lies_there(int ratio, int note, int on, int off) {
        assertThat(Swing.of(ratio).bend(WRITTEN.get(note))).isEqualTo(on * Ticks.PER_QUARTER / THEIRS);
        assertThat(Swing.of(ratio).bend(ENDS.get(note))).isEqualTo(off * Ticks.PER_QUARTER / THEIRS);
    }

    @Test
    void both_ratios_are_there() {
        assertThat(notes().map(each -> each.get()[0]).distinct()).containsExactly(2, 3);
        assertThat(notes()).hasSize(2 * WRITTEN.size());
    }
}
