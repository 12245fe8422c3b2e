package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.Key;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;

/** Writes a song as chart text: read again it is the same song. */
public final class ChartText {

    private static final int BARS_A_ROW = 4;

    private ChartText() {}

    public static String write(Song song) {
        StringBuilder text = new StringBuilder("Title: " + song.title() + "\n");
        if (song.keyGiven()) {
            text.append("Key: ").append(song.key()).append('\n');
        }
        text.append("Meter: ")
                .append(song.meter())
                .append("\nTempo: ")
                .append(number(song.tempo().bpm()))
                .append('\n');
        if (song.feel() != Feel.STRAIGHT) {
            text.append("Feel: ").append(song.feel().id()).append('\n');
        }
        if (!song.form().isEmpty()) {
            text.append("Form: ")
                    .append(song.form().stream()
                            .map(place -> song.written().get(place).name())
                            .collect(Collectors.joining(", ")))
                    .append('\n');
        }
        Meter meter = song.meter();
        boolean first = true;
        List<Key> signatures = song.signatures(UnaryOperator.identity());
        int at = 0;
        for (WrittenSection section : song.written()) {
            text.append('\n');
            if (!section.name().isEmpty()) {
                text.append('[')
                        .append(section.name())
                        .append(']')
                        .append(section.again().isPresent() ? " again" : "")
                        .append('\n');
            }
            for (int row = 0; row < section.bars().size(); row += BARS_A_ROW) {
                List<WrittenBar> bars = section.bars()
                        .subList(row, Math.min(row + BARS_A_ROW, section.bars().size()));
                text.append(row(
                        bars,
                        row + bars.size() < section.bars().size()
                                ? Optional.of(section.bars().get(row + bars.size()))
                                : Optional.empty(),
                        meter,
                        row == 0,
                        first,
                        signatures.subList(at, at + bars.size())));
                at += bars.size();
                meter = bars.get(bars.size() - 1).meter();
                first = false;
            }
        }
        return text.toString();
    }

    /** One row of bars with its words and its tune below. */
    private static String row(
            List<WrittenBar> bars,
            Optional<WrittenBar> next,
            Meter before,
            boolean opensSection,
            boolean opensSong,
            List<Key> signatures) {
        StringBuilder row = new StringBuilder();
        Meter meter = before;
        for (int i = 0; i < bars.size(); i++) {
            WrittenBar bar = bars.get(i);
            Optional<WrittenBar> last = i == 0 ? Optional.empty() : Optional.of(bars.get(i - 1));
            row.append(last.isEmpty() ? barLine(Optional.empty(), bar, opensSection) : barLine(last, bar, false))
                    .append(' ')
                    .append(cell(bar, meter, opensSong && i == 0))
                    .append(' ');
            meter = bar.meter();
        }
        WrittenBar end = bars.get(bars.size() - 1);
        row.append(end.marks().closes().isPresent() ? ":|" + times(end) : endsEnding(end, next) ? "||" : "|")
                .append('\n');
        int verses =
                bars.stream().mapToInt(bar -> bar.marks().words().size()).max().orElse(0);
        for (int verse = 0; verse < verses; verse++) {
            int each = verse;
            row.append("Words: ")
                    .append(bars.stream()
                            .map(bar -> each < bar.marks().words().size()
                                    ? bar.marks().words().get(each)
                                    : "")
                            .collect(Collectors.joining(" | ", "| ", " |")))
                    .append('\n');
        }
        int times = bars.stream()
                .mapToInt(bar -> bar.marks().tunes().isEmpty()
                        ? Math.min(1, bar.tune().size())
                        : bar.marks().tunes().size() + 1)
                .max()
                .orElse(0);
        for (int pass = 1; pass <= times; pass++) {
            int time = pass;
            row.append("Melody: ")
                    .append(IntStream.range(0, bars.size())
                            .mapToObj(i -> AbcLine.write(bars.get(i).ownTune(time), signatures.get(i)))
                            .collect(Collectors.joining(" | ", "| ", " |")))
                    .append('\n');
        }
        return row.toString();
    }

    private static boolean endsEnding(WrittenBar bar, Optional<WrittenBar> next) {
        return !bar.marks().endings().isEmpty()
                && next.filter(after -> after.marks().endings().isEmpty()).isPresent();
    }

    private static String barLine(Optional<WrittenBar> before, WrittenBar bar, boolean opensSection) {
        boolean closes =
                before.filter(last -> last.marks().closes().isPresent()).isPresent();
        boolean begins = !bar.marks().endings().isEmpty()
                && (before.isEmpty()
                        || closes
                        || !before.get().marks().endings().equals(bar.marks().endings()));
        String sign = (closes ? ":" : "")
                + (before.filter(last -> endsEnding(last, Optional.of(bar))).isPresent() && !closes ? "||" : "|")
                + (closes ? times(before.get()) : "");
        if (bar.marks().opens()) {
            return closes ? sign + " |:" : "|:";
        }
        String rounds =
                begins ? bar.marks().endings().stream().map(String::valueOf).collect(Collectors.joining(",")) : "";
        return closes && !times(before.get()).isEmpty() && begins ? sign + " |" + rounds : sign + rounds;
    }

    private static String times(WrittenBar bar) {
        Repeat repeat = bar.marks().closes().orElseThrow();
        return repeat.vamp() ? " vamp" : repeat.times() == 2 ? "" : " x" + repeat.times();
    }

    private static String cell(WrittenBar bar, Meter before, boolean first) {
        List<String> words = new ArrayList<>();
        if (!bar.meter().equals(before)) {
            words.add("(" + bar.meter() + ")");
        }
        bar.marks().key().ifPresent(key -> words.add("(key " + key + ")"));
        bar.marks().tempo().ifPresent(tempo -> words.add("(tempo " + number(tempo.bpm()) + ")"));
        if (bar.isShort()) {
            words.add("(" + (bar.number() == 0 && first ? "pickup " : "short ") + length(bar) + ")");
        }
        bar.marks().pins().forEach(pin -> words.add("\"" + (pin.warning() ? "! " : "") + pin.text() + "\""));
        words.add(chords(bar));
        if (bar.marks().guessed()) {
            words.add("?");
        }
        return String.join(" ", words);
    }

    private static String length(WrittenBar bar) {
        if (bar.ticks() % bar.meter().beatTicks() == 0) {
            return String.valueOf(bar.ticks() / bar.meter().beatTicks());
        }
        for (int part = 1; part <= 16; part *= 2) {
            if (bar.ticks() % (Ticks.PER_WHOLE / part) == 0) {
                return bar.ticks() / (Ticks.PER_WHOLE / part) + "/" + part;
            }
        }
        throw new IllegalStateException("bar " + bar.number() + " of " + bar.ticks() + " ticks: expected sixteenths");
    }

    /** The chords of a bar as a chart has them: shared evenly, or with a dot for each further beat or part of one. */
    static String chords(WrittenBar bar) {
        List<ChordSpan> spans = bar.chords();
        int beats = bar.ticks() / bar.meter().beatTicks();
        boolean even = spans.size() == 1
                || bar.ticks() % bar.meter().beatTicks() == 0
                        && beats % spans.size() == 0
                        && spans.stream().allMatch(span -> span.ticks() == bar.ticks() / spans.size());
        if (even) {
            return spans.stream().map(ChartText::chord).collect(Collectors.joining(" "));
        }
        List<Integer> places =
                new ArrayList<>(spans.stream().map(ChordSpan::tick).toList());
        places.add(bar.ticks());
        Grid grid = Grid.fitting(bar.meter(), places).orElse(Grid.SIXTEENTHS);
        int unit = grid.ticks(bar.meter());
        String dotted = spans.stream()
                .map(span -> chord(span)
                        + IntStream.range(1, span.ticks() / unit)
                                .mapToObj(dot -> " .")
                                .collect(Collectors.joining()))
                .collect(Collectors.joining(" "));
        return grid == Grid.BEATS ? dotted : "(" + grid.written() + ") " + dotted;
    }

    private static String chord(ChordSpan span) {
        return (span.early() ? ">" : "") + span.written() + (span.held() ? " (fermata)" : "");
    }

    static String number(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
