package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.part.Origin;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** How a song's last chord is struck. */
final class EndingStrokes {

    private static final List<Role> CLOSE = List.of(Role.BASS, Role.tone(3), Role.tone(5));

    private EndingStrokes() {}

    private static boolean isClose(FigureStroke stroke) {
        return stroke.roles().get(0).isOfClose();
    }

    /** @param figure what the figure would play here */
    private static final List<Role> OCTAVE = List.of(Role.BASS, Role.tone(8));

    static List<Planned> of(Cut cut, Ending ending, List<Planned> figure) {
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
            int beats = cut.ticks() / beat;
            Figure of = cut.choices().figure();
            Ending fitting = ending.on(of.written().anyMatch(EndingStrokes::isClose)
                    || of.manner().spacing().equals("close"));
            fitting = fitting.fits(beats) ? fitting : Ending.all().get(0);
            if (fitting.goesOn()) {
                int until = cut.tick() + (int) (fitting.strokes().get(0).in(beats) * beat);
                figure.stream()
                        .filter(stroke -> stroke.tick() < until)
                        .map(stroke -> stroke.until(Math.min(stroke.end(), until))
                                .playing(stroke.roles(), stroke.mark(), Origin.ENDING))
                        .forEach(planned::add);
            }
            // A figure of octaves stops on one.
            List<Role> bass = figure.stream()
                    .findFirst()
                    .map(Planned::roles)
                    .filter(OCTAVE::equals)
                    .orElse(List.of(Role.BASS));
            for (Ending.Stroke stroke : fitting.strokes()) {
                int tick = cut.tick() + (int) (stroke.in(beats) * beat);
                planned.add(last(
                        cut,
                        tick,
                        stroke.beats() == 0 ? cut.end() : Math.min(cut.end(), tick + (int) (stroke.beats() * beat)),
                        stroke.roles().equals(List.of(Role.BASS)) ? bass : stroke.roles(),
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
