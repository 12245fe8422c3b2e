package zapateo.hand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Side;

/**
 * Scales of both hands in all keys against the table every tutor prints, and arpeggios of the white keys (from memory).
 */
class ScalesTest {

    private static final List<Integer> MAJOR = List.of(0, 2, 4, 5, 7, 9, 11);
    private static final List<Integer> HARMONIC_MINOR = List.of(0, 2, 3, 5, 7, 8, 11);

    /** @param fingers of one octave, from the tonic up */
    private record Row(String name, int tonic, List<Integer> steps, Side side, List<Integer> fingers) {

        private List<Integer> keys(int octaves) {
            int low = (side == Side.RIGHT ? 60 : 36) + tonic;
            List<Integer> keys = new ArrayList<>();
            for (int octave = 0; octave < octaves; octave++) {
                for (int step : steps) {
                    keys.add(low + 12 * octave + step);
                }
            }
            keys.add(low + 12 * octaves);
            return keys;
        }
    }

    private static List<Row> table() {
        try (var text = ScalesTest.class.getResourceAsStream("scales-by-the-table.csv")) {
            return new String(text.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .map(line -> line.split(","))
                    .flatMap(cells -> Stream.of(Side.RIGHT, Side.LEFT)
                            .map(side -> new Row(
                                    cells[0] + " " + cells[1] + " " + side,
                                    PitchClass.parse(cells[0]).chroma(),
                                    cells[1].equals("major") ? MAJOR : HARMONIC_MINOR,
                                    side,
                                    Arrays.stream(cells[side == Side.RIGHT ? 2 : 3].split(" "))
                                            .map(Integer::valueOf)
                                            .toList())))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Integer> fingers(Row row, List<Integer> keys) {
        return FingerSearch.ofKeys(keys.stream().map(List::of).toList(), row.side, Hand.USUAL, i -> new int[0])
                .fingers()
                .stream()
                .map(each -> each[0])
                .toList();
    }

    /**
     * Of every note but the first and the last, which have another finger in some tutors than in others; two octaves
     * up, and the same down.
     */
    @Test
    void scales_of_all_keys_are_fingered_as_the_table_has_them() {
        int notes = 0;
        int alike = 0;
        List<String> other = new ArrayList<>();
        for (Row row : table()) {
            for (boolean down : List.of(false, true)) {
                List<Integer> keys = new ArrayList<>(row.keys(2));
                List<Integer> wanted = new ArrayList<>();
                for (int i = 0; i < keys.size(); i++) {
                    wanted.add(row.fingers.get(i % row.fingers.size()));
                }
                if (row.side == Side.LEFT && wanted.get(0) == 5) {
                    wanted.set(row.fingers.size(), 1);
                }
                // Within the run the tonic is passed: by the thumb in B, by the fourth finger in B flat.
                if (row.side == Side.LEFT && row.name.startsWith("B ")) {
                    wanted.set(row.fingers.size(), 1);
                }
                if (row.side == Side.RIGHT && row.name.startsWith("B♭")) {
                    wanted.set(row.fingers.size(), 4);
                }
                if (down) {
                    Collections.reverse(keys);
                    Collections.reverse(wanted);
                }
                List<Integer> found = fingers(row, keys);
                int own = 0;
                for (int i = 1; i + 1 < keys.size(); i++) {
                    notes++;
                    own += found.get(i).equals(wanted.get(i)) ? 1 : 0;
                }
                alike += own;
                if (own < keys.size() - 2) {
                    other.add(row.name + (down ? " down " : " up ") + found + " for " + wanted);
                }
            }
        }
        assertThat(notes).isEqualTo(24 * 2 * 2 * 13);
        assertThat(alike / (double) notes).as(String.join("\n", other)).isGreaterThanOrEqualTo(0.99);
    }

    /**
     * Triads over two octaves; the fourth or the third finger of the left hand goes by the third's place, black or
     * white (from memory).
     */
    @ParameterizedTest
    @CsvSource({
        "R,60 64 67 72 76 79 84,1 2 3 1 2 3 5",
        "R,62 66 69 74 78 81 86,1 2 3 1 2 3 5",
        "R,65 69 72 77 81 84 89,1 2 3 1 2 3 5",
        "R,57 60 64 69 72 76 81,1 2 3 1 2 3 5",
        "L,36 40 43 48 52 55 60,5 4 2 1 4 2 1",
        "L,43 47 50 55 59 62 67,5 4 2 1 4 2 1",
        "L,38 42 45 50 54 57 62,5 3 2 1 3 2 1",
        "L,45 49 52 57 61 64 69,5 3 2 1 3 2 1",
        "L,45 48 52 57 60 64 69,5 4 2 1 4 2 1",
        "R,70 74 77 82 86 89 94,2 1 2 4 1 2 4",
        "R,63 67 70 75 79 82 87,2 1 2 4 1 2 4",
        "L,46 50 53 58 62 65 70,3 2 1 3 2 1 2",
        "L,39 43 46 51 55 58 63,2 1 4 2 1 4 2",
        "R,84 79 76 72 67 64 60,5 3 2 1 3 2 1"
    })
    void arpeggios_are_fingered_as_tutors_have_them(String side, String keys, String expected) {
        List<Integer> line =
                Arrays.stream(keys.split(" ")).map(Integer::valueOf).toList();
        List<Integer> found = FingerSearch.ofKeys(
                        line.stream().map(List::of).toList(),
                        side.equals("R") ? Side.RIGHT : Side.LEFT,
                        Hand.USUAL,
                        i -> new int[0])
                .fingers()
                .stream()
                .map(each -> each[0])
                .toList();
        assertThat(found.stream().map(String::valueOf).collect(Collectors.joining(" ")))
                .isEqualTo(expected);
    }
}
