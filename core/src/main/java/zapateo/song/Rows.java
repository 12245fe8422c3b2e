package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.refusal.Refused;

/** Takes bars out of chart text row by row, and moves whole sections: the lines of a chart as lines. */
final class Rows {

    private final ChartCells cells;
    private final List<String> lines = new ArrayList<>();

    Rows(ChartCells cells) {
        this.cells = cells;
        lines.addAll(lines(cells));
    }

    /** Each with what ends it. */
    static List<String> lines(ChartCells cells) {
        List<String> lines = new ArrayList<>();
        int[] starts = cells.lines();
        for (int i = 0; i < starts.length; i++) {
            lines.add(cells.text()
                    .substring(
                            starts[i],
                            i + 1 < starts.length ? starts[i + 1] : cells.text().length()));
        }
        return lines;
    }

    String delete(int from, int to) {
        cells.cell(from);
        cells.cell(to);
        List<ChartReading.BarPlace> bars = cells.reading().bars();
        if (from == 0 && to == bars.size() - 1) {
            return cells.set(0, "").substring(0, cells.start(bars.get(0).cell())) + ChordSpan.NO_CHORD
                    + (bars.get(0).barLine() ? " |" : "") + "\n";
        }
        TreeSet<Integer> rows = IntStream.rangeClosed(from, to)
                .mapToObj(bar -> bars.get(bar).cell().line())
                .collect(Collectors.toCollection(TreeSet::new));
        for (int row : rows.descendingSet()) {
            deleteIn(row, from, to);
        }
        return join(withoutEmptySections());
    }

    private void deleteIn(int row, int from, int to) {
        List<ChartReading.BarPlace> all = cells.reading().bars();
        List<Integer> ofRow = IntStream.range(0, all.size())
                .filter(bar -> all.get(bar).cell().line() == row)
                .boxed()
                .toList();
        List<Integer> gone =
                ofRow.stream().filter(bar -> bar >= from && bar <= to).toList();
        int last = row;
        while (last < lines.size() && isUnder(lines.get(last))) {
            last++;
        }
        if (gone.size() == ofRow.size()) {
            lines.subList(row - 1, last).clear();
            return;
        }
        for (int under = row; under < last; under++) {
            lines.set(
                    under,
                    withoutCells(
                            lines.get(under),
                            gone.stream().map(bar -> bar - ofRow.get(0)).toList()));
        }
        StringBuilder line = new StringBuilder(lines.get(row - 1));
        int start = all.get(gone.get(0)).cell().column() - 1;
        Word lastCell = all.get(gone.get(gone.size() - 1)).cell();
        int end = lastCell.column() - 1 + lastCell.text().length();
        // The bars go with the line behind them, unless that closes a repeat or opens an ending: then with the one
        // before.
        int next = nextCell(all, ofRow, gone.get(gone.size() - 1));
        String behind = line.substring(end, next < 0 ? line.length() : next);
        boolean closes = behind.contains(":|") || behind.strip().matches(".*\\|[1-9].*");
        int before = line.substring(0, start).lastIndexOf('|');
        if (next >= 0 && !closes) {
            line.delete(start, next);
        } else if (before >= 0 && !line.substring(0, start).stripTrailing().endsWith("|:")) {
            line.delete(before, end + (closes ? 0 : leadingSpace(behind)));
        } else {
            line.replace(start, end, ChordSpan.NO_CHORD);
        }
        lines.set(row - 1, line.toString());
    }

    private static int leadingSpace(String text) {
        return text.length()
                - text.stripLeading().length()
                - (text.isBlank() ? text.length() - text.stripTrailing().length() : 0);
    }

    private static int nextCell(List<ChartReading.BarPlace> all, List<Integer> ofRow, int bar) {
        return ofRow.contains(bar + 1) ? all.get(bar + 1).cell().column() - 1 : -1;
    }

    private static String withoutCells(String line, List<Integer> gone) {
        int colon = line.indexOf(':') + 1;
        String body = line.substring(colon).stripTrailing();
        String end = line.substring(colon + body.length());
        boolean led = body.stripLeading().startsWith("|");
        boolean closed = body.endsWith("|");
        List<String> cells =
                new ArrayList<>(List.of(body.strip().replaceAll("^\\||\\|$", "").split("\\|", -1)));
        for (int i = gone.size() - 1; i >= 0; i--) {
            if (gone.get(i) < cells.size()) {
                cells.remove((int) gone.get(i));
            }
        }
        return line.substring(0, colon) + " " + (led ? "| " : "")
                + cells.stream().map(String::strip).collect(Collectors.joining(" | ")) + (closed ? " |" : "") + end;
    }

    /** The words of one bar written anew; a line of words is added below its row where there is none. */
    String words(int bar, List<String> verses) {
        List<ChartReading.BarPlace> all = cells.reading().bars();
        int row = cells.cell(bar).cell().line();
        int first = IntStream.range(0, all.size())
                .filter(each -> all.get(each).cell().line() == row)
                .findFirst()
                .orElse(bar);
        int ofRow =
                (int) all.stream().filter(place -> place.cell().line() == row).count();
        List<WrittenBar> bars = cells.song().writtenBars().subList(first, first + ofRow);
        int last = row;
        while (last < lines.size() && lines.get(last).strip().toLowerCase().matches("words\\s*:.*")) {
            last++;
        }
        int count = Math.max(
                verses.size(),
                bars.stream()
                        .mapToInt(each -> each.marks().words().size())
                        .max()
                        .orElse(0));
        List<String> under = IntStream.range(0, count)
                .mapToObj(verse -> IntStream.range(0, ofRow)
                        .mapToObj(i -> {
                            List<String> own = first + i == bar
                                    ? verses
                                    : bars.get(i).marks().words();
                            return verse < own.size() ? own.get(verse) : "";
                        })
                        .collect(Collectors.joining(" | ", "Words: | ", " |\n")))
                .toList();
        if (!lines.get(row - 1).endsWith("\n")) {
            lines.set(row - 1, lines.get(row - 1) + "\n");
        }
        lines.subList(row, last).clear();
        lines.addAll(row, under);
        return join(lines);
    }

    /** Whether a line is one of words or melody. */
    static boolean isUnder(String line) {
        return line.strip().toLowerCase().matches("(words|tune|melody)\\s*:.*");
    }

    /** Headings whose bars have all gone. */
    private List<String> withoutEmptySections() {
        ChartReading now = ChartParser.parse(join(lines));
        List<Integer> empty = now.problems().stream()
                .filter(problem -> problem.code().equals("section-empty"))
                .map(Problem::line)
                .toList();
        boolean before = cells.reading().problems().stream()
                .anyMatch(problem -> problem.code().equals("section-empty"));
        return before
                ? lines
                : IntStream.range(0, lines.size())
                        .filter(i -> !empty.contains(i + 1))
                        .mapToObj(lines::get)
                        .toList();
    }

    String section(int place, SectionChange change) {
        List<ChartReading.SectionPlace> sections = cells.reading().sections();
        if (place < 0 || place >= sections.size()) {
            throw new Refused("section " + place + ": expected 0 to " + (sections.size() - 1));
        }
        int other = change == SectionChange.EARLIER ? place - 1 : change == SectionChange.LATER ? place + 1 : place;
        if (other < 0 || other >= sections.size()) {
            return cells.text();
        }
        List<String> own = block(sections.get(place));
        List<String> now = new ArrayList<>(lines);
        switch (change) {
            case COPY -> now.addAll(sections.get(place).lastLine(), copied(own));
            case DELETE -> {
                if (sections.size() == 1) {
                    return delete(0, cells.reading().bars().size() - 1);
                }
                now.subList(
                                sections.get(place).firstLine() - 1,
                                sections.get(place).lastLine())
                        .clear();
            }
            default -> {
                int first = Math.min(place, other);
                List<String> upper = block(sections.get(first));
                List<String> lower = block(sections.get(first + 1));
                now.subList(
                                sections.get(first + 1).firstLine() - 1,
                                sections.get(first + 1).lastLine())
                        .clear();
                now.addAll(sections.get(first + 1).firstLine() - 1, upper);
                now.subList(
                                sections.get(first).firstLine() - 1,
                                sections.get(first).lastLine())
                        .clear();
                now.addAll(sections.get(first).firstLine() - 1, lower);
            }
        }
        return join(now);
    }

    private List<String> block(ChartReading.SectionPlace place) {
        return lines.subList(place.firstLine() - 1, place.lastLine()).stream()
                .map(line -> line.endsWith("\n") || line.endsWith("\r") ? line : line + "\n")
                .toList();
    }

    private static List<String> copied(List<String> block) {
        List<String> copy = new ArrayList<>(List.of("\n"));
        copy.addAll(block);
        return copy;
    }

    private static String join(List<String> lines) {
        return String.join("", lines);
    }
}
