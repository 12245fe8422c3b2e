package zapateo.song;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.pitch.Letter;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;

/**
 * The notes of a melody as ABC 2.1 has them (§4): pitches with their accidentals and lengths, rests, ties, broken
 * rhythm, tuplets, notes struck together. What else stands in a line of music is for others; bars come one after
 * another.
 */
public final class AbcNotes {

    /** An eighth, as long as no other unit is named. */
    public static final int UNIT = Ticks.PER_EIGHTH;

    private static final Pattern NOTE = Pattern.compile("(\\^\\^|\\^|__|_|=)?([A-Ga-g])([',]*)([0-9]*)(/*)([0-9]*)");
    private static final Pattern REST = Pattern.compile("[zx]([0-9]*)(/*)([0-9]*)");
    private static final Pattern LENGTH = Pattern.compile("([0-9]*)(/*)([0-9]*)");
    private static final Pattern TUPLET = Pattern.compile("\\(([2-9])(?::([0-9]*))?(?::([0-9]*))?");
    private static final Map<Character, Integer> ALTERATIONS = Map.of('^', 1, '_', -1);
    private static final double LONGEST = 999;

    private final Map<Integer, Integer> accidentals = new HashMap<>();
    private ToIntFunction<Letter> signature;
    private double unit = UNIT;
    private boolean compound;
    private double at;
    private double longest;
    private boolean overlay;
    private List<TuneNote> notes = new ArrayList<>();
    private List<TuneNote> before = new ArrayList<>();
    private int tuplet;
    private double tupletShare = 1;
    private double broken = 1;

    /** @param signature what the key does to a letter */
    public AbcNotes(ToIntFunction<Letter> signature) {
        this.signature = signature;
    }

    public void signature(ToIntFunction<Letter> other) {
        signature = other;
    }

    public void unit(double ticks) {
        unit = ticks;
    }

    public double unit() {
        return unit;
    }

    public void meter(Meter meter) {
        compound = meter.isCompound();
    }

    /** Where the next note begins, from the bar line. */
    public int tick() {
        return (int) Math.round(at);
    }

    /** How far any voice of the bar reaches. */
    public int length() {
        return (int) Math.round(Math.max(longest, at));
    }

    /** What the bar has so far, its rests among it. */
    public List<TuneNote> notes() {
        return notes;
    }

    /** Another voice of the same bar: it moves on in time and is not heard. */
    public void overlay() {
        longest = Math.max(longest, at);
        at = 0;
        overlay = true;
    }

    public void nextBar() {
        before = notes;
        notes = new ArrayList<>();
        at = 0;
        longest = 0;
        overlay = false;
        accidentals.clear();
    }

    public void rest(double ticks) {
        sound(Optional.empty(), ticks);
    }

    /** Reads what stands at a place and gives the place behind it; -1 where it is nothing of a melody. */
    public int read(String text, int i) {
        return switch (text.charAt(i)) {
            case '(' -> readTuplet(text, i);
            case '[' -> readTogether(text, i);
            case '>', '<' -> readBroken(text, i);
            case '-' -> {
                tie();
                yield i + 1;
            }
            case 'z', 'x' -> readRest(text, i);
            default -> readNote(text, i);
        };
    }

    private int readTuplet(String text, int i) {
        Matcher match = TUPLET.matcher(text).region(i, text.length());
        if (!match.lookingAt()) {
            return -1;
        }
        int p = Integer.parseInt(match.group(1));
        int free = compound ? 3 : 2;
        int[] usual = {0, 0, 3, 2, 3, free, 2, free, 3, free};
        int q = match.group(2) == null || match.group(2).isEmpty() ? usual[p] : number(match.group(2), 1);
        tuplet = match.group(3) == null || match.group(3).isEmpty() ? p : number(match.group(3), 1);
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
        if (!notes.isEmpty() && !overlay) {
            TuneNote last = notes.get(notes.size() - 1);
            int length = (int) Math.round(last.ticks() * first);
            if (length > 0) {
                notes.set(notes.size() - 1, new TuneNote(last.pitch(), last.tick(), length, last.tied()));
                at = last.tick() + length;
                broken = 2 - first;
            }
        }
        return end;
    }

    private void tie() {
        List<TuneNote> line = notes.isEmpty() ? before : notes;
        if (!line.isEmpty() && !overlay) {
            TuneNote last = line.get(line.size() - 1);
            line.set(
                    line.size() - 1,
                    new TuneNote(
                            last.pitch(),
                            last.tick(),
                            last.ticks(),
                            last.pitch().isPresent()));
        }
    }

    private int readRest(String text, int i) {
        Matcher match = REST.matcher(text).region(i, text.length());
        match.lookingAt();
        rest(length(match.group(1), match.group(2), match.group(3)));
        return match.end();
    }

    private int readNote(String text, int i) {
        Matcher match = NOTE.matcher(text).region(i, text.length());
        if (!match.lookingAt()) {
            return -1;
        }
        sound(pitch(match), length(match.group(4), match.group(5), match.group(6)));
        return match.end();
    }

    /** Notes struck together, {@code [CEG]2}: the highest is the melody. */
    private int readTogether(String text, int i) {
        int end = text.indexOf(']', i);
        if (end < 0) {
            return -1;
        }
        Matcher match = NOTE.matcher(text);
        Optional<Pitch> highest = Optional.empty();
        double inside = 0;
        for (int from = i + 1; from < end; ) {
            match.region(from, end);
            if (!match.lookingAt()) {
                from++;
                continue;
            }
            Optional<Pitch> pitch = pitch(match);
            inside = inside == 0 ? length(match.group(4), match.group(5), match.group(6)) : inside;
            highest = highest.isEmpty()
                            || pitch.isPresent()
                                    && pitch.get().midi() > highest.get().midi()
                    ? pitch
                    : highest;
            from = match.end();
        }
        Matcher after = LENGTH.matcher(text).region(end + 1, text.length());
        after.lookingAt();
        if (inside > 0) {
            sound(highest, length(after.group(1), after.group(2), after.group(3)) * inside / unit);
        }
        return after.end();
    }

    /** Empty where no piano has the key. */
    private Optional<Pitch> pitch(Matcher match) {
        String name = match.group(2);
        Letter letter = Letter.valueOf(name.toUpperCase(Locale.ROOT));
        int octave = (name.equals(name.toLowerCase(Locale.ROOT)) ? 5 : 4)
                + match.group(3).chars().map(mark -> mark == '\'' ? 1 : -1).sum();
        int place = 7 * octave + letter.ordinal();
        String sign = match.group(1);
        if (sign != null) {
            accidentals.put(place, sign.equals("=") ? 0 : ALTERATIONS.get(sign.charAt(0)) * sign.length());
        }
        int alteration = accidentals.getOrDefault(place, signature.applyAsInt(letter));
        Pitch pitch = Pitch.of(PitchClass.of(letter, alteration), octave);
        return Optional.of(pitch).filter(key -> key.midi() >= Pitch.LOWEST_KEY && key.midi() <= Pitch.HIGHEST_KEY);
    }

    private double length(String over, String strokes, String under) {
        double top = number(over, 1);
        double bottom = under.isEmpty() ? Math.pow(2, strokes.length()) : Math.max(1, number(under, 1));
        return unit * top / (strokes.isEmpty() ? 1 : bottom);
    }

    private static int number(String digits, int otherwise) {
        return digits.isEmpty() ? otherwise : (int) Math.min(LONGEST, Double.parseDouble(digits));
    }

    private void sound(Optional<Pitch> pitch, double plain) {
        double ticks = plain * broken * (tuplet > 0 ? tupletShare : 1);
        broken = 1;
        tuplet = Math.max(0, tuplet - 1);
        int from = tick();
        int length = (int) Math.round(at + ticks) - from;
        if (length > 0 && !overlay) {
            notes.add(new TuneNote(pitch, from, length, false));
        }
        at += ticks;
        longest = Math.max(longest, at);
    }
}
