package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zapateo.part.LowIntervalLimits;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.rhythm.Role;

/**
 * Voicings struck at once that say the chord: what is missing takes the place of the fifth or an octave, or is added
 * above the bass (HANDBOOK §5).
 */
final class Fuller {

    private static final int SCALE = 7;
    private static final int MOST = 4;
    private static final int CLEAR_OF_BASS = 3;
    private static final double SAID = 2;
    private static final double WIDE = 0.02;

    private Fuller() {}

    /** Tones that are to be said and do not sound in a shape. */
    static List<Interval> missing(Placement placement, List<Role> shape, List<Interval> said) {
        Set<Integer> sounding = new LinkedHashSet<>();
        placement
                .notes(shape)
                .forEach(note -> sounding.add(note.pitch().pitchClass().chroma()));
        return said.stream()
                .filter(tone -> !sounding.contains(placement.chord().tone(tone).chroma()))
                .toList();
    }

    /** The shape itself where it says all, else the ways to say more with it. */
    static List<List<Role>> of(Placement placement, List<Role> shape, List<Interval> said) {
        List<Interval> missing = missing(placement, shape, said);
        if (missing.isEmpty()) {
            return List.of(shape);
        }
        List<Role> kept = new ArrayList<>(shape);
        List<Integer> freed = new ArrayList<>();
        // A root above the bass gives way first, then the fifth.
        List<Role> empty = shape.subList(1, shape.size()).stream()
                .filter(role -> saysNothing(placement, role, said))
                .sorted(Comparator.comparing((Role role) -> Math.floorMod(key(placement, role), 12)
                                != placement.chord().root().chroma())
                        .thenComparing(role -> -key(placement, role)))
                .toList();
        for (Role role : empty.subList(0, Math.min(empty.size(), missing.size()))) {
            kept.remove(role);
            freed.add(key(placement, role));
        }
        List<List<Role>> ways = List.of(kept);
        for (int i = 0; i < missing.size(); i++) {
            Interval tone = missing.get(i);
            Optional<Integer> place =
                    i < freed.size() && placement.chord().over().isEmpty()
                            ? Optional.of(freed.get(i))
                            : Optional.empty();
            // What is written above the seventh may be left out where no hand reaches it.
            ways = ways.stream()
                    .flatMap(way -> Stream.concat(
                            tone.number() > SCALE ? Stream.of(way) : Stream.empty(),
                            place
                                    .map(key -> inPlace(placement, way, tone, key))
                                    .orElseGet(() -> added(placement, way, tone))
                                    .stream()))
                    .distinct()
                    .toList();
        }
        // Over a bass that is no root the pair of the table may be all there is room for.
        return placement.chord().over().isPresent()
                ? Stream.concat(ways.stream(), Stream.of(shape)).distinct().toList()
                : ways;
    }

    /** The clearest of the ways to say all with a shape, laid over the bass. */
    static List<Role> clearest(Placement placement, List<Role> shape, List<Interval> said) {
        List<Role> laid = Spacing.named("spread").on(placement.chord(), placement.bass(), shape);
        return of(placement, laid, said).stream()
                .min(Comparator.comparingDouble(way -> {
                    List<PartNote> notes = placement.notes(way);
                    return SAID * missing(placement, way, said).size()
                            + LowIntervalLimits.mud(
                                    PartNote.keys(notes), placement.bass().midi())
                            + (notes.get(notes.size() - 1).pitch().midi()
                                            - placement.bass().midi())
                                    * WIDE;
                }))
                .orElse(laid);
    }

    /** With the tone in the octave nearest to what it stands for. */
    private static List<List<Role>> inPlace(Placement placement, List<Role> shape, Interval tone, int key) {
        return ways(placement, tone).stream()
                .min(Comparator.comparingInt(role -> Math.abs(key(placement, role) - key)))
                .map(role -> {
                    List<Role> with = new ArrayList<>(shape);
                    with.add(role);
                    return List.of(sorted(placement, with));
                })
                .orElse(List.of(shape));
    }

    /**
     * With the tone in each octave it may have, and with the third in each as well: close above a bass in the middle,
     * wide above a low one.
     */
    private static List<List<Role>> added(Placement placement, List<Role> shape, Interval tone) {
        if (shape.size() >= MOST) {
            return List.of(shape);
        }
        List<List<Role>> ways = new ArrayList<>();
        for (Role role : ways(placement, tone)) {
            for (boolean close : new boolean[] {false, true}) {
                List<Role> with = new ArrayList<>(shape.stream()
                        .map(each -> close
                                        && each.equals(Role.tone(3 + SCALE))
                                        && placement.chord().over().isEmpty()
                                ? Role.tone(3)
                                : each)
                        .toList());
                with.add(role);
                List<Role> sorted = sorted(placement, with);
                if (!ways.contains(sorted) && (!close || tone.number() > SCALE)) {
                    ways.add(sorted);
                }
            }
        }
        return ways.isEmpty() ? List.of(shape) : ways;
    }

    private static boolean saysNothing(Placement placement, Role role, List<Interval> said) {
        int chroma = Math.floorMod(key(placement, role), 12);
        return said.stream().noneMatch(tone -> placement.chord().tone(tone).chroma() == chroma);
    }

    /** The roles that play a tone within two octaves of the bass. */
    private static List<Role> ways(Placement placement, Interval tone) {
        int number = (tone.number() - 1) % SCALE + 1;
        return IntStream.of(number, number + SCALE, number + 2 * SCALE)
                .filter(degree -> degree > 2)
                .mapToObj(Role::tone)
                .filter(role -> key(placement, role) - placement.bass().midi() >= CLEAR_OF_BASS
                        && key(placement, role) - placement.bass().midi() <= 24)
                .toList();
    }

    private static List<Role> sorted(Placement placement, List<Role> roles) {
        return roles.stream()
                .sorted(Comparator.comparingInt(role -> key(placement, role)))
                .toList();
    }

    private static int key(Placement placement, Role role) {
        return placement.notes(List.of(role)).get(0).pitch().midi();
    }
}
