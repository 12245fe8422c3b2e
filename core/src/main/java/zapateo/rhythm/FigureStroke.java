package zapateo.rhythm;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.refusal.Refused;

/**
 * One stroke of a figure, written {@code roles@tick:length}, as in {@code 1+10@0:960}. A length of {@code *} lasts
 * until the chord changes. {@code R:} before it gives it to the right hand, {@code ~} rolls it, {@code !} after it is
 * an accent.
 *
 * @param roles what is struck together, low to high
 * @param tick from the start of the figure's bar
 * @param length ticks, or {@link #TO_THE_END}
 */
public record FigureStroke(Side hand, List<Role> roles, int tick, int length, boolean rolled, boolean accent) {

    /** The length of a stroke that is held as long as its chord. */
    public static final int TO_THE_END = Integer.MAX_VALUE;

    private static final Pattern WRITTEN = Pattern.compile("(R:)?(~)?([^@~!]+)@([0-9]{1,6}):([0-9]{1,6}|\\*)(!)?");

    /** @throws Refused naming what was given and what was expected */
    public static FigureStroke parse(String written) {
        Matcher match = WRITTEN.matcher(written);
        if (!match.matches()) {
            throw new Refused("stroke \"" + written
                    + "\": expected roles@tick:length, as in 1+10@0:960, with R: or ~ before it and ! after "
                    + "it at will");
        }
        List<Role> roles =
                Arrays.stream(match.group(3).split("\\+")).map(Role::parse).toList();
        if (roles.stream().map(Role::ofNext).distinct().count() > 1) {
            throw new Refused("stroke \"" + written + "\": expected all of its roles from one chord");
        }
        int length = match.group(5).equals("*") ? TO_THE_END : Integer.parseInt(match.group(5));
        if (length == 0) {
            throw new Refused("stroke \"" + written + "\": expected a length above 0");
        }
        return new FigureStroke(
                match.group(1) == null ? Side.LEFT : Side.RIGHT,
                roles,
                Integer.parseInt(match.group(4)),
                length,
                match.group(2) != null,
                match.group(6) != null);
    }

    /**
     * This stroke moved into a stretch that lasts {@code ticks}: shortened where it would ring beyond it. One that
     * comes early for the next chord crosses.
     */
    FigureStroke cutAt(int ticks) {
        return ofNext() ? this : lasting(Math.min(length, ticks - tick));
    }

    FigureStroke later(int ticks) {
        return new FigureStroke(hand, roles, tick + ticks, length, rolled, accent);
    }

    public FigureStroke lasting(int ticks) {
        return new FigureStroke(hand, roles, tick, ticks, rolled, accent);
    }

    public FigureStroke playing(List<Role> others) {
        return new FigureStroke(hand, others, tick, length, rolled, accent);
    }

    /** A bar's strokes at another pace: each time of it moved by {@code pace}. */
    FigureStroke paced(java.util.function.IntUnaryOperator pace) {
        int from = pace.applyAsInt(tick);
        return new FigureStroke(
                hand,
                roles,
                from,
                length == TO_THE_END ? length : pace.applyAsInt(tick + length) - from,
                rolled,
                accent);
    }

    /** Whether it is struck early for the chord that comes. */
    public boolean ofNext() {
        return roles.get(0).ofNext();
    }

    /** A heel where the bass is struck, alone or with what lies above it. */
    public Mark mark() {
        if (plays(Role.Kind.LEAD_IN) || plays(Role.Kind.PASSING)) {
            return Mark.LEAD;
        }
        return plays(role -> role.ofThis().holdsBass()
                        || role.kind() == Role.Kind.FIFTH_BELOW
                        || role.kind() == Role.Kind.WALKING)
                ? Mark.HEEL
                : Mark.TOE;
    }

    public boolean plays(Role.Kind kind) {
        return plays(role -> role.kind() == kind);
    }

    boolean plays(Predicate<Role> which) {
        for (Role role : roles) {
            if (which.test(role)) {
                return true;
            }
        }
        return false;
    }

    @Override
    public String toString() {
        return (hand == Side.RIGHT ? "R:" : "") + (rolled ? "~" : "")
                + String.join("+", roles.stream().map(Role::toString).toList()) + "@" + tick + ":"
                + (length == TO_THE_END ? "*" : length) + (accent ? "!" : "");
    }
}
