package zapateo.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Qualities;
import zapateo.harmony.Quality;
import zapateo.pitch.Interval;
import zapateo.pitch.PitchClass;
import zapateo.refusal.Refused;
import zapateo.rhythm.Meter;
import zapateo.song.ChartParser;
import zapateo.song.ChartReading;
import zapateo.song.ChordSpan;
import zapateo.song.Problem;
import zapateo.song.Song;
import zapateo.song.WrittenBar;

/** Bars that lead in, round and out: common practice, as HANDBOOK §10 and §12a name it. */
final class Turnarounds {

    /** Degrees with their signs, in major and minor, plain and with sevenths. */
    private static final List<String> MAJOR = List.of("1 ", "6 m", "2 m", "5 7");

    private static final List<String> MAJOR_SEVENTHS = List.of("1 6", "6 m7", "2 m7", "5 7");
    private static final List<String> MINOR = List.of("1 m", "b6 ", "2 m7b5", "5 7");
    private static final List<String> MINOR_SEVENTHS = List.of("1 m6", "b6 maj7", "2 m7b5", "5 7b9");
    private static final List<String> MAJOR_PEDAL = List.of("1 /5", "4 /5", "5 7sus4", "5 7");
    private static final List<String> MINOR_PEDAL = List.of("1 m/5", "4 m/5", "5 7sus4", "5 7");
    private static final int BARS = 4;
    private static final Quality DOMINANT = Qualities.spelled("7").orElseThrow();

    private Turnarounds() {}

    /** I vi ii V, twice where a bar has room for two; in minor i ♭VI iiø V. */
    static List<WrittenBar> round(Key key, Meter meter, boolean sevenths) {
        boolean minor = key.mode().isMinor();
        List<String> degrees = minor ? sevenths ? MINOR_SEVENTHS : MINOR : sevenths ? MAJOR_SEVENTHS : MAJOR;
        List<ChordSymbol> chords =
                degrees.stream().map(text -> chord(text, key)).toList();
        boolean halves = meter.beats() % 2 == 0;
        List<WrittenBar> bars = new ArrayList<>();
        for (int bar = 0; bar < BARS; bar++) {
            int half = meter.barTicks() / 2;
            bars.add(bar(
                    meter,
                    halves
                            ? List.of(
                                    ChordSpan.of(chords.get(2 * bar % BARS), 0, half),
                                    ChordSpan.of(chords.get((2 * bar + 1) % BARS), half, meter.barTicks() - half))
                            : List.of(ChordSpan.of(chords.get(bar), 0, meter.barTicks()))));
        }
        return bars;
    }

    /** The fifth stays below: I/5 IV/5 V7sus4 V7. */
    static List<WrittenBar> pedal(Key key, Meter meter) {
        return (key.mode().isMinor() ? MINOR_PEDAL : MAJOR_PEDAL)
                .stream()
                        .map(text -> bar(meter, List.of(ChordSpan.of(chord(text, key), 0, meter.barTicks()))))
                        .toList();
    }

    private static WrittenBar bar(Meter meter, List<ChordSpan> chords) {
        return new WrittenBar(1, meter, meter.barTicks(), chords, List.of(), WrittenBar.Marks.NONE);
    }

    private static ChordSymbol chord(String text, Key key) {
        String[] parts = text.split(" ", -1);
        String[] over = parts[1].split("/", -1);
        ChordSymbol chord = ChordSymbol.of(
                key.tonic().plus(Interval.parse(parts[0])).simple(),
                Qualities.spelled(over[0]).orElseThrow());
        return over.length < 2
                ? chord
                : chord.over(key.tonic().plus(Interval.parse(over[1])).simple());
    }

    /**
     * A bar whose second half leads to a chord by its dominant; as it is where it does so already, or has no time for
     * it.
     */
    static WrittenBar turned(WrittenBar bar, ChordSymbol goal, Key key) {
        Optional<ChordSymbol> last = bar.chords().get(bar.chords().size() - 1).chord();
        PitchClass root = goal.root().plus(Interval.parse("5"));
        int beat = bar.meter().beatTicks();
        int beats = bar.ticks() / beat;
        boolean leads = last.filter(chord -> chord.root().chroma() == root.chroma()
                        && (chord.quality().isDominant()
                                || chord.quality().tone(4).isPresent()))
                .isPresent();
        if (leads || beats < 2) {
            return bar;
        }
        int from = (beats + 1) / 2 * beat;
        List<ChordSpan> chords = new ArrayList<>();
        for (ChordSpan span : bar.chords()) {
            if (span.tick() < from) {
                chords.add(new ChordSpan(
                        span.written(),
                        span.chord(),
                        span.tick(),
                        Math.min(span.ticks(), from - span.tick()),
                        span.early(),
                        false));
            }
        }
        chords.add(ChordSpan.of(ChordSymbol.of(spelled(root, key), DOMINANT), from, bar.ticks() - from));
        return bar.chords(chords);
    }

    /** As players write it: a white key of a strange chord by its plain name. */
    private static PitchClass spelled(PitchClass root, Key key) {
        return key.holds(root)
                ? root.simple()
                : Math.abs(root.alteration()) > 1
                                || PitchClass.simplest(root.chroma()).alteration() == 0
                        ? PitchClass.simplest(root.chroma())
                        : root;
    }

    /**
     * IV before the last I: in the second half of the bar before where that is I already, else in the first half of the
     * last.
     */
    static void amen(List<WrittenBar> bars, Key key) {
        int at = bars.size() - 1;
        Optional<ChordSymbol> home =
                bars.get(at).chords().get(bars.get(at).chords().size() - 1).chord();
        int beats = bars.get(at).ticks() / bars.get(at).meter().beatTicks();
        if (home.isEmpty() || beats < 2) {
            return;
        }
        ChordSymbol four = ChordSymbol.of(
                spelled(home.get().root().plus(Interval.parse("4")), key),
                Qualities.spelled(home.get().quality().isMinor() ? "m" : "").orElseThrow());
        int half = (beats + 1) / 2 * bars.get(at).meter().beatTicks();
        boolean longer = at > 0
                && bars.get(at - 1).ticks() == bars.get(at).ticks()
                && bars.get(at - 1).chords().size() == 1
                && bars.get(at - 1).chords().get(0).chord().equals(home);
        WrittenBar split = bars.get(longer ? at - 1 : at);
        ChordSpan first = longer ? ChordSpan.of(home.get(), 0, half) : ChordSpan.of(four, 0, half);
        ChordSpan second = longer
                ? ChordSpan.of(four, half, split.ticks() - half)
                : new ChordSpan(
                        home.get().toString(),
                        home,
                        half,
                        split.ticks() - half,
                        false,
                        split.chords().get(0).held());
        if (longer || split.chords().size() == 1) {
            bars.set(longer ? at - 1 : at, split.chords(List.of(first, second)));
        }
    }

    /** Bars as a chart has them. */
    static List<WrittenBar> read(String choice, String text, Meter meter, Key key) {
        ChartReading reading = ChartParser.parse("Key: " + key + "\nMeter: " + meter + "\n| "
                + text.strip().replaceAll("^\\||\\|$", "").strip() + " |");
        Optional<Problem> wrong = reading.problems().stream()
                .filter(problem -> problem.severity() == Problem.Severity.ERROR)
                .findFirst();
        Optional<Song> song = reading.song();
        if (wrong.isPresent() || song.isEmpty()) {
            throw new Refused(choice + " \"" + text + "\": expected chords as a chart has them, as in Cm7 | F7"
                    + wrong.map(problem -> "; " + problem.found() + " cannot be read")
                            .orElse(""));
        }
        return song.get().bars().stream()
                .map(bar -> bar.written().marks(WrittenBar.Marks.NONE))
                .toList();
    }
}
