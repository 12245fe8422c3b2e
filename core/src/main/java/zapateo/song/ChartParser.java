package zapateo.song;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import zapateo.harmony.Key;
import zapateo.harmony.KeyFinder;
import zapateo.refusal.Refused;

/**
 * Reads chart text into a song. Header lines, {@code [Section]} lines, {@code //} comments, and bars between {@code |};
 * a row of chords without any bar line is one chord a bar. A mistake is reported with its place and the rest is read
 * on.
 */
public final class ChartParser {

    private static final Pattern LINE_END = Pattern.compile("\r\n|\r|\n");
    /** {@code |}, {@code ||}, {@code |:}, {@code :|}, {@code :|:}, each with the rounds of an ending behind it. */
    private static final Pattern BAR_LINE =
            Pattern.compile("(:?)\\|+(:?)\\|?(?:\\](?=\\s|$))?([1-9](?:[,-][1-9])*\\.?(?=\\s|$))?");

    private static final Pattern HEADING = Pattern.compile("\\[([^\\[\\]|]*)\\](\\s+again)?");
    private static final Pattern UNDER = Pattern.compile("(?i)(\\s*)(words|tune|melody)(\\s*:)(.*)");
    /** Two strokes behind a note are half its length again and no comment. */
    private static final Pattern ABC_LINE = Pattern.compile("(?i)\\s*melody\\s*:");

    private static final Pattern TIMES = Pattern.compile("x([0-9]{1,2})");
    private static final int MOST_PROBLEMS = 100;
    private static final int LONGEST_SECTION_NAME = 60;
    private static final int NAMES_TOLD = 12;

    private final List<Problem> problems = new ArrayList<>();
    private final ChartHeader header = new ChartHeader(problems);
    private final List<Draft> sections = new ArrayList<>();
    private final List<ChartReading.BarPlace> places = new ArrayList<>();
    private final List<ChartReading.TuneLine> tunes = new ArrayList<>();
    private Draft section = new Draft("", Optional.empty(), Optional.empty(), 1);
    private Optional<BarReader> reader = Optional.empty();
    private int barCount;
    private int numbered;
    private int line;
    /** The first place of each name that may be played again. */
    private final Map<String, Integer> named = new LinkedHashMap<>();

    private int rowStart;
    /** The last key that was signed, up to which bar of the section. */
    private Optional<Key> signed = Optional.empty();

    private int signedTo;
    private UnderRow under = new UnderRow(problems);

    // Signs between bars, waiting for the bar they belong to.
    private boolean opens;
    private List<Integer> endings = List.of();
    private Optional<Word> openSign = Optional.empty();

    private ChartParser() {}

    /** A section while it is read. */
    private static final class Draft {
        private final String name;
        private final Optional<Word> heading;
        private final Optional<Integer> again;
        private final List<WrittenBar> bars = new ArrayList<>();
        private int firstLine;
        private int lastLine;

        private Draft(String name, Optional<Word> heading, Optional<Integer> again, int line) {
            this.name = name;
            this.heading = heading;
            this.again = again;
            this.firstLine = line;
            this.lastLine = line;
        }
    }

    public static ChartReading parse(String text) {
        return new ChartParser().read(text);
    }

    private ChartReading read(String text) {
        String[] lines = LINE_END.split(text.startsWith("\uFEFF") ? text.substring(1) : text, -1);
        for (line = 1; line <= lines.length && problems.size() < MOST_PROBLEMS && barCount <= Song.MOST_BARS; line++) {
            readLine(new Word(
                    ABC_LINE.matcher(lines[line - 1]).lookingAt()
                            ? Word.withoutRemark(lines[line - 1])
                            : Word.withoutComment(lines[line - 1]),
                    line,
                    1));
        }
        closeSection();
        if (barCount > Song.MOST_BARS) {
            return refuse(
                    "too-many-bars", 1, "more than " + Song.MOST_BARS + " bars", "at most " + Song.MOST_BARS + " bars");
        }
        if (barCount == 0) {
            return refuse("no-bars", lines.length, "no bars", "one bar at least, such as | C |");
        }
        List<WrittenSection> written = sections.stream()
                .map(each -> new WrittenSection(each.name, each.bars, each.again))
                .toList();
        List<Integer> form = header.form()
                .map(value -> FormReader.read(value, written, problems))
                .orElse(List.of());
        try {
            Song song = Song.of(heading(written), written, form);
            return new ChartReading(
                    header.title(),
                    Optional.of(song),
                    problems,
                    places,
                    sections.stream()
                            .map(each -> new ChartReading.SectionPlace(each.heading, each.firstLine, each.lastLine))
                            .toList(),
                    tunes);
        } catch (Refused tooMany) {
            String[] said = tooMany.getMessage().split(": expected ", 2);
            return refuse("too-many-bars", 1, said[0], said[1]);
        }
    }

    private ChartReading refuse(String code, int at, String found, String expected) {
        problems.add(new Problem(Problem.Severity.ERROR, code, at, 1, 0, found, expected));
        return new ChartReading(header.title(), Optional.empty(), problems, List.of(), List.of(), List.of());
    }

    private Song.Heading heading(List<WrittenSection> written) {
        return new Song.Heading(
                header.title(),
                header.key().orElseGet(() -> findKey(written)),
                header.key().isPresent(),
                header.meter(),
                header.tempo(),
                header.feel());
    }

    private static Key findKey(List<WrittenSection> written) {
        return KeyFinder.find(KeyEvidence.sounding(written), KeyEvidence.melody(written)).stream()
                .findFirst()
                .map(KeyFinder.Guess::key)
                .orElse(Key.C_MAJOR);
    }

    /** The chords of the written song, each with its length in ticks. */
    private void readLine(Word text) {
        if (text.isBlank()) {
            return;
        }
        Word content = text.stripped();
        Matcher below = UNDER.matcher(text.text());
        if (content.text().startsWith("[")) {
            openSection(content);
        } else if (below.matches()) {
            readUnder(text.part(below.group(2), below.start(2)), text.part(below.group(4), below.start(4)));
        } else if (!header.take(text, reader.isPresent())) {
            readBars(text);
        }
    }

    private void openSection(Word content) {
        Matcher match = HEADING.matcher(content.text());
        String name = match.matches() ? match.group(1).strip() : "";
        if (name.isEmpty() || name.length() > LONGEST_SECTION_NAME) {
            problems.add(Problem.error(
                    "section-unread",
                    content,
                    "a name in brackets alone on its line, as in [Verse], or [Verse] again"));
            return;
        }
        closeSection();
        Optional<Integer> again = Optional.empty();
        if (match.group(2) != null) {
            again = Optional.ofNullable(named.get(name));
            if (again.isEmpty()) {
                problems.add(Problem.error(
                        "again-nothing",
                        content,
                        named.isEmpty()
                                ? "a section above it that is played again"
                                : "one of "
                                        + named.keySet().stream()
                                                .limit(NAMES_TOLD)
                                                .collect(Collectors.joining(", "))
                                        + (named.size() > NAMES_TOLD ? " …" : "")));
            }
        }
        section = new Draft(name, Optional.of(content), again, line);
    }

    private void closeSection() {
        openSign.ifPresent(sign -> problems.add(Problem.error("repeat-open", sign, ":| where the repeat ends")));
        openSign = Optional.empty();
        opens = false;
        endings = List.of();
        if (!section.bars.isEmpty() || section.again.isPresent()) {
            if (section.again.isEmpty()) {
                named.putIfAbsent(section.name, sections.size());
            }
            sections.add(section);
            signatureBefore(section.bars.size());
        } else {
            section.heading.ifPresent(word -> problems.add(Problem.warning("section-empty", word, "bars below it")));
        }
        signedTo = 0;
        section = new Draft("", Optional.empty(), Optional.empty(), line);
    }

    private void readBars(Word text) {
        rowStart = section.bars.size();
        under = new UnderRow(problems);
        section.lastLine = line;
        if (section.heading.isEmpty() && section.bars.isEmpty()) {
            section.firstLine = line;
        }
        if (text.text().indexOf('|') < 0) {
            readBareRow(text);
            return;
        }
        Matcher barLine = BAR_LINE.matcher(text.text());
        int from = 0;
        int at = 0;
        boolean closed = false;
        while (at < text.text().length()) {
            if (text.text().charAt(at) == '"') {
                int close = text.text().indexOf('"', at + 1);
                at = close < 0 ? text.text().length() : close + 1;
            } else if ((text.text().charAt(at) == '|' || text.text().charAt(at) == ':')
                    && barLine.region(at, text.text().length()).lookingAt()) {
                Word cell = text.part(text.text().substring(from, at), from);
                boolean filled = readCell(cell, from > 0 && !cell.text().isEmpty() && !closed);
                takeBarLine(text.part(barLine.group(), at), barLine, filled);
                closed = !barLine.group(1).isEmpty();
                from = barLine.end();
                at = from;
                from = takeTimes(text, barLine, from);
                at = Math.max(at, from);
            } else {
                at++;
            }
        }
        readCell(text.part(text.text().substring(from), from), false);
    }

    private boolean readCell(Word cell, boolean wanted) {
        if (!cell.isBlank()) {
            readBar(cell, true);
            return true;
        }
        if (wanted) {
            problems.add(Problem.error("bar-empty", cell, "a chord, % or N.C. between the bar lines"));
        }
        return false;
    }

    private void takeBarLine(Word sign, Matcher match, boolean afterBar) {
        if (!match.group(1).isEmpty()) {
            close(sign, afterBar);
        }
        if (!match.group(2).isEmpty()) {
            openSign.ifPresent(
                    open -> problems.add(Problem.error("repeat-open", open, ":| before the next repeat begins")));
            opens = true;
            openSign = Optional.of(sign);
            endings = List.of();
        }
        if (match.group(3) != null) {
            endings = Repeat.rounds(match.group(3).replace(".", ""));
        } else if (afterBar && sign.text().equals("||") && !endings.isEmpty()) {
            endings = List.of();
        }
    }

    private void close(Word sign, boolean afterBar) {
        if (section.bars.isEmpty()
                || !afterBar
                        && section.bars
                                .get(section.bars.size() - 1)
                                .marks()
                                .closes()
                                .isPresent()) {
            problems.add(Problem.error("repeat-nothing-closed", sign, "a bar before :|"));
            return;
        }
        mark(marks -> marks.closes(Optional.of(Repeat.TWICE)));
        openSign = Optional.empty();
        endings = List.of();
    }

    private void mark(UnaryOperator<WrittenBar.Marks> change) {
        int last = section.bars.size() - 1;
        section.bars.set(
                last,
                section.bars.get(last).marks(change.apply(section.bars.get(last).marks())));
    }

    /** {@code x3} or {@code vamp} behind a closing sign; the place behind it. */
    private int takeTimes(Word text, Matcher barLine, int from) {
        if (barLine.group(1).isEmpty() || section.bars.isEmpty()) {
            return from;
        }
        Optional<Word> next = text.firstWord(from);
        if (next.isEmpty()) {
            return from;
        }
        Word word = next.get();
        int end = word.column() - text.column() + word.text().length();
        Matcher times = TIMES.matcher(word.text());
        if (word.text().equals("vamp")) {
            mark(marks -> marks.closes(Optional.of(Repeat.VAMP)));
            return end;
        }
        if (!times.matches()) {
            return from;
        }
        int count = Integer.parseInt(times.group(1));
        if (count < 2 || count > Repeat.MOST) {
            problems.add(Problem.error("times-unread", word, "x2 to x" + Repeat.MOST));
        } else {
            mark(marks -> marks.closes(Optional.of(Repeat.of(count))));
        }
        return end;
    }

    /** One chord a bar; with dots the row is one bar. */
    private void readBareRow(Word text) {
        List<Word> words = text.words();
        if (words.stream().anyMatch(word -> word.text().startsWith("."))) {
            readBar(text, false);
            return;
        }
        for (int i = 0; i < words.size(); i++) {
            int from = words.get(i).column() - text.column();
            while (isAside(words.get(i).text()) && i + 1 < words.size()) {
                i++;
            }
            while (i + 1 < words.size()
                    && (words.get(i + 1).text().equals(BarReader.FERMATA)
                            || words.get(i + 1).text().equals("(fermata)")
                            || words.get(i + 1).text().equals("?"))) {
                i++;
            }
            int to = words.get(i).column() - text.column() + words.get(i).text().length();
            readBar(text.part(text.text().substring(from, to), from), false);
        }
    }

    private static boolean isAside(String word) {
        return word.startsWith("(") && !word.equals("(fermata)") || word.startsWith("\"");
    }

    private void readBar(Word cell, boolean barLine) {
        if (reader.isEmpty()) {
            reader = Optional.of(new BarReader(header.meter(), problems));
        }
        if (++barCount > Song.MOST_BARS) {
            return;
        }
        BarReader.Reading read = reader.get().read(cell);
        int number = read.pickup() && numbered == 0 ? 0 : ++numbered;
        WrittenBar.Marks marks = read.bar().marks().endings(endings);
        section.bars.add(read.bar().number(number).marks(opens ? marks.opening() : marks));
        opens = false;
        places.add(new ChartReading.BarPlace(cell.stripped(), read.chords(), barLine));
    }

    /** A line of words or of the tune under the row of bars above it. */
    private void readUnder(Word name, Word value) {
        section.lastLine = line;
        if (section.bars.size() == rowStart || section.bars.isEmpty()) {
            problems.add(Problem.error("under-nothing", name, "a row of bars above it"));
            return;
        }
        List<WrittenBar> row = section.bars.subList(rowStart, section.bars.size());
        under.read(name, value, row, signatureBefore(rowStart))
                .ifPresent(read -> tunes.add(new ChartReading.TuneLine(
                        line, read.notation(), places.size() - row.size(), read.pass(), read.cells())));
    }

    /**
     * The key that is signed before a bar of the section that is read, at or behind the one that was asked for before.
     */
    private Key signatureBefore(int bar) {
        for (; signedTo < bar; signedTo++) {
            signed = section.bars.get(signedTo).marks().key().or(() -> signed);
        }
        return signed.or(header::key).orElse(Key.C_MAJOR);
    }
}
