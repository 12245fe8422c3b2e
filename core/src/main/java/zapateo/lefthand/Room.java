package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.part.LowIntervalLimits;
import zapateo.part.Mending;
import zapateo.part.PartNote;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;

/**
 * One stroke below a ceiling: the cheapest of what HANDBOOK §9 allows for it, so that the chord's other strokes stay as
 * they are. What is rolled, caught or a tenth never loses its partner: the tone above the bass is another one then.
 *
 * @param notes as they are struck now, low to high
 * @param how what was done; empty where nothing had to be
 * @param cost in units of the cost {@code room}
 * @param kept whether the ceiling is
 */
record Room(List<PartNote> notes, Optional<Mending> how, double cost, boolean kept) {

    /** What cannot make room costs more than any other place of the chord. */
    private static final double NO_ROOM = 25;

    private static final double REVOICED = 1.5;
    private static final double LOWERED = 1.25;
    private static final double LOST = 2;
    /** Roles that say what a chord is. */
    private static final Set<Role> STATING =
            IntStream.of(3, 4, 7, 10, 11, 14).mapToObj(Role::tone).collect(Collectors.toSet());

    private static final int PAIR = 2;
    /** What may stand over a bass in place of a tenth, the fullest first. */
    private static final List<Role> PARTNERS = List.of(Role.tone(7), Role.tone(5), Role.tone(8));

    /**
     * @param rolled whether it is opened on purpose
     * @param hand that strikes it
     * @param lowest the lowest key there is
     */
    static Room under(int ceiling, List<PartNote> notes, boolean rolled, Placement placement, Hand hand, int lowest) {
        if (top(notes) <= ceiling) {
            return new Room(notes, Optional.empty(), 0, true);
        }
        List<PartNote> below =
                notes.stream().filter(note -> note.pitch().midi() <= ceiling).toList();
        boolean paired = notes.size() > 1
                && (rolled || isTenth(notes) || hand.easeOf(PartNote.keys(notes)) == Ease.OUT_OF_REACH);
        Stream<Room> thinned = below.size() >= (paired ? PAIR : 1)
                ? Stream.of(new Room(
                        below,
                        Optional.of(Mending.LEFT_THINNED),
                        notes.size() - below.size() + lost(notes, below),
                        true))
                : Stream.empty();
        Stream<Room> revoiced = paired && below.size() == 1 && holdsBass(below)
                ? revoiced(ceiling, below.get(0), placement).stream()
                : Stream.empty();
        // A tone of a close chord that is broken gives way to the one below it, not to its octave: the shape stays.
        Optional<PartNote> inside = notes.size() == 1 && placement.upper().contains(notes.get(0))
                ? placement.upper().stream()
                        .filter(note -> note.pitch().midi() <= ceiling)
                        .reduce((lower, higher) -> higher)
                : Optional.empty();
        if (inside.isPresent()) {
            return new Room(List.of(inside.get()), Optional.of(Mending.LEFT_REVOICED), REVOICED, true);
        }
        return Stream.of(thinned, revoiced, lowered(ceiling, notes, lowest, paired).stream())
                .flatMap(each -> each)
                .min(java.util.Comparator.comparingDouble(Room::cost))
                .orElse(new Room(notes, Optional.empty(), NO_ROOM, false));
    }

    private static int top(List<PartNote> notes) {
        return notes.get(notes.size() - 1).pitch().midi();
    }

    private static boolean isTenth(List<PartNote> notes) {
        return notes.size() == PAIR && top(notes) - notes.get(0).pitch().midi() > Pitch.OCTAVE;
    }

    private static Optional<Room> revoiced(int ceiling, PartNote bass, Placement placement) {
        return PARTNERS.stream()
                .filter(role -> role.degree() == 8
                        || placement.chord().quality().tone(role.degree()).isPresent())
                .map(role -> placement.notes(List.of(role)).get(0))
                .map(partner -> List.of(bass, partner))
                .filter(pair ->
                        top(pair) <= ceiling && top(pair) > bass.pitch().midi() && LowIntervalLimits.broken(pair) == 0)
                .findFirst()
                .map(pair -> new Room(pair, Optional.of(Mending.LEFT_REVOICED), REVOICED, true));
    }

    /** An octave down, where a bass has the keys for it and a chord does not turn to mud. */
    private static Optional<Room> lowered(int ceiling, List<PartNote> notes, int lowest, boolean paired) {
        int least = Math.max(
                lowest, notes.size() == 1 || holdsBass(notes) ? Register.DEEP.lowest() : Register.CHORD_LOWEST);
        List<PartNote> down = new ArrayList<>();
        notes.forEach(note -> down.add(note.octaves(-1)));
        List<PartNote> kept =
                down.stream().filter(note -> note.pitch().midi() <= ceiling).toList();
        boolean possible = down.get(0).pitch().midi() >= least
                && kept.size() >= (paired ? PAIR : 1)
                && (kept.size() == 1 && notes.size() == 1
                        || kept.size() > 1 && LowIntervalLimits.broken(kept) <= LowIntervalLimits.broken(notes));
        double cost = LOWERED * (notes.size() == 1 ? 1 : PAIR) + notes.size() - kept.size() + lost(notes, kept);
        return possible ? Optional.of(new Room(kept, Optional.of(Mending.LEFT_LOWERED), cost, true)) : Optional.empty();
    }

    /** What thirds, fourths and sevenths cost that a stroke has and is to lose. */
    private static double lost(List<PartNote> notes, List<PartNote> kept) {
        return LOST
                * notes.stream()
                        .filter(note -> STATING.contains(note.role())
                                && kept.stream()
                                        .noneMatch(other -> other.pitch()
                                                .pitchClass()
                                                .equals(note.pitch().pitchClass())))
                        .count();
    }

    private static boolean holdsBass(List<PartNote> notes) {
        return notes.get(0).role().equals(Role.BASS);
    }
}
