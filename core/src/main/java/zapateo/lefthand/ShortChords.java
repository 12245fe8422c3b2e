package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;

/** Chords too short for their figure's chord say themselves all the same. */
final class ShortChords {

    private static final List<Role> OCTAVE = List.of(Role.BASS, Role.tone(8));
    private static final Set<Role> ONLY_BASS = Set.of(Role.BASS, Role.parse("5_"), Role.tone(8));
    private static final List<Role> TENTH = List.of(Role.BASS, Role.tone(10));
    private static final List<Role> FILLED_TENTH = List.of(Role.BASS, Role.tone(7), Role.tone(10));
    private static final Role TOP = Role.parse("ct");
    private static final List<Role> INNER = List.of(Role.parse("c2"), Role.parse("c3"));
    private static final List<List<Role>> THREE =
            List.of(List.of(Role.parse("c1")), List.of(Role.parse("c3")), List.of(Role.parse("c2")));
    private static final List<Role> REST = List.of(Role.parse("cu"));
    private static final Set<Role.Kind> BROKEN = Set.of(Role.Kind.CLOSE_TONE, Role.Kind.CLOSE_TOP);

    /** The first that has an answer says how a chord's strokes change. */
    private static final List<BiFunction<Cut, List<Planned>, Optional<List<Change>>>> WAYS = List.of(
            ShortChords::inSecondPlace, ShortChords::onItsBass, ShortChords::fourInThree, ShortChords::twoOfThree);

    private ShortChords() {}

    /** One of a chord's own strokes, and what it plays instead. */
    private record Change(int at, List<Role> roles, Mark mark) {}

    static void sayWhole(Cut cut, List<Planned> strokes) {
        neighboursStay(strokes);
        List<Planned> own = new ArrayList<>(strokes.size());
        for (Planned stroke : strokes) {
            if (stroke.cut() == cut.index()) {
                own.add(stroke);
            }
        }
        for (BiFunction<Cut, List<Planned>, Optional<List<Change>>> way : WAYS) {
            Optional<List<Change>> changes = own.isEmpty() ? Optional.empty() : way.apply(cut, own);
            if (changes.isPresent()) {
                changes.get().forEach(change -> {
                    Planned stroke = own.get(change.at());
                    strokes.set(
                            strokes.indexOf(stroke), stroke.playing(change.roles(), change.mark(), stroke.origin()));
                });
                return;
            }
        }
    }

    /** A neighbour that has no time to go home is the chord itself. */
    private static void neighboursStay(List<Planned> strokes) {
        for (int at = 0; at < strokes.size(); at++) {
            Planned stroke = strokes.get(at);
            if (stroke.roles().get(0).kind() == Role.Kind.NEIGHBOUR
                    && strokes.subList(at + 1, strokes.size()).stream()
                            .noneMatch(later -> later.roles().contains(Role.CLOSE))) {
                strokes.set(at, stroke.playing(List.of(Role.CLOSE), stroke.mark(), stroke.origin()));
            }
        }
    }

    /** A bass and what would be its fifth: the chord takes the second place. */
    private static Optional<List<Change>> inSecondPlace(Cut cut, List<Planned> own) {
        int last = own.size() - 1;
        return isBare(cut, own)
                        && last > 0
                        && !own.get(last).roles().equals(own.get(0).roles())
                ? Optional.of(List.of(new Change(last, List.of(Role.CLOSE), Mark.TOE)))
                : Optional.empty();
    }

    /** A bass alone: a shell on it; a tenth is filled with the seventh. */
    private static Optional<List<Change>> onItsBass(Cut cut, List<Planned> own) {
        List<Role> whole = own.get(0).roles().equals(TENTH) ? FILLED_TENTH : List.of(Role.CHOSEN);
        return isBare(cut, own)
                ? Optional.of(List.of(new Change(0, whole, own.get(0).mark())))
                : Optional.empty();
    }

    /** Four tones in three strokes: the highest in the middle, the two between it and the lowest at once. */
    private static Optional<List<Change>> fourInThree(Cut cut, List<Planned> own) {
        boolean three = own.size() == 3
                && cut.chord().quality().tones().size() > 3
                && own.stream().map(Planned::roles).toList().equals(THREE);
        return three
                ? Optional.of(List.of(
                        new Change(1, List.of(TOP), own.get(1).mark()),
                        new Change(2, INNER, own.get(2).mark())))
                : Optional.empty();
    }

    /**
     * No more than two tones find time, one after the other, alone or over a bass: the last one takes the rest with it.
     */
    private static Optional<List<Change>> twoOfThree(Cut cut, List<Planned> own) {
        Set<Role> tones = new HashSet<>();
        int strokes = 0;
        for (Planned stroke : own) {
            Role first = stroke.roles().get(0);
            if (ONLY_BASS.contains(first)) {
                continue;
            }
            if (!BROKEN.contains(first.kind())) {
                return Optional.empty();
            }
            tones.addAll(stroke.roles());
            strokes++;
        }
        int last = own.size() - 1;
        return strokes > 1 && tones.size() < 3
                ? Optional.of(List.of(new Change(last, REST, own.get(last).mark())))
                : Optional.empty();
    }

    private static boolean isBare(Cut cut, List<Planned> own) {
        for (Planned stroke : own) {
            // A tenth says a triad whole; a seventh chord it leaves open.
            boolean bare = stroke.roles().size() == 1
                            && ONLY_BASS.contains(stroke.roles().get(0))
                    || stroke.roles().equals(OCTAVE)
                    || stroke.roles().equals(TENTH)
                            && cut.chord().quality().tone(7).isPresent();
            if (!bare) {
                return false;
            }
        }
        return cut.choices().hasBass() && cut.choices().figure().statesChords();
    }
}
