package zapateo.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import zapateo.Endured;

/** Twice the text is twice the work, for every reader and every shape. */
class LinearTest {

    private static final int BYTES = 16_000;
    private static final int SHAPES = Endured.times(200, 2000);
    /**
     * Of what it would be in proportion: lists that grow by doubling make it a little more, the square makes it two to
     * four.
     */
    private static final double MOST = 1.3;

    private static final long SMALL = 20_000;

    static Stream<Integer> seeds() {
        return IntStream.range(0, SHAPES).boxed();
    }

    private static long work(int seed, int bytes) throws ReflectiveOperationException {
        byte[] file = Shapes.of(seed, bytes);
        // A chart is read whole, also where its looks would be those of nothing.
        return Shapes.isChart(seed) ? Work.ofChart(new String(file, StandardCharsets.UTF_8)) : Work.ofFile(file);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void twice_the_file_is_twice_the_work(int seed) throws ReflectiveOperationException {
        work(seed, BYTES);
        expectLinear("seed " + seed, work(seed, BYTES), work(seed, 2 * BYTES), work(seed, 4 * BYTES));
    }

    /** Those that once cost the square or did not end. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "| C :| x2 :| x2 ",
                "'|: '",
                "[Verse 1]\n",
                "( ( ( ",
                "\"",
                "[1. C ",
                "Melody: c d\n",
                "{",
                "(pin: a ",
                "| C | x2 ",
                "C \"la",
                "|: C :| ",
                "|1 C "
            })
    void twice_the_chart_is_twice_the_work(String piece) throws ReflectiveOperationException {
        long[] work = new long[3];
        for (int round = 0; round < 2; round++) {
            for (int size = 0; size < 3; size++) {
                work[size] = Work.ofChart("Title: Shape\n" + piece.repeat((BYTES << size) / piece.length()));
            }
        }
        expectLinear(piece, work[0], work[1], work[2]);
    }

    @Test
    void so_it_is_with_sections_of_names_of_their_own_and_with_none() throws ReflectiveOperationException {
        for (String piece : List.of(
                "[S%d]\n| C |\n",
                "[S%d]\n| C |\n[none] again\n",
                "[S%1$d]\n| C |\n[S%1$d] again\n",
                "Key: G\n[S%d]\n| C |\nMelody: c\n")) {
            long[] work = new long[3];
            for (int round = 0; round < 2; round++) {
                for (int size = 0; size < 3; size++) {
                    work[size] = Work.ofChart(IntStream.range(0, 500 << size)
                            .mapToObj(i -> String.format(piece, i))
                            .collect(Collectors.joining()));
                }
            }
            expectLinear(piece, work[0], work[1], work[2]);
        }
    }

    /** A text of more bars than there may be is refused, which is less work than reading it. */
    private static void expectLinear(String what, long once, long twice, long fourTimes) {
        assertThat(fourTimes)
                .as("%s: %d, %d, %d", what, once, twice, fourTimes)
                .isLessThan((long) (MOST * Math.max(4 * once, 2 * twice)) + SMALL);
    }
}
