package zapateo.rhythm;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.refusal.Refused;

/**
 * What a stroke plays, said without naming a chord (HANDBOOK §7): {@code 1 3 5 8 10} are the chord's own tones counted
 * from its root, {@code ♯4} and {@code ♭7} those just so far above it whatever the chord; {@code 5_} is the fifth
 * placed under the bass, {@code R} the chord's root above a slash bass, {@code R_} the one nearest to it, {@code F F_}
 * the fifth of the bass itself, above and below, {@code c} the close chord in the middle register, {@code c1 c2 c3} its
 * tones from below, {@code ct} its top, {@code cl} all but that, {@code cu} all but the lowest, {@code n} the same a
 * step of the key lower, {@code s} the guide tones, {@code v} the voicing that was chosen, {@code w} the next note of
 * the walking line, {@code d} the diminished seventh that passes over one of its notes a semitone below the next bass,
 * {@code L} a note that leads into the next bass. A {@code >} before any of them takes it from the next chord, early.
 *
 * @param kind which of these
 * @param degree the number of a {@link Kind#TONE}, else 0
 * @param sign semitones a tone is raised or lowered against the major scale; such a tone is the same on every chord
 * @param ofNext whether it belongs to the chord that comes next
 */
public record Role(Kind kind, int degree, int sign, boolean ofNext) {

    /** The ways a role finds its note. */
    public enum Kind {
        TONE,
        FIFTH_BELOW,
        ROOT_ABOVE,
        ROOT_NEAR,
        FIFTH_OF_BASS,
        FIFTH_OF_BASS_BELOW,
        CLOSE_CHORD,
        CLOSE_TONE,
        CLOSE_TOP,
        CLOSE_LOWER,
        CLOSE_UPPER,
        NEIGHBOUR,
        GUIDE_TONES,
        VOICING,
        WALKING,
        PASSING,
        LEAD_IN,
        /** Of notes that no figure writes: the melody, what goes along with it, and what fills its rests. */
        TUNE,
        PARALLEL,
        FILL,
        /** A tone that is not the chord's own, and a bass that is not. */
        ADDED,
        STRANGE_BASS
    }

    /** The highest number of a tone. */
    public static final int HIGHEST = 24;

    public static final Role BASS = tone(1);
    public static final Role FLAT_SEVENTH = new Role(Kind.TONE, 7, -1, false);
    public static final Role CLOSE = plain(Kind.CLOSE_CHORD);
    public static final Role GUIDE = plain(Kind.GUIDE_TONES);
    public static final Role CHOSEN = plain(Kind.VOICING);
    public static final Role WALK = plain(Kind.WALKING);
    public static final Role LEADS = plain(Kind.LEAD_IN);
    public static final Role PASSES = plain(Kind.PASSING);
    public static final Role TUNE = plain(Kind.TUNE);
    public static final Role PARALLEL = plain(Kind.PARALLEL);
    public static final Role FILL = plain(Kind.FILL);
    public static final Role ADDED = plain(Kind.ADDED);
    public static final Role STRANGE_BASS = plain(Kind.STRANGE_BASS);

    private static final Map<String, Kind> SIGNS = Map.ofEntries(
            Map.entry("5_", Kind.FIFTH_BELOW),
            Map.entry("R", Kind.ROOT_ABOVE),
            Map.entry("R_", Kind.ROOT_NEAR),
            Map.entry("F", Kind.FIFTH_OF_BASS),
            Map.entry("F_", Kind.FIFTH_OF_BASS_BELOW),
            Map.entry("c", Kind.CLOSE_CHORD),
            Map.entry("ct", Kind.CLOSE_TOP),
            Map.entry("cl", Kind.CLOSE_LOWER),
            Map.entry("cu", Kind.CLOSE_UPPER),
            Map.entry("n", Kind.NEIGHBOUR),
            Map.entry("s", Kind.GUIDE_TONES),
            Map.entry("v", Kind.VOICING),
            Map.entry("w", Kind.WALKING),
            Map.entry("d", Kind.PASSING),
            Map.entry("L", Kind.LEAD_IN));
    private static final Map<Kind, String> WRITTEN = Stream.concat(
                    SIGNS.entrySet().stream(),
                    Map.of(
                            "tune",
                            Kind.TUNE,
                            "parallel",
                            Kind.PARALLEL,
                            "fill",
                            Kind.FILL,
                            "added",
                            Kind.ADDED,
                            "bass",
                            Kind.STRANGE_BASS)
                            .entrySet()
                            .stream())
            .collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));
    private static final List<String> NUMBERS =
            IntStream.rangeClosed(0, HIGHEST).mapToObj(String::valueOf).toList();
    private static final Pattern NUMBER = Pattern.compile("([♯♭#b]?)(1|[3-9]|1[0-9]|2[0-4])");

    /** What one who writes a figure steps through, hand by hand. */
    private static final Map<Side, List<Role>> OFFERED = Map.of(
            Side.LEFT, parsed("5_ 1 3 5 6 7 8 9 10 12 c s v w L d"), Side.RIGHT, parsed("cl cu c ct c1 c2 c3 c4"));

    private static List<Role> parsed(String roles) {
        return Stream.of(roles.split(" ")).map(Role::parse).toList();
    }

    public static List<Role> offered(Side hand) {
        return OFFERED.get(hand);
    }

    /** Whether it is struck without others: it says all that a stroke plays. */
    public boolean isAlone() {
        return switch (kind) {
            case TONE, FIFTH_BELOW, ROOT_ABOVE, ROOT_NEAR, FIFTH_OF_BASS, FIFTH_OF_BASS_BELOW -> false;
            default -> true;
        };
    }

    public static Role tone(int degree) {
        return new Role(Kind.TONE, degree, 0, false);
    }

    private static Role plain(Kind kind) {
        return new Role(kind, 0, 0, false);
    }

    /** @throws Refused naming what was given and what was expected */
    public static Role parse(String written) {
        boolean next = written.startsWith(">");
        String sign = next ? written.substring(1) : written;
        if (SIGNS.containsKey(sign)) {
            return new Role(SIGNS.get(sign), 0, 0, next);
        }
        if (sign.matches("c[1-4]")) {
            return new Role(Kind.CLOSE_TONE, sign.charAt(1) - '0', 0, next);
        }
        Matcher number = NUMBER.matcher(sign);
        if (!number.matches()) {
            throw new Refused("role \"" + written
                    + "\": expected a tone 1, 3 to 24, or 5_, R, R_, F, F_, c, c1 to c4, ct, cl, cu, n, s, "
                    + "v, w, d, L, with > before it for the next chord's");
        }
        int alteration = number.group(1).isEmpty() ? 0 : "♯#".contains(number.group(1)) ? 1 : -1;
        return new Role(Kind.TONE, Integer.parseInt(number.group(2)), alteration, next);
    }

    // Asked for at every tone of every candidate: written out the two are several times as quick as a record's own.
    @Override
    public boolean equals(Object other) {
        return this == other
                || other instanceof Role role
                        && kind == role.kind
                        && degree == role.degree
                        && sign == role.sign
                        && ofNext == role.ofNext;
    }

    @Override
    public int hashCode() {
        return ((kind.ordinal() * 32 + degree) * 4 + sign + 1) * 2 + (ofNext ? 1 : 0);
    }

    /** Whether it takes its notes from the close chord. */
    public boolean isOfClose() {
        return kind == Kind.CLOSE_CHORD || kind == Kind.NEIGHBOUR || isOfBrokenClose();
    }

    /** Whether it is a part of a close chord that is broken. */
    public boolean isOfBrokenClose() {
        return switch (kind) {
            case CLOSE_TONE, CLOSE_TOP, CLOSE_LOWER, CLOSE_UPPER -> true;
            default -> false;
        };
    }

    /** The tone of a neighbouring chord in the place of this one. */
    public Role beside() {
        return new Role(Kind.NEIGHBOUR, degree, sign, ofNext);
    }

    /** Whether it is a tone of that number, neither raised nor lowered. */
    public boolean isTone(int number) {
        return kind == Kind.TONE && degree == number && sign == 0;
    }

    /** The same of the chord that sounds. */
    public Role ofThis() {
        return ofNext ? new Role(kind, degree, sign, false) : this;
    }

    /** Whether it holds the chord's lowest tone. */
    public boolean holdsBass() {
        return equals(BASS) || kind == Kind.VOICING;
    }

    @Override
    public String toString() {
        String number = degree == 0 ? "" : (sign > 0 ? "♯" : sign < 0 ? "♭" : "") + NUMBERS.get(degree);
        String written =
                kind == Kind.CLOSE_TONE ? "c" + number : kind == Kind.TONE ? number : WRITTEN.get(kind) + number;
        return ofNext ? ">" + written : written;
    }
}
