package zapateo.format;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.harmony.ChordSymbol;
import zapateo.pitch.Letter;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Meter;
import zapateo.song.Problem;
import zapateo.song.Repeat;
import zapateo.song.TuneNote;

/** Reads lines of ABC music into bars: notes, rests, chords in quotes, tuplets, broken rhythm, ties, bar lines, inline fields, words below. */
final class AbcMusic {

    private static final Pattern NOTE = Pattern.compile("(\\^\\^|\\^|__|_|=)?([A-Ga-g])([',]*)([0-9]*)(/*)([0-9]*)");
    private static final Pattern REST = Pattern.compile("([zxZX])([0-9]*)(/*)([0-9]*)");
    private static final Pattern BAR_LINE = Pattern.compile("\\[\\||:*\\|[|:\\]]*|::+");
    private static final Pattern ROUNDS = Pattern.compile("\\s*\\[?([1-9](?:[,-][1-9])*)");
    private static final Pattern INLINE = Pattern.compile("\\[([A-Za-z]):([^\\]]*)\\]");
    private static final Pattern TUPLET = Pattern.compile("\\(([2-9])(?::([0-9]*))?(?::([0-9]*))?");
    private static final Map<Character, Integer> ALTERATIONS = Map.of('^', 1, '_', -1);

    private final List<Problem> problems;
    private final List<Object> items = new ArrayList<>();
    private final Map<Integer, Integer> accidentals = new HashMap<>();
    private AbcKey signature = AbcKey.NONE;
    private Meter meter = Meter.COMMON;
    private double unit = 480;
    private SongBuilder.Draft draft = new SongBuilder.Draft(Meter.COMMON, 1);
    private double at;
    private double longest;
    private boolean overlay;
    private boolean otherVoices;
    private boolean inOther;
    private boolean opens;
    private List<Integer> endings = List.of();
    private String remark = "";
    private int tuplet;
    private double tupletShare = 1;
    private double broken = 1;
    private int line;
    private boolean leftOut;

    /** The bars of the last line of music, whose notes take the words below, and how many lines of words they have. */
    private final List<SongBuilder.Draft> ofLine = new ArrayList<>();
    private int verses;

    AbcMusic(List<Problem> problems) {
        this.problems = problems;
    }

    void unit(double ticks) {
        unit = ticks;
    }

    double unit() {
        return unit;
    }

    void meter(Meter other) {
        meter = other;
        if (at == 0) {
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
        signature = key;
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
            problems.add(new Problem(Problem.Severity.WARNING, code, line, column + 1, found.length(), found, expected));
        }
    }

    void read(String text, int number) {
        line = number;
        ofLine.clear();
        verses = 0;
        if (at > 0) {
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
            case '(' -> readTuplet(text, i);
            case '[' -> readChord(text, i);
            case '{' -> skip(text, i, '}', "grace notes");
            case '!', '+' -> readDecoration(text, i, sign);
            case '&' -> {
                at = 0;
                overlay = true;
                yield i + 1;
            }
            case '>', '<' -> readBroken(text, i);
            case '-' -> {
                tie();
                yield i + 1;
            }
            case 'z', 'x', 'Z', 'X' -> readRest(text, i);
            case ' ', '\t', ')', '.', '~', '\\', '`', '$', '*', 'y', 'H', 'L', 'M', 'O', 'P', 'S', 'T', 'u', 'v', ']' -> {
                if (sign == 'H') {
                    draft.holds.add(tick());
                }
                yield i + 1;
            }
            default -> readNote(text, i);
        };
    }

    private int tick() {
        return (int) Math.round(at);
    }

    private int skip(String text, int i, char close, String what) {
        int end = text.indexOf(close, i + 1);
        if (!leftOut) {
            leftOut = true;
            warn("abc-left-out", i, text.substring(i, end < 0 ? text.length() : end + 1), "notes of the melody; " + what + " are left out");
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
                signature = key;
                draft.key = key.key();
            }
            case 'M' -> Meter.read(value.equals("C") ? "4/4" : value.equals("C|") ? "2/2" : value).ifPresent(this::meter);
            case 'L' -> AbcReader.fraction(value).ifPresent(length -> unit = length * 3840);
            case 'Q' -> {
                Matcher tempo = Pattern.compile("([0-9]+)/([0-9]+)\\s*=\\s*([0-9.]+)").matcher(value);
                if (tempo.find() && tempo.group(3).matches("[0-9]+(\\.[0-9]+)?")) {
                    draft.quarters = Optional.of(4.0 * Integer.parseInt(tempo.group(1)) / Integer.parseInt(tempo.group(2)) * Double.parseDouble(tempo.group(3)))
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
        if (rounds.lookingAt() && (rounds.group().contains("[") || !rounds.group().startsWith(" "))) {
            endings = Repeat.rounds(rounds.group(1));
            draft.endings = endings;
            return rounds.end();
        }
        return match.end();
    }

    private void endBar(int times) {
        longest = Math.max(longest, at);
        if (longest > 0) {
            draft.ticks = (int) Math.round(longest);
            draft.closes = times > 0 ? Optional.of(Repeat.of(times)) : Optional.empty();
            items.add(draft);
            opens = false;
            draft = new SongBuilder.Draft(meter, line);
            draft.endings = endings;
        } else if (times > 0 && !items.isEmpty() && items.get(items.size() - 1) instanceof SongBuilder.Draft before && before.closes.isEmpty()) {
            before.closes = Optional.of(Repeat.of(times));
        }
        at = 0;
        longest = 0;
        overlay = false;
        accidentals.clear();
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
        String plain = slash < 0 || slash + 1 == text.length() ? text : text.substring(0, slash + 1) + text.substring(slash + 1, slash + 2).toUpperCase(Locale.ROOT) + text.substring(slash + 2);
        return ChordSymbol.read(plain);
    }

    private int readTuplet(String text, int i) {
        Matcher match = TUPLET.matcher(text).region(i, text.length());
        if (!match.lookingAt()) {
            return i + 1;
        }
        int p = Integer.parseInt(match.group(1));
        int compound = meter.isCompound() ? 3 : 2;
        int[] usual = {0, 0, 3, 2, 3, compound, 2, compound, 3, compound};
        int q = match.group(2) == null || match.group(2).isEmpty() ? usual[p] : Integer.parseInt(match.group(2));
        tuplet = match.group(3) == null || match.group(3).isEmpty() ? p : Integer.parseInt(match.group(3));
        tupletShare = q == 0 ? 1 : (double) q / p;
        return match.end();
    }

    private int readBroken(String text, int i) {
        int end = i;
        while (end < text.length() && text.charAt(end) == text.charAt(i)) {
            end++;
        }
        double small = Math.pow(0.5, end - i);
        double first = text.charAt(i) == '>' ? 2 - small : small;
        if (!draft.tune.isEmpty() && !overlay) {
            TuneNote last = draft.tune.get(draft.tune.size() - 1);
            int length = (int) Math.round(last.ticks() * first);
            if (length > 0) {
                draft.tune.set(draft.tune.size() - 1, new TuneNote(last.pitch(), last.tick(), length, last.tied()));
                at = last.tick() + length;
                broken = 2 - first;
            }
        }
        return end;
    }

    private void tie() {
        if (!draft.tune.isEmpty() && !overlay) {
            TuneNote last = draft.tune.get(draft.tune.size() - 1);
            draft.tune.set(draft.tune.size() - 1, new TuneNote(last.pitch(), last.tick(), last.ticks(), last.pitch().isPresent()));
        } else if (!items.isEmpty() && items.get(items.size() - 1) instanceof SongBuilder.Draft before && !before.tune.isEmpty()) {
            TuneNote last = before.tune.get(before.tune.size() - 1);
            before.tune.set(before.tune.size() - 1, new TuneNote(last.pitch(), last.tick(), last.ticks(), last.pitch().isPresent()));
        }
    }

    private double length(String over, String strokes, String under) {
        double top = over.isEmpty() ? 1 : Math.min(999, Double.parseDouble(over));
        double bottom = under.isEmpty() ? Math.pow(2, strokes.length()) : Math.max(1, Math.min(999, Double.parseDouble(under)));
        return unit * top / (strokes.isEmpty() ? 1 : bottom);
    }

    private void sound(Optional<Pitch> pitch, double plain) {
        double ticks = plain * broken * (tuplet > 0 ? tupletShare : 1);
        broken = 1;
        tuplet = Math.max(0, tuplet - 1);
        if (!remark.isEmpty()) {
            draft.pin(remark);
            remark = "";
        }
        if (at == 0 && !overlay) {
            draft.opens = opens;
            ofLine.add(draft);
        }
        int from = tick();
        int length = (int) Math.round(at + ticks) - from;
        if (length > 0 && !overlay) {
            draft.tune.add(new TuneNote(pitch, from, length, false));
        }
        at += ticks;
        longest = Math.max(longest, at);
    }

    private int readRest(String text, int i) {
        Matcher match = REST.matcher(text).region(i, text.length());
        if (!match.lookingAt()) {
            return i + 1;
        }
        if (Character.isUpperCase(text.charAt(i))) {
            int bars = match.group(2).isEmpty() ? 1 : Math.min(100, Integer.parseInt(match.group(2)));
            for (int bar = 0; bar < bars; bar++) {
                sound(Optional.empty(), meter.barTicks());
                if (bar + 1 < bars) {
                    endBar(0);
                }
            }
        } else {
            sound(Optional.empty(), length(match.group(2), match.group(3), match.group(4)));
        }
        return match.end();
    }

    private int readNote(String text, int i) {
        Matcher match = NOTE.matcher(text).region(i, text.length());
        if (!match.lookingAt()) {
            warn("abc-sign", i, text.substring(i, text.offsetByCodePoints(i, 1)), "notes, rests, chords in quotes and bar lines");
            return text.offsetByCodePoints(i, 1);
        }
        sound(pitch(match), length(match.group(4), match.group(5), match.group(6)));
        return match.end();
    }

    private Optional<Pitch> pitch(Matcher match) {
        String name = match.group(2);
        Letter letter = Letter.valueOf(name.toUpperCase(Locale.ROOT));
        int octave = (name.equals(name.toLowerCase(Locale.ROOT)) ? 5 : 4) + match.group(3).chars().map(mark -> mark == '\'' ? 1 : -1).sum();
        int place = 7 * octave + letter.ordinal();
        String sign = match.group(1);
        if (sign != null) {
            accidentals.put(place, sign.equals("=") ? 0 : ALTERATIONS.get(sign.charAt(0)) * sign.length());
        }
        int alteration = accidentals.getOrDefault(place, signature.alterationOf(letter));
        Pitch pitch = Pitch.of(PitchClass.of(letter, alteration), octave);
        return Optional.of(pitch).filter(key -> key.midi() >= Pitch.LOWEST_KEY && key.midi() <= Pitch.HIGHEST_KEY);
    }

    /** Notes struck together, {@code [CEG]2}: the highest is the melody. */
    private int readChord(String text, int i) {
        int end = text.indexOf(']', i);
        if (end < 0) {
            warn("abc-sign", i, text.substring(i), "a closing ]");
            return text.length();
        }
        Matcher match = NOTE.matcher(text).region(i + 1, end);
        Optional<Pitch> highest = Optional.empty();
        double inside = unit;
        boolean first = true;
        for (int from = i + 1; from < end; ) {
            match.region(from, end);
            if (!match.lookingAt()) {
                from++;
                continue;
            }
            Optional<Pitch> pitch = pitch(match);
            inside = first ? length(match.group(4), match.group(5), match.group(6)) : inside;
            first = false;
            highest = highest.isEmpty() || pitch.isPresent() && pitch.get().midi() > highest.get().midi() ? pitch : highest;
            from = match.end();
        }
        Matcher after = Pattern.compile("([0-9]*)(/*)([0-9]*)").matcher(text).region(end + 1, text.length());
        after.lookingAt();
        if (!first) {
            sound(highest, length(after.group(1), after.group(2), after.group(3)) * inside / unit);
        }
        return after.end();
    }

    /** A line of words under the notes of the line above. */
    void words(String text) {
        AbcWords.put(text, ofLine, verses++);
    }
}
