package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.rhythm.Meter;
import zapateo.song.Problem;

/**
 * Reads words with chords: in lines above them, or in square brackets inside them. Such a sheet does not say how long a
 * chord lasts, so each is taken for a bar and marked as a guess.
 */
final class ChordSheetReader {

    private static final Pattern INSIDE = Pattern.compile("\\[([^\\[\\]\\s]{1,20})\\]");
    private static final Pattern HEADING = Pattern.compile(
            "\\s*\\[?\\(?((?i:intro|verse|chorus|refrain|bridge|middle|solo|outro|ending|tag|coda|interlude|pre-chorus|strophe|part|section)[^\\[\\]|:]{0,20})\\)?\\]?\\s*:?\\s*");
    private static final Pattern HEADER =
            Pattern.compile("\\s*(?i:(title|key|tempo|meter|metre|time|feel))\\s*:\\s*(.+)");
    private static final Pattern WORD = Pattern.compile("\\S+");
    private static final Pattern FILLER =
            Pattern.compile("[|/\\-–.,*x%()]+|x[0-9]+|\\(?x?[0-9]x?\\)?|[Nn]\\.?[Cc]\\.?");

    private final List<Problem> problems = new ArrayList<>();
    private final SongBuilder song = new SongBuilder(problems);
    private final boolean inside;
    private Meter meter = Meter.COMMON;
    private boolean titled;

    private ChordSheetReader(boolean inside) {
        this.inside = inside;
    }

    /** What a text is by its looks: a chart of our own, or words with chords above or inside them. */
    static FileFormat looks(String text) {
        int above = 0;
        int within = 0;
        int bars = 0;
        int plain = 0;
        String[] lines = text.split("\r\n|\r|\n", -1);
        for (String line : lines) {
            if (line.isBlank()
                    || HEADING.matcher(line).matches()
                    || HEADER.matcher(line).matches()) {
                continue;
            }
            if (line.indexOf('|') >= 0) {
                bars++;
            } else if (INSIDE.matcher(line)
                    .results()
                    .anyMatch(found -> ChordSymbol.read(found.group(1)).isPresent())) {
                within++;
            } else if (isChordLine(line)) {
                above++;
            } else {
                plain++;
            }
        }
        if (within > 0 && bars == 0) {
            return FileFormat.WORDS_WITH_CHORDS_INSIDE;
        }
        return above > 0 && plain > 0 && bars < above
                ? FileFormat.WORDS_WITH_CHORDS_ABOVE
                : above + bars > 0 ? FileFormat.CHART : FileFormat.UNKNOWN;
    }

    /** Whether most of a line's words are chords and none is anything else than a filler. */
    private static boolean isChordLine(String line) {
        int words = 0;
        int chords = 0;
        for (Matcher word = WORD.matcher(line); word.find(); words++) {
            if (ChordSymbol.read(word.group()).isPresent()) {
                chords++;
            } else if (!FILLER.matcher(word.group()).matches()) {
                return false;
            }
        }
        return chords > 0 && (chords > 1 || words == 1 || chords * 2 >= words);
    }

    static FileReading read(String text, FileFormat format) {
        return new ChordSheetReader(format == FileFormat.WORDS_WITH_CHORDS_INSIDE)
                .readLines(text.split("\r\n|\r|\n", -1), format);
    }

    private FileReading readLines(String[] lines, FileFormat format) {
        for (int i = 0; i < lines.length && !song.isFull(); i++) {
            String line = lines[i].replace("\t", "        ");
            Matcher heading = HEADING.matcher(line);
            Matcher header = HEADER.matcher(line);
            if (line.isBlank()) {
                continue;
            }
            if (header.matches()) {
                readHeader(
                        header.group(1).toLowerCase(Locale.ROOT),
                        header.group(2).strip(),
                        i + 1);
            } else if (heading.matches()) {
                song.section(heading.group(1));
            } else if (inside) {
                readInside(line, i + 1);
            } else if (isChordLine(line)) {
                boolean words = i + 1 < lines.length
                        && !lines[i + 1].isBlank()
                        && !isChordLine(lines[i + 1])
                        && !HEADING.matcher(lines[i + 1]).matches();
                readAbove(line, words ? lines[i + 1].replace("\t", "        ") : "", i + 1);
                i += words ? 1 : 0;
            } else {
                readLoose(line, i + 1);
            }
        }
        if (song.bars() > 0) {
            problems.add(
                    0,
                    new Problem(
                            Problem.Severity.WARNING,
                            "lengths-guessed",
                            1,
                            1,
                            0,
                            song.bars() + "",
                            "one for each chord; change them where the ear says otherwise"));
        }
        return FileReading.of(format, song.build(), problems);
    }

    private void readHeader(String name, String value, int line) {
        switch (name) {
            case "title" -> {
                song.title(value);
                titled = true;
            }
            case "key" ->
                Key.read(value)
                        .ifPresentOrElse(
                                key -> song.key = Optional.of(key),
                                () -> warn("key-unread", line, value, "a key such as B♭ or Gm"));
            case "tempo" ->
                Optional.of(value.replaceAll("[^0-9.]", ""))
                        .filter(number -> number.matches("[0-9]{2,3}(\\.[0-9])?"))
                        .map(Double::valueOf)
                        .ifPresentOrElse(
                                bpm -> song.quarters = Optional.of(bpm),
                                () -> warn("tempo-unread", line, value, "beats a minute"));
            case "feel" ->
                zapateo.rhythm.Feel.named(value)
                        .ifPresentOrElse(
                                feel -> song.feel = feel,
                                () -> warn("feel-unread", line, value, "straight, swing or shuffle"));
            default ->
                Meter.read(value)
                        .ifPresentOrElse(
                                read -> {
                                    meter = read;
                                    song.meter = Optional.of(read);
                                },
                                () -> warn("meter-unread", line, value, "one such as 4/4"));
        }
    }

    private void warn(String code, int line, String found, String expected) {
        if (problems.size() < 100) {
            problems.add(new Problem(Problem.Severity.WARNING, code, line, 1, found.length(), found, expected));
        }
    }

    /** A line without chords: the first of all is the title, others are words that no chord stands over. */
    private void readLoose(String line, int number) {
        if (!titled && song.bars() == 0) {
            song.title(line);
            titled = true;
        } else {
            warn("words-alone", number, line.strip(), "chords above or inside the words");
        }
    }

    private void readAbove(String chords, String words, int line) {
        List<MatchResult> found = WORD.matcher(chords).results().toList();
        List<MatchResult> known = found.stream()
                .filter(word -> ChordSymbol.read(word.group()).isPresent()
                        || word.group().matches("[Nn]\\.?[Cc]\\.?"))
                .toList();
        for (int i = 0; i < known.size(); i++) {
            int from = i == 0
                    ? 0
                    : Math.min(words.length(), wordStart(words, known.get(i).start()));
            int to = i + 1 < known.size()
                    ? Math.min(words.length(), wordStart(words, known.get(i + 1).start()))
                    : words.length();
            bar(known.get(i).group(), from < to ? words.substring(from, to) : "", line);
        }
    }

    /** A chord over the middle of a word belongs to the word, or to its part behind a hyphen: no word is torn. */
    private static int wordStart(String words, int column) {
        int at = Math.min(column, words.length());
        while (at > 0
                && at < words.length()
                && !Character.isWhitespace(words.charAt(at))
                && !Character.isWhitespace(words.charAt(at - 1))
                && words.charAt(at - 1) != '-') {
            at--;
        }
        return at;
    }

    private void readInside(String line, int number) {
        List<MatchResult> found = INSIDE.matcher(line)
                .results()
                .filter(match -> ChordSymbol.read(match.group(1)).isPresent()
                        || match.group(1).matches("[Nn]\\.?[Cc]\\.?"))
                .toList();
        if (found.isEmpty()) {
            INSIDE.matcher(line)
                    .results()
                    .forEach(match -> warn("chord-unknown", number, match.group(1), "a chord such as G or Am7"));
            readLoose(line, number);
            return;
        }
        INSIDE.matcher(line)
                .results()
                .filter(match -> ChordSymbol.read(match.group(1)).isEmpty()
                        && !match.group(1).matches("[Nn]\\.?[Cc]\\.?"))
                .forEach(match -> warn("chord-unknown", number, match.group(1), "a chord such as G or Am7"));
        for (int i = 0; i < found.size(); i++) {
            String before = i == 0 ? line.substring(0, found.get(0).start()) : "";
            String after = line.substring(
                    found.get(i).end(), i + 1 < found.size() ? found.get(i + 1).start() : line.length());
            bar(found.get(i).group(1), (before.isBlank() ? "" : before) + after, number);
        }
    }

    private void bar(String chord, String words, int line) {
        SongBuilder.Draft draft = new SongBuilder.Draft(meter, line);
        draft.ticks = meter.barTicks();
        draft.guessed = true;
        draft.chords.put(0, ChordSymbol.read(chord));
        if (!words.isBlank()) {
            draft.words.add(INSIDE.matcher(words).replaceAll("").strip().replaceAll("\\s+", " "));
        }
        song.add(draft);
    }
}
