package zapateo.rhythm;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One stroke of a figure, written {@code roles@tick:length}, as in {@code 1+10@0:960}. A length of {@code *} lasts
 * until the chord changes.
 *
 * @param roles  what is struck together, low to high
 * @param tick   from the start of the figure's bar
 * @param length ticks, or {@link #TO_THE_END}
 */
public record FigureStroke(List<Role> roles, int tick, int length) {

    /** The length of a stroke that is held as long as its chord. */
    public static final int TO_THE_END = Integer.MAX_VALUE;

    private static final Role BASS = Role.tone(1);
    private static final Pattern WRITTEN = Pattern.compile("([^@]+)@([0-9]{1,6}):([0-9]{1,6}|\\*)");

    public static FigureStroke parse(String written) {
        Matcher match = WRITTEN.matcher(written);
        if (!match.matches()) {
            throw new IllegalArgumentException("stroke \"" + written + "\": expected roles@tick:length, as in 1+10@0:960");
        }
        List<Role> roles = Arrays.stream(match.group(1).split("\\+")).map(Role::parse).toList();
        int length = match.group(3).equals("*") ? TO_THE_END : Integer.parseInt(match.group(3));
        if (length == 0) {
            throw new IllegalArgumentException("stroke \"" + written + "\": expected a length above 0");
        }
        return new FigureStroke(roles, Integer.parseInt(match.group(2)), length);
    }

    /** This stroke moved into a stretch that lasts {@code ticks}: shortened where it would ring beyond it. */
    FigureStroke cutAt(int ticks) {
        return new FigureStroke(roles, tick, Math.min(length, ticks - tick));
    }

    FigureStroke later(int ticks) {
        return new FigureStroke(roles, tick + ticks, length);
    }

    /** A heel where the bass is struck, alone or with what lies above it. */
    public Mark mark() {
        boolean bass = roles.stream().anyMatch(role -> role.equals(BASS) || role.kind() == Role.Kind.VOICING || role.kind() == Role.Kind.FIFTH_BELOW);
        return bass ? Mark.HEEL : Mark.TOE;
    }

    public boolean plays(Role.Kind kind) {
        return roles.stream().anyMatch(role -> role.kind() == kind);
    }

    @Override
    public String toString() {
        return String.join("+", roles.stream().map(Role::toString).toList()) + "@" + tick + ":" + (length == TO_THE_END ? "*" : length);
    }
}
