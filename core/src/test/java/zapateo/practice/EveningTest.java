package zapateo.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Worked by hand. Three songs running in one key or tempo: HANDBOOK §12a. */
class EveningTest {

    private static Evening.Piece piece(String text) {
        String[] parts = text.split("@");
        return parts.length < 2
                ? Evening.Piece.breakOf(Double.parseDouble(parts[0]) * 60)
                : new Evening.Piece(Optional.of(parts[0]), Double.parseDouble(parts[1]), 180);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "C@100 C@120 C@140;KEY 0-2",
                "C@100 C@120 F@140;''",
                "C@100 F@102 G@101;TEMPO 0-2",
                "C@100 F@105 G@110;''",
                // A break ends a run, a fourth song goes on with it.
                "C@100 C@120 15 C@140;''",
                "C@100 C@120 C@140 C@160;KEY 0-3",
                "F@60 C@100 C@120 C@140;KEY 1-3",
                "C@100 C@101 C@102;KEY 0-2 TEMPO 0-2",
                "15 15 15;''",
                "C@100;''"
            })
    void three_alike_tire(String pieces, String found) {
        List<Evening.Piece> all =
                Arrays.stream(pieces.split(" ")).map(EveningTest::piece).toList();
        assertThat(Evening.tiring(all).stream()
                        .map(each -> each.same() + " " + each.first() + "-" + each.last())
                        .collect(Collectors.joining(" ")))
                .isEqualTo(found);
    }

    @ParameterizedTest
    @CsvSource({"C@100 F@100,360", "C@100 15 F@100,1260", "30,1800"})
    void an_evening_is_as_long_as_its_songs_and_breaks(String pieces, double seconds) {
        assertThat(Evening.seconds(
                        Arrays.stream(pieces.split(" ")).map(EveningTest::piece).toList()))
                .isEqualTo(seconds);
    }
}
