package zapateo.format;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;

/**
 * A length as it is written: a note type and its dots, or three in the time of two.
 *
 * @param type the MusicXML note-type-value
 */
record NoteValue(String type, int dots, int ticks, boolean triplet) {

    private static final String[] TYPES = {"whole", "half", "quarter", "eighth", "16th", "32nd", "64th"};
    private static final List<NoteValue> ALL = all();
    private static final List<NoteValue> TRIPLETS = List.of(
            new NoteValue("quarter", 0, 640, true),
            new NoteValue("eighth", 0, 320, true),
            new NoteValue("16th", 0, 160, true));
    /** Times off this grid are thirds of a beat or of its half. */
    private static final int GRID = Ticks.PER_QUARTER / 16;

    private static List<NoteValue> all() {
        List<NoteValue> values = new ArrayList<>();
        for (int i = 0; i < TYPES.length; i++) {
            int plain = Ticks.PER_WHOLE >> i;
            values.add(new NoteValue(TYPES[i], 0, plain, false));
            values.add(new NoteValue(TYPES[i], 1, plain * 3 / 2, false));
        }
        return values.stream()
                .sorted(Comparator.comparingInt(NoteValue::ticks).reversed())
                .toList();
    }

    /** The one value of just this length. */
    static Optional<NoteValue> of(int ticks) {
        return ALL.stream().filter(value -> value.ticks() == ticks).findFirst();
    }

    /** How many beams or flags it has; 0 for a quarter and longer. */
    int beams() {
        return Math.max(0, List.of(TYPES).indexOf(type) - 2);
    }

    /**
     * The tied values that {@code ticks} from {@code tick} inside a bar are written with, so that the beats can be
     * seen; what is left under a 64th is dropped from the page.
     */
    static List<NoteValue> split(Meter meter, int tick, int ticks, boolean rest) {
        List<NoteValue> values = new ArrayList<>();
        int at = tick;
        int end = tick + ticks;
        while (at < end) {
            int from = at;
            int left = end - at;
            Optional<NoteValue> triplet = triplet(at, left);
            if (triplet.isPresent()) {
                values.add(triplet.get());
                at += triplet.get().ticks();
                continue;
            }
            NoteValue next = candidates(rest && !meter.isCompound())
                    .filter(value -> value.ticks() <= left && shows(meter, from, value.ticks()))
                    .findFirst()
                    .orElse(null);
            if (next == null) {
                return values;
            }
            values.add(next);
            at += next.ticks();
        }
        return values;
    }

    /** A part of a triplet, where a length begins or ends off the grid inside its quarter. */
    private static Optional<NoteValue> triplet(int at, int left) {
        int inside = at % Ticks.PER_QUARTER;
        int end = Math.min(Ticks.PER_QUARTER, inside + left);
        if (inside % GRID == 0 && end % GRID == 0) {
            return Optional.empty();
        }
        return TRIPLETS.stream()
                .filter(value -> value.ticks() <= end - inside && inside % Math.min(320, value.ticks()) == 0)
                .findFirst();
    }

    private static Stream<NoteValue> candidates(boolean plainOnly) {
        return ALL.stream().filter(value -> !plainOnly || value.dots() == 0);
    }

    /** Whether a value of {@code ticks} from {@code tick} leaves the beats visible. */
    private static boolean shows(Meter meter, int tick, int ticks) {
        int beat = meter.beatTicks();
        int inBeat = tick % beat;
        if (inBeat == 0) {
            return ticks <= beat || ticks % beat == 0 || (!meter.isCompound() && 2 * ticks % beat == 0);
        }
        boolean syncopated = !meter.isCompound() && inBeat * 2 == beat && ticks == beat && (tick / beat) % 2 == 0;
        return syncopated || inBeat + ticks <= beat;
    }
}
