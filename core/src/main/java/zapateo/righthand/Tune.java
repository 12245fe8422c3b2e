package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.Part;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.TuneNote;

/** The song's melody as a part of its own, its ties joined. */
public final class Tune {

    private static final int VELOCITY = 84;

    private Tune() {
    }

    public static Part of(Song song) {
        List<Stroke> strokes = new ArrayList<>();
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
                    TickSpan span = TickSpan.of(from, each.tick() + note.end() - from);
                    strokes.add(Stroke.of(Side.RIGHT, bar, 0, span, Mark.TOE, false, List.of(PartNote.of(held.get(), "tune").struck(VELOCITY)), Nature.of(Origin.TUNE),
                            Reason.of(Origin.TUNE.code(), Map.of())));
                    held = Optional.empty();
                }
            }
        }
        return new Part(Side.RIGHT, strokes);
    }
}
