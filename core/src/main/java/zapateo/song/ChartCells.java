package zapateo.song;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import zapateo.refusal.Refused;

/**
 * A chart's text with the places of its bars, and how a stretch of it is put anew. Bars are counted as written, from 0
 * through the whole song.
 */
final class ChartCells {

    private final String text;
    private final ChartReading reading;
    private final List<WrittenBar> bars;
    private final int[] lineStarts;

    ChartCells(String text) {
        this.text = text;
        this.reading = ChartParser.parse(text);
        this.bars = reading.song().map(Song::writtenBars).orElse(List.of());
        this.lineStarts = lineStarts(text);
    }

    /** A stretch of the text and what is put in its place. */
    record Cut(int from, int to, String put) {}

    ChartReading reading() {
        return reading;
    }

    /** The bars as written, none where the chart has none. */
    List<WrittenBar> bars() {
        return bars;
    }

    /** What stands in a bar, put anew; {@code content} is what would be typed between two bar lines. */
    String set(int bar, String content) {
        Word cell = cell(bar).cell();
        return apply(List.of(replace(cell, content.isBlank() ? ChordSpan.NO_CHORD : oneLine(content))));
    }

    /** The signs and pins of a bar, to stand before its chords again. */
    String signs(int bar) {
        return cell(bar).cell().words().stream()
                .map(Word::text)
                .filter(word -> word.startsWith("\"")
                        || word.startsWith("(")
                                && !word.equals("(fermata)")
                                && Grid.named(word.replaceAll("[()]", "")).isEmpty())
                .map(word -> word + " ")
                .collect(Collectors.joining());
    }

    Song song() {
        return reading.song().orElseThrow(() -> new Refused("the chart has no bar to change"));
    }

    String text() {
        return text;
    }

    int[] lines() {
        return lineStarts;
    }

    ChartReading.BarPlace cell(int bar) {
        if (bar < 0 || bar >= reading.bars().size()) {
            throw new Refused(
                    "bar " + bar + ": expected 0 to " + (reading.bars().size() - 1));
        }
        return reading.bars().get(bar);
    }

    int start(Word word) {
        return lineStarts[word.line() - 1] + word.column() - 1;
    }

    int end(Word word) {
        return start(word) + word.text().length();
    }

    Cut replace(Word word, String put) {
        return new Cut(start(word), end(word), put);
    }

    static String oneLine(String content) {
        return content.strip().replaceAll("\\s*[\\r\\n]+\\s*", " ");
    }

    String apply(List<Cut> cuts) {
        StringBuilder changed = new StringBuilder(text);
        cuts.stream()
                .sorted(Comparator.comparingInt(Cut::from).reversed())
                .forEach(cut -> changed.replace(cut.from(), cut.to(), cut.put()));
        return changed.toString();
    }

    private static int[] lineStarts(String text) {
        int skip = text.startsWith("\uFEFF") ? 1 : 0;
        List<Integer> starts = new ArrayList<>(List.of(skip));
        for (int i = skip; i < text.length(); i++) {
            char each = text.charAt(i);
            if (each == '\n' || each == '\r' && (i + 1 == text.length() || text.charAt(i + 1) != '\n')) {
                starts.add(i + 1);
            }
        }
        return starts.stream().mapToInt(Integer::intValue).toArray();
    }
}
