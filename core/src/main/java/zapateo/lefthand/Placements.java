package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.lefthand.Candidate.Cost;
import zapateo.part.LowIntervalLimits;
import zapateo.part.PartNote;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Role;

/** The candidates for every chord's place on the keyboard and what each costs. */
final class Placements {

    private static final int AT_THE_ENDS = 10;
    private static final int CLEAR_OF_BASS = 3;
    private static final int FURTHEST_FINGER = 2;
    /**
     * How much of a broken low limit it is to be rougher by once the measure than the clearest shape on the same bass.
     */
    private static final double ROUGH = 0.3;

    private static final double HAND_HOME = 43;
    private static final int FIFTH = 7;
    private static final int LOWEST_GROWL = Pitch.parse("G1").midi();
    /** What is rolled once in a chord counts so much of what would be rolled again and again. */
    private static final double ROLLED_ONCE = 0.1;
    /** What is rolled rather than muddy, and only then. */
    private static final double ROLLED_IF_NEED_BE = 0.3;

    private final Hand hand;
    private final int lowest;
    private final PlacementCosts costs;
    private final Map<Need, List<Candidate>> known = new HashMap<>();
    private final Map<Agreed, List<Candidate>> agreed = new HashMap<>();

    private record Agreed(Need need, SameOctave.Agreed on) {}

    /** @param lowest the lowest key of the instrument */
    Placements(Hand hand, int lowest) {
        this.hand = hand;
        this.lowest = lowest;
        costs = new PlacementCosts(hand, lowest);
    }

    /** Of how many chords places are known. */
    int size() {
        return known.size() + agreed.size();
    }

    /** Every place the chord may have; the same list for the same need. */
    List<Candidate> of(Need need) {
        List<Candidate> found = known.get(need);
        if (found == null) {
            found = locked(need);
            known.put(need, found);
        }
        return found;
    }

    /** The same places where the bass has a key elsewhere already: another one is dearer. */
    List<Candidate> of(Need need, SameOctave.Agreed on) {
        List<Candidate> all = of(need);
        return agreed.computeIfAbsent(
                new Agreed(need, on),
                key -> all.stream()
                        .map(each -> each.hasBass() && each.bass() != on.bass()
                                ? each.dearer(Cost.WANDERS, on.counts())
                                : each)
                        .toList());
    }

    private List<Candidate> locked(Need need) {
        List<Candidate> all = all(need);
        Lock lock = need.lock();
        if (lock.equals(Lock.NONE)) {
            return all;
        }
        List<Candidate> kept = all.stream().filter(each -> keeps(each, lock)).toList();
        return kept.isEmpty() ? all : kept;
    }

    /** Whether a candidate keeps what is locked. */
    static boolean keeps(Candidate candidate, Lock lock) {
        List<PartNote> upper = candidate.placement().upper();
        return lock.bass().filter(bass -> candidate.bass() != bass.midi()).isEmpty()
                && lock.top().filter(top -> candidate.top() != top.midi()).isEmpty()
                && lock.bottom()
                        .filter(bottom ->
                                !upper.isEmpty() && !upper.get(0).role().isTone(bottom))
                        .isEmpty();
    }

    private List<Candidate> all(Need need) {
        List<Candidate> candidates = new ArrayList<>();
        KeyTones inKey = need.inKey();
        for (ChordSymbol chord : Turned.over(need.chord(), need.bass(), need.way(), need.outer(), need.key())) {
            List<List<PartNote>> uppers = need.upper().isPresent()
                    ? CloseChords.of(
                            chord,
                            need.upper().get(),
                            inKey,
                            need.right(),
                            need.bass(),
                            need.said(),
                            !need.under().isEmpty())
                    : List.of(List.of());
            List<List<Role>> shapes =
                    need.shape().isPresent() ? need.shape().get().on(chord).shapesOn(chord) : List.of(List.of());
            if (!need.bass()
                    && chord.over().isPresent()
                    && need.upper()
                            .filter(voicing -> voicing.shapes().get(0).get(0).isOfClose())
                            .isPresent()) {
                uppers = Turned.overItsBass(chord, uppers);
            }
            for (Pitch bass : basses(need, chord)) {
                boolean added = false;
                for (List<PartNote> upper : uppers) {
                    if (need.bass() && !upper.isEmpty() && upper.get(0).pitch().midi() - bass.midi() < CLEAR_OF_BASS) {
                        continue;
                    }
                    for (List<Role> shape : shapes) {
                        added = true;
                        for (List<Role> spaced : spaced(need, new Placement(chord, bass, upper, shape, inKey))) {
                            candidates.addAll(
                                    positions(need, candidate(need, new Placement(chord, bass, upper, spaced, inKey))));
                        }
                    }
                }
                if (!added
                        && candidates.isEmpty()
                        && bass.midi() + Pitch.OCTAVE > need.register().highest()) {
                    candidates.add(candidate(
                            need,
                            new Placement(
                                    chord,
                                    bass,
                                    uppers.get(uppers.size() - 1),
                                    spaced(need, new Placement(chord, bass, List.of(), shapes.get(0), inKey))
                                            .get(0),
                                    inKey)));
                }
            }
        }
        return need.shape().isPresent() ? withRoughness(candidates) : List.copyOf(candidates);
    }

    /**
     * Of the shapes on one bass the rougher ones are muddier; between basses roughness says nothing, since all of them
     * get rougher as they go down.
     */
    private static List<Candidate> withRoughness(List<Candidate> candidates) {
        Map<Integer, Double> clearest = new HashMap<>();
        candidates.forEach(each -> clearest.merge(each.bass(), roughness(each), Math::min));
        return candidates.stream()
                .map(each -> each.dearer(Cost.MUD, ROUGH * (roughness(each) - clearest.get(each.bass()))))
                .toList();
    }

    private static double roughness(Candidate candidate) {
        return Roughness.over(candidate.placement().notes(candidate.placement().shape()));
    }

    /** The ways to lay a voicing's shape over the bass, with what says the chord in it. */
    private static List<List<Role>> spaced(Need need, Placement placement) {
        if (need.shape().isEmpty()) {
            return List.of(placement.shape());
        }
        Voicing voicing = need.shape().get().on(placement.chord());
        List<Role> laid = Spacing.named(voicing.spacing()).on(placement.chord(), placement.bass(), placement.shape());
        if (!voicing.states()) {
            return List.of(laid);
        }
        // What is low and short says two tones rather than leap where it could say three.
        return voicing.id().equals("open-shell")
                ? Stream.concat(Fuller.of(placement, laid, need.said()).stream(), Stream.of(laid))
                        .distinct()
                        .toList()
                : Fuller.of(placement, laid, need.said());
    }

    private List<Pitch> basses(Need need, ChordSymbol chord) {
        if (need.fixed().isPresent()) {
            return List.of(need.fixed().get());
        }
        List<Pitch> basses = new ArrayList<>();
        Optional<Voicing.Window> own =
                need.shape().map(voicing -> voicing.on(chord).window()).filter(window -> window.home() > 0);
        int from = Math.max(
                lowest,
                own.filter(window -> chord.over().isEmpty())
                        .map(Voicing.Window::lowest)
                        .orElse(need.register().lowest()));
        for (int key = from;
                key <= own.map(Voicing.Window::highest).orElse(need.register().highest());
                key++) {
            if (key % Pitch.OCTAVE == chord.bass().chroma()) {
                basses.add(Pitch.onKey(key, chord.bass()));
            }
        }
        return need.bass() ? basses : basses.subList(0, 1);
    }

    private Candidate candidate(Need need, Placement placement) {
        double mud = 0;
        double reach = 0;
        double beyond = 0;
        int top = placement.upper().isEmpty()
                ? placement.bass().midi()
                : placement.upper().get(placement.upper().size() - 1).pitch().midi();
        for (Map.Entry<Need.Struck, Integer> each : need.together().entrySet()) {
            Need.Struck struck = each.getKey();
            List<PartNote> notes = placement.notes(
                    Spacing.named(struck.spacing()).on(placement.chord(), placement.bass(), struck.roles()));
            mud += (growls(struck, placement, notes) ? 0 : Math.min(2, each.getValue()))
                    * LowIntervalLimits.mud(
                            PartNote.keys(notes),
                            need.bass()
                                    ? placement.bass().midi()
                                    : notes.get(0).pitch().midi());
            int highest = notes.get(notes.size() - 1).pitch().midi();
            top = Math.max(top, highest);
            Ease ease = hand.easeOf(PartNote.keys(notes));
            reach += ease == Ease.COMFORTABLE || ease == Ease.OUT_OF_REACH ? 0 : 1;
            beyond += ease != Ease.OUT_OF_REACH
                    ? 0
                    : each.getValue() == 1 ? ROLLED_ONCE : struck.rolls() ? ROLLED_IF_NEED_BE : each.getValue();
        }
        int root = Math.floorMod(placement.bass().midi() - need.chord().root().chroma(), Pitch.OCTAVE);
        int inversion =
                need.way() == BassLine.Basses.INVERSIONS && need.chord().over().isEmpty()
                        ? (root == 0 ? 0 : root < 6 ? 1 : Candidate.WEAK) * (need.outer() ? AT_THE_ENDS : 1)
                        : 0;
        double middle = need.upper()
                .map(voicing -> CloseChords.window(voicing, need.right()).home())
                .orElse(0.0);
        return new Candidate(
                placement,
                need.bass() ? placement.bass().midi() : -1,
                PartNote.keys(placement.upper()),
                top,
                need.bass() ? need.way() : BassLine.Basses.OWN,
                inversion,
                -1,
                costs.of(need, placement)
                        .add(Cost.MUD, mud)
                        .add(Cost.REACH, reach)
                        .add(Cost.BEYOND, beyond),
                PlacementCosts.leaves(need, placement),
                PlacementCosts.voices(need, placement),
                new Candidate.Home(
                        need.way() == BassLine.Basses.HAND ? HAND_HOME : PlacementCosts.home(need),
                        middle,
                        PlacementCosts.lowest(need),
                        PlacementCosts.highest(need)));
    }

    /**
     * Close pairs that are a style's sound; an open fifth on the lowest keys is none, nor what stands on a slash bass.
     */
    private static boolean growls(Need.Struck struck, Placement placement, List<PartNote> notes) {
        return Spacing.named(struck.spacing()).growls()
                && placement.chord().over().isEmpty()
                && placement.bass().midi() >= LOWEST_GROWL
                && notes.get(notes.size() - 1).pitch().midi() - placement.bass().midi() >= FIFTH;
    }

    /** A line for one hand position has a candidate for each place the hand may lie in. */
    private static List<Candidate> positions(Need need, Candidate candidate) {
        if (need.way() != BassLine.Basses.HAND || !candidate.hasBass()) {
            return List.of(candidate);
        }
        List<Candidate> placed = new ArrayList<>();
        for (int position = candidate.bass() - Candidate.FIVE_FINGERS - FURTHEST_FINGER;
                position <= candidate.bass() + FURTHEST_FINGER;
                position++) {
            placed.add(candidate.lying(position));
        }
        return placed;
    }
}
