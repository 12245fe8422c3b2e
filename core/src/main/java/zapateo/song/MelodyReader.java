package zapateo.song;

import java.util.List;
import zapateo.harmony.Key;
import zapateo.rhythm.Ticks;

/**
 * Reads the melody of one bar in ABC's notes: {@code G2 A/ B3/2 z | (3cde ^f4-}, counted in eighths; the key's
 * signature counts, an accidental holds to the bar line.
 */
final class MelodyReader {

    private static final String BETWEEN = " \t().`";

    private MelodyReader() {}

    static List<TuneNote> read(Word cell, WrittenBar bar, Key signature, List<Problem> problems) {
        AbcNotes notes = new AbcNotes(signature::alterationOf);
        notes.meter(bar.meter());
        String text = cell.text();
        for (int i = 0; i < text.length(); ) {
            int sounded = notes.notes().size();
            int end = notes.read(text, i);
            boolean silent = notes.notes().size() > sounded
                    && "zx".indexOf(text.charAt(i)) < 0
                    && notes.notes().get(sounded).pitch().isEmpty();
            if (end < 0 && BETWEEN.indexOf(text.charAt(i)) >= 0) {
                i++;
                continue;
            }
            if (end < 0 || silent) {
                int wrong = end < 0 ? text.offsetByCodePoints(i, 1) : end;
                problems.add(Problem.error(
                        "tune-unread",
                        cell.part(text.substring(i, wrong), i),
                        silent
                                ? "a key of the piano, A,,, to c''''"
                                : "notes of ABC in eighths, as in G2 A/ ^F3 z4; c is an octave above C"));
                return List.of();
            }
            if (notes.length() > bar.ticks()) {
                problems.add(Problem.error(
                        "tune-too-long",
                        cell.part(text.substring(i, end), i),
                        "no more than the bar holds, " + bar.ticks() / (double) Ticks.PER_EIGHTH + " eighths"));
                return TuneReader.joined(notes.notes().subList(0, sounded));
            }
            i = end;
        }
        if (notes.length() < bar.ticks() && !notes.notes().isEmpty()) {
            problems.add(Problem.warning(
                    "tune-short", cell.stripped(), "notes that fill the bar; a rest of a quarter is z2"));
        }
        return TuneReader.joined(notes.notes());
    }
}
