package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.ChordUnreadException;
import zapateo.harmony.Key;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Tempo;
import zapateo.rhythm.Ticks;

/** Reads what stands between two bar lines, keeping the metre and the bar before in mind. */
final class BarReader {

    static final String FERMATA = "𝄐";
    private static final Pattern DOTS = Pattern.compile("\\.+");
    private static final Pattern SILENCE = Pattern.compile("(?i)n\\.?c\\.?");
    private static final Pattern FRACTION = Pattern.compile("([0-9]{1,2})/(1|2|4|8|16)");
    private static final String DIRECTIONS =
            "a metre such as (3/4), or (key Gm), (tempo 96), (pickup 1), (short 2), (eighths), (fermata)";

    private final List<Problem> problems;
    private Meter meter;
    private Optional<Spans> before = Optional.empty();

    // What the bar that is read holds.
    private final List<Entry> entries = new ArrayList<>();
    private final List<Word> words = new ArrayList<>();
    private final List<Pin> pins = new ArrayList<>();
    private boolean repeat;
    private boolean dotted;
    private Grid grid;
    private int length;
    private boolean pickup;
    private WrittenBar.Marks marks;

    BarReader(Meter meter, List<Problem> problems) {
        this.meter = meter;
        this.problems = problems;
    }

    /** A bar and the words of its chords. */
    record Reading(WrittenBar bar, boolean pickup, List<Word> chords) {}

    /** The bar in {@code cell}, which is not blank; its number is given later. */
    Reading read(Word cell) {
        entries.clear();
        words.clear();
        pins.clear();
        repeat = false;
        dotted = false;
        pickup = false;
        grid = Grid.BEATS;
        length = 0;
        marks = WrittenBar.Marks.NONE;
        cell.words().forEach(this::take);
        int ticks = length > 0 && length < meter.barTicks() ? length : meter.barTicks();
        List<ChordSpan> spans = repeat
                ? repeated(cell, ticks)
                : entries.isEmpty()
                        ? silence(ticks)
                        : dotted || grid != Grid.BEATS ? onGrid(cell, ticks) : shared(cell, ticks);
        before = Optional.of(new Spans(meter, ticks, spans));
        return new Reading(
                new WrittenBar(1, meter, ticks, spans, List.of(), marks.pins(pins)), pickup, List.copyOf(words));
    }

    private void take(Word word) {
        String text = word.text();
        if (text.startsWith("\"")) {
            pin(word);
        } else if (text.startsWith("(")) {
            direct(word);
        } else if (text.equals(FERMATA)) {
            hold(word);
        } else if (text.equals("?")) {
            marks = marks.guess();
        } else if (text.equals("%")) {
            repeat = true;
            if (!entries.isEmpty()) {
                problems.add(Problem.error("repeat-mixed", word, "% alone in its bar, or chords without it"));
            }
        } else if (repeat) {
            problems.add(Problem.error("repeat-mixed", word, "% alone in its bar, or chords without it"));
        } else if (text.charAt(0) == '.' && DOTS.matcher(text).matches()) {
            dotted = true;
            dots(word);
        } else {
            entries.add(chord(word));
            words.add(word);
        }
    }

    private void pin(Word word) {
        String inside = word.text()
                .substring(
                        1,
                        word.text().length()
                                - (word.text().length() > 1 && word.text().endsWith("\"") ? 1 : 0));
        boolean warning = inside.startsWith("!");
        String text = (warning ? inside.substring(1) : inside).strip();
        if (!word.text().endsWith("\"") || word.text().length() < 2 || text.isEmpty() || text.length() > Pin.LONGEST) {
            problems.add(Problem.error(
                    "pin-unread",
                    word,
                    "a note of 1 to " + Pin.LONGEST + " characters between two quotes, as in \"left hand alone\""));
        } else {
            pins.add(new Pin(text, warning));
        }
    }

    private void direct(Word word) {
        boolean closed = word.text().endsWith(")");
        String inside = word.text()
                .substring(1, word.text().length() - (closed ? 1 : 0))
                .strip();
        String[] parts = inside.split("\\s+", 2);
        String name = parts[0];
        Optional<Meter> metre = Meter.read(inside);
        if (!closed
                || metre.isEmpty()
                        && !List.of("key", "tempo", "pickup", "short", "fermata")
                                .contains(name)
                        && Grid.named(inside).isEmpty()) {
            boolean number = !inside.isEmpty() && Character.isDigit(inside.charAt(0));
            problems.add(
                    number
                            ? Problem.error("meter-unread", word, "a metre such as (3/4)")
                            : Problem.error("direction-unknown", word, DIRECTIONS));
        } else if (name.equals("fermata")) {
            hold(word);
        } else if (!entries.isEmpty() || repeat) {
            problems.add(
                    metre.isPresent()
                            ? Problem.error("meter-late", word, "a change of metre before the bar's first chord")
                            : Problem.error("direction-late", word, word.text() + " before the bar's first chord"));
        } else if (metre.isPresent()) {
            meter = metre.get();
        } else if (Grid.named(inside).isPresent()) {
            grid = Grid.named(inside).get();
        } else {
            change(word, name, parts.length > 1 ? parts[1] : "");
        }
    }

    private void change(Word word, String name, String value) {
        switch (name) {
            case "key" ->
                Key.read(value)
                        .filter(key -> !value.isBlank())
                        .ifPresentOrElse(
                                key -> marks = marks.key(key),
                                () -> problems.add(Problem.error("key-unread", word, "a key such as (key Gm)")));
            case "tempo" ->
                ChartHeader.readBpm(value)
                        .ifPresentOrElse(
                                bpm -> marks = marks.tempo(Tempo.of(bpm, meter.beatTicks())),
                                () -> problems.add(Problem.error(
                                        "tempo-unread", word, "beats a minute, 20 to 400, as in (tempo 96)")));
            default -> {
                pickup = name.equals("pickup");
                length = length(value);
                if (length <= 0 || length >= meter.barTicks()) {
                    problems.add(Problem.error(
                            "length-unread",
                            word,
                            "fewer beats than the bar has, as in (" + name + " 1), or a part of a whole note, as in ("
                                    + name + " 1/8)"));
                    length = 0;
                }
            }
        }
    }

    private int length(String value) {
        Matcher part = FRACTION.matcher(value);
        if (part.matches()) {
            return Integer.parseInt(part.group(1)) * Ticks.PER_WHOLE / Integer.parseInt(part.group(2));
        }
        return value.matches("[0-9]{1,2}") ? Integer.parseInt(value) * meter.beatTicks() : 0;
    }

    private void hold(Word word) {
        int last = entries.size() - 1;
        while (last >= 0 && entries.get(last) == Entry.DOT) {
            last--;
        }
        if (last < 0) {
            problems.add(Problem.error("fermata-first", word, "a chord before the fermata"));
        } else {
            entries.set(last, entries.get(last).hold());
        }
    }

    private void dots(Word word) {
        boolean first = entries.isEmpty();
        if (first) {
            problems.add(Problem.error("dot-first", word, "a chord before the first ."));
            words.add(word);
        }
        IntStream.range(0, word.text().length())
                .forEach(i -> entries.add(first && i == 0 ? Entry.silent(ChordSpan.NO_CHORD) : Entry.DOT));
    }

    private Entry chord(Word word) {
        if (Character.toLowerCase(word.text().charAt(0)) == 'n'
                && SILENCE.matcher(word.text()).matches()) {
            return Entry.silent(ChordSpan.NO_CHORD);
        }
        boolean early = word.text().startsWith(">");
        String symbol = early ? word.text().substring(1) : word.text();
        if (early && before.isEmpty() && entries.isEmpty()) {
            problems.add(Problem.error("early-nothing", word, "a bar before a chord that comes an eighth early"));
            early = false;
        }
        try {
            return new Entry(null, Optional.of(ChordSymbol.parse(symbol)), early, false);
        } catch (ChordUnreadException unread) {
            report(word, symbol, unread);
            return Entry.silent(word.text());
        }
    }

    private void report(Word word, String symbol, ChordUnreadException unread) {
        int lead = word.text().length() - symbol.length();
        Word rest = unread.position() < symbol.length()
                ? word.part(symbol.substring(unread.position()), lead + unread.position())
                : word;
        switch (unread.reason()) {
            case "root" ->
                problems.add(Problem.error("not-a-chord", word, "a chord such as C, Am7 or B♭/D, or . % N.C. |"));
            case "quartal" ->
                problems.add(Problem.error(
                        "chord-quartal",
                        word,
                        "a chord with a name for its third, such as " + symbol.substring(0, unread.position())
                                + "7sus4: stacked fourths say neither third nor fifth"));
            case "bass" ->
                problems.add(Problem.error(
                        "chord-bass",
                        rest.text().isEmpty() ? word : rest,
                        "a note A to G behind the slash, as in C/E"));
            default ->
                problems.add(new Problem(
                        Problem.Severity.ERROR,
                        "chord-unknown",
                        rest.line(),
                        word.column(),
                        word.text().length(),
                        word.text(),
                        "one of the known kinds, as in Cm7, F♯ø, B♭maj7 or G7/B"
                                + (rest.text().equals(word.text())
                                        ? ""
                                        : "; \"" + rest.text() + "\" is not known behind "
                                                + symbol.substring(0, unread.position()))));
        }
    }

    private List<ChordSpan> repeated(Word cell, int ticks) {
        if (before.isEmpty()
                || !before.get().meter().equals(meter)
                || before.get().ticks() != ticks) {
            problems.add(Problem.error(
                    "repeat-nothing",
                    cell.stripped(),
                    before.isEmpty() ? "a bar before %" : "a bar of " + meter + " before %"));
            return silence(ticks);
        }
        // An early chord has been struck; the bar that repeats it strikes it where it stands.
        return before.get().chords();
    }

    private static List<ChordSpan> silence(int ticks) {
        return List.of(ChordSpan.silence(0, ticks));
    }

    private List<ChordSpan> onGrid(Word cell, int ticks) {
        int unit = grid.ticks(meter);
        int places = Math.max(1, ticks / unit);
        if (entries.size() != places || ticks % unit != 0) {
            problems.add(Problem.error(
                    "beats-unfilled",
                    cell.stripped(),
                    places + " " + grid.written() + " in "
                            + (ticks < meter.barTicks() ? "this short bar" : meter.toString()) + ", as in "
                            + write(fitted(entries, places))));
        }
        return spans(fitted(entries, places), unit, ticks);
    }

    /** Chords without dots share the bar evenly, by whole beats. */
    private List<ChordSpan> shared(Word cell, int ticks) {
        int chords = entries.size();
        int beats = Math.max(1, ticks / meter.beatTicks());
        if (chords == 1) {
            return spans(entries, ticks, ticks);
        }
        if (chords > beats) {
            problems.add(Problem.error(
                    "too-many-chords",
                    cell.stripped(),
                    "at most " + beats + " in a bar of " + meter
                            + ", one a beat; (eighths) before the first counts eighths"));
            return spans(fitted(entries, beats), meter.beatTicks(), ticks);
        }
        List<Entry> withDots = new ArrayList<>();
        for (int i = 0; i < chords; i++) {
            withDots.add(entries.get(i));
            int more = beats / chords - 1 + (i < beats % chords ? 1 : 0);
            IntStream.range(0, more).forEach(each -> withDots.add(Entry.DOT));
        }
        if (beats % chords != 0) {
            problems.add(Problem.error(
                    "uneven-share", cell.stripped(), "a dot for every further beat, as in " + write(withDots)));
        }
        return spans(withDots, meter.beatTicks(), ticks);
    }

    private static List<Entry> fitted(List<Entry> entries, int places) {
        List<Entry> fitted = new ArrayList<>(entries.subList(0, Math.min(places, entries.size())));
        while (fitted.size() < places) {
            fitted.add(Entry.DOT);
        }
        return fitted;
    }

    private static String write(List<Entry> entries) {
        return entries.stream().map(Entry::written).collect(Collectors.joining(" "));
    }

    /** The last chord takes what is left of the bar. */
    private static List<ChordSpan> spans(List<Entry> places, int unit, int ticks) {
        List<ChordSpan> spans = new ArrayList<>();
        for (int i = 0; i < places.size(); ) {
            int next = i + 1;
            while (next < places.size() && places.get(next) == Entry.DOT) {
                next++;
            }
            int end = next == places.size() ? ticks : next * unit;
            spans.add(places.get(i).span(i * unit, end - i * unit));
            i = next;
        }
        return spans;
    }

    private record Entry(String silent, Optional<ChordSymbol> chord, boolean early, boolean held) {

        private static final Entry DOT = new Entry(".", Optional.empty(), false, false);

        private static Entry silent(String written) {
            return new Entry(written, Optional.empty(), false, false);
        }

        private Entry hold() {
            return new Entry(silent, chord, early, true);
        }

        private String written() {
            return (early ? ">" : "") + symbol() + (held ? " (fermata)" : "");
        }

        private String symbol() {
            return chord.map(ChordSymbol::toString).orElse(silent);
        }

        private ChordSpan span(int tick, int ticks) {
            return new ChordSpan(symbol(), chord, tick, ticks, early, held);
        }
    }

    private record Spans(Meter meter, int ticks, List<ChordSpan> chords) {}
}
