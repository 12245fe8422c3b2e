package zapateo.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import zapateo.format.FileReading;
import zapateo.format.LeadSheetWriter;
import zapateo.format.SongReader;
import zapateo.song.ChartEdit;
import zapateo.song.ChartParser;
import zapateo.song.Understanding;

/** The chart, 2,000 bars. Wanted: parsing and analysing under 100 ms together. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class ChartBenchmark {

    private final byte[] musicXml =
            LeadSheetWriter.write(ChartParser.parse(LongChart.LONGEST).song().orElseThrow());

    @Benchmark
    public Understanding parseAndAnalyse() {
        return Understanding.of(ChartParser.parse(LongChart.LONGEST).song().orElseThrow());
    }

    @Benchmark
    public String setOneBar() {
        return ChartEdit.of(LongChart.LONGEST).set(1000, "Dm7 G7");
    }

    @Benchmark
    public FileReading readMusicXml() {
        return SongReader.read(musicXml);
    }
}
