package zapateo.format;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Ticks;

/**
 * A length as it is written: a note type and its dots.
 *
 * @param type the MusicXML note-type-value
 */
record NoteValue(String type, int dots, int ticks) {

    private static final String[] TYPES = {"whole", "half", "quarter", "eighth", "16th", "32nd", "64th"};
    private static final List<NoteValue> ALL = all();

    private static List<NoteValue> all() {
        List<NoteValue> values = new ArrayList<>();
        for (int i = 0; i < TYPES.length; i++) {
            int plain = Ticks.PER_WHOLE >> i;
            values.add(new NoteValue(TYPES[i], 0, plain));
            values.add(new NoteValue(TYPES[i], 1, plain * 3 / 2));
        }
        return values.stream().sorted(Comparator.comparingInt(NoteValue::ticks).reversed()).toList();
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
     * The tied values that {@code ticks} from {@code tick} inside a bar are written with, so that the beats can be seen; what is
     * left under a 64th is dropped from the page.
     */
    static List<NoteValue> split(Meter meter, int tick, int ticks, boolean rest) {
        List<NoteValue> values = new ArrayList<>();
        int at = tick;
        int end = tick + ticks;
        while (at < end) {
            int from = at;
            int left = end - at;
            NoteValue next = candidates(rest && !meter.isCompound()).filter(value -> value.ticks() <= left && shows(meter, from, value.ticks()))
                    .findFirst().orElse(null);
            if (next == null) {
                return values;
            }
            values.add(next);
            at += next.ticks();
        }
        return values;
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
