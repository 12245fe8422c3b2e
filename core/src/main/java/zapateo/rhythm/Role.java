package zapateo.rhythm;

import java.util.Map;
import java.util.regex.Pattern;

/**
 * What a stroke plays, said without naming a chord (HANDBOOK §7): {@code 1 3 5 8 10} are the chord's own tones counted
 * from its root, {@code 5_} the fifth placed under the bass, {@code R} the chord's root above a slash bass, {@code c}
 * the close chord in the middle register, {@code v} the voicing that was chosen.
 *
 * @param kind   which of these
 * @param degree the number of a {@link Kind#TONE}, else 0
 */
public record Role(Kind kind, int degree) {

    /** The ways a role finds its note. */
    public enum Kind { TONE, FIFTH_BELOW, ROOT_ABOVE, CLOSE_CHORD, VOICING }

    private static final Map<String, Kind> SIGNS = Map.of("5_", Kind.FIFTH_BELOW, "R", Kind.ROOT_ABOVE, "c", Kind.CLOSE_CHORD, "v", Kind.VOICING);
    private static final Pattern NUMBER = Pattern.compile("1|[3-9]|1[0-7]");

    public static Role tone(int degree) {
        return new Role(Kind.TONE, degree);
    }

    public static Role parse(String written) {
        if (SIGNS.containsKey(written)) {
            return new Role(SIGNS.get(written), 0);
        }
        if (!NUMBER.matcher(written).matches()) {
            throw new IllegalArgumentException("role \"" + written + "\": expected a tone 1, 3 to 17, or 5_, R, c, v");
        }
        return tone(Integer.parseInt(written));
    }

    @Override
    public String toString() {
        return kind == Kind.TONE ? String.valueOf(degree)
                : SIGNS.entrySet().stream().filter(sign -> sign.getValue() == kind).findFirst().orElseThrow().getKey();
    }
}
