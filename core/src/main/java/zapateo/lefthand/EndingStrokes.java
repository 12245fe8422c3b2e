package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.part.Origin;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** How a song's last chord is struck. */
final class EndingStrokes {

    private static final List<Role> CLOSE = List.of(Role.BASS, Role.tone(3), Role.tone(5));

    private EndingStrokes() {}

    static List<Planned> of(Cut cut, Ending ending) {
        List<Planned> planned = new ArrayList<>();
        boolean close = cut.choices()
                .figure()
                .written()
                .anyMatch(stroke -> stroke.roles().get(0).kind() == Role.Kind.CLOSE_TONE);
        if (!cut.choices().hasBass()) {
            // What plays close chords alone comes home to its root; what leaves the bass to others ends on guide tones.
            boolean root = close && !cut.choices().get(LeftChoice.WITH_BASS_PLAYER);
            planned.add(last(
                    cut,
                    cut.tick(),
                    cut.end(),
                    root ? CLOSE : List.of(Role.GUIDE),
                    false,
                    root ? Mark.HEEL : Mark.TOE));
        } else if (cut.choices().voicing().id().equals("single")) {
            // Who plays single notes ends on one.
            planned.add(last(cut, cut.tick(), cut.end(), List.of(Role.BASS), false, Mark.HEEL));
        } else {
            int beat = cut.bar().meter().beatTicks();
            for (Ending.Stroke stroke :
                    (ending.fits(cut.ticks() / beat) ? ending : Ending.all().get(0)).strokes()) {
                int tick = cut.tick() + stroke.beat() * beat;
                planned.add(last(
                        cut,
                        tick,
                        stroke.beats() == 0 ? cut.end() : Math.min(cut.end(), tick + stroke.beats() * beat),
                        stroke.roles(),
                        stroke.rolled(),
                        stroke.roles().contains(Role.BASS) ? Mark.HEEL : Mark.TOE));
            }
        }
        return planned;
    }

    private static Planned last(Cut cut, int tick, int end, List<Role> roles, boolean rolled, Mark mark) {
        return new Planned(
                cut.index(),
                cut.bar().index(),
                tick,
                end - tick,
                Side.LEFT,
                roles,
                rolled,
                false,
                mark,
                Origin.ENDING,
                Optional.empty(),
                Optional.empty());
    }
}
