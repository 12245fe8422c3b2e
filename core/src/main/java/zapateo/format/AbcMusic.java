package zapateo.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.ChordSymbol;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;
import zapateo.song.AbcNotes;
import zapateo.song.Problem;
import zapateo.song.Repeat;

/**
 * Reads lines of ABC music into bars: notes, rests, chords in quotes, tuplets, broken rhythm, ties, bar lines, inline
 * fields, words below.
 */
final class AbcMusic {

    private static final Pattern BARS_OF_REST = Pattern.compile("[ZX]([0-9]{0,4})");
    private static final Pattern BAR_LINE = Pattern.compile("\\[\\||:*\\|[|:\\]]*|::+");
    private static final Pattern ROUNDS = Pattern.compile("\\s*\\[?([1-9](?:[,-][1-9])*)");
    private static final Pattern INLINE = Pattern.compile("\\[([A-Za-z]):([^\\]]*)\\]");

    private final List<Problem> problems;
    private final List<Object> items = new ArrayList<>();
    private final AbcNotes notes = new AbcNotes(AbcKey.NONE::alterationOf);
    private Meter meter = Meter.COMMON;
    private SongBuilder.Draft draft = new SongBuilder.Draft(Meter.COMMON, 1);
    private boolean otherVoices;
    private boolean inOther;
    private boolean opens;
    private List<Integer> endings = List.of();
    private String remark = "";
    private int line;
    private boolean leftOut;

    /** The bars of the last line of music, whose notes take the words below, and how many lines of words they have. */
    private final List<SongBuilder.Draft> ofLine = new ArrayList<>();

    private int verses;

    AbcMusic(List<Problem> problems) {
        this.problems = problems;
    }

    void unit(double ticks) {
        notes.unit(ticks);
    }

    double unit() {
        return notes.unit();
    }

    void meter(Meter other) {
        meter = other;
        notes.meter(other);
        if (notes.tick() == 0) {
            renew();
        }
    }

    private void renew() {
        SongBuilder.Draft next = new SongBuilder.Draft(meter, line);
        next.key = draft.key;
        next.quarters = draft.quarters;
        next.pins.addAll(draft.pins);
        next.chords.putAll(draft.chords);
        draft = next;
    }

    void signature(AbcKey key) {
        notes.signature(key::alterationOf);
    }

    void key(AbcKey key) {
        draft.key = key.key();
    }

    void tempo(double quarters) {
        draft.quarters = Optional.of(quarters);
    }

    void remark(String text) {
        remark = text;
    }

    void part(String name) {
        endBar(0);
        items.add(name);
    }

    void otherVoice(boolean other) {
        otherVoices |= other;
    }

    boolean otherVoices() {
        return otherVoices;
    }

    void finish(SongBuilder song) {
        endBar(0);
        for (Object item : items) {
            if (song.isFull()) {
                return;
            }
            if (item instanceof String name) {
                song.section(name);
            } else {
                song.add((SongBuilder.Draft) item);
            }
        }
    }

    private void warn(String code, int column, String found, String expected) {
        if (problems.size() < 100) {
            problems.add(
                    new Problem(Problem.Severity.WARNING, code, line, column + 1, found.length(), found, expected));
        }
    }

    void read(String text, int number) {
        line = number;
        ofLine.clear();
        verses = 0;
        if (notes.tick() > 0) {
            ofLine.add(draft);
        }
        int i = 0;
        while (i < text.length()) {
            i = next(text, i);
        }
    }

    private int next(String text, int i) {
        char sign = text.charAt(i);
        Matcher inline = INLINE.matcher(text).region(i, text.length());
        Matcher barLine = BAR_LINE.matcher(text).region(i, text.length());
        if (inline.lookingAt()) {
            readInline(inline.group(1).charAt(0), inline.group(2).strip(), i);
            return inline.end();
        }
        if (inOther) {
            return i + 1;
        }
        if (barLine.lookingAt()) {
            return readBarLine(text, barLine);
        }
        Matcher rounds = ROUNDS.matcher(text).region(i, text.length());
        if (sign == '[' && i + 1 < text.length() && Character.isDigit(text.charAt(i + 1)) && rounds.lookingAt()) {
            endings = Repeat.rounds(rounds.group(1));
            draft.endings = endings;
            return rounds.end();
        }
        return switch (sign) {
            case '"' -> readQuoted(text, i);
            case '{' -> skip(text, i, '}', "grace notes");
            case '!', '+' -> readDecoration(text, i, sign);
            case '&' -> {
                notes.overlay();
                yield i + 1;
            }
            case 'Z', 'X' -> readBarsOfRest(text, i);
            case ' ',
                    '\t',
                    ')',
                    '.',
                    '~',
                    '\\',
                    '`',
                    '$',
                    '*',
                    'y',
                    'H',
                    'L',
                    'M',
                    'O',
                    'P',
                    'S',
                    'T',
                    'u',
                    'v',
                    ']' -> {
                if (sign == 'H') {
                    draft.holds.add(tick());
                }
                yield i + 1;
            }
            default -> readNotes(text, i);
        };
    }

    private int tick() {
        return notes.tick();
    }

    private int skip(String text, int i, char close, String what) {
        int end = text.indexOf(close, i + 1);
        if (!leftOut) {
            leftOut = true;
            warn(
                    "abc-left-out",
                    i,
                    text.substring(i, end < 0 ? text.length() : end + 1),
                    "notes of the melody; " + what + " are left out");
        }
        return end < 0 ? text.length() : end + 1;
    }

    private int readDecoration(String text, int i, char sign) {
        int end = text.indexOf(sign, i + 1);
        if (end < 0 || end - i > 30) {
            return i + 1;
        }
        if (text.substring(i + 1, end).contains("fermata")) {
            draft.holds.add(tick());
        }
        return end + 1;
    }

    private void readInline(char name, String value, int column) {
        switch (name) {
            case 'K' -> {
                AbcKey key = AbcKey.read(value).orElse(AbcKey.NONE);
                signature(key);
                draft.key = key.key();
            }
            case 'M' ->
                Meter.read(value.equals("C") ? "4/4" : value.equals("C|") ? "2/2" : value)
                        .ifPresent(this::meter);
            case 'L' -> AbcFraction.of(value).ifPresent(length -> notes.unit(length * Ticks.PER_WHOLE));
            case 'Q' -> {
                Matcher tempo =
                        Pattern.compile("([0-9]+)/([0-9]+)\\s*=\\s*([0-9.]+)").matcher(value);
                if (tempo.find() && tempo.group(3).matches("[0-9]+(\\.[0-9]+)?")) {
                    draft.quarters = Optional.of(4.0
                                    * Integer.parseInt(tempo.group(1))
                                    / Integer.parseInt(tempo.group(2))
                                    * Double.parseDouble(tempo.group(3)))
                            .filter(found -> found >= 5 && found <= 1000);
                }
            }
            case 'P' -> part(value);
            case 'V' -> {
                inOther = !value.split("\\s+", 2)[0].matches("1|");
                otherVoices |= inOther;
            }
            default -> warn("abc-field", column, "[" + name + ":" + value + "]", "K, M, L, Q, P or V");
        }
    }

    private int readBarLine(String text, Matcher match) {
        String sign = match.group();
        boolean closes = sign.startsWith(":");
        boolean opensNext = sign.endsWith(":") && sign.length() > 1;
        endBar(closes ? 2 : 0);
        if (closes || opensNext || sign.contains("||") || sign.contains("]")) {
            endings = List.of();
            draft.endings = endings;
        }
        opens = opens || opensNext;
        draft.opens = opens;
        Matcher rounds = ROUNDS.matcher(text).region(match.end(), text.length());
        if (rounds.lookingAt()
                && (rounds.group().contains("[") || !rounds.group().startsWith(" "))) {
            endings = Repeat.rounds(rounds.group(1));
            draft.endings = endings;
            return rounds.end();
        }
        return match.end();
    }

    private void endBar(int times) {
        if (notes.length() > 0) {
            draft.ticks = notes.length();
            draft.closes = times > 0 ? Optional.of(Repeat.of(times)) : Optional.empty();
            items.add(draft);
            opens = false;
            draft = new SongBuilder.Draft(meter, line);
            draft.endings = endings;
        } else if (times > 0
                && !items.isEmpty()
                && items.get(items.size() - 1) instanceof SongBuilder.Draft before
                && before.closes.isEmpty()) {
            before.closes = Optional.of(Repeat.of(times));
        }
        notes.nextBar();
    }

    private int readQuoted(String text, int i) {
        int end = text.indexOf('"', i + 1);
        if (end < 0) {
            warn("abc-quote", i, text.substring(i), "a closing quote");
            return text.length();
        }
        String inside = text.substring(i + 1, end).strip();
        if (inside.isEmpty()) {
            return end + 1;
        }
        if ("^_<>@".indexOf(inside.charAt(0)) >= 0) {
            draft.pin(inside.replaceFirst("^[\\^_<>]|^@[-0-9.,]*", ""));
            return end + 1;
        }
        if (inside.matches("(?i)n\\.?c\\.?")) {
            draft.chords.put(tick(), Optional.empty());
            return end + 1;
        }
        Optional<ChordSymbol> chord = chord(inside);
        if (chord.isPresent()) {
            draft.chords.put(tick(), chord);
        } else {
            warn("chord-unknown", i + 1, inside, "a chord such as G, Am7 or D/F#");
        }
        return end + 1;
    }

    /** ABC writes the bass of a slash chord small now and then. */
    private static Optional<ChordSymbol> chord(String text) {
        // One that may be left out stands in parentheses.
        boolean optional = text.startsWith("(") && text.endsWith(")");
        return optional ? chord(text.substring(1, text.length() - 1)) : smallBass(text);
    }

    private static Optional<ChordSymbol> smallBass(String text) {
        int slash = text.lastIndexOf('/');
        String plain = slash < 0 || slash + 1 == text.length()
                ? text
                : text.substring(0, slash + 1)
                        + text.substring(slash + 1, slash + 2).toUpperCase(Locale.ROOT)
                        + text.substring(slash + 2);
        return ChordSymbol.read(plain);
    }

    private int readBarsOfRest(String text, int i) {
        Matcher match = BARS_OF_REST.matcher(text).region(i, text.length());
        match.lookingAt();
        int bars = match.group(1).isEmpty() ? 1 : Math.max(1, Math.min(100, Integer.parseInt(match.group(1))));
        for (int bar = 0; bar < bars; bar++) {
            if (bar > 0) {
                endBar(0);
            }
            begin();
            notes.rest(meter.barTicks());
        }
        sounded();
        return match.end();
    }

    private int readNotes(String text, int i) {
        boolean first = notes.length() == 0;
        int end = notes.read(text, i);
        if (end < 0) {
            if ("([".indexOf(text.charAt(i)) < 0) {
                warn(
                        "abc-sign",
                        i,
                        text.substring(i, text.offsetByCodePoints(i, 1)),
                        "notes, rests, chords in quotes and bar lines");
            } else if (text.charAt(i) == '[') {
                warn("abc-sign", i, text.substring(i), "a closing ]");
                return text.length();
            }
            return text.offsetByCodePoints(i, 1);
        }
        sounded();
        if (first && notes.length() > 0) {
            begin();
        }
        return end;
    }

    private void sounded() {
        draft.tune = notes.notes();
        if (!remark.isEmpty()) {
            draft.pin(remark);
            remark = "";
        }
    }

    /** The first note of a bar. */
    private void begin() {
        draft.opens = opens;
        ofLine.add(draft);
    }

    /** A line of words under the notes of the line above. */
    void words(String text) {
        AbcWords.put(text, ofLine, verses++);
    }
}
