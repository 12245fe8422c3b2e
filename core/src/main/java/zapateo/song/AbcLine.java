package zapateo.song;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import zapateo.harmony.Key;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Ticks;

/**
 * Writes the notes of one bar as ABC 2.1 has them, in eighths: accidentals only where the key and the bar have not
 * given them yet, thirds of a beat as tuplets.
 */
public final class AbcLine {

    private final Key key;
    private final Map<Integer, Integer> given = new HashMap<>();

    private AbcLine(Key key) {
        this.key = key;
    }

    /** @param key whose signature stands before the bar */
    public static String write(List<TuneNote> notes, Key key) {
        return write(notes, key, "z", note -> "");
    }

    /**
     * @param rest the sign of a rest
     * @param before what stands directly before a note, such as its chord
     */
    public static String write(List<TuneNote> notes, Key key, String rest, Function<TuneNote, String> before) {
        AbcLine line = new AbcLine(key);
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < notes.size(); i++) {
            TuneNote note = notes.get(i);
            boolean triplet = isTriplet(note);
            String opens = triplet && (i == 0 || !isTriplet(notes.get(i - 1)))
                    ? run(notes, i) == 3 ? "(3" : "(3:2:" + run(notes, i)
                    : "";
            text.append(before.apply(note))
                    .append(opens)
                    .append(note.pitch().map(line::name).orElse(rest))
                    .append(length(triplet ? note.ticks() * 3 / 2 : note.ticks()))
                    .append(note.tied() ? "-" : "")
                    .append(' ');
        }
        return text.toString().stripTrailing();
    }

    private static boolean isTriplet(TuneNote note) {
        for (int plain = Ticks.PER_WHOLE; plain >= Ticks.PER_WHOLE / 64; plain /= 2) {
            if (note.ticks() * 3 == plain * 2) {
                return true;
            }
        }
        return false;
    }

    /** How many notes of a tuplet follow one another. */
    private static int run(List<TuneNote> notes, int from) {
        int to = from;
        while (to < notes.size() && isTriplet(notes.get(to))) {
            to++;
        }
        return to - from;
    }

    private static String length(int ticks) {
        int shared = gcd(ticks, AbcNotes.UNIT);
        int over = ticks / shared;
        int under = AbcNotes.UNIT / shared;
        return (over == 1 ? "" : String.valueOf(over)) + (under == 1 ? "" : "/" + under);
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    private String name(Pitch pitch) {
        int alteration = pitch.pitchClass().alteration();
        int known = given.getOrDefault(
                pitch.staffPlace(), key.alterationOf(pitch.pitchClass().letter()));
        given.put(pitch.staffPlace(), alteration);
        String sign = alteration == known
                ? ""
                : alteration == 0 ? "=" : (alteration > 0 ? "^" : "_").repeat(Math.abs(alteration));
        String letter = pitch.pitchClass().letter().name();
        return sign
                + (pitch.octave() >= 5
                        ? letter.toLowerCase() + "'".repeat(pitch.octave() - 5)
                        : letter + ",".repeat(4 - pitch.octave()));
    }
}
