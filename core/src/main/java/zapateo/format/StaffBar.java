package zapateo.format;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zapateo.part.Roll;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;

/**
 * One hand's bar as it goes on the page: voices of written values, each filled from bar line to bar line.
 *
 * @param voices at least one; the first shows its rests, the others hide them
 */
record StaffBar(List<List<Event>> voices) {

    private static final int MOST_PIECES = 20;

    /**
     * A note, a chord or a rest of one written value.
     *
     * @param tick from the bar line
     * @param stroke empty for a rest
     * @param piece counts the tied pieces of one stroke from 0
     * @param tieNext whether the next piece is tied to it
     */
    record Event(int tick, NoteValue value, Optional<Numbered> stroke, int piece, boolean tieNext) {

        /** A grace note takes no time of the bar. */
        boolean isGrace() {
            return stroke.filter(numbered -> numbered.stroke().isGrace()).isPresent();
        }

        boolean isRest() {
            return stroke.isEmpty();
        }
    }

    /** A stroke with its place among all strokes of the arrangement, by which the page and the player know it. */
    record Numbered(Stroke stroke, int number, int firstNote) {

        /** As it is written: a broken chord is its bass on the off-beat and the rest on the beat. */
        static List<Numbered> of(Stroke stroke, int number, List<Bar> bars) {
            if (stroke.roll().filter(roll -> roll.kind() == Roll.Kind.BROKEN).isEmpty()) {
                return List.of(new Numbered(stroke, number, 0));
            }
            int from = stroke.written().tick() - Ticks.PER_EIGHTH;
            int bar = from < bars.get(stroke.bar()).tick() ? stroke.bar() - 1 : stroke.bar();
            Stroke bass = stroke.playing(stroke.notes().subList(0, 1)).moved(bar, TickSpan.of(from, Ticks.PER_EIGHTH));
            return List.of(
                    new Numbered(bass, number, 0),
                    new Numbered(
                            stroke.playing(
                                    stroke.notes().subList(1, stroke.notes().size())),
                            number,
                            1));
        }
    }

    static StaffBar of(Bar bar, List<Numbered> strokes) {
        List<List<Numbered>> lines = new ArrayList<>();
        for (Numbered each : strokes) {
            lines.stream()
                    .filter(line -> end(line.get(line.size() - 1))
                            <= each.stroke().onPage().tick())
                    .findFirst()
                    .orElseGet(() -> {
                        List<Numbered> line = new ArrayList<>();
                        lines.add(line);
                        return line;
                    })
                    .add(each);
        }
        // The upper voice is the first, whichever begins: its stems go up.
        lines.sort(Comparator.comparingDouble(line -> -line.stream()
                .flatMap(each -> each.stroke().notes().stream())
                .mapToInt(note -> note.pitch().midi())
                .average()
                .orElse(0)));
        List<List<Event>> voices =
                new ArrayList<>(lines.stream().map(line -> voice(bar, line)).toList());
        if (voices.isEmpty()) {
            voices.add(List.of());
        }
        return new StaffBar(voices);
    }

    private static int end(Numbered before) {
        return before.stroke().isGrace()
                ? before.stroke().onPage().tick()
                : before.stroke().onPage().end();
    }

    private static List<Event> voice(Bar bar, List<Numbered> line) {
        List<Event> events = new ArrayList<>();
        int at = 0;
        for (Numbered each : line) {
            int tick = Math.max(0, each.stroke().onPage().tick() - bar.tick());
            int end = Math.min(each.stroke().onPage().end() - bar.tick(), bar.ticks());
            rests(events, bar.meter(), at, tick - at);
            if (each.stroke().isGrace()) {
                events.add(new Event(tick, NoteValue.of(Ticks.PER_EIGHTH).orElseThrow(), Optional.of(each), 0, false));
                at = tick;
                continue;
            }
            notes(events, bar, tick, end - tick, each);
            at = end;
        }
        rests(events, bar.meter(), at, bar.ticks() - at);
        return events;
    }

    private static void rests(List<Event> events, Meter meter, int tick, int ticks) {
        int at = tick;
        for (NoteValue value : NoteValue.split(meter, tick, ticks, true)) {
            events.add(new Event(at, value, Optional.empty(), 0, false));
            at += value.ticks();
        }
    }

    /** A stroke that began in an earlier bar goes on with a tie, one that lasts into the next is tied to it. */
    private static void notes(List<Event> events, Bar bar, int tick, int ticks, Numbered stroke) {
        List<NoteValue> values = NoteValue.split(bar.meter(), tick, ticks, false);
        boolean goesOn = stroke.stroke().written().end() > bar.end();
        int piece = stroke.stroke().written().tick() < bar.tick()
                ? MOST_PIECES * (bar.index() - stroke.stroke().bar())
                : 0;
        int at = tick;
        for (int i = 0; i < values.size(); i++) {
            events.add(new Event(at, values.get(i), Optional.of(stroke), piece + i, goesOn || i + 1 < values.size()));
            at += values.get(i).ticks();
        }
    }
}
