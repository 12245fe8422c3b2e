package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import zapateo.pitch.Pitch;

/**
 * Where a melody stays on one key: a voice gives such notes life, a piano does not (HANDBOOK §9).
 *
 * @param bar index of the bar in which it begins
 * @param times how often the key is struck in a row
 */
public record Monotone(int bar, Pitch pitch, int times) {

    /** So many in a row are too many (the project's own choice). */
    private static final int MANY = 6;

    /** Each place of a song as it is played. */
    public static List<Monotone> of(Song song) {
        List<Tune.Sung> notes = Tune.of(song);
        List<Monotone> found = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= notes.size(); i++) {
            if (i == notes.size()
                    || notes.get(i).pitch().midi() != notes.get(from).pitch().midi()) {
                if (i - from >= MANY) {
                    found.add(
                            new Monotone(notes.get(from).bar(), notes.get(from).pitch(), i - from));
                }
                from = i;
            }
        }
        return found;
    }
}
