package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import zapateo.part.Mending;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;

/**
 * The hands kept apart, in the order of HANDBOOK §9: the left hand gives way for the stroke (thinned, or an octave lower), then the right hand's chord gives up what
 * lies too low, then a phrase of the melody goes an octave up. What cannot be mended is told.
 *
 * @param left    as it is played now, in the order of before
 * @param right   the same
 * @param kept    what runs together still
 */
public record Apart(List<Stroke> left, List<Stroke> right, List<Crossing> kept) {

    /** The left hand goes no lower than this to make room. */
    private static final int LOWEST = Pitch.parse("E1").midi();
    private static final int HIGHEST = Pitch.parse("C7").midi();

    /**
     * @param left   strokes in the order of time, as written
     * @param right  the same
     * @param asTheyAre indices of bars in which nothing is mended
     */
    public static Apart of(List<Stroke> left, List<Stroke> right, Set<Integer> asTheyAre) {
        List<Stroke> leftNow = new ArrayList<>(left);
        List<Stroke> rightNow = new ArrayList<>(right);
        lower(leftNow, rightNow, asTheyAre);
        thin(leftNow, rightNow, asTheyAre);
        raise(leftNow, rightNow, asTheyAre);
        return new Apart(leftNow, rightNow, Crossing.between(leftNow, rightNow));
    }

    private static List<Crossing> toMend(List<Stroke> left, List<Stroke> right, Set<Integer> asTheyAre) {
        return Crossing.between(left, right).stream().filter(crossing -> !asTheyAre.contains(right.get(crossing.right()).bar())).toList();
    }

    /** The left hand gives up what lies on or over the right hand's lowest note, but never all of it; a single note goes an octave down. */
    private static void lower(List<Stroke> left, List<Stroke> right, Set<Integer> asTheyAre) {
        for (Crossing crossing : toMend(left, right, asTheyAre)) {
            Stroke stroke = left.get(crossing.left());
            int bound = right.get(crossing.right()).lowest().midi();
            List<PartNote> kept = stroke.notes().stream().filter(note -> Crossing.between(List.of(stroke.playing(List.of(note))), List.of(right.get(crossing.right()))).isEmpty()).toList();
            if (kept.size() == stroke.notes().size()) {
                continue;
            }
            if (!kept.isEmpty()) {
                left.set(crossing.left(), stroke.playing(kept).mended(Mending.LEFT_THINNED));
            } else if (stroke.notes().size() == 1 && stroke.lowest().midi() - Pitch.OCTAVE >= LOWEST && stroke.lowest().midi() - Pitch.OCTAVE < bound) {
                left.set(crossing.left(), stroke.playing(List.of(stroke.notes().get(0).octaves(-1))).mended(Mending.LEFT_LOWERED));
            }
        }
    }

    /** The chord under the right hand's top note gives up what lies too low. */
    private static void thin(List<Stroke> left, List<Stroke> right, Set<Integer> asTheyAre) {
        for (Crossing crossing : toMend(left, right, asTheyAre)) {
            Stroke stroke = right.get(crossing.right());
            List<PartNote> kept = stroke.notes().stream().filter(note -> Crossing.between(List.of(left.get(crossing.left())), List.of(stroke.playing(List.of(note)))).isEmpty()).toList();
            if (!kept.isEmpty() && kept.size() < stroke.notes().size() && kept.contains(stroke.notes().get(stroke.notes().size() - 1))) {
                right.set(crossing.right(), stroke.playing(kept).mended(Mending.RIGHT_THINNED));
            }
        }
    }

    /** From rest to rest. */
    private static void raise(List<Stroke> left, List<Stroke> right, Set<Integer> asTheyAre) {
        for (Crossing crossing : toMend(left, right, asTheyAre)) {
            int first = crossing.right();
            int last = first;
            if (Crossing.between(left, List.of(right.get(first))).isEmpty()) {
                continue;
            }
            while (right.get(first).nature().origin().isSung() && first > 0 && right.get(first - 1).written().end() == right.get(first).written().tick()) {
                first--;
            }
            while (right.get(last).nature().origin().isSung() && last + 1 < right.size() && right.get(last + 1).written().tick() == right.get(last).written().end()) {
                last++;
            }
            List<Stroke> phrase = right.subList(first, last + 1);
            if (phrase.stream().allMatch(stroke -> stroke.highest().midi() + Pitch.OCTAVE <= HIGHEST)) {
                phrase.replaceAll(stroke -> stroke.playing(stroke.notes().stream().map(note -> note.octaves(1)).toList()).mended(Mending.RIGHT_RAISED));
            }
        }
    }
}
