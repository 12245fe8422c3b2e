package zapateo.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.format.Hands;
import zapateo.format.MusicXmlWriter;
import zapateo.hand.Hand;
import zapateo.rhythm.FigureBook;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;
import zapateo.song.Song;

/** The core alone, 64 bars, after warm-up. Wanted: arranging under 5 ms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class ArrangeBenchmark {

    @Param({"spread-eighths", "bass-and-two"})
    public String figure;

    private final Arranger arranger = new Arranger(FigureBook.open());
    private final Song song = ChartParser.parse(LongChart.TEXT).song().orElseThrow();

    @Benchmark
    public ChartReading parse() {
        return ChartParser.parse(LongChart.TEXT);
    }

    @Benchmark
    public Arrangement arrange() {
        return arranger.arrange(song, Choices.figure(figure), Hand.USUAL);
    }

    @Benchmark
    public byte[] engraveEightBars() {
        return MusicXmlWriter.page(arranger.arrange(song, Choices.figure(figure), Hand.USUAL), Hands.BOTH, 0, 7);
    }
}
