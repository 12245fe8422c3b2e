package zapateo.righthand;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import zapateo.part.Ceiling;
import zapateo.part.Mending;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Pitch;

/**
 * The octave of a line, phrase by phrase: where the left hand cannot keep below it, it goes an octave up, from rest to
 * rest (HANDBOOK §9).
 */
public final class MelodyOctave {

    private static final int HIGHEST = Pitch.parse("C7").midi();

    private MelodyOctave() {}

    /**
     * @param line single notes, in the order of time
     * @param tooLow what of it the left hand cannot keep below
     * @param asTheyAre indices of bars that keep what they have; a phrase that has a part of one stays
     */
    public static List<Stroke> settled(List<Stroke> line, List<Ceiling> tooLow, Set<Integer> asTheyAre) {
        if (tooLow.isEmpty()) {
            return line;
        }
        Set<TickSpan> low = new HashSet<>(tooLow.stream().map(Ceiling::span).toList());
        List<Stroke> settled = new ArrayList<>(line.size());
        for (int from = 0; from < line.size(); ) {
            int to = from + 1;
            while (to < line.size()
                    && line.get(to).written().tick()
                            == line.get(to - 1).written().end()) {
                to++;
            }
            List<Stroke> phrase = line.subList(from, to);
            boolean raised = phrase.stream().anyMatch(stroke -> low.contains(stroke.written()))
                    && phrase.stream()
                            .allMatch(stroke -> stroke.highest().midi() + Pitch.OCTAVE <= HIGHEST
                                    && !asTheyAre.contains(stroke.bar()));
            phrase.forEach(stroke -> settled.add(
                    raised
                            ? stroke.playing(stroke.notes().stream()
                                            .map(note -> note.octaves(1))
                                            .toList())
                                    .mended(Mending.RIGHT_RAISED)
                            : stroke));
            from = to;
        }
        return settled;
    }
}
