package zapateo.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.LevelLadder;
import zapateo.hand.Pianist;
import zapateo.hand.Playability;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** Fingers and measures after warm-up. Wanted: a left hand of 1,000 notes fingered in under 100 ms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 6, time = 2)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class FingerBenchmark {

    private static final int BARS_OF_EIGHT_NOTES = 125;
    private static final int USUAL_BARS = 64;

    private final Arranger arranger = new Arranger(FigureBook.open());
    private Arrangement thousandNotes;
    private Song song;

    @Setup
    public void arrange() {
        thousandNotes = arranger.arrange(
                ChartParser.parse(LongChart.of(BARS_OF_EIGHT_NOTES)).song().orElseThrow(),
                Choices.figure("spread-eighths").endsHeld(false),
                Pianist.USUAL);
        song = ChartParser.parse(LongChart.of(USUAL_BARS)).song().orElseThrow();
    }

    @Benchmark
    public Playability fingerAThousandNotes() {
        return thousandNotes.playedBy(Pianist.USUAL);
    }

    @Benchmark
    public double fiveLevelsOf64Bars() {
        return new LevelLadder(arranger)
                .rungs(song, Choices.figure("stride-root-chord"), Pianist.USUAL)
                .get(4)
                .difficulty()
                .total();
    }
}
