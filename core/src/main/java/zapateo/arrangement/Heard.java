package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.part.KeysOnce;
import zapateo.part.PartNote;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Timeline;

/** From what is written to what sounds: swung, and a little uneven where that is wanted. */
final class Heard {

    private static final double LATE_MS = 9;
    private static final int SOFTER = 7;

    private final Timeline timeline;
    private final List<Bar> bars;
    private final Optional<Long> seed;

    Heard(Song song, Timeline timeline, Optional<Long> seed) {
        this.bars = song.bars();
        this.timeline = timeline;
        this.seed = seed;
    }

    List<Stroke> of(List<Stroke> written) {
        List<Stroke> heard = new ArrayList<>(written.size());
        for (int i = 0; i < written.size(); i++) {
            Stroke swung = swing(written.get(i));
            heard.add(seed.isPresent() ? uneven(swung, i) : swung);
        }
        return KeysOnce.SOUNDING.of(heard);
    }

    private Stroke swing(Stroke stroke) {
        int tick = timeline.sounding(stroke.written().tick());
        Stroke moved = stroke.sounding(
                TickSpan.of(tick, Math.max(1, timeline.sounding(stroke.written().end()) - tick)));
        if (stroke.roll().filter(roll -> roll.kind() == Roll.Kind.BROKEN).isEmpty()) {
            return moved;
        }
        int written = stroke.written().tick() - stroke.roll().get().leadTicks();
        int lead = tick - timeline.sounding(written);
        return moved.rolled(
                new Roll(Roll.Kind.BROKEN, lead, lead),
                moved.notes().stream()
                        .map(note -> note.delayTicks() < 0 ? note.delayed(-lead) : note)
                        .toList());
    }

    /** A few milliseconds late and a little softer or harder, as a hand is; never early, so that nothing overlaps. */
    private Stroke uneven(Stroke stroke, int index) {
        long chance = mix(seed.orElseThrow() * 0x9E3779B97F4A7C15L + index);
        int most = bars.get(stroke.bar()).tempo().ticksWithin(LATE_MS);
        int late = (int) Math.min(
                Math.floorMod(chance, most + 1), Math.max(0, stroke.sounding().ticks() / 4 - 1));
        int harder = (int) Math.floorMod(chance >>> 20, 2L * SOFTER + 1) - SOFTER;
        List<PartNote> notes = stroke.notes().stream()
                .map(note -> note.struck(note.velocity() + harder))
                .toList();
        return stroke.playing(notes)
                .sounding(TickSpan.of(
                        stroke.sounding().tick() + late, stroke.sounding().ticks() - late));
    }

    /** Spreads a number's bits (a well-known mixing function, Steele, Lea and Flood 2014). */
    private static long mix(long number) {
        long mixed = (number ^ (number >>> 30)) * 0xBF58476D1CE4E5B9L;
        mixed = (mixed ^ (mixed >>> 27)) * 0x94D049BB133111EBL;
        return mixed ^ (mixed >>> 31);
    }
}
