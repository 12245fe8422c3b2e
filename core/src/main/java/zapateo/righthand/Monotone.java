package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.song.Song;

/**
 * Where a melody stays on one key: a voice gives such notes life, a piano does not (HANDBOOK §9).
 *
 * @param bar   index of the bar in which it begins
 * @param times how often the key is struck in a row
 */
public record Monotone(int bar, Pitch pitch, int times) {

    /** So many in a row are too many (the project's own choice). */
    private static final int MANY = 6;

    /** Each place of a song as it is played. */
    public static List<Monotone> of(Song song) {
        List<Stroke> notes = Tune.of(song).strokes();
        List<Monotone> found = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= notes.size(); i++) {
            if (i == notes.size() || notes.get(i).highest().midi() != notes.get(from).highest().midi()) {
                if (i - from >= MANY) {
                    found.add(new Monotone(notes.get(from).bar(), notes.get(from).highest(), i - from));
                }
                from = i;
            }
        }
        return found;
    }
}
