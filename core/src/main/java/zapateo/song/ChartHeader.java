package zapateo.song;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.Key;
import zapateo.rhythm.Feel;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;

/** The heading of a chart while it is read: {@code Title: …}, {@code Key: …} and the rest, each optional. */
final class ChartHeader {

    private static final Pattern LINE = Pattern.compile("(\\s*)(\\p{L}+)(\\s*:\\s*)(.*)");
    private static final String NAMES = "Title, Key, Meter, Tempo, Feel or Form";
    private static final Pattern BPM = Pattern.compile("[0-9]{1,3}(\\.[0-9])?");
    private static final int LONGEST_TITLE = 120;

    private final List<Problem> problems;
    private final Set<String> seen = new HashSet<>();
    private String title = Song.UNTITLED;
    private Optional<Key> key = Optional.empty();
    private Meter meter = Meter.COMMON;
    private double bpm = 100;
    private Feel feel = Feel.STRAIGHT;
    private Optional<Word> form = Optional.empty();

    ChartHeader(List<Problem> problems) {
        this.problems = problems;
    }

    /** Takes the line if it is a header; {@code late} when bars have been read before it. */
    boolean take(Word line, boolean late) {
        Matcher match = LINE.matcher(line.text());
        if (!match.matches()) {
            return false;
        }
        Word name = line.part(match.group(2), match.start(2));
        Word value = line.part(match.group(4).strip(), match.start(4));
        if (late) {
            problems.add(Problem.error("header-late", name, "header lines above the first bar"));
            return true;
        }
        String known = name.text().toLowerCase(Locale.ROOT).replace("metre", "meter");
        if (!seen.add(known)) {
            problems.add(Problem.warning("header-twice", name, "one line each; the last one counts"));
        }
        read(known, name, value);
        return true;
    }

    private void read(String known, Word name, Word value) {
        switch (known) {
            case "title" ->
                keep(readTitle(value.text()), read -> title = read, "title", value, "a title of 1 to 120 characters");
            case "key" ->
                keep(
                        Key.read(value.text()).map(Optional::of),
                        read -> key = read,
                        "key",
                        value,
                        "a key such as B♭, Gm or E mixolydian");
            case "meter" ->
                keep(Meter.read(value.text()), read -> meter = read, "meter", value, "a metre such as 4/4, 3/4 or 6/8");
            case "tempo" ->
                keep(readBpm(value.text()), read -> bpm = read, "tempo", value, "beats a minute, 20 to 400");
            case "feel" ->
                keep(Feel.named(value.text()), read -> feel = read, "feel", value, "straight, swing or shuffle");
            case "form" -> form = Optional.of(value);
            default -> problems.add(Problem.error("header-unknown", name, NAMES));
        }
    }

    private <T> void keep(Optional<T> read, Consumer<T> field, String name, Word value, String expected) {
        read.ifPresentOrElse(field, () -> problems.add(Problem.error(name + "-unread", value, expected)));
    }

    private static Optional<String> readTitle(String text) {
        return Optional.of(text).filter(title -> !title.isEmpty() && title.length() <= LONGEST_TITLE);
    }

    static Optional<Double> readBpm(String text) {
        return Optional.of(text)
                .filter(number -> BPM.matcher(number).matches())
                .map(Double::valueOf)
                .filter(number -> number >= Tempo.SLOWEST && number <= Tempo.FASTEST);
    }

    String title() {
        return title;
    }

    Optional<Key> key() {
        return key;
    }

    Meter meter() {
        return meter;
    }

    Tempo tempo() {
        return Tempo.of(bpm, meter.beatTicks());
    }

    /** The order line as it stands. */
    Optional<Word> form() {
        return form;
    }

    Feel feel() {
        return feel;
    }
}
