package zapateo.part;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;

/** What sounds in a span, held against looking at every stroke. */
class SoundingTest {

    @Test
    void it_finds_what_looking_at_all_of_them_finds() {
        for (String figure : List.of("stride-tenths", "spread-eighths", "held", "walking")) {
            List<Stroke> strokes = new ArrayList<>(new Arranger(FigureBook.open())
                    .arrange(
                            ChartParser.parse("| C | Am7 F | G7 . . C | F | Dm7 | G7 |")
                                    .song()
                                    .orElseThrow(),
                            Choices.figure(figure),
                            Hand.USUAL)
                    .left()
                    .strokes());
            SplittableRandom chance = new SplittableRandom(38);
            for (int i = strokes.size() - 1; i > 0; i--) {
                strokes.add(strokes.remove(chance.nextInt(i + 1)));
            }
            Sounding sounding = new Sounding(strokes);
            for (int tries = 0; tries < 500; tries++) {
                int from = chance.nextInt(26_000) - 1_000;
                int to = from + 1 + chance.nextInt(6_000);
                assertThat(sounding.in(from, to).sorted())
                        .as("%s %d-%d", figure, from, to)
                        .containsExactly(IntStream.range(0, strokes.size())
                                .filter(place -> strokes.get(place).written().tick() < to
                                        && strokes.get(place).written().end() > from)
                                .boxed()
                                .toArray(Integer[]::new));
                assertThat(sounding.beginningIn(from, to).sorted())
                        .containsExactly(IntStream.range(0, strokes.size())
                                .filter(place -> strokes.get(place).written().tick() >= from
                                        && strokes.get(place).written().tick() < to)
                                .boxed()
                                .toArray(Integer[]::new));
            }
        }
        assertThat(new Sounding(List.of()).in(0, 100)).isEmpty();
    }
}
