package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.pitch.Pitch;

/** The song's melody as it is sung, its ties joined: the one place where written notes become sounding ones. */
public final class Tune {

    private Tune() {}

    /**
     * @param bar index of the bar it begins in
     * @param tick from the start of the song
     */
    public record Sung(int bar, int tick, int ticks, Pitch pitch) {}

    /** In the order of time; none where the song has no melody. */
    public static List<Sung> of(Song song) {
        List<Sung> notes = new ArrayList<>();
        Optional<Pitch> held = Optional.empty();
        int from = 0;
        int bar = 0;
        for (Bar each : song.bars()) {
            for (TuneNote note : each.tune()) {
                if (held.isEmpty() && note.pitch().isPresent()) {
                    held = note.pitch();
                    from = each.tick() + note.tick();
                    bar = each.index();
                }
                if (held.isPresent() && !note.tied()) {
                    notes.add(new Sung(bar, from, each.tick() + note.end() - from, held.get()));
                    held = Optional.empty();
                }
            }
        }
        return notes;
    }
}
