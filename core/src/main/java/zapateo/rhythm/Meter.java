package zapateo.rhythm;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import zapateo.refusal.Refused;

/**
 * A time signature. The beat is what a player counts: a dotted quarter in 6/8, 9/8 and 12/8, an eighth in 7/8, else the
 * note of the lower number. An uneven one may say how it is felt: {@code 2+3/4}, {@code 3+2+2/8}.
 *
 * @param count 1 to 16
 * @param unit 2, 4, 8 or 16
 * @param felt the parts the count falls into, as long as the count together
 */
public record Meter(int count, int unit, List<Integer> felt) {

    public static final Meter COMMON = of(4, 4);

    private static final int BAR_LINE = 0;
    private static final int HALF = 1;
    private static final int BEAT = 2;
    private static final Pattern WRITTEN = Pattern.compile("\\(?([0-9]{1,2}(?:\\+[0-9]{1,2}){0,7})\\)?/([0-9]{1,2})");

    /** @throws Refused naming what was given and what was expected */
    public Meter {
        felt = List.copyOf(felt);
        if (count < 1 || count > 16 || (unit != 2 && unit != 4 && unit != 8 && unit != 16)) {
            throw new Refused(count + "/" + unit + ": expected 1 to 16 over 2, 4, 8 or 16");
        }
        if (felt.stream().mapToInt(each -> each).sum() != count || felt.stream().anyMatch(part -> part < 1)) {
            throw new Refused(felt + " of " + count + "/" + unit + ": expected parts that make up the count");
        }
    }

    public static Meter of(int count, int unit) {
        return new Meter(count, unit, usual(count, unit));
    }

    /** @throws Refused naming what was given and what was expected */
    public static Meter parse(String text) {
        return read(text).orElseThrow(() -> new Refused("metre \"" + text + "\": expected one such as 3/4"));
    }

    /** The metre written as {@code text}, empty when it is none. */
    public static Optional<Meter> read(String text) {
        Matcher match = WRITTEN.matcher(text.strip());
        if (!match.matches()) {
            return Optional.empty();
        }
        try {
            List<Integer> parts = Arrays.stream(match.group(1).split("\\+"))
                    .map(Integer::valueOf)
                    .toList();
            int unit = Integer.parseInt(match.group(2));
            return Optional.of(
                    parts.size() == 1
                            ? of(parts.get(0), unit)
                            : new Meter(parts.stream().mapToInt(each -> each).sum(), unit, parts));
        } catch (Refused refused) {
            return Optional.empty();
        }
    }

    /** The metre of a single bar of so many ticks, in quarters where they fill it, else in eighths or sixteenths. */
    public static Meter lasting(int ticks) {
        int unit = ticks % Ticks.PER_QUARTER == 0 ? 4 : ticks % Ticks.PER_EIGHTH == 0 ? 8 : 16;
        return of(ticks * unit / Ticks.PER_WHOLE, unit);
    }

    /** Whether each beat falls into three, as in 6/8. */
    public boolean isCompound() {
        return unit >= 8 && count > 3 && felt.stream().allMatch(part -> part == 3);
    }

    public int barTicks() {
        return count * unitTicks();
    }

    public int beatTicks() {
        return isCompound() ? 3 * unitTicks() : unitTicks();
    }

    /** Beats in a bar: 4 in 4/4, 2 in 6/8, 7 in 7/8. */
    public int beats() {
        return barTicks() / beatTicks();
    }

    private int unitTicks() {
        return Ticks.PER_WHOLE / unit;
    }

    /**
     * The lengths in ticks of the groups a bar is felt in: 5/4 is 3+2, 7/8 is 2+2+3, 10/8 is 3+2+2+3, 4/4 and 3/4 are
     * one, 12/8 is its beats.
     */
    public List<Integer> groups() {
        return felt.stream().map(part -> part * unitTicks()).toList();
    }

    /**
     * How strong a place in the bar is: 0 the bar line, 1 where its second half or another of its groups begins, 2 the
     * other beats, 3 what halves a beat (or thirds a compound one), 4 what halves that, and so on. A bar of two or
     * three beats has no half; 5/4 has its second group, 7/8 each of its groups.
     *
     * @param tick from the bar line
     */
    public int strength(int tick) {
        if (tick == 0) {
            return BAR_LINE;
        }
        if (startsHalf(tick)) {
            return HALF;
        }
        int length = beatTicks();
        int strength = BEAT;
        if (isCompound() && tick % length != 0) {
            length = unitTicks();
            strength++;
        }
        while (tick % length != 0 && length > 1) {
            length /= 2;
            strength++;
        }
        return strength;
    }

    /** Whether a place in the bar is its first beat, or where its second half or another of its groups begins. */
    public boolean isStrong(int tick) {
        return strength(tick) <= HALF;
    }

    private boolean startsHalf(int tick) {
        if (felt.size() > 1 && !isCompound()) {
            int start = 0;
            for (int group : groups()) {
                if (start == tick) {
                    return true;
                }
                start += group;
            }
            return false;
        }
        int beats = beats();
        // Five beats of three are three and two, as those of 5/4; two half notes are as long as a bar of 4/4.
        int half = beats == 5 ? 3 * beatTicks() : beats % 2 == 0 && (beats > 2 || unit == 2) ? barTicks() / 2 : 0;
        return half > 0 && tick == half;
    }

    /** The count alone, or as it is felt where that is unusual. */
    public String counted() {
        return felt.equals(usual(count, unit))
                ? String.valueOf(count)
                : felt.stream().map(String::valueOf).collect(Collectors.joining("+"));
    }

    private static List<Integer> usual(int count, int unit) {
        if (unit >= 8 && count > 3 && count % 3 == 0) {
            return Collections.nCopies(count / 3, 3);
        }
        return switch (count) {
            case 5 -> List.of(3, 2);
            case 6 -> List.of(3, 3);
            case 7 -> unit == 4 ? List.of(4, 3) : List.of(2, 2, 3);
            case 8 -> unit == 4 ? List.of(4, 4) : List.of(3, 3, 2);
            case 10 -> unit == 4 ? List.of(5, 5) : List.of(3, 2, 2, 3);
            default -> List.of(count);
        };
    }

    @Override
    public String toString() {
        return counted() + "/" + unit;
    }
}
