package zapateo.harmony;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.pitch.Interval;

/**
 * What kind of chord stands on a root: a base such as {@code m7} and what is suspended, altered, added or left out.
 * Each has one written form.
 *
 * @param base a row of {@code qualities.csv}
 * @param modifiers in the order they are written
 * @param tones degrees from the root in the order of their numbers; they follow from the rest
 */
public record Quality(Base base, List<Modifier> modifiers, List<Interval> tones) {

    /**
     * A quality without anything behind it.
     *
     * @param written the one canonical sign after the root, e.g. {@code ø}
     * @param kind the MusicXML 4.0 kind-value
     * @param tones degrees from the root, low to high
     */
    public record Base(String id, String written, String kind, List<Interval> tones) {}

    public Quality {
        modifiers = List.copyOf(modifiers);
        tones = tones(base, modifiers);
    }

    Quality(Base base, List<Modifier> modifiers) {
        this(base, modifiers, List.of());
    }

    public String id() {
        return Stream.concat(Stream.of(base.id()), modifiers.stream().map(Modifier::id))
                .collect(Collectors.joining("+"));
    }

    /**
     * The one canonical sign after the root, e.g. {@code m7}, {@code 7sus4♭9}. What could be read as the root's own
     * sign stands in parentheses.
     */
    public String written() {
        if (modifiers.isEmpty()) {
            return base.written();
        }
        String after = modifiers.stream().map(Modifier::written).collect(Collectors.joining());
        boolean touchesRoot =
                base.written().isEmpty() && !after.isEmpty() && (after.startsWith("♭") || after.startsWith("♯"));
        if (touchesRoot) {
            return "(" + modifiers.get(0).written() + ")"
                    + after.substring(modifiers.get(0).written().length());
        }
        return base.written() + after;
    }

    private static List<Interval> tones(Base base, List<Modifier> modifiers) {
        if (modifiers.isEmpty()) {
            return base.tones();
        }
        List<Interval> tones = new ArrayList<>(base.tones());
        modifiers.forEach(modifier -> modifier.on(tones));
        tones.sort(Comparator.comparingInt(Interval::number).thenComparingInt(Interval::semitones));
        return List.copyOf(tones);
    }

    /**
     * The tone of this chord that carries the number {@code degree} of 1 to 13, whatever its size: 3 of a sus4 is its
     * 4th, of an eleventh chord without a third its 11th.
     */
    public Optional<Interval> tone(int degree) {
        Optional<Interval> same = first(degree);
        if (same.isPresent() || degree != 3) {
            return same;
        }
        return first(4).or(() -> first(2)).or(() -> first(11).map(eleventh -> eleventh.up(-1)));
    }

    private Optional<Interval> first(int degree) {
        for (Interval tone : tones) {
            if (tone.number() == degree) {
                return Optional.of(tone);
            }
        }
        return Optional.empty();
    }

    public boolean isMinor() {
        return has(3, 3);
    }

    public boolean isMajor() {
        return has(3, 4);
    }

    /** A major third with a minor seventh: the chord that wants to move on. */
    public boolean isDominant() {
        return has(3, 4) && has(7, 10);
    }

    public boolean has(int degree, int semitones) {
        return tones.contains(Interval.of(degree - 1, semitones));
    }

    @Override
    public int hashCode() {
        return 31 * base.id().hashCode() + modifiers.hashCode();
    }

    @Override
    public String toString() {
        return written();
    }
}
