package zapateo.lefthand;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/**
 * A chord played one tone after another, so that it says what it is: over a bass that is not the root the figure climbs
 * the rungs of its spacing, and a tone of the chord that is missing takes the place of one that says less – a fifth
 * turns into the seventh or sixth, an octave before it where there is one (HANDBOOK §5, EXAMPLES 1).
 */
final class Broken {

    /**
     * What stands next to a bass is at least a fourth above it; in the middle of the keyboard a third may stand on a
     * root.
     */
    private static final int CLEAR_OF_BASS = 5;

    /** Over another bass it is a fifth below G2, where a fourth grumbles. */
    private static final int CLEAR_OF_LOW_BASS = 7;

    private static final int LOW_BASS = 43;
    private static final int CLOSE_TO_ROOT = 3;
    private static final int MOST_AT_ONCE = 3;
    private static final int FIFTH = 5;
    private static final int OUTSIDE = 12;
    private static final int CROSSED = 4;
    private static final int SCALE = 7;
    /** F5: higher a left hand is not sent (the project's own choice). */
    private static final int HIGHEST_LEFT = 77;

    private static final Interval UNISON = Interval.of(0, 0);
    private static final Role HIGH_ROOT = Role.tone(15);
    private static final Role ROOT = Role.parse("R");

    private final Placement placement;
    private final Spacing spacing;
    private final List<Interval> said;
    private final List<Side> hands;
    private final Map<Role, Integer> keys = new HashMap<>();

    /** @param hands that play the strokes, in their order */
    Broken(Placement placement, Spacing spacing, List<Interval> said, List<Side> hands) {
        this.placement = placement;
        this.spacing = spacing;
        this.said = withRoot(placement, said);
        this.hands = hands;
    }

    /** Over another bass it is its root that tells a chord: that is said before all else. */
    private static List<Interval> withRoot(Placement placement, List<Interval> said) {
        boolean tells =
                placement.chord().bass().chroma() != placement.chord().root().chroma();
        return tells && !said.isEmpty()
                ? Stream.concat(Stream.of(UNISON), said.stream()).toList()
                : said;
    }

    /**
     * What each stroke plays.
     *
     * @param figure the roles of a chord's strokes in their order, each alone
     */
    List<List<Role>> of(List<Role> figure) {
        List<Role> laid = climbed(figure);
        return spacing.states() ? rising(stated(laid), laid) : alone(laid);
    }

    /** Tones that took the places of others keep the way the figure goes: what was lower is lower still. */
    private List<List<Role>> rising(List<List<Role>> strokes, List<Role> laid) {
        Map<Role, List<Role>> taken = new LinkedHashMap<>();
        for (int at = 0; at < laid.size(); at++) {
            List<Role> before = taken.putIfAbsent(laid.get(at), strokes.get(at));
            if (strokes.get(at).size() > 1 || before != null && !before.equals(strokes.get(at))) {
                return strokes;
            }
        }
        List<Role> places = taken.keySet().stream()
                .filter(role -> !role.equals(Role.BASS))
                .sorted(Comparator.comparingInt(this::key))
                .toList();
        List<Role> tones = places.stream()
                .map(role -> taken.get(role).get(0))
                .sorted(Comparator.comparingInt(this::key))
                .toList();
        return laid.stream()
                .map(role -> List.of(role.equals(Role.BASS) ? role : tones.get(places.indexOf(role))))
                .toList();
    }

    private static List<List<Role>> alone(List<Role> laid) {
        List<List<Role>> strokes = new ArrayList<>(laid.size());
        for (Role role : laid) {
            strokes.add(List.of(role));
        }
        return strokes;
    }

    private List<Role> climbed(List<Role> figure) {
        List<Role> rungs = spacing.rungs(placement.chord(), placement.bass());
        if (rungs.isEmpty()) {
            return figure;
        }
        List<Role> rising = figure.stream()
                .distinct()
                .sorted(Comparator.comparingInt(Role::degree))
                .toList();
        return IntStream.range(0, figure.size())
                .mapToObj(at ->
                        inReach(rungs.get(Math.min(rising.indexOf(figure.get(at)), rungs.size() - 1)), hands.get(at)))
                .toList();
    }

    /**
     * A high root over a bass that is no tone of its chord: where the left hand would go too high for it, the root
     * above the bass.
     */
    private Role inReach(Role rung, Side hand) {
        boolean beyond = rung.equals(HIGH_ROOT) && hand == Side.LEFT && key(rung) > HIGHEST_LEFT;
        return beyond && key(ROOT) >= placement.bass().midi() + CLEAR_OF_BASS ? ROOT : rung;
    }

    private List<List<Role>> stated(List<Role> laid) {
        List<List<Role>> strokes = alone(laid);
        int sounding = 0;
        for (Role role : laid) {
            sounding |= 1 << chroma(role);
        }
        List<Interval> missing = new ArrayList<>();
        for (Interval tone : said) {
            if ((sounding >> chroma(tone) & 1) == 0) {
                missing.add(tone);
            }
        }
        if (missing.isEmpty()) {
            return strokes;
        }
        List<List<Integer>> places = places(laid, missing.size());
        if (places.size() >= missing.size()) {
            // What lies lower takes the lower tone.
            List<List<Integer>> taken = places.stream()
                    .limit(missing.size())
                    .sorted(Comparator.comparingInt(at -> key(laid.get(at.get(0)))))
                    .toList();
            List<Interval> rising = missing.stream()
                    .sorted(Comparator.comparingInt(Interval::semitones))
                    .toList();
            IntStream.range(0, rising.size())
                    .forEach(i -> taken.get(i).forEach(at -> strokes.set(at, List.of(near(rising.get(i), at, laid)))));
            return strokes;
        }
        List<Integer> free = places.stream().flatMap(List::stream).sorted().toList();
        for (int i = 0; i < free.size(); i++) {
            strokes.set(free.get(i), List.of(near(missing.get(i % missing.size()), free.get(i), laid)));
        }
        for (Interval tone : missing.subList(Math.min(missing.size(), free.size()), missing.size())) {
            withLast(strokes, tone, laid);
        }
        return strokes;
    }

    /**
     * Groups of places whose tones say nothing new, those to give up first: an upper fifth, an octave, the fifth, then
     * what comes again.
     */
    private List<List<Integer>> places(List<Role> laid, int wanted) {
        Map<Role, List<Integer>> byRole = new LinkedHashMap<>();
        IntStream.range(0, laid.size())
                .filter(at -> !laid.get(at).equals(Role.BASS))
                .forEach(at -> byRole.computeIfAbsent(laid.get(at), role -> new ArrayList<>())
                        .add(at));
        List<List<Integer>> empty = byRole.entrySet().stream()
                .filter(each -> said.stream().noneMatch(tone -> chroma(tone) == chroma(each.getKey())))
                // Over another bass it is the root that tells the chord.
                .filter(each -> placement.chord().over().isEmpty()
                        || chroma(each.getKey()) != placement.chord().root().chroma())
                .sorted(Comparator.comparingInt(each -> order(each.getKey(), byRole)))
                .map(Map.Entry::getValue)
                .toList();
        if (empty.size() >= wanted || empty.stream().mapToInt(List::size).sum() >= wanted) {
            return empty;
        }
        Stream<List<Integer>> again = byRole.values().stream()
                .filter(at -> at.size() > 1 && !empty.contains(at))
                .map(at -> IntStream.range(0, at.size())
                        .filter(i -> i % 2 == 1)
                        .mapToObj(at::get)
                        .toList());
        return Stream.concat(empty.stream(), again).toList();
    }

    private int order(Role role, Map<Role, List<Integer>> byRole) {
        boolean fifth = isFifth(role);
        boolean upper = fifth && byRole.keySet().stream().anyMatch(other -> isFifth(other) && key(other) < key(role));
        return upper ? 0 : fifth ? 2 : chroma(role) == placement.chord().root().chroma() ? 1 : 3;
    }

    private static boolean isFifth(Role role) {
        return role.kind() == Role.Kind.TONE && (role.degree() - 1) % SCALE + 1 == FIFTH;
    }

    /** What finds no place of its own sounds with the last tone of the chord. */
    private void withLast(List<List<Role>> strokes, Interval tone, List<Role> laid) {
        int last = strokes.size() - 1;
        while (last > 0 && strokes.get(last).get(0).equals(Role.BASS)) {
            last--;
        }
        if (strokes.get(last).size() < MOST_AT_ONCE && !strokes.get(last).get(0).equals(Role.BASS)) {
            Role with = near(tone, last, laid);
            strokes.set(
                    last,
                    Stream.concat(strokes.get(last).stream(), Stream.of(with))
                            .map(this::clear)
                            .distinct()
                            .sorted(Comparator.comparingInt(this::key))
                            .toList());
        }
    }

    /** Struck with another a tone lies clear from C3 up. */
    private Role clear(Role role) {
        if (key(role) >= Register.CHORD_LOWEST || role.equals(Role.BASS)) {
            return role;
        }
        return role.equals(ROOT)
                ? HIGH_ROOT
                : role.kind() == Role.Kind.TONE && role.degree() + SCALE <= Role.HIGHEST
                        ? Role.tone(role.degree() + SCALE)
                        : role;
    }

    /**
     * The tone in the octave nearest to what it stands for: clear of the bass, between the same neighbours and, in the
     * left hand, inside the register where it can be.
     */
    private Role near(Interval tone, int at, List<Role> laid) {
        int number = (tone.number() - 1) % SCALE + 1;
        int key = key(laid.get(at));
        boolean close = placement.chord().over().isEmpty() && placement.bass().midi() >= Register.CHORD_LOWEST;
        boolean low = placement.chord().over().isPresent() && placement.bass().midi() < LOW_BASS;
        int lowest = placement.bass().midi() + (close ? CLOSE_TO_ROOT : low ? CLEAR_OF_LOW_BASS : CLEAR_OF_BASS);
        int highest = hands.get(at) == Side.LEFT
                ? spacing.window()
                        .map(Spacing.Window::highest)
                        .filter(most -> most < HIGHEST_LEFT)
                        .orElse(HIGHEST_LEFT)
                : Integer.MAX_VALUE;
        Role nearest = null;
        int least = Integer.MAX_VALUE;
        for (Role role : number == 1 ? List.of(ROOT, HIGH_ROOT) : octaves(number)) {
            int there = key(role);
            int away = there < lowest
                    ? Integer.MAX_VALUE
                    : Math.abs(there - key)
                            + OUTSIDE * Math.max(0, there - highest)
                            + CROSSED * crossed(there, key, laid);
            // Of two that are as near the higher one.
            if (away < Integer.MAX_VALUE
                    && (nearest == null || away < least || away == least && there > key(nearest))) {
                nearest = role;
                least = away;
            }
        }
        return Objects.requireNonNull(nearest);
    }

    private static List<Role> octaves(int number) {
        return IntStream.iterate(
                        number > 2 ? number : number + SCALE,
                        degree -> degree <= Role.HIGHEST,
                        degree -> degree + SCALE)
                .mapToObj(Role::tone)
                .toList();
    }

    /** How many other tones of the chord lie between two keys. */
    private int crossed(int one, int other, List<Role> laid) {
        BitSet between = new BitSet();
        for (Role role : laid) {
            int key = key(role);
            if (key > Math.min(one, other) && key < Math.max(one, other)) {
                between.set(key);
            }
        }
        return between.cardinality();
    }

    private int chroma(Interval tone) {
        return placement.chord().tone(tone).chroma();
    }

    private int chroma(Role role) {
        return Math.floorMod(key(role), Pitch.OCTAVE);
    }

    private int key(Role role) {
        return keys.computeIfAbsent(
                role, each -> placement.notes(List.of(each)).get(0).pitch().midi());
    }
}
