package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;

/**
 * The lines of melody in a chart's text: written anew under their rows in the notation they are in, or in another key.
 */
final class TuneLines {

    private final ChartCells cells;
    private final List<WrittenBar> bars;
    private final List<Key> signatures;

    TuneLines(ChartCells cells) {
        this.cells = cells;
        this.bars = cells.song().writtenBars();
        this.signatures = cells.song().signatures(UnaryOperator.identity());
    }

    /**
     * The chart with another melody under some bars.
     *
     * @param bar the first of them, from 0
     * @param pass the time it is played, from 1
     */
    String written(int bar, int pass, List<List<TuneNote>> tunes) {
        List<ChartReading.BarPlace> places = cells.reading().bars();
        TreeSet<Integer> rows = IntStream.range(bar, bar + tunes.size())
                .mapToObj(each -> cells.cell(each).cell().line())
                .collect(Collectors.toCollection(TreeSet::new));
        List<String> lines = Rows.lines(cells);
        for (int row : rows.descendingSet()) {
            List<Integer> ofRow = IntStream.range(0, places.size())
                    .filter(each -> places.get(each).cell().line() == row)
                    .boxed()
                    .toList();
            TreeMap<Integer, ChartReading.TuneLine> there = new TreeMap<>();
            cells.reading().tunes().stream()
                    .filter(line -> line.firstBar() == ofRow.get(0))
                    .forEach(line -> there.put(line.pass(), line));
            int under = row;
            while (under < lines.size() && Rows.isUnder(lines.get(under))) {
                under++;
            }
            if (!lines.get(under - 1).endsWith("\n")) {
                lines.set(under - 1, lines.get(under - 1) + "\n");
            }
            // A second time's melody stands under the first time's, which has a line even where it is silent.
            for (int time = there.size() + 1; time < pass; time++) {
                lines.add(
                        under++,
                        line(TuneNotation.MELODY, ofRow.stream().map(each -> "").toList()));
            }
            Optional<ChartReading.TuneLine> before = Optional.ofNullable(there.get(pass));
            TuneNotation notation = before.map(ChartReading.TuneLine::notation).orElse(TuneNotation.MELODY);
            String line = line(
                    notation,
                    ofRow.stream()
                            .map(each -> each >= bar && each < bar + tunes.size()
                                    ? notation.write(tunes.get(each - bar), signatures.get(each))
                                    : before.map(old -> old.typed(each)).orElse(""))
                            .toList());
            if (there.containsKey(pass)) {
                lines.set(there.get(pass).line() - 1, line);
            } else {
                lines.add(under, line);
            }
        }
        return String.join("", lines);
    }

    private static String line(TuneNotation notation, List<String> cells) {
        return cells.stream().collect(Collectors.joining(" | ", notation.label() + ": | ", " |\n"));
    }

    /** What changes in the text when all of the melody moves to another key. */
    List<ChartCells.Cut> moved(Transposition by) {
        List<ChartCells.Cut> cuts = new ArrayList<>();
        List<Key> signaturesThen = cells.song().signatures(by::of);
        for (ChartReading.TuneLine line : cells.reading().tunes()) {
            for (int i = 0; i < line.cells().size(); i++) {
                List<TuneNote> notes = bars.get(line.firstBar() + i).ownTune(line.pass());
                Word cell = line.cells().get(i).stripped();
                if (!notes.isEmpty()) {
                    List<TuneNote> moved = notes.stream()
                            .map(note -> new TuneNote(note.pitch().map(by::of), note.tick(), note.ticks(), note.tied()))
                            .toList();
                    cuts.add(new ChartCells.Cut(
                            cells.start(cell),
                            cells.end(cell),
                            line.notation().write(moved, signaturesThen.get(line.firstBar() + i))));
                }
            }
        }
        return cuts;
    }
}
