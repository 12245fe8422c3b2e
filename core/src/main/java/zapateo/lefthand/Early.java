package zapateo.lefthand;

import java.util.Optional;
import java.util.TreeSet;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Ticks;
import zapateo.song.Song;

/**
 * Chords that come an eighth early: what would be struck on their place is struck an eighth before it and tied over;
 * what the chord before them would strike or hold in that eighth gives way.
 */
final class Early {

    private final Song song;
    private final TreeSet<Integer> early = new TreeSet<>();

    Early(Song song) {
        this.song = song;
        song.chords()
                .filter(place -> place.span().early() && place.tick() >= Ticks.PER_EIGHTH)
                .forEach(place -> early.add(place.tick()));
    }

    /** Where it is struck then; nowhere if an early chord takes all of its time. */
    Optional<Stroke> tied(Stroke stroke) {
        if (early.isEmpty()) {
            return Optional.of(stroke);
        }
        TickSpan span = stroke.written();
        int from = early.contains(span.tick()) ? span.tick() - Ticks.PER_EIGHTH : span.tick();
        Integer next = early.higher(span.tick());
        int end = next == null ? span.end() : Math.min(span.end(), next - Ticks.PER_EIGHTH);
        if (from >= end) {
            return Optional.empty();
        }
        int bar = from < song.bars().get(stroke.bar()).tick() ? stroke.bar() - 1 : stroke.bar();
        return Optional.of(stroke.moved(bar, TickSpan.of(from, end - from)));
    }
}
