package zapateo.format;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.audiveris.proxymusic.BeamValue;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;

/**
 * Joins short notes under beams: by the beat, and plain eighths by the half bar of 4/4 or the whole of a shorter simple
 * bar.
 */
final class Beams {

    private Beams() {}

    /** For each event that is beamed, its beams from the first level on. */
    static Map<StaffBar.Event, List<BeamValue>> of(Meter meter, List<StaffBar.Event> events) {
        Map<StaffBar.Event, List<BeamValue>> beams = new HashMap<>();
        int wide = meter.unit() == 4
                ? (meter.count() % 2 == 0 ? 2 * Ticks.PER_QUARTER : meter.barTicks())
                : meter.beatTicks();
        if (meter.unit() == 8 && !meter.isCompound()) {
            int start = 0;
            for (int group : meter.groups()) {
                join(within(events, start, start + group), beams);
                start += group;
            }
            return beams;
        }
        for (int start = 0; start < meter.barTicks(); start += wide) {
            List<StaffBar.Event> group = within(events, start, start + wide);
            if (group.stream()
                    .allMatch(event -> !event.isRest() && event.value().ticks() == Ticks.PER_EIGHTH)) {
                join(group, beams);
            } else {
                int beat = Math.min(wide, meter.isCompound() ? meter.beatTicks() : Ticks.PER_QUARTER);
                for (int at = start; at < start + wide; at += beat) {
                    join(within(events, at, at + beat), beams);
                }
            }
        }
        return beams;
    }

    private static List<StaffBar.Event> within(List<StaffBar.Event> events, int from, int to) {
        return events.stream()
                .filter(event -> event.tick() >= from && event.tick() < to)
                .toList();
    }

    private static void join(List<StaffBar.Event> group, Map<StaffBar.Event, List<BeamValue>> beams) {
        List<StaffBar.Event> run = new ArrayList<>();
        for (StaffBar.Event event : group) {
            if (!event.isRest() && event.value().beams() > 0) {
                run.add(event);
            } else {
                joinRun(run, beams);
                run.clear();
            }
        }
        joinRun(run, beams);
    }

    private static void joinRun(List<StaffBar.Event> run, Map<StaffBar.Event, List<BeamValue>> beams) {
        for (int i = 0; run.size() > 1 && i < run.size(); i++) {
            List<BeamValue> levels = new ArrayList<>();
            for (int level = 1; level <= run.get(i).value().beams(); level++) {
                boolean before = i > 0 && run.get(i - 1).value().beams() >= level;
                boolean after = i + 1 < run.size() && run.get(i + 1).value().beams() >= level;
                levels.add(
                        before
                                ? (after ? BeamValue.CONTINUE : BeamValue.END)
                                : after ? BeamValue.BEGIN : i > 0 ? BeamValue.BACKWARD_HOOK : BeamValue.FORWARD_HOOK);
            }
            beams.put(run.get(i), levels);
        }
    }
}
