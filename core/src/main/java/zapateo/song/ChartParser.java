package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import zapateo.harmony.Key;
import zapateo.harmony.KeyFinder;
import zapateo.rhythm.Meter;

/**
 * Reads chart text into a song. Header lines, {@code [Section]} lines, {@code //} comments, and bars between {@code |};
 * a row of chords without any bar line is one chord a bar. A mistake is reported with its place and the rest is read on.
 */
public final class ChartParser {

    private static final Pattern LINE_END = Pattern.compile("\r\n|\r|\n");
    private static final int MOST_PROBLEMS = 100;
    private static final int LONGEST_SECTION_NAME = 60;

    private final List<Problem> problems = new ArrayList<>();
    private final ChartHeader header = new ChartHeader(problems);
    private final List<Section> sections = new ArrayList<>();
    private final List<Bar> bars = new ArrayList<>();
    private Optional<BarReader> reader = Optional.empty();
    private Optional<Word> heading = Optional.empty();
    private String sectionName = "";
    private int barCount;
    private int tick;

    private ChartParser() {
    }

    public static ChartReading parse(String text) {
        return new ChartParser().read(text);
    }

    private ChartReading read(String text) {
        String[] lines = LINE_END.split(text.startsWith("\uFEFF") ? text.substring(1) : text, -1);
        for (int i = 0; i < lines.length && problems.size() < MOST_PROBLEMS && barCount <= Song.MOST_BARS; i++) {
            readLine(new Word(withoutComment(lines[i]), i + 1, 1));
        }
        closeSection();
        if (barCount > Song.MOST_BARS) {
            problems.add(new Problem(Problem.Severity.ERROR, "too-many-bars", 1, 1, 0, "more than " + Song.MOST_BARS + " bars", "at most " + Song.MOST_BARS + " bars"));
            return new ChartReading(Optional.empty(), problems);
        }
        if (barCount == 0) {
            problems.add(new Problem(Problem.Severity.ERROR, "no-bars", lines.length, 1, 0, "no bars", "one bar at least, such as | C |"));
        }
        return new ChartReading(song(), problems);
    }

    private Optional<Song> song() {
        if (barCount == 0) {
            return Optional.empty();
        }
        return Optional.of(new Song(header.title(), header.key().orElseGet(this::findKey), header.key().isPresent(),
                header.meter(), header.tempo(), header.feel(), sections));
    }

    private Key findKey() {
        List<KeyFinder.Sounding> chords = sections.stream().flatMap(section -> section.bars().stream()).flatMap(bar -> bar.chords().stream())
                .flatMap(span -> span.chord().map(chord -> new KeyFinder.Sounding(chord, span.ticks())).stream()).toList();
        return KeyFinder.rank(chords).stream().findFirst().map(KeyFinder.Guess::key).orElse(Key.C_MAJOR);
    }

    private static String withoutComment(String line) {
        int comment = line.indexOf("//");
        return comment < 0 ? line : line.substring(0, comment);
    }

    private void readLine(Word line) {
        if (line.isBlank()) {
            return;
        }
        Word content = line.stripped();
        if (content.text().startsWith("[")) {
            openSection(content);
        } else if (!header.take(line, reader.isPresent())) {
            readBars(line);
        }
    }

    private void openSection(Word content) {
        String name = content.text().replaceAll("^\\[|\\]$", "").strip();
        if (!content.text().endsWith("]") || name.isEmpty() || name.length() > LONGEST_SECTION_NAME || name.matches(".*[\\[\\]|].*")) {
            problems.add(Problem.error("section-unread", content, "a name in brackets alone on its line, as in [Verse]"));
            return;
        }
        closeSection();
        sectionName = name;
        heading = Optional.of(content);
    }

    private void closeSection() {
        if (!bars.isEmpty()) {
            sections.add(new Section(sectionName, bars));
        } else {
            heading.ifPresent(word -> problems.add(Problem.warning("section-empty", word, "bars below it")));
        }
        bars.clear();
        heading = Optional.empty();
    }

    private void readBars(Word line) {
        if (line.text().indexOf('|') < 0) {
            readBareRow(line);
            return;
        }
        int from = 0;
        for (int at = line.text().indexOf('|'); at >= 0; at = line.text().indexOf('|', from)) {
            Word cell = line.part(line.text().substring(from, at), from);
            if (!cell.isBlank()) {
                readBar(cell);
            } else if (from > 0 && !cell.text().isEmpty()) {
                problems.add(Problem.error("bar-empty", cell, "a chord, % or N.C. between the bar lines"));
            }
            from = at + 1;
        }
        Word last = line.part(line.text().substring(from), from);
        if (!last.isBlank()) {
            readBar(last);
        }
    }

    /** One chord a bar; with dots the row is one bar. */
    private void readBareRow(Word line) {
        List<Word> words = line.words();
        if (words.stream().anyMatch(word -> word.text().startsWith("."))) {
            readBar(line);
            return;
        }
        for (int i = 0; i < words.size(); i++) {
            int from = words.get(i).column() - line.column();
            if (words.get(i).text().startsWith("(") && i + 1 < words.size()) {
                i++;
            }
            int to = words.get(i).column() - line.column() + words.get(i).text().length();
            readBar(line.part(line.text().substring(from, to), from));
        }
    }

    private void readBar(Word cell) {
        if (reader.isEmpty()) {
            reader = Optional.of(new BarReader(header.meter(), problems));
        }
        if (++barCount > Song.MOST_BARS) {
            return;
        }
        List<ChordSpan> chords = reader.get().read(cell);
        Meter meter = reader.get().meter();
        bars.add(new Bar(barCount - 1, barCount, meter, tick, chords));
        tick += meter.barTicks();
    }
}
