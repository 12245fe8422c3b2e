package zapateo.lefthand;

import java.util.List;
import zapateo.part.PartNote;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;

/** In which octave a bass that alternates has its fifth. */
final class FifthBelow {

    /** A sixth and more. */
    private static final int LEAP = 8;

    private FifthBelow() {}

    /** A fifth under its root that is the chord's last bass goes above it where that is nearer to the next one. */
    static List<PartNote> towards(
            Planned each,
            List<PartNote> notes,
            Placement placement,
            List<Candidate> places,
            List<Planned> here,
            Cut cut) {
        int next = each.cut() + 1;
        boolean last = here.stream()
                .noneMatch(other -> other.hand() == Side.LEFT
                        && other.tick() > each.tick()
                        && other.mark() != Mark.TOE
                        && !other.roles().equals(each.roles()));
        int key = notes.get(0).pitch().midi();
        int above = key + Pitch.OCTAVE;
        if (!last
                || next >= places.size()
                || key >= placement.bass().midi()
                || above > Placement.HIGHEST_BASS
                || !places.get(next).hasBass()) {
            return notes;
        }
        int target = places.get(next).bass();
        if (key == target || above == target) {
            // The next root itself gives nothing away before it comes.
            return key == target ? List.of(notes.get(0).octaves(1)) : notes;
        }
        // A line that is pushed goes the nearer way; any other goes under its root unless it had to leap from there.
        boolean nearer = cut.choices().figure().manner().keeps()
                ? Math.abs(above - target) < Math.abs(key - target)
                        && Math.abs(above - target) + above - placement.bass().midi()
                                < Math.abs(key - target) + placement.bass().midi() - key
                : Math.abs(key - target) >= LEAP && Math.abs(above - target) < LEAP;
        return nearer ? List.of(notes.get(0).octaves(1)) : notes;
    }
}
