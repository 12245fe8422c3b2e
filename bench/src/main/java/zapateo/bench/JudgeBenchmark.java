package zapateo.bench;

import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.hand.Hand;
import zapateo.practice.Judge;
import zapateo.practice.Judgement;
import zapateo.practice.Layer;
import zapateo.practice.Passage;
import zapateo.practice.Take;
import zapateo.rhythm.FigureBook;
import zapateo.righthand.RightChoices;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** A take of both hands judged. Wanted: 64 bars in under 100 ms, and twice the bars in about twice the time. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class JudgeBenchmark {

    private static final int EIGHT = 8;
    private static final double JITTER_MS = 15;
    private static final double MISTAKES = 0.05;

    @Param({"64", "128", "256"})
    private int bars;

    private Passage passage;
    private Take take;

    @Setup
    public void play() {
        Song song = ChartParser.parse(
                        "Key: C\nTempo: 120\n" + "| C | Am7 | F | G7 | Em7 | A7 | Dm7 G7 | C6 |\n".repeat(bars / EIGHT))
                .song()
                .orElseThrow();
        passage = Passage.of(
                new Arranger(FigureBook.open())
                        .arrange(
                                song,
                                Choices.figure("spread-eighths").right(RightHand.of(RightChoices.Style.COMPING)),
                                Hand.USUAL),
                0,
                bars - 1,
                Layer.BOTH,
                100);
        Random random = new Random(bars);
        List<Take.Key> keys = passage.notes().stream()
                .map(note -> new Take.Key(
                        note.ms() * 1.04 + 80 + random.nextGaussian() * JITTER_MS,
                        note.held(),
                        note.midi() + (random.nextDouble() < MISTAKES ? 1 : 0),
                        64))
                .toList();
        take = new Take(keys, List.of());
    }

    @Benchmark
    public Judgement judge() {
        return Judge.of(passage, take);
    }
}
