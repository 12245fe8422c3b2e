package zapateo.lefthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.search.CostTerm;
import zapateo.search.ShortestPath;

/**
 * The notes between two basses (HANDBOOK §6a): the cheapest way through all that each may be. The last one steps to its
 * target, or is a sounding chord tone a third from it, or its fifth; no note contradicts the chord that sounds unless
 * it passes by semitones.
 */
final class Approach {

    /** What may not be; a way that costs as much is none. */
    private static final double NEVER = 20;

    private static final double UNWISHED = 1.8;
    private static final double AGAIN = 2.2;
    private static final double AGAIN_BESIDE = 0.8;
    private static final int TONE = 2;
    private static final int THIRD = 4;
    private static final int SIXTH = 9;
    private static final int FOURTH = 5;
    private static final int FIFTH = 7;

    private final Ends ends;
    private final int slots;
    private final int lowest;

    private Approach(Ends ends, int slots, int lowest) {
        this.ends = ends;
        this.slots = slots;
        this.lowest = lowest;
    }

    /**
     * Where it leads from and to.
     *
     * @param key of the bar it leads into
     */
    record Ends(Pitch from, ChordSymbol sounding, Pitch target, ChordSymbol next, Key key) {}

    private record Note(Pitch pitch, boolean strange, double cost) {

        int key() {
            return pitch.midi();
        }
    }

    private static final List<CostTerm<Note>> COSTS =
            List.of(CostTerm.own("approach-note", 1, Note::cost), CostTerm.step("approach-step", 1, (from, to) -> {
                int moved = Math.abs(to.key() - from.key());
                return from.strange() && moved != 1
                        ? NEVER
                        : moved == 0 ? 8 : moved <= TONE ? 0 : moved <= THIRD ? 1.5 : 4;
            }));

    /**
     * One note for each wish, in the order of time; none where nothing leads there.
     *
     * @param wishes what was asked for, taken where it is right
     * @param lowest the lowest key it may go to
     */
    static List<Pitch> between(Ends ends, List<Optional<Pitch>> wishes, int lowest) {
        Approach approach = new Approach(ends, wishes.size(), lowest);
        List<List<Note>> layers = new ArrayList<>();
        for (int slot = 0; slot < wishes.size(); slot++) {
            layers.add(approach.notes(slot, wishes.get(slot)));
        }
        if (layers.stream().anyMatch(List::isEmpty)) {
            return List.of();
        }
        ShortestPath<Note> path = ShortestPath.through(layers, COSTS);
        return path.total() >= NEVER
                ? List.of()
                : path.steps().stream().map(Note::pitch).toList();
    }

    private List<Note> notes(int slot, Optional<Pitch> wish) {
        List<Note> notes = new ArrayList<>();
        int target = ends.target().midi();
        boolean last = slot == slots - 1;
        int reach = last ? FIFTH : Pitch.OCTAVE;
        for (int key = Math.max(lowest, target - reach); key <= target + reach; key++) {
            if (key == target || Math.abs(key - ends.from().midi()) > Pitch.OCTAVE) {
                continue;
            }
            int at = key;
            int chroma = Math.floorMod(key, Pitch.OCTAVE);
            boolean named = wish.filter(each -> each.midi() == at).isPresent();
            boolean known = rises() && Math.abs(target - 2 - key) == 1
                    || Naming.tone(chroma, ends.sounding()).isPresent()
                    || Naming.tone(chroma, ends.next()).isPresent()
                    || Naming.inKey(chroma, ends.key());
            boolean strange = !known || isTheOther(chroma);
            if (rises() && (key == target - TONE || key == target - THIRD)) {
                continue;
            }
            double cost = (wish.isEmpty() || named ? 0 : UNWISHED)
                    + (slot == 0 && !(named && !last) ? entry(key) : 0)
                    + (last ? exit(key, strange) : strange ? 0.5 : 0);
            if (cost < NEVER) {
                notes.add(new Note(
                        named
                                ? wish.get()
                                : Pitch.onKey(
                                        key,
                                        Naming.of(
                                                chroma,
                                                ends.sounding(),
                                                ends.next(),
                                                ends.key(),
                                                ends.target().pitchClass(),
                                                key - target)),
                        strange,
                        cost));
            }
        }
        return notes;
    }

    /** From a dominant up to a minor tonic, by the raised sixth and seventh. */
    private boolean rises() {
        return ends.from().midi() < ends.target().midi()
                && ends.sounding().quality().isMajor()
                && ends.next().quality().isMinor()
                && ends.next().over().isEmpty()
                && Math.floorMod(
                                ends.next().root().chroma()
                                        - ends.sounding().root().chroma(),
                                Pitch.OCTAVE)
                        == FOURTH;
    }

    /** Whether a bass lies a fourth under the next. */
    static boolean isFourthUnder(Pitch from, Pitch next) {
        return next.midi() - from.midi() == FOURTH;
    }

    private double entry(int key) {
        boolean beside = Math.abs(ends.from().midi() - ends.target().midi()) <= TONE;
        int moved = Math.abs(key - ends.from().midi());
        return moved == 0 ? beside ? AGAIN_BESIDE : AGAIN : 0.04 * moved;
    }

    private double exit(int key, boolean strange) {
        int away = Math.abs(key - ends.target().midi());
        int chroma = Math.floorMod(key, Pitch.OCTAVE);
        if (away == 1) {
            return strange ? 0.15 : 0;
        }
        if (strange) {
            return NEVER;
        }
        if (away == TONE) {
            return Naming.tone(chroma, ends.sounding()).isPresent() ? 0.1 : 0.25;
        }
        boolean third = away <= THIRD && Naming.tone(chroma, ends.sounding()).isPresent();
        boolean fifth = ends.next().over().isEmpty()
                && ends.next().quality().tone(5).map(Interval::semitones).orElse(FIFTH)
                        == Math.floorMod(chroma - ends.next().root().chroma(), Pitch.OCTAVE);
        return fifth ? 0.5 : third ? 0.7 : NEVER;
    }

    private boolean isTheOther(int chroma) {
        return isTheOther(ends.sounding(), chroma);
    }

    /** Whether it is the natural of a tone the chord alters: its fifth, ninth or thirteenth (FAULTS L25). */
    static boolean isUnaltered(ChordSymbol chord, int chroma) {
        int above = Math.floorMod(chroma - chord.root().chroma(), Pitch.OCTAVE);
        return switch (above) {
            case TONE -> isAltered(chord, 2, TONE);
            case FIFTH -> isAltered(chord, 5, FIFTH);
            case SIXTH -> isAltered(chord, 6, SIXTH);
            default -> false;
        };
    }

    private static boolean isAltered(ChordSymbol chord, int degree, int natural) {
        List<Integer> own = chord.quality().tones().stream()
                .filter(tone -> (tone.number() - 1) % 7 + 1 == degree)
                .map(tone -> tone.semitones() % Pitch.OCTAVE)
                .toList();
        return !own.isEmpty() && !own.contains(natural);
    }

    /** The other third or seventh of a chord. */
    static boolean isTheOther(ChordSymbol chord, int chroma) {
        int above = Math.floorMod(chroma - chord.root().chroma(), Pitch.OCTAVE);
        return Naming.tone(chroma, chord).isEmpty() && (isOther(chord, 3, above) || isOther(chord, 7, above));
    }

    /** Whether it is a semitone beside a third or seventh, and the other one. */
    private static boolean isOther(ChordSymbol chord, int degree, int above) {
        int major = degree == 3 ? THIRD : Pitch.OCTAVE - 1;
        return (above == major || above == major - 1)
                && chord.quality()
                        .tone(degree)
                        .map(Interval::semitones)
                        .filter(own -> own == major || own == major - 1)
                        .filter(own -> own != above)
                        .isPresent();
    }
}
