package zapateo.harmony;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zapateo.pitch.Interval;

/**
 * What kind of chord stands on a root: a base such as {@code m7} and what is suspended, altered, added or left out. Each has one written
 * form; the tables in {@code resources/zapateo/harmony} hold them all.
 *
 * @param base      a row of {@code qualities.csv}
 * @param modifiers in the order they are written
 * @param tones     degrees from the root in the order of their numbers; they follow from the rest
 */
public record Quality(Base base, List<Modifier> modifiers, List<Interval> tones) {

    private static final QualityTables TABLES = new QualityTables();
    /** Signs that have been read before: a chart says the same few over and over. */
    private static final Map<String, Quality> READ = new ConcurrentHashMap<>();
    private static final int MOST_KEPT = 5_000;

    /**
     * A quality without anything behind it.
     *
     * @param written the one canonical sign after the root, e.g. {@code ø}
     * @param kind    the MusicXML 4.0 kind-value
     * @param tones   degrees from the root, low to high
     */
    public record Base(String id, String written, String kind, List<Interval> tones) {
    }

    public Quality {
        modifiers = List.copyOf(modifiers);
        tones = tones(base, modifiers);
    }

    Quality(Base base, List<Modifier> modifiers) {
        this(base, modifiers, List.of());
    }

    /** The base qualities alone, in the table's order. */
    public static List<Quality> all() {
        return TABLES.bases().stream().map(base -> new Quality(base, List.of())).toList();
    }

    public static Collection<Modifier> allModifiers() {
        return TABLES.modifiers();
    }

    /** The quality made of a base and modifiers by their ids, in its one form. */
    public static Quality of(String base, Collection<String> modifiers) {
        return TABLES.canonical(TABLES.base(base), modifiers.stream().map(TABLES::modifier).toList());
    }

    /** This one with more behind it, in its one form. */
    public Quality with(Modifier modifier) {
        return TABLES.canonical(base, Stream.concat(modifiers.stream(), Stream.of(modifier)).toList());
    }

    /** The quality that is spelled {@code sign}, in any of its usual ways. */
    public static Optional<Quality> spelled(String sign) {
        try {
            return Optional.of(parse(sign));
        } catch (ChordUnreadException unread) {
            return Optional.empty();
        }
    }

    /** @throws ChordUnreadException with the place in {@code sign} */
    static Quality parse(String sign) {
        Quality known = READ.get(sign);
        if (known != null) {
            return known;
        }
        Quality read = new QualityReader(TABLES, plain(sign)).read();
        if (READ.size() < MOST_KEPT) {
            READ.put(sign, read);
        }
        return read;
    }

    /** Every spelling of a base quality with the quality it reads as, in the table's order. */
    public static Map<String, Quality> spellings() {
        Map<String, Quality> all = new LinkedHashMap<>();
        TABLES.readings().forEach((spelling, reading) -> {
            if (reading.refusal().isEmpty()) {
                all.put(spelling, TABLES.canonical(reading.base(), reading.modifiers()));
            }
        });
        return all;
    }

    public String id() {
        return Stream.concat(Stream.of(base.id()), modifiers.stream().map(Modifier::id)).collect(Collectors.joining("+"));
    }

    /** The one canonical sign after the root, e.g. {@code m7}, {@code 7sus4♭9}. What could be read as the root's own sign stands in parentheses. */
    public String written() {
        String after = modifiers.stream().map(Modifier::written).collect(Collectors.joining());
        boolean touchesRoot = base.written().isEmpty() && !after.isEmpty() && (after.startsWith("♭") || after.startsWith("♯"));
        if (touchesRoot) {
            return "(" + modifiers.get(0).written() + ")" + after.substring(modifiers.get(0).written().length());
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
     * The tone of this chord that carries the number {@code degree} of 1 to 13, whatever its size: 3 of a sus4 is its 4th, of an
     * eleventh chord without a third its 11th.
     */
    public Optional<Interval> tone(int degree) {
        Optional<Interval> same = first(degree);
        if (same.isPresent() || degree != 3) {
            return same;
        }
        return first(4).or(() -> first(2)).or(() -> first(11).map(eleventh -> eleventh.up(-1)));
    }

    private Optional<Interval> first(int degree) {
        return tones.stream().filter(tone -> tone.number() == degree).findFirst();
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

    /** The triad or the suspension at the bottom, without sixths, sevenths and what is above them. */
    public Quality triad() {
        List<Modifier> kept = modifiers.stream().filter(each -> each.effect() == Modifier.Effect.SUS || each.degree().number() == 5).toList();
        String plain = has(3, 3) ? has(5, 6) ? "diminished" : "minor" : base.id().equals("augmented") ? "augmented" : base.id().equals("power") ? "power" : "major";
        return TABLES.canonical(TABLES.base(plain), kept);
    }

    public boolean has(int degree, int semitones) {
        return tones.contains(Interval.of(degree - 1, semitones));
    }

    @Override
    public int hashCode() {
        return 31 * base.id().hashCode() + modifiers.hashCode();
    }

    static String plain(String sign) {
        return sign.replace('♭', 'b').replace('♯', '#');
    }

    @Override
    public String toString() {
        return written();
    }
}
