package zapateo.choice;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import zapateo.names.Names;
import zapateo.refusal.Refused;
import zapateo.rhythm.FigureFile;
import zapateo.rhythm.FigureStroke;

/**
 * What a choice may be, and how it stands in open data: as text, a number, yes or no, or a list of these.
 *
 * @param form how it is written
 * @param values all there are, where they are named here; none where any text or number may stand
 * @param least of numbers, those of a list too
 * @param most of numbers, those of a list too; of an id how long it may be
 * @param lengths of a list, how many there may be
 * @param expected what may stand there, in words
 * @param reader from what was written, of the form already
 * @param writer the way back
 */
public record Range<T>(
        Form form,
        List<String> values,
        double least,
        double most,
        Lengths lengths,
        String expected,
        Function<Object, T> reader,
        Function<T, Object> writer) {

    /** How a value is written. */
    public enum Form {
        TEXT,
        WHOLE,
        NUMBER,
        YES_NO,
        WHOLES,
        TEXTS
    }

    /** The fewest and the most of a list. */
    public record Lengths(int fewest, int most) {

        private static final Lengths NONE = new Lengths(0, 0);
    }

    private static final double LONG_ENOUGH = 60;

    /** The id of something; whether there is such a thing is asked where it is used. */
    public static Range<String> id(String what) {
        return new Range<>(
                Form.TEXT, List.of(), 0, LONG_ENOUGH, Lengths.NONE, what, String.class::cast, value -> value);
    }

    /** Words; what they say is asked where they are used. */
    public static Range<String> text(String what, int most) {
        return new Range<>(Form.TEXT, List.of(), 0, most, Lengths.NONE, what, String.class::cast, value -> value);
    }

    /** A text of a pattern. */
    public static Range<String> matching(String what, String pattern) {
        return new Range<>(
                Form.TEXT,
                List.of(),
                0,
                LONG_ENOUGH,
                Lengths.NONE,
                what,
                written -> {
                    if (!((String) written).matches(pattern)) {
                        throw new Refused("\"" + written + "\": expected " + what);
                    }
                    return (String) written;
                },
                value -> value);
    }

    /** The strokes of one bar. */
    public static Range<List<FigureStroke>> strokes(String what, int most) {
        return new Range<>(
                Form.TEXT,
                List.of(),
                0,
                most,
                Lengths.NONE,
                what,
                text -> FigureFile.strokes((String) text),
                FigureFile::write);
    }

    public static <E extends Enum<E>> Range<E> oneOf(Class<E> kind) {
        List<String> names =
                Arrays.stream(kind.getEnumConstants()).map(Names::of).toList();
        return new Range<>(
                Form.TEXT,
                names,
                0,
                0,
                Lengths.NONE,
                either(names),
                text -> Enum.valueOf(
                        kind, ((String) text).toUpperCase(Locale.ROOT).replace('-', '_')),
                Names::of);
    }

    public static Range<String> oneOf(List<String> ids) {
        return new Range<>(Form.TEXT, ids, 0, 0, Lengths.NONE, either(ids), String.class::cast, value -> value);
    }

    private static String either(List<String> names) {
        return names.size() < 3
                ? String.join(" or ", names)
                : String.join(", ", names.subList(0, names.size() - 1)) + " or " + names.get(names.size() - 1);
    }

    public static Range<Integer> whole(int least, int most) {
        return new Range<>(
                Form.WHOLE,
                List.of(),
                least,
                most,
                Lengths.NONE,
                least + " to " + most,
                number -> ((Number) number).intValue(),
                value -> value);
    }

    /** A number that chance begins from. */
    public static Range<Long> seed() {
        return new Range<>(
                Form.WHOLE,
                List.of(),
                Long.MIN_VALUE,
                Long.MAX_VALUE,
                Lengths.NONE,
                "a whole number",
                number -> ((Number) number).longValue(),
                value -> value);
    }

    public static Range<Double> number(double least, double most) {
        return new Range<>(
                Form.NUMBER,
                List.of(),
                least,
                most,
                Lengths.NONE,
                Math.round(least) + " to " + Math.round(most),
                number -> ((Number) number).doubleValue(),
                value -> value);
    }

    public static Range<Boolean> yesNo() {
        return new Range<>(
                Form.YES_NO, List.of(), 0, 0, Lengths.NONE, "true or false", Boolean.class::cast, value -> value);
    }

    /** Several whole numbers. */
    public static Range<List<Integer>> wholes(String what, int fewest, int longest, int least, int most) {
        return new Range<>(
                Form.WHOLES,
                List.of(),
                least,
                most,
                new Lengths(fewest, longest),
                what,
                list -> ((List<?>) list)
                        .stream().map(each -> ((Number) each).intValue()).toList(),
                value -> value);
    }

    /** Several texts of one pattern. */
    public static Range<List<String>> texts(String what, String pattern, int longest) {
        return new Range<>(
                Form.TEXTS,
                List.of(),
                0,
                LONG_ENOUGH,
                new Lengths(0, longest),
                what,
                list -> {
                    List<String> texts =
                            ((List<?>) list).stream().map(String.class::cast).toList();
                    texts.stream()
                            .filter(text -> !text.matches(pattern))
                            .findFirst()
                            .ifPresent(text -> {
                                throw new Refused("\"" + text + "\": expected " + what);
                            });
                    return texts;
                },
                value -> value);
    }

    /**
     * From open data.
     *
     * @param name of the choice, for the refusal
     * @throws Refused naming the choice, what stood there and what was expected
     */
    T read(String name, Object written) {
        if (!fits(written)) {
            throw new Refused(
                    name + " " + (written instanceof String text ? "\"" + text + "\"" : String.valueOf(written))
                            + ": expected " + expected);
        }
        try {
            return reader.apply(written);
        } catch (Refused refused) {
            throw new Refused(name + " " + refused.getMessage());
        }
    }

    /** Whether something is written as this is, whatever its value. */
    public boolean hasForm(Object written) {
        return switch (form) {
            case TEXT -> written instanceof String;
            case WHOLE -> isWhole(written);
            case NUMBER -> written instanceof Number;
            case YES_NO -> written instanceof Boolean;
            case WHOLES -> written instanceof List<?> list && list.stream().allMatch(Range::isWhole);
            case TEXTS -> written instanceof List<?> list && list.stream().allMatch(String.class::isInstance);
        };
    }

    private boolean fits(Object written) {
        return hasForm(written)
                && switch (form) {
                    case TEXT -> values.isEmpty() ? ((String) written).length() <= most : values.contains(written);
                    case WHOLE, NUMBER -> inside((Number) written);
                    case YES_NO -> true;
                    case WHOLES ->
                        ((List<?>) written).size() >= lengths.fewest()
                                && ((List<?>) written).size() <= lengths.most()
                                && ((List<?>) written).stream().allMatch(each -> inside((Number) each));
                    case TEXTS -> ((List<?>) written).size() <= lengths.most();
                };
    }

    private static boolean isWhole(Object written) {
        return written instanceof Integer || written instanceof Long;
    }

    private boolean inside(Number number) {
        return number.doubleValue() >= least && number.doubleValue() <= most;
    }
}
