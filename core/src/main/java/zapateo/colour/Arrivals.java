package zapateo.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.song.TuneNote;
import zapateo.song.WrittenBar;
import zapateo.song.WrittenSection;

/**
 * Where the phrases of a melody come to rest: at the end of a section and of every four bars; of two, where the last
 * note is held or a rest follows it (common practice).
 */
final class Arrivals {

    private static final int PHRASE = 4;
    private static final double HALF = 0.5;

    private Arrivals() {}

    /**
     * @param tick within its bar, at which a phrase's last note begins; @param weight how sure it is that one ends
     *     there, up to 1
     */
    record Arrival(int tick, double weight) {}

    /** For each bar of the sections, in turn. */
    static List<Optional<Arrival>> of(List<WrittenSection> sections) {
        List<Optional<Arrival>> arrivals = new ArrayList<>();
        for (WrittenSection section : sections) {
            List<WrittenBar> bars = section.bars();
            for (int i = 0; i < bars.size(); i++) {
                boolean whole = i == bars.size() - 1 || i % PHRASE == PHRASE - 1;
                double weight = whole ? 1 : i % 2 == 1 && isHeld(bars.get(i)) ? HALF : 0;
                arrivals.add(
                        last(bars.get(i)).filter(note -> weight > 0).map(note -> new Arrival(note.tick(), weight)));
            }
        }
        return arrivals;
    }

    private static Optional<TuneNote> last(WrittenBar bar) {
        return bar.tune().stream().filter(note -> note.pitch().isPresent()).reduce((first, second) -> second);
    }

    /** Whether its last note fills half of it, with what rest follows. */
    private static boolean isHeld(WrittenBar bar) {
        return last(bar)
                .filter(note -> (bar.ticks() - note.tick()) * 2 >= bar.ticks())
                .isPresent();
    }
}
