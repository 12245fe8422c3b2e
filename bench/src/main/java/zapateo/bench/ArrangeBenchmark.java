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
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.arrangement.RightHand;
import zapateo.format.FingersShown;
import zapateo.format.Hands;
import zapateo.format.MusicXmlWriter;
import zapateo.format.PageShown;
import zapateo.hand.Hand;
import zapateo.rhythm.FigureBook;
import zapateo.righthand.RightChoice;
import zapateo.righthand.RightChoices;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/**
 * The core alone, after warm-up. Wanted: arranging 64 bars under 5 ms, 1,000 under 100 ms, growing no worse than the
 * song does.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 6, time = 2)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ArrangeBenchmark {

    @Param({"spread-eighths", "stride-root-chord", "walking"})
    public String figure;

    @Param({"64", "1000", "2000"})
    public int bars;

    private final Arranger arranger = new Arranger(FigureBook.open());
    private Song song;
    private Song sung;

    @Setup
    public void read() {
        song = ChartParser.parse(LongChart.of(bars)).song().orElseThrow();
        sung = ChartParser.parse(LongChart.withTune(bars)).song().orElseThrow();
    }

    @Benchmark
    public Arrangement arrange() {
        return arranger.arrange(song, Choices.figure(figure), Hand.USUAL);
    }

    /** Both hands; wanted for 64 bars: under 15 ms. */
    @Benchmark
    public Arrangement arrangeBothHands() {
        return arranger.arrange(
                song,
                Choices.figure(figure)
                        .right(RightHand.of(RightChoices.Style.COMPING).with(RightChoice.FIGURE, "chord-lowest-pair")),
                Hand.USUAL);
    }

    /** The same under a melody that the left hand has to make room for. */
    @Benchmark
    public Arrangement arrangeUnderATune() {
        return arranger.arrange(
                sung,
                Choices.figure(figure)
                        .right(RightHand.of(RightChoices.Style.MELODY)
                                .with(RightChoice.UNDER, RightChoices.Under.CLOSE)),
                Hand.USUAL);
    }

    @Benchmark
    public byte[] engraveEightBars() {
        return MusicXmlWriter.page(
                arranger.arrange(song, Choices.figure(figure), Hand.USUAL),
                Hands.BOTH,
                PageShown.of(FingersShown.FEW),
                0,
                7);
    }
}
