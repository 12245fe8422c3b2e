package zapateo.song;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.refusal.Refused;
import zapateo.rhythm.Tempo;

/**
 * Changes a chart's text where its bars stand and leaves the rest – comments, spacing, other bars – as it was typed.
 * Bars are counted as written, from 0 through the whole song.
 */
public final class ChartEdit {

    private static final Pattern TITLE_LINE = Pattern.compile("(?i)\\A\\s*title\\s*:[^\\r\\n]*\\R");

    private final ChartCells cells;

    private ChartEdit(String text) {
        this.cells = new ChartCells(text);
    }

    public static ChartEdit of(String text) {
        return new ChartEdit(text);
    }

    public ChartReading reading() {
        return cells.reading();
    }

    /** What stands in a bar, put anew; {@code content} is what would be typed between two bar lines. */
    public String set(int bar, String content) {
        return cells.set(bar, content);
    }

    /**
     * A new bar before {@code bar}, or behind the last one; several with bar lines between them.
     *
     * @throws Refused naming what was given and what was expected
     */
    public String insert(int bar, String content) {
        checkPlace(bar);
        List<String> contents =
                content.isBlank() ? List.of(bar == 0 ? ChordSpan.NO_CHORD : "%") : barsIn(ChartCells.oneLine(content));
        List<WrittenBar> expected = new ArrayList<>(cells.bars());
        if (contents.isEmpty()) {
            throw new Refused("content \"" + content + "\": expected what stands between two bar lines");
        }
        expected.addAll(bar, Collections.nCopies(contents.size(), null));
        return repaired(put(bar, contents), expected);
    }

    /** What stands between bar lines; one inside quotes is none. */
    private static List<String> barsIn(String content) {
        List<String> bars = new ArrayList<>();
        boolean quoted = false;
        int from = 0;
        for (int i = 0; i <= content.length(); i++) {
            quoted ^= i < content.length() && content.charAt(i) == '"';
            if (i == content.length() || content.charAt(i) == '|' && !quoted) {
                bars.add(content.substring(from, i).strip());
                from = i + 1;
            }
        }
        bars.removeIf(String::isEmpty);
        return bars;
    }

    /** New bars before {@code bar}, as they are typed. */
    private String put(int bar, List<String> contents) {
        boolean atEnd = bar == cells.reading().bars().size();
        ChartReading.BarPlace place = cells.cell(atEnd ? bar - 1 : bar);
        String between = place.barLine() ? " | " : "  ";
        String all = String.join(between, contents);
        int at = atEnd ? cells.end(place.cell()) : cells.start(place.cell());
        return cells.apply(List.of(new ChartCells.Cut(at, at, atEnd ? between + all : all + between)));
    }

    /**
     * The bars that were not touched mean what they meant: where a % has lost the bar it repeats, or a bar the sign of
     * its metre or key, it is written out.
     *
     * @param expected null for a bar that may be anything
     */
    private static String repaired(String text, List<WrittenBar> expected) {
        ChartCells found = new ChartCells(text);
        for (int i = 0; i < expected.size() && found.reading().bars().size() == expected.size(); i++) {
            WrittenBar wanted = expected.get(i);
            WrittenBar now = found.bars().get(i);
            if (wanted == null || same(wanted, now)) {
                continue;
            }
            String key = wanted.marks().key().isPresent() && now.marks().key().isEmpty()
                    ? "(key " + wanted.marks().key().get() + ") "
                    : "";
            String tempo = wanted.marks().tempo().isPresent()
                            && now.marks().tempo().isEmpty()
                    ? "(tempo " + ChartText.number(wanted.marks().tempo().get().bpm()) + ") "
                    : "";
            String meter = wanted.meter().equals(now.meter()) ? "" : "(" + wanted.meter() + ") ";
            boolean chords =
                    !wanted.chords().equals(now.chords()) && !wanted.meter().equals(now.meter())
                            || found.cell(i).cell().text().contains("%");
            found = new ChartCells(found.set(
                    i,
                    meter
                            + key
                            + tempo
                            + (chords
                                    ? found.signs(i) + ChartText.chords(wanted)
                                    : found.cell(i).cell().text())));
        }
        return found.text();
    }

    private static boolean same(WrittenBar one, WrittenBar other) {
        return one.meter().equals(other.meter())
                && one.chords().equals(other.chords())
                && one.marks().key().equals(other.marks().key())
                && one.marks().tempo().equals(other.marks().tempo());
    }

    /** Takes bars {@code from} to {@code to} out, both included; a row or a section that is left empty goes too. */
    public String delete(int from, int to) {
        checkRun(from, to);
        List<WrittenBar> expected = new ArrayList<>(cells.song().writtenBars());
        List<WrittenBar> gone = expected.subList(from, to + 1);
        Optional<Key> key =
                gone.stream().flatMap(bar -> bar.marks().key().stream()).reduce((first, second) -> second);
        Optional<Tempo> tempo =
                gone.stream().flatMap(bar -> bar.marks().tempo().stream()).reduce((first, second) -> second);
        gone.clear();
        if (from < expected.size()) {
            WrittenBar next = expected.get(from);
            WrittenBar.Marks marks = key.filter(sign -> next.marks().key().isEmpty())
                    .map(next.marks()::key)
                    .orElse(next.marks());
            expected.set(
                    from,
                    next.marks(tempo.filter(sign -> next.marks().tempo().isEmpty())
                            .map(marks::tempo)
                            .orElse(marks)));
        }
        return repaired(new Rows(cells).delete(from, to), expected);
    }

    /** Bars {@code from} to {@code to} once more, before bar {@code before}. */
    public String copy(int from, int to, int before) {
        checkRun(from, to);
        checkPlace(before);
        List<WrittenBar> expected = new ArrayList<>(cells.song().writtenBars());
        List<WrittenBar> copies = List.copyOf(expected.subList(from, to + 1));
        expected.addAll(Math.min(before, expected.size()), copies);
        return repaired(put(before, contents(from, to)), expected);
    }

    /** Bars {@code from} to {@code to} taken out and put before bar {@code before}, which is not one of them. */
    public String move(int from, int to, int before) {
        checkRun(from, to);
        checkPlace(before);
        if (before >= from && before <= to + 1) {
            return cells.text();
        }
        int count = to - from + 1;
        return of(copy(from, to, before)).delete(before > to ? from : from + count, before > to ? to : to + count);
    }

    /** What bars hold, each standing for itself: a % is written out. */
    private List<String> contents(int from, int to) {
        return IntStream.rangeClosed(from, to)
                .mapToObj(bar -> {
                    String cell = cells.cell(bar).cell().text();
                    return cell.contains("%") ? ChartText.chords(cells.bars().get(bar)) : cell;
                })
                .toList();
    }

    /**
     * A chord of a bar moved to another beat, counted from 0 in the bar's own places; the chord before it takes what
     * becomes free.
     */
    public String moveChord(int bar, int chord, int beat) {
        return new ChordCells(cells).move(bar, chord, beat);
    }

    /** Another chord in the place of one; how long it lasts, how it comes and what holds it stay. */
    public String replaceChord(int bar, int chord, ChordSymbol other) {
        return replaceChords(List.of(new ChordReplacement(bar, chord, other)));
    }

    /** Other chords in many places at once. */
    public String replaceChords(List<ChordReplacement> changes) {
        return cells.apply(new ChordCells(cells).replaced(changes));
    }

    /** Other chords in whole bars, each filled from end to end; every other bar means what it meant. */
    public String chords(Map<Integer, List<ChordSpan>> byBar) {
        List<WrittenBar> expected = new ArrayList<>(cells.bars());
        byBar.forEach((bar, spans) -> expected.set(bar, expected.get(bar).chords(spans)));
        List<ChartCells.Cut> cuts = byBar.keySet().stream()
                .map(bar ->
                        cells.replace(cells.cell(bar).cell(), cells.signs(bar) + ChartText.chords(expected.get(bar))))
                .toList();
        return repaired(cells.apply(cuts), expected);
    }

    /**
     * The whole chart in another key: chords, key line, changes of key and the tune; everything else as it was typed.
     */
    public String transpose(Transposition by) {
        List<ChartCells.Cut> cuts = new ArrayList<>();
        cells.reading()
                .bars()
                .forEach(place -> place.chords().forEach(word -> {
                    String symbol = word.text().startsWith(">") ? word.text().substring(1) : word.text();
                    ChordSymbol.read(symbol)
                            .ifPresent(chord -> cuts.add(
                                    cells.replace(word, (word.text().startsWith(">") ? ">" : "") + by.of(chord))));
                }));
        cuts.addAll(TransposedSigns.of(cells.text(), by));
        cuts.addAll(new TuneLines(cells).moved(by));
        return cells.apply(cuts);
    }

    /** The key named in the heading; empty leaves it to be found from the chords. */
    public String key(Optional<Key> named) {
        Matcher line = TransposedSigns.KEY_LINE.matcher(cells.text());
        ChartCells.Cut last = null;
        while (line.find()) {
            int end = cells.text().startsWith("\r\n", line.end())
                    ? line.end() + 2
                    : Math.min(cells.text().length(), line.end() + 1);
            last = named.isPresent()
                    ? new ChartCells.Cut(line.start(2), line.end(2), named.get().toString())
                    : new ChartCells.Cut(line.start(), end, "");
        }
        if (last != null || named.isEmpty()) {
            return last == null ? cells.text() : cells.apply(List.of(last));
        }
        Matcher title = TITLE_LINE.matcher(cells.text());
        int from = title.find() ? title.end() : 0;
        return cells.apply(List.of(new ChartCells.Cut(
                from, from, "Key: " + named.get() + (cells.text().contains("\r\n") ? "\r\n" : "\n"))));
    }

    /**
     * A bar and the next one put into one: their chords share it, their words stand together. What was guessed of them
     * is guessed no more.
     */
    public String join(int bar) {
        cells.cell(bar);
        cells.cell(bar + 1);
        String content = cells.signs(bar)
                + Stream.of(bar, bar + 1)
                        .map(each -> cells.cell(each).cell().words().stream()
                                .map(Word::text)
                                .filter(word -> !word.equals("?")
                                        && !word.startsWith("\"")
                                        && !(word.startsWith("(") && !word.equals("(fermata)")))
                                .collect(Collectors.joining(" ")))
                        .map(chords -> chords.equals("%") ? "" : chords)
                        .collect(Collectors.joining(" "))
                        .strip();
        List<String> first = cells.song().writtenBars().get(bar).marks().words();
        List<String> second = cells.song().writtenBars().get(bar + 1).marks().words();
        List<String> words = IntStream.range(0, Math.max(first.size(), second.size()))
                .mapToObj(verse -> ((verse < first.size() ? first.get(verse) : "") + " "
                                + (verse < second.size() ? second.get(verse) : ""))
                        .strip())
                .toList();
        String joined = of(set(bar, content)).delete(bar + 1, bar + 1);
        return words.isEmpty() ? joined : new Rows(new ChartCells(joined)).words(bar, words);
    }

    /**
     * The melody of a written bar, counted from 0, and of those after it, each note by its name as a Tune line has it;
     * blank for none.
     *
     * @throws Refused where one of them cannot be read, with what was expected
     */
    public String tune(int bar, List<String> notes) {
        List<Problem> problems = new ArrayList<>();
        List<List<TuneNote>> tunes = new ArrayList<>();
        for (int i = 0; i < notes.size(); i++) {
            cells.cell(bar + i);
            tunes.add(TuneReader.read(
                    new Word(notes.get(i), 1, 1),
                    cells.song().writtenBars().get(bar + i).ticks(),
                    problems));
        }
        problems.stream()
                .filter(problem -> problem.severity() == Problem.Severity.ERROR)
                .findFirst()
                .ifPresent(first -> {
                    throw new Refused("melody \"" + first.found() + "\": expected " + first.expected());
                });
        return new TuneLines(cells).written(bar, 1, tunes);
    }

    /** One change to a note of the melody. */
    public NoteEdit.Edited note(NoteEdit change) {
        return change.in(cells);
    }

    /** Every guessed length taken as right. */
    public String confirmGuesses() {
        List<ChartCells.Cut> cuts = new ArrayList<>();
        cells.reading()
                .bars()
                .forEach(place -> place.cell().words().stream()
                        .filter(word -> word.text().equals("?"))
                        .forEach(word -> cuts.add(new ChartCells.Cut(
                                cells.start(word)
                                        - (cells.start(word) > 0 && cells.text().charAt(cells.start(word) - 1) == ' '
                                                ? 1
                                                : 0),
                                cells.end(word),
                                ""))));
        return cells.apply(cuts);
    }

    /**
     * A whole section once more behind itself, moved before another one, or taken out; {@code place} counts written
     * sections from 0.
     */
    public String section(int place, SectionChange change) {
        return new Rows(cells).section(place, change);
    }

    private void checkRun(int from, int to) {
        cells.cell(from);
        cells.cell(to);
        if (from > to) {
            throw new Refused("bars " + from + " to " + to + ": expected the first before the last");
        }
    }

    private void checkPlace(int before) {
        cells.song();
        if (before < 0 || before > cells.reading().bars().size()) {
            throw new Refused("place " + before + ": expected 0 to "
                    + cells.reading().bars().size());
        }
    }
}
