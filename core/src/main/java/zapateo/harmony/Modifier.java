package zapateo.harmony;

import java.util.List;
import zapateo.pitch.Interval;

/**
 * What follows a quality in a chord symbol: a suspension, an altered, added or omitted tone. The rows of
 * {@code modifiers.csv}, in the order they are written.
 *
 * @param place its place in that order
 * @param written the one canonical spelling, e.g. {@code ♭9}
 * @param degree the tone it is about
 */
public record Modifier(int place, String id, String written, Effect effect, Interval degree)
        implements Comparable<Modifier> {

    /** What it does to the chord's tones. */
    public enum Effect {
        SUS,
        ALTER,
        ADD,
        OMIT
    }

    /** The tones with this one put in its place. */
    void on(List<Interval> tones) {
        switch (effect) {
            case SUS -> {
                tones.removeIf(tone -> tone.number() == 3);
                add(tones);
            }
            case ALTER -> {
                // A natural tone gives way; two alterations of one number stand beside each other.
                tones.removeIf(tone -> tone.number() == degree.number() && !isAltered(tone));
                add(tones);
            }
            case ADD -> add(tones);
            case OMIT -> tones.removeIf(tone -> tone.number() == degree.number());
        }
    }

    private void add(List<Interval> tones) {
        if (!tones.contains(degree)) {
            tones.add(degree);
        }
    }

    /** Whether a 5th, 9th, 11th or 13th is not the major scale's. */
    private static boolean isAltered(Interval tone) {
        return tone.semitones() != Interval.parse(String.valueOf(tone.number())).semitones();
    }

    @Override
    public int compareTo(Modifier other) {
        return Integer.compare(place, other.place);
    }
}
