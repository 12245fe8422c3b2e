package zapateo.lefthand;

import java.util.List;
import java.util.Optional;
import zapateo.part.Origin;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.Bar;

/**
 * A stroke whose time is known and whose keys are not yet.
 *
 * @param cut the chord it plays, by its place among the cuts; an early stroke plays the next one
 * @param bar index of the bar it is struck in
 * @param tick from the start of the song
 * @param roles of the chord it plays
 * @param origin what put it there
 * @param lead the step of a lead-in it is
 * @param spice what a lively player did with it, by its id
 */
record Planned(
        int cut,
        int bar,
        int tick,
        int ticks,
        Side hand,
        List<Role> roles,
        boolean rolled,
        boolean accent,
        Mark mark,
        Origin origin,
        Optional<LeadIn.Step> lead,
        Optional<String> spice) {

    static Planned of(Cut cut, FigureStroke stroke, int tick, int ticks, Origin origin) {
        return new Planned(
                cut.index(),
                cut.bar().index(),
                tick,
                ticks,
                stroke.hand(),
                stroke.ofNext() ? stroke.roles().stream().map(Role::ofThis).toList() : stroke.roles(),
                stroke.rolled(),
                stroke.accent(),
                stroke.mark(),
                origin,
                Optional.empty(),
                Optional.empty());
    }

    int end() {
        return tick + ticks;
    }

    Planned until(int end) {
        return new Planned(cut, bar, tick, end - tick, hand, roles, rolled, accent, mark, origin, lead, spice);
    }

    Planned at(int fromBar, int from, int length) {
        return new Planned(cut, fromBar, from, length, hand, roles, rolled, accent, mark, origin, lead, spice);
    }

    Planned playing(List<Role> others, Mark shown, Origin why) {
        return new Planned(cut, bar, tick, ticks, hand, others, rolled, accent, shown, why, lead, spice);
    }

    Planned spiced(String id) {
        return new Planned(cut, bar, tick, ticks, hand, roles, rolled, accent, mark, origin, lead, Optional.of(id));
    }

    /** Whether it is struck in a bar for the chord after it. */
    boolean isEarlyIn(Bar struckIn) {
        return origin == Origin.ANTICIPATION && tick < struckIn.end();
    }
}
