package zapateo.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Role;

/**
 * The right hand of a figure that has both, with a tune over it: the tune is never dropped. What the figure strikes
 * with a note of the tune is struck under it, as far as the hand goes; while a note sounds on its strokes are silent,
 * and they are as they were where the tune rests.
 *
 * @param strokes of the right hand, in the order of time
 * @param bars indices of the bars in which the figure gave way
 */
public record GivesWay(List<Stroke> strokes, Set<Integer> bars) {

    private static final int MINOR_THIRD = 3;
    private static final int SOFTER = 18;
    /** Thirds and sevenths. */
    private static final Set<Role> STATING = Set.of(Role.tone(3), Role.tone(7), Role.tone(10));

    /**
     * @param right what else the right hand plays, a tune among it
     * @param figure strokes the figure has for it
     */
    public static GivesWay to(List<Stroke> right, List<Stroke> figure, Hand hand) {
        List<Stroke> tune = new ArrayList<>(right.stream()
                .filter(stroke -> stroke.nature().origin().isTune())
                .toList());
        List<Stroke> kept = new ArrayList<>(right.stream()
                .filter(stroke -> !stroke.nature().origin().isTune())
                .toList());
        Set<Integer> bars = new HashSet<>();
        int over = 0;
        for (Stroke stroke : figure) {
            int tick = stroke.written().tick();
            // Notes of a tune follow one another, so what has ended before one stroke has ended before the next.
            while (over < tune.size() && tune.get(over).written().end() <= tick) {
                over++;
            }
            Stroke note = over < tune.size() ? tune.get(over) : null;
            if (note == null || note.written().tick() >= stroke.written().end()) {
                kept.add(stroke);
                continue;
            }
            bars.add(stroke.bar());
            if (note.written().tick() == tick) {
                tune.set(over, under(note, stroke, hand));
            } else if (note.written().tick() > tick) {
                kept.add(stroke.moved(
                        stroke.bar(), TickSpan.of(tick, note.written().tick() - tick)));
            }
        }
        return new GivesWay(
                Stream.concat(tune.stream(), kept.stream())
                        .sorted(Stroke.IN_TIME)
                        .toList(),
                bars);
    }

    /**
     * One tone of the chord goes with the tune, that which says most of it: more would come and go with the figure's
     * rhythm.
     */
    private static Stroke under(Stroke note, Stroke figure, Hand hand) {
        if (note.notes().size() > 1) {
            return note;
        }
        PartNote top = note.notes().get(0);
        return figure.notes().stream()
                .filter(each -> top.pitch().midi() - each.pitch().midi() >= MINOR_THIRD
                        && top.pitch().midi() - each.pitch().midi() <= Pitch.OCTAVE)
                .max(Comparator.comparing((PartNote each) -> STATING.contains(each.role()))
                        .thenComparing(each -> each.pitch().midi()))
                .map(each -> List.of(each.struck(Math.min(each.velocity(), top.velocity() - SOFTER)), top))
                .filter(pair -> hand.easeOf(pair.stream()
                                .mapToInt(each -> each.pitch().midi())
                                .toArray())
                        != Ease.OUT_OF_REACH)
                .map(pair -> note.playing(pair).as(note.nature().from(Origin.UNDER_TUNE)))
                .orElse(note);
    }
}
