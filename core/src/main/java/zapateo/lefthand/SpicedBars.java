package zapateo.lefthand;

import java.util.List;
import zapateo.part.Origin;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;

/** What the devices of {@code spices.yaml} do with a bar's strokes. */
final class SpicedBars {

    private static final Role OCTAVE = Role.tone(8);

    private SpicedBars() {}

    /** Whole beats up to the middle of a bar, one at least. */
    static int firstHalf(Bar bar) {
        int beat = bar.meter().beatTicks();
        return Math.max(beat, bar.ticks() / beat / 2 * beat);
    }

    static void with(List<Planned> all, Bar bar, Spice spice, List<Cut> cuts) {
        Role role = spice.role().orElseThrow();
        all.stream()
                .filter(stroke -> stroke.bar() == bar.index() && stroke.hand() == Side.LEFT)
                .findFirst()
                .filter(stroke -> !doublesThird(cuts.get(stroke.cut()), role)
                        && stroke.tick() == bar.tick()
                        && stroke.roles().size() <= 2
                        && !stroke.roles().contains(role)
                        && (stroke.roles().get(0).equals(Role.BASS)
                                || stroke.roles().get(0).equals(Role.WALK)))
                .ifPresent(stroke -> all.set(
                        all.indexOf(stroke),
                        stroke.playing(List.of(stroke.roles().get(0), role), stroke.mark(), Origin.FULLER)
                                .spiced(spice.id())));
    }

    /** A third in the bass is not said twice. */
    private static boolean doublesThird(Cut cut, Role role) {
        return role.equals(OCTAVE)
                && cut.chord().bassDegree().filter(degree -> degree == 3).isPresent();
    }

    static void stop(List<Planned> all, Bar bar, Spice spice) {
        int from = bar.tick() + bar.meter().beatTicks();
        all.removeIf(stroke -> stroke.bar() == bar.index() && stroke.tick() >= from && !stroke.isEarlyIn(bar));
        all.replaceAll(stroke -> stroke.bar() == bar.index() && stroke.tick() < from
                ? stroke.until(Math.min(stroke.end(), from)).spiced(spice.id())
                : stroke);
    }

    static void hold(List<Planned> all, Bar bar, Spice spice) {
        int half = bar.tick() + firstHalf(bar);
        List<Planned> first = all.stream()
                .filter(stroke -> stroke.bar() == bar.index()
                        && stroke.hand() == Side.LEFT
                        && stroke.tick() < half
                        && stroke.tick() >= bar.tick())
                .toList();
        List<Planned> above =
                first.stream().filter(stroke -> stroke.mark() == Mark.TOE).toList();
        // A bar whose chord comes later would lose it.
        boolean lost = above.isEmpty()
                && all.stream()
                        .anyMatch(stroke -> stroke.bar() == bar.index()
                                && stroke.hand() == Side.LEFT
                                && stroke.mark() == Mark.TOE
                                && stroke.tick() < bar.end());
        List<Planned> kept = lost ? List.of() : above.isEmpty() ? first : above;
        boolean later = all.stream().anyMatch(stroke -> stroke.bar() == bar.index() && stroke.tick() >= bar.end());
        if (kept.isEmpty() || later) {
            return;
        }
        Planned last = kept.get(kept.size() - 1);
        all.removeIf(stroke -> stroke.bar() == bar.index() && stroke.tick() > last.tick() && !stroke.isEarlyIn(bar));
        int end = all.stream()
                .filter(stroke ->
                        stroke.bar() == bar.index() && stroke.tick() > last.tick() && stroke.hand() == Side.LEFT)
                .mapToInt(Planned::tick)
                .min()
                .orElse(bar.end());
        all.set(all.indexOf(last), last.until(Math.max(last.end(), end)).spiced(spice.id()));
    }

    static void thin(List<Planned> all, Bar bar, Spice spice) {
        List<Planned> toes = all.stream()
                .filter(stroke -> stroke.bar() == bar.index()
                        && stroke.hand() == Side.LEFT
                        && stroke.mark() == Mark.TOE
                        && !stroke.isEarlyIn(bar))
                .toList();
        if (toes.size() < 2) {
            return;
        }
        Planned last = toes.get(toes.size() - 1);
        int at = all.indexOf(last);
        boolean said = toes.subList(0, toes.size() - 1).stream()
                .anyMatch(stroke -> stroke.roles().equals(last.roles()));
        if (!said) {
            return;
        }
        all.remove(at);
        for (int before = at - 1; before >= 0 && all.get(before).bar() == bar.index(); before--) {
            if (all.get(before).hand() == Side.LEFT) {
                boolean joins =
                        all.get(before).end() >= last.tick() && all.get(before).mark() == Mark.TOE;
                all.set(
                        before,
                        (joins ? all.get(before).until(Math.max(all.get(before).end(), last.end())) : all.get(before))
                                .spiced(spice.id()));
                return;
            }
        }
    }

    static void early(List<Planned> all, Bar bar, Spice spice) {
        int from = bar.tick() - Ticks.PER_EIGHTH;
        List<Planned> there = all.stream()
                .filter(stroke -> stroke.tick() == bar.tick() && stroke.bar() == bar.index())
                .toList();
        boolean taken = all.stream()
                        .anyMatch(stroke -> stroke.tick() >= from
                                && stroke.tick() < bar.tick()
                                && (stroke.origin() == Origin.LEAD_IN || stroke.isEarlyIn(bar)))
                || all.stream().anyMatch(stroke -> stroke.tick() < bar.tick() && stroke.end() > bar.tick());
        if (taken
                || there.isEmpty()
                || there.stream()
                        .anyMatch(stroke -> stroke.origin() != Origin.FIGURE && stroke.origin() != Origin.FULLER)) {
            return;
        }
        all.removeIf(stroke -> stroke.tick() >= from && stroke.tick() < bar.tick());
        all.replaceAll(stroke -> stroke.tick() < from && stroke.end() > from ? stroke.until(from) : stroke);
        there.forEach(stroke -> all.set(
                all.indexOf(stroke),
                stroke.at(bar.index() - 1, from, stroke.ticks() + Ticks.PER_EIGHTH)
                        .playing(stroke.roles(), stroke.mark(), Origin.ANTICIPATION)
                        .spiced(spice.id())));
    }
}
