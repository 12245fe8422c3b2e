package zapateo.bench;

import java.util.List;
import java.util.Optional;
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
import zapateo.colour.ColourStyle;
import zapateo.colour.KeptColour;
import zapateo.colour.Offer;
import zapateo.colour.Offers;
import zapateo.colour.WholeSong;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** Colours of 64 bars. Wanted: the whole song in under 20 ms, what is offered for one place in under 10. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class ColourBenchmark {

    private static final String CHORDS = "| C | Am | F | G | C | Am | Dm G7 | C |\n".repeat(8);
    private static final String TUNE = "Melody: "
            + "| E2 G2 c4 | A8 | A2 F2 c4 | B8 | G2 E2 G4 | A8 | F4 G4 | E8 |"
                    .repeat(8)
                    .replace("||", "|");

    @Param({"plain", "sung"})
    private String kind;

    @Param({"jazz", "gospel"})
    private String style;

    private Song song() {
        return ChartParser.parse("Key: C\n" + CHORDS + (kind.equals("sung") ? TUNE : ""))
                .song()
                .orElseThrow();
    }

    @Benchmark
    public List<KeptColour> wholeSong() {
        return WholeSong.of(song(), ColourStyle.of(style), 3, 0);
    }

    @Benchmark
    public List<Offer> onePlace() {
        Offers offers = new Offers(song(), Optional.of(ColourStyle.of(style)));
        return offers.in(7, 7).stream().map(offers::drawn).toList();
    }
}
